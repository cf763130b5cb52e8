package orthogon.core.proof.claim;

import orthogon.core.place.Place;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * One statement about all answer paths, with what the proof says of it. Findings are worked out when they are first asked for.
 * {@link orthogon.core.proof.told.ClaimWords} makes sentences of both.
 */
public final class Claim {

    private final ClaimKind kind;
    private final String place;
    private final Message statement;
    private final Verdict verdict;
    private final Optional<ClaimId> follows;
    private boolean blocking = true;
    private Flow flow;
    private PlainForm told;
    private Supplier<Finding> find;
    private volatile Finding finding;

    /**
     * @param statement what is claimed
     * @param follows the claim that this one is a consequence of
     */
    Claim(ClaimKind kind, String place, Message statement, Verdict verdict, Optional<ClaimId> follows, Supplier<Finding> find) {
        this.kind = kind;
        this.place = place;
        this.statement = statement;
        this.verdict = verdict;
        this.follows = follows;
        this.find = find;
    }

    public Family family() {
        return kind.family();
    }

    public ClaimKind kind() {
        return kind;
    }

    public String place() {
        return place;
    }

    /** Where it stands. */
    public Place at() {
        return kind.at(place);
    }

    /** What is claimed. */
    public Message statement() {
        return statement;
    }

    public Verdict verdict() {
        return verdict;
    }

    public Optional<ClaimId> follows() {
        return follows;
    }

    /** Whether a release waits for it. */
    public boolean blocking() {
        return blocking;
    }

    /** The claim as one that no release waits for. */
    Claim advisory() {
        blocking = false;
        return this;
    }

    /** The same claim with the cause that is named where it explains nothing itself; empty for none. */
    Claim following(Optional<ClaimId> cause) {
        boolean refuted = verdict == Verdict.REFUTED;
        Claim following = new Claim(kind, place, statement, verdict, cause,
                () -> refuted && cause.isPresent() ? finding().following(cause.get()) : finding());
        following.flow = flow;
        following.told = told;
        return blocking ? following : following.advisory();
    }

    /** The claim of a document after an edit, for which it still stands. */
    Claim again(Supplier<Finding> why) {
        Claim again = new Claim(kind, place, statement, verdict, follows, why);
        return blocking ? again : again.advisory();
    }

    /** The claim as one whose words are those of another document. */
    Claim toldIn(PlainForm form) {
        told = form;
        return this;
    }

    /** The document in whose codes and places the claim and its finding are told; empty for that of the proof. */
    public Optional<PlainForm> told() {
        return Optional.ofNullable(told);
    }

    /** What tells the claim from every other of its proof. */
    public ClaimId identity() {
        return new ClaimId(kind, place);
    }

    /** Kind and place as the proof report writes them, unique in a proof. */
    public String id() {
        return kind.id(place);
    }

    /** Whether the finding is known already, so that asking for it takes no time. */
    public boolean isExplained() {
        return finding != null;
    }

    /** Why the verdict is what it is; worked out now if it was not yet. */
    public Finding finding() {
        synchronized (flow == null ? this : flow.space().diagrams()) {
            if (finding == null) {
                if (flow != null) {
                    flow.space().diagrams().begin(Watch.NOBODY);
                }
                try {
                    finding = find.get();
                } catch (Diagrams.BudgetSpent e) {
                    finding = new Finding.Fact(Message.of("reason-unknown").inner("why", e.why()));
                } catch (RuntimeException | StackOverflowError e) {
                    if (!Failure.isOne(e)) {
                        throw e;
                    }
                    finding = new Finding.Fact(Message.of("failed").inner("why", Failure.message(e)));
                }
                find = null;
            }
            return finding;
        }
    }

    /** Claims share the diagrams of their proof, and of those that follow it, so only one of them is explained at a time. */
    void guardedBy(Flow shared) {
        flow = shared;
    }

    @Override
    public String toString() {
        return id() + ": " + verdict.word();
    }
}
