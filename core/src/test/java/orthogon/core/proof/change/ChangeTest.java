package orthogon.core.proof.change;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Roster;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ChangeTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private static final Question WEIGHT = Question.of("weight", "How heavy?",
            new NumberAnswer(BigDecimal.ONE, new BigDecimal(200), 0, "g"));
    private static final Question CALM = Question.of("calm", "Is it calm?", new YesNoAnswer());
    private static final Question RINGED = Question.of("ringed", "Is it ringed?", new YesNoAnswer());

    private static Questionnaire document(List<LinkParameter> link, String heavy, Item... items) {
        List<Page> pages = IntStream.range(0, items.length)
                .mapToObj(i -> new Page("page" + i, "Page", "", "", List.of(items[i]), List.of(), List.of())).toList();
        return new Questionnaire("bird", "Bird", "en", List.of("en"), link, pages,
                List.of(new Outcome("stay", "Stays", ""), new Outcome("go", "Goes", "")),
                List.of(new OutcomeRow(heavy, "stay"), new OutcomeRow("", "go")), List.of(), Map.of());
    }

    private static Questionnaire document(String heavy, Item... items) {
        return document(List.of(), heavy, items);
    }

    private static Change change(Questionnaire before, Questionnaire after) {
        return Change.between(before, after, TODAY, Limits.USUAL, Watch.NOBODY);
    }

    private static List<String> told(Change change) {
        assertEquals(Optional.empty(), change.undecided());
        return change.differences().stream()
                .map(d -> d.kind() + " " + d.place() + (d.kind() == DifferenceKind.ENDS_OTHERWISE ? " " + d.from() + ">" + d.to() : "")
                        + " "
                        + d.paths().orElseThrow())
                .toList();
    }

    @Test
    void whoseOutcomeMovesIsShownWithTheAnswerBetween() {
        Change change = change(document("weight > 100", WEIGHT, CALM), document("weight > 150", WEIGHT, CALM));
        // Blank, up to 100, up to 150, above; by three answers to the other question.
        assertEquals("12", change.paths().orElseThrow().toString());
        assertEquals(List.of("ENDS_OTHERWISE bird stay>go 3"), told(change));
        BigDecimal weight = (BigDecimal) change.differences().getFirst().before().get("weight");
        assertTrue(weight.compareTo(new BigDecimal(100)) > 0 && weight.compareTo(new BigDecimal(150)) <= 0, weight::toPlainString);
    }

    @Test
    void aTighterLimitRefusesAndAWiderOneAccepts() {
        Question tighter = WEIGHT.withAnswer(new NumberAnswer(BigDecimal.ONE, new BigDecimal(150), 0, "g"));
        assertEquals(List.of("REFUSED_NOW page0 1"), told(change(document("", WEIGHT), document("", tighter))));
        assertEquals(List.of("ACCEPTED_NOW page0 1"), told(change(document("", tighter), document("", WEIGHT))));
    }

    @Test
    void aQuestionMovedToALaterPageIsNoDifferenceButAConditionOnItCanBe() {
        Question ringed = RINGED.withAskWhen("calm");
        assertEquals(List.of(), told(change(document("", CALM, WEIGHT, RINGED), document("", CALM, RINGED, WEIGHT))));
        assertEquals(List.of(), told(change(document("", CALM, RINGED, WEIGHT), document("", CALM, WEIGHT, RINGED))));
        List<String> told = told(change(document("", RINGED, WEIGHT, CALM), document("", CALM, WEIGHT, ringed)));
        // Not calm or blank, by three answers to the ring and two to the weight.
        assertEquals(List.of("ASKED_NO_MORE ringed 12"), told);
    }

    @Test
    void anotherKindOfAnswerIsAnotherQuestion() {
        Question words = Question.of("weight", "How heavy?", new TextAnswer(false, null, null));
        assertEquals(List.of("ASKED_NO_MORE weight 4", "ASKED_NOW weight 4"), told(change(document("", WEIGHT), document("", words))));
    }

    @Test
    void aGoneOptionRefusesThoseWhoChoseIt() {
        Question kind = Question.of("kind", "Which?", new ManyChoices(
                List.of("owl", "gull", "swift").stream().map(o -> new Option(o, o, null, false, "")).toList(), null, null));
        Question fewer = kind.withAnswer(kind.answer().withOptions(kind.answer().options().subList(0, 2)));
        Change change = change(document("", kind), document("", fewer));
        assertEquals(List.of("REFUSED_NOW page0 4"), told(change));
        assertTrue(((List<?>) change.differences().getFirst().before().get("kind")).contains("swift"));
    }

    @Test
    void entriesOfARosterAreToldByTheirQuestion() {
        Roster short_ = new Roster("chicks", "Chicks", "Chick", "", 1, 2, List.of(CALM, RINGED.withAskWhen("calm")));
        Roster always = new Roster("chicks", "Chicks", "Chick", "", 1, 2, List.of(CALM, RINGED));
        Change change = change(document("", short_), document("", always));
        assertEquals(List.of("ASKED_NOW ringed"), told(change).stream().map(s -> s.replaceAll(" \\d+$", "")).toList());
        assertTrue(change.differences().getFirst().after().get("chicks") instanceof List<?>);
    }

    @Test
    void aLinkValueThatIsTakenNoMoreIsBlank() {
        List<LinkParameter> both = List.of(new LinkParameter("station", List.of("north", "south")));
        List<LinkParameter> one = List.of(new LinkParameter("station", List.of("north")));
        Change change = change(document(both, "station = \"south\"", CALM), document(one, "station != \"north\"", CALM));
        assertEquals(List.of("ENDS_OTHERWISE bird go>stay 3"), told(change));
        assertEquals(List.of("ENDS_OTHERWISE bird stay>go 3"),
                told(change(document(both, "station = \"south\"", CALM), document(one, "1 > 2", CALM))));
    }

    @Test
    void wordingAloneIsToldAsSuch() {
        Change change = change(document("", CALM), document("", CALM.withTexts("Is it quiet?", "")));
        assertTrue(change.isOfTextsOnly());
        assertEquals(Map.of("calm.wording", new Change.Wording("Is it calm?", "Is it quiet?")), change.wordings());
    }

    @Test
    void limitsThatAreNotComparedAreNamed() {
        Question finer = WEIGHT.withAnswer(new NumberAnswer(BigDecimal.ONE, new BigDecimal(200), 1, "g"));
        Change change = change(document("", WEIGHT), document("", finer));
        assertEquals(List.of("weight"), change.limitedOtherwise());
        assertTrue(!change.isOfTextsOnly() && change.differences().isEmpty());
    }

    @Test
    void nothingIsDecidedOnFaultsOrWithoutRoom() {
        Change faulty = change(document("", CALM), document("wieght > 3", CALM));
        assertTrue(faulty.undecided().orElseThrow().contains("reference-exists outcomeTable/0"), faulty.undecided()::toString);
        Questionnaire large = document("", IntStream.range(0, 40).mapToObj(i -> WEIGHT.withCode("w" + i)).toArray(Item[]::new));
        Change small = Change.between(large, large.withEnding(large.outcomes(), List.of(new OutcomeRow(
                String.join(" or ", IntStream.range(0, 20).mapToObj(i -> "w" + i + " > w" + (i + 20)).toList()), "go"))), TODAY,
                new Limits(1 << 12, Duration.ofSeconds(60)), Watch.NOBODY);
        assertTrue(small.undecided().orElseThrow().contains("4096"), small.undecided()::toString);
    }

    @Test
    void aDocumentAgainstItselfHasAllItsPathsAndNoDifference() {
        int compared = 0;
        for (long seed = 5001; seed <= 5000 + Sample.of(200); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            if (Faults.of(Wiring.of(document)).isEmpty()) {
                Change change = Change.between(document, document, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
                assertEquals(List.of(), change.differences(), "seed " + seed);
                assertEquals(Proof.of(document, RandomDocument.TODAY).figures().answerPaths(), change.paths(), "seed " + seed);
                compared++;
            }
        }
        assertTrue(compared > Sample.mustPass(100));
    }
}
