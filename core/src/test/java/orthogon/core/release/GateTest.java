package orthogon.core.release;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.edit.ChangeLanguages;
import orthogon.core.edit.Translate;
import orthogon.core.language.Texts;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate.Waiver;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class GateTest {

    /** Nobody is asked {@code never}, and its condition is idle because of that. */
    private static final Questionnaire DOCUMENT = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("wet", "Wet?", new YesNoAnswer()), Question.of("never", "Never?", new YesNoAnswer()),
                    Question.of("last", "Last?", new YesNoAnswer())))));

    private static Questionnaire with(Map<String, String> places) {
        return Places.with(DOCUMENT, places);
    }

    private static final Questionnaire FAULTY = with(Map.of("never.askWhen", "wet = true and wet = false"));

    private static List<Claim> claims(Questionnaire document) {
        return Proof.of(document, LocalDate.of(2026, 11, 2)).claims();
    }

    private static Waiver waiver(ClaimKind kind, String place, String reason) {
        return new Waiver(kind, place, reason, "ines", 1, FAULTY);
    }

    @Test
    void aWaivedClaimAndWhatFollowsFromItBlockNothing() {
        Gate shut = Gate.of(claims(FAULTY), FAULTY, List.of());
        assertTrue(shut.inTheWay().size() > 1 && !shut.isOpen(), shut.inTheWay().toString());
        Gate open = Gate.of(claims(FAULTY), FAULTY, List.of(waiver(ClaimKind.REACH_QUESTION, "never", "older"),
                waiver(ClaimKind.REACH_QUESTION, "never", "It comes back next winter.")));
        assertEquals(List.of(), open.inTheWay());
        assertEquals(List.of("It comes back next winter."), open.waived().values().stream().map(Waiver::reason).toList());
        assertEquals(List.of(), open.lapsed());
    }

    @Test
    void aWaiverOfAnotherClaimHelpsNobodyAndOneOfAConsequenceCountsForNothing() {
        Claim consequence = claims(FAULTY).stream().filter(c -> c.follows().isPresent() && c.blocking()).findFirst().orElseThrow();
        Gate gate = Gate.of(claims(FAULTY), FAULTY,
                List.of(waiver(ClaimKind.REACH_QUESTION, "wet", "no"), waiver(consequence.kind(), consequence.place(), "no")));
        assertEquals(Gate.of(claims(FAULTY), FAULTY, List.of()).inTheWay().size(), gate.inTheWay().size());
        assertEquals(Map.of(), gate.waived());
    }

    @Test
    void aLanguageHoldsUpItselfAloneUntilAllItsTextsAreCurrent() throws Refused {
        Questionnaire two = new ChangeLanguages(List.of("fr", "pl")).apply(DOCUMENT);
        Gate gate = Gate.of(claims(two), two, List.of());
        assertTrue(gate.isOpen(), gate.inTheWay().toString());
        assertEquals(List.of(), gate.ready());
        List<Translate.TranslatedText> texts = Texts.all(two).keySet().stream()
                .map(u -> new Translate.TranslatedText(u, "Texte", Translate.DRAFT)).toList();
        Questionnaire french = new Translate("fr", texts).apply(two);
        assertEquals(List.of("fr"), Gate.of(claims(french), french, List.of()).ready());
        assertEquals(Texts.all(two).size(), Gate.of(claims(french), french, List.of()).languages().get("pl").size());
        Questionnaire stale = french.withItem("wet", i -> ((Question) i).withTexts("Is it damp?", ""));
        assertEquals(List.of("translated fr/wet.wording"),
                Gate.of(claims(stale), stale, List.of()).languages().get("fr").stream().map(Claim::id).toList());
    }

    @Test
    void aWaiverLapsesWhenItsPlaceReadsOtherwise() {
        List<Waiver> waivers = List.of(waiver(ClaimKind.REACH_QUESTION, "never", "It comes back next winter."));
        Questionnaire elsewhere = Places.with(FAULTY, Map.of("last.askWhen", "wet = true"));
        assertTrue(Gate.of(claims(elsewhere), elsewhere, waivers).isOpen());
        Questionnaire changed = with(Map.of("never.askWhen", "wet = false and wet = true"));
        Gate gate = Gate.of(claims(changed), changed, waivers);
        assertFalse(gate.isOpen());
        assertEquals(waivers, gate.lapsed().stream().map(Gate.Lapsed::waiver).toList());
        assertEquals("never", gate.lapsed().getFirst().claim().orElseThrow().place());
    }

    @Test
    void faultsCannotBeAnsweredFor() {
        Questionnaire unsound = with(Map.of("never.askWhen", "last = true"));
        Gate gate = Gate.of(claims(unsound), unsound,
                List.of(new Waiver(ClaimKind.LOOKS_AHEAD, "never.askWhen", "I know", "ines", 1, unsound)));
        assertFalse(gate.isOpen());
        assertEquals(Map.of(), gate.waived());
    }
}
