package orthogon.core.expression;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.kie.dmn.feel.FEEL;
import org.kie.dmn.feel.lang.types.impl.ComparablePeriod;

/**
 * An independent engine of the FEEL standard gives every expression of the subset the same value. Quantifiers are compared where their
 * condition is never null: the standard makes them a chain of and or or, three-valued; the engine takes null for false there.
 */
class FeelAgreementTest {

    private static final FEEL ORACLE = FEEL.newInstance(FeelAgreementTest.class.getClassLoader(), List.of());
    private final Random random = new Random(20261123);
    private final Map<String, Object> values = new HashMap<>();

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    @Test
    void hundredsOfRandomExpressionsHaveTheSameValue() {
        int compared = 0;
        int nulls = 0;
        for (int i = 0; i < 1200; i++) {
            values.clear();
            values.put("a", pick(java.util.Arrays.asList(null, new BigDecimal("3"), new BigDecimal("-2.5"))));
            values.put("b", pick(List.of(new BigDecimal("0"), new BigDecimal("7"))));
            values.put("t", pick(java.util.Arrays.asList(null, "heron", "alder brook")));
            values.put("y", pick(java.util.Arrays.asList(null, true, false)));
            values.put("l", pick(List.of(List.of("x", "y"), List.of("z"))));
            values.put("d", LocalDate.of(2026, 11, 1 + random.nextInt(28)));
            String text = truth(3);
            Object ours = value(text);
            Object theirs = ORACLE.evaluate(text, new HashMap<>(values));
            assertEquals(normal(theirs), normal(ours), text + " with " + values);
            compared++;
            nulls += ours == null ? 1 : 0;
        }
        assertEquals(1200, compared);
        assertTrue(nulls > 50 && nulls < 700, "three values occur: " + nulls);
    }

    @Test
    void namedCasesHaveTheSameValue() {
        values.put("d", LocalDate.of(2008, 2, 29));
        for (String text : List.of("-2**2", "2 + 3 * 4", "10 / 4", "1 / 0", "2 ** 10", "(1 + 2) * 3", "5 between 1 and 5", "5 in (1..5]",
                "5 in [1..5)", "3 in (1, 2, 3)", "\"a\" in [\"a\", \"b\"]", "count([1, 2, 3])", "sum([1, 2.5])", "mean([1, 2, 6])",
                "min(3, 1, 2)", "max([4, 9])", "sum([])", "string length(\"fen\")", "upper case(\"fen\")", "lower case(\"FEN\")",
                "contains(\"reed bed\", \"bed\")", "starts with(\"reed\", \"re\")", "ends with(\"reed\", \"ed\")",
                "matches(\"N12\", \"^[A-Z]\\\\d+$\")", "string join([\"a\", \"b\"], \"-\")", "floor(2.7)", "ceiling(2.1)", "abs(-4)",
                "round half up(2.5, 0)", "round half up(-2.45, 1)", "date(\"2026-11-23\") - date(\"2026-11-01\") = duration(\"P22D\")",
                "date(\"2026-01-31\") + duration(\"P1M\") = date(\"2026-02-28\")", "years and months duration(d, date(\"2026-02-28\"))",
                "years and months duration(d, date(\"2026-03-01\")) >= duration(\"P18Y\")", "date(2026, 11, 23) = date(\"2026-11-23\")",
                "if 1 < 2 then \"x\" else \"y\"", "some s in [1, 2, 3] satisfies s > 2", "every s in [1, 2, 3] satisfies s > 2",
                "some s in [1, 2], u in [3] satisfies s + 2 = u", "not(null)", "null = null", "null and false", "null or true", "1 < null",
                "list contains([1, null], null)", "\"re\" + \"ed\" = \"reed\"", "not(1 = 2) and (3 > 2 or 1 > 2)")) {
            assertEquals(normal(ORACLE.evaluate(text, new HashMap<>(values))), normal(value(text)), text);
        }
    }

    private String number(int depth) {
        return switch (depth == 0 ? random.nextInt(3) : random.nextInt(9)) {
            case 0 -> "a";
            case 1 -> "b";
            case 2 -> pick(List.of("0", "1", "2.5", "7"));
            case 3 -> "-" + number(0);
            case 4 -> "count(l)";
            case 5 -> pick(List.of("floor", "ceiling", "abs")) + "(" + number(depth - 1) + ")";
            case 6 -> "string length(" + pick(List.of("t", "\"fen\"")) + ")";
            case 7 -> "(if " + truth(0) + " then " + number(depth - 1) + " else " + number(0) + ")";
            default -> "(" + number(depth - 1) + pick(List.of(" + ", " - ", " * ")) + number(depth - 1) + ")";
        };
    }

    private String truth(int depth) {
        return switch (depth == 0 ? random.nextInt(7) : random.nextInt(12)) {
            case 0 -> number(1) + pick(List.of(" < ", " <= ", " > ", " >= ", " = ", " != ")) + number(1);
            case 1 -> "t" + pick(List.of(" = ", " != ")) + pick(List.of("\"heron\"", "null"));
            case 2 -> "y" + pick(List.of("", " = true", " = null", " != false"));
            case 3 -> "list contains(l, \"" + pick(List.of("x", "z")) + "\")";
            case 4 -> pick(List.of("contains", "starts with", "ends with")) + "(t, \"" + pick(List.of("er", "al", "k")) + "\")";
            case 5 -> "d " + pick(List.of("<", ">=", "=")) + " date(\"2026-11-15\")";
            case 6 -> "(" + number(0) + pick(List.of(" in [0..5])", " in (0..7))", " in (1, 7))"));
            case 7 -> "not(" + truth(depth - 1) + ")";
            case 8 -> "(" + pick(List.of("some", "every")) + " s in l satisfies s = \"x\" or b > " + pick(List.of("3", "9")) + ")";
            case 9 -> "(if " + truth(depth - 1) + " then " + truth(depth - 1) + " else " + truth(depth - 1) + ")";
            case 10 -> "(" + truth(depth - 1) + " and " + truth(depth - 1) + ")";
            default -> "(" + truth(depth - 1) + " or " + truth(depth - 1) + ")";
        };
    }

    private Object value(String text) {
        ExpressionReader.Reading.Read read = (ExpressionReader.Reading.Read) ExpressionReader.read(text);
        String printed = Printer.print(read.expr());
        ExpressionReader.Reading.Read again = (ExpressionReader.Reading.Read) ExpressionReader.read(printed);
        assertEquals(printed, Printer.print(again.expr()), "printing and reading again");
        Situation situation = new Situation() {
            @Override
            public Object value(String name) {
                return values.get(name);
            }

            @Override
            public BigDecimal score(String question) {
                throw new IllegalStateException(question);
            }

            @Override
            public LocalDate today() {
                return LocalDate.of(2026, 11, 23);
            }
        };
        Object ours = Evaluator.value(read.expr(), situation);
        assertEquals(normal(ours), normal(Evaluator.value(again.expr(), situation)), printed);
        return ours;
    }

    private static Object normal(Object value) {
        return switch (value) {
            case BigDecimal d -> d.setScale(20, RoundingMode.HALF_EVEN).stripTrailingZeros();
            case ComparablePeriod p -> p.asPeriod().toTotalMonths();
            case Period p -> p.toTotalMonths();
            case Duration d -> d.toSeconds();
            case List<?> l -> new ArrayList<>(l.stream().map(FeelAgreementTest::normal).toList());
            case null, default -> value;
        };
    }
}
