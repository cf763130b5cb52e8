package orthogon.app.work;

import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.RecordStore;
import orthogon.app.store.RecordStore.AddedFor;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Adds a record out of an interview: another one is begun for it, and once that is sent, its response is chosen here. */
@Component
public class AddRecord {

    /** How often the other interview may have been kept by somebody else at the same moment. */
    private static final int MOST_TRIES = 5;

    private final InterviewStore interviews;
    private final RecordStore records;

    public AddRecord(InterviewStore interviews, RecordStore records) {
        this.interviews = interviews;
        this.records = records;
    }

    /**
     * Begins the interview that adds a record.
     *
     * @param from in which the record is wanted
     * @param slot of the lookup there
     * @param to the release that is answered
     * @param typed words that were sought; the new interview begins with them
     * @param at the moment
     * @return its id
     */
    @Transactional
    public String begin(Running from, String slot, Release to, String typed, OffsetDateTime at) {
        Interview fresh = Interview.start(to.wiring(from.interview().wiring().document().sourceLanguage()), at.toLocalDate(), Map.of());
        Optional<LookupAnswer> lookup = lookup(from, slot);
        Map<String, Object> known = lookup.flatMap(l -> l.shows().stream().filter(s -> value(s, typed) != null).findFirst())
                .<Map<String, Object>>map(s -> Map.of(s.code(), value(s, typed))).orElse(Map.of());
        String id = interviews.begin(to, fresh.keep(known), at).id();
        records.adds(id, new AddedFor(from.id(), slot));
        return id;
    }

    private static Optional<LookupAnswer> lookup(Running running, String slot) {
        return running.release().document().question(slot.substring(slot.lastIndexOf('.') + 1)).map(q -> q.answer())
                .filter(LookupAnswer.class::isInstance).map(LookupAnswer.class::cast);
    }

    /** What was typed as a value of a shown answer: a text, or the parts of a name; null for any other. */
    private static Object value(RecordAnswer shown, String typed) {
        List<String> words = Arrays.stream(typed.strip().split("\\s+")).filter(w -> !w.isEmpty()).toList();
        if (words.isEmpty()) {
            return null;
        }
        return switch (shown.answer().domain()) {
            case Domain.FreeTexts t -> String.join(" ", words);
            case Domain.TextParts p when p.parts().containsAll(List.of("given", "family")) -> {
                Map<String, Object> parts = new LinkedHashMap<>(Map.of("given", words.getFirst()));
                if (words.size() > 1) {
                    parts.put("family", String.join(" ", words.subList(1, words.size())));
                }
                yield parts;
            }
            default -> null;
        };
    }

    /** The interview for which another one adds a record; empty where it is one like any other, or where that one is over. */
    public Optional<Running> wantedBy(String interview) {
        return records.addedFor(interview).flatMap(a -> interviews.find(a.interview())).filter(r -> r.receipt().isEmpty() && !r.isOver());
    }

    /** The slot of the lookup for which an interview adds a record. */
    public String slot(String interview) {
        return records.addedFor(interview).map(AddedFor::slot).orElse("");
    }

    /** Chooses the record that an interview became, where it was begun for that; within the transaction that sends it. */
    void sent(Running added, String receipt) {
        Optional<AddedFor> wanted = records.addedFor(added.id());
        for (int tries = 0; wanted.isPresent() && tries < MOST_TRIES; tries++) {
            Optional<Running> host = wantedBy(added.id());
            String slot = wanted.get().slot();
            Optional<Map<String, Object>> chosen = host.flatMap(h -> lookup(h, slot))
                    .flatMap(l -> l.recordOf(receipt, added.interview().sent()));
            if (chosen.isEmpty()
                    || interviews.keep(host.get(), host.get().interview().keep(Map.of(slot, chosen.get())), Optional.empty())) {
                return;
            }
        }
    }
}
