package orthogon.app.questions;

import orthogon.app.answer.ControlTexts;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.dispatch.Passages;
import orthogon.core.interview.CodeValues;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import com.ibm.icu.text.NumberFormat;

/** How a questionnaire's texts read to one respondent: earlier answers put in, markup made of what the analyst wrote. */
public final class RespondentTexts implements ControlTexts {

    private final Questionnaire document;
    private final OwnWords ownWords;
    private final CodeValues standing;
    private final Passages passages;

    private RespondentTexts(Interview interview) {
        this.passages = new Passages(interview);
        this.document = interview.wiring().document();
        this.ownWords = OwnWords.of(document);
        this.standing = CodeValues.of(interview);
    }

    public static RespondentTexts of(Interview interview) {
        return new RespondentTexts(interview);
    }

    /** The questionnaire in the language in which it is read. */
    public Questionnaire document() {
        return document;
    }

    /** How the interview stands. */
    public Course course() {
        return standing.course();
    }

    private Piping.Filled filled(String text, String roster, int entry) {
        return Piping.fill(passages.putIn(text), ownWords.locale().toLocale(), name -> value(name, roster, entry),
                name -> words(name, value(name, roster, entry)));
    }

    /** @param name of an answer, or of a part of one as {@code driver.name} */
    private Object value(String name, String roster, int entry) {
        if (name.equals(Roster.NUMBER) && entry > 0 && document.item(name).isEmpty()) {
            return BigDecimal.valueOf(entry);
        }
        String[] path = name.split("\\.");
        Object value = standing.value(path[0], roster, entry);
        for (int i = 1; i < path.length; i++) {
            value = value instanceof Map<?, ?> parts ? parts.get(path[i]) : null;
        }
        return value;
    }

    /** The question whose answers tell the words of a name: the one of this code, or the one that a lookup shows. */
    private Optional<Question> question(String name) {
        String[] path = name.split("\\.");
        Optional<Question> question = document.question(path[0]);
        return switch (path.length) {
            case 1 -> question;
            case 2 -> question.map(Question::answer).flatMap(a -> a instanceof LookupAnswer l ? l.shown(path[1]) : Optional.empty())
                    .map(s -> Question.of(s.code(), s.label(), s.answer()));
            default -> Optional.empty();
        };
    }

    private String words(String name, Object value) {
        return question(name).flatMap(q -> AnswersInWords.of(q, value, ownWords)).orElseGet(() -> switch (value) {
            case BigDecimal d -> NumberFormat.getInstance(ownWords.locale()).format(d);
            case Boolean b -> ownWords.say(b ? "yes" : "no").toLowerCase(ownWords.locale().toLocale());
            case List<?> l -> l.stream().allMatch(Map.class::isInstance)
                    ? String.valueOf(l.size())
                    : String.join(", ", l.stream()
                            .map(String::valueOf).toList());
            default -> String.valueOf(value);
        });
    }

    /** One run of HTML. */
    public String inline(String text) {
        return Markup.inline(filled(text, "", 0));
    }

    /** Paragraphs of HTML. */
    public String block(String text) {
        return Markup.block(filled(text, "", 0));
    }

    /** A text with its markup and the codes that it names, for whoever writes it. */
    public static String asWritten(String text) {
        return Markup.block(new Piping.Filled(text, List.of()));
    }

    /** Text without markup. */
    public String plain(String text) {
        return Markup.plain(filled(text, "", 0));
    }

    /** Text without markup that keeps the empty lines between its paragraphs. */
    public String paragraphs(String text) {
        String whole = passages.putIn(text);
        List<String> paragraphs = List.of(whole.strip().split("\\R\\s*\\R"));
        // An argument may reach over an empty line.
        return paragraphs.stream().anyMatch(p -> Piping.fault(p).isPresent())
                ? plain(whole)
                : paragraphs.stream().map(this::plain).filter(p -> !p.isEmpty()).collect(Collectors.joining("\n\n"));
    }

    /** What the respondent is to take along after an outcome, each without markup. */
    public List<String> takeAlong(Questionnaire.Outcome outcome) {
        return passages.putIn(outcome.takeAlong()).lines().map(this::plain).filter(line -> !line.isEmpty()).toList();
    }

    @Override
    public String inline(String text, Course.ShownItem at) {
        return Markup.inline(filled(text, at.roster(), at.entry()));
    }

    @Override
    public String block(String text, Course.ShownItem at) {
        return Markup.block(filled(text, at.roster(), at.entry()));
    }

    @Override
    public String plain(String text, Course.ShownItem at) {
        return Markup.plain(filled(text, at.roster(), at.entry()));
    }

    /** What Orthogon itself says in the language. */
    @Override
    public OwnWords ownWords() {
        return ownWords;
    }

    /** A text of Orthogon's own, filled. */
    public String say(String key, Object... arguments) {
        return ownWords.say(key, arguments);
    }

    /** BCP 47 tag of the language in which the pages are. */
    @Override
    public String language() {
        return document.sourceLanguage();
    }

    /** {@code rtl} or {@code ltr}. */
    public String direction() {
        return ownWords.locale().isRightToLeft() ? "rtl" : "ltr";
    }
}
