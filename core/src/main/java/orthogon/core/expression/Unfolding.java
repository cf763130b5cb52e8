package orthogon.core.expression;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import orthogon.core.expression.Expr.Binding;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Quantified;

/**
 * Puts in place of each derived value what it is computed from, and in place of {@code sends(...)} when that message is sent. A value that
 * uses the one before it twice doubles with each step, so the parts are counted before anything is written out.
 */
public final class Unfolding {

    /** Most parts of an expression that is written out. */
    public static final int MOST_PARTS = 50_000;

    private final Predicate<String> isDerived;
    private final Function<String, Optional<Expr>> derivation;
    private final Function<String, Optional<Expr>> sent;
    /** Derived value to the number of its parts, up to one more than the most. */
    private final Map<String, Integer> parts = new ConcurrentHashMap<>();
    private final Map<String, Expr> known = new ConcurrentHashMap<>();

    /**
     * @param sent message to when it is sent to somebody; empty where that cannot be said
     */
    Unfolding(Predicate<String> isDerived, Function<String, Optional<Expr>> derivation, Function<String, Optional<Expr>> sent) {
        this.isDerived = isDerived;
        this.derivation = derivation;
        this.sent = sent;
    }

    /** Empty where a derived value has a fault or goes round in a circle, or where there are more than {@link #MOST_PARTS}. */
    Optional<Expr> of(Expr expr) {
        if (isTooLong(expr)) {
            return Optional.empty();
        }
        try {
            return Optional.of(unfold(expr, Set.of(), new LinkedHashSet<>()));
        } catch (Unfoldable e) {
            return Optional.empty();
        }
    }

    boolean isTooLong(Expr expr) {
        return parts(expr, new HashSet<>()) > MOST_PARTS;
    }

    private int parts(Expr expr, Set<String> inside) {
        int sum = 1;
        if (expr instanceof Name n && isDerived.test(n.name())) {
            sum = partsOf(n.name(), inside);
        }
        if (isSends(expr)) {
            return sent.apply(message(expr)).map(e -> parts(e, inside)).orElse(1);
        }
        for (Expr child : expr.children()) {
            sum = Math.min(MOST_PARTS + 1, sum + parts(child, inside));
        }
        return sum;
    }

    private int partsOf(String derived, Set<String> inside) {
        Integer counted = parts.get(derived);
        if (counted != null) {
            return counted;
        }
        if (!inside.add(derived)) {
            return 1;
        }
        int count = derivation.apply(derived).map(of -> parts(of, inside)).orElse(1);
        inside.remove(derived);
        parts.put(derived, count);
        return count;
    }

    private static boolean isSends(Expr expr) {
        return expr instanceof Call c && c.function().equals("sends");
    }

    private static String message(Expr sends) {
        return ((Name) ((Call) sends).args().getFirst()).name();
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
                if (known.containsKey(n.name())) {
                    yield known.get(n.name());
                }
                Expr of = derivation.apply(n.name()).orElse(null);
                if (of == null || !inside.add(n.name())) {
                    throw new Unfoldable();
                }
                Expr unfolded = unfold(of, Set.of(), inside);
                inside.remove(n.name());
                known.put(n.name(), unfolded);
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
            case Call c when isSends(c) -> unfold(sent.apply(message(c)).orElseThrow(Unfoldable::new), Set.of(), inside);
            default -> expr.over(expr.children().stream().map(p -> unfold(p, bound, inside)).toList());
        };
    }
}
