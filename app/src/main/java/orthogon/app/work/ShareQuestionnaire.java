package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.offering.Offering;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.OfferStore;
import orthogon.app.store.OfferStore.Offer;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;

/** Decides at which address a questionnaire is given out, when, and to how many. */
@Component
public class ShareQuestionnaire {

    private final Offering offering;
    private final OfferStore offers;
    private final Acts acts;
    private final Clock clock;

    ShareQuestionnaire(Offering offering, OfferStore offers, Acts acts, Clock clock) {
        this.offering = offering;
        this.offers = offers;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Gives it out so from now on.
     *
     * @throws Refused where it would close before it opens, and where another questionnaire has the address
     */
    public void set(Draft draft, Offer offer, String who) throws Refused {
        if (offer.opensAt().isPresent() && offer.closesAt().isPresent() && !offer.closesAt().get().isAfter(offer.opensAt().get())) {
            throw new Refused("It would close before it opens; choose a later closing time.");
        }
        boolean isTaken = offering.at(offer.address(), OffsetDateTime.now(clock)) instanceof Offering.AtAddress.Open(var release)
                && release.questionnaireId() != draft.id();
        if (isTaken || acts.perhaps(who, draft.code(), () -> Optional.of(offer).filter(offers::save), ShareQuestionnaire::words)
                .isEmpty()) {
            throw new Refused("The address “" + offer.address() + "” belongs to another questionnaire; choose another.");
        }
    }

    private static String words(Offer offer) {
        return "gave it out at " + offer.address() + (offer.opens().isEmpty() ? "" : ", from " + offer.opens())
                + (offer.closes().isEmpty() ? "" : ", until " + offer.closes()) + " " + offer.zone()
                + (offer.mostResponses() == 0 ? "" : ", at most " + offer.mostResponses() + " responses")
                + (offer.mayBeEmbedded() ? ", also inside other pages" : "");
    }
}
