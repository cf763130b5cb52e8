package orthogon.app.responses;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.ResponseStore.Response;
import org.springframework.stereotype.Component;

/** Whether the interview still accepts responses as they were sent. What was sent never changes, so each is walked once. */
@Component
class AcceptedResponses {

    /** Most responses of which it is remembered. */
    static final int REMEMBERED = 20_000;

    private final InterviewStore interviews;
    private final Map<String, Boolean> known = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Boolean> eldest) {
            return size() > REMEMBERED;
        }
    });

    AcceptedResponses(InterviewStore interviews) {
        this.interviews = interviews;
    }

    /** @param response with all its answers */
    boolean isAccepted(Response response) {
        Boolean before = known.get(response.interviewId());
        if (before != null) {
            return before;
        }
        boolean accepted = isWalked(response);
        known.put(response.interviewId(), accepted);
        return accepted;
    }

    private boolean isWalked(Response response) {
        return interviews.find(response.interviewId()).map(r -> r.interview().course())
                .filter(c -> c.complete() && c.outcome().orElse("").equals(response.outcome())
                        && c.pages().stream().allMatch(p -> p.problems().isEmpty()))
                .isPresent();
    }
}
