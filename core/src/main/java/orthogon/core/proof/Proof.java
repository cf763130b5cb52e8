package orthogon.core.proof;

import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.AllClaims;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.OpenedAtEnds;
import orthogon.core.proof.claim.SoundClaims;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.Share;
import orthogon.core.proof.flow.Transition;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Questionnaire;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Supplier;

/** The verdicts on every claim of one document, and its figures. Safe to read from several threads. */
public final class Proof {

    /** What may be used to find the last day for which a proof holds. */
    private static final Limits LOOK_AHEAD = new Limits(1 << 20, Duration.ofSeconds(3));

    private final Wiring wiring;
    private final LocalDate asOf;
    private final List<Claim> claims;
    private final Supplier<Figures> counting;
    private final Supplier<PlainForm> plainForm;
    /** Where another proof may go on after an edit; null where it must begin anew. */
    private final ProofBasis basis;
    /** Null where no follow-up is opened. */
    private final CaseProof ofCase;
    private volatile Figures figures;
    private LocalDate holdsUntil;
    private Map<String, List<String>> openings;
    private ClaimWords words;

    private Proof(Wiring wiring, Supplier<PlainForm> plainForm, LocalDate asOf, List<Claim> claims, Supplier<Figures> counting,
            ProofBasis basis, CaseProof ofCase) {
        this.basis = basis;
        this.wiring = wiring;
        this.asOf = asOf;
        this.ofCase = ofCase;
        this.claims = ofCase == null ? List.copyOf(claims) : ofCase.beside(wiring, claims);
        this.counting = counting;
        this.plainForm = plainForm;
    }

    /** @param asOf what {@code today()} is */
    public static Proof of(Questionnaire document, LocalDate asOf) {
        return of(document, asOf, Limits.USUAL, Watch.NOBODY);
    }

    /**
     * @param asOf what {@code today()} is
     * @param limits what the proof may use before it leaves something undecided
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public static Proof of(Questionnaire document, LocalDate asOf, Limits limits, Watch watch) {
        return of(document, asOf, limits, watch, KnownQuestionnaires.NONE);
    }

    /**
     * @param asOf what {@code today()} is
     * @param limits what the proof may use before it leaves something undecided
     * @param others what follow-ups open
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public static Proof of(Questionnaire document, LocalDate asOf, Limits limits, Watch watch, KnownQuestionnaires others) {
        return begun(document, asOf, limits, watch, null, others);
    }

    /**
     * The proof of a document that came of this one's by an edit. It says what {@link #of} says, and asks again only what the edit may
     * have changed.
     *
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public Proof after(Questionnaire edited, Limits limits, Watch watch) {
        return after(edited, limits, watch, KnownQuestionnaires.NONE);
    }

    /**
     * The proof of a document that came of this one's by an edit, as {@link #after(Questionnaire, Limits, Watch)}.
     *
     * @param others what follow-ups open
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public Proof after(Questionnaire edited, Limits limits, Watch watch, KnownQuestionnaires others) {
        if (basis != null) {
            synchronized (basis.diagrams()) {
                if (basis.leadsOn(limits)) {
                    Proof proof = begun(edited, asOf, limits, watch, this, others);
                    // What came to nothing may have missed the room that earlier proofs took.
                    if (proof.claims.stream().noneMatch(c -> c.verdict() == Verdict.UNDECIDED)) {
                        return proof;
                    }
                }
            }
        }
        return of(edited, asOf, limits, watch, others);
    }

    /** The proof of a document at which Orthogon failed: every claim is undecided, with the reason. */
    public static Proof failed(Questionnaire document, LocalDate asOf, Throwable error) {
        Wiring wiring = Wiring.of(document);
        return unfinished(wiring, asOf, Faults.of(wiring), new Unknown.Beyond(Failure.message(error)));
    }

    /** The proof of a document that somebody stopped: every claim is undecided. */
    public static Proof stopped(Questionnaire document, LocalDate asOf) {
        Wiring wiring = Wiring.of(document);
        return unfinished(wiring, asOf, Faults.of(wiring), new Unknown.Beyond(Message.of("stopped.proof")));
    }

    private static Proof begun(Questionnaire document, LocalDate asOf, Limits limits, Watch watch, Proof earlier,
            KnownQuestionnaires others) {
        ProofBasis before = earlier == null ? null : earlier.basis;
        Wiring wiring = Wiring.of(document, watch::goOn);
        List<Fault> faults = Faults.of(wiring);
        watch.goOn();
        Optional<Fault> twice = faults.stream().filter(f -> f.kind() == Fault.SoundClaim.CODE_UNIQUE).findFirst();
        if (twice.isPresent()) {
            return unfinished(wiring, asOf, faults, twice.get().unknown());
        }
        try {
            watch.reached("answer classes");
            PlainForm plainForm = PlainForm.of(wiring, watch::goOn);
            watch.goOn();
            Space space;
            if (before == null) {
                space = space(plainForm, faults, asOf, limits, watch);
            } else {
                before.space().diagrams().begin(watch);
                space = before.space().after(plainForm, faults);
            }
            watch.reached("who comes to each page");
            Flow flow = before == null
                    ? new Flow(space, Set.of(), AllClaims.asked(space), space.linkLevels())
                    : before.claims().flow().after(space, AllClaims.asked(space), space.linkLevels());
            AllClaims all = new AllClaims(flow, faults, watch, before == null ? null : before.claims());
            ProofBasis basis = ProofBasis.of(all, faults, limits, before).orElse(null);
            CaseProof ofCase = document.followUps().isEmpty()
                    ? null
                    : CaseProof.of(wiring, others, asOf, limits, watch, earlier == null ? null : earlier.ofCase);
            return new Proof(wiring, () -> plainForm, asOf, all.claims(), () -> figures(plainForm, faults, asOf, limits, watch), basis,
                    ofCase);
        } catch (Diagrams.BudgetSpent e) {
            return unfinished(wiring, asOf, faults, new Unknown.Beyond(e.why()));
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return unfinished(wiring, asOf, faults, new Unknown.Beyond(Failure.message(e)));
        }
    }

    private static Space space(PlainForm plainForm, List<Fault> faults, LocalDate asOf, Limits limits, Watch watch) {
        return new Space(plainForm, plainForm.faults(faults), asOf, new Diagrams(limits, watch));
    }

    /** Counting has diagrams of its own, so that what it spends is not missing where claims are explained. */
    private static Figures figures(PlainForm plainForm, List<Fault> faults, LocalDate asOf, Limits limits, Watch watch) {
        try {
            watch.reached("counts");
            return Figures.of(space(plainForm, faults, asOf, limits, watch));
        } catch (Diagrams.BudgetSpent e) {
            return Figures.none(false, e.why());
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return Figures.none(false, Failure.message(e));
        }
    }

    private static Proof unfinished(Wiring wiring, LocalDate asOf, List<Fault> faults, Unknown why) {
        List<Claim> claims = new ArrayList<>(SoundClaims.of(wiring, faults));
        claims.addAll(AllClaims.undecided(wiring.document().code(), why));
        CaseProof ofCase = wiring.document().followUps().isEmpty() ? null : CaseProof.beyond(wiring, why.why(), asOf);
        return new Proof(wiring, () -> PlainForm.of(wiring), asOf, claims, () -> Figures.none(false, why.why()), null, ofCase);
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

    /**
     * Codes of the outcomes with which somebody opens a follow-up, in document order; empty where other follow-ups decide it as well, or
     * where it cannot be decided.
     */
    public synchronized Optional<List<String>> opensWith(String followUp) {
        if (openings == null) {
            openings = OpenedAtEnds.of(wiring, asOf, LOOK_AHEAD, Watch.NOBODY).orElse(Map.of());
        }
        return Optional.ofNullable(openings.get(followUp));
    }

    /**
     * The last day for which all of it holds: it holds for interviews begun on any day from {@link #asOf()} to then. It is looked for
     * up to a year ahead, for a few seconds.
     */
    public synchronized LocalDate holdsUntil() {
        if (holdsUntil == null) {
            holdsUntil = asOf;
            try {
                lookAhead();
            } catch (Diagrams.BudgetSpent e) {
                // It holds for the days that were looked at.
            } catch (RuntimeException | StackOverflowError e) {
                if (!Failure.isOne(e)) {
                    throw e;
                }
            }
        }
        return holdsUntil;
    }

    /** Whether anything is relative to the day of the interview. */
    private boolean hangsOnTheDay() {
        return wiring.wires().stream().anyMatch(w -> w.text().contains("today"))
                || wiring.document().questions().anyMatch(q -> q.answer().domain() instanceof Domain.Dates d
                        && (d.earliest() instanceof DateLimit.FromToday || d.latest() instanceof DateLimit.FromToday));
    }

    private void lookAhead() {
        if (Faults.of(wiring).stream().anyMatch(f -> f.kind() == Fault.SoundClaim.CODE_UNIQUE)) {
            return;
        }
        if (!hangsOnTheDay()) {
            holdsUntil = asOf.plusYears(1);
            return;
        }
        PlainForm plainForm = PlainForm.of(wiring);
        Space space = new Space(plainForm, plainForm.faults(Faults.of(wiring)), asOf, new Diagrams(LOOK_AHEAD, Watch.NOBODY));
        List<Object> today = space.onDay(asOf);
        LocalDate next = asOf.plusDays(1);
        while (!next.isAfter(asOf.plusYears(1)) && space.onDay(next).equals(today)) {
            holdsUntil = next;
            next = next.plusDays(1);
        }
    }

    public List<Claim> claims() {
        return claims;
    }

    /** The figures if they were counted already; never waits. */
    public Optional<Figures> counted() {
        return Optional.ofNullable(figures);
    }

    /** How many answer paths and routes there are, counted when it is first asked for. */
    public synchronized Figures figures() {
        if (figures == null) {
            figures = counting.get();
        }
        return figures;
    }

    /**
     * The claims about the follow-ups of a document alone, without those about the document itself.
     *
     * @param others what follow-ups open
     * @throws java.util.concurrent.CancellationException where the watch calls it off
     */
    public static List<Claim> ofFollowUps(Questionnaire document, LocalDate asOf, Limits limits, Watch watch, KnownQuestionnaires others) {
        return CaseProof.of(Wiring.of(document, watch::goOn), others, asOf, limits, watch, null).claims();
    }

    /** Whether the document opens follow-ups, so that cases are more than its interviews. */
    public boolean isOfCases() {
        return ofCase != null;
    }

    /** Those who are in a case, as one document; empty where no follow-up is opened, or something is in the way. */
    public Optional<CaseDocument> caseDocument() {
        return Optional.ofNullable(ofCase).flatMap(CaseProof::document);
    }

    /**
     * How many ways there are through a whole case, ends and decisions among them; empty where no follow-up is opened. Counted when it is
     * first asked for.
     */
    public Optional<Figures> caseFigures(Watch watch) {
        return Optional.ofNullable(ofCase).map(c -> c.figures(watch));
    }

    /** How many of all answer paths and routes take a way of the document; worked out anew each time. */
    public Share share(Transition way, Limits limits, Watch watch) {
        List<Fault> faults = Faults.of(wiring);
        Optional<Fault> twice = faults.stream().filter(f -> f.kind() == Fault.SoundClaim.CODE_UNIQUE).findFirst();
        if (twice.isPresent()) {
            return Share.none(twice.get().unknown().why());
        }
        try {
            return Share.of(space(PlainForm.of(wiring, watch::goOn), faults, asOf, limits, watch), way);
        } catch (Diagrams.BudgetSpent e) {
            return Share.none(e.why());
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return Share.none(Failure.message(e));
        }
    }

    /** Settles that nothing is counted, because somebody stopped the count, unless it was counted by now. */
    public synchronized void leaveUncounted() {
        if (figures == null) {
            figures = Figures.none(false, Message.of("stopped.count"));
        }
    }

    /** The claim of this kind about a place; empty where there is none. */
    public Optional<Claim> claim(ClaimKind kind, String place) {
        return claims.stream().filter(c -> c.kind() == kind && c.place().equals(place)).findFirst();
    }

    /**
     * The claim that a proof report identifies so; empty where there is none.
     *
     * @param kind word of the kind, as {@code reach-page}
     */
    public Optional<Claim> claim(String kind, String place) {
        return ClaimKind.of(kind).flatMap(k -> claim(k, place));
    }

    /** Says the claims of this proof in words. */
    public synchronized ClaimWords words() {
        if (words == null) {
            words = new ClaimWords(plainForm.get());
        }
        return words;
    }

    /** How many blocking claims have the verdict; advisory ones are not among them, see {@link #advice()}. */
    public long count(Verdict verdict) {
        return claims.stream().filter(c -> c.blocking() && c.verdict() == verdict).count();
    }

    /** How many advisory claims are not proved; those that follow from others are told with them. */
    public long advice() {
        return claims.stream().filter(c -> !c.blocking() && c.verdict() != Verdict.PROVED && c.follows().isEmpty()).count();
    }

    /** Whether every blocking claim is proved. */
    public boolean opensGate() {
        return claims.stream().noneMatch(c -> c.blocking() && c.verdict() != Verdict.PROVED);
    }
}
