package orthogon.bench;

import orthogon.core.answer.Option;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import com.microsoft.z3.ArithExpr;
import com.microsoft.z3.BoolExpr;
import com.microsoft.z3.Context;
import com.microsoft.z3.IntSort;
import com.microsoft.z3.Solver;
import com.microsoft.z3.Status;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Asks a general-purpose solver some of the same in the same run: is each question asked of somebody and not of others, can each option
 * be chosen and accepted, can anybody get stuck on a page, is each outcome row met. It is given the pages one by one, as it likes best,
 * and is spared the other claims, explanations and counts; the time beside it is that of all claims.
 */
public final class AgainstSolver {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    private final Context z3 = new Context();
    private final Solver solver = z3.mkSolver();
    private final Wiring wiring;
    private final Map<String, BoolExpr> answered = new HashMap<>();
    private final Map<String, ArithExpr<IntSort>> value = new HashMap<>();
    private int asked;
    private int possible;

    private AgainstSolver(Wiring wiring) {
        this.wiring = wiring;
    }

    /** Arguments: how many questions, each in a run of its own. */
    public static void main(String[] args) {
        System.out.println("questions  claims ms  solver ms  asked of it   ratio");
        for (String size : args.length == 0 ? new String[]{"50", "200", "1000"} : args) {
            Questionnaire document = LargeDocument.of(Integer.parseInt(size), 7);
            long best = Long.MAX_VALUE;
            for (int round = 0; round < 8; round++) {
                long begun = System.nanoTime();
                Proof proof = Proof.of(document, TODAY);
                best = Math.min(best, System.nanoTime() - begun);
                if (proof.count(Verdict.UNDECIDED) > 0) {
                    throw new IllegalStateException("something is undecided");
                }
            }
            AgainstSolver against = new AgainstSolver(Wiring.of(document));
            long begun = System.nanoTime();
            against.run(document);
            long took = System.nanoTime() - begun;
            against.mustAgree(Proof.of(document, TODAY));
            System.out.printf("%9s %10.1f %10.0f %12d %7.0f%n", size, best / 1e6, took / 1e6, against.asked, (double) took / best);
        }
    }

    private void mustAgree(Proof proof) {
        long proved = proof.claims().stream().filter(c -> c.kind() == ClaimKind.REACH_QUESTION && c.verdict() == Verdict.PROVED).count();
        if (proved != possible) {
            throw new IllegalStateException("the solver finds " + possible + " questions asked, the proof " + proved);
        }
    }

    private boolean possible(BoolExpr... what) {
        asked++;
        return solver.check(what) == Status.SATISFIABLE;
    }

    private void run(Questionnaire document) {
        for (Page page : document.pages()) {
            BoolExpr open = condition(page.code() + ".openWhen");
            List<BoolExpr> onPage = new ArrayList<>();
            List<BoolExpr> domains = new ArrayList<>();
            List<com.microsoft.z3.Expr<?>> variables = new ArrayList<>();
            for (Question question : page.questions().toList()) {
                String code = question.code();
                BoolExpr shown = z3.mkAnd(open, condition(code + ".askWhen"));
                answered.put(code, z3.mkBoolConst("a_" + code));
                value.put(code, z3.mkIntConst("v_" + code));
                BoolExpr domain = z3.mkImplies(answered.get(code), z3.mkAnd(shown, withinLimits(question)));
                domains.add(domain);
                variables.add(answered.get(code));
                variables.add(value.get(code));
                solver.add(domain);
                if (possible(shown)) {
                    possible++;
                }
                if (!question.askWhen().isEmpty()) {
                    possible(z3.mkNot(shown));
                }
                for (int o = 0; o < question.answer().options().size(); o++) {
                    possible(z3.mkAnd(answered.get(code), z3.mkEq(value.get(code), z3.mkInt(o))));
                }
                onPage.add(z3.mkImplies(z3.mkAnd(shown, condition(code + ".requireWhen", false)), answered.get(code)));
                for (int i = 0; i < question.accept().size(); i++) {
                    onPage.add(z3.mkImplies(z3.mkAnd(answered.get(code), known(code + "/accept/" + i)), condition(code + "/accept/" + i)));
                }
            }
            BoolExpr answers = z3.mkAnd(z3.mkAnd(domains.toArray(BoolExpr[]::new)), z3.mkAnd(onPage.toArray(BoolExpr[]::new)));
            BoolExpr stuck = z3.mkForall(variables.toArray(com.microsoft.z3.Expr[]::new), z3.mkNot(answers), 1, null, null, null, null);
            possible(z3.mkAnd(open, stuck));
            onPage.forEach(solver::add);
            for (Question question : page.questions().toList()) {
                for (int o = 0; o < question.answer().options().size(); o++) {
                    possible(z3.mkAnd(answered.get(question.code()), z3.mkEq(value.get(question.code()), z3.mkInt(o))));
                }
            }
        }
        for (int row = 0; row < document.outcomeTable().size(); row++) {
            possible(condition("outcomeTable/" + row));
        }
    }

    private BoolExpr withinLimits(Question question) {
        ArithExpr<IntSort> v = value.get(question.code());
        return switch (question.answer()) {
            case YesNoAnswer y -> z3.mkAnd(z3.mkGe(v, z3.mkInt(0)), z3.mkLe(v, z3.mkInt(1)));
            case NumberAnswer n -> z3.mkAnd(z3.mkGe(v, z3.mkInt(n.least().intValue())), z3.mkLe(v, z3.mkInt(n.most().intValue())));
            default -> z3.mkAnd(z3.mkGe(v, z3.mkInt(0)), z3.mkLt(v, z3.mkInt(question.answer().options().size())));
        };
    }

    private BoolExpr condition(String place) {
        return condition(place, true);
    }

    private BoolExpr condition(String place, boolean usual) {
        return wiring.at(place).flatMap(Wiring.Wire::expr).flatMap(wiring::unfolded).map(this::holds).orElse(z3.mkBool(usual));
    }

    /** Whether everything that a comparison of the generator mentions is answered. */
    private BoolExpr known(String place) {
        return z3.mkAnd(wiring.at(place).flatMap(Wiring.Wire::expr).orElseThrow().references().stream().map(answered::get)
                .toArray(BoolExpr[]::new));
    }

    private BoolExpr holds(Expr expr) {
        if (expr instanceof Expr.Literal l) {
            return z3.mkBool(Boolean.TRUE.equals(l.value()));
        }
        Expr.Compare c = (Expr.Compare) expr;
        BoolExpr[] given = c.references().stream().filter(n -> !isScore(c, n)).map(answered::get).toArray(BoolExpr[]::new);
        String choice = c.left() instanceof Expr.Name n ? n.name() : "";
        ArithExpr<IntSort> left = number(c.left(), choice);
        ArithExpr<IntSort> right = number(c.right(), choice);
        BoolExpr compared = switch (c.op()) {
            case "=" -> z3.mkEq(left, right);
            case ">=" -> z3.mkGe(left, right);
            case "<=" -> z3.mkLe(left, right);
            default -> throw new IllegalArgumentException(c.op());
        };
        return z3.mkAnd(z3.mkAnd(given), compared);
    }

    private static boolean isScore(Expr in, String name) {
        return in instanceof Expr.Call call && call.references().contains(name) || in.children().stream().anyMatch(c -> isScore(c, name));
    }

    private ArithExpr<IntSort> number(Expr expr, String choice) {
        return switch (expr) {
            case Expr.Name n -> value.get(n.name());
            case Expr.Literal l when l.value() instanceof BigDecimal d -> z3.mkInt(d.intValueExact());
            case Expr.Literal l when l.value() instanceof Boolean b -> z3.mkInt(b ? 1 : 0);
            case Expr.Literal l -> z3.mkInt(option(choice, (String) l.value()));
            case Expr.Arithmetic a -> z3.mkAdd(number(a.left(), ""), number(a.right(), ""));
            case Expr.Call score -> {
                String code = ((Expr.Name) score.args().getFirst()).name();
                ArithExpr<IntSort> sum = z3.mkInt(0);
                List<Option> options = wiring.document().question(code).orElseThrow().answer().options();
                for (int o = 0; o < options.size(); o++) {
                    BoolExpr chosen = z3.mkAnd(answered.get(code), z3.mkEq(value.get(code), z3.mkInt(o)));
                    sum = z3.mkAdd(sum,
                            (ArithExpr<IntSort>) z3.mkITE(chosen, z3.mkInt(options.get(o).scoreOrZero().intValue()), z3.mkInt(0)));
                }
                yield sum;
            }
            default -> throw new IllegalArgumentException(expr.toString());
        };
    }

    private int option(String question, String code) {
        List<String> codes = wiring.document().question(question).orElseThrow().answer().options().stream().map(Option::code)
                .toList();
        return codes.indexOf(code);
    }
}
