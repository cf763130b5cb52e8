package orthogon.core.proof;

import orthogon.core.answer.DateLimit;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.edit.Rename;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.flow.Figures;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;

/** What must not make a difference to any verdict or count. */
class SameVerdictsTest {

    private static Map<String, Verdict> verdicts(Questionnaire document) {
        Map<String, Verdict> verdicts = new TreeMap<>();
        Proof.of(document, RandomDocument.TODAY).claims().forEach(c -> verdicts.put(c.id(), c.verdict()));
        return verdicts;
    }

    private static List<Object> counts(Questionnaire document) {
        Figures f = Proof.of(document, RandomDocument.TODAY).figures();
        return List.of(f.answerPaths(), f.pathsByOutcome(), f.routes(), f.shortest(), f.longest());
    }

    @Test
    void twoRunsGiveTheSame() {
        for (long seed = 1; seed <= Sample.of(100); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            assertEquals(verdicts(document), verdicts(document), "seed " + seed);
            assertEquals(counts(document), counts(document), "seed " + seed);
        }
    }

    @Test
    void renamedCodesGiveTheSame() throws Exception {
        int renamed = 0;
        for (long seed = 1; seed <= Sample.of(150); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            if (document.questions().findAny().isEmpty()) {
                continue;
            }
            Question question = document.questions().skip(document.questions().count() / 2).findFirst().orElseThrow();
            String code = question.code();
            Questionnaire other = new Rename(code, "renamed").apply(document);
            Map<String, Verdict> expected = new TreeMap<>();
            verdicts(document).forEach((id, verdict) -> expected.put(id.replaceAll("\\b" + code + "\\b", "renamed"), verdict));
            assertEquals(expected, verdicts(other), "seed " + seed);
            assertEquals(counts(document), counts(other), "seed " + seed);
            renamed++;
        }
        assertTrue(renamed > Sample.mustPass(100));
    }

    @Test
    void itemsThatDoNotDependOnEachOtherCanBeExchanged() {
        int exchanged = 0;
        for (long seed = 1; seed <= Sample.of(400); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            for (Page page : document.pages()) {
                for (int i = 0; i + 1 < page.items().size(); i++) {
                    if (independent(document, page.items().get(i), page.items().get(i + 1))) {
                        List<Item> items = new ArrayList<>(page.items());
                        Collections.swap(items, i, i + 1);
                        Questionnaire other = document.withPage(page.code(), p -> p.withItems(items));
                        assertEquals(verdicts(document), verdicts(other), "seed " + seed + " " + page.code() + " " + i);
                        assertEquals(counts(document), counts(other), "seed " + seed + " " + page.code() + " " + i);
                        exchanged++;
                    }
                }
            }
        }
        assertTrue(exchanged > Sample.mustPass(100), exchanged + " exchanged");
    }

    private static boolean independent(Questionnaire document, Item first, Item second) {
        Wiring wiring = Wiring.of(document);
        Set<String> ofFirst = new HashSet<>(first.withInner().map(Item::code).toList());
        Set<String> ofSecond = new HashSet<>(second.withInner().map(Item::code).toList());
        String texts = first.toString() + second;
        return wiring.wires().stream().noneMatch(w -> ofSecond.contains(w.owner()) && w.uses().stream().anyMatch(ofFirst::contains)
                || ofFirst.contains(w.owner()) && w.uses().stream().anyMatch(ofSecond::contains))
                && ofFirst.stream().noneMatch(c -> texts.contains("{" + c))
                && ofSecond.stream().noneMatch(c -> texts.contains("{" + c));
    }

    @Test
    void bodyMassOfTwoBoundedNumbersIsDecidedExactly() {
        Question weight = Question.of("weight", "Weight", new NumberAnswer(new BigDecimal(30), new BigDecimal(200), 0, "kg"))
                .withRequireWhen("true");
        Question height = Question.of("height", "Height", new NumberAnswer(new BigDecimal("1.20"), new BigDecimal("2.20"), 2, "m"))
                .withRequireWhen("true");
        Question heavy = Question.of("heavy", "Heavy", new YesNoAnswer()).withAskWhen("weight / (height * height) >= 138.8");
        Question beyond = Question.of("beyond", "Beyond", new YesNoAnswer()).withAskWhen("weight / (height * height) > 138.9");
        Questionnaire document = Questionnaire.blank("mass", "Mass")
                .withPages(List.of(new Page("p", "P", "", "", List.of(weight, height, heavy, beyond), List.of(), List.of())));
        Proof proof = Proof.of(document, RandomDocument.TODAY);
        // 200 / 1.20² is 138.88..., the most there is.
        assertEquals(Verdict.PROVED, proof.claim("reach-question", "heavy").orElseThrow().verdict());
        Map<String, Object> witness = proof.claim("reach-question", "heavy").orElseThrow().finding().witness().orElseThrow();
        assertEquals(new BigDecimal("200"), witness.get("weight"));
        assertEquals(0, new BigDecimal("1.20").compareTo((BigDecimal) witness.get("height")));
        Claim never = proof.claim("reach-question", "beyond").orElseThrow();
        assertEquals(Verdict.REFUTED, never.verdict());
        assertEquals(List.of("beyond.askWhen"), never.finding().core());
    }

    @Test
    void aProofHoldsUntilTheDayMattersAndNoLonger() {
        Question when = Question.of("seen", "When?", new DateAnswer(new DateLimit.Fixed(RandomDocument.TODAY.minusDays(400)),
                new DateLimit.FromToday(0)));
        Questionnaire always = Questionnaire.blank("day", "Day")
                .withPages(List.of(new Page("p", "P", "", "", List.of(when.withAskWhen("")), List.of(), List.of())));
        assertEquals(RandomDocument.TODAY.plusYears(1), Proof.of(always, RandomDocument.TODAY).holdsUntil());
        Question summer = Question.of("summer", "Summer?", new YesNoAnswer()).withAskWhen("today() >= date(\"2027-06-01\")");
        Questionnaire later = always.withPages(
                List.of(new Page("p", "P", "", "", List.of(when, summer), List.of(), List.of())));
        Proof proof = Proof.of(later, RandomDocument.TODAY);
        assertEquals(LocalDate.of(2027, 5, 31), proof.holdsUntil());
        assertEquals(Verdict.REFUTED, proof.claim("reach-question", "summer").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, Proof.of(later, LocalDate.of(2027, 6, 1)).claim("reach-question", "summer").orElseThrow().verdict());
        Question first = Question.of("first", "First?", new YesNoAnswer()).withAskWhen("seen > date(\"2027-01-31\")");
        Questionnaire reaching = always.withPages(
                List.of(new Page("p", "P", "", "", List.of(when, first), List.of(), List.of())));
        assertEquals(LocalDate.of(2027, 1, 31), Proof.of(reaching, RandomDocument.TODAY).holdsUntil());
    }

    @Test
    void aProofHoldsNoLongerThanAFixedStartValueKeepsLimitsThatMoveWithTheDay() {
        Question seen = Question
                .of("seen", "When?", new DateAnswer(new DateLimit.FromToday(-10), new DateLimit.FromToday(0)))
                .withStartWith("date(\"2026-11-20\")").withLockWhen("true");
        Proof proof = Proof.of(
                Questionnaire.blank("day", "Day").withPages(List.of(new Page("p", "P", "", "", List.of(seen), List.of(), List.of()))),
                RandomDocument.TODAY);
        assertEquals(Verdict.PROVED, proof.claim("page-passable", "p").orElseThrow().verdict());
        assertEquals(LocalDate.of(2026, 11, 30), proof.holdsUntil());
        assertEquals(Verdict.REFUTED,
                Proof.of(proof.document(), LocalDate.of(2026, 12, 1)).claim("page-passable", "p").orElseThrow().verdict());
    }

    @Test
    void untilThenEveryDaySaysTheSame() {
        int compared = 0;
        for (long seed = 1; seed <= Sample.of(120); seed++) {
            Proof proof = Proof.of(RandomDocument.of(seed), RandomDocument.TODAY);
            LocalDate until = proof.holdsUntil();
            Map<String, Verdict> expected = verdicts(proof.document());
            for (LocalDate day : List.of(RandomDocument.TODAY.plusDays(1), until)) {
                if (!day.isAfter(until)) {
                    Proof then = Proof.of(proof.document(), day);
                    Map<String, Verdict> verdicts = new TreeMap<>();
                    then.claims().forEach(c -> verdicts.put(c.id(), c.verdict()));
                    assertEquals(expected, verdicts, "seed " + seed + " on " + day);
                    assertEquals(proof.figures().answerPaths(), then.figures().answerPaths(), "seed " + seed + " on " + day);
                    compared++;
                }
            }
        }
        assertTrue(compared > Sample.mustPass(150), compared + " compared");
    }

    @Test
    void whatTheLimitsEndIsUndecidedAndNamesThem() {
        List<Item> many = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            many.add(Question.of("n" + i, "N", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(900), 0, ""))
                    .withAccept(i == 0 ? List.of() : List.of(new Question.Accept("n" + i + " > n" + (i - 1), ""))));
        }
        Questionnaire large = Questionnaire.blank("large", "Large")
                .withPages(List.of(new Page("p", "P", "", "", many, List.of(), List.of())));
        Proof little = Proof.of(large, RandomDocument.TODAY, new Limits(1 << 12, Duration.ofMinutes(1)), Watch.NOBODY);
        assertTrue(little.claims().stream().anyMatch(c -> c.verdict() == Verdict.UNDECIDED
                && little.words().because(c).contains("more than 4096 diagram nodes")), little.claims().toString());
        assertTrue(little.claims().stream().noneMatch(c -> c.verdict() == Verdict.REFUTED));
        Proof hasty = Proof.of(large, RandomDocument.TODAY, new Limits(1 << 23, Duration.ofNanos(1)), Watch.NOBODY);
        assertTrue(hasty.claims().stream().anyMatch(c -> c.verdict() == Verdict.UNDECIDED && hasty.words().because(c).contains("0 s")),
                hasty.claims().stream().filter(c -> c.verdict() != Verdict.PROVED).toList().toString());
    }

    @Test
    void whatGatesFarBeforeMakeOfPathsAndWordsIsCountedWhereRoutesAreTooMany() {
        int gates = 16;
        List<Item> first = new ArrayList<>();
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < gates; i++) {
            first.add(Question.of("g" + i, "Gate", new YesNoAnswer()).withRequireWhen("true"));
            pages.add(new Page("p" + i, "", "", "", List.of(Question.of("h" + i, "Behind it", new YesNoAnswer()).withRequireWhen("true")
                    .withAskWhen("g" + i)), List.of(), List.of()));
        }
        pages.addFirst(new Page("all", "", "", "", first, List.of(), List.of()));
        Questionnaire far = Questionnaire.blank("far", "Far").withPages(pages);
        Proof narrow = Proof.of(far, RandomDocument.TODAY, new Limits(1 << 13, Duration.ofMinutes(1)), Watch.NOBODY);
        Figures figures = narrow.figures();
        assertEquals(BigInteger.valueOf(3).pow(gates), figures.answerPaths().orElseThrow());
        assertEquals(2 * gates, figures.reading().orElseThrow().mostWords() - figures.reading().orElseThrow().leastWords());
        assertTrue(figures.routes().isEmpty());
        assertEquals("routes: more than 8192 diagram nodes would be needed", narrow.words().said(figures.notCounted().orElseThrow()));
        assertEquals(BigInteger.TWO.pow(gates), Proof.of(far, RandomDocument.TODAY).figures().routes().orElseThrow());
    }

    @Test
    void aProofTellsWhereItIsAndCanBeCalledOff() {
        Map<String, Integer> parts = new LinkedHashMap<>();
        AtomicBoolean off = new AtomicBoolean();
        Watch watch = new Watch() {
            @Override
            public void reached(String part) {
                parts.merge(part, 1, Integer::sum);
                off.set(part.equals("who comes to each page"));
            }

            @Override
            public boolean isCalledOff() {
                return off.get();
            }
        };
        List<Item> many = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            many.add(Question.of("n" + i, "N", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(900), 0, ""))
                    .withAccept(i == 0 ? List.of() : List.of(new Question.Accept("n" + i + " > n" + (i - 1), ""))));
        }
        Questionnaire large = Questionnaire.blank("large", "Large")
                .withPages(List.of(new Page("p", "P", "", "", many, List.of(), List.of())));
        Assertions.assertThrows(CancellationException.class, () -> Proof.of(large, RandomDocument.TODAY, Limits.USUAL, watch));
        assertEquals(List.of("answer classes", "who comes to each page"), List.copyOf(parts.keySet()));
    }

    @Test
    void aProofThatGoesOnAfterAnEditSaysWhatAProofFromTheStartSays() {
        int wentOn = 0;
        int undecided = 0;
        for (long seed = 1; seed <= Sample.of(100); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            Proof proof = Proof.of(document, RandomDocument.TODAY);
            for (int edit = 0; edit < 5; edit++) {
                document = new RandomChange(seed * 5 + edit).of(document);
                Proof again = proof.after(document, Limits.USUAL, Watch.NOBODY);
                Proof anew = Proof.of(document, RandomDocument.TODAY);
                String which = "seed " + seed + ", edit " + edit;
                assertEquals(told(anew), told(again), which);
                for (Claim claim : again.claims()) {
                    // Explaining one proof must not disturb the next, and both must find the same conflict.
                    if (claim.verdict() == Verdict.REFUTED) {
                        Claim same = anew.claim(claim.kind(), claim.place()).orElseThrow();
                        assertEquals(same.finding().core().size(), claim.finding().core().size(), which + " " + claim);
                        assertEquals(same.finding().witness().isPresent(), claim.finding().witness().isPresent(), which + claim);
                        assertTrue(!proof.words().because(claim).contains("fault of Orthogon"), which + claim);
                    } else if (claim.verdict() == Verdict.PROVED) {
                        assertEquals(anew.words().because(anew.claim(claim.kind(), claim.place()).orElseThrow()),
                                proof.words().because(claim), which + " " + claim);
                    }
                }
                undecided += anew.count(Verdict.UNDECIDED) > 0 ? 1 : 0;
                wentOn++;
                proof = again;
            }
        }
        assertTrue(wentOn - undecided > Sample.mustPass(250), wentOn + " proofs, " + undecided + " with something undecided");
    }

    private static Map<String, String> told(Proof proof) {
        Map<String, String> told = new TreeMap<>();
        proof.claims()
                .forEach(c -> told.put(c.id(), proof.words().statement(c) + " " + c.verdict() + " " + c.blocking() + " " + c.follows()));
        return told;
    }
}
