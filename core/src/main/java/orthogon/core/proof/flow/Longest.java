package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.ToIntFunction;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Diagrams.State;
import orthogon.core.proof.diagram.Weights;
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
    public record Respondent(int cost, Map<String, Object> answers) {}

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final Weights w;
    private final int end;
    private final int[] own;
    /** One more than the most that the rest of the way costs; zero for those who cannot come to an end. */
    private final int[] most;
    /** What each page costs those of whom nothing on it is asked; zero where what is asked costs. */
    private final int[] passed;

    private Longest(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage, boolean leftOut) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.w = new Weights(d, MOST_NODES);
        this.end = flow.stages().size();
        this.own = new int[end];
        this.most = new int[end + 1];
        this.passed = new int[end];
        most[end] = w.constant(BigInteger.ONE);
        for (int p = end - 1; p >= 0; p--) {
            PageSets sets = flow.stages().get(p).sets();
            own[p] = cost(ofPage.applyAsInt(sets.page()), sets.visited(), p, leftOut);
            for (Item item : sets.page().allItems().toList()) {
                int cost = ofItem.applyAsInt(item);
                if (cost > 0 && sets.isShown(item.code())) {
                    own[p] = w.plus(own[p], cost(cost, d.and(sets.visited(), sets.shown(item.code())), p, leftOut));
                }
            }
            for (Flow.Exit exit : flow.stages().get(p).exits()) {
                most[p] = w.larger(most[p], w.mostOver(w.within(leaving(exit), exit.set()), sets.levels()));
            }
        }
    }

    private int cost(int cost, int shown, int page, boolean leftOut) {
        passed[page] += leftOut ? cost : 0;
        return w.within(w.constant(BigInteger.valueOf(cost)), leftOut ? d.not(shown) : shown);
    }

    /**
     * @param ofItem what an item of the plain form costs where it is shown; not below 0
     * @param ofPage what a page costs where it is visited
     */
    public static Respondent of(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage) {
        return new Longest(flow, ofItem, ofPage, false).respondent();
    }

    /** Somebody of whom the least is asked, of those who come to an end; costs as in {@link #of}. */
    public static Respondent least(Flow flow, ToIntFunction<Item> ofItem, ToIntFunction<Page> ofPage) {
        Longest longest = new Longest(flow, ofItem, ofPage, true);
        Respondent found = longest.respondent();
        return new Respondent(Arrays.stream(longest.passed).sum() - found.cost(), found.answers());
    }

    /** One more than what a page and the rest of the way cost those who leave it like this; zero for those who get stuck. */
    private int leaving(Flow.Exit exit) {
        int after = exit.kind() == Flow.Kind.FINISH ? w.constant(BigInteger.ONE) : after(exit);
        int without = Arrays.stream(passed, exit.from() + 1, exit.kind() == Flow.Kind.FINISH ? end : exit.target()).sum();
        after = without == 0
                ? after
                : w.plus(after, w.within(w.constant(BigInteger.valueOf(without)), d.not(w.where(after, BigInteger.ZERO))));
        return w.within(w.plus(own[exit.from()], after), d.not(w.where(after, BigInteger.ZERO)));
    }

    private int after(Flow.Exit exit) {
        BitSet between = flow.between(exit);
        return w.mostOver(w.within(most[exit.target()], flow.untouched(between)), between);
    }

    private Respondent respondent() {
        Map<String, Object> answers = new LinkedHashMap<>();
        int best = w.within(most[0], flow.start());
        if (best == Weights.ZERO) {
            return new Respondent(0, answers);
        }
        int cost = w.most(best).intValueExact() - 1;
        State link = d.pick(d.and(flow.start(), w.where(best, w.most(best))));
        for (Axis axis : space.axes()) {
            if (axis.question() == null) {
                note(axis, link, answers);
            }
        }
        int here = d.and(flow.start(), d.of(new State(space.linkLevels(), link.ones())));
        int page = 0;
        while (page < end) {
            BigInteger wanted = w.most(w.within(most[page], here));
            Flow.Exit taken = null;
            int set = Diagrams.NONE;
            for (Flow.Exit exit : flow.stages().get(page).exits()) {
                int states = d.and(d.and(here, exit.set()), w.where(w.within(leaving(exit), d.and(here, exit.set())), wanted));
                if (set == Diagrams.NONE && states != Diagrams.NONE) {
                    taken = exit;
                    set = states;
                }
            }
            if (taken == null) {
                throw new IllegalStateException("nobody leaves page " + page);
            }
            PageSets sets = flow.stages().get(page).sets();
            State state = d.pick(set);
            if (taken.kind() != Flow.Kind.PASSED_BY) {
                sets.questionCodes().forEach(code -> note(space.axis(code), state, answers));
            }
            here = flow.onward(taken, d.and(set, d.of(new State(sets.levels(), state.ones()))));
            page = taken.kind() == Flow.Kind.FINISH ? end : taken.target();
        }
        return new Respondent(cost, answers);
    }

    private static void note(Axis axis, State state, Map<String, Object> answers) {
        if (axis.decode(state) != null) {
            answers.put(axis.code(), axis.decode(state));
        }
    }
}
