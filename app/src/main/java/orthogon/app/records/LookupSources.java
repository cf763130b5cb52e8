package orthogon.app.records;

import java.time.Duration;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.app.opening.Openable;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.edit.TakeRecords;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.records.RecordCondition;
import orthogon.core.proof.records.RecordCondition.KnownOfRecords;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;

/** The questionnaires whose responses a lookup may offer, and what it can show of them. */
@Component
public class LookupSources {

    /** What may be used to find out what all records meet. */
    private static final Limits LIMITS = new Limits(1 << 20, Duration.ofSeconds(3));

    private final KnownDrafts known;
    private final Openable openable;

    public LookupSources(KnownDrafts known, Openable openable) {
        this.known = known;
        this.openable = openable;
    }

    /** @param release number; 0 for the draft of a questionnaire that has none */
    private record SourceDocument(Questionnaire document, int release) {}

    /**
     * What an analyst chooses of.
     *
     * @param sources code to title of every other questionnaire
     * @param showable code to wording of the answers that can be shown
     * @param shown codes of those that are
     * @param origin from where they are taken, in words
     * @param newer number of the release that they could be taken from by now; 0 for none
     * @param isKnown whether the questionnaire is there
     */
    public record LookupChoices(String source, Map<String, String> sources, Map<String, String> showable, List<String> shown, String origin,
            int newer, boolean isKnown) {}

    private Optional<SourceDocument> find(String code) {
        return known.head(code).map(draft -> {
            Optional<Release> release = openable.release(draft.id());
            return release.map(r -> new SourceDocument(r.document(), r.number())).orElseGet(() -> new SourceDocument(draft.document(), 0));
        });
    }

    /** @param of the questionnaire in which the lookup stands */
    public LookupChoices choices(String of, LookupAnswer lookup) {
        Map<String, String> sources = openable.titles(of);
        Optional<SourceDocument> source = find(lookup.questionnaire());
        if (source.isEmpty()) {
            sources.putIfAbsent(lookup.questionnaire(), lookup.questionnaire() + " (not here)");
        }
        Map<String, String> showable = source.map(s -> TakeRecords.showable(s.document()).stream()
                .collect(Collectors.toMap(Question::code, Question::wording, (a, b) -> a, LinkedHashMap<String, String>::new)))
                .orElseGet(LinkedHashMap::new);
        lookup.shows().forEach(s -> showable.putIfAbsent(s.code(), s.label()));
        int newest = source.map(SourceDocument::release).orElse(0);
        String origin = lookup.shows().isEmpty()
                ? ""
                : lookup.release() == 0 ? "as its draft has them" : "as release " + lookup.release() + " has them";
        return new LookupChoices(lookup.questionnaire(), sources, showable, lookup.shows().stream().map(RecordAnswer::code).toList(),
                origin,
                newest > lookup.release() && !lookup.shows().isEmpty() ? newest : 0, source.isPresent());
    }

    /**
     * The edit that lets a lookup show these answers, as the newest release of the other questionnaire has them.
     *
     * @throws Refused where there is no such questionnaire
     */
    public TakeRecords taking(String lookup, String source, List<String> shows) throws Refused {
        SourceDocument found = find(source)
                .orElseThrow(() -> new Refused("There is no questionnaire “" + source + "” here. Choose one of the list."));
        List<String> there = TakeRecords.showable(found.document()).stream().map(Question::code).filter(shows::contains).toList();
        KnownOfRecords every = there.isEmpty()
                ? new KnownOfRecords("", false)
                : RecordCondition.of(Wiring.of(found.document()), there, LocalDate.now(), LIMITS, Watch.NOBODY);
        return new TakeRecords(lookup, found.document(), found.release(), there, every.text());
    }
}
