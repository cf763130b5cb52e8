package orthogon.core.proof;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/** What is said of kinds of answers, of comparisons, and of documents that are broken in unusual places, against approved texts. */
class WordsOfKindsTest {

    private static final Answer YES_NO = new YesNoAnswer();

    private static NumberAnswer number(String least, String most, int decimals) {
        return new NumberAnswer(new BigDecimal(least), new BigDecimal(most), decimals, "");
    }

    private static OneChoice choice(Option... options) {
        return new OneChoice(List.of(options), false);
    }

    /** Days that hang on today, and times. */
    private static Questionnaire days() {
        return of("days", "day >= today() and hour < time(\"12:00\")",
                Question.of("day", "Day?", new DateAnswer(new DateLimit.FromToday(-9), new DateLimit.FromToday(9)))
                        .withRequireWhen("true"),
                Question.of("hour", "Hour?", new TimeAnswer(LocalTime.of(6, 0), LocalTime.of(22, 0))),
                new Derived("late", "day < today()"),
                Question.of("why_late", "Why so late?", new TextAnswer(false, 3, 8)).withAskWhen("late and hour >= time(\"12:00\")"),
                Question.of("soon", "So soon?", YES_NO).withAskWhen("day > today() + duration(\"P3D\")"),
                new Note("night", "Mind the dark.", "hour >= time(\"21:00\") or hour < time(\"07:00\")", List.of()));
    }

    /** Texts by their letters and lengths. */
    private static Questionnaire letters() {
        return of("letters", "starts with(plate, \"B\")",
                Question.of("plate", "Plate?", new TextAnswer(false, null, 6, AllowedCharacters.ANY, "[A-C]\\d{2,3}", "A12", "", "")),
                Question.of("starts", "Starts?", YES_NO).withAskWhen("starts with(plate, \"A\")"),
                Question.of("long_one", "Long?", YES_NO).withAskWhen("string length(plate) = 4 and matches(plate, \"B.*\")"),
                Question.of("digits", "Digits", new TextAnswer(false, 2, 3, AllowedCharacters.DIGITS, "", "", "", "")),
                Question.of("same", "Same?", YES_NO).withAskWhen("digits = \"12\" or contains(digits, \"9\")"),
                Question.of("never_text", "Never?", YES_NO).withAskWhen("string length(plate) > 5"));
    }

    /** Several numbers together. */
    private static Questionnaire numbers() {
        return of("numbers", "before < after",
                Question.of("mass", "Mass", number("1", "5", 0)).withRequireWhen("true"),
                Question.of("height", "Height", number("1", "2", 1)).withRequireWhen("true"),
                new Derived("index", "mass / (height * height)"),
                Question.of("thin", "Thin?", YES_NO).withAskWhen("index < 1"),
                Question.of("heavy", "Heavy?", YES_NO).withAskWhen("index > 4.5"),
                Question.of("before", "Before", number("0", "4", 0)),
                Question.of("after", "After", number("0", "4", 0)).withAccept(List.of(new Question.Accept("after >= before", "Not less."))),
                Question.of("grown", "Grown?", YES_NO).withAskWhen("after - before > 2"));
    }

    /** Scores, counts, orders and files. */
    private static Questionnaire sets() {
        List<Option> seen = List.of(new Option("blood", "Blood", new BigDecimal(3), false, ""),
                new Option("limp", "Limp", BigDecimal.ONE, false, ""), new Option("none", "None", null, true, ""));
        return of("sets", "count(seen) > 1",
                Question.of("seen", "Seen?", new ManyChoices(seen, null, 2)),
                Question.of("bad", "Bad?", YES_NO).withAskWhen("score(seen) >= 4"),
                Question.of("two", "Two?", YES_NO).withAskWhen("count(seen) = 2 and not(list contains(seen, \"limp\"))"),
                Question.of("order", "Order",
                        new RankingAnswer(List.of(Option.of("a", "A"), Option.of("b", "B"), Option.of("c", "C")), 2)),
                Question.of("photos", "Photos", new FileAnswer(3, 1000, List.of())),
                Question.of("many_photos", "Many?", YES_NO).withAskWhen("count(photos) > 1"));
    }

    /** One page, and an outcome where the condition holds beside one for all others. */
    private static Questionnaire of(String code, String early, Item... items) {
        return Questionnaire.blank(code, Character.toUpperCase(code.charAt(0)) + code.substring(1))
                .withPages(List.of(Page.empty("only", "Only").withItems(List.of(items))))
                .withEnding(List.of(new Outcome("early", "Early", ""), new Outcome("sent", "Sent", "")),
                        List.of(new OutcomeRow(early, "early"), new OutcomeRow("", "sent")));
    }

    /** Faults in places where they are seldom met. */
    private static Questionnaire broken() {
        Page first = Page.empty("one", "One").withItems(List.of(
                Question.of("wet", "Wet?", YES_NO),
                Question.of("kind", "ContactAnswer.Standard?",
                        choice(new Option("eel", "Eel", null, false, "wett = true"), Option.of("carp", "Carp")))
                        .withReword(List.of(new Reword("wett = true", "Which?", "Look.", Map.of("carp", "A carp")))),
                new Note("said", "{kind, select, eel {It is} carp {They are} other {Who is}} here.", "wett = true",
                        List.of(new Reword("wet = false", "Nobody is here.", ""))),
                Question.of("plain", "Plain?", YES_NO)))
                .withRules(List.of(new Page.Finish("wet = true", "nowhere")), List.of(new Page.Skip("plain = true", "one")));
        return Questionnaire.blank("broken", "Broken").withPages(List.of(first, Page.empty("two", "Two").withItems(List.of(
                Question.of("pair", "Pair?", YES_NO).withAskWhen("wet = false"))))).withEnding(
                        List.of(new Outcome("fine", "Fine", "{kind, select, eel {Eels} other {Others}}, {plain}.")),
                        List.of(new OutcomeRow("plain = true", "gone"), new OutcomeRow("wett = true", "fine"),
                                new OutcomeRow("wet = false", "fine")));
    }

    /** Faults in and around entries and rows. */
    private static Questionnaire brokenEntries() {
        Roster roster = new Roster("animals", "Each", "Animal", "", 0, 2, List.of(
                Question.of("species", "Species?", choice(Option.of("owl", "Owl"), Option.of("gull", "Gull"))),
                Question.of("tame", "Tame?", YES_NO).withAskWhen("spezies = \"owl\"")));
        Question grid = Question.of("signs", "Signs", new GridAnswer(true, List.of(new GridRow("wing", "Wing", "wet = true"),
                new GridRow("leg", "Leg", "wet = false")), List.of(Option.of("fine", "Fine"), Option.of("hurt", "Hurt"))))
                .withAskWhen("plain = true");
        return Questionnaire.blank("broken_entries", "Broken entries").withPages(List.of(
                Page.empty("one", "One").withItems(List.of(Question.of("wet", "Wet?", YES_NO), Question.of("plain", "Plain?", YES_NO))),
                Page.empty("two", "Two").withItems(List.of(roster, grid,
                        Question.of("pair", "Pair?", YES_NO).withAskWhen("some a in animals, b in animals satisfies a.species = b.species"),
                        Question.of("hurt", "Hurt?", YES_NO).withAskWhen("list contains(signs.wing, \"hurt\")"),
                        Question.of("sure", "Sure?", YES_NO).withRequireWhen("true")))));
    }

    private static Questionnaire with(Questionnaire document, String code, UnaryOperator<Answer> answer) {
        return document.withItem(code, i -> ((Question) i).withAnswer(answer.apply(((Question) i).answer())));
    }

    /** Every type, limited otherwise. */
    private static Questionnaire limitedOtherwise() {
        Questionnaire every = EveryType.document();
        every = with(every, "plain", a -> new TextAnswer(false, 2, 30, AllowedCharacters.ANY, "", "", "", ""));
        every = with(every, "plate", a -> new TextAnswer(false, null, null, AllowedCharacters.ANY, "[A-Z]{3}\\d{3}", "QMX123", "", ""));
        every = with(every, "owner", a -> new PartsAnswer(false, List.of("given", "family"), List.of("given")));
        every = with(every, "home", a -> new PartsAnswer(false, List.of("given", "family"), List.of()));
        every = with(every, "mail", a -> new ContactAnswer(ContactAnswer.Standard.WEB, ""));
        every = with(every, "call", a -> new ContactAnswer(ContactAnswer.Standard.PHONE, "FR"));
        every = with(every, "weight", a -> new NumberAnswer(BigDecimal.ONE, new BigDecimal("80"), 2, "kg", true));
        every = with(every, "ease", a -> new ScaleAnswer(false, 5, "hard", "easy"));
        every = with(every, "day", a -> new DateAnswer(new DateLimit.FromToday(-20), new DateLimit.FromToday(0)));
        every = with(every, "hour", a -> new TimeAnswer(LocalTime.of(9, 0), LocalTime.of(18, 30)));
        every = with(every, "order", a -> new RankingAnswer(((RankingAnswer) a).options(), 3));
        every = with(every, "photos", a -> new FileAnswer(1, 2_000_000, List.of("image/*")));
        every = with(every, "land", a -> new IsoAnswer(false, List.of("FR", "PL")));
        every = with(every, "tongue", a -> new IsoAnswer(false, List.of("FR", "PL")));
        return with(every, "driver", a -> LookupAnswer.in("wardens"));
    }

    @Test
    void daysAndTimes() throws IOException {
        Accounts words = new Accounts().account(days()).figures(days()).drills(days());
        words.change(days(), days().withItem("soon", i -> ((Question) i).withAskWhen("day > today() + duration(\"P5D\")")));
        words.change(days(), broken()).areAsApproved("days");
    }

    @Test
    void textsByTheirLetters() throws IOException {
        new Accounts().account(letters()).figures(letters()).drills(letters()).areAsApproved("letters");
    }

    @Test
    void severalNumbersTogether() throws IOException {
        Accounts words = new Accounts().account(numbers()).figures(numbers()).drills(numbers());
        words.change(numbers(), with(numbers(), "after", a -> number("0", "3", 0))).areAsApproved("numbers");
    }

    @Test
    void scoresCountsAndOrders() throws IOException {
        new Accounts().account(sets()).figures(sets()).drills(sets()).areAsApproved("sets");
    }

    @Test
    void faultsInSeldomPlaces() throws IOException {
        new Accounts().account(broken()).figures(broken()).drills(broken()).areAsApproved("faults_in_seldom_places");
    }

    @Test
    void faultsInEntries() throws IOException {
        new Accounts().account(brokenEntries()).figures(brokenEntries()).areAsApproved("faults_in_entries");
    }

    @Test
    void changedLimits() throws IOException {
        Questionnaire every = EveryType.document();
        new Accounts().change(every, limitedOtherwise()).change(limitedOtherwise(), every).areAsApproved("changed_limits");
    }

    /** An answer lost by an earlier ending, values that are there already, a page whose questions are never asked, rows behind the last. */
    private static Questionnaire corners() {
        Page first = Page.empty("first", "First").withItems(List.of(Question.of("ill", "Ill?", YES_NO), Question.of("old", "Old?", YES_NO)))
                .withRules(List.of(new Page.Finish("ill = true", "early")), List.of());
        Page second = Page.empty("second", "Second").withItems(List.of(
                Question.of("legs", "Legs?", number("0", "9", 0)).withStartWith("3"),
                Question.of("eyes", "Eyes?", number("0", "2", 0)).withRequireWhen("legs > 4").withStartWith("2"),
                Question.of("tail", "Tail?", YES_NO)));
        Page third = Page.empty("third", "Third").withItems(List.of(Question.of("never", "Never?", YES_NO).withAskWhen("legs > 9")));
        return Questionnaire.blank("corners", "Corners").withPages(List.of(first, second, third)).withEnding(
                List.of(new Outcome("early", "Early", ""), new Outcome("sent", "Sent", "")),
                List.of(new OutcomeRow("tail = true", "early"), new OutcomeRow("", "sent"),
                        new OutcomeRow("legs > 3 and old = true", "early")));
    }

    @Test
    void whatIsLostAndWhatIsThereAlready() throws IOException {
        new Accounts().account(corners()).figures(corners()).drills(corners()).areAsApproved("corners");
    }

    @Test
    void languagesOfWhatIsBrokenOrEmpty() throws IOException {
        List<String> tongues = List.of("en", "fr", "pt");
        Questionnaire reached = of("reached", "tail = true", Question.of("tail", "Tail?", YES_NO)).withEnding(
                List.of(new Outcome("sent", "Sent", "")), List.of(new OutcomeRow("tail = true", "gone"), new OutcomeRow("", "sent")));
        Questionnaire behind = reached.withEnding(reached.outcomes(),
                List.of(new OutcomeRow("", "sent"), new OutcomeRow("tail = true", "gone")));
        Questionnaire start = of("start", "tail = true", Question.of("tail", "Tail?", YES_NO),
                Question.of("legs", "Legs?", number("0", "9", 0)).withRequireWhen("true").withStartWith("nobody"),
                Question.of("eyes", "{nobody} eyes?", number("0", "2", 0)));
        Accounts words = new Accounts();
        for (Questionnaire document : List.of(broken(), reached, behind, start,
                Questionnaire.blank("empty", "Empty").withPages(List.of()))) {
            words.account(document.withLanguages(tongues));
        }
        words.areAsApproved("tongues");
    }
}
