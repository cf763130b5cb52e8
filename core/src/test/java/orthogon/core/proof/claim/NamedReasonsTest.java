package orthogon.core.proof.claim;

import orthogon.core.answer.text.TextAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.release.Gate;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Whatever holds up a release is listed, explained, and can be fixed, waived, or is a fault with a place. */
class NamedReasonsTest {

    private static final Limits FEW = new Limits(1 << 12, Duration.ofMinutes(1));

    private static void everyReasonIsNamed(Proof proof, String at) {
        Map<String, Claim> byId = new HashMap<>();
        proof.claims().forEach(c -> byId.put(c.id(), c));
        List<Gate.Waiver> waivers = new ArrayList<>();
        for (Claim claim : proof.claims()) {
            if (!claim.blocking() || claim.verdict() == Verdict.PROVED) {
                continue;
            }
            assertFalse(proof.words().because(claim).isBlank(), at + claim);
            if (claim.follows().isPresent()) {
                Claim cause = byId.get(claim.follows().get().text());
                assertTrue(cause != null && cause.verdict() != Verdict.PROVED && cause.blocking() && cause.follows().isEmpty(),
                        at + claim + " follows " + claim.follows().get() + ", which is " + cause);
            } else if (claim.family() == Family.SOUND) {
                assertFalse(claim.place().isBlank(), at + claim);
            } else {
                assertTrue(Gate.canBeWaived(claim), at + claim);
                waivers.add(new Gate.Waiver(claim.kind(), claim.place(), "seen", "ines", 1, proof.document()));
            }
        }
        for (Claim left : Gate.of(proof.claims(), proof.document(), waivers).inTheWay()) {
            String cause = left.follows().orElse(left.identity()).text();
            assertEquals(Family.SOUND, byId.get(cause).family(), at + left);
        }
    }

    @Test
    void randomDocumentsNameWhatHoldsThemUp() {
        for (long seed = 1; seed <= Sample.of(400); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            everyReasonIsNamed(Proof.of(document, RandomDocument.TODAY), "seed " + seed + " ");
            everyReasonIsNamed(Proof.of(document, RandomDocument.TODAY, FEW, Watch.NOBODY), "seed " + seed + ", few nodes ");
        }
    }

    @Test
    void documentsWithFaultsEverywhereNameThem() {
        Random random = new Random(3);
        List<String> texts = List.of("nobody_knows = 1", "x0 +", "string length(x0) + x1 > 3", "x9", "later", "x0 = x1 * x2");
        for (long seed = 1; seed <= Sample.of(300); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            for (Item item : document.items().toList()) {
                if (item instanceof Question q && random.nextInt(4) == 0) {
                    String text = texts.get(random.nextInt(texts.size()));
                    document = document.withItem(q.code(), i -> switch (random.nextInt(4)) {
                        case 0 -> q.withAskWhen(text);
                        case 1 -> q.withStartWith(text).withLockWhen("true");
                        case 2 -> q.withStartWith(text);
                        default -> q.withAccept(List.of(new Question.Accept(text, "")));
                    });
                }
            }
            everyReasonIsNamed(Proof.of(document, RandomDocument.TODAY), "seed " + seed + " ");
        }
    }

    @Test
    void aDocumentWithEveryTypeAndStartsOfEveryKindNamesThem() {
        Questionnaire every = EveryType.document();
        everyReasonIsNamed(Proof.of(every, RandomDocument.TODAY), "every type ");
        List<Question> questions = every.questions().filter(q -> !q.isHidden()).toList();
        for (Question from : questions) {
            Questionnaire copied = every;
            for (Question to : questions) {
                if (to != from && to.answer().type().equals(from.answer().type())) {
                    copied = copied.withItem(to.code(), i -> to.withStartWith(from.code()).withLockWhen("true"));
                }
            }
            Questionnaire again = copied.withPages(new ArrayList<>(copied.pages()) {
                {
                    add(Page.empty("again", "Again").withItems(List.of(from.withCode("the_same").withStartWith(from.code()),
                            from.withCode("and_the_same").withStartWith("the_same").withRequireWhen("true"))));
                }
            });
            everyReasonIsNamed(Proof.of(again, RandomDocument.TODAY), from.code() + " ");
        }
    }

    @Test
    void anEntryIsNamedByItsAnswersAndAFailureIsAVerdict() {
        Roster people = new Roster("people", "People", "{first, select, blank {A person} other {{first}}}", "", 1, 3,
                List.of(Question.of("first", "First name?", new TextAnswer(false, null, 20))));
        Proof proof = Proof.of(Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(people)))),
                RandomDocument.TODAY);
        assertEquals(Verdict.PROVED, proof.claim("text-filled", "people.entryTitle/first").orElseThrow().verdict());
        Proof gap = Proof.of(proof.document().withItem("people", i -> new Roster("people", "People", "{first}", "", 1, 3, people.items())),
                RandomDocument.TODAY);
        assertEquals(Verdict.REFUTED, gap.claim("text-filled", "people.entryTitle/first").orElseThrow().verdict());
        Proof failed = Proof.of(proof.document(), RandomDocument.TODAY, Limits.USUAL, new Watch() {
            @Override
            public void reached(String part) {
                throw new IllegalStateException("the tide came in");
            }
        });
        Claim reach = failed.claims().stream().filter(c -> c.family() == Family.REACH).findFirst().orElseThrow();
        assertEquals(Verdict.UNDECIDED, reach.verdict());
        assertTrue(proof.words().because(reach).contains("Orthogon failed here: IllegalStateException (the tide came in)"),
                proof.words().because(reach));
        everyReasonIsNamed(failed, "failed ");
    }
}
