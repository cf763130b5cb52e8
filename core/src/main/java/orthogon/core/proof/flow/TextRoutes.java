package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import orthogon.core.place.PlaceText;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** On how many routes the place of a text is met. */
public final class TextRoutes {

    private TextRoutes() {}

    /**
     * Exactly: the routes that ask the text's question, that ask something on its page or in its section, or that end in its outcome.
     * Texts that belong to no place, such as buttons, are met on all routes. What is read only under a further condition, such as a
     * message, is met by some who take such a route.
     *
     * @param unit as {@code Texts} names it
     */
    public static BigInteger routes(Questionnaire document, Routes routes, String unit) {
        String owner = PlaceText.unit(unit).row();
        Optional<Page> page = document.page(owner);
        if (page.isPresent()) {
            return any(routes, page.get().allItems().map(Item::code).toList());
        }
        Optional<Item> item = document.item(owner);
        if (item.isPresent()) {
            return routes.knows(owner) ? any(routes, Set.of(owner)) : any(routes, beside(document, item.get()));
        }
        return document.outcome(owner).isPresent() ? routes.count(Routes.Filter.ALL.ending(owner)) : routes.count(Routes.Filter.ALL);
    }

    /** The items with which a note or a section is met: those that the section holds, or those on the same page. */
    private static Iterable<String> beside(Questionnaire document, Item item) {
        Optional<String> roster = document.rosterOf(item.code()).map(Item::code);
        if (roster.isPresent()) {
            return Set.of(roster.get());
        }
        return (item instanceof orthogon.core.questionnaire.Section s
                ? s.withInner()
                : document.pageOf(item.code()).orElseThrow().allItems()).map(Item::code).toList();
    }

    private static BigInteger any(Routes routes, Iterable<String> codes) {
        Set<String> known = new LinkedHashSet<>();
        codes.forEach(c -> {
            if (routes.knows(c)) {
                known.add(c);
            }
        });
        return routes.count(Routes.Filter.ALL)
                .subtract(routes.count(new Routes.Filter(Set.of(), known, Optional.empty(), -1)));
    }
}
