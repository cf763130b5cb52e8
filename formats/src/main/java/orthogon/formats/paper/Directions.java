package orthogon.formats.paper;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.And;
import orthogon.core.expression.Expr.Arithmetic;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Compare;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.InList;
import orthogon.core.expression.Expr.InRange;
import orthogon.core.expression.Expr.ListOf;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Not;
import orthogon.core.expression.Expr.Or;
import orthogon.core.expression.Expr.PartOf;
import orthogon.core.expression.Expr.Quantified;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.language.OwnWords;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Conditions in the words of a language, with the numbers that questions have on paper. */
final class Directions {

    /** Functions of all entries of a roster, or of a list. */
    private static final Set<String> OF_ALL = Set.of("max", "min", "sum", "mean");

    /** Functions that hold or do not. */
    private static final Set<String> CONDITIONS = Set.of("answered", "list contains", "contains", "starts with", "ends with", "matches");

    private final Questionnaire document;
    private final Wiring wiring;
    private final OwnWords words;
    private final FunctionWords functions;
    private final Map<String, Integer> numbers = new HashMap<>();
    /** Derived values too long to stand in a direction, in document order. */
    private final List<String> lettered = new ArrayList<>();
    private static final int LONGEST_INSIDE = 40;

    /** @param document as it reads in the language */
    Directions(Questionnaire document) {
        this.document = document;
        this.wiring = Wiring.of(document);
        this.words = OwnWords.of(document);
        this.functions = new FunctionWords(words, this::subject,
                code -> document.question(code)
                        .filter(q -> q.answer().domain() instanceof Domain.Dates || q.answer().domain() instanceof Domain.TimesOfDay)
                        .isPresent());
        document.questions().filter(q -> !q.isHidden()).forEach(q -> numbers.put(q.code(), numbers.size() + 1));
        document.items().filter(Derived.class::isInstance).map(Derived.class::cast).filter(d -> d.derive().length() > LONGEST_INSIDE)
                .filter(d -> wiring.wires().stream().anyMatch(w -> w.family() != RuleFamily.CLAIM && w.uses().contains(d.code())))
                .forEach(d -> lettered.add(d.code()));
    }

    /** What a value is called on paper that is worked out from answers. */
    private Optional<String> letter(String code) {
        int at = lettered.indexOf(code);
        return at < 0
                ? Optional.empty()
                : Optional.of(words.say("rule.value", (char) ('A' + at % 26) + (at < 26 ? "" : String.valueOf(at / 26))));
    }

    /** How a value is worked out; empty for one that no direction speaks of, or that is short enough to stand in them itself. */
    Optional<String> workedOut(String code) {
        Optional<Expr> derive = wiring.at(code + ".derive").flatMap(Wiring.Wire::expr);
        return letter(code).map(name -> words.say("paper.work_out", name, derive.map(e -> isCondition(e)
                ? words.say("rule.if", say(e, false), words.say("yes"), words.say("no"))
                : subject(e)).orElse("")));
    }

    /** Whether a value is worked out from something on the page. */
    boolean uses(String code, Page page) {
        Set<String> used = wiring.at(code + ".derive").map(Wiring.Wire::uses).orElse(Set.of());
        return page.allItems().anyMatch(i -> used.contains(i.code()));
    }

    private static boolean isCondition(Expr expr) {
        return expr instanceof And || expr instanceof Or || expr instanceof Not || expr instanceof Compare || expr instanceof InRange
                || expr instanceof InList || expr instanceof Quantified
                || expr instanceof Call c && CONDITIONS.contains(c.function());
    }

    /** Whether something on paper adds up the points of a question. */
    boolean isScored(String code) {
        return wiring.wires().stream().filter(w -> w.family() != RuleFamily.CLAIM).flatMap(w -> w.expr().stream())
                .anyMatch(e -> scores(e, code));
    }

    private static boolean scores(Expr expr, String code) {
        return expr instanceof Call c && c.function().equals("score") && c.args().getFirst() instanceof Name n && n.name().equals(code)
                || expr.children().stream().anyMatch(e -> scores(e, code));
    }

    /** What stands in a text in place of an answer. */
    String answer(String code) {
        return numbers.containsKey(code)
                ? words.say("paper.answer", numbers.get(code))
                : letter(code).orElse(code);
    }

    OwnWords words() {
        return words;
    }

    Optional<Integer> number(String code) {
        return Optional.ofNullable(numbers.get(code));
    }

    /** What a place's condition asks for; empty where it always holds. */
    Optional<String> when(String place) {
        return wiring.at(place).flatMap(Wiring.Wire::expr).filter(e -> !(e instanceof Literal)).map(e -> say(e, false));
    }

    private String say(Expr expr, boolean inner) {
        return switch (expr) {
            case And a -> joined("rule.and", a.parts(), inner);
            case Or o -> joined("rule.or", o.parts(), inner);
            case Not n when n.of() instanceof Call c && c.function().equals("answered") ->
                words.say("rule.blank", subject(c.args().getFirst()));
            case Not n when n.of() instanceof Call c && c.function().equals("list contains") ->
                words.say("rule.includes_not", subject(c.args().getFirst()), value(c.args().getFirst(), c.args().get(1)));
            case Not n when n.of() instanceof Name value && letter(value.name()).isPresent() ->
                words.say("rule.is", letter(value.name()).get(), words.say("no"));
            case Not n -> words.say("rule.not", say(n.of(), false));
            case Compare c -> compare(c);
            case InRange r ->
                words.say("rule.and", words.say(r.lowClosed() ? "rule.least" : "rule.over", subject(r.of()), value(r.of(), r.low())),
                        words.say(r.highClosed() ? "rule.most" : "rule.under", subject(r.of()), value(r.of(), r.high())));
            case InList l when l.list() instanceof ListOf items -> joined("rule.or", items.items().stream()
                    .map(i -> (Expr) new Compare("=", l.of(), i, Expr.Span.NONE)).toList(), inner);
            case Call c when c.function().equals("answered") -> words.say("rule.answered", subject(c.args().getFirst()));
            case Call c when c.function().equals("list contains") ->
                words.say("rule.includes", subject(c.args().getFirst()), value(c.args().getFirst(), c.args().get(1)));
            case Name n when letter(n.name()).isPresent() -> words.say("rule.is", letter(n.name()).get(), words.say("yes"));
            case Name n -> derived(n.name()).map(e -> say(e, inner)).orElseGet(() -> words.say("rule.is", subject(n), words.say("yes")));
            case Quantified q -> words.say(q.every() ? "rule.every" : "rule.some", say(q.satisfies(), true));
            default -> functions.condition(expr).orElseGet(() -> subject(expr));
        };
    }

    private String joined(String key, List<Expr> parts, boolean inner) {
        List<String> said = new ArrayList<>(parts.stream().map(p -> say(p, true)).toList());
        String whole = said.removeFirst();
        for (String part : said) {
            whole = words.say(key, whole, part);
        }
        return inner ? "(" + whole + ")" : whole;
    }

    private String compare(Compare c) {
        if (c.right() instanceof Literal l && l.value() == null) {
            return words.say(c.op().equals("=") ? "rule.blank" : "rule.answered", subject(c.left()));
        }
        if (c.right() instanceof Literal l && l.value() instanceof Boolean b && c.left() instanceof Name n
                && letter(n.name()).isEmpty() && derived(n.name()).isPresent()) {
            Expr of = derived(n.name()).get();
            return b == c.op().equals("=") ? say(of, true) : words.say("rule.not", say(of, false));
        }
        String key = functions.comparison(c.op(), c.left(), c.right());
        return words.say(key, subject(c.left()), value(c.left(), c.right()));
    }

    private Optional<Expr> derived(String name) {
        return document.item(name).filter(Derived.class::isInstance).flatMap(d -> wiring.at(name + ".derive")).flatMap(Wiring.Wire::expr);
    }

    /** What is compared: a question by its number; anything else as it is written, with numbers for codes. */
    private String subject(Expr expr) {
        if (expr instanceof Name n && numbers.containsKey(n.name())) {
            return words.say("rule.question", numbers.get(n.name()));
        }
        if (expr instanceof Call c && c.function().equals("count") && c.args().getFirst() instanceof Name n
                && numbers.containsKey(n.name())) {
            return words.say("rule.count", words.say("rule.question", numbers.get(n.name())));
        }
        if (expr instanceof PartOf p && numbers.containsKey(p.part())) {
            return words.say("rule.question", numbers.get(p.part()));
        }
        if (expr instanceof Name n && letter(n.name()).isPresent()) {
            return letter(n.name()).get();
        }
        if (expr instanceof PartOf p && letter(p.part()).isPresent()) {
            return letter(p.part()).get();
        }
        if (expr instanceof Call c && OF_ALL.contains(c.function()) && c.args().size() == 1) {
            return words.say("rule." + c.function() + "_of", subject(c.args().getFirst()));
        }
        if (expr instanceof If i) {
            return "(" + words.say("rule.if", say(i.when(), false), subject(i.then()), subject(i.otherwise())) + ")";
        }
        if (expr instanceof Literal l) {
            return l.value() instanceof BigDecimal d ? words.number(d) : String.valueOf(l.value());
        }
        List<String> scored = scored(expr);
        if (scored.size() > 1) {
            return words.say("rule.points_of", String.join(", ", scored));
        }
        if (expr instanceof Call c && c.function().equals("score") && c.args().size() == 1) {
            return words.say("rule.points", subject(c.args().getFirst()));
        }
        Optional<String> function = functions.term(expr);
        if (function.isPresent()) {
            return function.get();
        }
        if (expr instanceof Arithmetic a) {
            return subject(a.left()) + " " + a.op() + " " + subject(a.right());
        }
        if (expr instanceof Name n && derived(n.name()).isPresent()) {
            return subject(derived(n.name()).get());
        }
        String text = Printer.print(expr);
        for (String code : numbers.keySet().stream().sorted((a, b) -> b.length() - a.length()).toList()) {
            text = text.replaceAll("\\b" + code + "\\b", words.say("rule.question", numbers.get(code)));
        }
        return text;
    }

    /** The numbers of questions whose points are added up and nothing else; empty for any other expression. */
    private List<String> scored(Expr expr) {
        if (expr instanceof Call c && c.function().equals("score") && c.args().getFirst() instanceof Name n
                && numbers.containsKey(n.name())) {
            return List.of(String.valueOf(numbers.get(n.name())));
        }
        if (expr instanceof Arithmetic a && a.op().equals("+")) {
            List<String> both = new ArrayList<>(scored(a.left()));
            List<String> more = scored(a.right());
            return both.isEmpty() || more.isEmpty() ? List.of() : Stream.concat(both.stream(), more.stream()).toList();
        }
        return List.of();
    }

    /** The label of an option, a number, or anything else as it is written. */
    private String value(Expr of, Expr value) {
        String name = of instanceof Name n ? n.name() : of instanceof PartOf p ? p.part() : "";
        if (value instanceof Literal l && !name.isEmpty()) {
            Optional<Answer> answer = document.question(name).map(Question::answer);
            if (l.value() instanceof Boolean b) {
                Optional<YesNoAnswer> labels = answer.filter(YesNoAnswer.class::isInstance).map(YesNoAnswer.class::cast);
                return words.or(labels.map(y -> b ? y.yes() : y.no()).orElse(""), b ? "yes" : "no");
            }
            if (l.value() instanceof String s && answer.flatMap(a -> a.option(s)).isPresent()) {
                return answer.flatMap(a -> a.option(s)).map(Option::label).orElse(s);
            }
        }
        return value instanceof Literal l
                ? l.value() instanceof BigDecimal d ? words.number(d) : String.valueOf(l.value())
                : subject(value);
    }
}
