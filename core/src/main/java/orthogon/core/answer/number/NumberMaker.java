package orthogon.core.answer.number;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.Domain;

/** {@code number 1..20 animals}, {@code number 0..1 decimals 2}, {@code slider 0..10}. */
public final class NumberMaker implements AnswerMaker {

    private static final Pattern NUMBER = Pattern
            .compile("(number|slider)(?:\\s+(-?[\\d.]*\\d)?\\s*\\.\\.\\s*(-?\\d[\\d.]*)?)?(?:\\s+decimals\\s+(\\d))?(?:\\s+(\\S.*))?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.NUMBER);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("number 1..20", "number", "with limits, decimals and a unit"),
                new TypedWords("slider 0..10", "number on a slider", "starts unanswered"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        if (words.matches("(number|slider)\\b.*\\d,\\d.*")) {
            throw new AnswerFault("least", "a number with a comma can be read in two ways; write 1000 or 0.5 without one");
        }
        Matcher number = NUMBER.matcher(words);
        if (!number.matches()) {
            return Optional.empty();
        }
        BigDecimal least = decimal("least", number.group(2));
        BigDecimal most = decimal("most", number.group(3));
        int places = number.group(4) == null ? Math.max(places(least), places(most)) : Integer.parseInt(number.group(4));
        return Optional.of(new NumberAnswer(least, most, places, number.group(5) == null ? "" : number.group(5).trim(),
                number.group(1).equals("slider")));
    }

    private static BigDecimal decimal(String setting, String text) {
        try {
            return text == null ? null : new BigDecimal(text);
        } catch (NumberFormatException e) {
            throw new AnswerFault(setting, "“" + text + "” is not a number");
        }
    }

    private static int places(BigDecimal limit) {
        return limit == null ? 0 : Math.max(0, limit.scale());
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return switch (other.domain()) {
            case Domain.Numbers n -> new NumberAnswer(n.least(), n.most(), 0, "");
            case Domain.Steps s -> new NumberAnswer(BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0, "");
            default -> new NumberAnswer(null, null, 0, "");
        };
    }
}
