package orthogon.core.answer.text;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.expression.TextPattern;

/**
 * Text of one line or several.
 *
 * @param least fewest characters of an answer that is not blank; null for no limit
 * @param most most characters; null for no limit
 * @param pattern regular expression that the whole text must match; empty for none
 * @param example an answer that matches the pattern, shown to the respondent
 * @param mask help while typing: {@code A} a letter, {@code 9} a digit, {@code *} either, anything else itself; refuses nothing
 */
public record TextAnswer(boolean isLong, Integer least, Integer most, AllowedCharacters content, String pattern, String example,
        String mask,
        String placeholder) implements Answer {

    public static final int MOST_CHARACTERS = 100_000;

    public TextAnswer {
        AnswerFault.unlessBetween(least, 0, MOST_CHARACTERS, "least", "the fewest characters go");
        AnswerFault.unlessBetween(most, 0, MOST_CHARACTERS, "most", "the most characters go");
        if (!pattern.isEmpty()) {
            try {
                TextPattern.whole(pattern);
            } catch (IllegalArgumentException e) {
                throw new AnswerFault("pattern", "the pattern “" + pattern + "”: " + e.getMessage());
            }
        }
    }

    public TextAnswer(boolean isLong, Integer least, Integer most) {
        this(isLong, least, most, AllowedCharacters.ANY, "", "", "", "");
    }

    @Override
    public AnswerKind kind() {
        return isLong ? AnswerKind.LONG_TEXT : AnswerKind.SHORT_TEXT;
    }

    @Override
    public Domain domain() {
        return new Domain.FreeTexts(least, most, content, pattern, example);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new TextAnswer(isLong, least, most, content, pattern, example, mask, change.apply("placeholder", placeholder));
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof String ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof String s)) {
            return AnswerRefusal.of("text");
        }
        int length = s.codePointCount(0, s.length());
        if (least != null && length < least) {
            return AnswerRefusal.of("short", least, length);
        }
        if (most != null && length > most) {
            return AnswerRefusal.of("long", most, length);
        }
        if (content == AllowedCharacters.DIGITS && !s.chars().allMatch(c -> c >= '0' && c <= '9')) {
            return AnswerRefusal.of("digits");
        }
        if (content == AllowedCharacters.LETTERS && !s.codePoints().allMatch(TextPattern::isLetterLike)) {
            return AnswerRefusal.of("letters");
        }
        if (!pattern.isEmpty() && !TextPattern.whole(pattern).isFoundIn(s)) {
            return AnswerRefusal.of("like", example.isEmpty() ? TextPattern.whole(pattern).example() : example);
        }
        return Optional.empty();
    }

    @Override
    public String unreadableMessage() {
        return "unreadable";
    }

    @Override
    public List<String> settings() {
        return least == null && most == null && pattern.isEmpty() ? List.of() : List.of("the limits of the text");
    }
}
