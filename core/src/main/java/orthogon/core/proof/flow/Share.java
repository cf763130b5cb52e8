package orthogon.core.proof.flow;

import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Space;
import java.math.BigInteger;
import java.util.Optional;

/**
 * How many of all answer paths and routes take one way.
 *
 * @param answerPaths empty where not counted
 * @param routes empty where not counted; a route that some take this way and some another way counts
 * @param notCounted why something was not counted; empty where everything was
 */
public record Share(Optional<BigInteger> answerPaths, Optional<BigInteger> routes, Optional<Message> notCounted) {

    /** @param space one of its own, since counting takes many nodes */
    public static Share of(Space space, Transition way) {
        Optional<BigInteger> paths = Optional.empty();
        try {
            Flow flow = new Flow(space, Paths.together(space), way);
            Optional<Unknown> lost = flow.lostAt().or(space::whyNotDecided);
            if (lost.isPresent()) {
                return none(lost.get().why());
            }
            Optional<Unknown> why = space.whyNotExact();
            if (why.isPresent()) {
                return new Share(paths, Optional.of(Routes.along(space, way).count()),
                        Optional.of(Figures.uncounted("paths", why.get().why())));
            }
            paths = Optional.of(Paths.count(flow, Figures.MOST_WEIGHT_NODES).values().stream().reduce(BigInteger.ZERO, BigInteger::add));
            return new Share(paths, Optional.of(Routes.along(space, way).count()), Optional.empty());
        } catch (Diagrams.BudgetSpent e) {
            return new Share(paths, Optional.empty(), Optional.of(e.why()));
        }
    }

    /** Nothing counted, because the document was edited meanwhile. */
    public static Share outdated() {
        return none(Message.of("stopped.edited"));
    }

    /** Nothing counted, with the reason. */
    public static Share none(Message why) {
        return new Share(Optional.empty(), Optional.empty(), Optional.of(why));
    }
}
