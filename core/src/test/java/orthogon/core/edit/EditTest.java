package orthogon.core.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import org.junit.jupiter.api.Test;

class EditTest {

    @Test
    void thousandsOfRandomEditsKeepTheDocumentWhole() {
        Random random = new Random(3);
        int made = 0;
        int refused = 0;
        for (int run = 0; run < 60; run++) {
            Questionnaire document = RandomDocument.of(1000 + run);
            for (int step = 0; step < 60; step++) {
                List<String> codes = document.items().map(Item::code).toList();
                String code = codes.isEmpty() ? "p0" : codes.get(random.nextInt(codes.size()));
                Edit edit = switch (random.nextInt(7)) {
                    case 0 -> new Step(code, random.nextBoolean());
                    case 1 -> new Copy(code);
                    case 2 -> new Remove(code);
                    case 3 -> new Rename(code, "renamed_" + step);
                    case 4 -> new Add(document.pages().getFirst().code(), code, new Note("note_" + step, "Note", ""));
                    case 5 -> new Rename(document.pages().getLast().code(), "page_" + step);
                    default -> new AddPages("", List.of(Page.empty("added_" + step, "Added")));
                };
                try {
                    Questionnaire changed = edit.apply(document);
                    whole(changed, edit);
                    document = changed;
                    made++;
                } catch (Refused e) {
                    refused++;
                    assertTrue(e.getMessage().endsWith("."), e.getMessage());
                }
            }
        }
        assertTrue(made > 2000 && refused > 50, made + " made, " + refused + " refused");
    }

    /** Every code once, every reference to something; moving may make a condition look ahead, nothing else may go wrong. */
    private static void whole(Questionnaire document, Edit edit) {
        Set<Fault.Kind> kinds = new HashSet<>();
        Faults.of(Wiring.of(document)).forEach(f -> kinds.add(f.kind()));
        kinds.remove(Fault.Kind.LOOKS_AHEAD);
        assertEquals(Set.of(), kinds, edit + " " + Faults.of(Wiring.of(document)));
    }

    private final Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
            Question.of("bird", "Bird?", new Answer.YesNo()), new Section("nest", "Nest", "bird = true", List.of(
                    Question.of("eggs", "Eggs?", new Answer.YesNo()),
                    Question.of("count", "How many?", new Answer.Numeric(null, null, 0, ""))
                            .withAskWhen("eggs = true and bird"))),
            new Derived("many", "count > 3 or eggs = false")))));

    @Test
    void aCopyHasFreshCodesAndPointsAtItself() throws Refused {
        Section copy = (Section) new Copy("nest").apply(document).item("nest_2").orElseThrow();
        assertEquals(List.of("eggs_2", "count_2"), copy.items().stream().map(Item::code).toList());
        assertEquals("eggs_2 = true and bird", ((Question) copy.items().get(1)).askWhen());
        assertEquals("bird = true", copy.askWhen());
    }

    @Test
    void renameFollowsEveryReferenceAndLeavesTextsAlone() throws Refused {
        Questionnaire withText = new Change(((Question) document.item("count").orElseThrow()).withAskWhen("eggs and answered(eggs)"),
                "")
                .apply(document);
        Questionnaire renamed = new Rename("eggs", "clutch").apply(withText);
        assertEquals("clutch and answered(clutch)", ((Question) renamed.item("count").orElseThrow()).askWhen());
        assertEquals("count > 3 or clutch = false", ((Derived) renamed.item("many").orElseThrow()).derive());
    }

    @Test
    void removeNamesWhatDependsOnIt() {
        Refused refused = assertThrows(Refused.class, () -> new Remove("eggs").apply(document));
        assertEquals("These depend on eggs: count.askWhen, many.derive. Change or remove them first.", refused.getMessage());
    }

    @Test
    void aConditionWithAFaultIsRefusedWithItsPlace() {
        Question count = (Question) document.item("count").orElseThrow();
        Refused refused = assertThrows(Refused.class, () -> new Change(count.withAskWhen("egs = true"), "").apply(document));
        assertEquals("Ask when “egs = true”, at character 1: there is no question or value called egs; did you mean eggs?.",
                refused.getMessage()
                        .replace("eggs?", "eggs?"));
    }

    @Test
    void oneTypedLineMakesARow() throws Refused {
        Question count = (Question) RowLine.read("How many animals? / number 1..20 animals *", c -> false);
        assertEquals(new Answer.Numeric(BigDecimal.ONE, new BigDecimal(20), 0, "animals"), count.answer());
        assertEquals("many_animals", count.code());
        assertEquals("true", count.requireWhen());
        Question seen = (Question) RowLine.read("What did you see? / many: blood; a hanging wing; none of these!", c -> c.equals("see"));
        assertEquals("see_2", seen.code());
        Answer.ManyChoices many = assertInstanceOf(Answer.ManyChoices.class, seen.answer());
        assertEquals(List.of("blood", "hanging_wing", "none_these"), many.options().stream().map(Answer.Option::code).toList());
        assertEquals(List.of("Blood", "A hanging wing", "None of these"), many.options().stream().map(Answer.Option::label).toList());
        assertTrue(many.options().get(2).exclusive());
        assertInstanceOf(Answer.Text.class, ((Question) RowLine.read("Owner and/or keeper", c -> false)).answer());
        assertInstanceOf(Section.class, RowLine.read("The nest / section", c -> false));
        assertTrue(assertThrows(Refused.class, () -> RowLine.read("How many? / numbr 1..2", c -> false)).getMessage()
                .contains("no kind of answer"));
    }
}
