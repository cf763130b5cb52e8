package orthogon.app.work;

import java.util.concurrent.TimeUnit;
import java.time.Duration;
import java.time.OffsetDateTime;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;

/** What is done from time to time without anybody asking for it. */
@Configuration
@EnableScheduling
class Housekeeping {

    private final KeepAnswers keeping;
    private final KeepNoLonger erasing;
    private final InvitePeople inviting;
    private final WorkOnFollowUps followUps;
    private final Duration refusedFor;

    /** @param refusedFor how long files of a page that was refused are kept */
    Housekeeping(KeepAnswers keeping, KeepNoLonger erasing, InvitePeople inviting, WorkOnFollowUps followUps,
            @Value("${orthogon.refused-files-kept:PT24H}") Duration refusedFor) {
        this.keeping = keeping;
        this.erasing = erasing;
        this.inviting = inviting;
        this.followUps = followUps;
        this.refusedFor = refusedFor;
    }

    @Scheduled(cron = "${orthogon.erase-at:0 30 3 * * *}")
    void keepNoLonger() {
        erasing.run();
    }

    @Scheduled(cron = "${orthogon.remind-at:0 0 9 * * *}")
    void remind() {
        inviting.remindWhereDue();
    }

    @Scheduled(initialDelay = 30, fixedDelay = 60, timeUnit = TimeUnit.SECONDS)
    void tellOfFollowUps() {
        followUps.remind();
        followUps.expire();
    }

    @Scheduled(initialDelay = 10, fixedDelay = 60, timeUnit = TimeUnit.MINUTES)
    void forgetRefusedFiles() {
        keeping.forgetRefused(OffsetDateTime.now().minus(refusedFor));
    }
}
