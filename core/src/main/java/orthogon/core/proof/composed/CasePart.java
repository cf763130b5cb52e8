package orthogon.core.proof.composed;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Binding;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Compare;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.PartOf;
import orthogon.core.expression.Expr.Quantified;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A questionnaire that a case walks through.
 *
 * @param name of the follow-up in the composed document; empty for the first questionnaire
 * @param by the follow-up that opens it; empty for the first questionnaire
 * @param depth 0 for the first questionnaire, 1 for what it opens
 */
public record CasePart(String name, PlainForm form, Optional<FollowUp> by, int depth) {

    public Questionnaire document() {
        return form.asWritten().document();
    }

    /** The plain form of the document. */
    Questionnaire plain() {
        return form.plain().document();
    }

    /** The name of a follow-up that this questionnaire opens. */
    public String opened(String followUp) {
        return CaseNames.inside(name, followUp);
    }

    /** The code of the composed document. */
    public String inside(String code) {
        return CaseNames.inside(name, code);
    }

    /** Something of the plain form that stands for the proof alone. */
    String aid(String what) {
        return CaseNames.aid(name, what);
    }

    /** Something that it is opened with. */
    FollowUp.Carried carried(int number) {
        return by.orElseThrow().carries().get(number);
    }

    /** Target to the number of what is carried to it. */
    Map<String, Integer> numbers() {
        Map<String, Integer> numbers = new HashMap<>();
        by.ifPresent(f -> {
            for (int i = 0; i < f.carries().size(); i++) {
                numbers.putIfAbsent(f.carries().get(i).to(), i);
            }
        });
        return numbers;
    }

    private Optional<FollowUp> followUp(String code) {
        return document().followUp(code).filter(f -> document().item(code).isEmpty());
    }

    /** The state of a follow-up. */
    Name state(String followUp) {
        return named(CaseNames.known(opened(followUp), "state"));
    }

    static Name named(String code) {
        return new Name(code, Span.NONE);
    }

    static Expr both(Optional<Expr> guard, Optional<Expr> condition) {
        return guard.isPresent() && condition.isPresent()
                ? new Expr.And(List.of(guard.get(), condition.get()), Span.NONE)
                : guard.or(() -> condition).orElse(new Literal(true, Span.NONE));
    }

    static Expr equal(Expr left, String value) {
        return new Compare("=", left, new Literal(value, Span.NONE), Span.NONE);
    }

    static Expr filled(Expr value) {
        return new Compare("!=", value, new Literal(null, Span.NONE), Span.NONE);
    }

    /** An expression of the plain form as it reads in the composed document. */
    Expr translated(Expr expr) {
        return translated(expr, Set.of());
    }

    private Expr translated(Expr expr, Set<String> bound) {
        return switch (expr) {
            case Name n when bound.contains(n.name()) -> n;
            case Name n when n.name().equals("outcome") && plain().item("outcome").isEmpty() -> named(CaseNames.known(name, "outcome"));
            case Name n -> named(inside(n.name()));
            case PartOf p when p.of() instanceof Name n && !bound.contains(n.name()) && followUp(n.name()).isPresent() ->
                named(CaseNames.known(opened(n.name()), p.part()));
            case Call c when isAbout(c, "opens") -> filled(state(argument(c)));
            case Call c when isAbout(c, "sends") -> form.plain().sent(argument(c)).map(e -> translated(e, Set.of())).orElse(c);
            case Quantified q -> {
                Set<String> inner = new HashSet<>(bound);
                List<Binding> bindings = q.bindings().stream().map(b -> {
                    Binding translated = new Binding(b.name(), translated(b.in(), Set.copyOf(inner)));
                    inner.add(b.name());
                    return translated;
                }).toList();
                yield new Quantified(q.every(), bindings, translated(q.satisfies(), inner), Span.NONE);
            }
            default -> expr.over(expr.children().stream().map(c -> translated(c, bound)).toList());
        };
    }

    private static boolean isAbout(Call call, String function) {
        return call.function().equals(function) && call.args().size() == 1 && call.args().getFirst() instanceof Name;
    }

    private static String argument(Call call) {
        return ((Name) call.args().getFirst()).name();
    }

    /** How many comparisons the condition at a place of the plain form has. */
    public int comparisons(String place) {
        return at(place).map(e -> e.comparisons().size()).orElse(0);
    }

    /** The expression at a place of the plain form as it reads in the composed document; empty where it has a fault. */
    Optional<Expr> at(String place) {
        return form.unclear().containsKey(place)
                ? Optional.empty()
                : form.plain().at(place).flatMap(Wiring.Wire::expr).map(this::translated);
    }
}
