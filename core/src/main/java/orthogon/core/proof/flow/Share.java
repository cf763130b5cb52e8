package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.Optional;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.space.Space;

/**
 * How many of all answer paths and routes take one way.
 *
 * @param answerPaths empty where not counted
 * @param routes empty where not counted; a route that some take this way and some another way counts
 * @param notCounted why something was not counted; empty where everything was
 */
public record Share(Optional<BigInteger> answerPaths, Optional<BigInteger> routes, Optional<String> notCounted) {

    /** @param space one of its own, since counting takes many nodes */
    public static Share of(Space space, Transition way) {
        Optional<BigInteger> paths = Optional.empty();
        try {
            Flow flow = new Flow(space, Paths.together(space), way);
            Optional<Unknown> lost = flow.lostAt().or(space::whyNotDecided);
            if (lost.isPresent()) {
                return none(Figures.told(space, lost.get()));
            }
            Optional<Unknown> why = space.whyNotExact();
            if (why.isPresent()) {
                return new Share(paths, Optional.of(Routes.along(space, way).count()),
                        Optional.of("answer paths: " + Figures.told(space, why.get())));
            }
            paths = Optional.of(Paths.count(flow, Figures.MOST_WEIGHT_NODES).values().stream().reduce(BigInteger.ZERO, BigInteger::add));
            return new Share(paths, Optional.of(Routes.along(space, way).count()), Optional.empty());
        } catch (Diagrams.BudgetSpent e) {
            return new Share(paths, Optional.empty(), Optional.of(e.getMessage()));
        }
    }

    /** Nothing counted, with the reason. */
    public static Share none(String why) {
        return new Share(Optional.empty(), Optional.empty(), Optional.of(why));
    }
}
