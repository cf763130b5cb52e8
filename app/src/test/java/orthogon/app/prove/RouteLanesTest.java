package orthogon.app.prove;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RouteLanesTest {

    /** So many yes/no questions, each with one that is asked when it is yes: 2^n routes. */
    private static Questionnaire branching(int n) {
        List<Item> items = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            items.add(Question.of("a" + i, "A " + i, new YesNoAnswer()).withRequireWhen("true"));
            items.add(Question.of("b" + i, "B " + i, new YesNoAnswer()).withAskWhen("a" + i + " = true"));
        }
        Questionnaire blank = Questionnaire.blank("many", "Many");
        return blank.withPages(List.of(Page.empty("p", "P").withItems(items)))
                .withEnding(List.of(new Questionnaire.Outcome("calm", "All is calm", ""), new Questionnaire.Outcome("loud", "Loud", "")),
                        List.of(new Questionnaire.OutcomeRow("a0 = true", "loud"), new Questionnaire.OutcomeRow("", "calm")));
    }

    private static RouteLanes lanes(Questionnaire document, long from, boolean every) {
        Routes routes = Proof.of(document, LocalDate.of(2026, 11, 2)).figures().everyRoute().orElseThrow();
        return RouteLanes.of(routes, document, Routes.Filter.ALL, BigInteger.valueOf(from), every);
    }

    private static List<String> ids(RouteLanes lanes) {
        return lanes.groups().stream().flatMap(g -> g.lanes().stream()).map(RouteLanes.DrawnLane::id).toList();
    }

    @Test
    void fewRoutesAreAllDrawnAndOnlyWhatDiffersHasALine() {
        Questionnaire document = branching(3);
        RouteLanes lanes = lanes(document, -1, false);
        assertFalse(lanes.spread());
        assertEquals(8, ids(lanes).size());
        assertEquals(List.of("b0", "b1", "b2"), lanes.rows().stream().map(RouteLanes.QuestionRow::code).toList());
        assertEquals(List.of("a0", "a1", "a2"), lanes.onAll());
        assertEquals(List.of("50 %", "50 %", "50 %"), lanes.rows().stream().map(RouteLanes.QuestionRow::share).toList());
        assertEquals(6, lanes(document, -1, true).rows().size());
        for (RouteLanes.LaneGroup group : lanes.groups()) {
            for (RouteLanes.DrawnLane lane : group.lanes()) {
                long squares = lane.path().chars().filter(c -> c == 'M').count();
                assertEquals(lane.asked().stream().filter(c -> c.startsWith("b")).count(), squares, lane.toString());
                assertEquals(group.outcome().equals("loud"), lane.asked().contains("b0"), "routes that end alike stand together");
            }
        }
    }

    @Test
    void manyRoutesAreSpreadOverEachOutcomeOrPagedWithoutLeavingOneOut() {
        Questionnaire document = branching(9);
        RouteLanes spread = lanes(document, -1, false);
        assertTrue(spread.spread());
        assertEquals(List.of("256", "256"), spread.groups().stream().map(RouteLanes.LaneGroup::count).toList());
        assertEquals(List.of(32, 32), spread.groups().stream().map(g -> g.lanes().size()).toList());
        assertEquals("calm.8", spread.groups().getFirst().lanes().get(1).id(), "every eighth");
        Set<String> seen = new HashSet<>();
        for (int from = 0; from < 512; from += RouteLanes.MOST) {
            List<String> page = ids(lanes(document, from, false));
            assertEquals(Math.min(RouteLanes.MOST, 512 - from), page.size());
            seen.addAll(page);
        }
        assertEquals(512, seen.size());
    }

    @Test
    void lanesDoNotRunIntoEachOtherNorHeadingsIntoTheirNeighbours() {
        RouteLanes lanes = lanes(branching(9), -1, false);
        int end = 0;
        for (RouteLanes.LaneGroup group : lanes.groups()) {
            assertTrue(group.x() >= end, group.toString());
            assertTrue(group.heading().length() * 6.2 <= group.width() + 6.2, group.heading());
            end = group.x() + group.width();
            for (int i = 1; i < group.lanes().size(); i++) {
                assertTrue(group.lanes().get(i).x() - group.lanes().get(i - 1).x() > 9);
            }
        }
        assertTrue(end < lanes.width());
    }

    @Test
    void sharesAreNeverRoundedToNoneOrAll() {
        assertEquals("none", RouteLanes.share(BigInteger.ZERO, BigInteger.TEN));
        assertEquals("all", RouteLanes.share(BigInteger.TEN, BigInteger.TEN));
        assertEquals("< 1 %", RouteLanes.share(BigInteger.ONE, BigInteger.TEN.pow(30)));
        assertEquals("> 99 %", RouteLanes.share(BigInteger.TEN.pow(30).subtract(BigInteger.ONE), BigInteger.TEN.pow(30)));
        assertEquals("67 %", RouteLanes.share(BigInteger.TWO, BigInteger.valueOf(3)));
        assertEquals(List.of("A", "Z", "A2"), List.of(RouteLanes.letter(0), RouteLanes.letter(25), RouteLanes.letter(26)));
    }
}
