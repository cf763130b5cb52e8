package orthogon.app.work;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.People;
import orthogon.app.proving.Gates;
import orthogon.app.opening.Openable;
import orthogon.app.proving.Openers;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.SignOffStore;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate;
import orthogon.core.release.Signing;
import orthogon.formats.report.ProofReport;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/** Signs revisions, releases them, and changes whether a release takes respondents. */
@Component
public class ReleaseDraft {

    private static final int LONGEST_NOTE = 1000;
    private static final int LONGEST_NOTES = 2000;

    private final Proofs proofs;
    private final Gates gates;
    private final SignOffStore signOffs;
    private final ReleaseStore releases;
    private final People people;
    private final Acts acts;
    private final Clock clock;
    private final Openable openable;
    private final Openers openers;

    ReleaseDraft(Proofs proofs, Gates gates, SignOffStore signOffs, ReleaseStore releases, People people, Acts acts, Clock clock,
            Openable openable,
            Openers openers) {
        this.openable = openable;
        this.openers = openers;
        this.proofs = proofs;
        this.gates = gates;
        this.signOffs = signOffs;
        this.releases = releases;
        this.people = people;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Signs the newest revision.
     *
     * @param revision that was looked at
     * @throws Refused where there is a newer one, or where the person made it
     */
    public void sign(Draft draft, int revision, String note, String who) throws Refused {
        mustBeNewest(draft, revision);
        if (draft.author().equals(who)) {
            throw new Refused("You made this revision, so somebody else must sign it.");
        }
        acts.noted(who, draft.code(), "signed revision " + revision + (note.isBlank() ? "" : ": " + note),
                () -> signOffs.sign(draft.id(), revision, who, cut(note, LONGEST_NOTE), OffsetDateTime.now(clock)));
    }

    /** The person whose signature lets another release the newest revision; empty where nobody has signed it yet. */
    public Optional<String> signer(Draft draft, String releasing) {
        return Signing.counting(releasing, draft.author(),
                signOffs.of(draft.id(), draft.revision()).stream().map(SignOffStore.SignOff::author).toList());
    }

    /**
     * Releases the newest revision.
     *
     * @param revision that was looked at
     * @param languages that it goes out in besides its source language
     * @throws Refused where there is a newer revision, where the gate is shut, where a language is not finished, where a signature is missing,
     *             where a follow-up would open nothing, where another questionnaire that opens this one would not fit any more, and where
     *             somebody else released at the same moment
     */
    public Release release(Draft draft, int revision, String notes, List<String> languages, String who) throws Refused {
        mustBeNewest(draft, revision);
        Proof proof = proofs.of(draft);
        Gate gate = gates.of(draft, proof);
        if (!gate.isOpen()) {
            throw new Refused("The gate is shut: not every blocking claim is proved or waived.");
        }
        Optional<String> unready = languages.stream().filter(l -> !gate.ready().contains(l)).findFirst();
        if (unready.isPresent()) {
            throw new Refused("Not everything in " + unready.get()
                    + " is translated and current; release without it, or finish it first.");
        }
        Optional<String> signer = signer(draft, who);
        if (signOffs.isNeeded() && signer.isEmpty()) {
            throw new Refused("This workspace requires a second person: somebody other than you, and other than the author of revision "
                    + revision + ", must sign it first.");
        }
        refuseMisfits(draft);
        List<String> waived = gate.waived().entrySet().stream().map(w -> proof.words().statement(w.getKey()) + " – waived by "
                + people.shown(w.getValue().author()) + ": " + w.getValue().reason().replaceAll("\\s+", " ")).toList();
        ReleaseStore.Made made = new ReleaseStore.Made(ProofReport.json(proof), cut(notes, LONGEST_NOTES), who, languages, waived,
                signer.orElse(""), OffsetDateTime.now(clock));
        try {
            return acts.noted(who, draft.code(), () -> releases.create(draft, made), release -> "released " + release.number()
                    + " of revision " + revision + " in " + String.join(", ", release.languages())
                    + signer.map(s -> ", signed by " + people.shown(s)).orElse(""));
        } catch (DuplicateKeyException e) {
            throw new Refused("Somebody released at the same moment. Look at their release first.");
        }
    }

    /** A release opens what is released, and fits those that open it. */
    private void refuseMisfits(Draft draft) throws Refused {
        for (FollowUp followUp : draft.document().followUps()) {
            if (openable.release(followUp.questionnaire()).isEmpty()) {
                throw new Refused("Release " + followUp.questionnaire() + " first: " + followUp.shown() + " opens it.");
            }
        }
        Optional<String> refuted = openers.refuted(draft.document(), LocalDate.now(clock));
        if (refuted.isPresent()) {
            throw new Refused(refuted.get());
        }
    }

    /**
     * Opens, closes or withdraws a release.
     *
     * @param message for respondents who come while it is not open
     * @throws Refused where it is withdrawn without a message
     */
    public void setState(Draft draft, Release release, ReleaseStore.ReleaseState state, String message, String who) throws Refused {
        if (state == ReleaseStore.ReleaseState.WITHDRAWN && message.isBlank()) {
            throw new Refused("Tell the respondents of release " + release.number()
                    + " why it is withdrawn; they read it where they left off.");
        }
        boolean opens = state == ReleaseStore.ReleaseState.OPEN;
        acts.noted(who, draft.code(), (opens ? "reopened" : state.word()) + " release " + release.number()
                + (message.isBlank() ? "" : ": " + cut(message, LONGEST_NOTE)),
                () -> releases.stand(release.id(), state, opens ? "" : cut(message, LONGEST_NOTE)));
    }

    private static void mustBeNewest(Draft draft, int revision) throws Refused {
        if (draft.revision() != revision) {
            throw new Refused("The draft is at revision " + draft.revision() + " now; you looked at revision " + revision
                    + ". Look at what changed, then continue.");
        }
    }

    private static String cut(String text, int most) {
        return text.length() > most ? text.substring(0, most) : text.strip();
    }
}
