package orthogon.core.proof;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.release.Gate;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Answers that start with what earlier answers make, of kinds whose values cannot be listed. */
class StartsTest {

    private static final LocalDate TODAY = RandomDocument.TODAY;

    private final Random random = new Random(5);

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    /** Two earlier texts, and a text that starts with them; short ones over the letters a and b tell all there is to tell. */
    private Questionnaire joined() {
        Question first = Question.of("first", "First?", new TextAnswer(false, null, 1 + random.nextInt(3))).withRequireWhen("true");
        Question last = Question.of("last", "Last?", new TextAnswer(false, 1 + random.nextInt(2), 3)).withRequireWhen("true");
        String start = pick(List.of("first + last", "first + \"-\" + last", "last + first + \"x\"", "lower case(first) + last"));
        Integer least = random.nextBoolean() ? 1 + random.nextInt(6) : null;
        Question full = Question
                .of("full", "Full?", new TextAnswer(false, least, Math.max(1, least == null ? 0 : least) + random.nextInt(5)))
                .withRequireWhen("true").withStartWith(start).withLockWhen(pick(List.of("", "true")));
        return of(first, last, full);
    }

    private static Questionnaire of(Question... questions) {
        List<Page> pages = new ArrayList<>();
        for (Question question : questions) {
            pages.add(Page.empty("p" + pages.size(), "Page").withItems(List.of(question)));
        }
        return Questionnaire.blank("fen", "Fen").withPages(pages);
    }

    private record Given(Map<String, Object> values) implements Situation {
        @Override
        public Object value(String name) {
            return values.get(name);
        }

        @Override
        public BigDecimal score(String question) {
            return BigDecimal.ZERO;
        }

        @Override
        public LocalDate today() {
            return TODAY;
        }
    }

    private static List<String> texts(TextAnswer limits) {
        List<String> all = new ArrayList<>();
        for (int n = limits.least() == null ? 1 : limits.least(); n <= limits.most(); n++) {
            all.add("a".repeat(n));
        }
        return all;
    }

    @Test
    void textsThatAreJoinedAreDecidedAsByTryingEveryLength() {
        int refuted = 0;
        for (int run = 0; run < Sample.of(200); run++) {
            Questionnaire document = joined();
            Wiring wiring = Wiring.of(document);
            TextAnswer limits = (TextAnswer) document.question("full").orElseThrow().answer();
            boolean untouched = false;
            boolean stuck = false;
            for (String first : texts((TextAnswer) document.question("first").orElseThrow().answer())) {
                for (String last : texts((TextAnswer) document.question("last").orElseThrow().answer())) {
                    String start = (String) Evaluator.value(wiring.at("full.startWith").orElseThrow().expr().orElseThrow(),
                            new Given(Map.of("first", first, "last", last)));
                    boolean fits = (limits.least() == null || start.length() >= limits.least()) && start.length() <= limits.most();
                    untouched |= fits;
                    stuck |= !fits && !document.question("full").orElseThrow().lockWhen().isEmpty();
                }
            }
            Proof proof = Proof.of(document, TODAY);
            String at = run + " " + document.pages();
            assertEquals(untouched ? Verdict.REFUTED : Verdict.PROVED, verdict(proof, "nothing-by-default", "full"), at);
            assertEquals(stuck ? Verdict.REFUTED : Verdict.PROVED, verdict(proof, "page-passable", "p2"), at);
            proof.claims().forEach(c -> assertTrue(!proof.words().because(c).contains("fault of Orthogon"), at + c));
            refuted += untouched ? 1 : 0;
        }
        assertTrue(refuted > Sample.mustPass(30), refuted + " refuted");
    }

    private static Verdict verdict(Proof proof, String kind, String place) {
        return proof.claim(kind, place).orElseThrow(() -> new AssertionError(kind + " " + place)).verdict();
    }

    private static Question text(String code, int most) {
        return Question.of(code, code, new TextAnswer(false, null, most)).withRequireWhen("true");
    }

    private static Question text(String code, String pattern) {
        return Question.of(code, code, new TextAnswer(false, null, null, AllowedCharacters.ANY, pattern, "", "", ""))
                .withRequireWhen("true");
    }

    @Test
    void capitalsAreFollowedIntoPatterns() {
        Question small = text("small", "[a-z]*").withStartWith("upper case(name)");
        Question large = text("large", "[A-Z]{4}").withStartWith("upper case(name)");
        Question again = text("again", "[a-zß]{3}").withStartWith("lower case(large)");
        Proof proof = Proof.of(of(text("name", 20), small, large, again), TODAY);
        assertEquals(Verdict.PROVED, verdict(proof, "nothing-by-default", "small"));
        assertEquals(Verdict.REFUTED, verdict(proof, "nothing-by-default", "large"));
        assertEquals(Verdict.PROVED, verdict(proof, "nothing-by-default", "again"));
        assertEquals(Verdict.PROVED, verdict(proof, "page-passable", "p2"));
    }

    @Test
    void aRatingIsToldApartByItsOwnSteps() {
        Question heads = Question.of("heads", "Heads?", new NumberAnswer(new BigDecimal(6), null, 0, "")).withRequireWhen("true");
        Question ease = Question.of("ease", "Ease?", ScaleAnswer.rating(5)).withRequireWhen("true").withStartWith("heads")
                .withLockWhen("true");
        assertEquals(Verdict.REFUTED, verdict(Proof.of(of(heads, ease), TODAY), "page-passable", "p1"));
        Question few = heads.withAnswer(new NumberAnswer(BigDecimal.ONE, null, 0, ""));
        Proof proof = Proof.of(of(few, ease), TODAY);
        assertEquals(Verdict.REFUTED, verdict(proof, "page-passable", "p1"));
        assertEquals(Verdict.REFUTED, verdict(proof, "nothing-by-default", "ease"));
        proof.claims().forEach(c -> assertTrue(!proof.words().because(c).contains("fault of Orthogon"), c.toString()));
    }

    @Test
    void daysAndNumbersWithoutLimitsAreFollowed() {
        Question born = Question.of("born", "Born?", new DateAnswer(null, null)).withRequireWhen("true");
        Question again = Question.of("again", "Again?", new DateAnswer(new DateLimit.Fixed(LocalDate.of(2020, 1, 1)), null))
                .withRequireWhen("true").withStartWith("born")
                .withAccept(List.of(new Question.Accept("again < date(\"2019-01-01\")", "Too late.")));
        Question weight = Question.of("weight", "Weight?", new NumberAnswer(null, null, 2, "kg")).withRequireWhen("true");
        Question twice = Question.of("twice", "Twice?", new NumberAnswer(BigDecimal.TEN, null, 2, "kg")).withRequireWhen("true")
                .withStartWith("weight * 2").withLockWhen("weight > 3");
        Proof proof = Proof.of(of(born, again, weight, twice), TODAY);
        assertEquals(Verdict.PROVED, verdict(proof, "nothing-by-default", "again"), "no day is accepted");
        Proof loose = Proof.of(of(born, again.withAccept(List.of()), weight, twice), TODAY);
        assertEquals(Verdict.REFUTED, verdict(loose, "nothing-by-default", "again"));
        assertEquals(Verdict.REFUTED, verdict(loose, "page-passable", "p3"), "between 3 and 5 the doubled weight is too low, and locked");
        Proof high = Proof.of(of(born, again.withAccept(List.of()), weight, twice.withLockWhen("weight > 5")), TODAY);
        assertEquals(Verdict.PROVED, verdict(high, "page-passable", "p3"));
    }

    @Test
    void whatIsNotDecidedNamesItsReasonAndCanBeWaived() {
        Question full = text("full", "[a-c]*").withStartWith("first + \" \" + last");
        Questionnaire document = of(text("first", 20), text("last", 20), full);
        Proof proof = Proof.of(document, TODAY);
        Claim claim = proof.claim("nothing-by-default", "full").orElseThrow();
        assertEquals(Verdict.UNDECIDED, claim.verdict());
        assertTrue(proof.words().because(claim).contains("joins several answers"), proof.words().because(claim));
        assertTrue(Gate.canBeWaived(claim));
        assertEquals(List.of(claim), Gate.of(proof.claims(), document, List.of()).inTheWay());
        assertTrue(proof.figures().answerPaths().isPresent(), "a start that can be changed leaves the counts exact");
    }

    @Test
    void aProofThatGoesOnAfterAnEditOfAStartSaysWhatANewOneSays() {
        Proof proof = Proof.of(joined(), TODAY);
        for (int edit = 0; edit < Sample.of(60); edit++) {
            Questionnaire edited = joined();
            proof = proof.after(edited, Limits.USUAL, Watch.NOBODY);
            assertEquals(Proof.of(edited, TODAY).claims().stream().map(c -> c + " " + c.follows()).toList(),
                    proof.claims().stream().map(c -> c + " " + c.follows()).toList());
        }
    }
}
