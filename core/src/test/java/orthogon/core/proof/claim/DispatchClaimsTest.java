package orthogon.core.proof.claim;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
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
