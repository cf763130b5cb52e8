package orthogon.core.proof.space;

import orthogon.core.expression.Expr;
import orthogon.core.expression.Printer;
import orthogon.core.proof.message.Message;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What each question must be divided by: the largest parts of expressions that speak of it alone. Keyed by their printed text. */
final class Features {

    private final Map<String, Map<String, Expr>> features = new HashMap<>();
    private final Map<String, Set<String>> comparisons = new HashMap<>();
    private final List<Expr> joint = new ArrayList<>();
    /** Parts that only the start of an answer asks for, which the respondent may change: nothing else rests on them. */
    private final Set<String> forStart = new HashSet<>();
    /** Parts that a question could not be divided by, with the reason. */
    private final Map<String, Message> inexact = new LinkedHashMap<>();

    void add(Analysis analysis) {
        add(analysis.parts());
        joint.addAll(analysis.joint());
    }

    void add(List<Analysis.AnalysisPart> parts) {
        for (Analysis.AnalysisPart part : parts) {
            features.computeIfAbsent(part.code(), n -> new LinkedHashMap<>()).put(part.text(), part.expr());
            forStart.remove(part.text());
            if (part.comparison()) {
                comparisons.computeIfAbsent(part.code(), n -> new LinkedHashSet<>()).add(part.text());
            }
        }
    }

    /** @param counts whether the document is uncertain where a question cannot be divided by the part */
    void addForStart(Analysis.AnalysisPart part, boolean counts) {
        boolean known = features.values().stream().anyMatch(f -> f.containsKey(part.text()));
        add(List.of(part));
        if (!counts && !known) {
            forStart.add(part.text());
        }
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

    void giveUp(String code, Expr feature, Message why) {
        inexact.put(Printer.print(feature), Message.of("inexact.about").code("code", code).inner("why", why));
    }

    Optional<Message> whyInexact() {
        return inexact.entrySet().stream().filter(e -> !forStart.contains(e.getKey())).map(Map.Entry::getValue).findFirst();
    }

    List<Expr> of(String code) {
        return List.copyOf(features.getOrDefault(code, Map.of()).values());
    }

    /** Whether the expression is constant in every cell of the question: it was divided by, or it is made of such parts. */
    boolean isExact(Expr expr, String code) {
        String text = Printer.print(expr);
        if (features.getOrDefault(code, Map.of()).containsKey(text)) {
            return !inexact.containsKey(text);
        }
        return Analysis.mentioned(expr).isEmpty()
                || !expr.children().isEmpty() && expr.children().stream().allMatch(c -> isExact(c, code));
    }

    boolean restsOnInexact(Expr expr) {
        String text = Printer.print(expr);
        return inexact.containsKey(text) || features.values().stream().noneMatch(f -> f.containsKey(text))
                && expr.children().stream().anyMatch(this::restsOnInexact);
    }

    /** Why a comparison could not be brought into the space. */
    Message reason(Expr expr) {
        String text = Printer.print(expr);
        return inexact.entrySet().stream().filter(e -> text.contains(e.getKey())).map(Map.Entry::getValue).findFirst()
                .orElse(Message.of("inexact.comparison").words("formula", text));
    }
}
