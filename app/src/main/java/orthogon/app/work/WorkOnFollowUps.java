package orthogon.app.work;

import orthogon.app.opening.OpenFollowUps;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import orthogon.app.account.People;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Refused;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** What people do about follow-ups that are open: answer, send, decide, return, take back, open by hand; and what time does. */
@Component
public class WorkOnFollowUps {

    private static final Logger LOG = LoggerFactory.getLogger(WorkOnFollowUps.class);
    /** Longest note, in characters. */
    public static final int LONGEST_NOTE = 4_000;
    /** So many follow-ups are told of at once; the others a minute later. */
    private static final int MOST_TOLD = 1_000;

    private final FollowUpStore followUps;
    private final InterviewStore interviews;
    private final OpenFollowUps opening;
    private final Acts acts;
    private final People people;
    private final Clock clock;
    private final TransactionTemplate together;

    public WorkOnFollowUps(FollowUpStore followUps, InterviewStore interviews, OpenFollowUps opening, Acts acts,
            People people, Clock clock, PlatformTransactionManager transactions) {
        this.followUps = followUps;
        this.interviews = interviews;
        this.opening = opening;
        this.acts = acts;
        this.people = people;
        this.clock = clock;
        this.together = new TransactionTemplate(transactions);
    }

    /** The follow-up as the release of its response says it; empty where that has none of the code. */
    public Optional<FollowUp> meant(KeptFollowUp kept) {
        return opening.meant(kept);
    }

    /**
     * The interview of whoever answers a follow-up, begun now if it was not yet.
     *
     * @return its id; empty where the follow-up cannot be answered now
     */
    @Transactional
    public Optional<String> begin(KeptFollowUp kept) {
        return opening.begin(kept, OffsetDateTime.now(clock));
    }

    /**
     * Notes, within the transaction that makes its response, that the interview of a follow-up is sent, and opens what comes of it.
     *
     * @throws IllegalStateException where it cannot be sent any more
     */
    void sent(Running child, OffsetDateTime at) {
        Optional<KeptFollowUp> kept = followUps.answeredBy(child.id());
        if (kept.isPresent()) {
            followUps.lock(kept.get().interviewId());
            if (!followUps.sent(kept.get().id(), at)) {
                throw new FollowUpOver();
            }
            interviews.find(kept.get().interviewId()).ifPresent(r -> {
                opening.tell(MessageMoment.SENT, r, kept.get(), opening.opened(r));
                opening.of(r, at);
            });
        }
    }

    /** That a follow-up is over which is about to be sent. */
    public static final class FollowUpOver extends IllegalStateException {
        private static final long serialVersionUID = 1L;
    }

    private void goOn(KeptFollowUp kept, OffsetDateTime at) {
        interviews.find(kept.interviewId()).ifPresent(r -> opening.of(r, at));
    }

    /** Whether somebody may decide about a follow-up. */
    public boolean mayDecide(String who, String questionnaire, FollowUp followUp) {
        return people.isAmong(who, followUp.decision().by(), questionnaire);
    }

    /** Whether somebody is to answer a follow-up, signed in. */
    public boolean mayAnswer(String who, String questionnaire, FollowUp followUp) {
        return people.isAmong(who, followUp.seat().people(), questionnaire);
    }

    /**
     * Decides about a follow-up that was sent, or returns it to whoever answered it.
     *
     * @param choice code of the choice
     * @throws Refused where there is no such choice, or where it is not to be decided any more
     */
    public void decide(long id, String questionnaire, String choice, String note, String who) throws Refused {
        String kept = noted(note);
        KeptFollowUp followUp = followUps.find(id).orElseThrow(() -> new Refused("There is no such follow-up any more."));
        FollowUp meant = meant(followUp).orElseThrow(() -> new Refused("There is no such follow-up any more."));
        DecisionChoice chosen = meant.decision().choice(choice).orElseThrow(() -> new Refused("Choose what is decided."));
        if (!mayDecide(who, questionnaire, meant)) {
            throw new Refused("Others decide about " + meant.shown() + ".");
        }
        if (chosen.returns() && kept.isEmpty()) {
            throw new Refused("Write what is to be corrected, so that whoever answered knows it.");
        }
        OffsetDateTime now = OffsetDateTime.now(clock);
        boolean done = moved(followUp, questionnaire, who, "decided about " + followUp.code() + ": " + choice, now, sent -> chosen.returns()
                ? returned(sent, followUp, meant, kept, who, now)
                : decided(sent, followUp, choice, kept, who, now));
        if (!done) {
            KeptFollowUp is = followUps.find(id).orElseThrow();
            throw new Refused("It is " + is.progress().word() + (is.decidedBy().isEmpty() ? "" : " by " + people.shown(is.decidedBy()))
                    + " in the meantime" + (is.decision().isEmpty() ? "." : ": " + is.decision() + "."));
        }
    }

    private boolean returned(Running sent, KeptFollowUp followUp, FollowUp meant, String note, String who, OffsetDateTime now) {
        // What was sent is known until it is answered again.
        List<OpenedFollowUp> opened = opening.opened(sent);
        boolean done = followUps.returned(followUp.id(), note, who, interviews.again(followUp.child().orElseThrow(), now),
                OpenFollowUps.due(meant, now), now);
        if (done) {
            opening.schedule(sent, followUp.id());
            opening.tell(MessageMoment.RETURNED, sent, followUps.find(followUp.id()).orElseThrow(), opened);
        }
        return done;
    }

    private boolean decided(Running sent, KeptFollowUp followUp, String choice, String note, String who, OffsetDateTime now) {
        boolean done = followUps.decided(followUp.id(), choice, note, who, now);
        if (done) {
            opening.tell(MessageMoment.DECIDED, sent, followUp, opening.opened(sent));
        }
        return done;
    }

    /** Moves a follow-up on and opens what comes of it; nothing of it is kept where it was moved on meanwhile. */
    private boolean moved(KeptFollowUp followUp, String questionnaire, String who, String words, OffsetDateTime now,
            Predicate<Running> move) {
        return acts.perhaps(who, questionnaire, () -> {
            followUps.lock(followUp.interviewId());
            Optional<Running> sent = interviews.find(followUp.interviewId());
            boolean done = sent.filter(move).isPresent();
            if (done) {
                opening.of(sent.get(), now);
            }
            return Optional.of(done).filter(d -> d);
        }, d -> words).isPresent();
    }

    /**
     * Takes a follow-up back that is open.
     *
     * @throws Refused where it is not open any more
     */
    public void withdraw(long id, String questionnaire, String note, String who) throws Refused {
        String kept = noted(note);
        KeptFollowUp followUp = followUps.find(id).orElseThrow(() -> new Refused("There is no such follow-up any more."));
        OffsetDateTime now = OffsetDateTime.now(clock);
        boolean done = moved(followUp, questionnaire, who, "withdrew " + followUp.code(), now,
                sent -> followUps.ended(id, FollowUpProgress.WITHDRAWN, kept, who, now));
        if (!done) {
            throw new Refused("It is " + followUps.find(id).orElseThrow().progress().word() + " in the meantime.");
        }
    }

    /**
     * Opens a follow-up that its condition does not open; with what it carries now. One that may be opened again is, once it is over.
     *
     * @throws Refused where it was opened already, or there is no release of what it opens
     */
    public void openByHand(Running sent, String questionnaire, String code, String who) throws Refused {
        FollowUp followUp = sent.release().document().followUp(code).filter(f -> !f.isForEachEntry())
                .orElseThrow(() -> new Refused("There is no follow-up " + code + " that can be opened by hand."));
        OffsetDateTime now = OffsetDateTime.now(clock);
        boolean done = acts.perhaps(who, questionnaire, () -> {
            followUps.lock(sent.id());
            List<OpenedFollowUp> opened = opening.opened(sent);
            DueFollowUp due = DueFollowUp.byHand(sent.interview(), opened, followUp);
            List<FollowUpProgress> times = opened.stream().filter(o -> o.code().equals(code)).map(OpenedFollowUp::progress).toList();
            boolean again = mayOpenAgain(followUp, times);
            return Optional.of(opening.open(sent, again ? due.again(times.size() + 1) : due, now)).filter(o -> o);
        }, d -> "opened " + code + " by hand").isPresent();
        if (!done) {
            String again = followUp.repeats().byHand() ? " and is not over, or was opened " + FollowUp.MOST_TIMES + " times" : "";
            throw new Refused(followUp.shown() + " was opened already" + again + ", or " + followUp.questionnaire() + " has no release.");
        }
    }

    /**
     * Whether a follow-up that was opened may be opened again by hand.
     *
     * @param times how far each of them is that was opened so far
     */
    public static boolean mayOpenAgain(FollowUp followUp, List<FollowUpProgress> times) {
        return followUp.repeats().byHand() && !times.isEmpty() && times.size() < FollowUp.MOST_TIMES
                && times.stream().allMatch(p -> p.isEnd(followUp));
    }

    /** Tells of follow-ups that are still open, as their questionnaires say, each in a transaction of its own. */
    public void remind() {
        OffsetDateTime now = OffsetDateTime.now(clock);
        each(followUps.toTell(now, MOST_TOLD), due -> opening.stillOpen(due, now));
    }

    /** Works on each in a transaction of its own; what fails is tried again the next time. */
    private <T> void each(List<T> all, Consumer<T> work) {
        for (T one : all) {
            try {
                together.executeWithoutResult(status -> work.accept(one));
            } catch (RuntimeException e) {
                LOG.warn("A follow-up is left as it is for now: {}", one, e);
            }
        }
    }

    /** Ends what was not sent in time, each in a transaction of its own, and opens what comes of it. */
    public void expire() {
        OffsetDateTime now = OffsetDateTime.now(clock);
        each(followUps.overdue(now), followUp -> {
            followUps.lock(followUp.interviewId());
            if (followUps.ended(followUp.id(), FollowUpProgress.EXPIRED, "", "", now)) {
                goOn(followUp, now);
            }
        });
    }

    private static String noted(String note) throws Refused {
        if (note.strip().length() > LONGEST_NOTE) {
            throw new Refused("A note takes at most " + LONGEST_NOTE + " characters; this one has " + note.strip().length() + ".");
        }
        return note.strip();
    }
}
