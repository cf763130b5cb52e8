package orthogon.core.edit;

import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Refused;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Other outcomes, another outcome table, other own claims. */
public record ChangeEnding(List<Outcome> outcomes, List<OutcomeRow> table, List<OwnClaim> claims) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Set<String> seen = new HashSet<>();
        for (Outcome outcome : outcomes) {
            if (!Codes.isValid(outcome.code())) {
                throw WholeDocument.badCode(outcome.code());
            }
            if (!seen.add(outcome.code())) {
                throw new Refused("There are two outcomes " + outcome.code() + "; give one of them another code.");
            }
            if (!outcome.redirect().isEmpty() && !outcome.leadsOn()) {
                throw new Refused("“" + outcome.redirect() + "” is not an address to continue to; write it like https://example.org/page.");
            }
        }
        Questionnaire changed = Meant.understood(document, document.withEnding(outcomes, table).withClaims(claims));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    @Override
    public String says() {
        return "changed the outcomes";
    }

    @Override
    public Set<String> about() {
        return Set.of(ENDING);
    }
}
