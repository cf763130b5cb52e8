package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;

/**
 * How many answer paths and routes there are, exactly or not at all.
 *
 * @param answerPaths empty where not counted
 * @param pathsByOutcome every outcome, in document order; empty map where not counted
 * @param joint whether paths are divided by comparisons between several answers as well
 * @param everyRoute empty where routes are not counted
 * @param notCounted why something was not counted; empty where everything was
 */
public record Figures(Optional<BigInteger> answerPaths, Map<String, BigInteger> pathsByOutcome, boolean joint, Optional<Routes> everyRoute,
        Optional<String> notCounted) {

    /** How many nodes weights may take. */
    public static final int MOST_WEIGHT_NODES = 1 << 23;

    /** @param space one of its own, since counting takes many nodes */
    public static Figures of(Space space) {
        boolean joint = false;
        for (Axis axis : space.axes()) {
            joint |= axis.isJoint();
        }
        Map<String, BigInteger> paths = new LinkedHashMap<>();
        Optional<String> notCounted = Optional.empty();
        try {
            Flow flow = new Flow(space, null, Paths.together(space));
            Optional<String> why = flow.lostAt().isPresent() ? flow.lostAt() : space.whyNotExact();
            if (why.isPresent() || !space.openLevels().isEmpty()) {
                return none(joint, why.orElse("some conditions are open"));
            }
            paths = Paths.count(flow, MOST_WEIGHT_NODES);
        } catch (Diagrams.BudgetSpent e) {
            notCounted = Optional.of("answer paths: " + e.getMessage());
        }
        Optional<BigInteger> total = paths.isEmpty()
                ? Optional.empty()
                : Optional.of(paths.values().stream().reduce(BigInteger.ZERO, BigInteger::add));
        Map<String, BigInteger> byOutcome = new LinkedHashMap<>(paths);
        byOutcome.remove("");
        try {
            return new Figures(total, byOutcome, joint, Optional.of(Routes.of(space)), notCounted);
        } catch (Diagrams.BudgetSpent e) {
            return new Figures(total, byOutcome, joint, Optional.empty(), Optional.of("routes: " + e.getMessage()));
        }
    }

    /** Nothing counted, with the reason. */
    public static Figures none(boolean joint, String why) {
        return new Figures(Optional.empty(), Map.of(), joint, Optional.empty(), Optional.of(why));
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
