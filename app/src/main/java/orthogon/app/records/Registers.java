package orthogon.app.records;

import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
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
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.interview.OfferedRecords;
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
        Optional<LookupAnswer> lookup = interview.course().current().flatMap(p -> p.answer(slot, LookupAnswer.class));
        List<String> words = words(typed);
        if (lookup.isEmpty() || words.stream().mapToInt(String::length).sum() < SoughtRecords.FEWEST_LETTERS) {
            return SoughtRecords.nothing(typed, SearchEnd.SHORT);
        }
        return SoughtRecords.of(typed, records.questionnaire(lookup.get().questionnaire())
                .map(source -> found(lookup.get(), source, words, OfferedRecords.at(interview, slot))).orElse(List.of()));
    }

    /** Some records, whatever else they must be to be on offer: the newest. */
    public List<Map<String, Object>> some(LookupAnswer lookup) {
        return records.questionnaire(lookup.questionnaire()).stream()
                .flatMap(id -> responses.all(records.numbers(id, List.of(), List.of(), List.of(), AT_ONCE)).stream())
                .flatMap(r -> lookup.recordOf(r.receipt(), r.answers()).stream()).toList();
    }

    private List<Map<String, Object>> found(LookupAnswer lookup, long source, List<String> words, Predicate<Map<String, Object>> offered) {
        List<String> names = lookup.shows().stream().flatMap(Registers::texts).toList();
        List<SoughtWord> sought = words.stream().map(w -> new SoughtWord(w, coded(lookup, w))).toList();
        List<Long> numbers = records.numbers(source, names, sought, lookup.listedBy(), MOST_LOOKED_AT);
        return responses.each(numbers).flatMap(r -> lookup.recordOf(r.receipt(), r.answers()).filter(offered).stream())
                .limit(SoughtRecords.MOST + 1L).toList();
    }

    static List<String> words(String typed) {
        return RecordWords.sought(typed).stream().limit(MOST_WORDS).toList();
    }

    /** Under which names the texts of a shown answer are kept; none for choices, which are found by their labels. */
    private static Stream<String> texts(RecordAnswer shown) {
        return RecordWords.names(Question.of(shown.code(), shown.label(), shown.answer()));
    }

    private static Map<String, List<String>> coded(LookupAnswer lookup, String word) {
        Map<String, List<String>> coded = new LinkedHashMap<>();
        lookup.shows().forEach(s -> coded.put(s.code(), RecordWords.codes(s.answer(), word)));
        coded.values().removeIf(List::isEmpty);
        return coded;
    }
}
