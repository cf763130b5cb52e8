package orthogon.app.opening;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.FollowUpStore.ToTell;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import org.springframework.stereotype.Component;

/** Opens the follow-ups of a response that are due, each once, within the transaction of what makes them due. */
@Component
public class OpenFollowUps {

    private final FollowUpStore followUps;
    private final InterviewStore interviews;
    private final Openable openable;
    private final KnownReleases releases;
    private final Outbox outbox;
    private final FollowUpLinks links;
    private final FollowUpMessages told;

    public OpenFollowUps(FollowUpStore followUps, InterviewStore interviews, Openable openable, KnownReleases releases, Outbox outbox,
            FollowUpLinks links, FollowUpMessages told) {
        this.told = told;
        this.releases = releases;
        this.followUps = followUps;
        this.interviews = interviews;
        this.openable = openable;
        this.outbox = outbox;
        this.links = links;
    }

    /** Opens what is due for a response, whoever else works on its case at this moment. */
    public void of(Running sent, OffsetDateTime at) {
        if (sent.interview().wiring().document().followUps().isEmpty()) {
            return;
        }
        followUps.lock(sent.id());
        for (DueFollowUp due : DueFollowUp.of(sent.interview(), opened(sent))) {
            open(sent, due, at);
        }
    }

    /** Opens one, whatever its condition says, and says whether it did: not without a release, and not again. */
    public boolean open(Running sent, DueFollowUp due, OffsetDateTime at) {
        // Without a release nothing can be answered; a release is not made before there is one.
        Optional<Release> release = openable.release(due.followUp().questionnaire());
        boolean there = followUps.of(sent.id()).stream()
                .anyMatch(k -> k.code().equals(due.followUp().code()) && k.entry() == due.entry());
        if (release.isEmpty() || there) {
            return false;
        }
        String token = followUps.open(sent.id(), due, release.get().id(), at, due(due.followUp(), at));
        KeptFollowUp kept = followUps.withToken(token).orElseThrow();
        told.schedule(sent, kept);
        String address = due.followUp().seat().address();
        boolean known = told.at(MessageMoment.OPENED, sent, kept, opened(sent)).stream().anyMatch(m -> m.answers().contains(address));
        if (due.followUp().seat().who() == Who.ADDRESS && !known) {
            mail(sent, due.followUp(), release.get(), token);
        }
        return true;
    }

    /** Until when a follow-up is to be sent that is opened, or returned, now; empty for no time. */
    public static Optional<OffsetDateTime> due(FollowUp followUp, OffsetDateTime now) {
        int days = followUp.due().days();
        return days == 0 ? Optional.empty() : Optional.of(now.plusDays(days));
    }

    private void mail(Running sent, FollowUp followUp, Release release, String token) {
        Object address = sent.interview().course().effective().get(followUp.seat().address());
        if (address instanceof String to && DispatchMessage.isAddress(to)) {
            RespondentTexts voice = RespondentTexts.of(sent.interview());
            FollowUp read = voice.document().followUp(followUp.code()).orElse(followUp);
            String words = links.words(read, release.id(), voice);
            outbox.send(new Mail(to, words, words + "\n\n" + links.address(token), voice.language(), sent.id()));
        }
    }

    /**
     * Sends what is to be sent at a moment of a follow-up.
     *
     * @param opened what is known of the follow-ups of the response at that moment
     */
    public void tell(MessageMoment moment, Running sent, KeptFollowUp kept, List<OpenedFollowUp> opened) {
        told.at(moment, sent, kept, opened);
    }

    /** Sends what is to be sent of a follow-up that is still open, within a transaction. */
    public void stillOpen(ToTell due, OffsetDateTime now) {
        Optional<KeptFollowUp> kept = followUps.find(due.id());
        Optional<Running> sent = kept.flatMap(k -> interviews.find(k.interviewId()));
        if (sent.isPresent()) {
            followUps.lock(sent.get().id());
            followUps.find(due.id()).filter(k -> k.progress().isOpen())
                    .ifPresent(k -> told.stillOpen(sent.get(), k, opened(sent.get()), due.since(), now));
        }
    }

    /** Notes when it is to be told that a follow-up that was returned is still open. */
    public void schedule(Running sent, long id) {
        followUps.find(id).ifPresent(kept -> told.schedule(sent, kept));
    }

    /** The follow-ups of a response with what each of them brings. */
    public List<OpenedFollowUp> opened(Running sent) {
        List<OpenedFollowUp> opened = new ArrayList<>();
        for (KeptFollowUp kept : followUps.of(sent.id())) {
            boolean answered = kept.progress() == FollowUpProgress.SENT || kept.progress() == FollowUpProgress.DECIDED;
            Map<String, Object> brought = answered
                    ? sent.interview().wiring().document().followUp(kept.code()).map(f -> brought(f, kept)).orElse(Map.of())
                    : Map.of();
            opened.add(new OpenedFollowUp(kept.code(), kept.entry(), kept.progress(), kept.decision(), brought));
        }
        return opened;
    }

    private Map<String, Object> brought(FollowUp followUp, KeptFollowUp kept) {
        return kept.child().flatMap(interviews::find).map(r -> OpenedFollowUp.brought(followUp, r.interview())).orElse(Map.of());
    }

    /** The follow-up as the release of its response says it; empty where that has none of the code. */
    public Optional<FollowUp> meant(KeptFollowUp kept) {
        return interviews.find(kept.interviewId()).flatMap(r -> r.release().document().followUp(kept.code()));
    }

    /**
     * The interview of whoever answers a follow-up, begun now if it was not yet, in the language of the response where it is there; within a
     * transaction.
     *
     * @return its id; empty where the follow-up cannot be answered now
     */
    public Optional<String> begin(KeptFollowUp kept, OffsetDateTime now) {
        followUps.lock(kept.interviewId());
        KeptFollowUp is = followUps.find(kept.id()).orElse(kept);
        if (!is.progress().isOpen() || is.child().isPresent()) {
            return is.child().filter(c -> is.progress().isOpen());
        }
        Release release = releases.get(kept.releaseId());
        String wanted = interviews.find(kept.interviewId()).map(r -> r.interview().wiring().document().sourceLanguage()).orElse("");
        String language = release.languages().contains(wanted) ? wanted : release.document().sourceLanguage();
        OpenedWith with = followUps.with(kept.id(), release.document());
        Interview interview = Interview.start(Wiring.of(with.in(release.wiring(language).document())), now.toLocalDate(),
                with.link(release.document()));
        String child = interviews.begin(release, interview, now).id();
        followUps.answer(kept.id(), child);
        return Optional.of(child);
    }
}
