package orthogon.core.proof.claim;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.flow.Flow;

/** One statement about all answer paths, with what the proof says of it. Explanations are worked out when they are first asked for. */
public final class Claim {

    /**
     * Why the verdict is what it is.
     *
     * @param headline what is the case, in one or two sentences
     * @param details the core said in words, or what to do; may be empty
     * @param core places of the fewest conditions that make it impossible; empty where there are none
     * @param witness question or link parameter to value, replayed through the interview; empty map is a respondent who leaves all blank
     * @param other a second respondent, where it takes two to show it
     * @param mend the one standard fix, where there is one
     */
    public record Explanation(String headline, String details, List<String> core, Optional<Map<String, Object>> witness,
            Optional<Map<String, Object>> other, Optional<Mend> mend) {

        public Explanation(String headline, String details, List<String> core, Optional<Map<String, Object>> witness) {
            this(headline, details, core, witness, Optional.empty(), Optional.empty());
        }

        Explanation with(Mend suggested) {
            return new Explanation(headline, details, core, witness, other, Optional.of(suggested));
        }

        /** Names the cause, unless it explains more than that it is so. */
        private Explanation following(ClaimId cause) {
            boolean bare = details.isEmpty() && core.isEmpty() && witness.isEmpty();
            return bare ? Explanation.of(headline + " This follows from " + cause + ".") : this;
        }

        static Explanation of(String headline, String details) {
            return new Explanation(headline, details, List.of(), Optional.empty());
        }

        public static Explanation of(String headline) {
            return new Explanation(headline, "", List.of(), Optional.empty());
        }

        /** The whole explanation as text. */
        public String because() {
            return details.isEmpty() ? headline : headline + " " + details;
        }
    }

    private final ClaimKind kind;
    private final String place;
    private final String statement;
    private final Verdict verdict;
    private final Optional<ClaimId> follows;
    private boolean blocking = true;
    private Flow flow;
    private Supplier<Explanation> explain;
    private volatile Explanation explanation;

    /**
     * @param statement the claim in the words the analyst reads
     * @param follows the claim that this one is a consequence of
     */
    Claim(ClaimKind kind, String place, String statement, Verdict verdict, Optional<ClaimId> follows,
            Supplier<Explanation> explain) {
        this.kind = kind;
        this.place = place;
        this.statement = statement;
        this.verdict = verdict;
        this.follows = follows;
        this.explain = explain;
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

    public String statement() {
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
                () -> refuted && cause.isPresent() ? explanation().following(cause.get()) : explanation());
        following.flow = flow;
        return blocking ? following : following.advisory();
    }

    /** The claim of a document after an edit, for which it still stands. */
    Claim again(Supplier<Explanation> why) {
        Claim again = new Claim(kind, place, statement, verdict, follows, why);
        return blocking ? again : again.advisory();
    }

    /** What tells the claim from every other of its proof. */
    public ClaimId identity() {
        return new ClaimId(kind, place);
    }

    /** Kind and place as the proof report writes them, unique in a proof. */
    public String id() {
        return kind.id(place);
    }

    /** Whether the explanation is known already, so that asking for it takes no time. */
    public boolean isExplained() {
        return explanation != null;
    }

    public Explanation explanation() {
        synchronized (flow == null ? this : flow.space().diagrams()) {
            if (explanation == null) {
                if (flow != null) {
                    flow.space().diagrams().begin(Watch.NOBODY);
                }
                try {
                    explanation = explain.get();
                } catch (Diagrams.BudgetSpent e) {
                    explanation = Explanation.of("The reason is not known: " + e.getMessage() + ".");
                } catch (RuntimeException | StackOverflowError e) {
                    if (!Failure.isOne(e)) {
                        throw e;
                    }
                    explanation = Explanation.of(Failure.words(e) + ".");
                }
                explain = null;
            }
            return explanation;
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
