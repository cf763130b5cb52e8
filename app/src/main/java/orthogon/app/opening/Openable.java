package orthogon.app.opening;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** The questionnaires that follow-ups open: of each its newest release that is not withdrawn, or its draft while it has none. */
@Component
public class Openable {

    private final DraftStore drafts;
    private final KnownDrafts known;
    private final KnownReleases releases;
    private final ReleaseStore standing;

    public Openable(DraftStore drafts, KnownDrafts known, KnownReleases releases, ReleaseStore standing) {
        this.drafts = drafts;
        this.known = known;
        this.releases = releases;
        this.standing = standing;
    }

    /**
     * What a questionnaire opens, and what that opens in turn, as it is at one moment.
     *
     * @param stamp the same as long as all of it is
     */
    public record Opened(Map<String, Questionnaire> documents, String stamp) implements KnownQuestionnaires {

        @Override
        public Optional<Questionnaire> find(String code) {
            return Optional.ofNullable(documents.get(code));
        }

        /** The same with another document of a questionnaire. */
        public Opened with(Questionnaire document) {
            Map<String, Questionnaire> changed = new LinkedHashMap<>(documents);
            changed.put(document.code(), document);
            return new Opened(changed, stamp);
        }
    }

    public Opened of(Questionnaire document) {
        Map<String, Questionnaire> found = new LinkedHashMap<>();
        StringBuilder stamp = new StringBuilder();
        collect(document, found, stamp, 0);
        return new Opened(found, stamp.toString());
    }

    private void collect(Questionnaire document, Map<String, Questionnaire> found, StringBuilder stamp, int depth) {
        for (FollowUp followUp : document.followUps()) {
            String code = followUp.questionnaire();
            Optional<Draft> draft = found.containsKey(code) || depth > CaseDocument.MOST_DEEP ? Optional.empty() : known.head(code);
            if (draft.isPresent()) {
                Optional<Release> release = release(draft.get().id());
                Questionnaire opened = release.map(Release::document).orElse(draft.get().document());
                found.put(code, opened);
                stamp.append(code).append(release.map(r -> " release " + r.id()).orElse(" revision " + draft.get().revision()))
                        .append(';');
                collect(opened, found, stamp, depth + 1);
            }
        }
    }

    /** The release that is opened now; empty where there is none. */
    public Optional<Release> release(long questionnaire) {
        return releases.of(questionnaire).stream().filter(r -> standing.standing(r.id()).state() != ReleaseState.WITHDRAWN).findFirst();
    }

    /** The release of that code that is opened now; empty where there is none. */
    public Optional<Release> release(String code) {
        return known.head(code).flatMap(d -> release(d.id()));
    }

    /** The questionnaires that another one can open, code to title. */
    public Map<String, String> titles(String besides) {
        Map<String, String> titles = new TreeMap<>();
        drafts.all().stream().filter(d -> !d.code().equals(besides)).forEach(d -> titles.put(d.code(), d.document().title()));
        return titles;
    }
}
