package orthogon.core.questionnaire;

import java.util.List;
import java.util.stream.Stream;

/**
 * What a respondent sees at once.
 *
 * @param openWhen condition for the page to be visited; empty means always
 * @param finish tried in order once the page is passed, before any skip
 * @param skip tried in order when no finish was taken
 */
public record Page(String code, String title, String introduction, String openWhen, List<Item> items, List<Finish> finish,
        List<Skip> skip) {

    public Page {
        items = List.copyOf(items);
        finish = List.copyOf(finish);
        skip = List.copyOf(skip);
    }

    /** After this page, when the condition holds (empty: always), end with an outcome. */
    public record Finish(String when, String outcome) {}

    /** After this page, when the condition holds (empty: always), continue at a later page. */
    public record Skip(String when, String to) {}

    public static Page empty(String code, String title) {
        return new Page(code, title, "", "", List.of(), List.of(), List.of());
    }

    /** Every item of the page in document order, sections before what they hold. */
    public Stream<Item> allItems() {
        return items.stream().flatMap(Item::withInner);
    }

    public Stream<Question> questions() {
        return allItems().filter(Question.class::isInstance).map(Question.class::cast);
    }

    public Page withItems(List<Item> changed) {
        return new Page(code, title, introduction, openWhen, changed, finish, skip);
    }

    public Page withRules(List<Finish> changedFinish, List<Skip> changedSkip) {
        return new Page(code, title, introduction, openWhen, items, changedFinish, changedSkip);
    }

    public Page withCode(String changed) {
        return new Page(changed, title, introduction, openWhen, items, finish, skip);
    }

    public Page withTexts(String changedTitle, String changedIntroduction) {
        return new Page(code, changedTitle, changedIntroduction, openWhen, items, finish, skip);
    }

    public Page withOpenWhen(String changed) {
        return new Page(code, title, introduction, changed, items, finish, skip);
    }
}
