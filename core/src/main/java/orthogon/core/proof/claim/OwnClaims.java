package orthogon.core.proof.claim;

import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The analyst's own statements about every complete interview. */
final class OwnClaims {

    private OwnClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        List<Claim> claims = new ArrayList<>();
        List<OwnClaim> own = decider.space.wiring().document().claims();
        for (int i = 0; i < own.size(); i++) {
            claims.add(claim(decider, own.get(i), "claims/" + i));
        }
        return claims;
    }

    static Message statement(OwnClaim own, String place) {
        return ClaimKind.OWN.message(own.says() == Says.ALWAYS ? "claim.always" : "claim.never").text("code", own.code())
                .bare("formula", place);
    }

    private static Claim claim(ClaimDecider decider, OwnClaim own, String place) {
        Diagrams d = decider.d;
        boolean always = own.says() == Says.ALWAYS;
        Message statement = statement(own, place);
        Optional<Expr> expr = decider.space.expr(place);
        if (expr.isEmpty()) {
            return ClaimDecider.undecided(ClaimKind.OWN, own.code(), statement,
                    decider.space.causeAt(place).orElse(new Unknown.Unsound(Fault.SoundClaim.TYPE_FITS, place)));
        }
        ClaimDecider.Sought sought = decider.atEnd(ending -> {
            Truth truth = decider.space.truth(expr.get(), decider.reads.outcomesAt(ending));
            return always ? d.not(truth.holds()) : truth.holds();
        }, i -> i.course().complete() && always != Boolean.TRUE.equals(i.truth(place)));
        return decider.none(ClaimKind.OWN, own.code(), statement, sought,
                ClaimKind.OWN.message(always ? "proved.always" : "proved.never"),
                () -> ClaimKind.OWN.message(always ? "refuted.always" : "refuted.never"));
    }
}
