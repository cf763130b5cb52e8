package orthogon.core.proof.space;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ArrayList;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Printer;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;

/** What each question must be divided by: the largest parts of expressions that speak of it alone. Keyed by their printed text. */
final class Features {

    private final Map<String, Question> questions;
    private final Map<String, Map<String, Expr>> features = new HashMap<>();
    private final Map<String, Set<String>> comparisons = new HashMap<>();
    private final List<Expr> joint = new ArrayList<>();
    /** Parts that a question could not be divided by, with the reason. */
    private final Map<String, String> inexact = new LinkedHashMap<>();

    Features(Map<String, Question> questions) {
        this.questions = questions;
    }

    /** Comparisons that speak of several questions. */
    List<Expr> joint() {
        return joint;
    }

    boolean isComparison(String code, Expr feature) {
        return comparisons.getOrDefault(code, Set.of()).contains(Printer.print(feature));
    }

    /** Whether another document says the same of the question, and all of it could be divided by. */
    boolean isSame(Features other, String code) {
        return other.inexact.isEmpty()
                && features.getOrDefault(code, Map.of()).keySet().equals(other.features.getOrDefault(code, Map.of()).keySet())
                && comparisons.getOrDefault(code, Set.of()).equals(other.comparisons.getOrDefault(code, Set.of()));
    }

    boolean isInexact(Expr feature) {
        return inexact.containsKey(Printer.print(feature));
    }

    void giveUp(String code, Expr feature, String why) {
        inexact.put(Printer.print(feature), "about " + code + ": " + why);
    }

    Optional<String> whyInexact() {
        return inexact.values().stream().findFirst();
    }

    /** The questions and link parameters that an unfolded expression mentions. */
    static Set<String> mentioned(Expr expr) {
        Set<String> names = new LinkedHashSet<>(expr.references());
        names.remove("outcome");
        removeAsked(expr, names);
        return names;
    }

    private static void removeAsked(Expr expr, Set<String> names) {
        Set<String> inAsked = new HashSet<>();
        Set<String> elsewhere = new HashSet<>();
        spread(expr, inAsked, elsewhere);
        inAsked.removeAll(elsewhere);
        names.removeAll(inAsked);
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
        return expr instanceof Call c && c.function().equals("asked") || expr.children().stream().anyMatch(Features::usesAsked);
    }

    /** Notes, for each question, the expressions about it that must be constant within a cell. */
    void analyse(Expr expr) {
        if (expr instanceof Literal || mentioned(expr).isEmpty()) {
            return;
        }
        if (Expr.isLogical(expr)) {
            expr.children().forEach(this::analyse);
            return;
        }
        Set<String> names = mentioned(expr);
        boolean truth = isTruth(expr);
        if (names.size() == 1) {
            String only = names.iterator().next();
            feature(only, expr);
            if (truth) {
                comparisons.computeIfAbsent(only, n -> new LinkedHashSet<>()).add(Printer.print(expr));
                return;
            }
        } else if (truth) {
            joint.add(expr);
        }
        if (expr instanceof Quantified) {
            analyseBound(expr, Set.of());
            return;
        }
        expr.children().forEach(this::analyse);
    }

    /** Notes what must be constant within a cell without dividing answer classes by it. */
    void note(Expr condition) {
        if (Expr.isLogical(condition)) {
            condition.children().forEach(this::note);
        } else if (mentioned(condition).size() == 1) {
            feature(mentioned(condition).iterator().next(), condition);
        }
    }

    /** Parts of a quantifier that do not hang on what it binds are divided by as usual, the others name by name. */
    private void analyseBound(Expr expr, Set<String> bound) {
        Set<String> inner = new HashSet<>(bound);
        if (expr instanceof Quantified q) {
            q.bindings().forEach(b -> inner.add(b.name()));
        }
        for (Expr child : expr.children()) {
            if (child.references().stream().anyMatch(inner::contains)) {
                analyseBound(child, inner);
            } else {
                analyse(child);
            }
        }
    }

    private void feature(String code, Expr expr) {
        features.computeIfAbsent(code, n -> new LinkedHashMap<>()).put(Printer.print(expr), expr);
    }

    List<Expr> of(String code) {
        return List.copyOf(features.getOrDefault(code, Map.of()).values());
    }

    boolean isTruth(Expr expr) {
        return switch (expr) {
            case Compare c -> true;
            case InRange r -> true;
            case InList l -> true;
            case Quantified q -> true;
            case Name n -> questions.containsKey(n.name()) && (questions.get(n.name()).answer() instanceof Answer.YesNo
                    || questions.get(n.name()).answer() instanceof Answer.Agreement);
            case Call c -> Set.of("answered", "list contains", "contains", "starts with", "ends with", "matches").contains(c.function());
            default -> false;
        };
    }

    /** Whether the expression is constant in every cell of the question: it was divided by, or it is made of such parts. */
    boolean isExact(Expr expr, String code) {
        String text = Printer.print(expr);
        if (features.getOrDefault(code, Map.of()).containsKey(text)) {
            return !inexact.containsKey(text);
        }
        return mentioned(expr).isEmpty() || !expr.children().isEmpty() && expr.children().stream().allMatch(c -> isExact(c, code));
    }

    boolean restsOnInexact(Expr expr) {
        String text = Printer.print(expr);
        return inexact.containsKey(text) || features.values().stream().noneMatch(f -> f.containsKey(text))
                && expr.children().stream().anyMatch(this::restsOnInexact);
    }

    /** Why a comparison could not be brought into the space. */
    String reason(Expr expr) {
        String text = Printer.print(expr);
        return inexact.entrySet().stream().filter(e -> text.contains(e.getKey())).map(Map.Entry::getValue).findFirst()
                .orElse("\"" + text + "\" compares more values than are divided");
    }
}
