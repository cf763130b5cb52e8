package orthogon.core.proof.change;

import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import orthogon.core.proof.change.Lockstep.Move;
import orthogon.core.proof.change.Lockstep.Position;
import orthogon.core.proof.change.Lockstep.Side;
import orthogon.core.proof.change.Lockstep.Topic;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Diagrams.DiagramState;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;

/** Finds respondents who meet a difference and come to an end: back to their first page, and on to their last. */
final class Finder {

    /** Somebody's answers in plain form, in either document. */
    record FoundPair(Map<String, Object> first, Map<String, Object> second) {

        private Map<String, Object> of(Side side) {
            return side == Side.FIRST ? first : second;
        }
    }

    private final Lockstep lockstep;
    private final Diagrams d;
    /** States from which both come to an end. */
    private final Map<Position, Integer> ends;
    /** States from which the first does; of use once the second refuses. */
    private final Map<Position, Integer> firstEnds;

    Finder(Lockstep lockstep) {
        this.lockstep = lockstep;
        this.d = lockstep.diagrams();
        this.ends = leadingTo(s -> s.second() != Lockstep.REFUSED);
        this.firstEnds = leadingTo(s -> true);
    }

    private Map<Position, Integer> leadingTo(Predicate<Position> wanted) {
        Map<Position, Integer> states = new HashMap<>();
        lockstep.standings().stream().filter(lockstep::isOver).filter(wanted).forEach(s -> states.put(s, Diagrams.ALL));
        List<Move> moves = lockstep.moves();
        for (int m = moves.size() - 1; m >= 0; m--) {
            Move move = moves.get(m);
            states.merge(move.from(), d.exists(completing(move, states), d.cube(move.own())), d::or);
        }
        return states;
    }

    /** Those who make a move and then come to an end. */
    private int completing(Move move, Map<Position, Integer> states) {
        return d.and(move.set(), lockstep.leadingTo(states.getOrDefault(move.to(), Diagrams.NONE), move.between()));
    }

    private int completing(Move move) {
        return completing(move, move.to().second() == Lockstep.REFUSED ? firstEnds : ends);
    }

    /** The first respondent found for each difference that somebody meets who comes to an end. */
    Map<Topic, FoundPair> each() {
        Map<Topic, FoundPair> found = new LinkedHashMap<>();
        for (Move move : lockstep.moves()) {
            int completing = completing(move);
            move.topics().forEach((topic, set) -> {
                int some = d.and(set, completing);
                if (some != Diagrams.NONE) {
                    found.computeIfAbsent(topic, t -> through(move, some));
                }
            });
            boolean otherwise = lockstep.isOver(move.to()) && move.to().second() != Lockstep.REFUSED
                    && !move.to().firstOutcome().equals(move.to().secondOutcome());
            if (otherwise && completing != Diagrams.NONE) {
                found.computeIfAbsent(lockstep.ending(move.to()), t -> through(move, completing));
            }
        }
        return found;
    }

    private FoundPair through(Move move, int set) {
        FoundPair respondent = new FoundPair(new LinkedHashMap<>(), new LinkedHashMap<>());
        DiagramState state = d.pick(set);
        note(move, state, respondent);
        back(move.from(), pinned(state, lockstep.alive(move.from())), respondent);
        on(move, pinned(state, known(move)), respondent);
        if (move.to().second() == Lockstep.REFUSED) {
            lockstep.shared().stream().filter(respondent.first()::containsKey)
                    .forEach(code -> respondent.second().putIfAbsent(code, respondent.first().get(code)));
        }
        return new FoundPair(ordered(Side.FIRST, respondent), ordered(Side.SECOND, respondent));
    }

    private void back(Position standing, int set, FoundPair respondent) {
        if (standing.equals(Lockstep.atStart())) {
            DiagramState state = d.pick(d.and(lockstep.start(), set));
            for (Side side : Side.values()) {
                for (Axis axis : lockstep.space(side).axes()) {
                    if (axis.question() == null) {
                        note(axis, state, respondent.of(side));
                    }
                }
            }
            return;
        }
        for (Move move : lockstep.moves()) {
            int from = move.to().equals(standing) ? d.and(move.set(), lockstep.leadingTo(set, move.between())) : Diagrams.NONE;
            if (from != Diagrams.NONE) {
                DiagramState state = d.pick(from);
                note(move, state, respondent);
                back(move.from(), pinned(state, lockstep.alive(move.from())), respondent);
                return;
            }
        }
        throw new IllegalStateException("nobody comes to " + standing);
    }

    private void on(Move made, int set, FoundPair respondent) {
        Move move = made;
        int here = set;
        while (!lockstep.isOver(move.to())) {
            BitSet skipped = (BitSet) move.between().clone();
            skipped.and(lockstep.alive(move.to()));
            here = d.and(lockstep.forget(here, move.to()), lockstep.untouched(skipped));
            Move next = null;
            for (Move candidate : lockstep.moves()) {
                if (next == null && candidate.from().equals(move.to()) && !d.disjoint(here, completing(candidate))) {
                    next = candidate;
                }
            }
            if (next == null) {
                throw new IllegalStateException("nobody goes on from " + move.to());
            }
            DiagramState state = d.pick(d.and(here, completing(next)));
            note(next, state, respondent);
            here = pinned(state, known(next));
            move = next;
        }
    }

    private BitSet known(Move move) {
        BitSet known = lockstep.alive(move.from());
        known.or(move.own());
        return known;
    }

    /** The states that agree with the picked one on these bits; what it leaves open is zero. */
    private int pinned(DiagramState state, BitSet levels) {
        return d.of(new DiagramState(levels, state.ones()));
    }

    private void note(Move move, DiagramState state, FoundPair respondent) {
        if (move.visits() && !move.own().isEmpty()) {
            Space space = lockstep.space(move.side());
            lockstep.questions(move).forEach(code -> note(space.axis(code), state, respondent.of(move.side())));
        }
    }

    private static void note(Axis axis, DiagramState state, Map<String, Object> answers) {
        Object value = axis.decode(state);
        if (value != null) {
            answers.putIfAbsent(axis.code(), value);
        }
    }

    private Map<String, Object> ordered(Side side, FoundPair respondent) {
        Map<String, Object> ordered = new LinkedHashMap<>();
        for (Axis axis : lockstep.space(side).axes()) {
            if (respondent.of(side).containsKey(axis.code())) {
                ordered.put(axis.code(), respondent.of(side).get(axis.code()));
            }
        }
        return ordered;
    }
}
