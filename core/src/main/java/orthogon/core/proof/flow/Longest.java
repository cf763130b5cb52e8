package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.ToIntFunction;
import orthogon.core.proof.diagram.Costs;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Diagrams.DiagramState;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;

/**
 * Somebody of whom the most is asked, or the least: the largest sum of what each item and page costs, found from the end backwards. The
 * least is the most of what is left out.
 */
public final class Longest {

    private static final int MOST_NODES = 1 << 22;

    /**
     * What is asked of one respondent.
     *
     * @param answers question or link parameter of the plain form to value
     */
    public record LongestRespondent(int cost, Map<String, Object> answers) {}

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final Costs c;
    private final int end;
    private final int[] own;
    /** The most that the rest of the way costs those who can come to an end. */
    private final int[] most;
    /** The cost of each page for respondents of whom nothing on it is asked; 0 where questions cost. */
    private final int[] passed;

    private Longest(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage, boolean leftOut) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.c = new Costs(d, MOST_NODES);
        this.end = flow.stages().size();
        this.own = new int[end];
        this.most = new int[end + 1];
        this.passed = new int[end];
        most[end] = cost(0);
        for (int p = end - 1; p >= 0; p--) {
            PageSets sets = flow.stages().get(p).sets();
            own[p] = cost(ofPage.applyAsInt(sets.page()), sets.visited(), p, leftOut);
            for (Item item : sets.page().allItems().toList()) {
                int cost = ofItem.applyAsInt(item);
                if (cost > 0 && sets.isShown(item.code())) {
                    own[p] = c.plus(own[p], cost(cost, d.and(sets.visited(), sets.shown(item.code())), p, leftOut));
                }
            }
            for (Flow.Exit exit : flow.stages().get(p).exits()) {
                most[p] = c.larger(most[p], c.mostOver(c.within(leaving(exit), exit.set()), sets.levels()));
            }
        }
    }

    private int cost(int cost) {
        return c.constant(BigInteger.valueOf(cost));
    }

    private int cost(int cost, int shown, int page, boolean leftOut) {
        passed[page] += leftOut ? cost : 0;
        int paying = leftOut ? d.not(shown) : shown;
        return c.larger(c.within(cost(cost), paying), cost(0));
    }

    /**
     * @param ofItem what an item of the plain form costs where it is shown; not below 0
     * @param ofPage what a page costs where it is visited
     */
    public static LongestRespondent of(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage) {
        return new Longest(flow, ofItem, ofPage, false).respondent();
    }

    /** Finds the complete interview that costs least; costs are as in {@link #of}. */
    public static LongestRespondent least(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage) {
        Longest longest = new Longest(flow, ofItem, ofPage, true);
        LongestRespondent found = longest.respondent();
        return new LongestRespondent(Arrays.stream(longest.passed).sum() - found.cost(), found.answers());
    }

    /** The cost of a page and the rest of the way, for each state that leaves it by this exit and can come to an end. */
    private int leaving(Flow.Exit exit) {
        int after = exit.kind() == Flow.ExitKind.FINISH ? cost(0) : after(exit);
        int without = Arrays.stream(passed, exit.from() + 1, exit.kind() == Flow.ExitKind.FINISH ? end : exit.target()).sum();
        return c.plus(own[exit.from()], c.plus(after, cost(without)));
    }

    private int after(Flow.Exit exit) {
        BitSet between = flow.between(exit);
        return c.mostOver(c.within(most[exit.target()], flow.untouched(between)), between);
    }

    private LongestRespondent respondent() {
        Map<String, Object> answers = new LinkedHashMap<>();
        int best = c.within(most[0], flow.start());
        if (best == Costs.NOBODY) {
            return new LongestRespondent(0, answers);
        }
        int cost = c.most(best).intValueExact();
        DiagramState link = d.pick(d.and(flow.start(), c.where(best, c.most(best))));
        for (Axis axis : space.axes()) {
            if (axis.question() == null) {
                note(axis, link, answers);
            }
        }
        int here = d.and(flow.start(), d.of(new DiagramState(space.linkLevels(), link.ones())));
        int page = 0;
        while (page < end) {
            BigInteger wanted = c.most(c.within(most[page], here));
            Flow.Exit taken = null;
            int set = Diagrams.NONE;
            for (Flow.Exit exit : flow.stages().get(page).exits()) {
                int states = d.and(d.and(here, exit.set()), c.where(c.within(leaving(exit), d.and(here, exit.set())), wanted));
                if (set == Diagrams.NONE && states != Diagrams.NONE) {
                    taken = exit;
                    set = states;
                }
            }
            if (taken == null) {
                throw new IllegalStateException("nobody leaves page " + page);
            }
            PageSets sets = flow.stages().get(page).sets();
            DiagramState state = d.pick(set);
            if (taken.kind() != Flow.ExitKind.PASSED_BY) {
                sets.questionCodes().forEach(code -> note(space.axis(code), state, answers));
            }
            here = flow.onward(taken, d.and(set, d.of(new DiagramState(sets.levels(), state.ones()))));
            page = taken.kind() == Flow.ExitKind.FINISH ? end : taken.target();
        }
        return new LongestRespondent(cost, answers);
    }

    private static void note(Axis axis, DiagramState state, Map<String, Object> answers) {
        if (axis.decode(state) != null) {
            answers.put(axis.code(), axis.decode(state));
        }
    }
}
