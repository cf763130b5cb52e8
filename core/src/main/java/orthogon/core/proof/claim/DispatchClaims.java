package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.questionnaire.DispatchMessage;

/** Every message is sent to somebody, and has an address whenever it is sent. */
final class DispatchClaims {

    private final ClaimDecider decider;
    private final Diagrams d;

    DispatchClaims(ClaimDecider decider) {
        this.decider = decider;
        this.d = decider.d;
    }

    static List<Claim> of(ClaimDecider decider) {
        DispatchClaims claims = new DispatchClaims(decider);
        List<Claim> all = new ArrayList<>();
        decider.space.wiring().document().messages().forEach(message -> {
            all.add(claims.sent(message));
            all.add(claims.filled(message));
        });
        return all;
    }

    private DispatchMessage message(String code) {
        return decider.space.wiring().document().message(code).orElseThrow();
    }

    /** Why it is not known who is sent a message; empty where it is. */
    Optional<Unknown> open(String code) {
        return open(message(code));
    }

    /** Searches for a respondent for whom a message is sent in a state of the set. */
    ClaimDecider.Sought reading(String code, int set, Predicate<Interview> shows) {
        DispatchMessage message = message(code);
        return decider.atEnd(ending -> d.and(set, sentAt(message, ending)), isSent(message).and(shows));
    }

    /** Searches for a respondent who is sent a message, in the language of the interview. */
    ClaimDecider.Sought readByRespondent(String code) {
        DispatchMessage message = message(code);
        return reading(code, d.not(blank(message, Diagrams.ALL)), i -> message.answers().stream()
                .anyMatch(a -> i.course().effective().get(a) != null));
    }

    /** The states of a set in which every answer that the message goes to is blank. */
    private int blank(DispatchMessage message, int set) {
        return message.answers().stream().map(a -> decider.space.axis(a).blank()).reduce(set, d::and);
    }

    private static String condition(DispatchMessage message) {
        return message.code() + ".sendWhen";
    }

    /** Why it is not known who is sent the message; empty where it is. */
    private Optional<Unknown> open(DispatchMessage message) {
        if (message.answers().stream().anyMatch(a -> decider.space.axis(a) == null)) {
            return Optional.of(new Unknown.Unsound(Fault.SoundClaim.REFERENCE_EXISTS, message.code()));
        }
        String place = condition(message);
        return message.sendWhen().isBlank() || decider.space.expr(place).isPresent()
                ? Optional.empty()
                : Optional.of(decider.space.causeAt(place).orElse(new Unknown.Unsound(Fault.SoundClaim.TYPE_FITS, place)));
    }

    private int sentAt(DispatchMessage message, Flow.Exit ending) {
        return decider.space.expr(condition(message))
                .map(e -> decider.space.truth(e, OwnClaims.outcomesAt(decider, ending)).holds()).orElse(Diagrams.ALL);
    }

    private static Predicate<Interview> isSent(DispatchMessage message) {
        return i -> i.course().complete() && DueMessage.isSent(i, message);
    }

    private Claim sent(DispatchMessage message) {
        ClaimKind kind = ClaimKind.MESSAGE_SENT;
        Optional<Unknown> open = open(message);
        if (open.isPresent()) {
            return ClaimDecider.undecided(kind, message.code(), kind.message("claim").code("code", message.code()), open.get());
        }
        ClaimDecider.Sought sought = decider.atEnd(ending -> sentAt(message, ending), isSent(message));
        return decider.some(kind, message.code(), kind.message("claim").code("code", message.code()), sought, Optional.empty(),
                kind.message("proved"), () -> new Finding.Fact(kind.message("refuted")));
    }

    private Claim filled(DispatchMessage message) {
        ClaimKind kind = ClaimKind.RECIPIENT_FILLED;
        Optional<Unknown> open = open(message);
        if (open.isPresent()) {
            return ClaimDecider.undecided(kind, message.code(), kind.message("claim").code("code", message.code()), open.get());
        }
        ClaimDecider.Sought sought = decider.atEnd(
                ending -> message.addresses().isEmpty() ? blank(message, sentAt(message, ending)) : Diagrams.NONE,
                isSent(message).and(i -> message.answers().stream().allMatch(a -> i.course().effective().get(a) == null)));
        return decider.none(kind, message.code(), kind.message("claim").code("code", message.code()), sought, kind.message("proved"),
                () -> kind.message(message.answers().isEmpty() ? "refuted.nobody" : "refuted"));
    }
}
