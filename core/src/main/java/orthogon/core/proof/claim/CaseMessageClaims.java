package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.DispatchMessage;

/** The claims on messages at moments of follow-ups: who is sent them, which the case alone decides. */
final class CaseMessageClaims {

    private static final Set<ClaimKind> OF_MESSAGES = Set.of(ClaimKind.MESSAGE_SENT, ClaimKind.RECIPIENT_FILLED,
            ClaimKind.MESSAGE_COMPLETE, ClaimKind.CONDITION_VARIES, ClaimKind.COMPARISON_MATTERS);

    private final CaseDocument document;
    private final ComposedClaims composed;

    CaseMessageClaims(CaseDocument document, ComposedClaims composed) {
        this.document = document;
        this.composed = composed;
    }

    /** The claims on each of them, in document order. */
    List<Claim> all() {
        return ofFollowUps(document.first().form().asWritten()).stream().flatMap(m -> told(m).stream()).toList();
    }

    /**
     * The claims on each of them where nothing is decided.
     *
     * @param cause the claim that keeps them from being decided
     * @param why what is said where there is no such claim
     */
    static List<Claim> undecided(Wiring first, Optional<ClaimId> cause, Finding why) {
        List<Claim> claims = new ArrayList<>();
        for (DispatchMessage message : ofFollowUps(first)) {
            for (ClaimKind kind : List.of(ClaimKind.MESSAGE_SENT, ClaimKind.RECIPIENT_FILLED)) {
                Message statement = CaseClaims.ofCode(kind, message.code());
                claims.add(cause.map(c -> ClaimDecider.undecided(kind, message.code(), statement, c))
                        .orElseGet(() -> new Claim(kind, message.code(), statement, Verdict.UNDECIDED, Optional.empty(), () -> why)));
            }
        }
        return claims;
    }

    private static List<DispatchMessage> ofFollowUps(Wiring first) {
        return first.document().messages().stream()
                .filter(m -> m.isOfFollowUp() && first.document().followUp(m.occasion().followUp()).isPresent()).toList();
    }

    /** Whether a claim is about who is sent a message of a follow-up, which the case alone decides. */
    static boolean isOfCase(Wiring first, Claim claim) {
        return OF_MESSAGES.contains(claim.kind())
                && first.document().message(claim.at().row()).filter(DispatchMessage::isOfFollowUp).isPresent();
    }

    private List<Claim> told(DispatchMessage message) {
        String code = message.code();
        String place = code + "." + RuleFamily.SEND_WHEN.key();
        List<Claim> claims = new ArrayList<>();
        Claim sent = composed.of(ClaimKind.MESSAGE_SENT, code);
        Claim filled = composed.of(ClaimKind.RECIPIENT_FILLED, code);
        claims.add(composed.led(ClaimKind.MESSAGE_SENT, code, CaseClaims.ofCode(ClaimKind.MESSAGE_SENT, code), sent, w -> w.sends(message),
                f -> f));
        claims.add(composed.led(ClaimKind.RECIPIENT_FILLED, code, CaseClaims.ofCode(ClaimKind.RECIPIENT_FILLED, code), filled,
                w -> w.sends(message) && message.answers().stream().allMatch(a -> w.first().course().effective().get(a) == null), f -> f));
        Claim varies = composed.of(ClaimKind.CONDITION_VARIES, place);
        if (varies != null && !message.sendWhen().isEmpty()) {
            claims.add(composed.led(ClaimKind.CONDITION_VARIES, place, varies.statement(), varies, ComposedClaims::isSent, f -> f));
            // Comparisons of the moment, which nobody wrote, come after those of the condition.
            for (int n = 0; n < document.first().comparisons(place); n++) {
                Claim matters = composed.of(ClaimKind.COMPARISON_MATTERS, place + "#" + n);
                if (matters != null) {
                    claims.add(
                            composed.led(ClaimKind.COMPARISON_MATTERS, place + "#" + n, matters.statement(), matters,
                                    ComposedClaims::isSent, f -> f));
                }
            }
        }
        return claims;
    }
}
