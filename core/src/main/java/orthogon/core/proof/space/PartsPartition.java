package orthogon.core.proof.space;

import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.proof.message.Message;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Divides values with named parts: each part that is spoken of by itself, the others only by whether anything is there. */
final class PartsPartition {

    private static final int MOST = 5_000;
    private static final Map<String, String> ORDINARY = Map.of("title", "Dr", "given", "Wren", "middle", "Ash", "family", "Alder", "name",
            "Wren Alder", "line_1", "3 Mill Lane", "line_2", "The Barn", "town", "Quillmere", "region", "Fenland", "postcode", "QM1 2AB");

    private PartsPartition() {}

    static List<Object> representatives(String code, LocalDate today, List<String> parts, List<String> required, List<Expr> features,
            Runnable goOn)
            throws Inexact {
        Map<String, List<Expr>> byPart = new LinkedHashMap<>();
        for (Expr feature : features) {
            Set<String> spoken = new LinkedHashSet<>();
            boolean whole = spoken(feature, code, spoken);
            if (whole && (!spoken.isEmpty() || !TextPartition.isBlankness(feature)) || spoken.size() > 1) {
                throw new Inexact(Message.of("inexact.parts-together"));
            }
            if (!whole && spoken.size() == 1) {
                byPart.computeIfAbsent(spoken.iterator().next(), p -> new ArrayList<>()).add(asText(feature, code));
            }
        }
        List<Map<String, Object>> values = new ArrayList<>(List.of(new LinkedHashMap<>()));
        for (String part : parts) {
            List<Object> choices = new ArrayList<>();
            if (byPart.containsKey(part)) {
                choices.addAll(TextPartition.representatives(code, today, null, null, byPart.get(part), goOn));
            } else if (required.contains(part)) {
                choices.add(ORDINARY.getOrDefault(part, "Alder"));
            }
            if (!required.contains(part)) {
                choices.add(null);
            }
            List<Map<String, Object>> further = new ArrayList<>();
            for (Map<String, Object> value : values) {
                for (Object choice : choices) {
                    Map<String, Object> next = new LinkedHashMap<>(value);
                    if (choice != null) {
                        next.put(part, choice);
                    }
                    further.add(next);
                }
            }
            values = further;
            if (values.size() > MOST) {
                throw new Inexact(Message.of("inexact.parts-values"));
            }
        }
        for (Map<String, Object> value : values) {
            // Something must be there for it to be an answer; a part that nothing speaks of will do.
            String free = parts.stream().filter(p -> !byPart.containsKey(p)).findFirst().orElse("");
            if (value.isEmpty() && !free.isEmpty()) {
                value.put(free, ORDINARY.getOrDefault(free, "Alder"));
            }
        }
        values.removeIf(Map::isEmpty);
        return List.copyOf(values);
    }

    /** Collects the parts that are spoken of; true where the value is also spoken of as a whole. */
    private static boolean spoken(Expr expr, String code, Set<String> parts) {
        if (expr instanceof PartOf p && p.of() instanceof Name n && n.name().equals(code)) {
            parts.add(p.part());
            return false;
        }
        boolean whole = expr instanceof Name n && n.name().equals(code);
        for (Expr child : expr.children()) {
            whole |= spoken(child, code, parts);
        }
        return whole;
    }

    private static Expr asText(Expr expr, String code) {
        return expr instanceof PartOf p && p.of() instanceof Name n && n.name().equals(code)
                ? n
                : expr.over(expr.children().stream().map(c -> asText(c, code)).toList());
    }
}
