package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.CaseEnumeration.Followed;
import orthogon.core.proof.CaseEnumeration.WholeCase;
import orthogon.core.proof.claim.CaseWalk;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.CaseDrill;
import orthogon.core.proof.drill.CaseDrill.CaseGoal;
import orthogon.core.proof.drill.CaseLane;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Questionnaire;

/** Cases of random questionnaires, proved as one document and tried one by one. */
class CaseAgreesWithEnumerationTest {

    private static final int CASES = Integer.getInteger("orthogon.documents", Sample.of(1000));

    /** So many cases of each are walked through interviews. */
    private static final int WALKED = 30;

    private final Map<String, Map<Verdict, Integer>> seen = new HashMap<>();

    @Test
    void everyVerdictAndCountOfRandomCasesAgreesWithTryingAllOfThem() {
        int tried = 0;
        for (long seed = 1; tried < CASES; seed++) {
            Optional<RandomCase> drawn = RandomCase.of(seed);
            if (drawn.isPresent() && isTried(seed, drawn.get())) {
                tried++;
            }
        }
        for (String kind : Set.of("follow-up-opened", "follow-up-passable", "carry-fits", "brings-filled", "own", "condition-varies",
                "comparison-matters", "message-sent", "recipient-filled")) {
            for (Verdict verdict : Set.of(Verdict.PROVED, Verdict.REFUTED)) {
                assertTrue(seen.get(kind).getOrDefault(verdict, 0) > Sample.mustPass(3), kind + " " + seen);
            }
        }
    }

    private boolean isTried(long seed, RandomCase drawn) {
        Questionnaire document = drawn.document();
        Wiring wiring = Wiring.of(document);
        assertTrue(Faults.of(wiring).isEmpty(), "seed " + seed + Faults.of(wiring));
        CaseEnumeration all;
        Enumeration composed;
        Proof proof = Proof.of(document, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY, drawn.others());
        CaseDocument whole = proof.caseDocument().orElseThrow();
        if (!Faults.of(whole.form().original()).isEmpty()) {
            return false;
        }
        try {
            all = new CaseEnumeration(wiring, drawn.opened());
            composed = new Enumeration(whole.form().original());
        } catch (Enumeration.TooLarge e) {
            return false;
        }
        verdictsAgree(seed, proof, all);
        assertEquals(composed.answerPaths(), proof.caseFigures(Watch.NOBODY).orElseThrow().answerPaths().orElseThrow(), "seed " + seed);
        lanesAgree(seed, wiring, drawn.others(), all);
        document.followUps().forEach(f -> assertEquals(Optional.ofNullable(all.openings.get(f.code())),
                proof.opensWith(f.code()).map(Set::copyOf), "seed " + seed + " " + f));
        assertEquals(all.cases, told(seed, wiring, drawn.others(), whole, composed), "seed " + seed);
        return true;
    }

    /** Every lane that some case takes is told and no other, and the drills together do all that some case does. */
    private void lanesAgree(long seed, Wiring wiring, KnownQuestionnaires others, CaseEnumeration all) {
        CaseLanes lanes;
        try {
            lanes = CaseLanes.of(wiring, others, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
        } catch (Drills.NotPossible e) {
            throw new AssertionError("seed " + seed + " " + e.getMessage());
        }
        assertEquals(all.goals, lanes.goals(), "seed " + seed);
        assertEquals(all.lanes.size() > CaseLanes.MOST, lanes.more(), "seed " + seed);
        Set<CaseLane> told = lanes.lanes().stream().map(CaseLanes.WalkedLane::lane).collect(Collectors.toSet());
        assertEquals(lanes.lanes().size(), told.size(), "seed " + seed);
        if (lanes.more()) {
            assertTrue(all.lanes.containsAll(told), "seed " + seed);
        } else {
            assertEquals(all.lanes, told, "seed " + seed);
        }
        Set<CaseGoal> covered = new LinkedHashSet<>();
        for (CaseDrill drill : lanes.drills()) {
            covered.addAll(drill.covers());
            assertTrue(CaseLanes.differences(wiring, others, RandomDocument.TODAY, drill).isEmpty(), "seed " + seed + " " + drill);
        }
        assertEquals(all.goals, covered, "seed " + seed);
    }

    private void verdictsAgree(long seed, Proof proof, CaseEnumeration all) {
        Map<String, Boolean> verdicts = new TreeMap<>();
        for (Claim claim : proof.claims()) {
            boolean ofCase = claim.family() == Family.FOLLOW_UP || claim.kind() == ClaimKind.OWN
                    || claim.place().contains(".openFollowUp") || claim.at().row().matches("m\\d") && !claim.place().contains(".subject");
            if (!ofCase || Set.of(ClaimKind.FOLLOW_UP_KNOWN, ClaimKind.FOLLOW_UP_REACH).contains(claim.kind())
                    || claim.family() == Family.SOUND) {
                continue;
            }
            assertNotEquals(Verdict.UNDECIDED, claim.verdict(), "seed " + seed + " " + claim + claim.finding());
            assertNotEquals(Finding.disagreement(), claim.finding(), "seed " + seed + " " + claim);
            verdicts.put(claim.id(), claim.verdict() == Verdict.PROVED);
            seen.computeIfAbsent(claim.kind().word(), k -> new HashMap<>()).merge(claim.verdict(), 1, Integer::sum);
        }
        Map<String, Boolean> expected = new TreeMap<>(all.verdicts);
        // What nothing hangs on is not claimed.
        expected.keySet().removeIf(id -> id.startsWith("brings-filled") && !verdicts.containsKey(id));
        assertEquals(expected, verdicts, "seed " + seed);
    }

    /** The endings of the composed document, each as the case that it stands for; some of them are walked. */
    private static Set<WholeCase> told(long seed, Wiring wiring, KnownQuestionnaires others, CaseDocument whole,
            Enumeration composed) {
        Set<WholeCase> told = new LinkedHashSet<>();
        int every = Math.max(1, composed.endings.size() / WALKED);
        int walked = 0;
        for (Enumeration.Ending ending : composed.endings) {
            Map<String, Object> answers = new TreeMap<>();
            ending.answers().forEach((code, value) -> {
                if (value != null) {
                    answers.put(code, value);
                }
            });
            CaseWitness witness = whole.witness(answers);
            if (++walked % every == 0) {
                assertTrue(CaseWalk.of(wiring, others, RandomDocument.TODAY, witness).agrees(), "seed " + seed + " " + witness);
            }
            told.add(new WholeCase(new TreeMap<>(witness.answers()), witness.followed().stream()
                    .map(f -> new Followed(f.name(), f.state(), f.decision(), new TreeMap<>(f.answers()))).collect(Collectors.toList())));
        }
        return told;
    }
}
