package orthogon.core.proof.flow;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/**
 * Every route, as a set over one bit for each question and a few for the outcome. Found from the end backwards: for each page, which
 * questions may be asked from there on, given what is remembered of the pages before; so a page only touches what is remembered, not
 * all that was asked before. Safe for several threads, one at a time.
 */
public final class Routes {

    /**
     * One route.
     *
     * @param number its place among all routes, from 0
     * @param asked codes of its questions, in document order; a roster or a grid counts as one
     * @param outcome empty for none
     */
    public record Route(BigInteger number, Set<String> asked, String outcome) {}

    /**
     * Which routes are wanted.
     *
     * @param asks codes that are on it
     * @param asksNot codes that are not
     * @param outcome that it ends in; the empty code for none; empty for any
     * @param longerThan only routes with more questions than this
     * @param shorterThan only routes with fewer questions than this
     */
    public record Filter(Set<String> asks, Set<String> asksNot, Optional<String> outcome, int longerThan, int shorterThan) {
        public static final Filter ALL = new Filter(Set.of(), Set.of(), Optional.empty(), -1);

        public Filter(Set<String> asks, Set<String> asksNot, Optional<String> outcome, int longerThan) {
            this(asks, asksNot, outcome, longerThan, Integer.MAX_VALUE);
        }

        public Filter ending(String in) {
            return new Filter(asks, asksNot, Optional.of(in), longerThan, shorterThan);
        }
    }

    /**
     * The wanted routes that end alike, some of them told.
     *
     * @param outcome empty for none
     * @param first what routes of other groups come before
     * @param count how many there are
     * @param told in order, so that neighbours ask much the same
     */
    public record RouteGroup(String outcome, BigInteger first, BigInteger count, List<Route> told) {}

    private final Space space;
    private final Diagrams d;
    private final Map<String, Integer> items;
    private final BitSet asked = new BitSet();
    private final List<String> outcomes = new ArrayList<>();
    private final List<Integer> outcomeBits = new ArrayList<>();
    private final BitSet bits;
    private final int all;

    /** The way that every route takes; null for any. */
    private final Transition along;

    private Routes(Space space, Transition along) {
        this.along = along;
        this.space = space;
        this.d = space.diagrams();
        this.items = space.itemsOnRoutes();
        items.values().forEach(asked::set);
        space.wiring().document().outcomes().forEach(o -> outcomes.add(o.code()));
        outcomes.add("");
        for (int n = outcomes.size() - 1; n > 0; n >>= 1) {
            outcomeBits.add(space.freshLevel());
        }
        this.bits = (BitSet) asked.clone();
        outcomeBits.forEach(bits::set);
        this.all = backwards();
    }

    /** @throws Diagrams.BudgetSpent where there are too many to be told */
    static Routes of(Space space) {
        return new Routes(space, null);
    }

    /**
     * The routes of those who take a way.
     *
     * @throws Diagrams.BudgetSpent where there are too many to be told
     */
    static Routes along(Space space, Transition way) {
        return new Routes(space, way);
    }

    private boolean allows(Flow.ExitKind exit, int page, int target, String place) {
        return along == null || along.allows(exit, page, target, place);
    }

    private int outcome(String code) {
        int number = outcomes.indexOf(code);
        int set = Diagrams.ALL;
        for (int b = outcomeBits.size() - 1; b >= 0; b--) {
            int bit = d.bit(outcomeBits.get(b));
            set = d.and((number >> b & 1) == 1 ? bit : d.not(bit), set);
        }
        return set;
    }

    private int backwards() {
        Questionnaire document = space.wiring().document();
        // Who comes to a page is known; what would be possible for others is not followed.
        Flow flow = new Flow(space, Set.of(), new BitSet(), new BitSet());
        Rules rules = new Rules(space, Set.of());
        List<PageSets> pages = new ArrayList<>();
        for (int p = 0; p < document.pages().size(); p++) {
            pages.add(new PageSets(document.pages().get(p), p, space, rules, asked));
        }
        int[] from = new int[pages.size() + 1];
        int rest = Diagrams.ALL;
        from[pages.size()] = Diagrams.NONE;
        for (int row = 0; row < document.outcomeTable().size(); row++) {
            int holds = along == null || along.allowsRow(row) ? d.and(rest, flow.rowHolds(row)) : Diagrams.NONE;
            from[pages.size()] = d.or(from[pages.size()], d.and(holds, outcome(flow.outcomeOf(row))));
            rest = d.minus(rest, flow.rowHolds(row));
        }
        if (along == null || along.allowsRow(Transition.NO_ROW)) {
            from[pages.size()] = d.or(from[pages.size()], d.and(rest, outcome("")));
        }
        for (int p = pages.size() - 1; p >= 0; p--) {
            from[p] = from(p, pages, from, flow);
        }
        BitSet link = space.linkLevels();
        return d.andExists(from[0], flow.start(), d.cube(link));
    }

    private int from(int p, List<PageSets> pages, int[] from, Flow flow) {
        PageSets sets = pages.get(p);
        Page page = sets.page();
        BitSet answers = (BitSet) sets.levels().clone();
        answers.andNot(asked);
        int own = d.cube(answers);
        int coming = flow.stages().get(p).coming();
        int rest = d.and(coming, sets.accepted());
        int past = allows(Flow.ExitKind.PASSED_BY, p, p + 1, "") ? d.and(coming, sets.passedBy()) : Diagrams.NONE;
        int found = d.andExists(past, from[p + 1], own);
        for (int i = 0; i < page.finish().size(); i++) {
            String place = page.code() + "/finish/" + i;
            int ends = d.exists(d.and(rest, sets.ruleHolds(place)), own);
            String code = page.finish().get(i).outcome();
            int with = allows(Flow.ExitKind.FINISH, p, pages.size(), place)
                    ? d.and(ends, outcome(outcomes.contains(code) ? code : ""))
                    : Diagrams.NONE;
            found = d.or(found, d.and(with, untouched(pages, p + 1, pages.size(), false)));
            rest = d.minus(rest, sets.ruleHolds(place));
        }
        for (int i = 0; i < page.skip().size(); i++) {
            String place = page.code() + "/skip/" + i;
            int target = index(pages, page.skip().get(i).to());
            if (target > p) {
                int after = allows(Flow.ExitKind.SKIP, p, target, place) ? from[target] : Diagrams.NONE;
                BitSet between = new BitSet();
                pages.subList(p + 1, target).forEach(s -> between.or(s.levels()));
                between.andNot(asked);
                after = d.andExists(after, untouched(pages, p + 1, target, true), d.cube(between));
                after = d.and(after, untouched(pages, p + 1, target, false));
                found = d.or(found, d.andExists(d.and(rest, sets.ruleHolds(place)), after, own));
                rest = d.minus(rest, sets.ruleHolds(place));
            }
        }
        return d.or(found, d.andExists(rest, allows(Flow.ExitKind.ONWARD, p, p + 1, "") ? from[p + 1] : Diagrams.NONE, own));
    }

    private static int index(List<PageSets> pages, String code) {
        return pages.stream().filter(s -> s.page().code().equals(code)).map(PageSets::index).findFirst().orElse(-1);
    }

    /** Where pages are gone past: either their answers are blank, or nothing on them is asked. */
    private int untouched(List<PageSets> pages, int first, int end, boolean answers) {
        BitSet levels = new BitSet();
        pages.subList(first, Math.max(first, end)).forEach(s -> levels.or(s.levels()));
        if (answers) {
            levels.andNot(asked);
        } else {
            levels.and(asked);
        }
        int set = Diagrams.ALL;
        for (int l = levels.length() - 1; l >= 0; l--) {
            set = levels.get(l) ? d.and(d.not(d.bit(l)), set) : set;
        }
        return set;
    }

    public synchronized BigInteger count() {
        return d.count(all, bits);
    }

    public synchronized BigInteger count(Filter filter) {
        d.begin(Watch.NOBODY);
        return d.count(wanted(filter), bits);
    }

    public synchronized Optional<Integer> shortest() {
        return all == Diagrams.NONE ? Optional.empty() : Optional.of(d.ones(all, asked, false));
    }

    public synchronized Optional<Integer> longest() {
        return all == Diagrams.NONE ? Optional.empty() : Optional.of(d.ones(all, asked, true));
    }

    /** Questions on a route, on average over all routes, to two places; empty where there is no route. */
    public synchronized Optional<BigDecimal> average() {
        BigInteger routes = count();
        return routes.signum() == 0
                ? Optional.empty()
                : Optional.of(new BigDecimal(asking().values().stream().reduce(BigInteger.ZERO, BigInteger::add))
                        .divide(new BigDecimal(routes), 2, RoundingMode.HALF_UP));
    }

    /** For each question, in document order, the number of routes that ask it. */
    public synchronized Map<String, BigInteger> asking() {
        return asking(Filter.ALL);
    }

    /** The same of the wanted routes alone. */
    public synchronized Map<String, BigInteger> asking(Filter filter) {
        d.begin(Watch.NOBODY);
        BigInteger[] ones = d.countEach(wanted(filter), bits);
        Map<String, BigInteger> asking = new LinkedHashMap<>();
        items.forEach((code, level) -> asking.put(code, ones[level]));
        return asking;
    }

    /** Whether a code can be on a route at all. */
    public boolean knows(String code) {
        return items.containsKey(code);
    }

    private int wanted(Filter filter) {
        int set = all;
        for (String code : filter.asks()) {
            set = d.and(set, d.bit(items.get(code)));
        }
        for (String code : filter.asksNot()) {
            set = d.minus(set, d.bit(items.get(code)));
        }
        if (filter.outcome().isPresent()) {
            set = outcomes.contains(filter.outcome().get()) ? d.and(set, outcome(filter.outcome().get())) : Diagrams.NONE;
        }
        set = filter.longerThan() < 0 ? set : d.and(set, longer(filter.longerThan()));
        return filter.shorterThan() > asked.cardinality() ? set : d.minus(set, longer(filter.shorterThan() - 1));
    }

    /** More than so many of the bits are one: counted from the last bit up, a set for each number still needed. */
    private int longer(int than) {
        int[] needed = new int[than + 2];
        Arrays.fill(needed, Diagrams.NONE);
        needed[0] = Diagrams.ALL;
        if (than < 0) {
            return Diagrams.ALL;
        }
        for (int l = asked.length() - 1; l >= 0; l--) {
            for (int k = than + 1; asked.get(l) && k > 0; k--) {
                int bit = d.bit(l);
                needed[k] = d.or(d.and(bit, needed[k - 1]), d.minus(needed[k], bit));
            }
        }
        return needed[than + 1];
    }

    /**
     * A page of routes, without going through those before it.
     *
     * @param from number of the first among those wanted, from 0
     * @param most how many at most
     */
    public synchronized List<Route> list(Filter filter, BigInteger from, int most) {
        d.begin(Watch.NOBODY);
        int set = wanted(filter);
        BigInteger count = d.count(set, bits);
        List<BigInteger> numbers = new ArrayList<>();
        for (BigInteger n = from; numbers.size() < most && n.compareTo(count) < 0; n = n.add(BigInteger.ONE)) {
            numbers.add(n);
        }
        return told(set, numbers);
    }

    private List<Route> told(int set, List<BigInteger> numbers) {
        List<Route> routes = new ArrayList<>();
        for (BitSet ones : d.nth(set, bits, numbers)) {
            int number = 0;
            for (int b = 0; b < outcomeBits.size(); b++) {
                number |= ones.get(outcomeBits.get(b)) ? 1 << b : 0;
            }
            Set<String> on = new LinkedHashSet<>();
            items.forEach((code, level) -> {
                if (ones.get(level)) {
                    on.add(code);
                }
            });
            routes.add(new Route(numbers.get(routes.size()), on, outcomes.get(number)));
        }
        return routes;
    }

    /**
     * The wanted routes by outcome, spread evenly: of each outcome with n routes that may show k, those numbered 0, n/k, 2n/k and so on,
     * k being its share of all, but at least one. Where there are no more than {@code most}, all.
     *
     * @param most how many at most, but at least one of each outcome
     */
    public synchronized List<RouteGroup> spread(Filter filter, int most) {
        return grouped(filter, (first, count, all) -> {
            BigInteger share = BigInteger.valueOf(most).multiply(count).divide(all).max(BigInteger.ONE).min(count);
            List<BigInteger> numbers = new ArrayList<>();
            for (int i = 0; i < share.intValue(); i++) {
                numbers.add(BigInteger.valueOf(i).multiply(count).divide(share));
            }
            return numbers;
        });
    }

    /**
     * A page of the wanted routes by outcome, one after the other.
     *
     * @param from how many are left out before
     * @param most how many at most
     */
    public synchronized List<RouteGroup> inOrder(Filter filter, BigInteger from, int most) {
        return grouped(filter, (first, count, all) -> {
            List<BigInteger> numbers = new ArrayList<>();
            BigInteger to = from.add(BigInteger.valueOf(most)).subtract(first).min(count);
            for (BigInteger n = from.subtract(first).max(BigInteger.ZERO); n.compareTo(to) < 0; n = n.add(BigInteger.ONE)) {
                numbers.add(n);
            }
            return numbers;
        });
    }

    /** Which routes of a group are told. */
    private interface RouteChoice {
        List<BigInteger> of(BigInteger first, BigInteger count, BigInteger all);
    }

    private List<RouteGroup> grouped(Filter filter, RouteChoice choice) {
        d.begin(Watch.NOBODY);
        int wanted = wanted(filter);
        BigInteger all = d.count(wanted, bits);
        BigInteger first = BigInteger.ZERO;
        List<RouteGroup> groups = new ArrayList<>();
        for (String outcome : outcomes) {
            int set = d.and(wanted, outcome(outcome));
            BigInteger count = d.count(set, bits);
            if (count.signum() > 0) {
                groups.add(new RouteGroup(outcome, first, count, told(set, choice.of(first, count, all))));
                first = first.add(count);
            }
        }
        return groups;
    }

    /**
     * Somebody on the route, and how many answer paths it has.
     *
     * @param paths empty where they are too many to count
     * @param witness question or link parameter to value; what is blank is left out
     */
    public record Lane(Optional<BigInteger> paths, Map<String, Object> witness) {}

    /** @throws IllegalArgumentException where nobody goes along it */
    public synchronized Lane lane(Route route) {
        d.begin(Watch.NOBODY);
        Flow along = new Flow(space, route.asked(), Paths.together(space));
        Optional<BigInteger> paths;
        try {
            paths = Optional.of(Paths.count(along, Figures.MOST_WEIGHT_NODES).get(route.outcome()));
        } catch (Diagrams.BudgetSpent e) {
            paths = Optional.empty();
        }
        for (Flow.Exit ending : along.endings()) {
            int set = ending.remembered();
            if (ending.kind() == Flow.ExitKind.FINISH) {
                set = along.outcomeOf(ending).equals(route.outcome()) ? set : Diagrams.NONE;
            } else {
                int rest = set;
                set = Diagrams.NONE;
                for (int row = 0; row < space.wiring().document().outcomeTable().size(); row++) {
                    int holds = along.rowHolds(row);
                    set = along.outcomeOf(row).equals(route.outcome()) ? d.or(set, d.and(rest, holds)) : set;
                    rest = d.minus(rest, holds);
                }
                set = route.outcome().isEmpty() ? d.or(set, rest) : set;
            }
            if (set != Diagrams.NONE) {
                return new Lane(paths, space.plainForm().answers(new Witnesses(along).end(ending, set)));
            }
        }
        throw new IllegalArgumentException("nobody goes along " + route);
    }
}
