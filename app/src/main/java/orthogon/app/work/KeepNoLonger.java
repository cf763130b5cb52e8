package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import orthogon.app.store.DraftStore;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.RetentionStore;
import orthogon.app.store.RetentionStore.Retention;
import orthogon.core.answer.file.Attachment;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.PersonalAnswers;
import org.springframework.stereotype.Component;

/** Erases what is kept longer than a questionnaire says: responses, or their personal answers, and interviews that were never sent. */
@Component
public class KeepNoLonger {

    /** Longest time that can be said, in days. */
    public static final int MOST_DAYS = 36_500;
    private static final int AT_ONCE = 200;

    private final RetentionStore retention;
    private final ResponseStore responses;
    private final ErasureStore erasure;
    private final EraseResponses erasing;
    private final ForgetRecords records;
    private final KnownReleases releases;
    private final DraftStore drafts;
    private final Acts acts;
    private final Clock clock;

    public KeepNoLonger(RetentionStore retention, ResponseStore responses, ErasureStore erasure, EraseResponses erasing,
            ForgetRecords records, KnownReleases releases, DraftStore drafts, Acts acts, Clock clock) {
        this.retention = retention;
        this.responses = responses;
        this.erasure = erasure;
        this.erasing = erasing;
        this.records = records;
        this.releases = releases;
        this.drafts = drafts;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Decides how long a questionnaire keeps what it was sent.
     *
     * @throws Refused where a time is negative or beyond {@link #MOST_DAYS}
     */
    public void decide(String code, Retention wanted, String who) throws Refused {
        for (int days : List.of(wanted.responseDays(), wanted.unfinishedDays())) {
            if (days < 0 || days > MOST_DAYS) {
                throw new Refused("Give a number of days from 0 to " + MOST_DAYS + "; 0 keeps them as long as there is room.");
            }
        }
        acts.noted(who, code, "decided to keep responses " + words(wanted.responseDays())
                + (wanted.onlyPersonal() && wanted.responseDays() > 0 ? ", then without personal answers," : "")
                + " and unfinished interviews " + words(wanted.unfinishedDays()), () -> retention.keep(wanted));
    }

    private static String words(int days) {
        return days == 0 ? "as long as there is room" : days + (days == 1 ? " day" : " days");
    }

    /** Erases everything that is due by now, a few at a time, each few in one transaction with its line in the trail. */
    public void run() {
        OffsetDateTime now = OffsetDateTime.now(clock);
        for (Retention each : retention.all()) {
            String code = drafts.code(each.questionnaireId());
            if (each.responseDays() > 0) {
                responses(each, code, now.minusDays(each.responseDays()));
            }
            if (each.unfinishedDays() > 0) {
                unfinished(each, code, now.minusDays(each.unfinishedDays()));
            }
        }
    }

    private void responses(Retention each, String code, OffsetDateTime before) {
        while (true) {
            List<String> due = retention.sentBefore(each.questionnaireId(), before, !each.onlyPersonal(), AT_ONCE);
            if (due.isEmpty()) {
                return;
            }
            List<Response> all = responses.all(responses.numbers(each.questionnaireId(), due));
            String whose = all.size() + (all.size() == 1 ? " response" : " responses") + " kept longer than " + words(each.responseDays());
            if (each.onlyPersonal()) {
                acts.noted(Acts.NOBODY, code, "erased the personal answers of " + whose, () -> strip(all));
            } else {
                acts.noted(Acts.NOBODY, code, "erased " + whose, () -> erasing.erase(all));
            }
        }
    }

    private void strip(List<Response> all) {
        all.forEach(this::strip);
        records.forget(all.stream().map(Response::receipt).toList());
        erasure.noted();
    }

    private void strip(Response response) {
        Set<String> personal = PersonalAnswers.of(releases.get(response.releaseId()).document());
        Map<String, Object> open = PersonalAnswers.without(response.answers(), personal);
        List<String> files = response.answers().entrySet().stream().filter(e -> personal.contains(e.getKey())).map(Map.Entry::getValue)
                .flatMap(Attachment::within).map(Attachment::key).toList();
        responses.strip(response, new TreeMap<>(open), personal);
        erasure.eraseFiles(files);
        erasure.eraseCopies(response.interviewId());
    }

    private void unfinished(Retention each, String code, OffsetDateTime before) {
        while (true) {
            List<String> due = retention.leftBefore(each.questionnaireId(), before, AT_ONCE);
            if (due.isEmpty()) {
                return;
            }
            acts.noted(Acts.NOBODY, code, "erased " + due.size() + (due.size() == 1 ? " unfinished interview" : " unfinished interviews")
                    + " kept longer than " + words(each.unfinishedDays()), () -> erasure.erase(due, List.of()));
        }
    }
}
