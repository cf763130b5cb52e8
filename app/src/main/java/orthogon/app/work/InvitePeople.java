package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.edit.Refused;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** Gives out links for one person each: makes them, mails them, and reminds who has not answered. */
@Component
public class InvitePeople {

    private static final int MOST = 500;

    private final InvitationStore invitations;
    private final Outbox outbox;
    private final PublicAddress addresses;
    private final Acts acts;
    private final Clock clock;

    InvitePeople(InvitationStore invitations, Outbox outbox, PublicAddress addresses, Acts acts, Clock clock) {
        this.invitations = invitations;
        this.outbox = outbox;
        this.addresses = addresses;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Makes links.
     *
     * @throws Refused where there are none or too many at a time
     */
    public void make(Draft draft, int count, String who) throws Refused {
        if (count < 1 || count > MOST) {
            throw new Refused("Ask for 1 to " + MOST + " links at a time.");
        }
        acts.noted(who, draft.code(), "made " + count + " links for one person each",
                () -> invitations.make(draft.id(), count, OffsetDateTime.now(clock)));
    }

    /**
     * Mails a link to everybody who has none yet, all of them or nobody.
     *
     * @param emails valid addresses
     * @param language of the message
     * @return how many were sent one
     * @throws Refused where there are none or too many at a time
     */
    public int invite(Draft draft, Release release, Collection<String> emails, String language, String who) throws Refused {
        if (emails.isEmpty() || emails.size() > MOST) {
            throw new Refused("Give 1 to " + MOST + " email addresses at a time; there are " + emails.size() + ".");
        }
        return acts.noted(who, draft.code(), () -> {
            int sent = 0;
            for (String email : emails) {
                Invitation invitation = invitations.invite(draft.id(), email, OffsetDateTime.now(clock));
                if (invitation.mailedAt().isEmpty()) {
                    mail(release, language, invitation, false);
                    sent++;
                }
            }
            return sent;
        }, n -> "invited " + n + " people by email");
    }

    /**
     * Reminds everybody who was mailed a link and has not sent answers.
     *
     * @return how many
     * @throws Refused where there is nobody
     */
    public int remind(Draft draft, Release release, String language, String who) throws Refused {
        List<Invitation> open = invitations.of(draft.id()).stream().filter(i -> i.mailedAt().isPresent() && !i.sent()).toList();
        if (open.isEmpty()) {
            throw new Refused("Everybody who was invited has answered; there is nobody to remind.");
        }
        acts.noted(who, draft.code(), "reminded " + open.size() + " people by email",
                () -> open.forEach(i -> mail(release, language, i, true)));
        return open.size();
    }

    private void mail(Release release, String language, Invitation invitation, boolean reminder) {
        Questionnaire document = release.wiring(language).document();
        OwnWords words = OwnWords.of(document);
        String kind = reminder ? "remind" : "invite";
        String link = addresses.of("/to/" + invitation.token());
        outbox.send(invitation.email(), words.say(kind + "_subject", document.title()),
                words.say(kind + "_text", document.title()) + "\n\n" + link);
        invitations.mailed(invitation.token(), reminder, OffsetDateTime.now(clock));
    }
}
