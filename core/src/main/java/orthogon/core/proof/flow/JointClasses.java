package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Weights;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;

/**
 * Questions whose answers are compared with one another: their cells are finer than answer classes, and paths are told apart by
 * classes and comparisons only.
 *
 * @param levels all bits of its questions
 * @param finer those of them that are finer than answer classes
 * @param counted what stands for its classes and comparisons
 * @param link what the finer bits mean for what is counted
 */
public record JointClasses(BitSet levels, BitSet finer, BitSet counted, int link) {

    /** Every group of a document; no question stands in two of them. */
    public static List<JointClasses> all(Space space) {
        return isWhole(space) ? List.of(whole(space)) : groups(space).stream().map(group -> of(space, group)).toList();
    }

    /** Whether all questions must be taken for one group: a locked answer follows a start value, which may be finer than any class. */
    static boolean isWhole(Space space) {
        return groups(space).stream().flatMap(Set::stream).map(n -> space.axis(n).question())
                .anyMatch(q -> q != null && !q.lockWhen().isEmpty() && !q.startWith().isEmpty());
    }

    static JointClasses whole(Space space) {
        List<String> all = new ArrayList<>();
        space.axes().forEach(a -> all.add(a.code()));
        return of(space, all);
    }

    /** Questions compared with one another, those in touch together. */
    static List<Set<String>> groups(Space space) {
        List<Set<String>> groups = new ArrayList<>();
        for (Axis axis : space.axes()) {
            if (axis.isJoint()) {
                groups.add(new LinkedHashSet<>(Set.of(axis.code())));
            }
        }
        for (Expr comparison : space.jointComparisons()) {
            Set<String> names = space.namesIn(comparison);
            Set<String> merged = new LinkedHashSet<>(names);
            groups.stream().filter(g -> g.stream().anyMatch(names::contains)).forEach(merged::addAll);
            groups.removeIf(g -> g.stream().anyMatch(names::contains));
            groups.add(merged);
        }
        return groups;
    }

    static JointClasses of(Space space, Collection<String> names) {
        Diagrams d = space.diagrams();
        BitSet levels = new BitSet();
        BitSet finer = new BitSet();
        BitSet counted = new BitSet();
        int link = Diagrams.ALL;
        for (String name : names) {
            Axis axis = space.axis(name);
            levels.or(axis.levels());
            counted.or(axis.isJoint() ? axis.classLevels() : axis.levels());
            if (axis.isJoint()) {
                finer.or(axis.levels());
                link = d.and(link, axis.classLink());
            }
        }
        for (Expr comparison : space.jointComparisons()) {
            if (names.containsAll(space.namesIn(comparison))) {
                Truth truth = space.truth(comparison, Map.of());
                for (int set : new int[]{truth.holds(), truth.fails()}) {
                    int level = space.freshLevel();
                    counted.set(level);
                    link = d.and(link, d.same(d.bit(level), set));
                }
            }
        }
        return new JointClasses(levels, finer, counted, link);
    }

    /**
     * A weight with bits summed out; where answers are joint, by their classes and comparisons.
     *
     * @param unborn bits of what was not come to yet, which is blank
     */
    public static int summed(List<JointClasses> joint, Diagrams d, Weights w, int weight, BitSet out, BitSet unborn) {
        BitSet plain = (BitSet) out.clone();
        int left = weight;
        for (JointClasses classes : joint) {
            if (classes.finer().intersects(out)) {
                BitSet blank = (BitSet) classes.levels().clone();
                blank.and(unborn);
                int set = Diagrams.ALL;
                for (int l = blank.length() - 1; l >= 0; l--) {
                    set = blank.get(l) ? d.minus(set, d.bit(l)) : set;
                }
                left = w.mostOver(w.within(left, d.and(set, classes.link())), classes.finer());
                plain.andNot(classes.finer());
                plain.or(classes.counted());
            }
        }
        return w.sumOut(left, plain);
    }
}
