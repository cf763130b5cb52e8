package orthogon.core.proof.flow;

import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Burden;
import java.math.BigInteger;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How many answer paths and routes there are, exactly or not at all.
 *
 * @param answerPaths empty where not counted
 * @param pathsByOutcome every outcome, in document order; empty map where not counted
 * @param joint whether paths are divided by comparisons between several answers as well
 * @param everyRoute empty where routes are not counted
 * @param reading empty where it was not worked out, and where nobody comes to an end
 * @param notCounted why something was not counted; empty where everything was
 */
public record Figures(Optional<BigInteger> answerPaths, Map<String, BigInteger> pathsByOutcome, boolean joint, Optional<Routes> everyRoute,
        Optional<WordsToRead> reading, Optional<Message> notCounted) {

    /**
     * Those who read least and most of all who come to an end; words as {@link Burden} counts them.
     *
     * @param least answers of the document to their values
     */
    public record WordsToRead(int leastWords, Map<String, Object> least, int mostWords, Map<String, Object> most) {}

    /** How many nodes weights may take. */
    public static final int MOST_WEIGHT_NODES = 1 << 23;

    /** How many nodes weights may take where answer paths alone are counted. */
    private static final int FEWER_WEIGHT_NODES = 1 << 20;

    /** @param space one of its own, since counting takes many nodes */
    public static Figures of(Space space) {
        return of(space, MOST_WEIGHT_NODES, true);
    }

    /**
     * Answer paths alone, with less effort.
     *
     * @param space one of its own, since counting takes many nodes
     */
    public static Figures ofPaths(Space space) {
        return of(space, FEWER_WEIGHT_NODES, false);
    }

    private static Figures of(Space space, int most, boolean withRoutes) {
        boolean joint = false;
        for (Axis axis : space.axes()) {
            joint |= axis.isJoint();
        }
        Map<String, BigInteger> paths = new LinkedHashMap<>();
        Optional<Message> notCounted = Optional.empty();
        try {
            Flow flow = new Flow(space, null, Paths.together(space));
            Optional<Unknown> why = flow.lostAt().or(space::whyNotExact);
            Optional<Unknown> lost = flow.lostAt().or(space::whyNotDecided);
            if (lost.isPresent()) {
                return none(joint, lost.get().why());
            }
            if (why.isPresent()) {
                notCounted = Optional.of(uncounted("paths", why.get().why()));
            } else {
                paths = Paths.count(flow, most);
            }
        } catch (Diagrams.BudgetSpent e) {
            notCounted = Optional.of(uncounted("paths", e.why()));
        }
        Optional<BigInteger> total = paths.isEmpty()
                ? Optional.empty()
                : Optional.of(paths.values().stream().reduce(BigInteger.ZERO, BigInteger::add));
        Map<String, BigInteger> byOutcome = new LinkedHashMap<>(paths);
        byOutcome.remove("");
        Optional<Routes> routes = Optional.empty();
        Optional<WordsToRead> reading = Optional.empty();
        if (!withRoutes) {
            return new Figures(total, byOutcome, joint, routes, reading, notCounted);
        }
        try {
            reading = space.isCertain() ? reading(space) : Optional.empty();
            // Routes come last, since they may leave no room for anything else.
            routes = Optional.of(Routes.of(space));
        } catch (Diagrams.BudgetSpent e) {
            Message routesToo = uncounted(reading.isEmpty() && space.isCertain() ? "words-routes" : "routes", e.why());
            notCounted = Optional.of(notCounted.map(why -> Message.of("list.semicolon").inner("first", why).inner("next", routesToo))
                    .orElse(routesToo));
        }
        return new Figures(total, byOutcome, joint, routes, reading, notCounted);
    }

    /** @param what of the pattern that names what is not counted */
    static Message uncounted(String what, Message why) {
        return Message.of("uncounted." + what).inner("why", why);
    }

    private static Optional<WordsToRead> reading(Space space) {
        Flow flow = new Flow(space, Set.of(), new BitSet(), new BitSet());
        if (flow.stages().isEmpty() || flow.endings().stream().allMatch(e -> e.remembered() == Diagrams.NONE)) {
            return Optional.empty();
        }
        Longest.LongestRespondent least = Longest.least(flow, Burden::words, Burden::words);
        Longest.LongestRespondent most = Longest.of(flow, Burden::words, Burden::words);
        return Optional.of(new WordsToRead(least.cost(), space.plainForm().answers(space.plainForm().settled(least.answers())), most.cost(),
                space.plainForm().answers(space.plainForm().settled(most.answers()))));
    }

    /** Nothing counted yet. */
    public static Figures pending() {
        return new Figures(Optional.empty(), Map.of(), false, Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Nothing counted, with the reason. */
    public static Figures none(boolean joint, Message why) {
        return new Figures(Optional.empty(), Map.of(), joint, Optional.empty(), Optional.empty(), Optional.of(why));
    }

    /** How many routes there are; empty where they are not counted. */
    public Optional<BigInteger> routes() {
        return everyRoute.map(Routes::count);
    }

    /** Fewest questions on a route; empty where there is no route or routes are not counted. */
    public Optional<Integer> shortest() {
        return everyRoute.flatMap(Routes::shortest);
    }

    /** Most questions on a route. */
    public Optional<Integer> longest() {
        return everyRoute.flatMap(Routes::longest);
    }
}
