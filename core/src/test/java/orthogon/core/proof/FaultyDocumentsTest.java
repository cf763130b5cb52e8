package orthogon.core.proof;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A verdict on a document with a faulty condition must hold however the condition would turn out. */
class FaultyDocumentsTest {

    private static final String FAULTY = "nobody_knows = 1";

    /** Ways to put another text in the place of one condition. */
    private static List<Function<String, Questionnaire>> places(Questionnaire document) {
        List<Function<String, Questionnaire>> places = new ArrayList<>();
        for (Page page : document.pages()) {
            places.add(text -> document.withPage(page.code(), p -> p.withOpenWhen(text)));
            page.finish().stream().findFirst().ifPresent(f -> places.add(text -> document.withPage(page.code(),
                    p -> p.withRules(List.of(new Page.Finish(text, f.outcome())), p.skip()))));
            page.skip().stream().findFirst().ifPresent(s -> places.add(text -> document.withPage(page.code(),
                    p -> p.withRules(p.finish(), List.of(new Page.Skip(text, s.to()))))));
        }
        for (Item item : document.items().toList()) {
            switch (item) {
                case Question q -> {
                    places.add(text -> document.withItem(q.code(), i -> q.withAskWhen(text)));
                    places.add(text -> document.withItem(q.code(), i -> q.withRequireWhen(text)));
                    places.add(text -> document.withItem(q.code(), i -> q.withAccept(List.of(new Question.Accept(text, "")))));
                    places.add(text -> document.withItem(q.code(), i -> q.withLockWhen(text)));
                }
                case Note n -> places.add(text -> document.withItem(n.code(), i -> new Note(n.code(), n.wording(), text)));
                case Section s -> places.add(text -> document.withItem(s.code(), i -> new Section(s.code(), s.title(), text, s.items())));
                default -> {}
            }
        }
        return places;
    }

    @Test
    void whatIsDecidedHoldsHoweverTheFaultyConditionTurnsOut() {
        Random random = new Random(5);
        int decided = 0;
        int undecided = 0;
        for (long seed = 1; seed <= Sample.of(700); seed++) {
            List<Function<String, Questionnaire>> places = places(RandomDocument.of(seed));
            Function<String, Questionnaire> place = places.get(random.nextInt(places.size()));
            Proof faulty = Proof.of(place.apply(FAULTY), RandomDocument.TODAY);
            Proof always = Proof.of(place.apply("true"), RandomDocument.TODAY);
            Proof never = Proof.of(place.apply("1 > 2"), RandomDocument.TODAY);
            for (Claim claim : faulty.claims()) {
                if (claim.family() == Family.SOUND) {
                    continue;
                }
                if (claim.verdict() == Verdict.UNDECIDED) {
                    undecided++;
                    assertTrue(claim.follows().filter(f -> f.kind() == ClaimKind.REFERENCE_EXISTS).isPresent(),
                            "seed " + seed + " " + claim);
                    continue;
                }
                decided++;
                for (Claim other : Stream.of(always, never).flatMap(p -> p.claim(claim.kind(), claim.place()).stream()).toList()) {
                    assertEquals(other.verdict(), claim.verdict(), "seed " + seed + " " + claim + claim.finding());
                }
            }
        }
        assertTrue(decided > Sample.mustPass(5000) && undecided > Sample.mustPass(500), decided + " decided, " + undecided + " undecided");
    }

    /** Many faults, too many to try every way they could turn out: what comes before them does not hang on them. */
    @Test
    void manyFaultsOnOnePageLeaveThePagesBeforeItDecided() {
        int early = 0;
        int late = 0;
        for (long seed = 1; seed <= Sample.of(200); seed++) {
            Questionnaire document = RandomDocument.of(seed);
            List<Page> pages = new ArrayList<>(document.pages());
            List<Item> items = new ArrayList<>(pages.getLast().items());
            for (int i = 0; i < 7; i++) {
                items.add(Question.of("late" + i, "Late", new YesNoAnswer()).withAskWhen(FAULTY).withRequireWhen("true")
                        .withStartWith(i == 6 ? "nobody_knows" : ""));
            }
            pages.set(pages.size() - 1, pages.getLast().withItems(items));
            Proof sound = Proof.of(document, RandomDocument.TODAY);
            for (Claim claim : Proof.of(document.withPages(pages), RandomDocument.TODAY).claims()) {
                Page page = document.pageOf(claim.place().split("[./#]")[0]).or(() -> document.page(claim.place().split("[./#]")[0]))
                        .orElse(null);
                // What is read beyond its page, and what goes past pages, may come to the faults.
                boolean before = page != null && page != document.pages().getLast() && page.skip().isEmpty() && page.finish().isEmpty();
                if (claim.family() == Family.REACH && before) {
                    assertEquals(sound.claim(claim.kind(), claim.place()).orElseThrow().verdict(), claim.verdict(), seed + " " + claim);
                    early++;
                } else if (claim.verdict() == Verdict.UNDECIDED) {
                    late++;
                }
            }
        }
        assertTrue(early > Sample.mustPass(500) && late > Sample.mustPass(500), early + " before, " + late + " undecided");
    }
}
