package orthogon.app.questions;

import java.time.LocalDate;
import java.text.Collator;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import orthogon.app.questions.PageModel.EntryHead;
import orthogon.app.questions.PageModel.GridLine;
import orthogon.app.questions.PageModel.OfferedChoice;
import orthogon.app.questions.PageModel.PageBox;
import orthogon.app.questions.PageModel.RosterEntry;
import orthogon.core.interview.Course;
import orthogon.core.language.Piping;
import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;
import orthogon.core.questionnaire.IsoNames;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;

/** Makes the entry of one shown item. */
final class Entries {

    private static final Map<String, String> AUTOCOMPLETE = Map.of("title", "honorific-prefix", "given", "given-name", "middle",
            "additional-name", "family", "family-name", "line_1", "address-line1", "line_2", "address-line2", "town", "address-level2",
            "region", "address-level1", "postcode", "postal-code", "country", "country-name");

    /** An agreement to a text of more characters than this shows the text in a box of its own, which scrolls. */
    private static final int LONG_TERMS = 300;

    private final RespondentTexts voice;
    private final LocalDate today;
    private final long seed;

    Entries(RespondentTexts voice, LocalDate today, long seed) {
        this.voice = voice;
        this.today = today;
        this.seed = seed;
    }

    RosterEntry of(Course.ShownItem shown, List<String> errors, EntryHead head) {
        return switch (shown.item()) {
            case Question q -> question(q, shown, errors, head);
            case Roster r ->
                plain("roster", shown, entry(r),
                        ((List<?>) shown.value()).size() < r.most(), errors, head);
            default -> plain(shown.item().kind(), shown, "", false, errors, head);
        };
    }

    /** What an entry is called, in the letters in which it was written. */
    private String entry(Roster roster) {
        boolean plain = !roster.entryTitle().isEmpty() && Piping.names(roster.entryTitle()).isEmpty();
        String name = !plain ? voice.say("entry") : voice.plain(roster.entryTitle());
        return name;
    }

    private RosterEntry plain(String kind, Course.ShownItem shown, String value, boolean more, List<String> errors, EntryHead head) {
        String words = shown.wording();
        return new RosterEntry(kind, shown.slot(), voice.plain(words, shown),
                kind.equals("note") ? voice.block(words, shown) : voice.inline(words, shown), "", more, false, null,
                shown.value() instanceof List<?> l
                        ? l.stream().map(n -> new OfferedChoice(String.valueOf(n), "", "", true, false, "")).toList()
                        : List.of(),
                List.of(), List.of(), List.of(), value, "", "", errors, "", head, shown.roster().isEmpty() ? 0 : 1);
    }

    static RosterEntry further(RosterEntry roster) {
        return new RosterEntry("further", roster.slot(), "", "", "", roster.required(), false, null, roster.choices(), List.of(), List.of(),
                List.of(), roster.value(), "", "", List.of(), "", null, 0);
    }

    private RosterEntry question(Question q, Course.ShownItem shown, List<String> errors, EntryHead head) {
        Object value = shown.value();
        return new RosterEntry(kind(q.answer()), shown.slot(), voice.plain(shown.wording(), shown), voice.inline(shown.wording(), shown),
                voice.block(shown.help(), shown), shown.required(), shown.locked(), q.answer(), choices(q.answer(), shown),
                boxes(q.answer(), shown), rows(q.answer(), shown),
                value instanceof List<?> l
                        ? l.stream().filter(Attachment.class::isInstance).map(Attachment.class::cast).toList()
                        : List.of(),
                q.answer() instanceof Answer.OneChoice c && c.layout().shown() == Answer.ShownAs.SEARCH
                        ? searched(shown)
                        : AnswersInWords.typed(value),
                shown.other(), AnswersInWords.hint(q.answer(), today, voice.ownWords()), errors,
                AnswersInWords.of(q, value, voice.ownWords()).orElse(voice.say("no_answer")), head,
                shown.roster().isEmpty() ? 0 : 1);
    }

    /** What stands in the box of a searchable list: the label of what was chosen, or what was typed. */
    private String searched(Course.ShownItem shown) {
        return shown.offered().stream().filter(o -> o.code().equals(shown.value())).map(o -> voice.plain(o.label(), shown)).findFirst()
                .orElse(AnswersInWords.typed(shown.value()));
    }

    private static String kind(Answer answer) {
        return switch (answer) {
            case Answer.TextAnswer t -> t.isLong() ? "longText" : "text";
            case Answer.Numeric n -> "number";
            case Answer.Scale s -> "scale";
            case Answer.YesNo y -> "radio";
            case Answer.OneChoice c -> switch (c.layout().shown()) {
                case DROP_DOWN -> "dropDown";
                case SEARCH -> "search";
                default -> "radio";
            };
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
            case Answer.Agreement a -> a.text().length() > LONG_TERMS ? "terms" : "agreement";
            case Answer.Grid g -> "grid";
            case Answer.Ranking r -> "ranking";
            case Answer.Signature s -> "signature";
            case Answer.Hidden h -> throw new IllegalStateException("a hidden question is not shown");
        };
    }

    private OfferedChoice choice(String value, String label, boolean chosen, Course.ShownItem shown) {
        return new OfferedChoice(value, voice.plain(label, shown), voice.inline(label, shown), chosen, false, "");
    }

    private List<OfferedChoice> choices(Answer answer, Course.ShownItem shown) {
        Object value = shown.value();
        return switch (answer) {
            case Answer.YesNo y -> List.of(choice("yes", voice.ownWords().or(y.yes(), "yes"), Boolean.TRUE.equals(value), shown),
                    choice("no", voice.ownWords().or(y.no(), "no"), Boolean.FALSE.equals(value), shown));
            case Answer.Scale s -> IntStream.rangeClosed(s.first(), s.last())
                    .mapToObj(
                            i -> choice(String.valueOf(i), String.valueOf(i), AnswersInWords.typed(value).equals(String.valueOf(i)), shown))
                    .toList();
            case Answer.Agreement a -> List.of(new OfferedChoice("yes", voice.say("i_agree"), a.text().length() > LONG_TERMS
                    ? voice.block(a.text(), shown)
                    : voice.inline(voice.ownWords().or(a.text(), "i_agree"), shown), Boolean.TRUE.equals(value), false, ""));
            default -> ordered(answer, shown).stream().map(o -> choice(o, value, shown)).toList();
        };
    }

    /** Shuffled for each respondent where the answer says so; what stands alone, and "other", stays last. */
    private List<Answer.Option> ordered(Answer answer, Course.ShownItem shown) {
        if (answer instanceof Answer.IsoCode iso) {
            Locale in = voice.ownWords().locale().toLocale();
            return shown.offered().stream().map(o -> o.withLabel(stretched(IsoNames.name(iso.isLanguage(), o.code(), in))))
                    .sorted((a, b) -> Collator.getInstance(in).compare(a.label(), b.label())).toList();
        }
        boolean shuffle = answer instanceof Answer.OneChoice o && o.layout().shuffle()
                || answer instanceof Answer.ManyChoices m && m.layout().shuffle();
        if (!shuffle) {
            return shown.offered();
        }
        List<Answer.Option> mixed = new ArrayList<>(shown.offered().stream().filter(o -> !o.exclusive() && !o.other()).toList());
        Collections.shuffle(mixed, new Random(seed * 31 + shown.slot().hashCode()));
        shown.offered().stream().filter(o -> o.exclusive() || o.other()).forEach(mixed::add);
        return mixed;
    }

    /** Names that the platform knows are stretched as well, so that they are no gap in the stretch language. */
    private String stretched(String name) {
        return voice.language().equals(Stretch.TAG) ? Stretch.of(name) : name;
    }

    private OfferedChoice choice(Answer.Option o, Object value, Course.ShownItem shown) {
        boolean chosen = value instanceof List<?> l ? l.contains(o.code()) : o.code().equals(value);
        return new OfferedChoice(o.code(), voice.plain(o.label(), shown), voice.inline(o.label(), shown), chosen, o.other(), o.picture());
    }

    private List<PageBox> boxes(Answer answer, Course.ShownItem shown) {
        Object value = shown.value();
        return switch (answer) {
            case Answer.Parts p -> p.parts().stream()
                    .map(part -> new PageBox(shown.slot() + PageForm.PART + part, voice.say("part." + part) + (p.required().contains(part)
                            ? ""
                            : " " + voice.say("optional")), part(value, part), AUTOCOMPLETE.getOrDefault(part, "off"), List.of()))
                    .toList();
            case Answer.Signature s -> List.of(
                    new PageBox(shown.slot() + PageForm.PART + "name", voice.say("full_name"), part(value, "name"),
                            "name", List.of()),
                    new PageBox(shown.slot() + PageForm.PART + "path", voice.say("drawn_signature"), part(value, "path"), "off",
                            List.of()));
            case Answer.Ranking r -> IntStream.rangeClosed(1, r.ranked())
                    .mapToObj(place -> new PageBox(shown.slot() + PageForm.PART + place, voice.say("place", place), "", "off",
                            shown.offered().stream().map(o -> choice(o.code(), o.label(),
                                    value instanceof List<?> l && l.size() >= place && l.get(place - 1).equals(o.code()), shown)).toList()))
                    .toList();
            default -> List.of();
        };
    }

    private static String part(Object value, String part) {
        return value instanceof Map<?, ?> parts && parts.get(part) instanceof String text ? text : "";
    }

    private List<GridLine> rows(Answer answer, Course.ShownItem shown) {
        return !(answer instanceof Answer.Grid grid)
                ? List.of()
                : grid.rows().stream().filter(r -> shown.rows().contains(r.code())).map(r -> {
                    Object value = shown.value() instanceof Map<?, ?> m ? m.get(r.code()) : null;
                    return new GridLine(shown.slot() + PageForm.PART + r.code(), voice.plain(r.label(), shown),
                            shown.offered().stream().map(o -> choice(o, value, shown)).toList());
                }).toList();
    }
}
