package orthogon.core.proof;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.AllClaims;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Sentences;
import orthogon.core.proof.claim.SoundClaims;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.spelled.Spelled;
import orthogon.core.questionnaire.Questionnaire;

/** The verdicts on every claim of one document, and its figures. Safe to read from several threads. */
public final class Proof {

    /** Most diagram nodes, at 20 bytes each, before a claim is given up as undecided. */
    private static final int NODES = 1 << 23;

    private final Wiring wiring;
    private final LocalDate asOf;
    private final List<Claim> claims;
    private final Figures figures;
    private final Sentences sentences;

    private Proof(Wiring wiring, LocalDate asOf, List<Claim> claims, Figures figures) {
        this.wiring = wiring;
        this.asOf = asOf;
        this.claims = claims;
        this.figures = figures;
        this.sentences = new Sentences(Spelled.of(wiring));
    }

    /** @param asOf what {@code today()} is */
    public static Proof of(Questionnaire document, LocalDate asOf) {
        Wiring wiring = Wiring.of(document);
        List<Fault> faults = Faults.of(wiring);
        Optional<Fault> twice = faults.stream().filter(f -> f.kind() == Fault.Kind.CODE_UNIQUE).findFirst();
        if (twice.isPresent()) {
            return unfinished(wiring, asOf, faults, "code-unique " + twice.get().place());
        }
        try {
            Spelled spelled = Spelled.of(wiring);
            Space space = new Space(spelled, spelled.faults(faults), asOf, new Diagrams(NODES));
            Flow flow = new Flow(space, Set.of(), Flow.askedInClaims(space), space.linkLevels());
            List<Claim> claims = AllClaims.of(flow, faults);
            return new Proof(wiring, asOf, claims, Figures.of(flow));
        } catch (Diagrams.BudgetSpent e) {
            return unfinished(wiring, asOf, faults, e.getMessage());
        }
    }

    private static Proof unfinished(Wiring wiring, LocalDate asOf, List<Fault> faults, String why) {
        List<Claim> claims = new ArrayList<>(SoundClaims.of(wiring, faults));
        claims.add(AllClaims.undecided(Family.REACH, "reach-page", wiring.document().code(), why));
        Figures none = new Figures(Optional.empty(), Map.of(), false, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(why));
        return new Proof(wiring, asOf, claims, none);
    }

    public Questionnaire document() {
        return wiring.document();
    }

    public Wiring wiring() {
        return wiring;
    }

    public LocalDate asOf() {
        return asOf;
    }

    public List<Claim> claims() {
        return claims;
    }

    public Figures figures() {
        return figures;
    }

    public Optional<Claim> claim(String kind, String place) {
        return claims.stream().filter(c -> c.kind().equals(kind) && c.place().equals(place)).findFirst();
    }

    /** The condition at a place as a sentence. */
    public String sentence(String place) {
        return sentences.at(place);
    }

    public long count(Verdict verdict) {
        return claims.stream().filter(c -> c.verdict() == verdict).count();
    }

    /** Whether every blocking claim is proved. */
    public boolean opensGate() {
        return claims.stream().noneMatch(c -> c.blocking() && c.verdict() != Verdict.PROVED);
    }
}
