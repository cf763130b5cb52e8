package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Printer;
import orthogon.core.questionnaire.Question;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one unfolded expression asks of the answer classes.
 *
 * @param names the questions and link parameters that it mentions
 * @param parts the largest parts that speak of one question alone
 * @param joint comparisons that speak of several
 */
record Analysis(Set<String> names, List<AnalysisPart> parts, List<Expr> joint) {

    /**
     * A part that must be constant within a cell of a question.
     *
     * @param text it, printed
     * @param comparison whether answer classes are divided by it
     */
    record AnalysisPart(String code, String text, Expr expr, boolean comparison) {}

    static Analysis of(Expr expr, Map<String, Question> questions) {
        Analysis analysis = new Analysis(mentioned(expr), new ArrayList<>(), new ArrayList<>());
        analysis.divide(expr, questions);
        return analysis;
    }

    /** Analyses a value that is used only in other expressions: its comparisons count, the value itself does not. */
    static Analysis ofValue(Expr expr, Map<String, Question> questions) {
        Analysis analysis = new Analysis(mentioned(expr), new ArrayList<>(), new ArrayList<>());
        analysis.divideValue(expr, questions);
        return analysis;
    }

    private void divideValue(Expr expr, Map<String, Question> questions) {
        if (expr instanceof If i) {
            divide(i.when(), questions);
            divideValue(i.then(), questions);
            divideValue(i.otherwise(), questions);
        } else if (Expr.isLogical(expr) || isTruth(expr, questions)) {
            divide(expr, questions);
        } else {
            expr.children().forEach(c -> divideValue(c, questions));
        }
    }

    /** The expressions that must be constant within a cell, though they do not divide answer classes. */
    static List<AnalysisPart> noted(Expr condition) {
        Expr plain = Lifted.of(condition).orElse(condition);
        Set<String> names = mentioned(plain);
        if (names.size() == 1 && !Expr.isLogical(plain)) {
            return List.of(part(names.iterator().next(), plain, false));
        }
        return plain.children().stream().flatMap(c -> noted(c).stream()).toList();
    }

    /** The questions and link parameters that an unfolded expression mentions. */
    static Set<String> mentioned(Expr expr) {
        Set<String> names = new LinkedHashSet<>(expr.references());
        names.remove("outcome");
        Set<String> inAsked = new HashSet<>();
        Set<String> elsewhere = new HashSet<>();
        spread(expr, inAsked, elsewhere);
        inAsked.removeAll(elsewhere);
        names.removeAll(inAsked);
        return names;
    }

    private static void spread(Expr expr, Set<String> inAsked, Set<String> elsewhere) {
        if (expr instanceof Call c && c.function().equals("asked")) {
            inAsked.addAll(c.references());
        } else if (expr instanceof Name n) {
            elsewhere.add(n.name());
        } else {
            expr.children().forEach(c -> spread(c, inAsked, elsewhere));
        }
    }

    static boolean usesAsked(Expr expr) {
        return expr instanceof Call c && c.function().equals("asked") || expr.children().stream().anyMatch(Analysis::usesAsked);
    }

    /** Whether it is true or false by itself, not by way of others. */
    static boolean isTruth(Expr expr, Map<String, Question> questions) {
        return switch (expr) {
            case Compare c -> true;
            case InRange r -> true;
            case InList l -> true;
            case Quantified q -> true;
            case Name n -> questions.containsKey(n.name()) && questions.get(n.name()).answer().domain() instanceof Domain.Truths;
            case Call c -> Set.of("answered", "list contains", "contains", "starts with", "ends with", "matches").contains(c.function());
            default -> false;
        };
    }

    /** Whether it compares what is itself made of comparisons, as a derived yes/no is, with another value: these divide answers. */
    private static boolean comparesTruth(Expr expr, Map<String, Question> questions) {
        return switch (expr) {
            case Compare c -> isMadeOfComparisons(c.left(), questions) || isMadeOfComparisons(c.right(), questions);
            case InList l -> isMadeOfComparisons(l.of(), questions);
            default -> false;
        };
    }

    private static boolean isMadeOfComparisons(Expr expr, Map<String, Question> questions) {
        return switch (expr) {
            case Name n -> false;
            case If i -> isMadeOfComparisons(i.then(), questions) || isMadeOfComparisons(i.otherwise(), questions);
            default -> Expr.isLogical(expr) || isTruth(expr, questions);
        };
    }

    private void divide(Expr expr, Map<String, Question> questions) {
        if (expr instanceof Literal) {
            return;
        }
        Set<String> mentioned = mentioned(expr);
        if (mentioned.isEmpty()) {
            return;
        }
        if (Expr.isLogical(expr) || comparesTruth(expr, questions)) {
            expr.children().forEach(c -> divide(c, questions));
            return;
        }
        boolean truth = isTruth(expr, questions);
        if (mentioned.size() == 1) {
            parts.add(part(mentioned.iterator().next(), expr, truth));
            if (truth) {
                return;
            }
        } else if (truth) {
            joint.add(expr);
            Optional<Expr> lifted = Lifted.of(expr);
            if (lifted.isPresent()) {
                divideLifted(lifted.get(), questions);
                return;
            }
        }
        if (expr instanceof Quantified) {
            divideBound(expr, Set.of(), questions);
            return;
        }
        expr.children().forEach(c -> divide(c, questions));
    }

    /** The conditions of a choice divide answers; what is compared in its arms is told apart, but makes no classes of its own. */
    private void divideLifted(Expr expr, Map<String, Question> questions) {
        Expr plain = Lifted.of(expr).orElse(expr);
        if (plain instanceof If choice) {
            divide(choice.when(), questions);
            divideLifted(choice.then(), questions);
            divideLifted(choice.otherwise(), questions);
        } else {
            of(plain, questions).parts.forEach(p -> parts.add(new AnalysisPart(p.code(), p.text(), p.expr(), false)));
        }
    }

    /** Parts of a quantifier that do not hang on what it binds are divided by as usual, the others name by name. */
    private void divideBound(Expr expr, Set<String> bound, Map<String, Question> questions) {
        Set<String> inner = new HashSet<>(bound);
        if (expr instanceof Quantified q) {
            q.bindings().forEach(b -> inner.add(b.name()));
        }
        for (Expr child : expr.children()) {
            if (child.references().stream().anyMatch(inner::contains)) {
                divideBound(child, inner, questions);
            } else {
                divide(child, questions);
            }
        }
    }

    private static AnalysisPart part(String code, Expr expr, boolean comparison) {
        return new AnalysisPart(code, Printer.print(expr), expr, comparison);
    }
}
