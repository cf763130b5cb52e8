package orthogon.core.proof.change;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.JointClasses;
import orthogon.core.proof.flow.PageSets;
import orthogon.core.proof.space.Space;

/**
 * Computes, move by move, the set of all pairs of states in which one respondent can be in two documents, who gives the same answer
 * wherever both leave it to them. The first document goes ahead far enough that whatever the second asks was asked before, if it was
 * asked at all. Forgets every bit that no later rule of either mentions.
 */
final class Lockstep {

    /** Whose turn it is. */
    enum Side {
        FIRST, SECOND
    }

    /** Where the second stands of those whom it refuses: it goes no further. */
    static final int REFUSED = Integer.MAX_VALUE;

    /**
     * How far both have come.
     *
     * @param first index of the page that the first comes to; the number of pages at its end
     * @param firstOutcome code of its outcome, empty for none; null before its end
     */
    record Position(int first, String firstOutcome, int second, String secondOutcome) {}

    /** What is different, of which respondents can be the same in several ways. */
    record Topic(DifferenceKind kind, String place, String from, String to) {}

    /**
     * Respondents for whom one of the two goes on.
     *
     * @param set states with all that is known on the page
     * @param own bits of the page, known after the move
     * @param between bits of pages that are gone past
     * @param topics who of them meets a difference here
     */
    record Move(Position from, Position to, Side side, int page, boolean visits, int set, BitSet own, BitSet between,
            Map<Topic, Integer> topics) {}

    private final Diagrams d;
    private final Common common;
    private final Runner first;
    private final Runner second;
    private final Map<String, Integer> same = new LinkedHashMap<>();
    /** Of shared questions that the first can lock, the level of the bit that says whether it did. */
    private final Map<String, Integer> lockedFirst = new LinkedHashMap<>();
    private final Map<Position, Integer> coming = new LinkedHashMap<>();
    private final List<Move> moves = new ArrayList<>();
    private final int start;

    /**
     * @param joint of the first, to be forgotten as a whole each; none where nothing is counted
     * @param otherJoint of the second
     */
    Lockstep(Common common, Space one, Space other, List<JointClasses> joint, List<JointClasses> otherJoint) {
        this.d = one.diagrams();
        this.common = common;
        BitSet asked = new BitSet();
        common.questions().forEach(code -> asked.set(one.askedLevel(code)));
        this.first = new Runner(one, asked, joint);
        this.second = new Runner(other, new BitSet(), otherJoint);
        common.questions().forEach(code -> same.put(code, Common.sameAnswer(one, other, code)));
        common.questions().stream().filter(code -> !one.axis(code).question().lockWhen().isEmpty())
                .forEach(code -> lockedFirst.put(code, one.freshLevel()));
        int together = d.and(first.all.start(), second.all.start());
        for (String parameter : common.link()) {
            together = d.and(together, Common.sameValue(one, other, parameter));
        }
        this.start = together;
        run();
    }

    Diagrams diagrams() {
        return d;
    }

    Space space(Side side) {
        return side == Side.FIRST ? first.space : second.space;
    }

    /** In the order in which they are made: whatever leads to a standing comes before what goes on from it. */
    List<Move> moves() {
        return moves;
    }

    int start() {
        return start;
    }

    static Position atStart() {
        return new Position(0, null, 0, null);
    }

    /** Whether the first has ended, and the second has too or refuses. */
    boolean isOver(Position at) {
        return at.firstOutcome() != null && (at.secondOutcome() != null || at.second() == REFUSED);
    }

    Set<Position> standings() {
        Set<Position> all = new LinkedHashSet<>(Set.of(atStart()));
        moves.forEach(m -> all.add(m.to()));
        return all;
    }

    /** The bits that a state holds at a standing. */
    BitSet alive(Position at) {
        if (at.equals(atStart())) {
            BitSet link = first.space.linkLevels();
            link.or(second.space.linkLevels());
            return link;
        }
        BitSet alive = first.alive(at.first());
        if (at.second() != REFUSED) {
            alive.or(second.alive(at.second()));
            for (String code : common.questions()) {
                if (second.pageOf.get(code) >= at.second() && first.pageOf.get(code) < at.first()) {
                    alive.or(first.space.axis(code).levels());
                    alive.set(first.space.askedLevel(code));
                    if (lockedFirst.containsKey(code)) {
                        alive.set(lockedFirst.get(code));
                    }
                }
            }
            for (JointClasses classes : first.joint) {
                if (classes.levels().intersects(alive)) {
                    BitSet whole = first.born(at.first());
                    whole.and(classes.levels());
                    alive.or(whole);
                }
            }
        }
        return alive;
    }

    private void run() {
        coming.put(atStart(), start);
        int done = 0;
        for (int p = 0; p < second.end; p++) {
            int needed = done;
            for (String code : second.all.pages().get(p).questionCodes()) {
                if (common.questions().contains(code)) {
                    needed = Math.max(needed, first.pageOf.get(code) + 1);
                }
            }
            while (done < needed) {
                turnOfFirst(done++);
            }
            turnOfSecond(p);
        }
        while (done < first.end) {
            turnOfFirst(done++);
        }
    }

    private List<Position> at(Predicate<Position> wanted) {
        return coming.keySet().stream().filter(wanted).toList();
    }

    private void turnOfFirst(int p) {
        for (Position at : at(s -> s.first() == p)) {
            PageSets page = first.all.pages().get(p);
            int arriving = coming.remove(at);
            for (String code : lockable(p, p + 1)) {
                arriving = d.and(arriving, d.same(d.bit(lockedFirst.get(code)), page.locked(code)));
            }
            for (Flow.Exit exit : first.all.exits(page, arriving)) {
                Map<Topic, Integer> topics = new LinkedHashMap<>();
                for (String code : at.second() == REFUSED ? List.<String>of() : page.questionCodes()) {
                    boolean gone = !common.questions().contains(code);
                    // Of what the second went past, nobody is asked; all else is settled when it comes there.
                    if (gone || second.pageOf.get(code) < at.second()) {
                        topics.put(topic(DifferenceKind.ASKED_NO_MORE, first, code), d.and(visiting(exit), page.shown(code)));
                    }
                }
                leave(at, exit, Side.FIRST, topics);
            }
        }
    }

    /** Questions on these pages of the first that it can lock. */
    private List<String> lockable(int from, int to) {
        return lockedFirst.keySet().stream().filter(code -> first.pageOf.get(code) >= from && first.pageOf.get(code) < to).toList();
    }

    private int visiting(Flow.Exit exit) {
        return exit.kind() == Flow.ExitKind.PASSED_BY ? Diagrams.NONE : exit.set();
    }

    private void turnOfSecond(int p) {
        for (Position at : at(s -> s.second() == p)) {
            PageSets page = second.all.pages().get(p);
            int arriving = coming.remove(at);
            int agreeing = arriving;
            for (String code : page.questionCodes()) {
                if (common.questions().contains(code)) {
                    int both = d.minus(d.and(page.shown(code), askedFirst(code)), page.locked(code));
                    both = lockedFirst.containsKey(code) ? d.minus(both, d.bit(lockedFirst.get(code))) : both;
                    agreeing = d.and(agreeing, d.implies(both, same.get(code)));
                }
            }
            int going = Diagrams.NONE;
            for (Flow.Exit exit : second.all.exits(page, agreeing)) {
                going = d.or(going, d.exists(exit.set(), d.cube(page.levels())));
                Map<Topic, Integer> topics = new LinkedHashMap<>();
                for (String code : page.questionCodes()) {
                    int now = d.and(visiting(exit), page.shown(code));
                    int known = common.questions().contains(code) ? askedFirst(code) : Diagrams.NONE;
                    topics.put(topic(DifferenceKind.ASKED_NOW, second, code), d.minus(now, known));
                    topics.put(topic(DifferenceKind.ASKED_NO_MORE, first, code), d.and(d.minus(exit.set(), now), known));
                }
                for (String code : common.questions()) {
                    int on = second.pageOf.get(code);
                    if (on > p && on < exit.target() && first.pageOf.get(code) < at.first()) {
                        topics.put(topic(DifferenceKind.ASKED_NO_MORE, first, code), d.and(exit.set(), askedFirst(code)));
                    }
                }
                leave(at, exit, Side.SECOND, topics);
            }
            int refused = d.minus(arriving, going);
            if (refused != Diagrams.NONE) {
                Position to = new Position(at.first(), at.firstOutcome(), REFUSED, null);
                Topic topic = new Topic(DifferenceKind.REFUSED_NOW, page.page().code(), "", "");
                arrive(new Move(at, to, Side.SECOND, p, true, refused, new BitSet(), new BitSet(), Map.of(topic, refused)), refused);
            }
        }
    }

    private int askedFirst(String code) {
        return d.bit(first.space.askedLevel(code));
    }

    private static Topic topic(DifferenceKind kind, Runner runner, String code) {
        return new Topic(kind, runner.space.plainForm().originalRow(code), "", "");
    }

    private void leave(Position at, Flow.Exit exit, Side side, Map<Topic, Integer> topics) {
        Runner runner = side == Side.FIRST ? first : second;
        BitSet own = (BitSet) runner.all.pages().get(exit.from()).levels().clone();
        BitSet between = runner.all.between(exit.from(), exit.target());
        if (side == Side.FIRST) {
            lockable(exit.from(), exit.from() + 1).forEach(code -> own.set(lockedFirst.get(code)));
            lockable(exit.from() + 1, exit.target()).forEach(code -> between.set(lockedFirst.get(code)));
        }
        boolean visits = exit.kind() != Flow.ExitKind.PASSED_BY;
        if (exit.target() < runner.end || exit.kind() == Flow.ExitKind.FINISH) {
            String outcome = exit.kind() == Flow.ExitKind.FINISH ? runner.all.outcomeOf(exit) : null;
            Position to = side == Side.FIRST
                    ? new Position(exit.target(), outcome, at.second(), at.secondOutcome())
                    : new Position(at.first(), at.firstOutcome(), exit.target(), outcome);
            arrive(new Move(at, to, side, exit.from(), visits, exit.set(), own, between, topics), exit.remembered());
            return;
        }
        int rest = exit.remembered();
        for (int row = 0; row <= runner.document.outcomeTable().size(); row++) {
            boolean none = row == runner.document.outcomeTable().size();
            int there = none ? rest : d.and(rest, runner.all.rowHolds(row));
            rest = d.minus(rest, there);
            String outcome = none ? "" : runner.all.outcomeOf(row);
            Position to = side == Side.FIRST
                    ? new Position(runner.end, outcome, at.second(), at.secondOutcome())
                    : new Position(at.first(), at.firstOutcome(), runner.end, outcome);
            int set = d.and(exit.set(), leadingTo(there, between));
            arrive(new Move(at, to, side, exit.from(), visits, set, own, between, topics), there);
        }
    }

    /** The states from which, when pages are gone past, one of the set is come to. */
    int leadingTo(int set, BitSet between) {
        BitSet met = (BitSet) between.clone();
        met.and(d.support(set));
        return d.andExists(set, first.all.untouched(met), d.cube(met));
    }

    private void arrive(Move move, int there) {
        if (there == Diagrams.NONE) {
            return;
        }
        Map<Topic, Integer> met = new LinkedHashMap<>();
        Map<Topic, Integer> topics = new LinkedHashMap<>(move.topics());
        if (isOver(move.to()) && move.to().second() != REFUSED) {
            SentOtherwise.of(first.space, move.to().firstOutcome(), second.space, move.to().secondOutcome())
                    .forEach((topic, set) -> topics.put(topic, leadingTo(set, move.between())));
        }
        topics.forEach((topic, set) -> {
            int some = d.and(move.set(), set);
            if (some != Diagrams.NONE) {
                met.merge(topic, some, d::or);
            }
        });
        BitSet skipped = (BitSet) move.between().clone();
        skipped.and(alive(move.to()));
        moves.add(new Move(move.from(), move.to(), move.side(), move.page(), move.visits(), move.set(), move.own(), move.between(), met));
        coming.merge(move.to(), forget(d.and(there, untouched(skipped)), move.to()), d::or);
    }

    /** The states in which all of these bits are zero. */
    int untouched(BitSet levels) {
        return first.all.untouched(levels);
    }

    /** What nobody who makes the move has come to. */
    BitSet unborn(Move move) {
        boolean firsts = move.side() == Side.FIRST;
        boolean refused = move.own().isEmpty();
        BitSet unborn = first.unborn(firsts ? move.page() + 1 : move.from().first());
        if (move.from().second() != REFUSED) {
            unborn.or(second.unborn(firsts ? move.from().second() : refused ? move.page() : move.page() + 1));
        }
        return unborn;
    }

    /** The questions that are answered the same in both. */
    Set<String> shared() {
        return common.questions();
    }

    /** The questions of the page that a move leaves. */
    List<String> questions(Move move) {
        return (move.side() == Side.FIRST ? first : second).all.pages().get(move.page()).questionCodes();
    }

    /** The difference between the outcomes of those who have ended. */
    Topic ending(Position over) {
        return new Topic(DifferenceKind.ENDS_OTHERWISE, first.document.code(), over.firstOutcome(), over.secondOutcome());
    }

    /** A set of states without what nobody needs at a standing. */
    int forget(int set, Position at) {
        BitSet gone = d.support(set);
        gone.andNot(alive(at));
        return d.exists(set, d.cube(gone));
    }
}
