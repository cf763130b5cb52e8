package orthogon.core.expression;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr.*;

/** Where a blank answer turns a condition in a way that its plain reading does not say. */
public final class BlankHints {

    private BlankHints() {}

    /**
     * A comparison that a blank answer could turn unseen.
     *
     * @param index its number among the comparisons of the condition
     * @param comparison itself
     * @param plainly the value that its plain reading has where something in it is blank
     * @param byOperand whether only a blank operand matters, not an unknown value
     */
    public record Slip(int index, Expr comparison, boolean plainly, boolean byOperand) {

        /** The names of which one may be blank, in reading order. */
        public Set<String> names() {
            return comparison.references();
        }

        /** Whether it speaks of each of several values, one of which may be blank: it is unknown only because of such a one. */
        public boolean isQuantified() {
            return comparison instanceof Quantified;
        }
    }

    /** Every comparison whose form invites the slip, in reading order: {@code x != 1}, and what stands under a {@code not}. */
    public static List<Slip> slips(Expr condition) {
        List<Slip> slips = new ArrayList<>();
        slips(condition, false, new int[1], slips);
        return slips;
    }

    private static void slips(Expr expr, boolean negated, int[] next, List<Slip> slips) {
        switch (expr) {
            case And a -> a.parts().forEach(p -> slips(p, negated, next, slips));
            case Or o -> o.parts().forEach(p -> slips(p, negated, next, slips));
            case Not n -> slips(n.of(), !negated, next, slips);
            case If i -> {
                slips(i.when(), false, next, slips);
                slips(i.then(), negated, next, slips);
                slips(i.otherwise(), negated, next, slips);
            }
            case Literal l -> {}
            default -> {
                slip(expr, negated, next[0]).ifPresent(slips::add);
                next[0]++;
            }
        }
    }

    private static Optional<Slip> slip(Expr expr, boolean negated, int index) {
        return switch (expr) {
            case Compare c when isNull(c) -> Optional.empty();
            case Compare c when c.op().equals("!=") -> negated ? Optional.empty() : Optional.of(new Slip(index, c, false, true));
            case Compare c when c.op().equals("=") -> negated ? Optional.of(new Slip(index, c, true, true)) : Optional.empty();
            case Call c when c.function().equals("answered") -> Optional.empty();
            default -> negated ? Optional.of(new Slip(index, expr, false, false)) : Optional.empty();
        };
    }

    /** One sentence for each of them that nothing beside it settles, in reading order. */
    public static List<String> of(Expr expr) {
        List<String> hints = new ArrayList<>();
        find(expr, false, new HashSet<>(), hints);
        return hints;
    }

    /** @param settled names that are known to be answered, or spoken of as blank, where the part stands */
    private static void find(Expr expr, boolean negated, Set<String> settled, List<String> hints) {
        switch (expr) {
            case And a -> together(a.parts(), negated, settled, hints);
            case Or o -> together(o.parts(), negated, settled, hints);
            case Not n -> find(n.of(), !negated, settled, hints);
            case If i -> i.children().forEach(c -> find(c, negated, settled, hints));
            case Compare c when c.op().equals("!=") && !isNull(c) && !negated -> hint(c, settled, hints,
                    "“" + Phrase.of(c) + "” also holds while %s is blank; add answered(%s) if it should not");
            case Compare c when c.op().equals("=") && !isNull(c) && negated -> hint(c, settled, hints,
                    "“not " + Phrase.of(c) + "” also holds while %s is blank; add answered(%s) if it should not");
            case Compare c when !Set.of("=", "!=").contains(c.op()) && negated -> hint(c, settled, hints,
                    "“not " + Phrase.of(c) + "” does not hold while %s is blank; add “or not(answered(%s))” if it should");
            case Name n when negated -> hint(n, settled, hints,
                    "“not " + n.name() + "” does not hold while %s is blank; add “or not(answered(%s))” if it should");
            default -> {}
        }
    }

    private static void together(List<Expr> parts, boolean negated, Set<String> settled, List<String> hints) {
        Set<String> inner = new HashSet<>(settled);
        parts.forEach(p -> blankness(p, inner));
        parts.forEach(p -> find(p, negated, inner, hints));
    }

    private static void blankness(Expr expr, Set<String> settled) {
        switch (expr) {
            case Call c when c.function().equals("answered") -> settled.addAll(c.references());
            case Not n -> blankness(n.of(), settled);
            case Compare c when isNull(c) -> settled.addAll(c.references());
            default -> {}
        }
    }

    private static boolean isNull(Compare c) {
        return isNull(c.right()) || isNull(c.left());
    }

    private static boolean isNull(Expr side) {
        return side instanceof Literal l && l.value() == null;
    }

    private static void hint(Expr comparison, Set<String> settled, List<String> hints, String words) {
        comparison.references().stream().filter(n -> !settled.contains(n)).findFirst()
                .ifPresent(name -> hints.add(words.formatted(name, name)));
    }
}
