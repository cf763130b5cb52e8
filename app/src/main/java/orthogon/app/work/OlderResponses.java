package orthogon.app.work;

import orthogon.app.store.ResponseStore;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;

/** Brings responses that an older Orthogon kept to where they are found, before anybody asks for them. */
@Component
class OlderResponses implements SmartInitializingSingleton {

    private static final int AT_ONCE = 200;

    private final ResponseStore responses;

    OlderResponses(ResponseStore responses) {
        this.responses = responses;
    }

    @Override
    public void afterSingletonsInstantiated() {
        while (responses.indexOlder(AT_ONCE) > 0) {
            // Each step is kept by itself, so that one that is stopped goes on where it was.
        }
    }
}
