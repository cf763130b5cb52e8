package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import orthogon.app.store.DraftStore;
import orthogon.app.store.ResponseStore;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A register is filled, and another questionnaire chooses among its records, as an analyst and respondents go through it. */
@ExtendWith(Chromium.class)
class LookupsIT {

    private static final String SECRET = "Only at night, by the back gate";
    private static final Questionnaire WARDENS = Questionnaire.blank("wardens", "Wardens").withPages(List.of(
            orthogon.core.questionnaire.Page.empty("page", "About you").withItems(List.of(
                    Question.of("name", "Your name", PartsAnswer.name()).withRequireWhen("true"),
                    Question.of("beat", "Your beat",
                            new OneChoice(List.of(Option.of("quay", "The quay"), Option.of("marsh", "The marsh")), false))
                            .withRequireWhen("true"),
                    Question.of("nights", "Nights a week", new NumberAnswer(BigDecimal.ONE, new BigDecimal(7), 0, "nights"))
                            .withRequireWhen("true"),
                    Question.of("secret", "How do you get in?", new TextAnswer(false, null, 80))))));
    private static final Questionnaire WATCH = Questionnaire.blank("night_watch", "Night watch").withPages(List.of(
            orthogon.core.questionnaire.Page.empty("page", "The watch").withItems(List.of(
                    Question.of("beat", "Which beat?",
                            new OneChoice(List.of(Option.of("quay", "The quay"), Option.of("marsh", "The marsh")),
                                    false))
                            .withRequireWhen("true"),
                    Question.of("warden", "Who watches?", LookupAnswer.in("wardens")).withRequireWhen("true"),
                    Question.of("often", "May we ask for {warden.name} again?", new TextAnswer(false, null, 80))
                            .withAskWhen("warden.nights >= 5")))));

    private final RunningApplication application = RunningApplication.empty();
    private final Page ines = Chromium.signedIn(application.address(), "ines");

    @AfterEach
    void close() {
        ines.context().close();
        application.close();
    }

    private void release(String code, String title) {
        Chromium.open(ines, application.address() + "/q/" + code + "/release");
        assertThat(ines.locator("h1")).hasText("The gate is open");
        ines.locator("#notes").fill(title);
        ines.locator("button", new Page.LocatorOptions().setHasText("Release ")).first().click();
        assertThat(ines.locator("#releases + table")).containsText(title);
    }

    private void answersWardens(Page page, String given, String family, String beat, String nights) {
        page.getByLabel("Given name").fill(given);
        page.getByLabel("Family name").fill(family);
        page.getByLabel(beat, new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("Nights a week").fill(nights);
        page.getByLabel("How do you get in?").fill(SECRET);
        Chromium.press(page, "Review and send");
        Chromium.press(page, "Send my answers");
    }

    private void warden(String given, String family, String beat, String nights) {
        Page page = Chromium.visitor();
        page.navigate(application.address() + "/to/wardens");
        Chromium.press(page, "Begin");
        answersWardens(page, given, family, beat, nights);
        assertThat(page.locator("main")).containsText("Your answers have been sent");
        page.context().close();
    }

    private Locator field(Page page) {
        return page.getByRole(AriaRole.COMBOBOX);
    }

    private void settled(Page page) {
        page.locator("#questions:not([aria-busy])").waitFor();
    }

    private Page begun() {
        Page page = Chromium.visitor();
        page.navigate(application.address() + "/to/night-watch");
        Chromium.press(page, "Begin");
        return page;
    }

    /** The analyst ticks what is shown, sets the condition, and answers for what may be read. */
    private void setUp() {
        DraftStore drafts = application.part(DraftStore.class);
        drafts.create(WARDENS, "jory", "began");
        drafts.create(WATCH, "jory", "began");
        release("wardens", "First.");
        warden("Wenna", "Tregle", "The quay", "5");
        warden("Pelham", "Salt", "The marsh", "2");
        warden("Wystan", "Brook", "The quay", "1");

        Chromium.open(ines, application.address() + "/q/night_watch/compose?at=warden");
        assertThat(ines.locator("#lookupSource")).hasValue("wardens");
        for (String shown : List.of("name", "beat", "nights")) {
            ines.locator("#shows-" + shown).check();
            assertThat(ines.locator(".says", new Page.LocatorOptions().setHasText("Respondents see these answers")))
                    .containsText("release 1");
            assertThat(ines.locator("#shows-" + shown)).isChecked();
        }
        assertThat(ines.locator("#inspector")).containsText("nights of record is answered");
        ines.locator("#offerWhen").fill("record.beat = beat");
        ines.locator("#offerWhen").press("Tab");
        assertThat(ines.locator("#inspector .says", new Page.LocatorOptions().setHasText("beat of record is beat"))).isVisible();
        ines.locator("#s-mayAdd").check();
        String before = ines.locator("#state").getAttribute("data-revision");
        ines.locator("#s-order").selectOption("name");
        assertThat(ines.locator("#state")).not().hasAttribute("data-revision", before);
        assertEquals(List.of(), Chromium.violations(ines));

        Chromium.open(ines, application.address() + "/q/night_watch/release");
        assertThat(ines.locator("main")).containsText("name, beat, nights");
        Chromium.open(ines, application.address() + "/q/night_watch/prove");
        assertThat(ines.locator("#chosen")).containsText("read these answers of each: name, beat, nights");
        ines.getByText("Waive…").click();
        ines.locator("[name=reason]").fill("The wardens agreed to it.");
        Chromium.press(ines, "Waive this claim");
        assertThat(ines.locator("#chosen .waived")).containsText("The wardens agreed to it.");
        release("night_watch", "The first watch.");
    }

    @Test
    void aRecordIsFoundAddedAndChosen() {
        setUp();
        Page page = begun();
        List<Response> fetched = new ArrayList<>();
        page.onResponse(r -> {
            if (r.url().endsWith("/records") || r.url().endsWith("/live")) {
                fetched.add(r);
            }
        });
        page.getByLabel("The quay", new Page.GetByLabelOptions().setExact(true)).check();
        settled(page);
        // By keyboard alone: two letters, down to the second, taken.
        field(page).pressSequentially("w");
        field(page).pressSequentially("y");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(1);
        field(page).fill("");
        field(page).pressSequentially("qu");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(2);
        assertThat(field(page)).hasAttribute("aria-expanded", "true");
        assertEquals(List.of(), Chromium.violations(page));
        field(page).press("ArrowDown");
        assertThat(page.getByRole(AriaRole.OPTION).first()).hasAttribute("aria-selected", "true");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Wystan Brook");
        field(page).press("ArrowDown");
        field(page).press("Enter");
        assertThat(page.locator(".records label:has(:checked)")).containsText("Wenna Tregle");
        assertThat(page.locator("#q-often")).containsText("May we ask for Wenna Tregle again?");
        settled(page);
        assertEquals(List.of(), Chromium.violations(page));
        // Nothing but what is ticked has left the server; nor has the receipt of a record.
        ResponseStore responses = application.part(ResponseStore.class);
        long wardens = application.part(DraftStore.class).head("wardens").orElseThrow().id();
        List<String> kept = new ArrayList<>(responses.receipts(responses.numbers(wardens)));
        kept.add(SECRET);
        assertTrue(fetched.stream().anyMatch(r -> r.text().contains("Wenna")));
        Stream.concat(fetched.stream().map(Response::text), Stream.of(page.content()))
                .forEach(told -> kept.forEach(secret -> assertFalse(told.contains(secret), told)));

        // On another beat the record is not on offer any more; a new one is added and chosen.
        page.getByLabel("The marsh", new Page.GetByLabelOptions().setExact(true)).check();
        settled(page);
        Chromium.press(page, "Review and send");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("This record is no longer on offer. Choose another one.");
        field(page).fill("Sorrel Fenwright");
        assertThat(page.locator(".lookup [role=status]")).containsText("Nothing is found");
        Chromium.press(page, "Add a new one");
        assertThat(page.locator(".notice")).containsText("You are adding a new entry for “Night watch”");
        assertThat(page.getByLabel("Given name")).hasValue("Sorrel");
        assertThat(page.getByLabel("Family name")).hasValue("Fenwright");
        answersWardens(page, "Sorrel", "Fenwright", "The marsh", "6");
        assertThat(page.locator(".records label:has(:checked)")).containsText("Sorrel Fenwright");
        assertThat(page.getByLabel("The marsh", new Page.GetByLabelOptions().setExact(true))).isChecked();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("main")).containsText("Sorrel Fenwright, The marsh, 6 nights");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("main")).containsText("Your answers have been sent");

        long watch = application.part(DraftStore.class).head("night_watch").orElseThrow().id();
        Map<?, ?> chosen = (Map<?, ?>) responses.all(responses.numbers(watch)).getFirst().answers().get("warden");
        assertTrue(responses.find(wardens, (String) chosen.get("record")).isPresent());
        page.context().close();

        // The response of the register shows in the table what was chosen.
        Chromium.open(ines, application.address() + "/q/night_watch/responses");
        assertThat(ines.locator(".responses-table")).containsText("Sorrel Fenwright, The marsh, 6 nights");
    }

    @Test
    void withoutScriptARecordIsFoundByAButtonAndAddingCanBeSwitchedOff() {
        setUp();
        Page page = Chromium.context(new Browser.NewContextOptions().setJavaScriptEnabled(false)).newPage();
        page.navigate(application.address() + "/to/night-watch");
        Chromium.press(page, "Begin");
        page.getByLabel("The quay", new Page.GetByLabelOptions().setExact(true)).check();
        page.locator("input[type=search]").fill("w");
        Chromium.press(page, "Find");
        assertThat(page.locator(".lookup [role=status]")).hasText("Type at least two letters.");
        page.locator("input[type=search]").fill("tre");
        Chromium.press(page, "Find");
        assertThat(page.getByLabel("The quay", new Page.GetByLabelOptions().setExact(true))).isChecked();
        assertThat(page.locator(".records label:not(.none)")).hasCount(1);
        page.getByLabel("Wenna Tregle").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#q-often")).containsText("May we ask for Wenna Tregle again?");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add a new one"))).hasCount(1);

        Chromium.open(ines, application.address() + "/q/night_watch/compose?at=warden");
        String before = ines.locator("#state").getAttribute("data-revision");
        ines.locator("#s-mayAdd").uncheck();
        assertThat(ines.locator("#state")).not().hasAttribute("data-revision", before);
        release("night_watch", "Without adding.");
        Page later = begun();
        assertThat(later.locator(".lookup")).isVisible();
        assertThat(later.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add a new one"))).hasCount(0);
        later.context().close();
        page.context().close();
    }

    private static FilePayload table(String name, String rows) {
        return new FilePayload(name, "text/csv", ("Box;Kind;Height in m\n" + rows).getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void rowsOfATableAreChosenAndANewerTableReplacesThem() {
        ines.navigate(application.address() + "/");
        ines.locator("#file")
                .setInputFiles(table("nest boxes.csv", "Quay 1;round;2.5\nQuay 2;slit;3\nMarsh 1;round;4\nMarsh 2;slit;3.5\n"));
        Chromium.press(ines, "Open the file");
        ines.waitForURL("**/q/nest_boxes/responses");
        assertThat(ines.locator(".responses-table tbody tr")).hasCount(4);
        assertThat(ines.locator(".responses-table")).containsText("Marsh 2");

        application.part(DraftStore.class).create(Questionnaire.blank("box_round", "Box round").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("page", "The round").withItems(List.of(
                        Question.of("box", "Which box?", LookupAnswer.in("nest_boxes")).withRequireWhen("true"),
                        Question.of("ladder", "Have you a ladder?", new TextAnswer(false, null, 80)).withAskWhen("box.height_m >= 3"))))),
                "jory", "began");
        Chromium.open(ines, application.address() + "/q/box_round/compose?at=box");
        for (String shown : List.of("box", "kind", "height_m")) {
            ines.locator("#shows-" + shown).check();
            assertThat(ines.locator(".says", new Page.LocatorOptions().setHasText("Respondents see these answers"))).isVisible();
            assertThat(ines.locator("#shows-" + shown)).isChecked();
        }
        assertThat(ines.locator("#inspector")).containsText("height_m of record is answered");
        Chromium.open(ines, application.address() + "/q/box_round/prove");
        ines.getByText("Waive…").click();
        ines.locator("[name=reason]").fill("The boxes hang where everybody sees them.");
        Chromium.press(ines, "Waive this claim");
        assertThat(ines.locator("#chosen .waived")).isVisible();
        release("box_round", "The first round.");

        Page page = Chromium.visitor();
        page.navigate(application.address() + "/to/box-round");
        Chromium.press(page, "Begin");
        field(page).pressSequentially("slit");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(2);
        page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("Quay 2")).click();
        assertThat(page.getByLabel("Have you a ladder?")).isVisible();
        settled(page);
        Chromium.press(page, "Review and send");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("main")).containsText("Your answers have been sent");

        Chromium.open(ines, application.address() + "/q/nest_boxes/responses/rows");
        ines.locator("#file").setInputFiles(
                new FilePayload("notes.csv", "text/csv", "Note\nThe wrong table\n".getBytes(StandardCharsets.UTF_8)));
        Chromium.press(ines, "Replace the rows");
        assertThat(ines.getByRole(AriaRole.ALERT)).containsText("The table has no column “Box”");
        ines.locator("#file")
                .setInputFiles(table("nest boxes 2.csv", "Quay 1;round;2.5\nMarsh 1;round;4\nMarsh 2;slit;3.5\nMill 1;slit;3\n"));
        Chromium.press(ines, "Replace the rows");
        assertThat(ines.locator("table").first().locator("tbody tr")).hasText(new Pattern[]{
                Pattern.compile("^\\s*2\\s*nest boxes 2.csv\\s*4\\s*1\\s*1\\s.*"),
                Pattern.compile("^\\s*1\\s*nest boxes.csv\\s*4\\s*4\\s*0\\s.*")});
        assertThat(ines.locator("table").nth(1)).containsText("Quay 2");
        assertThat(ines.locator("table").nth(1)).containsText("1 response");
        assertEquals(List.of(), Chromium.violations(ines));

        page.navigate(application.address() + "/to/box-round");
        Chromium.press(page, "Begin");
        field(page).pressSequentially("slit");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(2);
        assertThat(page.getByRole(AriaRole.LISTBOX)).containsText("Mill 1");
        // Nobody answers a list.
        page.navigate(application.address() + "/to/nest-boxes");
        assertThat(page.locator("main")).containsText("This is a list to choose from. Nobody answers it.");
        page.context().close();
    }
}
