package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.WaiverStore;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate;
import org.springframework.stereotype.Component;

/** Answers for a claim that is not proved, and takes that back. */
@Component
public class WaiveClaim {

    private static final int LONGEST_REASON = 1000;

    private final WaiverStore waivers;
    private final Acts acts;
    private final Clock clock;

    WaiveClaim(WaiverStore waivers, Acts acts, Clock clock) {
        this.waivers = waivers;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Waives a claim of a draft's newest revision.
     *
     * @throws Refused where the reason is missing or too long, and where nobody can answer for the claim
     */
    public void waive(Draft draft, Claim claim, String reason, String who) throws Refused {
        if (reason.isBlank() || reason.length() > LONGEST_REASON) {
            throw new Refused("Explain in at most " + LONGEST_REASON + " characters why the claim may stay as it is.");
        }
        if (!Gate.canBeWaived(claim)) {
            throw new Refused("This claim cannot be waived: " + (claim.family() == Family.SOUND
                    ? "the expression cannot be understood, so nobody can vouch for it. Fix it."
                    : claim.verdict() == Verdict.PROVED ? "it is proved." : "it blocks nothing by itself."));
        }
        acts.noted(who, draft.code(), "waived " + claim.id() + ": " + reason.strip(), () -> waivers.save(draft.id(), claim.kind().word(),
                claim.place(), reason.strip(), draft.revision(), who, OffsetDateTime.now(clock)));
    }

    /** Takes every waiver of a claim back. */
    public void takeBack(Draft draft, Claim claim, String who) {
        acts.noted(who, draft.code(), "withdrew the waiver of " + claim.id(),
                () -> waivers.takeBack(draft.id(), claim.kind().word(), claim.place(), who, OffsetDateTime.now(clock)));
    }
}
