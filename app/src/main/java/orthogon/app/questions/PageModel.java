package orthogon.app.questions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import orthogon.core.interview.Course;
import orthogon.core.interview.Problem;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Section;

/** One page of questions, ready for the template. */
public record PageModel(String code, String title, String introduction, List<Entry> entries, List<Message> messages) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    /** One message at the top of the page, leading to its question. */
    public record Message(String question, String wording, String text) {}

    /** One choice of a question. */
    public record Choice(String value, String label, boolean chosen) {}

    /**
     * One item.
     *
     * @param kind {@code note}, {@code section}, {@code text}, {@code longText}, {@code number}, {@code radio}, {@code dropDown},
     *            {@code checkbox} or {@code date}
     * @param value what stands in a box, as typed
     * @param hint limits in words
     * @param depth sections around it
     */
    public record Entry(String kind, String code, String wording, String help, boolean required, boolean locked, List<Choice> choices,
            String value, String unit, String hint, List<String> errors, Integer most, String shownValue) {}

    /** @param withErrors whether problems are shown; a page met for the first time shows none */
    public static PageModel of(Course.PageView page, LocalDate today, boolean withErrors) {
        List<Entry> entries = new ArrayList<>();
        List<Message> messages = new ArrayList<>();
        for (Course.Shown shown : page.shown()) {
            List<String> errors = withErrors
                    ? page.problems().stream().filter(p -> p.question().equals(shown.item().code()))
                            .map(Problem::message).toList()
                    : List.of();
            entries.add(entry(shown, today, errors));
            errors.forEach(e -> messages.add(new Message(shown.item().code(), shown.wording(), e)));
        }
        return new PageModel(page.page().code(), page.page().title(), page.page().introduction(), entries, messages);
    }

    private static Entry entry(Course.Shown shown, LocalDate today, List<String> errors) {
        Item item = shown.item();
        return switch (item) {
            case Note n -> plain("note", n.code(), n.wording());
            case Section s -> plain("section", s.code(), s.title());
            case Question q -> question(q, shown, today, errors);
            default -> throw new IllegalStateException(item.code() + " is not shown to anybody");
        };
    }

    private static Entry plain(String kind, String code, String text) {
        return new Entry(kind, code, text, "", false, false, List.of(), "", "", "", List.of(), null, "");
    }

    private static Entry question(Question q, Course.Shown shown, LocalDate today, List<String> errors) {
        Object value = shown.value();
        List<Choice> choices = switch (q.answer()) {
            case Answer.YesNo y -> List.of(new Choice("yes", "Yes", Boolean.TRUE.equals(value)), new Choice("no", "No",
                    Boolean.FALSE.equals(value)));
            default -> shown.offered().stream().map(o -> new Choice(o.code(), o.label(), value instanceof List<?> l
                    ? l.contains(o.code())
                    : o.code().equals(value))).toList();
        };
        String kind = switch (q.answer()) {
            case Answer.Text t -> t.isLong() ? "longText" : "text";
            case Answer.Numeric n -> "number";
            case Answer.YesNo y -> "radio";
            case Answer.OneChoice c -> c.dropDown() ? "dropDown" : "radio";
            case Answer.ManyChoices c -> "checkbox";
            case Answer.DateAnswer d -> "date";
        };
        String unit = q.answer() instanceof Answer.Numeric n ? n.unit() : "";
        Integer most = q.answer() instanceof Answer.Text t ? t.most() : null;
        return new Entry(kind, q.code(), shown.wording(), shown.help(), shown.required(), shown.locked(), choices, typed(value), unit,
                hint(q.answer(), today), errors, most, said(q, value).orElse("no answer"));
    }

    private static String typed(Object value) {
        return switch (value) {
            case null -> "";
            case Unreadable u -> u.typed();
            case BigDecimal d -> d.toPlainString();
            default -> value.toString();
        };
    }

    /** An answer in words; empty where it is blank. */
    public static Optional<String> said(Question q, Object value) {
        return switch (value) {
            case null -> Optional.empty();
            case Unreadable u -> Optional.of(u.typed());
            case Boolean b -> Optional.of(b ? "Yes" : "No");
            case List<?> l -> Optional.of(String.join(", ", l.stream().map(o -> label(q, String.valueOf(o))).toList()));
            case LocalDate d ->
                Optional.of(DAY.format(d));
            case BigDecimal d -> Optional.of(d.toPlainString() + (q.answer() instanceof Answer.Numeric n && !n.unit().isEmpty()
                    ? " " + n.unit()
                    : ""));
            default -> Optional.of(label(q, value.toString()));
        };
    }

    private static String label(Question q, String code) {
        return q.answer().option(code).map(Answer.Option::label).orElse(code);
    }

    private static String hint(Answer answer, LocalDate today) {
        return switch (answer) {
            case Answer.Numeric n when n.least() != null && n.most() != null -> "From " + n.least().toPlainString() + " to "
                    + n.most().toPlainString() + ".";
            case Answer.Numeric n when n.least() != null -> "At least " + n.least().toPlainString() + ".";
            case Answer.Numeric n when n.most() != null -> "At most " + n.most().toPlainString() + ".";
            case Answer.ManyChoices c when c.most() != null -> "Choose at most " + c.most() + ".";
            case Answer.ManyChoices c -> "Choose all that apply.";
            case Answer.Text t when t.most() != null -> "At most " + t.most() + " characters.";
            case Answer.DateAnswer d when d.earliest() != null && d.latest() != null ->
                "From " + DAY.format(d.earliest().on(today)) + " to "
                        + DAY.format(d.latest().on(today)) + ".";
            default -> "";
        };
    }
}
