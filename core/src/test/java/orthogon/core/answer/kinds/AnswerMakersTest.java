package orthogon.core.answer.kinds;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Collectors;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;

class AnswerMakersTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);
    private static final List<Option> OPTIONS = List.of(Option.of("blood", "Blood"), new Option("none", "None", null, true, ""));

    private static final List<Option> PLAIN = List.of(Option.of("blood", "Blood"), Option.of("shock", "Shock"));

    private static Answer fresh(AnswerKind kind) {
        return AnswerMakers.from(kind, new TextAnswer(false, null, null));
    }

    @Test
    void everyKindIsMadeOfEveryOther() {
        for (AnswerKind before : AnswerKind.values()) {
            for (AnswerKind after : AnswerKind.values()) {
                assertEquals(after, AnswerMakers.from(after, fresh(before)).kind(), before + " to " + after);
            }
        }
    }

    @Test
    void everyKindCanBeTypedAndEveryLineIsOfItsKind() {
        Set<AnswerKind> typed = EnumSet.noneOf(AnswerKind.class);
        for (AnswerMaker.TypedWords line : AnswerMakers.lines()) {
            AnswerKind kind = AnswerMakers.typed(line.typed()).orElseThrow(() -> new AssertionError(line.typed())).kind();
            assertTrue(line.name().startsWith(kind.words()), line + " is read as " + kind);
            typed.add(kind);
        }
        assertEquals(EnumSet.allOf(AnswerKind.class), typed);
    }

    @Test
    void noTwoKindsShareAName() {
        assertEquals(AnswerKind.values().length,
                List.of(AnswerKind.values()).stream().map(AnswerKind::type).collect(Collectors.toSet()).size());
        assertEquals(AnswerKind.values().length,
                List.of(AnswerKind.values()).stream().map(AnswerKind::words).collect(Collectors.toSet()).size());
    }

    @Test
    void aValueOfNoTypeNeverCounts() {
        Object stranger = new Object();
        for (AnswerKind kind : AnswerKind.values()) {
            Answer answer = fresh(kind);
            assertNull(answer.counting(stranger, new OnOffer(answer.options(), List.of("first"))), kind.type());
            assertNull(answer.counting(null, new OnOffer(answer.options(), List.of("first"))), kind.type());
        }
    }

    @Test
    void aValueOfAnotherTypeIsRefusedWhereOneIsExpected() {
        Object stranger = new Object();
        Set<AnswerKind> anyText = EnumSet.of(AnswerKind.EMAIL, AnswerKind.PHONE, AnswerKind.WEB_ADDRESS,
                AnswerKind.SIGNATURE, AnswerKind.HIDDEN);
        for (AnswerKind kind : AnswerKind.values()) {
            assertEquals(!anyText.contains(kind), fresh(kind).refusal(stranger, TODAY).isPresent(), kind.type());
        }
    }

    private static void atTheEdge(String setting, Executable fits, Executable beyond) {
        org.junit.jupiter.api.Assertions.assertDoesNotThrow(fits);
        AnswerFault fault = assertThrows(AnswerFault.class, beyond);
        assertEquals(setting, fault.setting());
        assertTrue(fault.sentence().matches("\\P{Ll}.*\\."), fault.sentence());
    }

    @Test
    void settingsAreCheckedAtTheirEdges() {
        atTheEdge("most", () -> new TextAnswer(false, null, 100_000), () -> new TextAnswer(false, null, 100_001));
        atTheEdge("least", () -> new TextAnswer(true, 0, null), () -> new TextAnswer(true, -1, null));
        atTheEdge("pattern", () -> new TextAnswer(false, null, null, AllowedCharacters.ANY, "[A-Z]{2}", "", "", ""),
                () -> new TextAnswer(false, null, null, AllowedCharacters.ANY, "[A-Z", "", "", ""));
        atTheEdge("decimals", () -> new NumberAnswer(null, null, 9, ""), () -> new NumberAnswer(null, null, 10, ""));
        atTheEdge("slider", () -> new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 0, "", true),
                () -> new NumberAnswer(BigDecimal.ZERO, null, 0, "", true));
        atTheEdge("steps", () -> ScaleAnswer.rating(20), () -> ScaleAnswer.rating(21));
        atTheEdge("steps", () -> ScaleAnswer.rating(2), () -> ScaleAnswer.rating(1));
        atTheEdge("most", () -> new ManyChoices(OPTIONS, 0, 1000), () -> new ManyChoices(OPTIONS, 0, 1001));
        atTheEdge("columns", () -> new OptionLayout(OptionLayout.ShownAs.RADIO, 4, false),
                () -> new OptionLayout(OptionLayout.ShownAs.RADIO, 5, false));
        atTheEdge("places", () -> new RankingAnswer(PLAIN, 1), () -> new RankingAnswer(PLAIN, 0));
        atTheEdge("most", () -> new FileAnswer(100, 1, List.of()), () -> new FileAnswer(101, 1, List.of()));
        atTheEdge("largest", () -> new FileAnswer(1, 1_000_000_000, List.of()), () -> new FileAnswer(1, 1_000_000_001, List.of()));
        atTheEdge("offered", () -> new IsoAnswer(false, List.of("GB")), () -> new IsoAnswer(false, List.of("GBX")));
        atTheEdge("region", () -> new ContactAnswer(ContactAnswer.Standard.PHONE, "GB"),
                () -> new ContactAnswer(ContactAnswer.Standard.PHONE, "gb"));
        atTheEdge("parts", () -> new PartsAnswer(false, List.of("given"), List.of()), () -> new PartsAnswer(false, List.of(), List.of()));
        atTheEdge("parts", () -> new PartsAnswer(true, List.of("town"), List.of()),
                () -> new PartsAnswer(false, List.of("town"), List.of()));
        atTheEdge("required", () -> new PartsAnswer(true, List.of("town"), List.of("town")),
                () -> new PartsAnswer(true, List.of("town"), List.of("line_1")));
        atTheEdge("options/1/exclusive", () -> new OneChoice(PLAIN, false), () -> new OneChoice(OPTIONS, false));
        atTheEdge("columns/1/exclusive", () -> new GridAnswer(true, List.of(), OPTIONS), () -> new GridAnswer(false, List.of(), OPTIONS));
        atTheEdge("options", () -> new RankingAnswer(PLAIN, 1),
                () -> new RankingAnswer(List.of(PLAIN.getFirst().withOfferWhen("seen")), 1));
        atTheEdge("release", () -> new LookupAnswer("drivers", 100_000, List.of(), "", "", "", false),
                () -> new LookupAnswer("drivers", 100_001, List.of(), "", "", "", false));
        atTheEdge("shows", () -> LookupAnswer.in("drivers").withShows(1, shown(LookupAnswer.MOST_SHOWN), ""),
                () -> LookupAnswer.in("drivers").withShows(1, shown(LookupAnswer.MOST_SHOWN + 1), ""));
        atTheEdge("order", () -> new LookupAnswer("drivers", 1, shown(1), "", "", "name_0", false),
                () -> new LookupAnswer("drivers", 1, shown(1), "", "", "name_1", false));
        atTheEdge("shows", () -> new RecordAnswer("name", "", PartsAnswer.name()),
                () -> new RecordAnswer("name", "", new FileAnswer(1, 10, List.of())));
        atTheEdge("shows", () -> new RecordAnswer("records", "", PartsAnswer.name()),
                () -> new RecordAnswer("record", "", PartsAnswer.name()));
    }

    private static List<RecordAnswer> shown(int count) {
        return IntStream.range(0, count).mapToObj(n -> new RecordAnswer("name_" + n, "", new TextAnswer(false, null, null))).toList();
    }

    @Test
    void ownTextsAreChangedAndNothingElse() {
        for (AnswerKind kind : AnswerKind.values()) {
            Answer answer = fresh(kind);
            Answer there = answer.withTexts((name, text) -> text + "!");
            assertEquals(kind, there.kind());
            assertEquals(answer, there.withTexts((name, text) -> text.substring(0, text.length() - 1)), kind.type());
        }
        assertFalse(new NumberAnswer(null, null, 0, "kg").equals(new NumberAnswer(null, null, 0, "kg").withTexts((name, text) -> name)));
    }

    @Test
    void optionsOfACountryListBecomeOrdinaryOnes() {
        Answer choice = AnswerMakers.from(AnswerKind.ONE_CHOICE, new IsoAnswer(false, List.of("GB", "FR")));
        assertEquals(List.of("fr", "gb"), choice.options().stream().map(Option::code).sorted().toList());
        assertEquals(List.of("first", "second"),
                AnswerMakers.from(AnswerKind.ONE_CHOICE, new IsoAnswer(false, List.of())).options().stream().map(Option::code).toList());
        assertEquals(OPTIONS, AnswerMakers.from(AnswerKind.MANY_CHOICES, new ManyChoices(OPTIONS, null, 1)).options());
        assertFalse(AnswerMakers.from(AnswerKind.ONE_CHOICE, new ManyChoices(OPTIONS, null, null)).options().getLast().exclusive());
    }
}
