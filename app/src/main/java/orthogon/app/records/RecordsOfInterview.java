package orthogon.app.records;

import java.util.Map;
import java.util.Optional;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.SoughtRecords;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.interview.Interview;

/**
 * The records that one interview may take.
 *
 * @param scope that keys are good for
 * @param found by the slot for which it was sought
 */
public record RecordsOfInterview(Registers registers, String scope, Map<String, SoughtRecords> found) implements PageRecords {

    @Override
    public Optional<Map<String, Object>> at(LookupAnswer lookup, String key) {
        return registers.keys().receipt(key, scope).flatMap(receipt -> registers.find(lookup, receipt));
    }

    @Override
    public String key(Map<?, ?> record) {
        return registers.keys().key(String.valueOf(record.get(Domain.OneRecord.RECEIPT)), scope);
    }

    @Override
    public boolean mayAdd(LookupAnswer lookup) {
        return lookup.mayAdd() && registers.taking(lookup).isPresent();
    }

    @Override
    public Optional<SoughtRecords> sought(String slot) {
        return Optional.ofNullable(found.get(slot));
    }

    /** The same where a search for the lookup at a slot has come to something. */
    public RecordsOfInterview having(String slot, SoughtRecords sought) {
        return new RecordsOfInterview(registers, scope, Map.of(slot, sought));
    }

    /** The same once words were sought for a lookup on the page that the interview is on; itself where no slot is named. */
    public RecordsOfInterview seeking(Interview interview, String slot, String words) {
        return slot.isEmpty() ? this : having(slot, registers.seek(interview, slot, words));
    }
}
