package orthogon.core.questionnaire;

import java.util.List;

/** A titled group of items inside a page. An empty {@code askWhen} means always. */
public record Section(String code, String title, String askWhen, List<Item> items) implements Group {

    public Section {
        items = List.copyOf(items);
    }

    @Override
    public long ruleCount() {
        return askWhen.isEmpty() ? 0 : 1;
    }

    @Override
    public Section withCode(String changed) {
        return new Section(changed, title, askWhen, items);
    }

    @Override
    public Section withItems(List<Item> changed) {
        return new Section(code, title, askWhen, changed);
    }
}
