package orthogon.core.proof;

import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ExplanationTest {

    private static final OneChoice GROUP = new OneChoice(List.of(Option.of("bird", "Bird"), Option.of("mammal",
            "Mammal"), Option.of("bat", "Bat")), false);
    private static final OneChoice AGE = new OneChoice(
            List.of(Option.of("pup", "Pup"), Option.of("adult", "Adult")),
            false);

    private static Proof proof(Page... pages) {
        return Proof.of(Questionnaire.blank("fen", "Fen").withPages(List.of(pages)), RandomDocument.TODAY);
    }

    private static Page page(String code, Question... questions) {
        return Page.empty(code, code).withItems(List.of(questions));
    }

    @Test
    void theCoreNamesTheFewestConditionsThatExcludeEachOther() {
        Proof proof = proof(
                page("animal", Question.of("group", "Group?", GROUP).withRequireWhen("true"), Question.of("age", "Age?", AGE).withAskWhen(
                        "group = \"bird\" or group = \"mammal\"").withRequireWhen("true"),
                        Question.of("other", "Other?", AGE).withAskWhen("group != null")),
                page("risk", Question.of("bitten", "Bitten?", new YesNoAnswer()),
                        Question.of("vaccine", "Vaccinated?", new YesNoAnswer()).withAskWhen(
                                "group = \"bat\" and age = \"pup\" and answered(other)")));
        Claim claim = proof.claim("reach-question", "vaccine").orElseThrow();
        assertEquals(Verdict.REFUTED, claim.verdict());
        assertEquals(List.of("age.askWhen", "vaccine.askWhen"), claim.finding().core());
        assertEquals(
                "Nobody is ever asked “Vaccinated?”. These exclude each other: age is asked when group is bird or mammal; vaccine is asked when "
                        + "group is bat and age is pup and other is answered.",
                proof.words().because(claim));
    }

    @Test
    void aStuckPageShowsWhoGetsStuckAndByWhat() {
        NumberAnswer number = new NumberAnswer(BigDecimal.ZERO, new BigDecimal(400), 0, "");
        Proof proof = proof(page("bats", Question.of("total", "How many?", number).withRequireWhen("true")), page("waking",
                Question.of("awake", "Awake?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(400), 0, "")).withRequireWhen("true")
                        .withAskWhen(
                                "total > 0")
                        .withAccept(List.of(new Question.Accept("awake < total", ""))),
                Question.of("why", "Why?", new YesNoAnswer())));
        Claim claim = proof.claim("page-passable", "waking").orElseThrow();
        assertEquals(Verdict.REFUTED, claim.verdict());
        assertEquals(Map.of("total", BigDecimal.ONE), claim.finding().witness().orElseThrow());
        assertEquals(List.of("awake.requireWhen", "awake/accept/0"), claim.finding().core());
        assertTrue(proof.figures().joint());
    }

    @Test
    void agesAndDaysAreDividedExactly() {
        Question born = Question
                .of("born", "Born?", new DateAnswer(new DateLimit.Fixed(LocalDate.of(1950, 1, 1)), new DateLimit.FromToday(0)))
                .withRequireWhen("true");
        Question licence = Question.of("licence", "Licence?", new YesNoAnswer()).withAskWhen(
                "years and months duration(born, today()) >= duration(\"P18Y\")").withRequireWhen("true");
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(page("you", born, licence))).withClaims(List.of(
                new Questionnaire.OwnClaim("no_child", Questionnaire.Says.ALWAYS, "not(asked(licence)) or born <= date(\"2008-11-23\")"),
                new Questionnaire.OwnClaim("a_day_less", Questionnaire.Says.ALWAYS, "not(asked(licence)) or born < date(\"2008-11-23\")")));
        Proof proof = Proof.of(document, RandomDocument.TODAY);
        assertEquals(Verdict.PROVED, proof.claim("own", "no_child").orElseThrow().verdict());
        Claim broken = proof.claim("own", "a_day_less").orElseThrow();
        assertEquals(Verdict.REFUTED, broken.verdict());
        assertEquals(LocalDate.of(2008, 11, 23), broken.finding().witness().orElseThrow().get("born"));
    }

    @Test
    void whatCannotBeDividedIsUndecidedWithTheReasonAndTheRestIsDecided() {
        Question a = Question.of("a", "A?", new TextAnswer(false, null, null)).withRequireWhen("true");
        Question b = Question.of("b", "B?", new TextAnswer(false, null, null)).withRequireWhen("true");
        Question c = Question.of("c", "C?", new YesNoAnswer()).withAskWhen("upper case(a) = upper case(b)").withRequireWhen("true");
        Proof proof = proof(page("p", a, b), page("q", c));
        Claim varies = proof.claim("condition-varies", "c.askWhen").orElseThrow();
        assertEquals(Verdict.UNDECIDED, varies.verdict());
        assertTrue(proof.words().because(varies).startsWith("This cannot be decided exactly: about a: "), proof.words().because(varies));
        assertEquals(Verdict.PROVED, proof.claim("page-passable", "q").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim("one-outcome", "fen").orElseThrow().verdict());
        assertTrue(proof.figures().answerPaths().isEmpty());
        assertTrue(proof.figures().notCounted().isPresent());
    }

    @Test
    void onlyWhatRestsOnAFaultIsUndecided() {
        Question a = Question.of("a", "A?", new YesNoAnswer()).withRequireWhen("true");
        Question b = Question.of("b", "B?", new YesNoAnswer()).withAskWhen("later = true");
        Proof proof = proof(page("p", a, b), page("q", Question.of("later", "Later?", new YesNoAnswer())));
        assertEquals(Verdict.REFUTED, proof.claim("looks-ahead", "b.askWhen").orElseThrow().verdict());
        Claim reach = proof.claim("reach-question", "b").orElseThrow();
        assertEquals(Verdict.UNDECIDED, reach.verdict());
        assertEquals("looks-ahead b.askWhen", reach.follows().orElseThrow().text());
        assertEquals(Verdict.PROVED, proof.claim("reach-question", "later").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim("page-passable", "p").orElseThrow().verdict());
    }
}
