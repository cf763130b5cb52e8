package orthogon.app.offering;

import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import orthogon.app.http.ContentPolicy;
import orthogon.app.store.DraftStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.OfferStore;
import orthogon.app.store.OfferStore.Offer;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import org.springframework.stereotype.Component;

/**
 * What respondents find at an address. New ones are given the newest release that was not withdrawn, if it is open;
 * whoever began stays on theirs.
 */
@Component
public class Offering {

    /** What is there. */
    public sealed interface AtAddress {

        /** A release that takes answers. */
        record Open(Release release) implements AtAddress {}

        /**
         * Nobody can begin at present.
         *
         * @param release whose words are used
         * @param why key of what Orthogon says, for {@code OwnWords}
         * @param when moment that it speaks of; empty where it speaks of none
         * @param message of the analyst's own; may be empty
         */
        record Shut(Release release, String why, Optional<OffsetDateTime> when, String message) implements AtAddress {}

        /** There is nothing. */
        record Nothing() implements AtAddress {}
    }

    private static final OffsetDateTime EVER = OffsetDateTime.parse("2000-01-01T00:00:00Z");

    private final DraftStore drafts;
    private final KnownDrafts knownDrafts;
    private final ReleaseStore releases;
    private final KnownReleases knownReleases;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final OfferStore offers;

    Offering(DraftStore drafts, KnownDrafts knownDrafts, ReleaseStore releases, KnownReleases knownReleases, InterviewStore interviews,
            InvitationStore invitations, OfferStore offers) {
        this.drafts = drafts;
        this.knownDrafts = knownDrafts;
        this.releases = releases;
        this.knownReleases = knownReleases;
        this.interviews = interviews;
        this.invitations = invitations;
        this.offers = offers;
    }

    /** @param token an address in words, the token of a release, or that of an invitation */
    public AtAddress at(String token, OffsetDateTime now) {
        Optional<Long> questionnaire = invitations.withToken(token).map(Invitation::questionnaireId)
                .or(() -> offers.atAddress(token).map(Offer::questionnaireId))
                .or(() -> knownReleases.withToken(token).map(Release::questionnaireId))
                .or(() -> knownDrafts.head(token.replace('-', '_')).map(DraftStore.Draft::id)
                        .filter(id -> offer(id).address().equals(token)));
        return questionnaire.map(id -> at(id, now)).orElse(new AtAddress.Nothing());
    }

    private AtAddress at(long questionnaire, OffsetDateTime now) {
        List<Release> all = knownReleases.of(questionnaire);
        if (all.isEmpty()) {
            return new AtAddress.Nothing();
        }
        Release newest = all.stream().filter(r -> releases.standing(r.id()).state() != ReleaseState.WITHDRAWN).findFirst()
                .orElse(all.getFirst());
        ReleaseStore.Availability standing = releases.standing(newest.id());
        if (standing.state() != ReleaseState.OPEN) {
            return new AtAddress.Shut(newest, "closed_title", Optional.empty(), standing.message());
        }
        Offer offer = offer(questionnaire);
        if (offer.opensAt().filter(now::isBefore).isPresent()) {
            return new AtAddress.Shut(newest, "opens", offer.opensAt(), "");
        }
        if (offer.closesAt().filter(t -> !now.isBefore(t)).isPresent()) {
            return new AtAddress.Shut(newest, "closed_since", offer.closesAt(), "");
        }
        if (offer.mostResponses() > 0 && interviews.count(questionnaire, EVER) >= offer.mostResponses()) {
            return new AtAddress.Shut(newest, "full", Optional.empty(), "");
        }
        return new AtAddress.Open(newest);
    }

    /** The release of a questionnaire that takes answers now; empty where nobody can begin. */
    public Optional<Release> taking(long questionnaire, OffsetDateTime now) {
        return at(questionnaire, now) instanceof AtAddress.Open open ? Optional.of(open.release()) : Optional.empty();
    }

    public Offer offer(long questionnaire) {
        return offers.of(questionnaire, drafts.code(questionnaire));
    }

    /** Why nobody goes on with a release that was withdrawn; empty where it was not. */
    public Optional<String> withdrawn(Release release) {
        ReleaseStore.Availability standing = releases.standing(release.id());
        return standing.state() == ReleaseState.WITHDRAWN ? Optional.of(standing.message()) : Optional.empty();
    }

    /** Lets other pages show this one in a frame, where the questionnaire allows it. */
    public void frame(Release release, HttpServletResponse response) {
        if (offer(release.questionnaireId()).mayBeEmbedded()) {
            response.setHeader("Content-Security-Policy", ContentPolicy.EMBEDDED);
        }
    }
}
