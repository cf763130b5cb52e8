package orthogon.core.responses;

import java.util.List;
import java.util.Set;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.util.stream.Stream;

/**
 * The route that a respondent took, as the proof counts routes.
 *
 * @param asked codes of the questions that were asked, in document order; a roster counts as one
 * @param outcome code; empty for none
 */
public record TakenRoute(List<String> asked, String outcome) {

    public TakenRoute {
        asked = List.copyOf(asked);
    }

    /** The route of a complete interview. */
    public static TakenRoute of(Interview interview) {
        Course course = interview.course();
        Set<String> asked = course.asked();
        return new TakenRoute(items(interview.wiring().document()).map(Item::code).filter(asked::contains).toList(),
                course.outcome().orElse(""));
    }

    /** What can be asked: questions, and rosters in place of what they hold. */
    private static Stream<Item> items(Questionnaire document) {
        return document.pages().stream().map(Page::items).flatMap(TakenRoute::items);
    }

    private static Stream<Item> items(List<Item> items) {
        return items.stream().flatMap(item -> switch (item) {
            case Section s -> items(s.items());
            case Question q -> q.isHidden() ? Stream.<Item>empty() : Stream.<Item>of(q);
            case Roster r -> Stream.<Item>of(r);
            default -> Stream.<Item>empty();
        });
    }
}
