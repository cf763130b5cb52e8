package orthogon.core.proof.space;

import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A condition's sets against its value for every combination of answers, one by one. */
class TruthsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private static final List<Option> OPTIONS = List.of(new Option("x", "X", BigDecimal.ONE, false, ""),
            new Option("y", "Y", new BigDecimal(3), false, ""), new Option("z", "Z", null, false, ""));
    private static final Map<String, Question> QUESTIONS = new LinkedHashMap<>();
    private static final Map<String, List<Object>> VALUES = new HashMap<>();

    private static void question(String code, Answer answer, Object... values) {
        QUESTIONS.put(code, Question.of(code, code, answer));
        List<Object> all = new ArrayList<>(Arrays.asList(values));
        all.add(null);
        VALUES.put(code, all);
    }

    private static Object[] numbers(int from, int to) {
        List<Object> numbers = new ArrayList<>();
        for (int n = from; n <= to; n++) {
            numbers.add(BigDecimal.valueOf(n));
        }
        return numbers.toArray();
    }

    static {
        question("a", new YesNoAnswer(), true, false);
        question("b", new YesNoAnswer(), true, false);
        question("o", new OneChoice(OPTIONS, false), "x", "y", "z");
        question("m", new ManyChoices(OPTIONS, null, null), List.of("x"), List.of("y"), List.of("z"), List.of("x", "y"),
                List.of("x", "z"), List.of("y", "z"), List.of("x", "y", "z"));
        question("n", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(6), 0, ""), numbers(0, 6));
        question("k", new NumberAnswer(BigDecimal.ONE, new BigDecimal(4), 0, ""), numbers(1, 4));
        question("big", new NumberAnswer(new BigDecimal(-100_000), new BigDecimal(100_000), 0, ""), numbers(-30, 30));
        question("t", new TextAnswer(false, 1, 6), "q", "qq", "qr", "qqq", "rqr", "qqqq", "rqqqr", "qqqqqq");
        question("r", new RankingAnswer(OPTIONS, 2), List.of("x", "y"), List.of("y", "x"), List.of("x", "z"), List.of("z", "x"),
                List.of("y", "z"), List.of("z", "y"));
        List<Object> days = new ArrayList<>();
        for (int d = 0; d < 2850; d += 61) {
            days.add(LocalDate.of(2019, 1, 1).plusDays(d));
        }
        question("d", new DateAnswer(new DateLimit.Fixed(LocalDate.of(1900, 1, 1)), new DateLimit.FromToday(0)), days.toArray());
    }

    @ParameterizedTest
    @ValueSource(strings = {"(a and b) = (n > 2)", "(\"x\" in m and \"y\" in m) = a", "(\"x\" in m or \"z\" in m) = (count(m) = 2)",
            "if a then n > 2 else n < 1", "(if a then n else 2 * n) > 3", "count(m) + n > 3", "score(m) > n", "score(m) > 2",
            "score(o) >= k",
            "some c in m satisfies c = \"x\" or a", "some c in m satisfies c = \"x\" and score(o) > 1", "every c in m satisfies c != \"y\"",
            "some c in m satisfies c = o", "n ** 2 > 4", "-n < -2", "floor(n / 2) = 1", "round half up(n / 2, 0) > 1", "ceiling(n / 4) = k",
            "5 - n > k", "n / k > 1", "n - k = 0", "n * k > 6", "n > k and k > 1", "n < k or b", "not(n >= k)", "n != k", "n = null",
            "m = null",
            "m != null", "answered(m) and not(answered(o))", "list contains(m, \"z\")", "not(list contains(m, \"z\"))",
            "big > 7", "big * -2 > 7", "3 - big < 5", "big / 4 >= 2", "floor(big / 10) = -1", "big in [-3..5)", "big in (2..9]",
            "-big >= 4",
            "round half up(big / 3, 0) = 2", "big - 4 > 4 - 1", "string length(t) > 2", "string length(t) in (2..4)",
            "string length(t) in [2..4]", "string length(t) in [2..4)", "string length(t) in (1..4]", "string length(t) != 3",
            "starts with(t, \"q\")", "ends with(t, \"r\")", "contains(t, \"qqq\")", "t in (\"q\", \"qq\")", "t = \"qr\" or \"qqq\" = t",
            "\"q\" != t", "matches(t, \"q+\")", "not(matches(t, \"r.*r\"))", "list contains(r, \"x\")", "answered(r) and a",
            "d > date(\"2021-05-05\")", "years and months duration(d, today()) >= duration(\"P3Y\")",
            "years and months duration(date(\"2020-02-29\"), d) >= duration(\"P1Y\")",
            "years and months duration(d, date(\"2022-02-28\")) < duration(\"P8M\")", "d in [date(\"2020-01-01\")..date(\"2021-01-01\")]",
            "o = \"x\" or o = \"y\"", "o in (\"x\", \"z\")", "(o = \"x\") = b", "if o = \"x\" then true else a",
            "(if b then o else \"z\") = \"x\"", "n > 2 and n < 2", "a = b", "a != b", "a and not(a)"})
    void itsSetsHoldWhatEachCombinationOfAnswersGives(String condition) {
        List<Question> asked = new ArrayList<>(QUESTIONS.values());
        Question last = Question.of("last", "Last", new YesNoAnswer()).withAskWhen(condition);
        Wiring wiring = Wiring.of(Questionnaire.blank("truths", "Truths").withPages(
                List.of(Page.empty("p", "P").withItems(List.copyOf(asked)), Page.empty("q", "Q").withItems(List.of(last)))));
        assertEquals(List.of(), Faults.of(wiring));
        Diagrams d = new Diagrams(1 << 20);
        Space space = new Space(PlainForm.of(wiring), List.of(), TODAY, d);
        Truth truth = space.truth("last.askWhen", true);
        assertEquals(List.of(), space.whyNotExact().stream().toList());
        assertTrue(d.disjoint(truth.holds(), truth.fails()));
        Expr expr = wiring.at("last.askWhen").orElseThrow().expr().orElseThrow();
        List<String> names = new ArrayList<>(new TreeSet<>(Analysis.mentioned(expr)));
        compare(space, truth, expr, names, 0, new HashMap<>(), Diagrams.ALL);
    }

    private static void compare(Space space, Truth truth, Expr expr, List<String> names, int at, Map<String, Object> given, int set) {
        Diagrams d = space.diagrams();
        if (at == names.size()) {
            assertTrue(set != Diagrams.NONE, given.toString());
            Object value = Evaluator.value(expr, new Together(given, QUESTIONS, TODAY));
            assertEquals(Boolean.TRUE.equals(value), d.minus(set, truth.holds()) == Diagrams.NONE, expr + " holds for " + given);
            assertEquals(Boolean.FALSE.equals(value), d.minus(set, truth.fails()) == Diagrams.NONE, expr + " fails for " + given);
            assertEquals(!Boolean.TRUE.equals(value), d.disjoint(set, truth.holds()), expr + " holds for some of " + given);
            return;
        }
        String name = names.get(at);
        for (Object value : VALUES.get(name)) {
            given.put(name, value);
            compare(space, truth, expr, names, at + 1, given, d.and(set, space.cellOf(space.axis(name), value)));
        }
        given.remove(name);
    }

    @Test
    void whatHasNoOrderOrTooManyWaysIsNotGuessed() {
        for (String condition : List.of("big * big > 3", "string length(t) > n and t = o", "2 ** big > 8")) {
            List<Question> asked = new ArrayList<>(QUESTIONS.values());
            asked.add(Question.of("last", "Last", new YesNoAnswer()).withAskWhen(condition));
            Wiring wiring = Wiring.of(Questionnaire.blank("truths", "Truths").withPages(
                    List.of(Page.empty("p", "P").withItems(List.copyOf(asked)))));
            PlainForm plainForm = PlainForm.of(wiring);
            Space space = new Space(plainForm, plainForm.faults(Faults.of(wiring)), TODAY, new Diagrams(1 << 20));
            Truth truth = space.truth("last.askWhen", true);
            assertTrue(!space.isCertain(), condition);
            assertTrue(truth.holds() != Diagrams.NONE && truth.fails() != Diagrams.NONE, condition);
            assertTrue(space.openReason(truth.holds()).isPresent(), condition);
        }
    }
}
