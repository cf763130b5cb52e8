package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Roster;

/** What is proved of cases, beyond what random ones hold: rosters, circles, finishes, addresses, and cases within cases. */
class CaseProofTest {

    private static Questionnaire questionnaire(String code, Question... questions) {
        return Questionnaire.blank(code, code).withPages(List.of(Page.empty("page", "Page").withItems(List.of(questions))));
    }

    private static Question yesNo(String code) {
        return Question.of(code, code, new YesNoAnswer()).withRequireWhen("true");
    }

    private static Question number(String code, int most) {
        return Question.of(code, code, new NumberAnswer(BigDecimal.ONE, BigDecimal.valueOf(most), 0, "")).withRequireWhen("true");
    }

    private static KnownQuestionnaires known(Questionnaire... documents) {
        return code -> List.of(documents).stream().filter(d -> d.code().equals(code)).findFirst();
    }

    private static Proof proof(Questionnaire document, Questionnaire... others) {
        return Proof.of(document, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY, known(others));
    }

    /** Verdict and reason of a claim. */
    private static String said(Proof proof, String kind, String place) {
        Claim claim = proof.claim(kind, place).orElseThrow(() -> new AssertionError(kind + " " + place + proof.claims()));
        return claim.verdict().word() + ": " + proof.words().because(claim);
    }

    @Test
    void aQuestionnaireThatIsMissingOrLeadsBackIsNamed() {
        Questionnaire first = questionnaire("first", yesNo("a")).withFollowUps(List.of(FollowUp.of("next", "second", "")))
                .withClaims(List.of(new OwnClaim("always_next", Says.ALWAYS, "opens(next)")));
        Proof missing = proof(first);
        assertTrue(said(missing, "follow-up-known", "next").contains("undecided: There is no questionnaire second"));
        assertEquals("follow-up-known next", missing.claim("own", "always_next").orElseThrow().follows().orElseThrow().text());
        assertTrue(missing.caseFigures(Watch.NOBODY).orElseThrow().answerPaths().isEmpty());
        assertTrue(!missing.opensGate());
        Questionnaire back = questionnaire("second", yesNo("b")).withFollowUps(List.of(FollowUp.of("round", "first", "")));
        assertTrue(said(proof(first, back), "follow-up-known", "next").contains("leads back to first itself"));
        Questionnaire further = questionnaire("second", yesNo("b")).withFollowUps(List.of(FollowUp.of("third", "nowhere", "")));
        assertTrue(said(proof(first, further), "follow-up-known", "next").contains("owhere, which is opened further on"));
        Questionnaire other = questionnaire("second", yesNo("b"));
        FollowUp odd = FollowUp.of("next", "second", "").withCarries(List.of(new Carried("c", "a", false)));
        assertTrue(said(proof(first.withFollowUps(List.of(odd)), other), "follow-up-known", "next").contains("no question c"));
        FollowUp kind = FollowUp.of("next", "second", "").withBrings(List.of(new Brought("b", "b", BroughtKind.NUMBER)));
        assertTrue(
                said(proof(first.withFollowUps(List.of(kind)), other), "follow-up-known", "next").contains("is yes or no, but is brought"));
        assertEquals(Optional.of(BigInteger.valueOf(6)), proof(first, other).caseFigures(Watch.NOBODY).orElseThrow().answerPaths(),
                "two answers, and for each the follow-up is sent with one of two or withdrawn");
    }

    @Test
    void aFinishIsKnownToWhatFollows() {
        List<Page> pages = List.of(
                Page.empty("one", "One").withItems(List.of(yesNo("early"))).withRules(List.of(new Page.Finish("early", "stopped")),
                        List.of()),
                Page.empty("two", "Two").withItems(List.of(yesNo("late"))));
        Questionnaire first = Questionnaire.blank("first", "First").withPages(pages)
                .withEnding(List.of(new Outcome("stopped", "Stopped", ""), new Outcome("sent", "Sent", "")),
                        List.of(new OutcomeRow("", "sent")))
                .withFollowUps(List.of(FollowUp.of("next", "second", "outcome = \"stopped\"")))
                .withClaims(List.of(new OwnClaim("stopped", Says.ALWAYS, "not(opens(next)) or early"),
                        new OwnClaim("late", Says.NEVER, "opens(next) and answered(late)"),
                        new OwnClaim("never", Says.NEVER, "opens(next)")));
        Proof proof = proof(first, questionnaire("second", yesNo("b")));
        assertEquals(Verdict.PROVED, proof.claim("follow-up-opened", "next").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim("own", "stopped").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim("own", "late").orElseThrow().verdict());
        Claim never = proof.claim("own", "never").orElseThrow();
        assertEquals(Verdict.REFUTED, never.verdict());
        assertEquals(Optional.of(Map.of("early", true)), never.finding().witness());
        assertEquals("next", never.finding().followed().getFirst().name());
    }

    @Test
    void eachEntryOfARosterOpensOne() {
        Questionnaire first = Questionnaire.blank("first", "First").withPages(List.of(Page.empty("page", "Page").withItems(List.of(
                new Roster("birds", "Birds", "Bird", "", 0, 3, List.of(number("weight", 9)))))))
                .withFollowUps(List.of(FollowUp.of("care", "second", "weight > 4").withEachOf("birds")
                        .withCarries(List.of(new Carried("weight", "weight", true)))));
        Proof proof = proof(first, questionnaire("second", number("weight", 7)));
        assertEquals(Verdict.PROVED, proof.claim("follow-up-opened", "care").orElseThrow().verdict());
        assertTrue(said(proof, "carry-fits", "care/carry/0").startsWith("refuted: This respondent opens care with “8” for weight"));
        Questionnaire fits = first.withFollowUps(List.of(first.followUps().getFirst().withOpenWhen("weight > 4 and weight < 8")));
        assertEquals(Verdict.PROVED,
                proof(fits, questionnaire("second", number("weight", 7))).claim("carry-fits", "care/carry/0").orElseThrow()
                        .verdict());
    }

    @Test
    void whoeverIsHeldByWhatIsCarriedIsShown() {
        Questionnaire first = questionnaire("first", Question.of("kind", "Kind",
                new OneChoice(List.of(Option.of("gull", "Gull"), Option.of("tern", "Tern")), false)).withRequireWhen("true"),
                Question.of("mail", "Mail", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")))
                .withFollowUps(List.of(FollowUp.of("next", "second", "").withCarries(List.of(new Carried("kind", "kind", true)))
                        .withSeat(new FollowUpSeat(Who.ADDRESS, "mail", List.of()))));
        Question asked = Question.of("kind", "Kind", new OneChoice(List.of(Option.of("gull", "Gull"), Option.of("tern", "Tern")), false))
                .withAccept(List.of(new Question.Accept("kind != \"tern\"", "Terns are not taken.")));
        Proof proof = proof(first, questionnaire("second", asked));
        assertEquals(Verdict.PROVED, proof.claim("carry-fits", "next/carry/0").orElseThrow().verdict());
        Claim passable = proof.claim("follow-up-passable", "next").orElseThrow();
        assertEquals(Verdict.REFUTED, passable.verdict());
        assertEquals("tern", passable.finding().witness().orElseThrow().get("kind"));
        assertTrue(said(proof, "follow-up-passable", "next").contains("next.kind is accepted only when"), said(proof, "follow-up-passable",
                "next"));
        assertTrue(said(proof, "recipient-filled", "next").startsWith("refuted: It is opened for this respondent, who gives no address"));
    }

    @Test
    void wordsOfALinkAreTranslatedForWhoeverReadsThem() {
        FollowUp next = FollowUp.of("next", "second", "a").withTexts((unit, text) -> "Go on there");
        Questionnaire first = questionnaire("first", yesNo("a")).withLanguages(List.of("en", "fr")).withFollowUps(List.of(next));
        Questionnaire second = questionnaire("second", yesNo("b"));
        assertTrue(said(proof(first, second), "translated", "fr/next.wording").startsWith("refuted"));
        Questionnaire done = first.withTranslations(
                Map.of("fr", Map.of("next.wording", new Questionnaire.Translation("Continuez", "reviewed", "Go on there"))));
        assertTrue(said(proof(done, second), "translated", "fr/next.wording").startsWith("proved"));
        Questionnaire nobody = first.withFollowUps(List.of(next.withOpenWhen("a and not(a)")));
        assertTrue(said(proof(nobody, second), "translated", "fr/next.wording").startsWith("proved"), "nobody reads it");
        Questionnaire staff = first.withFollowUps(List.of(next.withSeat(new FollowUpSeat(Who.PEOPLE, "", List.of("ines")))));
        assertTrue(said(proof(staff, second), "translated", "fr/next.wording").startsWith("proved"), "staff work in the source language");
    }

    private static DispatchMessage told(String code, MessageMoment moment, String of, String when, String body) {
        return new DispatchMessage(code, "", when, List.of("office@quillmere.example"), List.of(), "About it", body, ToldAnswers.NOTHING,
                List.of()).withOccasion(new MessageOccasion(moment, of, 0));
    }

    private static Questionnaire withMessage(DispatchMessage message) {
        FollowUp ride = FollowUp.of("ride", "second", "hurt").withBrings(List.of(new Brought("safe", "b", BroughtKind.YES_NO)))
                .withDecision(new FollowUpDecision(List.of("role:reviewer"),
                        List.of(new DecisionChoice("fine", "Fine", false), new DecisionChoice("lost", "Lost", false))));
        return questionnaire("first", yesNo("hurt"), number("legs", 2).withAskWhen("hurt")).withFollowUps(
                List.of(ride, FollowUp.of("after", "second", "ride.safe = true"), FollowUp.of("beside", "second", "")))
                .withMessages(List.of(message));
    }

    @Test
    void aMessageOfAFollowUpIsReadByWhomItIsOpenedFor() {
        Questionnaire second = questionnaire("second", yesNo("b"));
        Proof opened = proof(withMessage(told("m", MessageMoment.OPENED, "ride", "", "{legs} legs")), second);
        assertEquals(List.of(), opened.claims().stream().filter(c -> c.at().row().equals("m") && c.verdict() != Verdict.PROVED).toList());
        Proof sent = proof(withMessage(told("m", MessageMoment.SENT, "beside", "", "{legs} legs")), second);
        assertEquals(List.of("text-filled"), sent.claims().stream().filter(c -> c.at().row().equals("m") && c.verdict() == Verdict.REFUTED)
                .map(c -> c.kind().word()).toList(), "whoever is not hurt reads it too");
        Proof after = proof(withMessage(told("m", MessageMoment.OPENED, "after", "ride.decision = \"lost\"", "{legs} legs")), second);
        assertEquals(Verdict.PROVED, after.claim("message-sent", "m").orElseThrow().verdict());
        assertEquals("lost", after.claim("message-sent", "m").orElseThrow().finding().followed().getFirst().decision());
        Proof never = proof(withMessage(told("m", MessageMoment.DECIDED, "ride", "hurt = false", "")), second);
        assertEquals(Verdict.REFUTED, never.claim("message-sent", "m").orElseThrow().verdict());
        assertEquals(Verdict.UNDECIDED, proof(withMessage(told("m", MessageMoment.OPENED, "ride", "", ""))).claim("message-sent", "m")
                .orElseThrow().verdict(), "what is opened is not given");
    }

    /** A condition is tried at its moment, so it speaks of nothing that is not over by then. */
    @Test
    void aMessageSpeaksOfWhatIsKnownByThen() {
        Map<DispatchMessage, Boolean> known = new HashMap<>();
        known.put(told("m", MessageMoment.OPENED, "ride", "ride.safe = true", ""), false);
        known.put(told("m", MessageMoment.OVERDUE, "ride", "ride.decision = \"fine\"", ""), false);
        known.put(told("m", MessageMoment.SENT, "ride", "ride.safe = true", ""), true);
        known.put(told("m", MessageMoment.SENT, "ride", "ride.decision = \"fine\"", ""), false);
        known.put(told("m", MessageMoment.RETURNED, "ride", "ride.safe = true", ""), true);
        known.put(told("m", MessageMoment.DECIDED, "ride", "ride.decision = \"fine\" and ride.safe = true", ""), true);
        known.put(told("m", MessageMoment.OPENED, "after", "ride.decision = \"fine\"", ""), true);
        known.put(told("m", MessageMoment.SENT, "beside", "ride.decision = \"fine\"", ""), false);
        known.put(told("m", MessageMoment.SENT, "ride", "asked(legs)", ""), false);
        known.forEach(
                (message, fits) -> assertEquals(fits, Wiring.of(withMessage(message)).at("m.sendWhen").orElseThrow().faults().isEmpty(),
                        message.toString()));
        assertTrue(said(proof(withMessage(told("m", MessageMoment.OPENED, "gone", "", "")), questionnaire("second", yesNo("b"))),
                "reference-exists", "m").contains("here is no follow-up gone any more"));
    }

    @Test
    void caseWithinACaseIsPartOfIt() {
        Questionnaire inner = questionnaire("inner", number("n", 3));
        Questionnaire second = questionnaire("second", yesNo("b"))
                .withFollowUps(
                        List.of(FollowUp.of("deep", "inner", "b").withCarries(List.of(new Carried("n", "if b then 9 else 1", true)))));
        Questionnaire first = questionnaire("first", yesNo("a")).withFollowUps(List.of(FollowUp.of("next", "second", "a")));
        Proof proof = proof(first, second, inner);
        CaseDocument composed = proof.caseDocument().orElseThrow();
        assertEquals(List.of("", "next", "nextYdeep"), List.copyOf(composed.parts().keySet()));
        assertTrue(said(proof(second, inner), "carry-fits", "deep/carry/0").startsWith("refuted"), "the second says so itself");
        assertEquals(Verdict.PROVED, proof.claim("follow-up-passable", "next").orElseThrow().verdict());
    }

    @Test
    void afterAnEditOfEitherItSaysWhatItSaysAnew() {
        Questionnaire second = questionnaire("second", number("n", 4), yesNo("b"));
        FollowUpDecision decision = new FollowUpDecision(List.of("ines"),
                List.of(new DecisionChoice("fine", "", false), new DecisionChoice("bad", "", false)));
        Questionnaire first = questionnaire("first", number("a", 6)).withFollowUps(List.of(
                FollowUp.of("next", "second", "a > 2").withCarries(List.of(new Carried("n", "a", true))).withDecision(decision)
                        .withBrings(List.of(new Brought("b", "b", BroughtKind.YES_NO))),
                FollowUp.of("last", "second", "next.decision = \"fine\" and next.b")));
        Proof before = proof(first, second);
        Questionnaire wider = questionnaire("second", number("n", 6), yesNo("b"));
        List<Questionnaire> edits = new ArrayList<>(List.of(first.withPages(questionnaire("first", number("a", 3)).pages()),
                first.withFollowUps(first.followUps().subList(0, 1))));
        for (Questionnaire edited : edits) {
            for (Questionnaire opened : List.of(second, wider)) {
                assertEquals(verdicts(proof(edited, opened)), verdicts(before.after(edited, Limits.USUAL, Watch.NOBODY, known(opened))));
            }
        }
        assertNotEquals(verdicts(before), verdicts(before.after(first, Limits.USUAL, Watch.NOBODY, known(wider))));
    }

    @Test
    void aCaseOfTooManyPagesIsUndecided() {
        List<Page> pages = new ArrayList<>(List.of(Page.empty("page", "Page").withItems(List.of(yesNo("a")))));
        while (pages.size() < CaseDocument.MOST_PAGES) {
            pages.add(Page.empty("p" + pages.size(), ""));
        }
        Questionnaire first = questionnaire("first", yesNo("a")).withPages(pages)
                .withFollowUps(List.of(FollowUp.of("next", "second", "a")));
        assertTrue(said(proof(first, questionnaire("second", yesNo("b"))), "follow-up-passable", "next")
                .contains("undecided: This cannot be decided exactly: the whole case has more than 1000 pages."),
                said(proof(first, questionnaire("second", yesNo("b"))), "follow-up-passable", "next"));
    }

    private static Map<String, String> verdicts(Proof proof) {
        Map<String, String> verdicts = new TreeMap<>();
        proof.claims().forEach(c -> verdicts.put(c.id(), c.verdict().word() + " " + proof.words().statement(c)));
        return verdicts;
    }
}
