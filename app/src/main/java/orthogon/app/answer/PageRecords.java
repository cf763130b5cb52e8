package orthogon.app.answer;

import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.lookup.LookupAnswer;

/** The records that the lookups on a page may take, under keys that tell nothing about them. */
public interface PageRecords {

    /** A page without any. */
    PageRecords NONE = new PageRecords() {

        @Override
        public Optional<Map<String, Object>> at(LookupAnswer lookup, String key) {
            return Optional.empty();
        }

        @Override
        public String key(Map<?, ?> record) {
            return "";
        }

        @Override
        public boolean mayAdd(LookupAnswer lookup) {
            return false;
        }

        @Override
        public Optional<SoughtRecords> sought(String slot) {
            return Optional.empty();
        }
    };

    /** The record with this key; empty where there is none that the lookup can show. */
    Optional<Map<String, Object>> at(LookupAnswer lookup, String key);

    /** The key of a record, which is good for this interview alone. */
    String key(Map<?, ?> record);

    /** Whether somebody can add a record now. */
    boolean mayAdd(LookupAnswer lookup);

    /** What was sought for the question at this slot; empty where nothing was. */
    Optional<SoughtRecords> sought(String slot);
}
