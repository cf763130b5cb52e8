package orthogon.core.proof.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Enumeration;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.records.RecordCondition.KnownOfRecords;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

/** What is known of records is what respondents can give, and no more. */
class RecordConditionTest {

    private static final LocalDate TODAY = RandomDocument.TODAY;

    private static KnownOfRecords known(Questionnaire document, String... shown) {
        return RecordCondition.of(Wiring.of(document), List.of(shown), TODAY, Limits.USUAL, Watch.NOBODY);
    }

    private static Questionnaire drivers(Question... questions) {
        return Questionnaire.blank("drivers", "Drivers").withPages(List.of(Page.empty("p", "P").withItems(List.of(questions))));
    }

    private static final Question AREA = Question.of("area", "Area?", new OneChoice(
            List.of(Option.of("north", "North"), Option.of("south", "South"), Option.of("fen", "Fen")), false));
    private static final Question SEATS = Question.of("seats", "Seats?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(8), 0, ""));
    private static final Question VAN = Question.of("van", "Van?", new YesNoAnswer());

    @Test
    void whatIsRequiredIsAnsweredInEveryRecord() {
        assertEquals(new KnownOfRecords("answered(record.area)", true),
                known(drivers(AREA.withRequireWhen("true"), SEATS), "area", "seats"));
        assertEquals(new KnownOfRecords("true", true), known(drivers(AREA, SEATS), "area", "seats"));
    }

    @Test
    void answersThatHangOnEachOtherDoSoInEveryRecord() {
        Questionnaire document = drivers(VAN.withRequireWhen("true"), AREA, SEATS.withRequireWhen("true")
                .withAccept(List.of(new Question.Accept("van = false or seats >= 3", "A van has three seats."))));
        assertEquals(new KnownOfRecords("answered(record.van) and (if record.van = true then answered(record.seats) and record.seats >= 3 "
                + "else answered(record.seats))", true), known(document, "area", "seats", "van"));
        // Of what is not shown nothing is known.
        assertEquals(new KnownOfRecords("answered(record.seats)", true), known(document, "seats"));
    }

    @Test
    void anAnswerThatIsNeverAskedIsBlankInEveryRecord() {
        assertEquals("not(answered(record.area))", known(drivers(VAN, AREA.withAskWhen("van = true and van = false")), "area").text());
    }

    @Test
    void nothingIsKnownOfWhatHangsOnTheDay() {
        Question day = Question.of("day", "Day?", new DateAnswer(DateLimit.parse("today"), null));
        assertEquals(KnownOfRecords.NOTHING, known(drivers(day.withRequireWhen("true")), "day"));
        assertEquals(KnownOfRecords.NOTHING, known(drivers(AREA.withRequireWhen("true"),
                Question.of("born", "Born?", new DateAnswer(null, null)).withAskWhen("today() > date(\"2027-01-01\")")), "area"));
    }

    @Test
    void nothingIsKnownOfAFaultyDocument() {
        assertEquals(KnownOfRecords.NOTHING, known(drivers(AREA.withRequireWhen("nobody = 1")), "area"));
    }

    @Test
    void aConditionThatWouldBeTooLongIsNotMade() {
        List<Question> questions = new ArrayList<>();
        List<String> sums = new ArrayList<>();
        for (int q = 0; q < 12; q++) {
            List<Option> scored = List.of(new Option("a", "A", new BigDecimal(q + 1), false, ""),
                    new Option("b", "B", new BigDecimal(3 * q), false, ""));
            questions.add(Question.of("q" + q, "Q?", new OneChoice(scored, false)).withRequireWhen("true"));
            sums.add("score(q" + q + ")");
        }
        questions.set(11, questions.get(11).withAccept(List.of(new Question.Accept(String.join(" + ", sums) + " = 140", ""))));
        assertEquals(KnownOfRecords.NOTHING,
                known(drivers(questions.toArray(Question[]::new)), questions.stream().map(Question::code).toArray(String[]::new)));
    }

    @Test
    void aTextIsToldApartByWhatIsSaidOfIt() {
        Question name = Question.of("name", "Name?", new TextAnswer(false, null, 40)).withRequireWhen("true");
        Questionnaire document = drivers(name, VAN.withAskWhen("starts with(name, \"Wren\")").withRequireWhen("true"));
        assertEquals(new KnownOfRecords("answered(record.name) and (if starts with(record.name, \"Wren\") then answered(record.van) "
                + "else not(answered(record.van)))", true), known(document, "name", "van"));
    }

    /** A record as the one thing that has a value. */
    private record OneRecord(Map<String, Object> parts) implements Situation {

        @Override
        public Object value(String name) {
            return name.equals(Domain.OneRecord.RECEIPT) ? parts : null;
        }

        @Override
        public BigDecimal score(String question) {
            throw new IllegalStateException();
        }

        @Override
        public LocalDate today() {
            return TODAY;
        }
    }

    private static boolean holds(KnownOfRecords known, Map<String, Object> given) {
        if (known.text().isEmpty()) {
            return true;
        }
        Expr expr = ((ExpressionReader.Reading.Read) ExpressionReader.read(known.text())).expr();
        return Evaluator.holds(expr, new OneRecord(given));
    }

    /** Every combination of values of these questions that is tried. */
    private static List<Map<String, Object>> combinations(Map<String, List<Object>> values) {
        List<Map<String, Object>> all = new ArrayList<>(List.of(new HashMap<>()));
        values.forEach((code, each) -> {
            List<Map<String, Object>> more = new ArrayList<>();
            all.forEach(one -> each.forEach(value -> {
                Map<String, Object> next = new HashMap<>(one);
                if (value != null) {
                    next.put(code, value);
                }
                more.add(next);
            }));
            all.clear();
            all.addAll(more);
        });
        return all;
    }

    @Test
    void randomDocumentsGiveWhatTheirRespondentsGive() {
        int told = 0;
        int exact = 0;
        for (int seed = 0; seed < Sample.of(400); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            Wiring wiring = Wiring.of(document);
            List<String> askable = document.questions().filter(q -> !q.isHidden()).map(Question::code).toList();
            if (!Faults.of(wiring).isEmpty() || askable.isEmpty()) {
                continue;
            }
            Random random = new Random(seed);
            List<String> shown = Stream.generate(() -> askable.get(random.nextInt(askable.size()))).limit(3).distinct().toList();
            Enumeration all;
            try {
                all = new Enumeration(wiring);
            } catch (Enumeration.TooLarge e) {
                continue;
            }
            KnownOfRecords known = known(document, shown.toArray(String[]::new));
            Set<Map<String, Object>> given = new HashSet<>();
            Map<String, List<Object>> values = new LinkedHashMap<>();
            shown.forEach(code -> {
                Set<Object> tried = new HashSet<>();
                tried.add(null);
                all.endings.forEach(e -> tried.add(e.answers().get(code)));
                values.put(code, new ArrayList<>(tried));
            });
            all.endings.forEach(e -> {
                Map<String, Object> one = new HashMap<>(e.answers());
                one.keySet().retainAll(shown);
                one.values().removeIf(Objects::isNull);
                given.add(one);
            });
            String at = seed + " " + shown + " " + known + " " + document.pages();
            given.forEach(one -> assertTrue(holds(known, one), one + " in " + at));
            if (known.isExact()) {
                combinations(values).stream().filter(one -> !given.contains(one))
                        .forEach(one -> assertTrue(!holds(known, one), one + " in " + at));
                exact++;
            }
            told += known.text().isEmpty() ? 0 : 1;
        }
        assertTrue(told > Sample.mustPass(100) && exact > Sample.mustPass(100), told + " told, " + exact + " exact");
    }
}
