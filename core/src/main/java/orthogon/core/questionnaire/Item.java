package orthogon.core.questionnaire;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Anything on a page. */
public sealed interface Item permits Question, Note, Group, Derived {

    String code();

    /** What the analyst calls it in a list: the wording, the title, or for a derived value its expression. */
    String wording();

    /** How many rules this item carries itself. */
    long ruleCount();

    Item withCode(String code);

    /** This item and, for a section or roster, all that it holds. */
    default Stream<Item> withInner() {
        return this instanceof Group group
                ? Stream.concat(Stream.of(group), group.items().stream().flatMap(Item::withInner))
                : Stream.of(this);
    }

    /** The condition that governs whether the item is shown; a derived value has none. */
    default Optional<String> shownWhen() {
        return switch (this) {
            case Question q -> Optional.of(q.askWhen());
            case Note n -> Optional.of(n.askWhen());
            case Group g -> Optional.of(g.askWhen());
            case Derived d -> Optional.empty();
        };
    }

    /** The word of the vocabulary for what it is. */
    default String kind() {
        return switch (this) {
            case Question q -> "question";
            case Note n -> "note";
            case Section s -> "section";
            case Roster r -> "roster";
            case Derived d -> "derived";
        };
    }

    /** The items with the one of that code replaced, at any depth. */
    static List<Item> replaced(List<Item> items, String code, UnaryOperator<Item> change) {
        return items.stream().map(item -> {
            if (item.code().equals(code)) {
                return change.apply(item);
            }
            return item instanceof Group g ? g.withItems(replaced(g.items(), code, change)) : item;
        }).toList();
    }
}
