package orthogon.app.compose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.edit.Edit;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.told.ClaimWords;

/** The claims of a proof by the row that they are about. */
final class Signs {

    /** How a row stands: a verdict's word, and the same for people. */
    record Sign(String name, String words) {}

    private final Map<String, List<Claim>> claims = new HashMap<>();
    private final Set<String> never = new HashSet<>();
    private final ClaimWords words;

    Signs(Proof proof) {
        words = proof.words();
        Set<String> outcomes = new HashSet<>();
        proof.document().outcomes().forEach(o -> outcomes.add(o.code()));
        for (Claim claim : proof.claims()) {
            String head = claim.at().row();
            boolean ending = claim.kind().scope() == ClaimKind.ClaimScope.ENDING
                    || claim.kind().scope() == ClaimKind.ClaimScope.RULE && head.isEmpty()
                    || claim.kind() == ClaimKind.CODE_UNIQUE && outcomes.contains(claim.place())
                    || claim.kind().scope() == ClaimKind.ClaimScope.TEXT && outcomes.contains(head)
                            && proof.document().item(head).isEmpty();
            boolean dispatch = proof.document().dispatch().has(head)
                    && proof.document().item(head).isEmpty() && proof.document().page(head).isEmpty();
            claims.computeIfAbsent(ending ? Edit.ENDING : dispatch ? Edit.MESSAGES : head, c -> new ArrayList<>()).add(claim);
            if (claim.verdict() == Verdict.REFUTED && claim.place().equals(head)
                    && claim.kind().isReach() && claim.kind().scope() == ClaimKind.ClaimScope.ROW) {
                never.add(head);
            }
        }
    }

    /** Says the claims in words. */
    ClaimWords words() {
        return words;
    }

    /** Rows that nobody ever reaches. */
    Set<String> never() {
        return never;
    }

    List<Claim> at(String code) {
        return claims.getOrDefault(code, List.of());
    }

    Sign of(String code) {
        List<Claim> here = at(code);
        long refuted = here.stream().filter(c -> c.blocking() && c.verdict() == Verdict.REFUTED).count();
        long undecided = here.stream().filter(c -> c.blocking() && c.verdict() == Verdict.UNDECIDED).count();
        return refuted > 0
                ? new Sign("refuted", refuted + " refuted")
                : undecided > 0
                        ? new Sign("undecided", undecided + " undecided")
                        : new Sign("proved", here.size() + " proved");
    }

    Map<String, Sign> all() {
        Map<String, Sign> all = new LinkedHashMap<>();
        claims.keySet().forEach(code -> all.put(code, of(code)));
        return all;
    }
}
