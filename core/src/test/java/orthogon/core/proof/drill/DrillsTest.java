package orthogon.core.proof.drill;

import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class DrillsTest {

    private static Drills drills(Questionnaire document) {
        try {
            return Drills.of(document, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
        } catch (Drills.NotPossible e) {
            throw new AssertionError(e.getMessage());
        }
    }

    @Test
    void drillsOfRandomDocumentsCoverAllThatSomebodyDoesAndReplayAsTheySay() {
        int smaller = 0;
        int attempts = 0;
        for (long seed = 1; seed <= Sample.of(250); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            Wiring wiring = Wiring.of(document);
            Drills drills = drills(document);
            String at = "seed " + seed;
            assertTrue(drills.drills().size() <= drills.greedy(), at);
            assertTrue(drills.drills().size() >= drills.atLeast(), at);
            smaller += drills.drills().size() < drills.greedy() ? 1 : 0;
            Set<Goal> covered = new LinkedHashSet<>();
            for (Drill drill : drills.drills()) {
                assertEquals(List.of(), Rerun.differences(wiring, RandomDocument.TODAY, drill), at + drill);
                covered.addAll(drill.covers());
                drill.steps().forEach(s -> s.attempts().forEach(a -> covered.add(a.covers())));
                attempts += drill.steps().stream().mapToInt(s -> s.attempts().size()).sum();
            }
            assertEquals(drills.goals(), covered, at);
            everythingSeenIsAGoal(at, document, wiring, drills);
        }
        assertTrue(smaller > Sample.mustPass(50), "steering saves drills: " + smaller);
        assertTrue(attempts > Sample.mustPass(300), "answers are tried that must be refused: " + attempts);
    }

    /** Whatever a respondent drawn at random does is a goal. */
    private static void everythingSeenIsAGoal(String at, Questionnaire document, Wiring wiring, Drills drills) {
        Set<String> goals = drills.goals().stream().map(Goal::words).collect(Collectors.toSet());
        for (Map<String, Object> answers : RandomDocument.someAnswers(document)) {
            Course course = Replay.of(wiring, RandomDocument.TODAY, answers, "").course();
            if (course.complete()) {
                document.questions().map(Question::code).forEach(q -> assertTrue(
                        goals.contains(q + (course.asked().contains(q) ? " is asked" : " is not asked")), at + " " + q + answers));
                course.taken().forEach(t -> assertTrue(goals.contains(t.text() + " is taken"), at + " " + t));
                assertTrue(goals.contains(course.outcome().orElse("") + " is reached"), at + course.outcome());
            }
        }
    }

    @Test
    void aChangedDocumentFailsTheDrillsThatTheChangeConcerns() {
        int failed = 0;
        for (long seed = 1; seed <= Sample.of(60); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            Optional<Page> last = document.pages().stream().reduce((a, b) -> b);
            Question extra = Question.of("extra", "One more", new YesNoAnswer());
            Questionnaire changed = document.withPage(last.orElseThrow().code(), p -> {
                List<Item> items = new ArrayList<>(p.items());
                items.add(extra);
                return p.withItems(items);
            });
            for (Drill drill : drills(document).drills()) {
                boolean comes = drill.steps().stream().anyMatch(s -> s.page().equals(last.get().code()));
                List<String> differences = Rerun.differences(Wiring.of(changed), RandomDocument.TODAY, drill);
                if (comes) {
                    assertTrue(differences.stream().anyMatch(m -> m.contains("extra")), "seed " + seed + differences);
                    failed++;
                }
            }
        }
        assertTrue(failed > Sample.mustPass(60), failed + " drills fail");
    }

    @Test
    void whatIsGivenInsteadInARosterOrGridIsTheWholeOfIt() {
        List<Option> two = List.of(new Option("a", "A", null, false, ""), new Option("b", "B", null, false, ""));
        Question weight = Question.of("weight", "Weight?", new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 0, ""))
                .withRequireWhen("true");
        Question signs = Question.of("signs", "Signs?", new GridAnswer(false, List.of(new GridRow("wing", "Wing", "")), two))
                .withRequireWhen("true");
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P")
                .withItems(List.of(new Roster("animals", "Each", "", "", 1, 2, List.of(weight)), signs))));
        Set<String> given = new LinkedHashSet<>();
        for (Drill drill : drills(document).drills()) {
            assertEquals(List.of(), Rerun.differences(Wiring.of(document), RandomDocument.TODAY, drill), drill.toString());
            drill.steps().forEach(s -> s.attempts().forEach(a -> given.addAll(a.instead().keySet())));
            drill.steps().forEach(s -> s.attempts().stream().filter(a -> a.instead().get("animals") != null)
                    .forEach(a -> assertTrue(a.instead().get("animals") instanceof List<?>, a.toString())));
        }
        assertEquals(Set.of("animals", "signs"), given);
    }
}
