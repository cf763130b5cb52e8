package orthogon.core.proof;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Question.Accept;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Questionnaires made to take more time and memory than there is, each in a way of its own. */
public final class Bombs {

    /** Short enough to be typed into one field. */
    private static final int MOST_CHARACTERS = 9_000;

    private final Map<String, Questionnaire> all = new LinkedHashMap<>();

    private Bombs() {}

    /** Each by what it is about. */
    public static Map<String, Questionnaire> all() {
        Bombs bombs = new Bombs();
        bombs.patterns();
        bombs.texts();
        bombs.numbers();
        bombs.options();
        bombs.conditions();
        bombs.sizes();
        bombs.rosters();
        bombs.dates();
        return bombs.all;
    }

    private void patterns() {
        asking("pattern that needs two million states", "matches(t, \"(a|b)*a(a|b){20}\")", text("t"));
        asking("pattern of an answer that needs two million states", "t = \"x\"", patterned("t", "(a|b)*a(a|b){20}"));
        asking("pattern with counts in counts", "matches(t, \"((a|b){1,60}c{1,60}){1,60}\")", text("t"));
        asking("pattern with stars in stars", "matches(t, \"^(((a*)*b)*c)*$\")", text("t"));
        asking("pattern of a thousand words", "matches(t, \"" + join("|", i -> "w" + i * 7919 % 10_007, 1000) + "\")", text("t"));
        asking("pattern with twenty places to begin", "matches(t, \"(.*a.*){20}(.*b.*){20}\")", text("t"));
        asking("pattern with far ends", "matches(t, \"^.{0,900}x.{0,900}y.{0,900}$\")", text("t"));
        asking("patterns with one another", join(" and ", i -> "matches(t, \"^(.{" + (i + 2) + "})*$\")", 12), text("t"));
        asking("patterns of answers that are compared", join(" or ", i -> "t" + i + " = t" + (i + 1), 29),
                many(30, i -> patterned("t" + i, "[a-z]{" + i + ",60}.*")));
        asking("patterns of a hundred texts", join(" or ", i -> "matches(t" + i + ", \"a.{" + i % 40 + "}b\")", 100),
                many(100, i -> text("t" + i)));
    }

    private void texts() {
        asking("a hundred texts compared", join(" and ", i -> "t" + i + " = t" + (i * 37 + 11) % 100, 100), many(100, i -> text("t" + i)));
        asking("texts compared in their case", join(" and ", i -> "upper case(t" + i + ") = lower case(t" + (i + 1) + ")", 20),
                many(21, i -> text("t" + i)));
        asking("lengths of texts in a sum", join(" + ", i -> "string length(t" + i + ")", 25) + " > 2000", many(25, i -> text("t" + i)));
        asking("parts of a text", join(" or ", i -> "contains(t, \"" + "ab".repeat(i + 1) + "c\")", 60), text("t"));
        asking("a text of many texts", "string length(j) > 700", with(many(40, i -> text("t" + i)),
                new Derived("j", "string join([" + join(", ", i -> "t" + i, 40) + "], \"-\")")));
        asking("a copy of a copy", "t199 = \"kestrel\"",
                many(200, i -> i == 0 ? text("t0") : text("t" + i).withStartWith("t" + (i - 1) + " + \"x\"")));
        asking("a list of a thousand texts", "t in (" + join(", ", i -> "\"w" + i + "\"", 1000) + ")", text("t"));
    }

    private void numbers() {
        asking("a sum of fourteen numbers", join(" + ", i -> (i + 2) + " * n" + i, 14) + " > 2000", many(14, i -> number("n" + i, 60)));
        asking("a sum of forty numbers", join(" + ", i -> (i * i + 2) + " * n" + i, 40) + " > 200000", many(40, i -> number("n" + i, 999)));
        asking("a product of eight numbers", join(" * ", i -> "n" + i, 8) + " > 12345678", many(8, i -> number("n" + i, 99)));
        asking("a product of three large numbers", "n0 * n1 * n2 = 123456", many(3, i -> number("n" + i, 4000)));
        asking("powers", "n0 ** 2 + n1 ** 2 = n2 ** 2", many(3, i -> number("n" + i, 999)));
        asking("a tower of powers", "n0 ** n1 ** n2 > 7", many(3, i -> number("n" + i, 99)));
        asking("numbers divided", "n0 / (n1 + 1) = n2 / (n3 + 1)", many(4, i -> number("n" + i, 999)));
        asking("numbers larger than any other", "n0 * 1" + "0".repeat(300) + " + n1 > 9" + "0".repeat(302),
                many(2, i -> number("n" + i, 999)));
        asking("numbers without a limit", join(" and ", i -> "n" + i + " * 3 > n" + (i + 1) + " + 2", 12),
                many(13, i -> Question.of("n" + i, "How many?", new NumberAnswer(null, null, 6, ""))));
        asking("most and fewest of thirty",
                "max([" + join(", ", i -> "n" + i, 30) + "]) - min([" + join(", ", i -> "n" + i, 30) + "]) = 77",
                many(30, i -> number("n" + i, 200)));
        asking("a knot of comparisons", join(" and ", i -> "n" + i + " < n" + (i * 5 + 1) % 12, 12), many(12, i -> number("n" + i, 4000)));
        asking("values that double", "d59 > 1000", with(List.of(number("n", 99)),
                many(60, i -> new Derived("d" + i, i == 0 ? "n + 1" : "d" + (i - 1) + " + d" + (i - 1)))));
        asking("values that lean on two each", "d39 > 1000", with(many(40, i -> number("n" + i, 30)),
                many(40, i -> new Derived("d" + i, i < 2 ? "n" + i : "d" + (i - 1) + " + d" + (i - 2) + " * n" + i))));
    }

    private void options() {
        asking("a thousand options twice", "score(a) * score(b) > 5000", one("a", 1000), one("b", 1000));
        asking("many of three hundred options twice", "score(a) > score(b) and count(a) * count(b) = 77", several("a", 300),
                several("b", 300));
        asking("a score of a thousand options", "score(a) = 1234", several("a", 1000));
        asking("pairs far apart", join(" and ", i -> "c" + i + " = c" + (59 - i), 30), many(60, i -> one("c" + i, 20)));
        asking("an order of twelve", "list contains(r, \"o3\")", Question.of("r", "In which order?", new RankingAnswer(choices(12), 12)));
        asking("an order of fifty", "list contains(r, \"o3\")", Question.of("r", "In which order?", new RankingAnswer(choices(50), 50)));
        asking("a grid of a hundred rows", "g.w1 = \"o1\"", new Question("g", "How?", "", new GridAnswer(true,
                IntStream.range(0, 100).mapToObj(i -> new GridRow("w" + i, "Row", i == 0 ? "" : "g.w" + (i - 1) + " != null"))
                        .toList(),
                choices(40)), "", "", "", "", List.of(), List.of(), false));
    }

    private void conditions() {
        StringBuilder deep = new StringBuilder("q0");
        for (int i = 1; i < 300; i++) {
            deep.insert(0, "not(").append(" and q").append(i % 50).append(')');
        }
        asking("three hundred conditions in each other", deep.toString(), many(50, i -> yesNo("q" + i)));
        asking("four hundred brackets", "(".repeat(400) + "q" + ")".repeat(400), yesNo("q"));
        asking("a choice in a choice", IntStream.range(0, 150).mapToObj(i -> "if q" + i + " then " + i % 9 + " else ")
                .collect(Collectors.joining()) + "0 > 4", many(150, i -> yesNo("q" + i)));
        asking("a sum of two hundred truths", "sum([" + join(", ", i -> "if q" + i + " then 1 else 0", 200) + "]) = 77",
                many(200, i -> yesNo("q" + i)));
        asking("a product of sums of truths",
                join(" * ", k -> "(" + join(" + ", i -> "(if q" + (k * 9 + i) + " then " + (i + 2) + " else 1)", 9)
                        + ")", 12) + " > 99999",
                many(108, i -> yesNo("q" + i)));
        add("gates across two hundred pages", Questionnaire.blank("bomb", "Bomb").withPages(IntStream.range(0, 200).mapToObj(
                p -> Page.empty("p" + p, "Page").withItems(List.copyOf(many(10, i -> yesNo("q" + p + "x" + i)
                        .withAskWhen(p < 60 ? "" : join(" or ", k -> "q" + (p * 7 + k * 13) % 60 + "x" + i, 6))))))
                .toList()));
        add("ways past a hundred pages", Questionnaire.blank("bomb", "Bomb").withPages(IntStream.range(0, 100).mapToObj(
                p -> Page.empty("p" + p, "Page").withItems(List.of(yesNo("q" + p), yesNo("r" + p))).withRules(List.of(),
                        p > 96
                                ? List.of()
                                : List.of(new Page.Skip("q" + p + " and r" + p * 7 % (p + 1), "p" + (p + 2)),
                                        new Page.Skip("q" + p * 3 % (p + 1), "p" + (p + 3)))))
                .toList()));
        asking("refusals that need each other", "n0 > 7", many(60, i -> number("n" + i, 99).withAccept(List.of(new Accept(
                "n" + i + " * 3 > " + join(" + ", k -> "n" + (i * 17 + k * 5) % (i + 1), 5), "Too few.")))));
    }

    private void sizes() {
        asking("twenty thousand questions in a row", "q19999",
                many(20_000, i -> i == 0 ? yesNo("q0") : yesNo("q" + i).withAskWhen("q" + (i - 1))));
        asking("questions that lean on others far away", "q4999",
                many(5_000, i -> i < 2_500 ? yesNo("q" + i) : yesNo("q" + i).withAskWhen("q" + (i - 2_500))));
        add("a table of a thousand rows", page(many(40, i -> yesNo("q" + i))).withEnding(
                IntStream.range(0, 500).mapToObj(i -> new Outcome("x" + i, "Outcome", "", "")).toList(),
                IntStream.range(0, 1001).mapToObj(i -> new OutcomeRow(i == 1000
                        ? ""
                        : "q" + i % 40 + " and q" + i * 7 % 39 + " != q"
                                + i * 11 % 37,
                        "x" + i % 500)).toList()));
        add("two hundred claims of one's own", page(many(30, i -> number("n" + i, 99))).withClaims(
                IntStream.range(0, 200).mapToObj(i -> new OwnClaim("c" + i, i % 2 == 0 ? Says.ALWAYS : Says.NEVER,
                        "n" + i % 30 + " + n" + i * 7 % 30 + " > n" + i * 11 % 30)).toList()));
        asking("a question reworded a hundred times", "q0", with(many(40, i -> yesNo("q" + i)), yesNo("q").withReword(
                IntStream.range(0, 100).mapToObj(i -> new Reword("q" + i % 40 + " = q" + i * 7 % 40, "Wording {q" + i % 40 + "}", ""))
                        .toList())));
    }

    private void rosters() {
        asking("fifty entries of thirty numbers", "sum(r.n0) + sum(r.n1) > 12345", roster("r", many(30, i -> number("n" + i, 999))));
        asking("twenty rosters", "count(r0) = count(r19)", many(20, k -> roster("r" + k, many(10, i -> yesNo("q" + k + "x" + i)))));
        asking("entries six deep",
                "some a in r, b in r, c in r, d in r, e in r, f in r satisfies a.n0 + b.n0 + c.n0 + d.n0 + e.n0 + f.n0 = 7",
                roster("r", many(3, i -> number("n" + i, 999))));
        asking("some of one and every of another", "some a in r satisfies every b in s satisfies a.x < b.y",
                roster("r", List.of(number("x", 999))), roster("s", List.of(number("y", 999))));
    }

    private void dates() {
        asking("months between any two days", "years and months duration(a, b) > duration(\"P18Y\")", day("a"), day("b"));
        asking("twelve days in an order", join(" and ", i -> "d" + i + " < d" + (i + 1), 11), many(12, i -> day("d" + i)));
        asking("days between days", "(a - b) * (c - d) = 365", many(4, i -> Question.of("abcd".substring(i, i + 1), "When?",
                new DateAnswer(new DateLimit.Fixed(LocalDate.of(1990, 1, 1)), new DateLimit.Fixed(LocalDate.of(2030, 1, 1))))));
    }

    private void asking(String name, String when, Item... items) {
        asking(name, when, List.of(items));
    }

    /** A page with these items, then one with a question that is asked under a condition. */
    private void asking(String name, String when, List<? extends Item> items) {
        if (when.length() > MOST_CHARACTERS) {
            throw new IllegalArgumentException(name + ": " + when.length() + " characters");
        }
        Questionnaire document = page(items);
        add(name, document.withPages(List.of(document.pages().getFirst(),
                Page.empty("last", "Last").withItems(List.of(yesNo("last_of_all").withAskWhen(when))))));
    }

    private void add(String name, Questionnaire document) {
        all.put(name, document);
    }

    private static Questionnaire page(List<? extends Item> items) {
        return Questionnaire.blank("bomb", "Bomb").withPages(List.of(Page.empty("first", "First").withItems(List.copyOf(items))));
    }

    private static <T> List<T> many(int count, IntFunction<T> each) {
        return IntStream.range(0, count).mapToObj(each).toList();
    }

    private static List<Item> with(List<? extends Item> items, Item one) {
        return with(items, List.of(one));
    }

    private static List<Item> with(List<? extends Item> items, List<? extends Item> more) {
        return Stream.<Item>concat(items.stream(), more.stream()).toList();
    }

    private static String join(String between, IntFunction<String> each, int count) {
        return IntStream.range(0, count).mapToObj(each).collect(Collectors.joining(between));
    }

    private static Question yesNo(String code) {
        return Question.of(code, "Is it?", new YesNoAnswer());
    }

    private static Question number(String code, int most) {
        return Question.of(code, "How many?", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(most), 0, ""));
    }

    private static Question text(String code) {
        return Question.of(code, "What?", new TextAnswer(false, null, 200));
    }

    private static Question patterned(String code, String pattern) {
        return Question.of(code, "What?", new TextAnswer(false, null, 200, AllowedCharacters.ANY, pattern, "", "", ""));
    }

    private static Question day(String code) {
        return Question.of(code, "When?", new DateAnswer(null, null));
    }

    private static Question one(String code, int options) {
        return Question.of(code, "Which?", new OneChoice(choices(options), false));
    }

    private static Question several(String code, int options) {
        return Question.of(code, "Which?", new ManyChoices(choices(options), null, null));
    }

    private static Roster roster(String code, List<? extends Item> items) {
        return new Roster(code, "Animals", "", "", 0, Roster.MOST_ENTRIES, List.copyOf(items));
    }

    private static List<Option> choices(int count) {
        return many(count, i -> new Option("o" + i, "Option", new BigDecimal(i % 17), false, ""));
    }
}
