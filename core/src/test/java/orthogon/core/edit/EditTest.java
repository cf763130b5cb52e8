package orthogon.core.edit;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Section;
import orthogon.core.typing.RowLine;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class EditTest {

    @Test
    void thousandsOfRandomEditsKeepTheDocumentWhole() throws Refused {
        int made = 0;
        int refused = 0;
        Set<Class<?>> kinds = new HashSet<>();
        for (int run = 0; run < 80; run++) {
            Questionnaire document = run % 4 == 0 ? EveryType.document() : RandomDocument.of(1000 + run);
            RandomEdits edits = new RandomEdits(run);
            for (int step = 0; step < 60; step++) {
                Edit edit = edits.next(document);
                try {
                    Questionnaire changed = edit.apply(document);
                    whole(changed, edit);
                    document = changed;
                    kinds.add(edit.getClass());
                    made++;
                } catch (Refused e) {
                    refused++;
                    assertTrue(e.getMessage().endsWith("."), e.getMessage());
                }
            }
        }
        assertTrue(made > 2500 && refused > 300, made + " made, " + refused + " refused");
        assertEquals(25, kinds.size(), kinds.toString());
    }

    /**
     * Every code once, every reference to something. Moving may make a condition look ahead, another type may make one unfit, and a name
     * moved out of its roster means all entries no more; these are told to the analyst, nothing else may go wrong.
     */
    private static void whole(Questionnaire document, Edit edit) {
        Set<Fault.SoundClaim> kinds = new HashSet<>();
        Faults.of(Wiring.of(document)).forEach(f -> kinds.add(f.kind()));
        kinds.remove(Fault.SoundClaim.LOOKS_AHEAD);
        kinds.remove(Fault.SoundClaim.TYPE_FITS);
        kinds.remove(Fault.SoundClaim.DEPENDS_ON_ITSELF);
        if (edit instanceof ChangeItem || edit instanceof PlaceRows || edit instanceof Step || edit instanceof Shift
                || hasUnfit(document)) {
            kinds.remove(Fault.SoundClaim.REFERENCE_EXISTS);
        }
        assertEquals(Set.of(), kinds, edit + " " + Faults.of(Wiring.of(document)));
    }

    /** Whether some option or part is named that a change of type took away. */
    private static boolean hasUnfit(Questionnaire document) {
        return Faults.of(Wiring.of(document)).stream().filter(f -> f.kind() == Fault.SoundClaim.REFERENCE_EXISTS)
                .map(f -> f.because().key() + f.because().terms())
                .allMatch(because -> because.contains("has no option") || because.contains("has no part")
                        || because.contains("answered once for each entry") || because.contains("and has no answer")
                        || because.contains("fault.which-entry") || because.contains("fault.no-recipient"));
    }

    private final Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
            Question.of("bird", "Bird?", new YesNoAnswer()), new Section("nest", "Nest", "bird = true", List.of(
                    Question.of("eggs", "Eggs?", new YesNoAnswer()),
                    Question.of("count", "How many?", new NumberAnswer(null, null, 0, ""))
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
        Questionnaire withText = new ChangeItem(((Question) document.item("count").orElseThrow()).withAskWhen("eggs and answered(eggs)"),
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
        Refused refused = assertThrows(Refused.class, () -> new ChangeItem(count.withAskWhen("egs = true"), "").apply(document));
        assertEquals("Ask when “egs = true”, at character 1: there is no question or value called egs; did you mean eggs?.",
                refused.getMessage()
                        .replace("eggs?", "eggs?"));
    }

    @Test
    void oneTypedLineMakesARow() throws Refused {
        Question count = (Question) RowLine.read("How many animals? / number 1..20 animals *", c -> false);
        assertEquals(new NumberAnswer(BigDecimal.ONE, new BigDecimal(20), 0, "animals"), count.answer());
        assertEquals("many_animals", count.code());
        assertEquals("true", count.requireWhen());
        Question seen = (Question) RowLine.read("What did you see? / many: blood; a hanging wing; none of these!", c -> c.equals("see"));
        assertEquals("see_2", seen.code());
        ManyChoices many = assertInstanceOf(ManyChoices.class, seen.answer());
        assertEquals(List.of("blood", "hanging_wing", "none_these"), many.options().stream().map(Option::code).toList());
        assertEquals(List.of("Blood", "A hanging wing", "None of these"), many.options().stream().map(Option::label).toList());
        assertTrue(many.options().get(2).exclusive());
        assertInstanceOf(TextAnswer.class, ((Question) RowLine.read("Owner and/or keeper", c -> false)).answer());
        assertInstanceOf(Section.class, RowLine.read("The nest / section", c -> false));
        assertTrue(assertThrows(Refused.class, () -> RowLine.read("How many? / numbr 1..2", c -> false)).getMessage()
                .contains("not a kind of answer"));
    }

    @Test
    void removeWithWhatDependsOnItLeavesNoReferenceHanging() throws Refused {
        Questionnaire left = new Remove(List.of("eggs"), true).apply(document);
        assertEquals(List.of("bird", "nest", "count"), left.items().map(Item::code).toList());
        assertEquals("", ((Question) left.item("count").orElseThrow()).askWhen());
        Questionnaire page = document
                .withPages(List.of(document.pages().getFirst().withRules(List.of(), List.of(new Page.Skip("bird", "last"))),
                        Page.empty("mid", "Mid"), Page.empty("last", "Last")));
        assertEquals(List.of(), new Remove(List.of("last"), true).apply(page).pages().getFirst().skip());
    }

    @Test
    void aRenamedRosterItemIsFollowedBehindTheDotAndInQuantifiers() throws Refused {
        Questionnaire renamed = new Rename("bleeding", "wounded").apply(EveryType.document());
        assertEquals("some a in animals satisfies a.wounded = true", Places.all(renamed).get("thanks.askWhen"));
        assertEquals("sum(animals.need) > 1", Places.all(new Rename("urgency", "need").apply(EveryType.document())).get("last.askWhen")
                .substring(0, 21));
    }

    @Test
    void aRenamedOptionIsFollowedWhereverItIsNamed() throws Refused {
        Questionnaire renamed = new RenameOption("signs", "hurt", "wounded").apply(EveryType.document());
        assertTrue(Places.all(renamed).get("last.askWhen").contains("signs.wing = \"wounded\""));
        Questionnaire relabelled = new RenameOption("bird", "owl", "barn_owl").apply(EveryType.document());
        assertEquals(Set.of("barn_owl"), ((Question) relabelled.item("bird").orElseThrow()).reword().getFirst().labels().keySet());
    }

    @Test
    void aCodeThatWasMadeUpFromALabelIsOfferedAnewWhenTheLabelChanges() {
        Question before = Question.of("kind", "Which kind?", new OneChoice(List.of(Option.of("grey_goose", "Grey goose"),
                Option.of("b", "Swan")), false));
        Question after = before.withAnswer(before.answer().withOptions(List.of(Option.of("grey_goose", "White goose"),
                Option.of("b", "Mute swan"))));
        assertEquals(List.of(new RenameOption.Proposal("grey_goose", "white_goose", "White goose")), RenameOption.proposals(before, after),
                "a code that somebody chose stays");
        assertEquals(List.of(), RenameOption.proposals(before, before));
    }

    @Test
    void aRenamedOutcomeIsFollowedWhereverItIsNamed() throws Refused {
        Questionnaire document = Questionnaire.blank("otters", "Otters");
        Questionnaire ending = document.withEnding(List.of(new Outcome("now", "Now", "Come."), new Outcome("later", "Later", "Wait.")),
                List.of(new OutcomeRow("", "later")))
                .withClaims(List.of(new OwnClaim("calm", Says.NEVER, "outcome = \"later\"")))
                .withPages(document.pages().stream().map(p -> p.withRules(List.of(new Page.Finish("true", "later")), p.skip())).toList())
                .withTranslations(Map.of("fr", Map.of("later.closing", new Questionnaire.Translation("Attendez.", "reviewed", "Wait."))));
        Questionnaire renamed = new RenameOutcome("later", "leave").apply(ending);
        assertEquals(List.of("now", "leave"), renamed.outcomes().stream().map(Outcome::code).toList());
        assertEquals("leave", renamed.outcomeTable().getFirst().outcome());
        assertEquals("leave", renamed.pages().getFirst().finish().getFirst().outcome());
        assertEquals("outcome = \"leave\"", renamed.claims().getFirst().that());
        assertEquals(Set.of("leave.closing"), renamed.translations().get("fr").keySet());
        assertEquals(ending, new RenameOutcome("leave", "later").apply(renamed));
        assertThrows(Refused.class, () -> new RenameOutcome("later", "now").apply(ending));
        assertThrows(Refused.class, () -> new RenameOutcome("never", "soon").apply(ending));
        assertThrows(Refused.class, () -> new RenameOutcome("later", "Too Late").apply(ending));
    }

    @Test
    void anOutcomeKeepsItsReferencesWhenItsCodeAloneIsChanged() {
        List<Outcome> before = List.of(new Outcome("later", "Later", "Wait."), new Outcome("x", "Now", ""));
        Questionnaire document = Questionnaire.blank("otters", "Otters");
        Questionnaire first = document.withEnding(before, List.of());
        Questionnaire relabelled = document.withEnding(
                List.of(new Outcome("later", "Not now", "Wait."), new Outcome("x", "At once", "")), List.of());
        assertEquals(List.of(new RenameOption.Proposal("later", "not_now", "Not now")), RenameOutcome.proposals(first, relabelled));
        assertEquals(List.of(), RenameOutcome.proposals(first, first));
        assertEquals(Optional.of(new RenameOutcome("later", "wait")),
                RenameOutcome.between(before, List.of(new Outcome("wait", "Later", "Wait."), before.get(1))));
        assertEquals(Optional.empty(), RenameOutcome.between(before, List.of(before.get(1), before.get(0))), "put in another order");
        assertEquals(Optional.empty(), RenameOutcome.between(before, before.subList(0, 1)));
    }

    @Test
    void oneConditionForSeveralAndStruckAgain() throws Refused {
        Questionnaire both = new SetConditions(Map.of("eggs.askWhen", "bird", "nest.askWhen", "")).apply(document);
        assertEquals("bird", Places.all(both).get("eggs.askWhen"));
        assertEquals(null, Places.all(both).get("nest.askWhen"));
        assertEquals(null, Places.all(new Strike(List.of("eggs.askWhen")).apply(both)).get("eggs.askWhen"));
        assertThrows(Refused.class, () -> new SetConditions(Map.of("eggs.openWhen", "bird")).apply(document));
    }

    @Test
    void anItemGoesIntoTheSectionAboveItAndOutAgain() throws Refused {
        Questionnaire in = new Shift("many", true).apply(document);
        assertEquals(List.of("eggs", "count", "many"), ((Section) in.item("nest").orElseThrow()).items().stream().map(Item::code).toList());
        assertEquals(document, new Shift("many", false).apply(in));
        assertEquals("There is no section or roster directly above bird to move it into.",
                assertThrows(Refused.class, () -> new Shift("bird", true).apply(document)).getMessage());
    }

    @Test
    void aPageIsCopiedWithFreshCodesThatPointAtTheCopies() throws Refused {
        Questionnaire copied = new Copy("p").apply(document);
        assertEquals(List.of("p", "p_2"), copied.pages().stream().map(Page::code).toList());
        assertEquals("bird_2 = true", Places.all(copied).get("nest_2.askWhen"));
    }

    @Test
    void anotherTypeKeepsWhatItCanAndSaysWhatItCannot() throws Refused {
        ManyChoices many = new ManyChoices(
                List.of(Option.of("a", "A"), new Option("none", "None", null, true, "")),
                1, 2);
        Retyped one = Retyped.to(many, "oneChoice");
        assertEquals(List.of("a", "none"), one.answer().options().stream().map(Option::code).toList());
        assertEquals(List.of("which options stand alone", "how many may be chosen"), one.lost());
        assertEquals(List.of("2 options", "how many may be chosen"), Retyped.to(many, "number").lost());
        assertEquals(new NumberAnswer(BigDecimal.ONE, new BigDecimal(7), 0, ""), Retyped.to(ScaleAnswer.rating(7), "number").answer());
    }

    private static Questionnaire piped() {
        return Questionnaire.blank("fen", "Fen").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("p", "One").withItems(List.of(
                        Question.of("bird", "Which bird?", new TextAnswer(false, null, 20)),
                        Question.of("count", "How many of {bird}?", new NumberAnswer(null, null, 0, "")))),
                orthogon.core.questionnaire.Page.empty("s", "About {bird}").withItems(List.of(
                        Question.of("more", "{count, plural, one {Is # {bird} all?} other {Are # all?}}", new YesNoAnswer())))));
    }

    @Test
    void textsFollowRenamesCopiesAndRemovals() throws Refused {
        Questionnaire renamed = new Rename("bird", "species").apply(piped());
        assertEquals("How many of {species}?", renamed.question("count").orElseThrow().wording());
        assertEquals("About {species}", renamed.page("s").orElseThrow().title());
        assertEquals("{count, plural, one {Is # {species} all?} other {Are # all?}}", renamed.question("more").orElseThrow().wording());

        Copy copy = new Copy(List.of("p"));
        Questionnaire copied = copy.apply(piped());
        String fresh = copy.fresh(piped()).get("p");
        List<Question> inCopy = copied.page(fresh).orElseThrow().questions().toList();
        assertEquals("How many of {" + inCopy.get(0).code() + "}?", inCopy.get(1).wording());

        Refused refused = assertThrows(Refused.class, () -> new Remove("bird").apply(piped()));
        assertTrue(refused.getMessage().contains("count.wording") && refused.getMessage().contains("s.title"), refused.getMessage());
        Questionnaire removed = new Remove(List.of("bird"), true).apply(piped());
        assertEquals("How many of […]?", removed.question("count").orElseThrow().wording());
        assertEquals("{count, plural, one {Is # […] all?} other {Are # all?}}", removed.question("more").orElseThrow().wording());
    }

    @Test
    void aTextThatSpeaksOfNothingOrOfSomethingLaterIsAFault() {
        Questionnaire document = piped();
        assertEquals(List.of(), Faults.of(Wiring.of(document)));
        Questionnaire ahead = document.withItem("bird", i -> ((Question) i).withTexts("Which of {count}, {brid} and {more?", ""));
        assertEquals(List.of("type-fits bird.wording"), said(ahead));
        ahead = document.withItem("bird", i -> ((Question) i).withTexts("Which of {count} and {brid}?", "Not {bird}"));
        assertEquals(List.of("looks-ahead bird.wording", "reference-exists bird.wording", "looks-ahead bird.help"), said(ahead));
        assertEquals("there is nothing called brid; did you mean bird?",
                new ClaimWords(PlainForm.of(Wiring.of(ahead))).said(Faults.of(Wiring.of(ahead)).get(1).because()));
    }

    private static List<String> said(Questionnaire document) {
        return Faults.of(Wiring.of(document)).stream().map(f -> f.kind().claim() + " " + f.place()).toList();
    }

    @Test
    void whatIsReadAgainAfterAnEditIsWhatReadingAnewGives() {
        int compared = 0;
        for (int run = 0; run < 20; run++) {
            Questionnaire document = run % 2 == 0 ? EveryType.document() : RandomDocument.of(3000 + run);
            RandomEdits edits = new RandomEdits(900 + run);
            for (int step = 0; step < 25; step++) {
                try {
                    document = edits.next(document).apply(document);
                } catch (Refused e) {
                    continue;
                }
                // Of a questionnaire with another code nothing was read before.
                Questionnaire alone = document.withCode("alone_" + run + "_" + step);
                assertEquals(List.copyOf(Wiring.of(alone).wires()), List.copyOf(Wiring.of(document).wires()));
                compared++;
            }
        }
        assertTrue(compared > 200, compared + " compared");
    }

    @Test
    void aFixKnowsWhatItIsAbout() throws Refused {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(
                Page.empty("p", "P").withItems(List.of(Question.of("seen", "Seen?", new YesNoAnswer("", ""))))));
        assertTrue(new Settle("seen.keepWhenHidden", "true").apply(document).question("seen").orElseThrow().keepWhenHidden());
        assertEquals(Set.of("seen"), new Settle("seen.keepWhenHidden", "true").about());
        assertEquals(Set.of("seen"), new Settle("seen.askWhen", "true").about());
        assertEquals(Set.of("sent"), new Settle("sent.closing", "Thank you.").about());
        assertEquals(Set.of(Edit.ENDING), new Settle("outcomeTable/0", "true").about());
    }
}
