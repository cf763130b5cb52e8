package orthogon.core.proof.drill;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import orthogon.core.proof.claim.CaseWalk;
import orthogon.core.proof.plain.CaseNames;

/**
 * How a case goes, whatever is answered on the way: how the first interview ends, which follow-ups are opened, and how each of them ends.
 *
 * @param outcome of the first interview; empty for none
 * @param ends of the follow-ups that are opened, in the order of the composed document
 */
public record CaseLane(String outcome, List<CaseEnd> ends) {

    /**
     * How a follow-up ends.
     *
     * @param name in the composed document
     * @param state in the words of conditions
     * @param decision code of the choice; empty for none
     * @param outcome of its interview; empty for none, and where it was not sent
     */
    public record CaseEnd(String name, String state, String decision, String outcome) {

        /** The codes of the follow-ups that lead to it, joined by dots. */
        public String path() {
            return CaseNames.path(name);
        }
    }

    public CaseLane {
        ends = List.copyOf(ends);
    }

    /**
     * The lane that a case took.
     *
     * @param walk of a case that is over
     * @param names of the follow-ups in the composed document, in order
     */
    static CaseLane of(CaseWalk walk, Collection<String> names) {
        List<CaseEnd> ends = new ArrayList<>();
        for (String name : names) {
            walk.step(name).ifPresent(s -> ends.add(new CaseEnd(name, s.opened().progress().word(), s.opened().decision(),
                    s.interview().flatMap(i -> i.course().outcome()).orElse(""))));
        }
        return new CaseLane(walk.first().course().outcome().orElse(""), ends);
    }
}
