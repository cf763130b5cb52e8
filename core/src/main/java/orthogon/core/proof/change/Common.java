package orthogon.core.proof.change;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Span;
import orthogon.core.language.Texts;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.BitLayout;
import orthogon.core.proof.space.DomainLimits;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * The questions and link parameters that two documents share: the same code with the same kind of answer. A respondent gives them the
 * same answer in both.
 */
final class Common {

    private final Questionnaire documentBefore;
    private final Map<String, Question> before;
    private final Map<String, Question> after;
    private final Set<String> questions = new LinkedHashSet<>();
    private final Set<String> link = new LinkedHashSet<>();
    private final List<String> otherwise = new ArrayList<>();

    /** Two documents in plain form. */
    Common(Questionnaire before, Questionnaire after) {
        this.documentBefore = before;
        this.before = asked(before);
        this.after = asked(after);
        this.before.forEach((code, question) -> {
            Question now = this.after.get(code);
            if (now != null && question.answer().isLike(now.answer())) {
                questions.add(code);
                if (isLimitedOtherwise(bare(question.answer()), bare(now.answer()))) {
                    otherwise.add(code);
                }
            }
        });
        before.arriving().forEach(p -> link.add(p.code()));
        link.retainAll(after.arriving().stream().map(Questionnaire.LinkParameter::code).toList());
    }

    private static Map<String, Question> asked(Questionnaire document) {
        Map<String, Question> questions = new LinkedHashMap<>();
        document.questions().filter(q -> !q.isHidden()).forEach(q -> questions.putIfAbsent(q.code(), q));
        return questions;
    }

    Set<String> questions() {
        return questions;
    }

    Set<String> link() {
        return link;
    }

    boolean has(String name) {
        return questions.contains(name) || link.contains(name);
    }

    /** Shared questions whose answers have other limits than before, in a way that is not compared. */
    List<String> limitedOtherwise() {
        return otherwise;
    }

    /** Of the limits, those are compared that {@link DomainLimits} can say, and options. */
    private static boolean isLimitedOtherwise(Answer before, Answer after) {
        return switch (before.domain()) {
            case Domain.Numbers n -> !(after.domain() instanceof Domain.Numbers a && Objects.equals(n.decimals(), a.decimals()));
            case Domain.FreeTexts t ->
                !(after.domain() instanceof Domain.FreeTexts a && t.content() == a.content() && t.pattern().equals(a.pattern()));
            case Domain.TextParts p -> !before.equals(after);
            case Domain.Opaque o -> !before.equals(after);
            case Domain.Files f -> !before.equals(after);
            case Domain.Orders r -> !before.equals(after);
            case Domain.Truths t -> false;
            case Domain.OneOf o -> false;
            case Domain.Subset m -> false;
            case Domain.Steps s -> false;
            case Domain.Dates d -> false;
            case Domain.TimesOfDay t -> false;
            case Domain.EachRow r -> false;
            case Domain.OneRecord r -> false;
            case Domain.Arriving l -> false;
        };
    }

    /** Without its texts. */
    private static Answer bare(Answer answer) {
        Question bare = (Question) Texts.apply(Question.of("x", "", answer), (unit, text) -> "");
        return bare.answer();
    }

    /**
     * What one document says that the cells of the other must not mix up: its comparisons between shared questions, and its limits
     * where they differ.
     *
     * @param of the space of the one document
     */
    List<Expr> toldApartBy(Space of, LocalDate today) {
        List<Expr> told = new ArrayList<>();
        of.conditions().forEach(e -> comparisons(e, told));
        Map<String, Question> asked = of.wiring().document() == documentBefore ? before : after;
        questions.stream().filter(code -> !bare(before.get(code).answer()).equals(bare(after.get(code).answer())))
                .forEach(code -> told.addAll(DomainLimits.of(asked.get(code).answer().domain(), new Expr.Name(code, Span.NONE), today)));
        of.wiring().document().arriving().stream().filter(p -> link.contains(p.code()))
                .forEach(p -> p.allowed().forEach(value -> told.add(compare(p.code(), "=", value))));
        return told;
    }

    /** What one document asks of shared answers to know the cells of its start values, which the cells of the other must not mix up. */
    List<Expr> askedByStartsOf(Space of) {
        return of.askedByStarts().stream().filter(e -> e.references().stream().allMatch(this::has)).toList();
    }

    private void comparisons(Expr expr, List<Expr> told) {
        if (Expr.isLogical(expr)) {
            expr.children().forEach(c -> comparisons(c, told));
        } else if (expr.references().stream().allMatch(this::has)) {
            told.add(expr);
        }
    }

    private static Expr compare(String code, String op, Object value) {
        return new Expr.Compare(op, new Expr.Name(code, Span.NONE), new Expr.Literal(value, Span.NONE), Span.NONE);
    }

    /** The pairs of states in which both have the same answer to a question, blank included. */
    static int sameAnswer(Space one, Space other, String code) {
        Diagrams d = one.diagrams();
        Axis a = one.axis(code);
        Axis b = other.axis(code);
        if (a.isMany()) {
            int same = Diagrams.ALL;
            Set<String> options = new LinkedHashSet<>(a.optionCodes());
            options.addAll(b.optionCodes());
            for (String option : options) {
                int chosen = a.optionCodes().contains(option) ? a.option(option) : Diagrams.NONE;
                int chosenToo = b.optionCodes().contains(option) ? b.option(option) : Diagrams.NONE;
                same = d.and(same, d.same(chosen, chosenToo));
            }
            return same;
        }
        int same = d.and(a.blank(), b.blank());
        Set<Object> values = new LinkedHashSet<>(a.representatives());
        values.addAll(b.representatives());
        for (Object value : values) {
            d.goOn();
            same = d.or(same, d.and(one.cellOf(a, value), other.cellOf(b, value)));
        }
        return same;
    }

    /** The pairs of states that the same link leads to: a value that one of them does not take is blank there. */
    static int sameValue(Space one, Space other, String parameter) {
        Diagrams d = one.diagrams();
        Axis a = one.axis(parameter);
        Axis b = other.axis(parameter);
        int same = d.and(a.blank(), b.blank());
        Set<Object> values = new LinkedHashSet<>(a.representatives());
        values.addAll(b.representatives());
        for (Object value : values) {
            int here = one.cellOf(a, value);
            int there = other.cellOf(b, value);
            same = d.or(same, d.and(here == Diagrams.NONE ? a.blank() : here, there == Diagrams.NONE ? b.blank() : there));
        }
        return same;
    }

    /**
     * Places for the bits of both documents, so that those of the same question stand side by side.
     *
     * @param widths how many bits each item takes in the one document
     * @param others and in the other
     * @return a layout for each
     */
    static List<BitLayout> sideBySide(Map<String, Integer> widths, Map<String, Integer> others) {
        Map<String, List<String>> following = new LinkedHashMap<>();
        List<String> order = new ArrayList<>();
        List<String> place = order;
        for (String code : others.keySet()) {
            if (widths.containsKey(code)) {
                place = following.computeIfAbsent(code, c -> new ArrayList<>());
            } else {
                place.add(code);
            }
        }
        for (String code : widths.keySet()) {
            order.add(code);
            order.addAll(following.getOrDefault(code, List.of()));
        }
        Map<String, Integer> first = new LinkedHashMap<>();
        Map<String, Integer> second = new LinkedHashMap<>();
        int level = 0;
        for (String code : order) {
            first.put(code, level);
            second.put(code, level + 1);
            level += 2 * Math.max(widths.getOrDefault(code, 0), others.getOrDefault(code, 0));
        }
        return List.of(new BitLayout(first, level, 2), new BitLayout(second, level + 1, 2));
    }
}
