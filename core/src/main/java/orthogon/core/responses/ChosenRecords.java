package orthogon.core.responses;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;

/** The records that answers name, with what is kept of them. */
public final class ChosenRecords {

    private ChosenRecords() {}

    /**
     * Slot to receipt of each record that was chosen, those in entries of rosters with the number of the entry.
     *
     * @param answers as they were sent
     */
    public static Map<String, String> of(Questionnaire document, Map<String, Object> answers) {
        Map<String, String> chosen = new LinkedHashMap<>();
        document.questions().filter(q -> q.answer() instanceof LookupAnswer).map(Question::code).forEach(code -> {
            String roster = document.rosterOf(code).map(Roster::code).orElse("");
            if (roster.isEmpty()) {
                put(code, answers.get(code), chosen);
            } else if (answers.get(roster) instanceof List<?> entries) {
                for (int n = 0; n < entries.size(); n++) {
                    put(Slots.of(roster, String.valueOf(n + 1), code), ((Map<?, ?>) entries.get(n)).get(code), chosen);
                }
            }
        });
        return chosen;
    }

    private static void put(String slot, Object value, Map<String, String> into) {
        if (value instanceof Map<?, ?> chosen && chosen.get(Domain.OneRecord.RECEIPT) instanceof String receipt) {
            into.put(slot, receipt);
        }
    }

    /** Answers in which nothing is left of some records but their receipts. */
    public static Map<String, Object> without(Map<String, Object> answers, Set<String> receipts) {
        Map<String, Object> left = new LinkedHashMap<>();
        answers.forEach((code, value) -> left.put(code, withoutCopies(value, receipts)));
        return left;
    }

    private static Object withoutCopies(Object value, Set<String> receipts) {
        return switch (value) {
            case Map<?, ?> map when map.get(Domain.OneRecord.RECEIPT) instanceof String receipt && receipts.contains(receipt) ->
                Map.of(Domain.OneRecord.RECEIPT, receipt);
            case Map<?, ?> map -> {
                Map<Object, Object> left = new LinkedHashMap<>();
                map.forEach((key, inner) -> left.put(key, withoutCopies(inner, receipts)));
                yield left;
            }
            case List<?> list -> list.stream().map(inner -> withoutCopies(inner, receipts)).toList();
            case null, default -> value;
        };
    }
}
