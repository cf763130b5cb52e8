package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/** The analyst's own statements about every complete interview. */
final class OwnClaims {

    private OwnClaims() {}

    static List<Claim> of(Court court) {
        List<Claim> claims = new ArrayList<>();
        List<OwnClaim> own = court.space.wiring().document().claims();
        for (int i = 0; i < own.size(); i++) {
            claims.add(claim(court, own.get(i), "claims/" + i));
        }
        return claims;
    }

    private static Claim claim(Court court, OwnClaim own, String place) {
        Diagrams d = court.d;
        boolean always = own.says() == Says.ALWAYS;
        String statement = own.code() + ": " + court.sentences.at(place).replaceFirst("^\\S+ says: ", always ? "always " : "never ");
        Optional<Expr> expr = court.space.expr(place);
        if (expr.isEmpty()) {
            return Court.undecided(ClaimKind.OWN, own.code(), statement, court.space.causeAt(place).orElse(new Unknown.Unsound(Fault.Kind.TYPE_FITS, place)));
        }
        Court.Sought sought = court.atEnd(ending -> {
            Truth truth = court.space.truth(expr.get(), outcomesAt(court, ending));
            return always ? d.not(truth.holds()) : truth.holds();
        }, i -> i.course().complete() && always != Boolean.TRUE.equals(i.truth(place)));
        return court.none(ClaimKind.OWN, own.code(), statement, sought,
                always ? "It holds on every complete interview." : "It holds on no complete interview.",
                () -> always ? "It does not hold for this respondent." : "It holds for this respondent.");
    }

    /** For one way of ending, the states in which each outcome is reached. */
    private static Map<String, Integer> outcomesAt(Court court, Flow.Exit ending) {
        Map<String, Integer> outcomes = new LinkedHashMap<>();
        for (Outcome outcome : court.space.wiring().document().outcomes()) {
            boolean finish = ending.kind() == Flow.Kind.FINISH;
            int set = finish
                    ? (court.flow.outcomeOf(ending).equals(outcome.code()) ? Diagrams.ALL : Diagrams.NONE)
                    : court.endsAs(outcome.code());
            outcomes.put(outcome.code(), set);
        }
        return outcomes;
    }
}
