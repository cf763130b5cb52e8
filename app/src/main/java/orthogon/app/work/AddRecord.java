package orthogon.app.work;

import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.RecordLinkStore.AddedFor;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Question;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Adds a record out of an interview: another one is begun for it, and once that is sent, its response is chosen here. */
@Component
public class AddRecord {

    /** How often the other interview may have been kept by somebody else at the same moment. */
    private static final int MOST_TRIES = 5;

    private final InterviewStore interviews;
    private final RecordLinkStore records;

    public AddRecord(InterviewStore interviews, RecordLinkStore records) {
        this.interviews = interviews;
        this.records = records;
    }

    /**
     * Where an added record is wanted.
     *
     * @param host the interview for which it is added
     * @param slot of the lookup there
     */
    public record WantedRecord(Running host, String slot) {

        private Optional<Map<String, Object>> chosen(String receipt, Map<String, Object> answers) {
            return host.release().document().question(Slots.code(slot)).map(Question::answer)
                    .flatMap(a -> a instanceof LookupAnswer lookup ? lookup.recordOf(receipt, answers) : Optional.empty());
        }
    }

    /**
     * Begins the interview that adds a record.
     *
     * @param from in which the record is wanted
     * @param slot of the lookup there
     * @param known answers that the new interview begins with
     * @param to the release that is answered
     * @param at the moment
     * @return its id
     */
    @Transactional
    public String begin(Running from, String slot, Map<String, Object> known, Release to, OffsetDateTime at) {
        Interview fresh = Interview.start(to.wiring(from.interview().wiring().document().sourceLanguage()), at.toLocalDate(), Map.of());
        String id = interviews.begin(to, fresh.keep(known), at).id();
        records.adds(id, new AddedFor(from.id(), slot));
        return id;
    }

    /** Where the record that an interview adds is wanted; empty where it adds none, or where the interview that wants it is over. */
    public Optional<WantedRecord> wantedBy(String interview) {
        return records.addedFor(interview).flatMap(a -> interviews.find(a.interview()).filter(r -> r.receipt().isEmpty() && !r.isOver())
                .map(host -> new WantedRecord(host, a.slot())));
    }

    /** Chooses the record that an interview became, where it was begun for that; within the transaction that sends it. */
    void sent(Running added, String receipt) {
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Optional<WantedRecord> wanted = wantedBy(added.id());
            Optional<Map<String, Object>> chosen = wanted.flatMap(w -> w.chosen(receipt, added.interview().sent()));
            if (chosen.isEmpty() || choose(wanted.get(), chosen.get())) {
                return;
            }
        }
    }

    private boolean choose(WantedRecord wanted, Map<String, Object> chosen) {
        Running host = wanted.host();
        return interviews.keep(host, host.interview().keep(Map.of(wanted.slot(), chosen)), Optional.empty());
    }
}
