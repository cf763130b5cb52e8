package orthogon.app.records;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.answer.SoughtRecords.SearchEnd;
import orthogon.app.offering.Offering;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.RecordKeys;
import orthogon.app.store.RecordStore;
import orthogon.app.store.RecordStore.SoughtWord;
import orthogon.app.store.ResponseStore;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Question;
import orthogon.core.responses.RecordWords;
import org.springframework.stereotype.Component;

/** The records of a workspace: what was answered to its questionnaires, as far as a lookup shows it. */
@Component
public class Registers {

    /** Most words that are looked for. */
    static final int MOST_WORDS = 5;
    /** How many responses are looked at before what is left is given up. */
    static final int MOST_LOOKED_AT = 2_000;
    private static final int AT_ONCE = 40;
    private static final String FAMILY = "family";

    private final RecordStore records;
    private final ResponseStore responses;
    private final RecordKeys keys;
    private final Offering offering;

    public Registers(RecordStore records, ResponseStore responses, RecordKeys keys, Offering offering) {
        this.offering = offering;
        this.records = records;
        this.responses = responses;
        this.keys = keys;
    }

    RecordKeys keys() {
        return keys;
    }

    /** The record with a receipt, as far as the lookup shows it; empty where there is none, or where it is not what the lookup expects. */
    public Optional<Map<String, Object>> find(LookupAnswer lookup, String receipt) {
        return records.questionnaire(lookup.questionnaire()).flatMap(id -> responses.find(id, receipt))
                .flatMap(r -> lookup.recordOf(r.receipt(), r.answers()));
    }

    /** The release that somebody answers to add a record; empty where nobody can begin it now. */
    public Optional<Release> taking(LookupAnswer lookup) {
        return records.questionnaire(lookup.questionnaire()).flatMap(id -> offering.taking(id, OffsetDateTime.now()));
    }

    /**
     * The records of an interview's page.
     *
     * @param scope that keys are good for, as one interview
     */
    public RecordsOfInterview of(String scope) {
        return new RecordsOfInterview(this, scope, Map.of());
    }

    /**
     * Looks for records in the answers that a lookup shows, and in no others.
     *
     * @param slot of the lookup on the page that the interview is on
     * @param typed words of which each must begin a word of the record
     */
    public SoughtRecords seek(Interview interview, String slot, String typed) {
        Optional<LookupAnswer> lookup = interview.course().current().flatMap(p -> p.at(slot)).flatMap(s -> s.question())
                .map(q -> q.answer()).filter(LookupAnswer.class::isInstance).map(LookupAnswer.class::cast);
        List<String> words = words(typed);
        if (lookup.isEmpty() || words.stream().mapToInt(String::length).sum() < SoughtRecords.FEWEST_LETTERS) {
            return SoughtRecords.nothing(typed, SearchEnd.SHORT);
        }
        List<Map<String, Object>> found = new ArrayList<>();
        Optional<Long> source = records.questionnaire(lookup.get().questionnaire());
        if (source.isPresent()) {
            found(lookup.get(), source.get(), words, interview.offered(slot), found);
        }
        return SoughtRecords.of(typed, found);
    }

    /** Some records, whatever else they must be to be on offer: the newest. */
    public List<Map<String, Object>> some(LookupAnswer lookup) {
        return records.questionnaire(lookup.questionnaire()).stream()
                .flatMap(id -> responses.all(records.numbers(id, List.of(), List.of(), List.of(), AT_ONCE)).stream())
                .flatMap(r -> lookup.recordOf(r.receipt(), r.answers()).stream()).toList();
    }

    private void found(LookupAnswer lookup, long source, List<String> words, Predicate<Map<String, Object>> offered,
            List<Map<String, Object>> into) {
        List<String> names = lookup.shows().stream().flatMap(Registers::texts).toList();
        List<SoughtWord> sought = words.stream().map(w -> new SoughtWord(w, coded(lookup, w))).toList();
        List<String> sorted = lookup.shown(lookup.order()).map(Registers::sorting).orElse(List.of());
        List<Long> numbers = records.numbers(source, names, sought, sorted, MOST_LOOKED_AT);
        for (int from = 0; from < numbers.size() && into.size() <= SoughtRecords.MOST; from += AT_ONCE) {
            responses.all(numbers.subList(from, Math.min(numbers.size(), from + AT_ONCE)))
                    .forEach(r -> lookup.recordOf(r.receipt(), r.answers()).filter(offered).ifPresent(into::add));
        }
    }

    static List<String> words(String typed) {
        return RecordWords.sought(typed).stream().limit(MOST_WORDS).toList();
    }

    /** Under which names the texts of a shown answer are kept; none for choices, which are found by their labels. */
    private static Stream<String> texts(RecordAnswer shown) {
        return RecordWords.names(Question.of(shown.code(), shown.label(), shown.answer()));
    }

    /** Under which names the values stand by which records are listed; of a person's name the family's comes first. */
    private static List<String> sorting(RecordAnswer shown) {
        return shown.answer().domain() instanceof Domain.TextParts parts
                ? Stream.concat(Stream.of(FAMILY), parts.parts().stream()).filter(parts.parts()::contains).distinct()
                        .map(p -> shown.code() + "." + p).toList()
                : List.of(shown.code());
    }

    private static Map<String, List<String>> coded(LookupAnswer lookup, String word) {
        Map<String, List<String>> coded = new LinkedHashMap<>();
        for (RecordAnswer shown : lookup.shows()) {
            Answer answer = shown.answer();
            List<String> codes = answer.options().stream().filter(o -> begins(o, word)).map(Option::code).toList();
            if (!codes.isEmpty()) {
                coded.put(shown.code(), codes);
            }
        }
        return coded;
    }

    private static boolean begins(Option option, String word) {
        return Arrays.stream(option.label().toLowerCase(Locale.ROOT).split("\\s+")).anyMatch(w -> w.startsWith(word));
    }
}
