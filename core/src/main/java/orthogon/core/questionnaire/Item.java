package orthogon.core.questionnaire;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Anything on a page. */
public sealed interface Item permits Question, Note, Section, Derived {

    String code();

    /** What the analyst calls it in a list: the wording, the title, or for a derived value its expression. */
    String wording();

    /** How many rules this item carries itself. */
    long ruleCount();

    Item withCode(String code);

    /** This item and, for a section, all that it holds. */
    default Stream<Item> withInner() {
        return this instanceof Section section
                ? Stream.concat(Stream.of(section), section.items().stream().flatMap(Item::withInner))
                : Stream.of(this);
    }

    /** The condition that governs whether the item is shown; a derived value has none. */
    default Optional<String> shownWhen() {
        return switch (this) {
            case Question q -> Optional.of(q.askWhen());
            case Note n -> Optional.of(n.askWhen());
            case Section s -> Optional.of(s.askWhen());
            case Derived d -> Optional.empty();
        };
    }

    /** The items with the one of that code replaced, at any depth. */
    static List<Item> replaced(List<Item> items, String code, UnaryOperator<Item> change) {
        return items.stream().map(item -> {
            if (item.code().equals(code)) {
                return change.apply(item);
            }
            return item instanceof Section s ? s.withItems(replaced(s.items(), code, change)) : item;
        }).toList();
    }
}
