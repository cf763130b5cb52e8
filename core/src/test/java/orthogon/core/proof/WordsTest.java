package orthogon.core.proof;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Questionnaire.Translation;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * Every word that an analyst reads about some questionnaires with faults of all kinds: claims, figures, routes, drills, and what an edit
 * changed, against what was read over and found right. Where words were changed on purpose, read what is in {@code core/target/words}
 * and put it in the place of the approved text.
 */
class WordsTest {

    private static final Answer YES_NO = new YesNoAnswer();
    private static final OneChoice KIND = new OneChoice(
            List.of(Option.of("eel", "Eel"), Option.of("carp", "Carp"), new Option("toad", "Toad", null, false, "wet = true")), false);

    private static BigDecimal n(int number) {
        return BigDecimal.valueOf(number);
    }

    private static NumberAnswer number(int least, int most) {
        return new NumberAnswer(n(least), n(most), 0, "");
    }

    /** Answers that no value fits, each for its own reason. */
    private static Page limits() {
        List<Option> two = List.of(Option.of("a", "A"), Option.of("b", "B"));
        return Page.empty("limits", "Limits").withItems(List.of(Question.of("l_number", "L1", number(5, 3)),
                Question.of("l_places", "L2", new NumberAnswer(new BigDecimal("0.2"), new BigDecimal("0.8"), 0, "")),
                Question.of("l_text", "L3", new TextAnswer(false, 6, 4)),
                Question.of("l_pattern", "L4", new TextAnswer(false, 5, null, AllowedCharacters.ANY, "[A-Z]{2}", "QM", "", "")),
                Question.of("l_most", "L5", new TextAnswer(false, null, 1, AllowedCharacters.ANY, "[A-Z]{2}", "QM", "", "")),
                Question.of("l_day", "L6", new DateAnswer(new DateLimit.FromToday(3), new DateLimit.FromToday(-3))),
                Question.of("l_time", "L7", new TimeAnswer(LocalTime.of(9, 0), LocalTime.of(8, 0))),
                Question.of("l_many", "L8", new ManyChoices(two, 2, 1)),
                Question.of("l_few", "L9", new ManyChoices(two, 3, null)),
                Question.of("l_rank", "L10", new RankingAnswer(two, 3)),
                Question.of("l_none", "L11", new OneChoice(List.of(), false)),
                Question.of("l_fine", "L12", number(3, 5))));
    }

    private static Questionnaire sluice() {
        Page first = Page.empty("water", "The water").withItems(List.of(
                Question.of("wet", "Is it wet?", YES_NO).withRequireWhen("true"),
                Question.of("kind", "Which animal?", KIND).withRequireWhen("true").withReword(
                        List.of(new Reword("wet = true and wet = false", "Which one?", ""))),
                Question.of("depth", "How deep?", number(0, 9)),
                new Note("always", "Mind the weir.", "depth >= 0 or not(answered(depth))", List.of()),
                Question.of("dry", "Is it dry?", YES_NO).withAskWhen("wet = true and kind = \"carp\" and wet = false"),
                new Section("shore", "The shore", "depth > 3", List.of(
                        Question.of("reeds", "Reeds?", YES_NO), Question.of("stones", "Stones?", YES_NO).withAskWhen("depth < 2"))),
                Question.of("given", "Sure?", YES_NO).withRequireWhen("true").withStartWith("false"),
                Question.of("agreed", "Agreed?", new AgreementAnswer("I have read it.")).withStartWith("true"),
                new Derived("deep", "depth > 5")));
        Page held = Page.empty("held", "The gate").withOpenWhen("wet = true").withItems(List.of(
                Question.of("height", "How high?", number(1, 9)).withRequireWhen("depth = 1")
                        .withAccept(List.of(new Question.Accept("height < depth", "Lower than the water."))),
                Question.of("side", "Which side?", new OneChoice(List.of(Option.of("left", "Left"), Option.of("right", "Right")),
                        false)).withAccept(List.of(new Question.Accept("side != \"right\"", "Not there."))),
                new Note("said", "It is {height} high; {depth, select, blank {unknown} other {known}}.", "kind != \"eel\"", List.of())))
                .withRules(List.of(new Page.Finish("deep", "shut"), new Page.Finish("depth > 7", "shut")),
                        List.of(new Page.Skip("kind = \"carp\"", "after"), new Page.Skip("kind = \"carp\" and wet = true", "after")));
        Page never = Page.empty("never", "Never").withOpenWhen("wet = true and wet = false").withItems(List.of(
                Question.of("lost", "Lost?", YES_NO).withLockWhen("wet = true")));
        Page after = Page.empty("after", "After").withItems(List.of(
                Question.of("note", "Anything else?", new TextAnswer(false, 2, 5)).withAskWhen("kind = \"eel\" or not(depth > 4)")));
        return new Questionnaire("sluice", "The sluice", "en", List.of("en", "fr"),
                List.of(new Questionnaire.LinkParameter("bank", List.of("left", "right"))),
                List.of(first, held, never, after),
                List.of(new Outcome("open", "Open", "Thank you, {height} it is."), new Outcome("shut", "Shut", "Thanks."),
                        new Outcome("unused", "Unused", "")),
                List.of(new OutcomeRow("wet = true", "open"), new OutcomeRow("wet = true and kind = \"eel\"", "shut"),
                        new OutcomeRow("kind = \"eel\" and bank = \"left\"", "open")),
                List.of(new OwnClaim("eels_open", Says.ALWAYS, "kind != \"eel\" or outcome = \"open\""),
                        new OwnClaim("no_shore", Says.NEVER, "asked(shore) and depth < 4"),
                        new OwnClaim("no_reeds", Says.NEVER, "asked(reeds) and depth > 6"),
                        new OwnClaim("calm", Says.ALWAYS, "depth < 20 or not(answered(depth))")),
                Map.of("fr", new TreeMap<>(Map.of("wet.wording", new Translation("Est-ce mouillé ?", "reviewed", "Is it wet?"),
                        "kind.wording", new Translation("Quel animal ?", "reviewed", "Which beast?"),
                        "said.wording", new Translation("Il est haut.", "draft",
                                "It is {height} high; {depth, select, blank {unknown} other {known}}.")))),
                Presentation.PLAIN, new Burden(8, 20, 1));
    }

    private static Questionnaire unsound() {
        return Questionnaire.blank("unsound", "Unsound").withPages(List.of(Page.empty("one", "One").withItems(List.of(
                Question.of("early", "Early?", YES_NO).withAskWhen("later = true"),
                Question.of("kind", "Which?", KIND).withAskWhen("kin = \"eel\""),
                Question.of("count", "How many?", number(0, 9)).withAskWhen("kind = \"eal\""),
                new Derived("circle", "square + 1"), new Derived("square", "circle + 1"),
                Question.of("wrong", "Wrong?", YES_NO).withAskWhen("count = \"three\""),
                Question.of("last", "Last?", YES_NO).withAskWhen("count > 2 and circle > 1"),
                Question.of("wet", "Wet?", YES_NO))),
                Page.empty("two", "Two").withOpenWhen("early = true").withItems(List.of(Question.of("later", "Later?", YES_NO),
                        Question.of("steady", "Steady?", YES_NO).withAskWhen("wet = true and wet = false")))));
    }

    private static Questionnaire entries() {
        Roster roster = new Roster("animals", "Each animal", "Animal", "wet = true", 1, 2, List.of(
                Question.of("species", "Species?", new OneChoice(List.of(new Option("owl", "Owl", n(2), false, ""),
                        Option.of("gull", "Gull")), false)).withRequireWhen("true"),
                Question.of("weight", "Weight?", number(1, 9)).withAskWhen("species = \"owl\" and species = \"gull\""),
                Question.of("ring", "Ring?", number(1, 9)).withRequireWhen("true")
                        .withAccept(List.of(new Question.Accept("ring > 9", "Not this one."))).withAskWhen("species = \"gull\"")));
        Question grid = Question.of("signs", "Signs", new GridAnswer(false, List.of(new GridRow("wing", "Wing", ""),
                new GridRow("leg", "Leg", "wet = true and wet = false")),
                List.of(Option.of("fine", "Fine"),
                        Option.of("hurt", "Hurt"))));
        return Questionnaire.blank("entries", "Entries").withPages(List.of(Page.empty("first", "First").withItems(List.of(
                Question.of("wet", "Wet?", YES_NO).withRequireWhen("true"), grid)),
                Page.empty("second", "Second").withItems(List.of(roster,
                        new Note("owls", "An owl.", "some a in animals satisfies a.species = \"owl\"", List.of()),
                        Question.of("many", "Many?", YES_NO).withAskWhen("count(animals) > 2"),
                        Question.of("heavy", "Heavy?", YES_NO).withAskWhen("sum(animals.weight) > 3 or signs.wing = \"hurt\"")))));
    }

    @Test
    void claimsOfASluice() throws IOException {
        new Accounts().account(sluice()).areAsApproved("sluice");
    }

    @Test
    void claimsOfLimits() throws IOException {
        new Accounts().account(Questionnaire.blank("limited", "Limited").withPages(List.of(limits()))).areAsApproved("limited");
    }

    @Test
    void claimsOfWhatIsUnsound() throws IOException {
        new Accounts().account(unsound()).areAsApproved("unsound");
    }

    @Test
    void entriesOfARoster() throws IOException {
        Questionnaire otherwise = Places.with(entries(), Map.of("heavy.askWhen", "sum(animals.weight) > 5", "ring/accept/0", "ring > 4"));
        new Accounts().account(entries()).figures(entries()).drills(entries()).change(entries(), otherwise).areAsApproved("entries");
    }

    @Test
    void everyTypeOfAnswer() throws IOException {
        Questionnaire every = EveryType.document();
        new Accounts().account(every).figures(every).drills(every).areAsApproved("every_type");
    }

    @Test
    void figuresDrillsAndChangesOfTheMendedSluice() throws IOException {
        Questionnaire later = Places.with(mended(), Map.of("shore.askWhen", "depth > 4", "held/finish/0", "depth > 6", "side/accept/0",
                "true", "note.askWhen", "kind = \"eel\""));
        new Accounts().figures(mended()).drills(mended()).change(mended(), later).change(later, mended())
                .change(mended(), mended().withItem("wet", i -> ((Question) i).withTexts("Is it damp?", "")))
                .change(mended(), sluice()).areAsApproved("mended");
    }

    /** The sluice without what is at fault, so that everything about it can be counted. */
    private static Questionnaire mended() {
        Questionnaire sluice = sluice();
        return Places.with(sluice, Map.of("dry.askWhen", "wet = true", "never.openWhen", "wet = false", "stones.askWhen", "depth < 7",
                "height/accept/0", "height <= 8", "outcomeTable/1", "depth > 2", "outcomeTable/2", "", "given.startWith", "",
                "agreed.startWith", "", "held/finish/1", "wet = true and kind = \"toad\"", "held/skip/1", "depth = 2"));
    }
}
