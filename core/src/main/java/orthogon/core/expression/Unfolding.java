package orthogon.core.expression;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import orthogon.core.expression.Expr.Binding;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Quantified;

/** Puts in place of each derived value what it is computed from. */
final class Unfolding {

    private final Predicate<String> isDerived;
    private final Function<String, Optional<Expr>> derivation;

    private Unfolding(Predicate<String> isDerived, Function<String, Optional<Expr>> derivation) {
        this.isDerived = isDerived;
        this.derivation = derivation;
    }

    /** Empty where a derived value has a fault or goes round in a circle. */
    static Optional<Expr> of(Expr expr, Predicate<String> isDerived, Function<String, Optional<Expr>> derivation) {
        try {
            return Optional.of(new Unfolding(isDerived, derivation).unfold(expr, Set.of(), new LinkedHashSet<>()));
        } catch (Unfoldable e) {
            return Optional.empty();
        }
    }

    private static final class Unfoldable extends RuntimeException {
        Unfoldable() {
            super(null, null, false, false);
        }
    }

    private Expr unfold(Expr expr, Set<String> bound, Set<String> inside) {
        return switch (expr) {
            case Literal l -> l;
            case Name n -> {
                if (bound.contains(n.name()) || !isDerived.test(n.name())) {
                    yield n;
                }
                Expr of = derivation.apply(n.name()).orElse(null);
                if (of == null || !inside.add(n.name())) {
                    throw new Unfoldable();
                }
                Expr unfolded = unfold(of, Set.of(), inside);
                inside.remove(n.name());
                yield unfolded;
            }
            case Quantified q -> {
                Set<String> inner = new HashSet<>(bound);
                List<Binding> bindings = new ArrayList<>();
                for (Binding b : q.bindings()) {
                    bindings.add(new Binding(b.name(), unfold(b.in(), inner, inside)));
                    inner.add(b.name());
                }
                yield new Quantified(q.every(), bindings, unfold(q.satisfies(), inner, inside), q.span());
            }
            case Call c when c.function().equals("score") || c.function().equals("asked") -> c;
            default -> expr.over(expr.children().stream().map(p -> unfold(p, bound, inside)).toList());
        };
    }
}
