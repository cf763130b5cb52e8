package orthogon.app.compose;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.web.context.annotation.SessionScope;

/** Which pages one analyst has folded, for as long as they are signed in. */
@Component
@SessionScope
class Folded {

    private final Map<String, Set<String>> byDraft = Collections.synchronizedMap(new HashMap<>());

    Set<String> of(String code) {
        return byDraft.computeIfAbsent(code, c -> ConcurrentHashMap.newKeySet());
    }

    void turn(String code, String page) {
        Set<String> folded = of(code);
        if (!folded.remove(page)) {
            folded.add(page);
        }
    }

    void all(String code, Set<String> pages) {
        Set<String> folded = of(code);
        boolean open = !folded.containsAll(pages);
        folded.clear();
        if (open) {
            folded.addAll(new HashSet<>(pages));
        }
    }
}
