package orthogon.core.responses;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.AnswerFigure.FigureBar;
import orthogon.core.responses.AnswerFigures.AnsweredGroup;
import orthogon.core.responses.KeptValue.ValueKind;
import org.junit.jupiter.api.Test;

class AnswerFiguresTest {

    private static final List<Option> OPTIONS = List.of(Option.of("bat", "Bat"), Option.of("bird", "Bird"));
    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("group", "What?", new OneChoice(OPTIONS, OptionLayout.PLAIN)),
                    Question.of("seen", "Seen?", new ManyChoices(OPTIONS, null, null)), Question.of("calm", "Calm?", new YesNoAnswer()),
                    Question.of("count", "How many?", new NumberAnswer(null, null, 2, "")),
                    Question.of("day", "When?", new DateAnswer(null, null)),
                    Question.of("place", "Where?", new TextAnswer(false, null, 200))))));

    /** What the database would count of these responses. */
    private static AnsweredGroup counted(List<Map<String, Object>> responses) {
        Map<String, Integer> asked = new HashMap<>();
        Map<String, Integer> answered = new HashMap<>();
        Map<KeptValue, Integer> counts = new LinkedHashMap<>();
        for (Map<String, Object> answers : responses) {
            ROOST.questions().forEach(q -> asked.merge(q.code(), 1, Integer::sum));
            KeptValue.of(ROOST, answers).forEach(v -> {
                counts.merge(v, 1, Integer::sum);
                answered.merge(v.code(), v.kind() == ValueKind.ELEMENT ? 0 : 1, Integer::sum);
            });
        }
        Map<String, List<CountedValue>> values = new HashMap<>();
        counts.forEach((v, n) -> values.computeIfAbsent(v.code(), c -> new ArrayList<>())
                .add(new CountedValue(v.code(), v.kind(), v.text(), v.number(), n)));
        return new AnsweredGroup(asked, answered, values);
    }

    private static AnswerFigure figure(String code, List<List<Map<String, Object>>> groups) {
        return AnswerFigures.of(ROOST, groups.stream().map(AnswerFiguresTest::counted).toList()).stream().filter(f -> f.code().equals(code))
                .findFirst().orElseThrow();
    }

    @Test
    void everyOptionHasABarAlsoOneThatNobodyChose() {
        List<Map<String, Object>> responses = List.of(Map.of("group", "bat", "seen", List.of("bat", "bird"), "calm", true),
                Map.of("group", "bat", "seen", List.of("bird"), "calm", false), Map.of());
        AnswerFigure group = figure("group", List.of(responses));
        assertEquals(List.of(new FigureBar("bat", "Bat", List.of(2)), new FigureBar("bird", "Bird", List.of(0))), group.bars());
        assertEquals(List.of(List.of(3), List.of(2), List.of(1)), List.of(group.asked(), group.answered(), group.leftOut()));
        assertEquals(List.of(List.of(1), List.of(2)), figure("seen", List.of(responses)).bars().stream().map(FigureBar::counts).toList());
        assertEquals(List.of(List.of(1), List.of(1)), figure("calm", List.of(responses)).bars().stream().map(FigureBar::counts).toList());
        assertEquals(List.of(), figure("place", List.of(responses)).bars(), "what anybody may write is read, not drawn");
        assertNull(figure("count", List.of(responses)).spread(), "no number was given");
    }

    @Test
    void twoGroupsStandBesideEachOtherOverTheSameRanges() {
        AnswerFigure count = figure("count", List.of(List.of(Map.of("count", new BigDecimal("1"))),
                List.of(Map.of("count", new BigDecimal("40")), Map.of("count", new BigDecimal("41")))));
        assertEquals(List.of(1, 2), count.answered());
        assertEquals(List.of(1, 0), count.spread().ranges().getFirst().counts());
        assertEquals(List.of(0, 2), count.spread().ranges().getLast().counts());
    }

    @Test
    void theMiddleIsOneOfTheValuesAndTheMeanIsExact() {
        AnswerFigure count = figure("count", List.of(IntStream.of(1, 2, 2, 3, 100)
                .mapToObj(n -> Map.<String, Object>of("count", BigDecimal.valueOf(n))).toList()));
        assertEquals(0, new BigDecimal("2").compareTo(count.spread().middle()));
        assertEquals(0, new BigDecimal("21.6").compareTo(count.spread().mean()));
        assertEquals(List.of("1", "100"), List.of(count.spread().least().toPlainString(), count.spread().most().toPlainString()));
    }

    /** Whatever the numbers: a few ranges without gaps, each value in one of them. */
    @Test
    void everyNumberIsInOneRange() {
        Random random = new Random(11);
        for (int run = 0; run < 400; run++) {
            int size = 1 + random.nextInt(30);
            int scale = random.nextInt(4);
            int span = (int) Math.pow(10, 1 + random.nextInt(6));
            List<Map<String, Object>> responses = IntStream.range(0, size)
                    .mapToObj(i -> Map.<String, Object>of("count", BigDecimal.valueOf(random.nextInt(2 * span) - span, scale), "day",
                            LocalDate.of(2026, 1, 1).plusDays(random.nextInt(span))))
                    .toList();
            for (String code : List.of("count", "day")) {
                AnswerFigure figure = figure(code, List.of(responses));
                assertTrue(figure.spread().ranges().size() <= AnswerFigures.MOST_RANGES, code + " of run " + run);
                assertEquals(size, figure.spread().ranges().stream().mapToInt(r -> r.counts().getFirst()).sum(), code + " of run " + run);
            }
        }
    }
}
