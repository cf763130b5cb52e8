package orthogon.core.proof.space;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Option;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.signature.SignatureAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.questionnaire.Question;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The values chosen for an answer stand for all of its values: whatever a value makes of the comparisons, one of them does too. */
class DomainsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private static final int DRAWN = 2_000;

    private static List<Expr> read(String... texts) {
        return Arrays.stream(texts).map(t -> ((ExpressionReader.Reading.Read) ExpressionReader.read(t)).expr()).toList();
    }

    /**
     * @param kinds in how many ways the comparisons can turn out
     * @param draw any value, within the limits or not
     * @param fits whether a value keeps the limits
     */
    private static void divided(Answer answer, int kinds, Function<Random, Object> draw, Predicate<Object> fits, String... comparisons)
            throws Inexact {
        List<Expr> about = read(comparisons);
        List<Object> values = Domains.of("x", answer.domain(), TODAY, about, () -> {});
        Question question = Question.of("x", "X?", answer);
        Function<Object, List<Object>> turnsOut = value -> {
            List<Object> results = new ArrayList<>();
            about.forEach(e -> results.add(Evaluator.value(e, new Alone("x", value, question, TODAY))));
            return results;
        };
        Set<List<Object>> known = new HashSet<>();
        for (Object value : values) {
            assertTrue(fits.test(value), value + " is outside the limits");
            known.add(turnsOut.apply(value));
        }
        Random random = new Random(11);
        int within = 0;
        for (int i = 0; i < DRAWN; i++) {
            Object value = draw.apply(random);
            if (fits.test(value)) {
                within++;
                assertTrue(known.contains(turnsOut.apply(value)), "nothing stands for " + value + " among " + values);
            }
        }
        assertTrue(within > 0, "the test draws values within the limits");
        assertEquals(kinds, known.size(), values.toString());
    }

    private static void inexact(Answer answer, String key, String... comparisons) {
        Inexact e = assertThrows(Inexact.class, () -> Domains.of("x", answer.domain(), TODAY, read(comparisons), () -> {}));
        assertEquals("inexact." + key, e.why().key());
    }

    private static Predicate<Object> between(String low, String high) {
        return v -> ((BigDecimal) v).compareTo(new BigDecimal(low)) >= 0 && ((BigDecimal) v).compareTo(new BigDecimal(high)) <= 0;
    }

    private static Function<Random, Object> numbers(int from, int to, int decimals) {
        return r -> BigDecimal.valueOf((long) from * 1000 + r.nextInt((to - from) * 1000)).movePointLeft(3)
                .setScale(decimals, java.math.RoundingMode.HALF_UP);
    }

    @Test
    void wholeNumbersAndSteps() throws Inexact {
        NumberAnswer whole = new NumberAnswer(new BigDecimal(-5), new BigDecimal(400), 0, "g");
        divided(whole, 4, numbers(-6, 402, 0), between("-5", "400"), "x > 3", "x <= 17", "x = 10");
        divided(whole, 3, numbers(-6, 402, 0), between("-5", "400"), "x in [0..50]", "x > 50");
        // The last step is inside, the next is not.
        divided(whole, 2, numbers(-6, 402, 0), between("-5", "400"), "x >= 400");
        divided(whole, 1, numbers(-6, 402, 0), between("-5", "400"), "x > 400");
        divided(new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 1, ""), 3, numbers(0, 10, 1), between("0", "10"), "x > 2.5",
                "x * 2 = 5.2");
        // No value with one decimal place lies between.
        divided(new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 1, ""), 2, numbers(0, 10, 1), between("0", "10"), "x > 2.51",
                "x > 2.59");
        divided(ScaleAnswer.rating(5), 3, numbers(0, 7, 0), between("1", "5"), "x >= 4", "x = 2");
    }

    @Test
    void numbersWithAnyPlaces() throws Inexact {
        NumberAnswer dense = new NumberAnswer(BigDecimal.ZERO, new BigDecimal(100), null, "kg");
        divided(dense, 4, numbers(-1, 101, 3), between("0", "100"), "x > 2.51", "x >= 2.59", "x = 50");
        divided(dense, 3, numbers(-1, 101, 3), between("0", "100"), "x < 10", "x > 10");
        divided(new NumberAnswer(null, null, null, ""), 3, numbers(-500, 500, 3), v -> true, "x < 0", "x > 90");
        divided(dense, 4, numbers(-1, 101, 3), between("0", "100"), "x in [10..20]", "5 > x", "x in (7, 100)", "x = null", "answered(x)");
        inexact(dense, "decimals", "x * 3 - 5 > 100");
    }

    @Test
    void daysAndTimes() throws Inexact {
        DateAnswer lately = new DateAnswer(new DateLimit.FromToday(-30), new DateLimit.FromToday(2));
        Function<Random, Object> days = r -> TODAY.minusDays(32).plusDays(r.nextInt(36));
        Predicate<Object> fits = v -> !((LocalDate) v).isBefore(TODAY.minusDays(30)) && !((LocalDate) v).isAfter(TODAY.plusDays(2));
        divided(lately, 3, days, fits, "x < today()", "x > today()");
        divided(lately, 3, days, fits, "today() - x > duration(\"P7D\")", "x = date(\"2026-11-20\")");
        divided(lately, 1, days, fits, "x < date(\"2020-01-01\")");
        divided(new DateAnswer(null, null), 2, r -> LocalDate.of(1900 + r.nextInt(200), 1 + r.nextInt(12), 1 + r.nextInt(28)),
                v -> true, "x <= today() - duration(\"P18Y\")");
        divided(new TimeAnswer(LocalTime.of(8, 0), LocalTime.of(20, 30)), 3, r -> LocalTime.of(r.nextInt(24), r.nextInt(60)),
                v -> !((LocalTime) v).isBefore(LocalTime.of(8, 0)) && !((LocalTime) v).isAfter(LocalTime.of(20, 30)),
                "x >= time(\"12:00\")", "x > time(\"20:29\")");
    }

    private static Function<Random, Object> texts(String letters, int longest) {
        return r -> {
            StringBuilder text = new StringBuilder();
            int length = 1 + r.nextInt(longest);
            for (int i = 0; i < length; i++) {
                text.append(letters.charAt(r.nextInt(letters.length())));
            }
            return text.toString();
        };
    }

    private static TextAnswer text(Integer least, Integer most, AllowedCharacters content, String pattern) {
        return new TextAnswer(false, least, most, content, pattern, "", "", "");
    }

    @Test
    void textsByTheirForm() throws Inexact {
        divided(text(2, 4, AllowedCharacters.ANY, ""), 5, texts("ab1", 6), v -> v.toString().matches(".{2,4}"),
                "string length(x) > 3", "starts with(x, \"b\")", "x = \"bab\"");
        divided(text(null, 3, AllowedCharacters.DIGITS, ""), 4, texts("0129a", 4), v -> v.toString().matches("[0-9]{1,3}"),
                "starts with(x, \"0\")", "string length(x) = 3");
        divided(text(null, null, AllowedCharacters.ANY, "[A-Z]{2}-[0-9]+"), 2,
                texts("AB-19", 5).andThen(v -> ((String) v).length() % 2 == 0 ? v : "AB-" + ((String) v).replaceAll("[^0-9]", "1")),
                v -> v.toString().matches("[A-Z]{2}-[0-9]+"), "ends with(x, \"9\")");
        divided(text(3, null, AllowedCharacters.LETTERS, ""), 2, texts("abé -", 5),
                v -> v.toString().length() >= 3 && v.toString().chars().allMatch(c -> Character.isLetter(c) || " -'’.".indexOf(c) >= 0),
                "contains(x, \"é\")");
        // Nothing of that form has that length.
        assertEquals(List.of(), Domains.of("x", text(5, 4, AllowedCharacters.DIGITS, "").domain(), TODAY, read("x = \"12\""), () -> {}));
    }

    @Test
    void namesAndAddressesByTheirParts() throws Inexact {
        PartsAnswer name = new PartsAnswer(false, List.of("given", "family"), List.of("family"));
        Function<Random, Object> names = r -> {
            Map<String, Object> value = new LinkedHashMap<>();
            if (r.nextBoolean()) {
                value.put("given", texts("WA", 2).apply(r));
            }
            if (r.nextInt(4) > 0) {
                value.put("family", texts("WA", 2).apply(r));
            }
            return value;
        };
        Predicate<Object> fits = v -> ((Map<?, ?>) v).containsKey("family");
        divided(name, 2, names, fits, "x.family = \"A\"");
        divided(name, 4, names, fits, "x.family = \"A\"", "x.given = \"W\"");
        divided(name, 1, names, fits, "answered(x)");
        PartsAnswer loose = new PartsAnswer(true, List.of("line_1", "town"), List.of());
        divided(loose, 2, r -> r.nextBoolean() ? Map.of("town", texts("QA", 1).apply(r)) : Map.of("line_1", "3 Mill Lane"), v -> true,
                "x.town = \"Q\"");
        divided(new SignatureAnswer(), 1, r -> Map.of("name", "Wren"), v -> true, "answered(x)");
        inexact(name, "parts-together", "x.given = x.family");
        inexact(name, "parts-together", "x = null and x.given = \"W\"");
    }

    @Test
    void rankingsListedWhereTheyAreFew() throws Inexact {
        List<Option> options = IntStream.range(0, 4)
                .mapToObj(i -> new Option("o" + i, "Option", null, false, "")).toList();
        Function<Random, Object> orders = r -> {
            List<String> codes = new ArrayList<>(options.stream().map(Option::code).toList());
            Collections.shuffle(codes, r);
            return List.copyOf(codes.subList(0, 2));
        };
        RankingAnswer two = new RankingAnswer(options, 2);
        Predicate<Object> fits = v -> ((List<?>) v).size() == 2 && new HashSet<>((List<?>) v).size() == 2;
        divided(two, 3, orders, fits, "list contains(x, \"o1\")", "x = [\"o1\", \"o2\"]");
        divided(two, 1, orders, fits, "answered(x)");
        assertEquals(12, Domains.of("x", two.domain(), TODAY, read("x = [\"o1\", \"o2\"]"), () -> {}).size());
        assertEquals(List.of(), Domains.of("x", new RankingAnswer(List.of(), 2).domain(), TODAY, read("answered(x)"), () -> {}));
        List<Option> many = IntStream.range(0, 12).mapToObj(i -> new Option("o" + i, "Option", null, false, "")).toList();
        inexact(new RankingAnswer(many, 10), "rankings", "list contains(x, \"o1\")");
        assertEquals(List.of(List.of("o0")), Domains.of("x", new RankingAnswer(options, 1).domain(), TODAY, read("answered(x)"), () -> {}),
                "one place, of which only is asked whether it is filled");
    }

    @Test
    void whatIsKnownOnlyInPart() throws Inexact {
        FileAnswer files = new FileAnswer(3, 500, List.of("image/*"));
        Function<Random, Object> some = r -> Collections.nCopies(1 + r.nextInt(3), new Attachment("f", "f.jpg", 10, "image/jpeg"));
        Predicate<Object> fits = v -> ((List<?>) v).size() <= 3
                && ((List<?>) v).stream()
                        .allMatch(f -> ((Attachment) f).bytes() <= 500 && ((Attachment) f).mediaType().startsWith("image/"));
        divided(files, 2, some, fits, "count(x) > 2");
        divided(files, 3, some, fits, "count(x) * 2 = 4", "count(x) > 2", "answered(x)");
        inexact(files, "in-file", "x = null or list contains(x, \"a\")");
        inexact(new ContactAnswer(ContactAnswer.Standard.EMAIL, ""), "opaque", "ends with(x, \".org\")");
        inexact(new ContactAnswer(ContactAnswer.Standard.PHONE, ""), "opaque", "x = \"7\"");
        assertEquals(1,
                Domains.of("x", new ContactAnswer(ContactAnswer.Standard.WEB, "").domain(), TODAY, read("answered(x)", "x = null"),
                        () -> {})
                        .size());
        inexact(new NumberAnswer(BigDecimal.ZERO, new BigDecimal(1_000_000), 0, ""), "many-values", "(x - 500000) * (x - 500000) > 10");
    }
}
