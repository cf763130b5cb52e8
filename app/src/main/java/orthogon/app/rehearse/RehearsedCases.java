package orthogon.app.rehearse;

import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.app.opening.Openable;
import orthogon.app.opening.Openable.Opened;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.dispatch.CaseRun;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;

/** The cases that people rehearse now, of each person and questionnaire one; in memory alone. */
@Component
class RehearsedCases {

    /** A case, and the revision of the draft that began it. */
    private record KeptRun(int revision, CaseRun run) {}

    private record RehearsalKey(String who, String questionnaire) {}

    private final Map<RehearsalKey, KeptRun> runs = new ConcurrentHashMap<>();

    private final Openable openable;

    RehearsedCases(Openable openable) {
        this.openable = openable;
    }

    /** Begins the case of a complete interview; what it opens is read in the draft's language. */
    CaseRun begin(Draft draft, Interview first) {
        Opened others = openable.of(draft.document());
        String language = first.wiring().document().sourceLanguage();
        return CaseRun.of(first, opened -> others.find(opened).map(d -> SpokenDocument.in(d, language)));
    }

    void keep(Principal who, Draft draft, CaseRun run) {
        runs.put(new RehearsalKey(who.getName(), draft.code()), new KeptRun(draft.revision(), run));
    }

    /** The case of the draft as it is; empty where none was begun with this revision. */
    Optional<CaseRun> find(Principal who, Draft draft) {
        return Optional.ofNullable(runs.get(new RehearsalKey(who.getName(), draft.code())))
                .filter(k -> k.revision() == draft.revision()).map(KeptRun::run);
    }
}
