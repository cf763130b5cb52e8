package orthogon.app.work;

import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.app.questions.MessageTexts;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.formats.page.MailPage;
import orthogon.formats.page.PageTemplates;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.contact.Contacts;
import orthogon.formats.contact.MailList;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    private final ReleaseStore standings;
    private final DraftStore drafts;
    private final Outbox outbox;
    private final PublicAddress addresses;
    private final Acts acts;
    private final Clock clock;

    InvitePeople(InvitationStore invitations, KnownReleases releases, ReleaseStore standings, DraftStore drafts, Outbox outbox,
            PublicAddress addresses, Acts acts, Clock clock) {
        this.standings = standings;
        this.drafts = drafts;
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
        String link = addresses.of("/to/" + invitation.token());
        MessageMoment moment = reminder ? MessageMoment.REMINDER : MessageMoment.INVITED;
        outbox.send(document.messages().stream().filter(m -> m.on() == moment && m.isBeforeAnswers()).findFirst()
                .map(m -> written(release.wiring(language), m, invitation.email(), link))
                .orElseGet(() -> usual(document, reminder ? "remind" : "invite", invitation.email(), link)));
        invitations.mailed(invitation.token(), reminder, document.sourceLanguage(), OffsetDateTime.now(clock));
    }

    /** Reminds everybody of whom it is time by a reminder that is sent by itself, each time at most once. */
    public void remindWhereDue() {
        for (Draft draft : drafts.all()) {
            Optional<Release> newest = releases.of(draft.id()).stream().findFirst()
                    .filter(r -> standings.standing(r.id()).state() == ReleaseState.OPEN);
            List<DispatchMessage> reminders = newest.stream().flatMap(r -> r.document().messages().stream())
                    .filter(m -> m.on() == MessageMoment.REMINDER && m.isBeforeAnswers() && m.afterDays() > 0)
                    .sorted(Comparator.comparing(DispatchMessage::afterDays).reversed()).toList();
            if (!reminders.isEmpty()) {
                remindWhereDue(draft, newest.get(), reminders);
            }
        }
    }

    private void remindWhereDue(Draft draft, Release release, List<DispatchMessage> reminders) {
        Map<Invitation, DispatchMessage> due = new LinkedHashMap<>();
        for (Invitation invitation : invitations.of(draft.id())) {
            if (invitation.mailedAt().isPresent() && !invitation.sent()) {
                reminders.stream().filter(m -> isDue(invitation, m)).findFirst().ifPresent(m -> due.put(invitation, m));
            }
        }
        if (!due.isEmpty()) {
            acts.perhaps(Acts.NOBODY, draft.code(), () -> {
                long reminded = due.entrySet().stream().filter(e -> remind(release, e.getKey(), e.getValue())).count();
                return reminded == 0 ? Optional.<Long>empty() : Optional.of(reminded);
            }, n -> "reminded " + n + " people by email, as it was time");
        }
    }

    /** Whether it was for this server to do. */
    private boolean remind(Release release, Invitation invitation, DispatchMessage message) {
        Wiring wiring = release.wiring(invitation.language());
        OffsetDateTime since = invitation.mailedAt().orElseThrow().plusDays(message.afterDays());
        boolean noted = invitations.remind(invitation.token(), since, wiring.document().sourceLanguage(), OffsetDateTime.now(clock));
        if (noted) {
            outbox.send(written(wiring, message, invitation.email(), addresses.of("/to/" + invitation.token())));
        }
        return noted;
    }

    private boolean isDue(Invitation invitation, DispatchMessage reminder) {
        OffsetDateTime from = invitation.mailedAt().orElseThrow().plusDays(reminder.afterDays());
        return !from.isAfter(OffsetDateTime.now(clock)) && invitation.remindedAt().filter(at -> !at.isBefore(from)).isEmpty();
    }

    /** The message as the analyst wrote it, with the link behind it. */
    private Mail written(Wiring wiring, DispatchMessage message, String to, String link) {
        MessageTexts texts = MessageTexts.of(Interview.start(wiring, LocalDate.now(clock), Map.of()), message.code());
        String language = wiring.document().sourceLanguage();
        String html = PageTemplates.filled("mail", MailPage.of(texts.subject(), texts.html(), List.of(), language).with(link));
        return new Mail(to, texts.subject(), texts.text() + "\n\n" + link, html, language, "", message.to().replyTo(), Set.of(),
                message.code());
    }

    private static Mail usual(Questionnaire document, String kind, String to, String link) {
        OwnWords words = OwnWords.of(document);
        return new Mail(to, words.say(kind + "_subject", document.title()), words.say(kind + "_text", document.title()) + "\n\n" + link,
                document.sourceLanguage());
    }
}
