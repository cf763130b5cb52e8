package orthogon.app.demo;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.opening.OpenFollowUps;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;
import org.springframework.stereotype.Component;

/** What became of the follow-ups of the demo: most are answered and decided, some are open, late, or back with the finder. */
@Component
class DemoCases {

    private static final String REVIEWER = "mirja";
    private static final int MOST_TRIES = 60;
    /** So long ago that reminders have gone out. */
    private static final Duration TOLD = Duration.ofHours(24);
    /** So long ago that most of it is settled. */
    private static final Duration SETTLED = Duration.ofDays(4);

    private final FollowUpStore followUps;
    private final InterviewStore interviews;
    private final OpenFollowUps opening;

    DemoCases(FollowUpStore followUps, InterviewStore interviews, OpenFollowUps opening) {
        this.followUps = followUps;
        this.interviews = interviews;
        this.opening = opening;
    }

    /** Opens what a response opens; what should have been told of it long ago is not told now. */
    void opened(String interviewId, OffsetDateTime at) {
        interviews.find(interviewId).ifPresent(sent -> opening.of(sent, at));
        if (at.isBefore(OffsetDateTime.now().minus(TOLD))) {
            followUps.of(interviewId).forEach(kept -> followUps.tellNext(kept.id(), Optional.empty()));
        }
    }

    /** Lets each follow-up go on, as far as it came by now. */
    void go(OrdinaryAnswers answers, Random random) {
        for (KeptFollowUp kept : followUps.in(List.of(FollowUpProgress.OPEN), 1_000)) {
            OffsetDateTime now = OffsetDateTime.now();
            boolean old = kept.openedAt().isBefore(now.minus(SETTLED));
            OffsetDateTime sentAt = kept.openedAt().plusHours(2 + random.nextInt(20));
            boolean answered = sentAt.isBefore(now) && random.nextInt(10) < (old ? 8 : 5);
            if (answered && answer(kept, answers, random, sentAt)) {
                decide(kept, sentAt.plusHours(3), old, random);
            }
        }
    }

    private boolean answer(KeptFollowUp kept, OrdinaryAnswers answers, Random random, OffsetDateTime at) {
        Running running = opening.begin(kept, at).flatMap(interviews::find).orElseThrow();
        Interview interview = running.interview();
        for (int tries = 0; tries < MOST_TRIES && interview.course().current().isPresent(); tries++) {
            interview = interview.leave(answers.page(interview, random)).interview();
        }
        if (!interview.course().complete()) {
            return false;
        }
        interviews.keep(running, interview, Optional.empty(), at);
        interviews.send(interviews.find(running.id()).orElseThrow(), at);
        followUps.sent(kept.id(), at);
        opened(kept.interviewId(), at);
        return true;
    }

    private void decide(KeptFollowUp kept, OffsetDateTime at, boolean old, Random random) {
        Optional<FollowUp> meant = opening.meant(kept).filter(f -> !f.decision().isNone());
        if (meant.isEmpty() || !at.isBefore(OffsetDateTime.now())) {
            return;
        }
        if (old) {
            followUps.decided(kept.id(), random.nextInt(8) == 0 ? "lost" : "accepted", "", REVIEWER, at);
            opened(kept.interviewId(), at);
        } else if (random.nextInt(3) == 0) {
            String child = followUps.find(kept.id()).flatMap(KeptFollowUp::child).orElseThrow();
            followUps.returned(kept.id(), "Please write the time at which the animal arrived here.", REVIEWER,
                    interviews.again(child, at), Optional.of(at.plusDays(2)), at);
        }
    }
}
