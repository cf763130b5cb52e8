package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

/** What is said of the questions still to come agrees with every way there is to an end. */
class RemainingTest {

    private static final int DOCUMENTS = Sample.of(400);

    @Test
    void fewestAndMostAgreeWithTryingAllAnswers() {
        Random random = new Random(5);
        int tried = 0;
        int narrower = 0;
        for (long seed = 20_000; tried < DOCUMENTS; seed++) {
            Questionnaire document = RandomDocument.of(seed);
            Wiring wiring = Wiring.of(document);
            Enumeration all;
            try {
                all = new Enumeration(wiring);
            } catch (Enumeration.TooLarge e) {
                continue;
            }
            if (all.endings.isEmpty()) {
                continue;
            }
            tried++;
            Remaining remaining = Remaining.of(wiring, RandomDocument.TODAY, Watch.NOBODY).orElseThrow();
            Set<Remaining.Left> seen = new HashSet<>();
            for (int i = 0; i < 3; i++) {
                Enumeration.Ending ending = all.endings.get(random.nextInt(all.endings.size()));
                int most = Integer.MAX_VALUE;
                for (Course.PageView view : Replay.of(wiring, RandomDocument.TODAY, ending.answers(), "").course().pages()) {
                    Remaining.Left left = compare("seed " + seed, document, wiring, all, remaining, ending, view.page());
                    assertTrue(left.most() <= most, "going on never raises what may still come");
                    most = left.most();
                    seen.add(left);
                }
            }
            narrower += seen.stream().anyMatch(l -> l.least() < l.most()) ? 1 : 0;
        }
        assertTrue(narrower > Sample.mustPass(DOCUMENTS / 4), narrower + " documents in which it depends on answers to come");
    }

    private static Remaining.Left compare(String seed, Questionnaire document, Wiring wiring, Enumeration all, Remaining remaining,
            Enumeration.Ending ending, Page page) {
        int at = document.pages().indexOf(page);
        Set<String> before = new HashSet<>();
        Set<String> ahead = new HashSet<>();
        for (int p = 0; p < document.pages().size(); p++) {
            Set<String> into = p < at ? before : ahead;
            document.pages().get(p).questions().map(Question::code).forEach(into::add);
        }
        document.linkParameters().forEach(l -> before.add(l.code()));
        List<Long> counts = all.endings.stream()
                .filter(e -> before.stream().allMatch(c -> Objects.equals(e.answers().get(c), ending.answers().get(c))))
                .map(e -> e.asked().stream().filter(ahead::contains).count()).sorted().toList();
        Interview there = Replay.of(wiring, RandomDocument.TODAY, ending.answers(), page.code());
        Map<String, Object> sofar = new java.util.LinkedHashMap<>(there.course().effective());
        sofar.keySet().retainAll(before);
        Remaining.Left left = remaining.at(page.code(), there.link(), sofar)
                .orElseThrow(() -> new AssertionError(seed + " " + page.code()));
        assertEquals(counts.getFirst().intValue() + " to " + counts.getLast(), left.least() + " to " + left.most(),
                seed + " at " + page.code() + " with " + sofar);
        return left;
    }
}
