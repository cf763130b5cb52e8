package orthogon.app.rehearse;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.core.dispatch.CaseRun;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;

/** The interviews and cases that people rehearse now, of each person and questionnaire one; in memory alone. */
@Component
class RehearsedCases {

    /** A case, and the revision of the draft that began it. */
    record KeptRun(int revision, CaseRun run) {}

    private record RehearsalKey(String who, String questionnaire) {}

    private final Map<RehearsalKey, Interview> first = new ConcurrentHashMap<>();
    private final Map<RehearsalKey, KeptRun> runs = new ConcurrentHashMap<>();

    /** Notes the interview that somebody rehearses; a case begins with it. */
    void begins(String who, String questionnaire, Interview interview) {
        first.put(new RehearsalKey(who, questionnaire), interview);
    }

    Optional<Interview> first(String who, String questionnaire) {
        return Optional.ofNullable(first.get(new RehearsalKey(who, questionnaire)));
    }

    void keep(String who, String questionnaire, KeptRun run) {
        runs.put(new RehearsalKey(who, questionnaire), run);
    }

    Optional<KeptRun> find(String who, String questionnaire) {
        return Optional.ofNullable(runs.get(new RehearsalKey(who, questionnaire)));
    }
}
