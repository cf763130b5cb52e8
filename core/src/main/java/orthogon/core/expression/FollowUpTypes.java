package orthogon.core.expression;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.BroughtKind;

/** What conditions can ask of a follow-up: its state, its decision, and what it brings. */
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
}
