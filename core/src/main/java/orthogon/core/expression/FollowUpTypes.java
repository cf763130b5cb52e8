package orthogon.core.expression;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/** What conditions can ask of a follow-up: its state, its decision, and what it brings; and a document that asks nothing of any. */
final class FollowUpTypes {

    private FollowUpTypes() {}

    static Type of(FollowUp followUp) {
        Map<String, Type> parts = new LinkedHashMap<>();
        parts.put("state", Type.choice(followUp.code() + ".state", new LinkedHashSet<>(followUp.ends())));
        if (!followUp.decision().isNone()) {
            Set<String> choices = new LinkedHashSet<>(followUp.decision().ends());
            parts.put("decision", Type.choice(followUp.code() + ".decision", choices));
        }
        followUp.brings().forEach(b -> parts.putIfAbsent(b.name(), of(b.kind())));
        return Type.parts(followUp.code(), parts);
    }

    /** What can be asked of a follow-up once it is sent, while nothing is decided. */
    static Type sent(FollowUp followUp) {
        Map<String, Type> parts = new LinkedHashMap<>();
        followUp.brings().forEach(b -> parts.putIfAbsent(b.name(), of(b.kind())));
        return Type.parts(followUp.code(), parts);
    }

    /** The kind that a value of this type is brought as; empty where it cannot be brought. */
    static Optional<BroughtKind> kind(Type type) {
        return switch (type.kind()) {
            case TRUTH -> Optional.of(BroughtKind.YES_NO);
            case NUMBER -> Optional.of(BroughtKind.NUMBER);
            case TEXT -> Optional.of(BroughtKind.TEXT);
            case DATE -> Optional.of(BroughtKind.DATE);
            case TIME -> Optional.of(BroughtKind.TIME);
            case LIST -> type.element().kind() == Type.TypeKind.TEXT ? Optional.of(BroughtKind.LIST) : Optional.empty();
            case DAYS, MONTHS, PARTS, FILE, NOTHING -> Optional.empty();
        };
    }

    private static Type of(BroughtKind kind) {
        return switch (kind) {
            case YES_NO -> Type.TRUTH;
            case NUMBER -> Type.NUMBER;
            case TEXT -> Type.TEXT;
            case DATE -> Type.DATE;
            case TIME -> Type.TIME;
            case LIST -> Type.listOf(Type.TEXT);
        };
    }

    /**
     * Who at most is sent a message of a follow-up, as far as it is known without follow-ups: whoever it is opened for, and for whom the
     * condition of the message holds.
     */
    static Expr guard(Wiring wiring, DispatchMessage message) {
        List<Expr> known = new ArrayList<>();
        wiring.document().followUp(message.occasion().followUp()).filter(f -> !f.isForEachEntry())
                .flatMap(f -> wiring.at(f.code() + "." + RuleFamily.OPEN_FOLLOW_UP.key())).flatMap(Wire::expr).ifPresent(known::add);
        wiring.at(message.code() + ".sendWhen").flatMap(Wire::expr).ifPresent(known::add);
        known.removeIf(wiring::namesFollowUps);
        return known.isEmpty()
                ? new Expr.Literal(true, Expr.Span.NONE)
                : known.size() == 1 ? known.getFirst() : new Expr.And(known, Expr.Span.NONE);
    }

    /**
     * A document without follow-ups, whose own claims say nothing where they speak of any.
     *
     * @param ofCase expressions that speak of follow-ups
     * @param guards place to the tree of the condition that stands there instead
     */
    static Questionnaire without(Questionnaire document, List<Wire> ofCase, Map<String, Expr> guards) {
        List<OwnClaim> claims = new ArrayList<>(document.claims());
        ofCase.stream().filter(w -> w.family() == RuleFamily.CLAIM).map(w -> w.at().number())
                .forEach(n -> claims.set(n, new OwnClaim(claims.get(n).code(), Says.ALWAYS, "true")));
        List<DispatchMessage> messages = document.messages().stream()
                .map(m -> m.isOfFollowUp() ? m.withSendWhen(Printer.print(guards.get(m.code() + ".sendWhen"))) : m).toList();
        return document.withFollowUps(List.of()).withMessages(messages).withClaims(claims);
    }
}
