package orthogon.core.proof;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.AllClaims;
import orthogon.core.proof.claim.CaseClaims;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.FollowUpFaults;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.FollowUp;

/** The proof of a case: the claims on the follow-ups of a questionnaire, and how many ways there are through all of it. */
final class CaseProof {

    /** What may be used to count: a count that takes longer is worth little to whoever waits for it. */
    private static final Limits COUNTING = new Limits(1 << 21, Duration.ofSeconds(10));

    /** @param basis null where a proof after an edit must begin anew */
    private record ComposedCase(CaseDocument document, List<Fault> faults, Limits limits, ProofBasis basis) {}

    private final List<Claim> claims;
    /** Null where the case was not composed or came to nothing. */
    private final ComposedCase composed;
    private final LocalDate asOf;
    private Figures figures;

    private CaseProof(List<Claim> claims, ComposedCase composed, LocalDate asOf) {
        this.claims = claims;
        this.composed = composed;
        this.asOf = asOf;
    }

    /** @param before the proof that this one may go on from; null for none */
    static CaseProof of(Wiring first, KnownQuestionnaires others, LocalDate asOf, Limits limits, Watch watch, CaseProof before) {
        Map<String, Message> faults = new LinkedHashMap<>();
        Map<String, Message> missing = new LinkedHashMap<>();
        for (FollowUp followUp : first.document().followUps()) {
            if (!FollowUpFaults.isGiven(followUp, others)) {
                missing.put(followUp.code(),
                        Message.of("follow-up-known.not-given").text("questionnaire", followUp.questionnaire()));
            } else {
                FollowUpFaults.of(first.document(), followUp, others).stream().findFirst()
                        .ifPresent(f -> faults.put(followUp.code(), f));
            }
        }
        if (!faults.isEmpty() || !missing.isEmpty()) {
            return new CaseProof(CaseClaims.undecided(first, faults, missing, Message.of("open.something")), null, asOf);
        }
        try {
            return composed(first, others, asOf, limits, watch, before);
        } catch (CaseDocument.TooManyPages e) {
            return beyond(first, Message.of("follow-up-known.pages").text("most", String.valueOf(CaseDocument.MOST_PAGES)), asOf);
        } catch (Diagrams.BudgetSpent e) {
            return beyond(first, e.why(), asOf);
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return beyond(first, Failure.message(e), asOf);
        }
    }

    /** A case about which nothing is decided. */
    static CaseProof beyond(Wiring first, Message why, LocalDate asOf) {
        return new CaseProof(CaseClaims.undecided(first, Map.of(), Map.of(), why), null, asOf);
    }

    private static CaseProof composed(Wiring first, KnownQuestionnaires others, LocalDate asOf, Limits limits, Watch watch,
            CaseProof before) {
        watch.reached("the whole case");
        CaseDocument document = new CaseDocument(first, others, watch::goOn);
        List<Fault> faults = Faults.of(document.form().original());
        ProofBasis basis = before == null || before.composed == null || !faults.isEmpty() ? null : before.composed.basis();
        if (basis != null) {
            synchronized (basis.diagrams()) {
                if (basis.leadsOn(limits)) {
                    basis.diagrams().begin(watch);
                    Space space = basis.space().after(document.form(), faults);
                    Flow flow = basis.claims().flow().after(space, AllClaims.asked(space), space.linkLevels());
                    CaseProof proof = decided(document, faults, flow, basis, others, asOf, limits, watch);
                    // What came to nothing may have missed the room that earlier proofs took.
                    if (proof.claims.stream().noneMatch(c -> c.verdict() == Verdict.UNDECIDED)) {
                        return proof;
                    }
                }
            }
        }
        Space space = new Space(document.form(), faults, asOf, new Diagrams(limits, watch));
        Flow flow = new Flow(space, Set.of(), AllClaims.asked(space), space.linkLevels());
        return decided(document, faults, flow, null, others, asOf, limits, watch);
    }

    private static CaseProof decided(CaseDocument document, List<Fault> faults, Flow flow, ProofBasis before, KnownQuestionnaires others,
            LocalDate asOf, Limits limits, Watch watch) {
        AllClaims all = new AllClaims(flow, faults, watch, before == null ? null : before.claims(), CaseClaims.isWanted(document));
        ProofBasis basis = ProofBasis.of(all, faults, limits, before).orElse(null);
        return new CaseProof(new CaseClaims(document, others, asOf, all).all(), new ComposedCase(document, faults, limits, basis), asOf);
    }

    /** The claims beside those of the document alone; own claims that speak of follow-ups are decided by the case alone. */
    List<Claim> beside(Wiring first, List<Claim> own) {
        Set<String> again = claims.stream().map(Claim::id).collect(Collectors.toSet());
        List<Claim> all = new ArrayList<>(
                own.stream().filter(c -> !again.contains(c.id()) && !CaseClaims.isOfCase(first, c)).toList());
        int at = all.size();
        while (at > 0 && all.get(at - 1).kind() == ClaimKind.OWN) {
            at--;
        }
        all.addAll(at, claims.stream().filter(c -> c.kind() != ClaimKind.OWN).toList());
        all.addAll(claims.stream().filter(c -> c.kind() == ClaimKind.OWN).toList());
        return List.copyOf(all);
    }

    List<Claim> claims() {
        return claims;
    }

    /** The composed document; empty where there is none. */
    Optional<CaseDocument> document() {
        return Optional.ofNullable(composed).map(ComposedCase::document);
    }

    /** How many ways there are through the whole case, counted when it is first asked for. */
    synchronized Figures figures(Watch watch) {
        if (figures == null) {
            figures = counted(watch);
        }
        return figures;
    }

    private Figures counted(Watch watch) {
        if (composed == null) {
            return Figures.none(false, Message.of("open.something"));
        }
        try {
            Limits few = new Limits(Math.min(composed.limits().nodes(), COUNTING.nodes()),
                    composed.limits().time().compareTo(COUNTING.time()) < 0 ? composed.limits().time() : COUNTING.time());
            return Figures.ofPaths(new Space(composed.document().form(), composed.faults(), asOf, new Diagrams(few, watch)));
        } catch (Diagrams.BudgetSpent e) {
            return Figures.none(false, e.why());
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return Figures.none(false, Failure.message(e));
        }
    }
}
