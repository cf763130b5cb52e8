package orthogon.core.responses;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Map;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.AnswerFigures.AnsweredGroup;
import orthogon.core.responses.KeptValue.ValueKind;
import org.junit.jupiter.api.Test;

class OverlookedTest {

    private static final List<Option> OPTIONS = List.of(Option.of("bat", "Bat"), Option.of("bird", "Bird"));
    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("group", "What?", new OneChoice(OPTIONS, OptionLayout.PLAIN)),
                    Question.of("seen", "Seen?", new ManyChoices(OPTIONS, null, null)), Question.of("calm", "Calm?", new YesNoAnswer()),
                    Question.of("held", "Held?", new YesNoAnswer()),
                    Question.of("why", "Why?", new OneChoice(OPTIONS, OptionLayout.PLAIN))))));
    private static final TakenRoutes ROUTES = new TakenRoutes(List.of(route(1, 4, "group", "seen", "calm"), route(2, 3, "group", "calm"),
            route(1, 2, "group", "seen")));

    private static CountedRoute route(long release, int count, String... asked) {
        return new CountedRoute(release, new TakenRoute(List.of(asked), "now"), count);
    }

    private static CountedValue text(String code, ValueKind kind, String text, int count) {
        return new CountedValue(code, kind, text, null, count);
    }

    @Test
    void routesTellHowManyWereAskedEachQuestion() {
        assertEquals(9, ROUTES.responses());
        assertEquals(Map.of("group", 9, "seen", 6, "calm", 7), ROUTES.asked());
        assertEquals(Map.of("group", 6, "seen", 6, "calm", 4), ROUTES.of(1).asked());
        assertEquals(List.of(), ROUTES.of(3).routes());
    }

    @Test
    void halfOfTheResponsesTakeTheCommonestRoutes() {
        assertEquals(2, ROUTES.half(), "4 of 9 are less than half");
        assertEquals(1, ROUTES.of(1).half(), "4 of 6");
        assertEquals(1, new TakenRoutes(List.of(route(1, 2, "group"), route(1, 2, "calm"))).half(), "2 of 4 are half");
        assertEquals(0, ROUTES.of(3).half());
    }

    @Test
    void whatNobodyIsAskedChoosesOrAnswersIsFound() {
        AnsweredGroup group = new AnsweredGroup(ROUTES.asked(), Map.of("group", 9, "seen", 5, "calm", 3), Map.of(
                "group", List.of(text("group", ValueKind.TEXT, "bird", 9)),
                "seen", List.of(text("seen", ValueKind.ELEMENT, "bird", 5), text("seen", ValueKind.ELEMENT, "bat", 1))));
        Overlooked overlooked = Overlooked.of(ROOST, group);
        assertEquals(List.of("held", "why"), overlooked.neverAsked().stream().map(Item::code).toList());
        assertEquals(List.of(new Overlooked.UnchosenOption("group", OPTIONS.getFirst(), 9)), overlooked.unchosen(),
                "nobody answered why, so that nothing is said of its options");
        assertEquals(List.of("calm 4 of 7", "seen 1 of 6"),
                overlooked.leftOut().stream().map(l -> l.question().code() + " " + l.leftOut() + " of " + l.asked()).toList());
    }

    @Test
    void nothingIsOverlookedBeforeTheFirstResponse() {
        AnsweredGroup nobody = new AnsweredGroup(Map.of(), Map.of(), Map.of());
        assertEquals(new Overlooked(List.of(), List.of(), List.of()), Overlooked.of(ROOST, nobody));
    }
}
