package orthogon.core.questionnaire;

import java.util.List;

/** An item that holds items. */
public sealed interface Group extends Item permits Section, Roster {

    String title();

    String askWhen();

    List<Item> items();

    Group withItems(List<Item> changed);

    @Override
    default String wording() {
        return title();
    }
}
