package orthogon.app.answer.lookup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.OfferedChoice;
import orthogon.app.answer.PageBox;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Refused;

/** A record, found by the words in it. */
public final class LookupControl implements AnswerControl<LookupAnswer> {

    /** What the button that looks for records brings, before the slot. */
    public static final String SEEK = "find:";
    /** What the button that adds a record brings, before the slot. */
    public static final String ADD = "record:";

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.LOOKUP);
    }

    @Override
    public String inShort(LookupAnswer l) {
        return "record of " + l.questionnaire();
    }

    @Override
    public List<Setting> settings(LookupAnswer l) {
        Map<String, String> orders = new LinkedHashMap<>(Map.of("", "the newest first"));
        l.shows().forEach(s -> orders.put(s.code(), s.code()));
        return List.of(Setting.condition("offerWhen", "Offer when", RuleFamily.OFFER_WHEN, l.offerWhen(), "every record"),
                Setting.choose("order", "Listed by", l.order(), orders),
                Setting.tick("mayAdd", "Respondents may add a record", l.mayAdd()));
    }

    @Override
    public LookupAnswer set(LookupAnswer now, SettingsForm form) throws Refused {
        return new LookupAnswer(now.questionnaire(), now.release(), now.shows(), now.everyRecord(), form.text("offerWhen"),
                form.text("order"), form.ticked("mayAdd"));
    }

    /** The chosen record, then those that were found. */
    @Override
    public DrawnControl drawn(LookupAnswer l, ShownAnswer shown) {
        List<OfferedChoice> choices = new ArrayList<>();
        Optional<SoughtRecords> sought = shown.records().sought(shown.slot());
        if (shown.value() instanceof Map<?, ?> chosen) {
            choices.add(choice(l, chosen, true, shown));
        }
        sought.ifPresent(
                s -> s.found().stream().filter(r -> !isSame(r, shown.value())).forEach(r -> choices.add(choice(l, r, false, shown))));
        return DrawnControl.ofChoices("lookup", sought.map(s -> s.end().key()).orElse(""), choices)
                .withBoxes(shown.records().mayAdd(l) ? List.of(new PageBox(ADD + shown.slot(), "", "", "", List.of())) : List.of())
                .withValue(sought.map(SoughtRecords::words).orElse(""));
    }

    private static OfferedChoice choice(LookupAnswer lookup, Map<?, ?> record, boolean chosen, ShownAnswer shown) {
        return record(lookup, record, chosen, shown.records(), shown.words());
    }

    /** A record as a choice: its first answer, and the others beside it. */
    public static OfferedChoice record(LookupAnswer lookup, Map<?, ?> record, boolean chosen, PageRecords records, OwnWords words) {
        List<String> told = said(lookup, record, words);
        String first = told.isEmpty() ? "" : told.getFirst();
        String others = told.stream().skip(1).collect(Collectors.joining(" · "));
        return new OfferedChoice(records.key(record), first, others, chosen, false, "");
    }

    private static boolean isSame(Map<?, ?> one, Object other) {
        return other instanceof Map<?, ?> map && one.get(Domain.OneRecord.RECEIPT).equals(map.get(Domain.OneRecord.RECEIPT));
    }

    /** The shown answers in words, without the blank ones. */
    private static List<String> said(LookupAnswer lookup, Map<?, ?> record, OwnWords words) {
        return lookup.shows().stream().flatMap(s -> said(s, record.get(s.code()), words)).toList();
    }

    private static Stream<String> said(RecordAnswer shown, Object value, OwnWords words) {
        return value == null
                ? Stream.empty()
                : Stream.of(AnswerControls.of(shown.answer()).inWords(shown.answer(), value, words));
    }

    @Override
    public Object given(LookupAnswer l, GivenFields fields) {
        return fields.typed(key -> fields.before() instanceof Map<?, ?> before && fields.records().key(before).equals(key)
                ? before
                : fields.records().at(l, key).<Object>map(r -> r).orElse(new Unreadable(key)));
    }

    @Override
    public String inWords(LookupAnswer l, Object value, OwnWords words) {
        if (!(value instanceof Map<?, ?> record)) {
            return value.toString();
        }
        List<String> said = said(l, record, words);
        return said.isEmpty() && !l.shows().isEmpty() && record.size() == 1 ? words.say("lookup_erased") : String.join(", ", said);
    }

    @Override
    public Object madeUp(LookupAnswer l, MadeUp how) {
        List<Map<String, Object>> some = how.records().apply(l);
        return some.isEmpty() || !how.required() && how.random().nextInt(3) == 0 ? null : how.pick(some);
    }
}
