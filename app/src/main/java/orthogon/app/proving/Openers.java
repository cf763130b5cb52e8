package orthogon.app.proving;

import orthogon.app.opening.Openable;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.background.Computations;
import orthogon.app.opening.Openable.Opened;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** The questionnaires that open another one as a follow-up: whether they still fit when that has a new release. */
@Component
public class Openers {

    private final DraftStore drafts;
    private final Openable openable;
    private final Computations computations;

    Openers(DraftStore drafts, Openable openable, Computations computations) {
        this.drafts = drafts;
        this.openable = openable;
        this.computations = computations;
    }

    /** What a release of this document would make untrue of the releases that open it, in words; empty where nothing. */
    public Optional<String> refuted(Questionnaire releasing, LocalDate day) {
        for (Draft draft : drafts.all()) {
            Optional<Release> release = draft.code().equals(releasing.code()) ? Optional.empty() : openable.release(draft.id());
            Optional<Questionnaire> opener = release.map(Release::document).filter(d -> opens(d, releasing.code()));
            Optional<String> refuted = opener.flatMap(d -> refuted(d, releasing, day));
            if (refuted.isPresent()) {
                return refuted;
            }
        }
        return Optional.empty();
    }

    private static boolean opens(Questionnaire document, String code) {
        return document.followUps().stream().anyMatch(f -> f.questionnaire().equals(code));
    }

    private Optional<String> refuted(Questionnaire opener, Questionnaire releasing, LocalDate day) {
        Opened now = openable.of(opener);
        List<Claim> after = refutedClaims(opener, day, now.with(releasing));
        if (after.isEmpty()) {
            return Optional.empty();
        }
        // What is refuted already is known to whoever released the opener.
        Set<String> before = refutedClaims(opener, day, now).stream().map(Claim::id).collect(Collectors.toSet());
        ClaimWords words = new ClaimWords(PlainForm.of(Wiring.of(opener)));
        return after.stream().filter(c -> !before.contains(c.id())).findFirst()
                .map(c -> c.kind().word() + " of " + opener.title() + " → " + releasing.title() + " is refuted by this release. "
                        + words.because(c));
    }

    private List<Claim> refutedClaims(Questionnaire opener, LocalDate day, Opened others) {
        return Proof.ofFollowUps(opener, day, Limits.USUAL, computations.watch(), others).stream()
                .filter(c -> c.blocking() && c.verdict() == Verdict.REFUTED).toList();
    }
}
