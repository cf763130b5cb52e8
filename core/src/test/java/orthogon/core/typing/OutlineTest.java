package orthogon.core.typing;

import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.edit.AddPages;
import orthogon.core.edit.WholeDocument;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.EntryCount;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.core.typing.AnswerWords;
import orthogon.core.typing.Outline.Became;
import orthogon.core.typing.RowLine;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;

class OutlineTest {

    private static final String PASTED = """
            The animal
            ==========
            1. Which kind is it? *
                a) Bird
                b) Mammal = 2
                c) Another…
            2. What did you see? (choose all that apply)
                [ ] Blood
                [ ] None of these!
            - Is it alive?
                Yes
                No
            Keep away from it. / note

            # Where
            ## The place
            Your e-mail
            How many were there?
            Each animal / roster 1..3 Animal
            Its weight / number 0..90 kg
              an option under a number
            # Empty words / of no kind
                lost
            Nonsense / wobble 3
            """;

    private static Outline read(String text) throws Refused {
        return Outline.read(text, c -> c.equals("place"));
    }

    @Test
    void headingsLinesAndIndentedLinesBecomePagesQuestionsAndOptions() throws Refused {
        Outline outline = read(PASTED);
        assertEquals(List.of("The animal", "Where", "Empty words / of no kind"), outline.pages().stream().map(Page::title).toList());
        List<Item> first = outline.pages().getFirst().items();
        Question kind = (Question) first.getFirst();
        assertEquals("true", kind.requireWhen());
        OneChoice one = assertInstanceOf(OneChoice.class, kind.answer());
        assertEquals(List.of("Bird", "Mammal", "Another"), one.options().stream().map(Option::label).toList());
        assertEquals("2", one.options().get(1).score().toPlainString());
        assertTrue(one.options().get(2).other());
        ManyChoices many = assertInstanceOf(ManyChoices.class, ((Question) first.get(1)).answer());
        assertTrue(many.options().get(1).exclusive());
        assertInstanceOf(YesNoAnswer.class, ((Question) first.get(2)).answer());
        assertInstanceOf(Note.class, first.get(3));
        List<Item> second = outline.pages().get(1).items();
        Section place = assertInstanceOf(Section.class, second.getFirst());
        assertEquals("place_2", place.code());
        assertInstanceOf(ContactAnswer.class, ((Question) place.items().getFirst()).answer());
        assertInstanceOf(NumberAnswer.class, ((Question) place.items().get(1)).answer());
        Roster roster = assertInstanceOf(Roster.class, second.get(1));
        assertEquals(1, roster.items().size());
        Roster counted = assertInstanceOf(Roster.class, RowLine.read("Everybody / roster 0..8 as many as persons Person", c -> false));
        assertEquals(new EntryCount("persons", "", ""), counted.count());
        assertEquals("Person", counted.entryTitle());
    }

    @Test
    void whatWasUnderstoodIsSaidLineByLine() throws Refused {
        Outline outline = read(PASTED);
        assertEquals(2, outline.count(Became.ASSUMED));
        List<Outline.OutlineLine> lost = outline.lines().stream().filter(l -> l.became() == Became.NOT_UNDERSTOOD).toList();
        assertEquals(List.of(23, 24), lost.stream().map(Outline.OutlineLine::number).toList());
        assertEquals("an indented line needs a question above it", lost.getFirst().says());
        assertTrue(lost.get(1).says().contains("is not a kind of answer"), lost.get(1).says());
        assertEquals(PASTED.lines().filter(l -> !l.isBlank() && !l.matches("=+")).count(), outline.lines().size());
    }

    @Test
    void anOutlineCanBeBroughtIntoADocument() throws Refused {
        var document = orthogon.core.questionnaire.Questionnaire.blank("fen", "Fen");
        var brought = new AddPages("page_1", Outline.read(PASTED, WholeDocument.codes(document)::contains).pages()).apply(document);
        assertEquals(4, brought.pages().size());
        assertThrows(Refused.class, () -> Outline.read("x\n".repeat(3001), c -> false));
    }

    @Test
    void everyKindOfTheListIsRead() throws Refused {
        for (AnswerMaker.TypedWords kind : AnswerWords.KINDS) {
            Item item = RowLine.read("A wording / " + kind.typed(), c -> false);
            assertEquals(kind.typed().startsWith("derive"), item.kind().equals("derived"), kind.typed());
        }
        assertThrows(Refused.class, () -> AnswerWords.read("rating 50"));
        assertThrows(Refused.class, () -> AnswerWords.read("slider 3.."));
        assertThrows(Refused.class, () -> AnswerWords.read("time 25:00.."));
        assertThrows(Refused.class, () -> AnswerWords.read("many:"));
    }
}
