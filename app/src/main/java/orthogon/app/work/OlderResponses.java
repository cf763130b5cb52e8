package orthogon.app.work;

import java.util.List;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.responses.TakenRoute;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;

/** Brings responses that an older Orthogon kept to where they are found, before anybody asks for them. */
@Component
class OlderResponses implements SmartInitializingSingleton {

    private static final int AT_ONCE = 200;

    private final ResponseStore responses;
    private final InterviewStore interviews;

    OlderResponses(ResponseStore responses, InterviewStore interviews) {
        this.responses = responses;
        this.interviews = interviews;
    }

    @Override
    public void afterSingletonsInstantiated() {
        for (List<Response> some = responses.unindexed(AT_ONCE); !some.isEmpty(); some = responses.unindexed(AT_ONCE)) {
            // Each is kept by itself, so that what is stopped goes on where it was.
            some.forEach(this::index);
        }
    }

    private void index(Response response) {
        Running running = interviews.find(response.interviewId()).orElseThrow();
        responses.indexAgain(response, TakenRoute.of(running.interview()));
    }
}
