package orthogon.app.questions;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import orthogon.core.interview.Course;
import orthogon.core.interview.Problem;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;

/** One page of questions, ready for the template. */
public record PageModel(String code, String title, String introduction, List<Entry> entries, List<Message> messages, boolean hasFiles,
        Presentation.Buttons buttons) {

    /** One message at the top of the page, leading to its question. */
    public record Message(String slot, String wording, String text) {}

    /** One choice of a question. */
    public record Choice(String value, String label, boolean chosen, boolean other, String picture) {}

    /** One box of an answer with several: a part of a name, a place of a ranking. */
    public record Box(String name, String label, String value, String autocomplete, List<Choice> choices) {}

    /** One row of a grid. */
    public record GridRow(String name, String label, List<Choice> choices) {}

    /** One entry of a roster, at whose beginning it stands. */
    public record EntryHead(String roster, String number, String title, boolean first, boolean removable) {}

    /**
     * One item.
     *
     * @param kind which control the template draws
     * @param value what stands in a box, as typed
     * @param hint limits in words
     * @param entry of a roster that begins with this item; null elsewhere
     */
    public record Entry(String kind, String slot, String wording, String help, boolean required, boolean locked, Answer answer,
            List<Choice> choices, List<Box> boxes, List<GridRow> rows, List<Attachment> files, String value, String other, String hint,
            List<String> errors, String shownValue, EntryHead entry, int depth) {

        public boolean isGroup() {
            return List.of("radio", "checkbox", "scale", "parts", "grid", "ranking", "file", "agreement", "signature").contains(kind);
        }

        /** A name for the page's own use, without signs that a selector would trip over. */
        public String id() {
            return slot.replace('.', '-');
        }
    }

    /** @param withErrors whether problems are shown; a page met for the first time shows none */
    public static PageModel of(Course.PageView page, Presentation presentation, LocalDate today, boolean withErrors) {
        List<Entry> entries = new ArrayList<>();
        List<Message> messages = new ArrayList<>();
        boolean files = false;
        String lastEntry = "";
        Entry further = null;
        for (Course.Shown shown : page.shown()) {
            List<String> errors = withErrors
                    ? page.problems().stream().filter(p -> p.slot().equals(shown.slot())).map(Problem::message).toList()
                    : List.of();
            EntryHead head = null;
            String here = shown.roster().isEmpty() ? "" : shown.roster() + shown.entry();
            if (!here.isEmpty() && !here.equals(lastEntry)) {
                head = head(page, shown);
            }
            lastEntry = here;
            Entry entry = Entries.of(shown, today, errors, head);
            // The button for a further entry stands behind the last one.
            if (further != null && !further.slot().equals(shown.roster())) {
                entries.add(further);
                further = null;
            }
            entries.add(entry);
            if (shown.item() instanceof Roster) {
                further = Entries.further(entry);
            }
            files |= entry.kind().equals("file");
            String where = shown.roster().isEmpty() ? "" : head(page, shown).title() + ": ";
            errors.forEach(e -> messages.add(new Message(entry.id(), where + shown.wording(), e)));
        }
        if (further != null) {
            entries.add(further);
        }
        return new PageModel(page.page().code(), page.page().title(), page.page().introduction(), entries, messages, files,
                presentation.buttons());
    }

    private static EntryHead head(Course.PageView page, Course.Shown first) {
        Course.Shown whole = page.at(first.roster()).orElseThrow();
        Roster roster = (Roster) whole.item();
        List<?> numbers = (List<?>) whole.value();
        String name = roster.entryTitle().isEmpty() ? "Entry" : roster.entryTitle();
        return new EntryHead(roster.code(), String.valueOf(numbers.get(first.entry() - 1)), name + " " + first.entry(), first.entry() == 1,
                numbers.size() > roster.least());
    }

    /** Makes the entry of one shown item. */
    private static final class Entries {

        private static final Map<String, String> AUTOCOMPLETE = Map.of("title", "honorific-prefix", "given", "given-name", "middle",
                "additional-name", "family", "family-name", "line_1", "address-line1", "line_2", "address-line2", "town", "address-level2",
                "region", "address-level1", "postcode", "postal-code", "country", "country-name");

        static Entry of(Course.Shown shown, LocalDate today, List<String> errors, EntryHead head) {
            return switch (shown.item()) {
                case Question q -> question(q, shown, today, errors, head);
                case Roster r ->
                    plain("roster", shown, r.entryTitle().isEmpty() ? "entry" : r.entryTitle().toLowerCase(java.util.Locale.ROOT),
                            ((List<?>) shown.value()).size() < r.most(), errors, head);
                default -> plain(shown.item().kind(), shown, "", false, errors, head);
            };
        }

        private static Entry plain(String kind, Course.Shown shown, String value, boolean more, List<String> errors, EntryHead head) {
            return new Entry(kind, shown.slot(), shown.wording(), shown.help(), more, false, null,
                    shown.value() instanceof List<?> l
                            ? l.stream().map(n -> new Choice(String.valueOf(n), "", true, false, "")).toList()
                            : List.of(),
                    List.of(), List.of(), List.of(), value, "", "", errors, "", head, shown.roster().isEmpty() ? 0 : 1);
        }

        private static Entry further(Entry roster) {
            return new Entry("further", roster.slot(), "", "", roster.required(), false, null, roster.choices(), List.of(), List.of(),
                    List.of(), roster.value(), "", "", List.of(), "", null, 0);
        }

        private static Entry question(Question q, Course.Shown shown, LocalDate today, List<String> errors, EntryHead head) {
            Object value = shown.value();
            return new Entry(kind(q.answer()), shown.slot(), shown.wording(), shown.help(), shown.required(), shown.locked(), q.answer(),
                    choices(q.answer(), shown.offered(), value), boxes(q.answer(), shown), rows(q.answer(), shown),
                    value instanceof List<?> l
                            ? l.stream().filter(Attachment.class::isInstance).map(Attachment.class::cast).toList()
                            : List.of(),
                    Said.typed(value), shown.other(), Said.hint(q.answer(), today), errors, Said.of(q, value).orElse("no answer"), head,
                    shown.roster().isEmpty() ? 0 : 1);
        }

        private static String kind(Answer answer) {
            return switch (answer) {
                case Answer.Text t -> t.isLong() ? "longText" : "text";
                case Answer.Numeric n -> "number";
                case Answer.Scale s -> "scale";
                case Answer.YesNo y -> "radio";
                case Answer.OneChoice c ->
                    c.layout().shown() == Answer.Shown.DROP_DOWN || c.layout().shown() == Answer.Shown.SEARCH ? "dropDown" : "radio";
                case Answer.IsoCode c -> "dropDown";
                case Answer.ManyChoices c -> "checkbox";
                case Answer.DateAnswer d -> "date";
                case Answer.TimeAnswer t -> "time";
                case Answer.Contact c -> switch (c.kind()) {
                    case EMAIL -> "email";
                    case PHONE -> "tel";
                    case WEB -> "url";
                };
                case Answer.Parts p -> "parts";
                case Answer.FileAnswer f -> "file";
                case Answer.Lookup l -> "text";
                case Answer.Agreement a -> "agreement";
                case Answer.Grid g -> "grid";
                case Answer.Ranking r -> "ranking";
                case Answer.Signature s -> "signature";
                case Answer.Hidden h -> throw new IllegalStateException("a hidden question is not shown");
            };
        }

        private static List<Choice> choices(Answer answer, List<Answer.Option> offered, Object value) {
            return switch (answer) {
                case Answer.YesNo y -> List.of(
                        new Choice("yes", y.yes().isEmpty() ? "Yes" : y.yes(), Boolean.TRUE.equals(value), false, ""),
                        new Choice("no", y.no().isEmpty() ? "No" : y.no(), Boolean.FALSE.equals(value), false, ""));
                case Answer.Scale s -> IntStream.rangeClosed(s.first(), s.last())
                        .mapToObj(i -> new Choice(String.valueOf(i), String.valueOf(i), Said.typed(value).equals(String.valueOf(i)), false,
                                ""))
                        .toList();
                case Answer.Agreement a -> List.of(new Choice("yes", a.text(), Boolean.TRUE.equals(value), false, ""));
                default -> offered.stream().map(o -> choice(o, value)).toList();
            };
        }

        private static Choice choice(Answer.Option o, Object value) {
            boolean chosen = value instanceof List<?> l ? l.contains(o.code()) : o.code().equals(value);
            return new Choice(o.code(), o.label(), chosen, o.other(), o.picture());
        }

        private static List<Box> boxes(Answer answer, Course.Shown shown) {
            Object value = shown.value();
            return switch (answer) {
                case Answer.Parts p -> p.parts().stream()
                        .map(part -> new Box(shown.slot() + PageForm.PART + part, Said.part(part) + (p.required().contains(part)
                                ? ""
                                : " (you may leave this out)"), part(value, part), AUTOCOMPLETE.getOrDefault(part, "off"), List.of()))
                        .toList();
                case Answer.Signature s -> List.of(new Box(shown.slot() + PageForm.PART + "name", "Your name in full", part(value, "name"),
                        "name", List.of()));
                case Answer.Ranking r -> IntStream.rangeClosed(1, r.ranked())
                        .mapToObj(place -> new Box(shown.slot() + PageForm.PART + place, "Place " + place, "", "off",
                                shown.offered().stream().map(o -> new Choice(o.code(), o.label(),
                                        value instanceof List<?> l && l.size() >= place && l.get(place - 1).equals(o.code()), false, ""))
                                        .toList()))
                        .toList();
                default -> List.of();
            };
        }

        private static String part(Object value, String part) {
            return value instanceof Map<?, ?> parts && parts.get(part) instanceof String text ? text : "";
        }

        private static List<GridRow> rows(Answer answer, Course.Shown shown) {
            return !(answer instanceof Answer.Grid grid)
                    ? List.of()
                    : grid.rows().stream().filter(r -> shown.rows().contains(r.code())).map(r -> {
                        Object value = shown.value() instanceof Map<?, ?> m ? m.get(r.code()) : null;
                        return new GridRow(shown.slot() + PageForm.PART + r.code(), r.label(),
                                shown.offered().stream().map(o -> choice(o, value)).toList());
                    }).toList();
        }
    }
}
