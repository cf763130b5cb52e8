package orthogon.app.questions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.ShownAnswer;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.kinds.AnswerMakers;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

class ControlsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);

    /** An answer of each kind that respondents give. */
    private static Map<AnswerKind, Answer> everyKind() {
        Map<AnswerKind, Answer> all = new EnumMap<>(AnswerKind.class);
        for (AnswerKind kind : AnswerKind.values()) {
            all.put(kind, AnswerMakers.from(kind, new TextAnswer(false, null, null)));
        }
        all.remove(AnswerKind.HIDDEN);
        return all;
    }

    private static Interview interview(Answer answer) {
        return Interview.start(Wiring.of(Questionnaire.blank("fen", "Fen").withPages(List.of(
                Page.empty("p", "P").withItems(List.of(Question.of("q", "Q?", answer)))))), TODAY, Map.of());
    }

    private static Course.ShownItem shown(Interview interview) {
        return interview.course().current().orElseThrow().shown().getFirst();
    }

    @Test
    void everyKindHasATemplateForItsControl() {
        everyKind().forEach((kind, answer) -> {
            Interview interview = interview(answer);
            DrawnControl drawn = AnswerControls.of(answer).drawn(answer,
                    new ShownAnswer(shown(interview), RespondentTexts.of(interview), 1, PageRecords.NONE));
            assertNotNull(ControlsTest.class.getResource("/templates/answer/" + drawn.template() + ".html"), kind.type());
        });
    }

    @Test
    void aMadeUpAnswerCountsAndKeepsTheLimits() {
        OrdinaryAnswers ordinary = new OrdinaryAnswers(Map.of(), Map.of());
        everyKind().forEach((kind, answer) -> {
            for (int seed = 0; seed < 20; seed++) {
                Interview interview = interview(answer);
                Object value = ordinary.to(shown(interview), new Random(seed), TODAY);
                Interview given = interview.keep(new HashMap<>(Map.of("q", Optional.ofNullable(value).orElse(""))));
                assertEquals(value, value == null ? null : shown(given).value(), kind.type());
                assertEquals(List.of(), given.course().current().orElseThrow().problems(), kind.type() + ": " + value);
            }
        });
    }

    /** The fields of a page in which the control stands as it is drawn for a value. */
    private static MultiValueMap<String, String> fields(Answer answer, DrawnControl drawn, Object value) {
        MultiValueMap<String, String> form = new LinkedMultiValueMap<>();
        drawn.choices().stream().filter(c -> c.chosen() && drawn.rows().isEmpty()).forEach(c -> form.add("q", c.value()));
        drawn.boxes().forEach(b -> {
            form.add(b.name(), b.value());
            b.choices().stream().filter(c -> c.chosen()).forEach(c -> form.set(b.name(), c.value()));
        });
        drawn.rows().forEach(r -> r.choices().stream().filter(c -> c.chosen()).forEach(c -> form.add(r.name(), c.value())));
        if (!drawn.value().isEmpty()) {
            form.add("q", drawn.value());
        }
        return form;
    }

    @Test
    void whatIsDrawnIsReadBack() {
        OrdinaryAnswers ordinary = new OrdinaryAnswers(Map.of(), Map.of());
        everyKind().forEach((kind, answer) -> {
            AnswerControl<Answer> control = AnswerControls.of(answer);
            for (int seed = 0; seed < 20; seed++) {
                Interview interview = interview(answer);
                Object value = ordinary.to(shown(interview), new Random(seed), TODAY);
                Interview given = value == null ? interview : interview.keep(Map.of("q", value));
                DrawnControl drawn = control.drawn(answer, new ShownAnswer(shown(given), RespondentTexts.of(given), 1, PageRecords.NONE));
                Object read = control.given(answer,
                        new GivenFields("q", fields(answer, drawn, value), OwnWords.locale("en"), null, f -> List.of(), PageRecords.NONE));
                assertEquals(value instanceof Number ? value.toString() : value, read instanceof Number ? read.toString() : read,
                        kind.type());
            }
        });
    }

    @Test
    void anEmptyPageLeavesEveryKindBlank() {
        everyKind().forEach((kind, answer) -> assertNull(AnswerControls.of(answer).given(answer,
                new GivenFields("q", new LinkedMultiValueMap<>(), OwnWords.locale("en"), null, f -> List.of(), PageRecords.NONE)),
                kind.type()));
    }

    private static Object percentage(String typed, String language) {
        PercentageAnswer answer = new PercentageAnswer(1, false);
        MultiValueMap<String, String> form = new LinkedMultiValueMap<>(Map.of("q", List.of(typed)));
        return AnswerControls.of(answer).given(answer,
                new GivenFields("q", form, OwnWords.locale(language), null, f -> List.of(), PageRecords.NONE));
    }

    @Test
    void aPercentageMayBeTypedWithItsSign() {
        for (String typed : List.of("40", "40%", "40 %", "% 40", "\u0664\u0660\u066A", "40\u200E%\u200E")) {
            assertEquals(new BigDecimal("40"), percentage(typed, "ar"), typed);
        }
        assertEquals(new BigDecimal("12.5"), percentage("12,5 %", "fr"));
        assertInstanceOf(Unreadable.class, percentage("4%0", "en"));
        PercentageAnswer answer = new PercentageAnswer(1, false);
        assertEquals("12.5%", AnswerControls.of(answer).inWords(answer, new BigDecimal("12.5"), OwnWords.ENGLISH));
    }
}
