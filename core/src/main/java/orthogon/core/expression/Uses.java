package orthogon.core.expression;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Expr.*;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Roster;

/**
 * The items and link parameters that an expression speaks of; of {@code animals.urgency} both the roster and the item in it.
 *
 * @param items by code
 * @param rosterOf code of an item in a roster to the code of the roster
 */
record Uses(Map<String, Item> items, Map<String, String> rosterOf) {

    Set<String> of(Expr expr) {
        Set<String> found = new LinkedHashSet<>();
        collect(expr, Map.of(), found);
        return Collections.unmodifiableSet(found);
    }

    /** @param entries name that a quantifier binds, to the roster whose entries it stands for; empty where it stands for something else */
    private void collect(Expr expr, Map<String, String> entries, Set<String> found) {
        switch (expr) {
            case Name n when !entries.containsKey(n.name()) -> found.add(n.name());
            case PartOf p -> {
                collect(p.of(), entries, found);
                String roster = p.of() instanceof Name n ? entries.getOrDefault(n.name(), n.name()) : "";
                if (items.get(roster) instanceof Roster && roster.equals(rosterOf.get(p.part()))) {
                    found.add(p.part());
                }
            }
            case Quantified q -> {
                Map<String, String> inner = new HashMap<>(entries);
                for (Binding b : q.bindings()) {
                    collect(b.in(), inner, found);
                    inner.put(b.name(), b.in() instanceof Name n && items.get(n.name()) instanceof Roster ? n.name() : "");
                }
                collect(q.satisfies(), inner, found);
            }
            default -> expr.children().forEach(c -> collect(c, entries, found));
        }
    }
}
