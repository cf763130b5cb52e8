package orthogon.core.proof.composed;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.plain.CaseNames;

/**
 * The answers of everybody in a case.
 *
 * @param answers of the first questionnaire, question or link parameter to value
 * @param followed what is said of follow-ups that are opened, in order
 */
public record CaseWitness(Map<String, Object> answers, List<FollowedUp> followed) {

    /**
     * What becomes of a follow-up.
     *
     * @param name in the composed document
     * @param state in which it ends, in the words of conditions; empty where it stays open
     * @param decision code of the choice; empty for none
     * @param answers of its questionnaire, question to value
     */
    public record FollowedUp(String name, String state, String decision, Map<String, Object> answers) {

        /** The codes of the follow-ups that lead to it, joined by dots. */
        public String path() {
            return CaseNames.path(name);
        }
    }

    public CaseWitness {
        followed = List.copyOf(followed);
    }

    /** What is said of a follow-up. */
    public Optional<FollowedUp> of(String name) {
        return followed.stream().filter(f -> f.name().equals(name)).findFirst();
    }

    /** The witness without what becomes of a follow-up, so that it stays open. */
    public CaseWitness without(String name) {
        return new CaseWitness(answers, followed.stream().filter(f -> !f.name().equals(name)).toList());
    }

    /** The answers of the composed document as those of each of its questionnaires. */
    static CaseWitness of(CaseDocument document, Map<String, Object> composed) {
        List<FollowedUp> followed = new ArrayList<>();
        document.parts().values().stream().filter(p -> p.depth() > 0).forEach(part -> {
            Object state = composed.get(CaseNames.known(part.name(), "state"));
            Map<String, Object> answers = own(part, composed);
            if (state != null) {
                Object decision = composed.get(CaseNames.known(part.name(), "decision"));
                boolean answered = state.equals(part.by().orElseThrow().answeredState());
                followed.add(new FollowedUp(part.name(), (String) state, decision == null ? "" : (String) decision,
                        answered ? answers : Map.of()));
            }
        });
        return new CaseWitness(own(document.first(), composed), followed);
    }

    private static Map<String, Object> own(CasePart part, Map<String, Object> composed) {
        String prefix = part.inside("");
        Map<String, Object> plain = new LinkedHashMap<>();
        composed.forEach((code, value) -> {
            String own = code.startsWith(prefix) ? code.substring(prefix.length()) : "X";
            if (own.indexOf('X') < 0 && own.indexOf('Y') < 0) {
                plain.put(own, value);
            }
        });
        return part.form().answers(plain);
    }
}
