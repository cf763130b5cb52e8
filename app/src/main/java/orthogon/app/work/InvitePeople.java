package orthogon.app.work;

import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.contact.Contacts;
import orthogon.formats.contact.MailList;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Gives out links for one person each: makes them, mails them, and reminds who has not answered. */
@Component
public class InvitePeople {

    private static final int MOST = 500;

    private static final ContactAnswer EMAIL = new ContactAnswer(ContactAnswer.Standard.EMAIL, "");
    private static final int MOST_NAMED = 8;

    /**
     * How many addresses were written to.
     *
     * @param known those that had a link already
     */
    public record Invited(int sent, int known) {}

    private final InvitationStore invitations;
    private final KnownReleases releases;
    private final Outbox outbox;
    private final PublicAddress addresses;
    private final Acts acts;
    private final Clock clock;

    InvitePeople(InvitationStore invitations, KnownReleases releases, Outbox outbox, PublicAddress addresses, Acts acts, Clock clock) {
        this.invitations = invitations;
        this.releases = releases;
        this.outbox = outbox;
        this.addresses = addresses;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Makes links.
     *
     * @throws Refused where nothing is released, and where there are none or too many at a time
     */
    public void make(Draft draft, int count, String who) throws Refused {
        newest(draft);
        if (count < 1 || count > MOST) {
            throw new Refused("Ask for 1 to " + MOST + " links at a time.");
        }
        acts.noted(who, draft.code(), "made " + count + " links for one person each",
                () -> invitations.make(draft.id(), count, OffsetDateTime.now(clock)));
    }

    /**
     * Mails a link to everybody of a list who has none yet, all of them or nobody.
     *
     * @param typed addresses, as people or programs list them
     * @param language of the message
     * @throws Refused where nothing is released, where something is no address, and where there are none or too many at a time
     */
    public Invited invite(Draft draft, String typed, String language, String who) throws Refused {
        Release release = newest(draft);
        Set<String> emails = new LinkedHashSet<>();
        List<String> bad = new ArrayList<>();
        MailList.addresses(typed).forEach(a -> Contacts.read(EMAIL, a).ifPresentOrElse(emails::add, () -> bad.add(a)));
        if (!bad.isEmpty()) {
            throw new Refused("Nothing was sent. These are not email addresses: "
                    + String.join(", ", bad.subList(0, Math.min(MOST_NAMED, bad.size())))
                    + (bad.size() > MOST_NAMED ? " and " + (bad.size() - MOST_NAMED) + " more" : "") + ".");
        }
        if (emails.isEmpty() || emails.size() > MOST) {
            throw new Refused("Give 1 to " + MOST + " email addresses at a time; there are " + emails.size() + ".");
        }
        int sent = acts.noted(who, draft.code(), () -> {
            List<Invitation> fresh = emails.stream().map(e -> invitations.invite(draft.id(), e, OffsetDateTime.now(clock)))
                    .filter(i -> i.mailedAt().isEmpty()).toList();
            fresh.forEach(i -> mail(release, language, i, false));
            return fresh.size();
        }, n -> "invited " + n + " people by email");
        return new Invited(sent, emails.size() - sent);
    }

    /**
     * Reminds everybody who was mailed a link and has not sent answers.
     *
     * @return how many
     * @throws Refused where nothing is released, and where there is nobody
     */
    public int remind(Draft draft, String language, String who) throws Refused {
        Release release = newest(draft);
        List<Invitation> open = invitations.of(draft.id()).stream().filter(i -> i.mailedAt().isPresent() && !i.sent()).toList();
        if (open.isEmpty()) {
            throw new Refused("Everybody who was invited has answered; there is nobody to remind.");
        }
        acts.noted(who, draft.code(), "reminded " + open.size() + " people by email",
                () -> open.forEach(i -> mail(release, language, i, true)));
        return open.size();
    }

    private Release newest(Draft draft) throws Refused {
        return releases.of(draft.id()).stream().findFirst()
                .orElseThrow(() -> new Refused("Nothing is released yet, so a link would lead nowhere. Release first."));
    }

    private void mail(Release release, String language, Invitation invitation, boolean reminder) {
        Questionnaire document = release.wiring(language).document();
        OwnWords words = OwnWords.of(document);
        String kind = reminder ? "remind" : "invite";
        String link = addresses.of("/to/" + invitation.token());
        outbox.send(new Mail(invitation.email(), words.say(kind + "_subject", document.title()),
                words.say(kind + "_text", document.title()) + "\n\n" + link, document.sourceLanguage()));
        invitations.mailed(invitation.token(), reminder, OffsetDateTime.now(clock));
    }
}
