package orthogon.core.proof;

import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Small documents with every construct, drawn from a seed; small enough that all answers can be tried. */
public final class RandomDocument {

    public static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    /** The texts that derived texts are compared with. */
    static final List<String> TEXTS = List.of("a", "B", "bb", "A");

    private final Random random;
    private final List<Question> earlier = new ArrayList<>();
    private final List<String> truths = new ArrayList<>();
    private final List<String> numbers = new ArrayList<>();
    private final List<String> texts = new ArrayList<>();
    private final List<String> days = new ArrayList<>();
    private final List<String> shown = new ArrayList<>();
    private boolean link;
    private int next;

    private RandomDocument(long seed) {
        random = new Random(seed);
    }

    public static Questionnaire of(long seed) {
        return new RandomDocument(seed).document();
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private Questionnaire document() {
        link = chance(20);
        int count = 1 + random.nextInt(4);
        List<Page> pages = new ArrayList<>();
        List<String> outcomes = List.of("o0", "o1", "o2").subList(0, 1 + random.nextInt(3));
        for (int p = 0; p < count; p++) {
            String open = chance(25) ? condition() : "";
            String title = text("Page " + p);
            List<Item> items = new ArrayList<>();
            int n = 1 + random.nextInt(3);
            for (int i = 0; i < n; i++) {
                items.add(item(true));
            }
            List<Page.Finish> finish = chance(20) ? List.of(new Page.Finish(chance(90) ? condition() : "", pick(outcomes))) : List.of();
            List<Page.Skip> skip = new ArrayList<>();
            for (int s = 0; s < 2 && p + 2 < count; s++) {
                if (chance(25)) {
                    skip.add(new Page.Skip(chance(90) ? condition() : "", "p" + (p + 1 + random.nextInt(count - p - 1))));
                }
            }
            pages.add(new Page("p" + p, title, "", open, items, finish, skip));
        }
        List<Questionnaire.OutcomeRow> rows = new ArrayList<>();
        for (int r = 0; r < 1 + random.nextInt(3); r++) {
            rows.add(new Questionnaire.OutcomeRow(condition(), pick(outcomes)));
        }
        if (chance(60)) {
            rows.add(new Questionnaire.OutcomeRow("", pick(outcomes)));
        }
        List<Questionnaire.OwnClaim> claims = new ArrayList<>();
        for (int c = 0; c < random.nextInt(3); c++) {
            String that = chance(40) && !shown.isEmpty()
                    ? "asked(" + pick(shown) + ") " + pick(List.of("and ", "or ")) + condition()
                    : chance(40) ? "outcome = \"" + pick(outcomes) + "\" or " + condition() : condition();
            claims.add(new Questionnaire.OwnClaim("c" + c, chance(50) ? Questionnaire.Says.ALWAYS : Questionnaire.Says.NEVER, that));
        }
        Questionnaire document = new Questionnaire("random", "Random", "en", chance(25) ? List.of("en", "fr") : List.of("en"),
                link ? List.of(new Questionnaire.LinkParameter("via", List.of("north", "south"))) : List.of(), pages,
                outcomes.stream().map(o -> new Questionnaire.Outcome(o, "Outcome " + o, chance(25) ? text("Closing") : "")).toList(),
                rows, claims, Map.of());
        if (chance(40)) {
            document = document.withBurden(new Burden(chance(60) ? 1 + random.nextInt(5) : null, chance(60) ? 4 + random.nextInt(40) : null,
                    chance(10) ? 1 : null));
        }
        if (chance(35)) {
            document = withDispatch(document);
        }
        return document.languages().size() == 1 ? document : document.withTranslations(Map.of("fr", translations(document)));
    }

    /** Most units translated, some missing, stale, or without an answer that they should speak of. */
    private Map<String, Questionnaire.Translation> translations(Questionnaire document) {
        Map<String, Questionnaire.Translation> all = new LinkedHashMap<>();
        Texts.all(document).forEach((unit, text) -> {
            if (!chance(12)) {
                boolean stale = chance(8);
                all.put(unit, new Questionnaire.Translation(chance(5) ? "Autre" : "Fr " + text, "draft", stale ? "Before" : text));
            }
        });
        return all;
    }

    /** A text that may speak of earlier answers, with or without words for blank ones. */
    private String text(String words) {
        List<Question> spoken = earlier.stream().filter(q -> !(q.answer() instanceof RankingAnswer)).toList();
        if (spoken.isEmpty() || chance(75)) {
            return words;
        }
        String x = pick(spoken).code();
        Question by = pick(spoken);
        boolean selects = by.answer() instanceof OneChoice || by.answer() instanceof YesNoAnswer;
        String key = by.answer() instanceof YesNoAnswer ? "yes" : "a";
        return words + switch (random.nextInt(selects ? 4 : 2)) {
            case 0 -> " about {" + x + "}";
            case 1 -> " about {" + x + ", select, blank {nothing at all} other {that is {" + x + "}}}";
            case 2 -> " {" + by.code() + ", select, " + key + " {and then {" + x + "}} other {and so on}}";
            default -> " {" + by.code() + ", select, " + key + " {and so on} other {and then {" + x + "}}}";
        };
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private Item item(boolean sections) {
        int kind = random.nextInt(100);
        String code = "x" + next++;
        if (kind < 8) {
            shown.add(code);
            return new Note(code, text("Note"), chance(70) ? condition() : "");
        }
        if (kind < 18 && sections) {
            String when = chance(70) ? condition() : "";
            List<Item> inner = new ArrayList<>(List.of(item(false)));
            if (chance(30)) {
                inner.add(item(false));
            }
            shown.add(code);
            return new Section(code, "Section", when, inner);
        }
        if (kind < 28 && !earlier.isEmpty()) {
            return derived(code);
        }
        return question(code);
    }

    private Derived derived(String code) {
        List<String> ofText = earlier.stream().filter(q -> q.answer() instanceof TextAnswer).map(Question::code).toList();
        List<String> ofDay = earlier.stream().filter(q -> q.answer() instanceof DateAnswer).map(Question::code).toList();
        if (!ofText.isEmpty() && chance(40)) {
            String x = pick(ofText);
            String value = pick(List.of(x, "upper case(" + x + ")", "if " + condition() + " then " + x + " else \"a\""));
            texts.add(code);
            return new Derived(code, value);
        }
        if (!ofDay.isEmpty() && chance(40)) {
            String value = pick(List.of(pick(ofDay), "if " + condition() + " then " + pick(ofDay) + " else today()"));
            days.add(code);
            return new Derived(code, value);
        }
        if (chance(50)) {
            String value = condition();
            truths.add(code);
            return new Derived(code, value);
        }
        String value = chance(70) ? number() : "if " + condition() + " then " + number() + " else 2";
        numbers.add(code);
        return new Derived(code, value);
    }

    private Question question(String code) {
        Answer answer = answer();
        String ask = chance(50) ? condition() : "";
        String require = chance(50) ? chance(70) ? "true" : condition() : "";
        boolean locks = chance(12);
        String lock = locks ? chance(50) ? "true" : condition() : "";
        String start = chance(locks ? 75 : 12) ? startFor(answer) : "";
        String wording = text("Question " + code);
        Question plain = new Question(code, wording, "", answer, ask, require, lock, start, List.of(), List.of(), false);
        List<Reword> reword = chance(8)
                ? List.of(new Reword(condition(), text("Other"), ""))
                : List.of();
        earlier.add(plain);
        shown.add(code);
        List<Question.Accept> accept = chance(25)
                ? List.of(new Question.Accept(chance(60) ? about(plain) : about(plain) + " or " + condition(), ""))
                : List.of();
        Question question = new Question(code, plain.wording(), "", answer, ask, require, lock, start, accept, reword, chance(15));
        earlier.set(earlier.size() - 1, question);
        return question;
    }

    /** A value, or what is made of an earlier answer of the kind. */
    private String startFor(Answer answer) {
        List<String> same = earlier.stream().filter(q -> q.answer().type().equals(answer.type())).map(Question::code).toList();
        boolean copies = answer instanceof TextAnswer || answer instanceof NumberAnswer || answer instanceof DateAnswer
                || answer instanceof YesNoAnswer;
        if (copies && !same.isEmpty() && chance(50)) {
            String x = pick(same);
            return answer instanceof TextAnswer
                    ? pick(List.of(x, x + " + \"a\"", "\"b\" + " + x, "lower case(" + x + ")", "lower case(" + x + " + \"B\")"))
                    : answer instanceof NumberAnswer ? pick(List.of(x, x + " + 1")) : x;
        }
        return switch (answer) {
            case YesNoAnswer y -> pick(List.of("true", "false"));
            case OneChoice c -> "\"" + pick(c.options()).code() + "\"";
            case ManyChoices c -> "[\"" + pick(c.options()).code() + "\"]";
            case NumberAnswer n -> pick(List.of("1", "2", "9"));
            case TextAnswer t -> pick(List.of("\"a\"", "\"toolong\""));
            case DateAnswer d -> pick(List.of("today()", "date(\"2026-11-20\")"));
            case AgreementAnswer a -> "true";
            case ScaleAnswer s -> pick(List.of("1", "9"));
            case PercentageAnswer p -> pick(List.of("3", "101"));
            case TimeAnswer t -> pick(List.of("time(\"08:01\")", "time(\"09:00\")"));
            case RankingAnswer r -> "[\"a\", \"b\"]";
            default -> throw new IllegalStateException(answer.type());
        };
    }

    private Answer answer() {
        if (chance(5) && earlier.stream().noneMatch(q -> q.answer() instanceof PercentageAnswer)) {
            // The enumeration tries all values, so that more than one would take too long.
            return new PercentageAnswer(0, false);
        }
        return switch (random.nextInt(11)) {
            case 7 -> new AgreementAnswer("Yes, so be it.");
            case 8 -> ScaleAnswer.rating(3);
            case 9 -> new TimeAnswer(LocalTime.of(8, 0), LocalTime.of(8, chance(10) ? 0 : 2));
            case 10 -> new RankingAnswer(options(3, false).stream().map(o -> o.withOfferWhen("")).toList(), 2);
            case 0, 1 -> new YesNoAnswer();
            case 2, 3 -> new OneChoice(options(2 + random.nextInt(2), false), false);
            case 4 -> {
                int n = 2 + random.nextInt(2);
                Integer least = chance(20) ? 2 : null;
                yield new ManyChoices(options(n, true), least, chance(20) ? 2 : null);
            }
            case 5 -> chance(50)
                    ? new NumberAnswer(BigDecimal.ZERO, new BigDecimal(chance(8) ? -1 : 3), 0, "")
                    : new DateAnswer(new DateLimit.FromToday(-2), new DateLimit.FromToday(chance(10) ? -5 : 0));
            default -> new TextAnswer(false, chance(30) ? 2 : null, chance(50) ? 3 : null);
        };
    }

    private List<Option> options(int n, boolean many) {
        List<Option> options = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            String offer = chance(12) ? condition() : "";
            BigDecimal score = chance(60) ? new BigDecimal(random.nextInt(4)) : null;
            options.add(new Option(List.of("a", "b", "c").get(i), "Option", score, many && i == n - 1 && chance(50), offer));
        }
        return options;
    }

    /** The document with two messages, own claims about them, and at times passages in them and in closing texts. */
    private Questionnaire withDispatch(Questionnaire document) {
        List<DispatchPassage> passages = new ArrayList<>();
        if (chance(50)) {
            passages.add(passage("g0", document, ""));
            if (chance(60)) {
                passages.add(passage("g1", document, chance(40) ? naming("g0") : ""));
            }
        }
        List<DispatchMessage> messages = new ArrayList<>();
        for (String code : List.of("m0", "m1")) {
            DispatchMessage m = message(code, document);
            messages.add(m.withTexts(m.subject() + named(passages), m.body() + named(passages)));
        }
        List<Questionnaire.OwnClaim> claims = new ArrayList<>(document.claims());
        if (chance(50)) {
            String that = "sends(" + pick(List.of("m0", "m1")) + ")" + (chance(50) ? " or " + condition() : "");
            claims.add(new Questionnaire.OwnClaim("s0", chance(70) ? Questionnaire.Says.ALWAYS : Questionnaire.Says.NEVER, that));
        }
        return document.withMessages(messages).withPassages(passages).withClaims(claims).withEnding(document.outcomes().stream()
                .map(o -> o.withTexts(o.label(), o.closing() + named(passages), "")).toList(), document.outcomeTable());
    }

    private String named(List<DispatchPassage> passages) {
        return passages.isEmpty() || chance(55) ? "" : naming(pick(passages).code());
    }

    /** Part of a text that names a passage, for everybody or for some. */
    private String naming(String passage) {
        List<Question> truths = earlier.stream().filter(q -> q.answer() instanceof YesNoAnswer).toList();
        return truths.isEmpty() || chance(60)
                ? " {" + passage + "}"
                : " {" + pick(truths).code() + ", select, yes {so {" + passage + "}} other {or not}}";
    }

    private DispatchPassage passage(String code, Questionnaire document, String inside) {
        List<DispatchPassage.PassageWording> wordings = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(3); i++) {
            String when = chance(20) ? "" : chance(30) ? "outcome = \"" + pick(document.outcomes()).code() + "\"" : condition();
            wordings.add(new DispatchPassage.PassageWording(when, text("Passage") + (i == 0 ? inside : "")));
        }
        return new DispatchPassage(code, wordings);
    }

    /** A message to the answers of any questions; only an edit sees to it that they are addresses. */
    private DispatchMessage message(String code, Questionnaire document) {
        List<String> outside = document.questions().map(Question::code).filter(q -> document.rosterOf(q).isEmpty()).toList();
        String when = chance(30)
                ? ""
                : chance(30)
                        ? "outcome = \"" + pick(document.outcomes()).code() + "\""
                        : chance(20) && !shown.isEmpty()
                                ? "asked(" + pick(shown) + ")" + (chance(50) ? " and " + condition() : "")
                                : condition();
        List<String> answers = outside.isEmpty() || chance(20) ? List.of() : List.of(pick(outside));
        List<String> told = outside.stream().filter(q -> chance(70)).toList();
        DispatchMessage message = new DispatchMessage(code, "", when, chance(20) ? List.of("office@quillmere.example") : List.of(), answers,
                text("Subject"), chance(50) ? text("Body") : "", ToldAnswers.EVERYTHING, List.of());
        return chance(60) ? message : message.withContents(new MessageContents(ToldAnswers.THESE, told, true, false, false));
    }

    private String condition() {
        int kind = random.nextInt(100);
        if (earlier.isEmpty() && truths.isEmpty() || kind < 4) {
            return link && chance(70) ? pick(List.of("via = \"north\"", "via != \"south\"", "via = null")) : chance(50) ? "true" : "1 > 2";
        }
        if (kind < 62) {
            return comparison();
        }
        String left = comparison();
        String right = comparison();
        return switch (random.nextInt(4)) {
            case 0 -> left + " and " + right;
            case 1 -> left + " or " + right;
            case 2 -> "not(" + left + ")";
            default -> chance(50) ? "if " + left + " then " + right + " else " + comparison() : left + " and not(" + right + ")";
        };
    }

    private String comparison() {
        if (!truths.isEmpty() && chance(12)) {
            return pick(truths) + pick(List.of("", "", " = true", " = false", " != true"));
        }
        if (!texts.isEmpty() && chance(12)) {
            return pick(texts) + pick(List.of(" = \"a\"", " != \"B\"", " in (\"bb\", \"A\")"));
        }
        if (!days.isEmpty() && chance(12)) {
            return pick(days) + pick(List.of(" < today()", " = date(\"2026-11-22\")", " != today()"));
        }
        if (!earlier.isEmpty() && chance(18)) {
            return number() + pick(List.of(" > ", " >= ", " = ", " < ")) + random.nextInt(5);
        }
        return earlier.isEmpty() ? "true" : chance(12) ? between() : about(pick(earlier));
    }

    private String between() {
        Question a = pick(earlier);
        for (Question b : earlier) {
            if (b != a && b.answer().type().equals(a.answer().type())
                    && !(a.answer() instanceof TextAnswer || a.answer() instanceof RankingAnswer)) {
                String op = a.answer() instanceof NumberAnswer || a.answer() instanceof DateAnswer
                        || a.answer() instanceof TimeAnswer
                        || a.answer() instanceof ScaleAnswer
                                ? pick(List.of(" < ", " = ", " >= "))
                                : pick(List.of(" = ", " != "));
                return a.code() + op + b.code();
            }
        }
        return about(a);
    }

    private String number() {
        List<String> parts = new ArrayList<>(numbers);
        for (Question q : earlier) {
            switch (q.answer()) {
                case OneChoice c -> parts.add("score(" + q.code() + ")");
                case ManyChoices c -> {
                    parts.add("count(" + q.code() + ")");
                    parts.add("score(" + q.code() + ")");
                }
                case NumberAnswer n -> parts.add(q.code());
                case PercentageAnswer p -> parts.add(q.code());
                default -> {}
            }
        }
        return parts.isEmpty() ? "2" : chance(50) ? pick(parts) : pick(parts) + " + " + pick(parts);
    }

    private String about(Question q) {
        String x = q.code();
        if (chance(12)) {
            return pick(List.of("answered(" + x + ")", x + " = null", x + " != null"));
        }
        return switch (q.answer()) {
            case YesNoAnswer y -> pick(List.of(x, x + " = true", x + " = false", x + " != true"));
            case OneChoice c -> x + pick(List.of(" = ", " != ")) + "\"" + pick(c.options()).code() + "\"";
            case ManyChoices c ->
                pick(List.of("list contains(" + x + ", \"" + pick(c.options()).code() + "\")", "count(" + x + ") > 1",
                        "(some s in " + x + " satisfies s = \"" + pick(c.options()).code() + "\")", "count(" + x + ") = 0"));
            case NumberAnswer n ->
                pick(List.of(x + " > 1", x + " <= 2", x + " in [1..2]", x + " != 3", x + " * 2 = 4", x + " in (0, 3)",
                        "abs(" + x + " - 2) > 1"));
            case TextAnswer t ->
                pick(List.of(x + " = \"a\"", x + " != \"bb\"", "string length(" + x + ") > 2", "starts with(" + x + ", \"b\")",
                        "matches(" + x + ", \"^[ab]+$\")", "upper case(" + x + ") = \"B\"", "lower case(" + x + ") != \"bb\"",
                        "string length(" + x + ") + 1 > 3", x + " = upper case(" + x + ")", "contains(lower case(" + x + "), \"b\")",
                        "\"A\" = upper case(" + x + ")", "list contains([\"a\", \"B\"], " + x + ")", "contains(\"abB\", " + x + ")",
                        "string length(" + x + ") in [2..3]", "floor(string length(" + x + ") / 2) = 1"));
            case DateAnswer d -> pick(List.of(x + " < today()", x + " = date(\"2026-11-22\")", "today() - " + x
                    + " > duration(\"P1D\")"));
            case AgreementAnswer a -> pick(List.of(x, x + " = true", x + " != true"));
            case ScaleAnswer s -> pick(List.of(x + " > 1", x + " <= 2", x + " in (1, 3)"));
            case PercentageAnswer p -> pick(List.of(x + " > 50", x + " = 100", x + " * 2 = 80", x + " in [10..20]", x + " < 1",
                    "100 - " + x + " >= 75"));
            case TimeAnswer t -> pick(List.of(x + " > time(\"08:00\")", x + " = time(\"08:01\")"));
            case RankingAnswer r -> pick(List.of("list contains(" + x + ", \"c\")", x + " = [\"a\", \"b\"]", "count(" + x + ") = 2",
                    "\"b\" in " + x));
            default -> throw new IllegalStateException(x);
        };
    }

    /** Forty respondents, who leave some questions blank and answer others out of turn. */
    public static List<Map<String, Object>> someAnswers(Questionnaire document) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (int turn = 0; turn < 40; turn++) {
            Random random = new Random(turn);
            Map<String, Object> answers = new LinkedHashMap<>();
            document.linkParameters().forEach(p -> answers.put(p.code(), p.allowed().get(random.nextInt(p.allowed().size()))));
            document.questions().forEach(q -> {
                if (!q.answer().options().isEmpty() && random.nextInt(4) > 0) {
                    String option = q.answer().options().get(random.nextInt(q.answer().options().size())).code();
                    boolean one = q.answer() instanceof OneChoice;
                    boolean many = q.answer() instanceof ManyChoices;
                    answers.put(q.code(), one ? option : many ? List.of(option) : null);
                } else if (q.answer() instanceof YesNoAnswer) {
                    answers.put(q.code(), random.nextBoolean());
                }
            });
            all.add(answers);
        }
        return all;
    }
}
