package orthogon.core.edit;

import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** Other outcomes, another outcome table, other own claims. */
public record ChangeEnding(List<Outcome> outcomes, List<OutcomeRow> table, List<OwnClaim> claims) implements Edit {

    private static final Pattern PARAMETER = Pattern.compile("[A-Za-z][A-Za-z0-9_-]{0,63}");

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
            checkCarried(document, outcome);
        }
        Questionnaire changed = Meant.understood(document, document.withEnding(outcomes, table).withClaims(claims));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    private static void checkCarried(Questionnaire document, Outcome outcome) throws Refused {
        if (outcome.carries().size() > Outcome.MOST_CARRIED) {
            throw new Refused("An address takes at most " + Outcome.MOST_CARRIED + " answers.");
        }
        if (!outcome.carries().isEmpty() && outcome.redirect().isEmpty()) {
            throw new Refused("Write the address that takes the answers after outcome " + outcome.code() + ".");
        }
        Wiring wiring = Wiring.of(document);
        for (Map.Entry<String, String> each : outcome.carries().entrySet()) {
            if (!PARAMETER.matcher(each.getKey()).matches()) {
                throw new Refused("“" + each.getKey() + "” is not a name for a part of an address: use letters, digits, _ and - only.");
            }
            if (wiring.type(each.getValue()).isEmpty() || wiring.rosterOf(each.getValue()).isPresent()
                    || document.item(each.getValue()).filter(Roster.class::isInstance).isPresent()) {
                throw new Refused("There is no answer, derived value or link parameter " + each.getValue() + " outside of rosters, so the "
                        + "address after outcome " + outcome.code() + " cannot take it.");
            }
        }
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
