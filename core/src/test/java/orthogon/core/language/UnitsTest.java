package orthogon.core.language;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.edit.Annotate;
import orthogon.core.edit.ChangeLanguages;
import orthogon.core.edit.ImportTexts;
import orthogon.core.edit.Rename;
import orthogon.core.edit.RenameOption;
import orthogon.core.edit.Translate;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.Units.TextState;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class UnitsTest {

    private static final Questionnaire FEN = fen();

    private static Questionnaire fen() {
        List<Item> items = List.of(
                Question.of("kind", "Which kind?",
                        new OneChoice(List.of(Option.of("toad", "Toad"), Option.of("newt", "Newt")),
                                false))
                        .withRequireWhen("true"),
                Question.of("count", "How many?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(9), 0, "")).withRequireWhen("true"),
                Question.of("again", "And {count, plural, one {# more} other {# more}}?", new YesNoAnswer()));
        return Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("wet", "Wet").withItems(items)))
                .withLanguages(List.of("en", "pl"));
    }

    private static TextState state(Questionnaire document, String unit) {
        return Units.one(document, "pl", unit).orElseThrow().state();
    }

    @Test
    void statesFollowTheSource() throws Refused {
        assertEquals(TextState.MISSING, state(FEN, "kind.wording"));
        Questionnaire drafted = new Translate("pl", "kind.wording", "Jaki rodzaj?").apply(FEN);
        assertEquals(TextState.DRAFT, state(drafted, "kind.wording"));
        Questionnaire reviewed = new Translate("pl",
                List.of(new Translate.TranslatedText("kind.wording", "Jaki rodzaj?", Translate.REVIEWED)))
                .apply(drafted);
        assertEquals(TextState.REVIEWED, state(reviewed, "kind.wording"));
        Questionnaire changed = reviewed.withItem("kind", i -> ((Question) i).withTexts("Which sort?", ""));
        assertEquals(TextState.STALE, state(changed, "kind.wording"));
        assertEquals("Which kind?", Units.one(changed, "pl", "kind.wording").orElseThrow().of());
        assertFalse(Units.one(changed, "pl", "kind.wording").orElseThrow().isFit());
        assertEquals(1, Units.in(changed, "pl").stream().filter(u -> u.state() == TextState.STALE).count());
        assertTrue(Texts.alone(FEN, drafted) && Texts.alone(drafted, changed));
        assertFalse(Texts.alone(drafted, drafted), "nothing differs");
        assertFalse(Texts.alone(drafted, drafted.withItem("kind", i -> ((Question) i).withAskWhen("false"))), "a condition differs");
        assertThrows(Refused.class, () -> new Translate("fr", "kind.wording", "x").apply(FEN));
        assertThrows(Refused.class, () -> new Translate("pl", "gone.wording", "x").apply(FEN));
        assertThrows(Refused.class, () -> new Translate("pl", "kind.wording", " ").apply(FEN));
    }

    @Test
    void textsOfSeveralLanguagesAreImportedTogetherOrNotAtAll() throws Refused {
        Questionnaire two = FEN.withLanguages(List.of("en", "pl", "fr"));
        Translate polish = new Translate("pl", "kind.wording", "Jaki rodzaj?");
        Translate french = new Translate("fr", "kind.wording", "De quelle espèce ?");
        ImportTexts both = new ImportTexts(List.of(polish, french));
        assertEquals(french.apply(polish.apply(two)), both.apply(two));
        assertEquals("imported 2 texts in pl, fr", both.says());
        assertEquals(Set.of("translation pl/kind.wording", "translation fr/kind.wording"), both.about());
        assertThrows(Refused.class, () -> new ImportTexts(List.of(polish, new Translate("fr", "gone.wording", "x"))).apply(two));
    }

    @Test
    void translationsAndNotesFollowCodes() throws Refused {
        Questionnaire document = new Annotate("kind.toad.label", "The animal, not a person.")
                .apply(new Translate("pl", "kind.toad.label", "Ropucha").apply(new Translate("pl", "again.wording",
                        "I jeszcze {count, plural, one {#} few {#} many {#} other {#}}?").apply(FEN)));
        Questionnaire renamed = new RenameOption("sort", "toad", "bufo")
                .apply(new Rename("count", "number").apply(new Rename("kind", "sort").apply(document)));
        assertEquals("Ropucha", Units.one(renamed, "pl", "sort.bufo.label").orElseThrow().text());
        assertEquals(Map.of("sort.bufo.label", "The animal, not a person."), renamed.notes());
        assertTrue(Units.one(renamed, "pl", "again.wording").orElseThrow().text().contains("{number, plural"));
        assertEquals(TextState.DRAFT, state(renamed, "again.wording"));
    }

    @Test
    void textsThatChooseTheirWordsByAnOptionFollowItsCode() throws Refused {
        String words = "{kind, select, toad {A {count, select, toad {x} other {y}} toad} newt {A newt} other {None}}";
        Questionnaire document = new Translate("pl", "again.wording", words.replace("newt {A", "newt {Ta"))
                .apply(FEN.withItem("again", i -> ((Question) i).withTexts(words, "")));
        Questionnaire renamed = new RenameOption("kind", "toad", "bufo").apply(document);
        String after = words.replace("select, toad {A", "select, bufo {A");
        assertEquals(after, renamed.item("again").orElseThrow().wording());
        assertEquals(after.replace("newt {A", "newt {Ta"), Units.one(renamed, "pl", "again.wording").orElseThrow().text());
        assertEquals(TextState.DRAFT, state(renamed, "again.wording"), "the source it was made of reads as the source does now");
    }

    @Test
    void languagesComeAndGo() throws Refused {
        Questionnaire document = new Translate("pl", "kind.wording", "Jaki rodzaj?").apply(FEN);
        Questionnaire more = new ChangeLanguages(List.of("pl", "AR", "pt-br")).apply(document);
        assertEquals(List.of("en", "pl", "ar", "pt-BR"), more.languages());
        assertEquals(1, more.translations().get("pl").size());
        assertEquals(Map.of(), new ChangeLanguages(List.of("ar")).apply(document).translations());
        for (String wrong : List.of("nonsense!", "qqq", "", "x-stretch")) {
            assertThrows(Refused.class, () -> new ChangeLanguages(List.of(wrong)).apply(document), wrong);
        }
    }

    @Test
    void anInterviewIsTheSameInEveryLanguageButForItsWords() throws Refused {
        Questionnaire document = new Translate("pl", List.of(new Translate.TranslatedText("kind.wording", "Jaki rodzaj?", "draft"),
                new Translate.TranslatedText("kind.toad.label", "Ropucha", "draft"))).apply(FEN);
        Interview english = Interview.start(Wiring.of(document), LocalDate.of(2026, 11, 2), Map.of());
        Interview polish = Interview.start(Wiring.of(Translated.into(document, "pl")), LocalDate.of(2026, 11, 2), Map.of());
        assertEquals("Jaki rodzaj?", polish.course().current().orElseThrow().shown().getFirst().wording());
        assertEquals("How many?", polish.course().current().orElseThrow().shown().get(1).wording(), "not translated yet");
        assertEquals("Proszę odpowiedzieć na to pytanie.", polish.course().current().orElseThrow().problems().getFirst().message());
        Interview.LeaveResult one = english.leave(Map.of("kind", "toad", "count", new BigDecimal("2"), "again", true));
        Interview.LeaveResult two = polish.leave(Map.of("kind", "toad", "count", new BigDecimal("2"), "again", true));
        assertEquals(one.interview().submission(), two.interview().submission());
        assertTrue(two.interview().course().complete());
        assertEquals("Wpisz liczbę najwyżej 9.",
                polish.leave(Map.of("kind", "toad", "count", new BigDecimal("12"), "again", true)).interview().course().current()
                        .orElseThrow().problems().getFirst().message());
        Questionnaire stretched = Translated.into(document, Stretch.TAG);
        Texts.all(stretched).forEach((unit, text) -> assertTrue(text.contains(Stretch.OPEN), unit + ": " + text));
    }

    @Test
    void whatWasTranslatedBeforeIsRemembered() throws Refused {
        Questionnaire document = new Translate("pl", List.of(new Translate.TranslatedText("kind.wording", "Jaki rodzaj?", "draft")))
                .apply(FEN);
        assertEquals(List.of("Jaki rodzaj?"), Units.remembered(document, "pl", "Which kind? "));
        assertEquals(List.of(), Units.remembered(document, "pl", "Which sort?"));
        assertEquals("page “Wet”, kind: option or row", Units.place(document, "kind.toad.label"));
        assertEquals("page “Wet”: title", Units.place(document, "wet.title"));
        assertEquals("outcome “Sent”", Units.place(document, "sent.closing"));
    }

    @Test
    void whatComesBackIsLookedAtUnitByUnit() throws Refused {
        Questionnaire document = new Translate("pl", "kind.wording", "Jaki rodzaj?").apply(FEN);
        String now = Incoming.digest("Jaki rodzaj?");
        assertEquals(Incoming.IncomingKind.SAME, kind(document, "kind.wording", "Which kind?", "Jaki rodzaj?", now));
        assertEquals(Incoming.IncomingKind.CHANGED, kind(document, "kind.wording", "Which kind?", "Jakiego rodzaju?", now));
        assertEquals(Incoming.IncomingKind.NEWER_HERE,
                kind(document, "kind.wording", "Which kind?", "Jakiego rodzaju?", Incoming.digest("")));
        assertEquals(Incoming.IncomingKind.CHANGED, kind(document, "kind.wording", "Which kind?", "Jakiego rodzaju?", ""),
                "the file does not say");
        assertEquals(Incoming.IncomingKind.ADDED, kind(document, "count.wording", "How many?", "Ile?", Incoming.digest("")));
        assertEquals(Incoming.IncomingKind.SOURCE_CHANGED, kind(document, "count.wording", "What number?", "Ile?", Incoming.digest("")));
        assertEquals(Incoming.IncomingKind.EMPTY, kind(document, "count.wording", "How many?", " ", ""));
        assertEquals(Incoming.IncomingKind.UNKNOWN, kind(document, "gone.wording", "How many?", "Ile?", ""));
        String again = "And {count, plural, one {# more} other {# more}}?";
        assertEquals(Incoming.IncomingKind.DAMAGED,
                kind(document, "again.wording", again, "I jeszcze {count, plural, one {#} other {#}}?", ""));
        assertEquals(Incoming.IncomingKind.ADDED,
                kind(document, "again.wording", again, "I jeszcze {count, plural, one {#} few {#} many {#} other {#}}?", ""));
    }

    private static Incoming.IncomingKind kind(Questionnaire document, String unit, String source, String text, String was) {
        return Incoming.judge(document, List.of(new Incoming("pl", unit, source, text, "draft", was))).getFirst().kind();
    }
}
