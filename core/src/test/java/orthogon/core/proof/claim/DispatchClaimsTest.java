package orthogon.core.proof.claim;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Roster;
import org.junit.jupiter.api.Test;

class DispatchClaimsTest {

    private static Proof proof(DispatchMessage... messages) {
        Question mail = Question.of("mail", "Address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""));
        Roster each = new Roster("each", "Each", "", "", 0, 2,
                List.of(Question.of("inner", "Address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))));
        return Proof.of(Questionnaire.blank("herons", "Herons").withPages(List.of(Page.empty("bank", "Bank")
                .withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()), mail, each)))).withMessages(List.of(messages)),
                RandomDocument.TODAY);
    }

    private static DispatchMessage message(String when, String answer) {
        return new DispatchMessage("m", "", when, List.of(), List.of(answer), "Subject", "", ToldAnswers.EVERYTHING, List.of());
    }

    private static List<Verdict> verdicts(Proof proof) {
        return List.of(proof.claim(ClaimKind.MESSAGE_SENT, "m").orElseThrow().verdict(),
                proof.claim(ClaimKind.RECIPIENT_FILLED, "m").orElseThrow().verdict());
    }

    @Test
    void besideARosterTheAnswersOfTheInterviewDecide() {
        assertEquals(List.of(Verdict.PROVED, Verdict.REFUTED), verdicts(proof(message("nest or count(each) = 2", "mail"))));
        assertEquals(List.of(Verdict.PROVED, Verdict.PROVED), verdicts(proof(message("nest and answered(mail)", "mail"))));
        assertEquals(List.of(Verdict.REFUTED, Verdict.PROVED), verdicts(proof(message("nest and not(nest)", "mail"))));
    }

    private static Proof proof(List<DispatchMessage> messages, List<DispatchPassage> passages, String... claims) {
        Questionnaire document = proof().wiring().document().withMessages(messages).withPassages(passages);
        List<OwnClaim> own = new ArrayList<>();
        for (String that : claims) {
            own.add(new OwnClaim("c" + own.size(), Says.ALWAYS, that));
        }
        return Proof.of(document.withClaims(own), RandomDocument.TODAY);
    }

    private static String told(Proof proof, ClaimKind kind, String place) {
        Claim claim = proof.claim(kind, place).orElseThrow();
        return claim.verdict().word() + ": " + proof.words().headline(claim);
    }

    @Test
    void ownClaimsSayWhoHearsFromUs() {
        List<DispatchMessage> messages = List.of(message("nest", "mail"));
        assertEquals(Verdict.REFUTED, proof(messages, List.of(), "sends(m)").claim(ClaimKind.OWN, "c0").orElseThrow().verdict());
        assertEquals(Verdict.REFUTED, proof(messages, List.of(), "sends(m) or not(nest = true)").claim(ClaimKind.OWN, "c0").orElseThrow()
                .verdict());
        assertEquals(Verdict.PROVED, proof(messages, List.of(), "sends(m) or not(nest = true) or not(answered(mail))")
                .claim(ClaimKind.OWN, "c0").orElseThrow().verdict());
        assertEquals(Verdict.PROVED,
                proof(messages, List.of(), "not(sends(m)) or nest").claim(ClaimKind.OWN, "c0").orElseThrow().verdict());
        Claim fault = proof(messages, List.of(), "sends(nobody)").claim(ClaimKind.OWN, "c0").orElseThrow();
        assertEquals(Verdict.UNDECIDED, fault.verdict());
    }

    @Test
    void whatAMessageLeavesOutIsNamed() {
        DispatchMessage all = message("", "mail").withContents(new MessageContents(ToldAnswers.EVERYTHING, List.of(), true, false, false));
        assertEquals("proved: It tells everything that was asked.", told(proof(all), ClaimKind.MESSAGE_COMPLETE, "m"));
        DispatchMessage some = all.withContents(new MessageContents(ToldAnswers.THESE, List.of("nest"), true, false, false));
        assertTrue(told(proof(some), ClaimKind.MESSAGE_COMPLETE, "m").startsWith("refuted: It leaves out mail, inner, which"),
                told(proof(some), ClaimKind.MESSAGE_COMPLETE, "m"));
        DispatchMessage most = all.withContents(new MessageContents(ToldAnswers.THESE, List.of("nest", "mail"), true, false, false));
        assertTrue(told(proof(most), ClaimKind.MESSAGE_COMPLETE, "m").startsWith("refuted: It leaves out inner, which is asked of this"));
        assertEquals("proved: Nobody who makes it be sent is asked anything else.",
                told(proof(most.withSendWhen("count(each) = 0")), ClaimKind.MESSAGE_COMPLETE, "m"));
    }

    @Test
    void aWordingThatNobodyReadsIsExplained() {
        DispatchPassage part = new DispatchPassage("part", List.of(new PassageWording("nest", "a"),
                new PassageWording("nest = true and answered(mail)", "b"), new PassageWording("", "c")));
        List<DispatchMessage> messages = List.of(message("answered(mail)", "mail").withTexts("S", "{part} for {mail}"));
        Proof proof = proof(messages, List.of(part));
        assertEquals(List.of("proved", "refuted", "proved"), List.of(0, 1, 2).stream()
                .map(n -> proof.claim(ClaimKind.PASSAGE_APPEARS, "part/includeWhen/" + n).orElseThrow().verdict().word()).toList());
        assertTrue(told(proof, ClaimKind.PASSAGE_APPEARS, "part/includeWhen/1").contains("Nobody reads it"));
        assertEquals(Verdict.PROVED, proof.claim(ClaimKind.CONDITION_VARIES, "part/includeWhen/0").orElseThrow().verdict());
        assertEquals(Verdict.REFUTED, proof.claim(ClaimKind.CONDITION_VARIES, "part/includeWhen/1").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim(ClaimKind.TEXT_FILLED, "m.body/mail").orElseThrow().verdict());
        Proof unnamed = proof(List.of(message("nest", "mail")), List.of(part));
        assertEquals(Verdict.REFUTED, unnamed.claim(ClaimKind.PASSAGE_APPEARS, "part/includeWhen/0").orElseThrow().verdict());
        assertTrue(told(unnamed, ClaimKind.CONDITION_VARIES, "part/includeWhen/0").contains("Nobody ever reaches this condition"));
    }

    @Test
    void aMessageToNobodyIsMendedByItsCondition() {
        for (String[] each : new String[][]{{"", "answered(mail)"},
                {"nest or count(each) > 0", "(nest or count(each) > 0) and answered(mail)"}}) {
            Claim claim = proof(message(each[0], "mail")).claim(ClaimKind.RECIPIENT_FILLED, "m").orElseThrow();
            Mend mend = claim.finding().mend().orElseThrow();
            assertEquals(List.of("m.sendWhen", each[1]), List.of(mend.place(), mend.text()));
            assertEquals(Verdict.PROVED,
                    proof(message(mend.text(), "mail")).claim(ClaimKind.RECIPIENT_FILLED, "m").orElseThrow().verdict());
        }
    }

    /** A passage names others before it, which name none; and stands where everything is answered. */
    @Test
    void aPassageWhereItCannotBePutInIsAFault() {
        DispatchPassage one = new DispatchPassage("one", List.of(new PassageWording("", "a")));
        DispatchPassage two = new DispatchPassage("two", List.of(new PassageWording("", "{one}")));
        DispatchPassage three = new DispatchPassage("three", List.of(new PassageWording("", "{two}")));
        assertEquals(List.of(), faults(List.of(one, two), "{two}"));
        assertEquals(List.of("three/includeWhen/0.text"), faults(List.of(one, two, three), "{three}"));
        assertEquals(List.of("two/includeWhen/0.text"), faults(List.of(two, one), "{two}"));
        assertEquals(List.of("m.body"), faults(List.of(one), "{one, select, other {x}}"));
        Questionnaire document = proof().wiring().document().withPassages(List.of(one));
        assertEquals(List.of("nest.wording"), Faults.of(Wiring.of(document.withItem("nest",
                i -> ((Question) i).withTexts("A {one} nest?", "")))).stream().map(f -> f.place()).toList());
        DispatchMessage invited = message("", "mail").withTexts("{one}", "{nest}")
                .withOccasion(new MessageOccasion(MessageMoment.INVITED, "", 0));
        assertEquals(List.of("m.subject", "m.body"), Faults.of(Wiring.of(document.withMessages(List.of(invited)))).stream()
                .map(f -> f.place()).toList());
    }

    private static List<String> faults(List<DispatchPassage> passages, String body) {
        return Faults.of(Wiring.of(proof(List.of(message("", "mail").withTexts("S", body)), passages).wiring().document())).stream()
                .map(f -> f.place()).toList();
    }

    /** A file may name anything; the proof says so, and goes on. */
    @Test
    void anAnswerThatIsNotThereIsAFaultThatLeavesTheClaimsOpen() {
        for (String nowhere : List.of("nowhere", "inner", "bank")) {
            Proof proof = proof(message("nest", nowhere));
            assertEquals(List.of(Verdict.UNDECIDED, Verdict.UNDECIDED), verdicts(proof), nowhere);
            Claim fault = proof.claims().stream().filter(c -> c.id().equals("reference-exists m")).findFirst().orElseThrow();
            assertEquals(Verdict.REFUTED, fault.verdict());
            assertTrue(proof.words().headline(fault).contains(nowhere), proof.words().headline(fault));
        }
    }
}
