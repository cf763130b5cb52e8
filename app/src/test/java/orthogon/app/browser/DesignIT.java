package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Designing a whole questionnaire on Compose and Rules. */
class DesignIT {

    private static RunningApplication application;

    @BeforeAll
    static void start() {
        application = RunningApplication.empty();
    }

    @AfterAll
    static void stop() {
        application.close();
    }

    private static Page begun(String title, String code) {
        Page page = Chromium.signedIn(application.address(), "ines");
        page.getByLabel("Title").fill(title);
        press(page, "Begin");
        page.waitForURL("**/q/" + code + "/compose**");
        return page;
    }

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).first().click();
    }

    private static Locator row(Page page, String code) {
        return page.locator("tr[data-row='" + code + "']");
    }

    private static String revision(Page page) {
        return page.locator("#state").getAttribute("data-revision");
    }

    private static void changed(Page page, String before) {
        assertThat(page.locator("#state")).not().hasAttribute("data-revision", before);
    }

    private static void key(Page page, String key) {
        String before = revision(page);
        page.keyboard().press(key);
        changed(page, before);
    }

    private static void add(Page page, String line, String code) {
        page.locator("#line").fill(line);
        page.locator("#line").press("Enter");
        assertThat(row(page, code)).hasClass(Pattern.compile("\\bon\\b"));
        page.keyboard().press("Escape");
    }

    private static void select(Page page, String code) {
        row(page, code).locator(".wording").click();
        assertThat(row(page, code)).hasClass(Pattern.compile("\\bon\\b"));
        assertThat(page.locator("#inspector code").first()).hasText(code);
    }

    private static String file(Page page, String code) {
        return page.request().get(application.address() + "/q/" + code + "/file").text();
    }

    private static List<String> order(Page page) {
        return page.locator("#rows > tr").all().stream().map(tr -> tr.getAttribute("data-row")).toList();
    }

    /** Ten pages of six questions: the first of each is a yes/no that the others of its page will hang on. */
    private static String outline() {
        StringBuilder outline = new StringBuilder();
        for (int p = 1; p <= 10; p++) {
            outline.append("# Round ").append(p).append("\n\nGate ").append(p).append(" / yes/no *\n")
                    .append("Hens ").append(p).append(" / number 0..40 hens\n")
                    .append("Colours ").append(p).append(" seen, all that apply\n  - brown\n  - white\n  - none of these!\n")
                    .append("Mood ").append(p).append("\n    calm\n    wild\n")
                    .append("Day ").append(p).append(" / date ..today\nRemark ").append(p).append(" / long text\n\n");
        }
        return outline.append("    an option of nothing / nonsense kind\n").toString();
    }

    /** The next row is on its way while somebody looks for another: what they type arrives all the same. */
    @Test
    void keysTypedWhileTheSheetChangesAreNotLost() {
        Page page = begun("Goose count", "goose_count");
        add(page, "Grey geese / number 0..40", "grey_geese");
        add(page, "White geese / number 0..40", "white_geese");
        List<Route> held = new ArrayList<>();
        page.route("**/compose/inspector?at=grey_geese", held::add);
        page.keyboard().press("k");
        page.waitForCondition(() -> !held.isEmpty());
        page.keyboard().press("/");
        page.keyboard().type("white");
        assertThat(page.locator("#find")).isHidden();
        held.getFirst().resume();
        assertThat(page.locator("#find-text")).hasValue("white");
        assertThat(page.locator("#found a code").first()).hasText("white_geese");
        page.keyboard().press("Enter");
        assertThat(page.locator("#inspector code").first()).hasText("white_geese");
    }

    /** The sentence of the last choice is still on its way while somebody already uses the condition. */
    @Test
    void aConditionIsUsedAsItWasChosenLast() {
        Page page = begun("Crane camp", "crane_camp");
        add(page, "Is there a fence? / yes/no", "fence");
        add(page, "How high? / number 0..9 m", "high");
        select(page, "high");
        press(page, "Build Ask when");
        page.getByLabel("question of line 2").selectOption("fence");
        page.getByLabel("comparison of line 2").selectOption("yes");
        assertThat(page.locator("#builder .says")).containsText("yes");
        List<Route> held = new ArrayList<>();
        page.route("**/compose/sentence", route -> {
            if (held.isEmpty()) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        page.getByLabel("comparison of line 2").selectOption("no");
        page.waitForCondition(() -> !held.isEmpty());
        String before = revision(page);
        press(page, "Use this condition");
        changed(page, before);
        assertThat(row(page, "high").locator(".condition")).hasText("fence is no");
        assertThat(page.locator("#builder")).isEmpty();
    }

    @Test
    void sixtyQuestionsFromAnOutlineThenByKeyboardAloneAndBackToTheFirstRevision() {
        Page page = begun("Hen round", "hen_round");
        String first = file(page, "hen_round");
        page.locator("h1").evaluate("() => document.activeElement.blur()");
        page.keyboard().press("o");
        page.locator("#outline-text").fill(outline());
        press(page, "Preview");
        assertThat(page.locator("#understood h3")).hasText("10 pages, 60 rows, 0 of a kind that was assumed, 0 lines not understood");
        assertThat(page.locator("#understood tr", new Page.LocatorOptions().setHasText("Colours 1")).first()).containsText("many of 3");
        press(page, "Add rows");
        assertThat(page.locator("#rows tr.question")).hasCount(60);
        assertThat(page.locator("#rows tr.page")).hasCount(10);

        // Twenty conditions, each found, opened and typed with keys alone.
        for (int p = 1; p <= 10; p++) {
            for (String target : List.of("hens_" + p, "mood_" + p)) {
                page.keyboard().press("/");
                page.keyboard().type(target);
                assertThat(page.locator("#found a code").first()).hasText(target);
                page.keyboard().press("Enter");
                assertThat(page.locator("#inspector code").first()).hasText(target);
                page.keyboard().press("c");
                assertThat(page.locator("#askWhen")).isFocused();
                page.keyboard().type("gate_" + p + " = true");
                page.keyboard().press("Escape");
                if (page.locator("#askWhen").evaluate("e => e === document.activeElement").equals(true)) {
                    page.keyboard().press("Escape");
                }
                assertThat(row(page, target).locator(".condition")).hasText("gate_" + p + " is yes");
            }
        }

        // Ten of them changed on the Rules sheet, each for both that it governs.
        page.keyboard().press("2");
        page.waitForURL("**/rules");
        for (int p = 1; p <= 10; p++) {
            page.locator(".rule-rows .when a", new Page.LocatorOptions().setHasText(Pattern.compile("^gate_" + p + " is yes$"))).click();
            assertThat(page.locator("#text")).hasValue("gate_" + p + " = true");
            assertThat(page.getByText("The condition, for all 2 that it governs")).isVisible();
            page.locator("#text").fill("gate_" + p + " = false");
            press(page, "Change it");
            assertThat(page.locator(".rule-rows .when a", new Page.LocatorOptions().setHasText(Pattern.compile("^gate_" + p + " is no$"))))
                    .hasCount(1);
        }
        String designed = file(page, "hen_round");
        assertEquals(20, designed.split("= false").length - 1);

        // It survives a reload, and undo leads back to the first revision, identical.
        page.keyboard().press("1");
        page.waitForURL("**/compose**");
        page.reload();
        assertThat(row(page, "mood_10").locator(".condition")).hasText("gate_10 is no");
        assertEquals(designed, file(page, "hen_round"));
        for (int undone = 0; undone < 31; undone++) {
            key(page, "Control+z");
        }
        assertThat(page.locator("#state")).hasAttribute("data-undo", "false");
        assertEquals(first, file(page, "hen_round"));
        key(page, "Control+Shift+z");
        assertThat(page.locator("#rows tr.page")).hasCount(10);
    }

    @Test
    void rowsAreDraggedMarkedShiftedFoldedAndGovernedTogether() {
        Page page = begun("Swan lake", "swan_lake");
        add(page, "Is there water? / yes/no *", "water");
        add(page, "The lake / section", "lake");
        add(page, "How deep? / number 0..9 m", "deep");
        add(page, "How wide? / number 0..900 m", "wide");
        assertThat(row(page, "wide").locator(".wording")).hasAttribute("style", Pattern.compile("22px"));
        key(page, "Alt+ArrowLeft");
        assertEquals(List.of("Presentation", "page_1", "water", "lake", "deep", "wide", "Outcomes"), order(page));
        assertThat(row(page, "wide").locator(".wording")).not().hasAttribute("style", Pattern.compile("padding"));
        key(page, "Alt+ArrowRight");
        assertThat(row(page, "wide").locator(".wording")).hasAttribute("style", Pattern.compile("22px"));
        add(page, "# Birds", "birds");
        add(page, "How many swans? / number 0..90", "many_swans");
        add(page, "Signets / roster 0..4 Cygnet", "signets");
        add(page, "Grey / yes/no", "grey");

        // Dragged to another page; a move that looks ahead says so.
        String before = revision(page);
        row(page, "water").locator(".number").dragTo(row(page, "many_swans").locator(".number"));
        changed(page, before);
        assertTrue(order(page).indexOf("water") > order(page).indexOf("birds"), order(page).toString());
        key(page, "Control+z");

        // Several rows, one condition, said as a sentence.
        page.locator("h1").evaluate("() => document.activeElement.blur()");
        row(page, "deep").locator(".number").click();
        row(page, "many_swans").locator(".number").click();
        assertThat(page.locator("#inspector h2")).hasText("2 rows marked");
        press(page, "Build the condition");
        page.getByLabel("question of line 2").selectOption("water");
        page.getByLabel("comparison of line 2").selectOption("yes");
        press(page, "Use this condition");
        before = revision(page);
        press(page, "Set for all");
        changed(page, before);
        assertThat(row(page, "deep").locator(".condition")).hasText("water is yes");
        assertThat(row(page, "many_swans").locator(".condition")).hasText("water is yes");

        // The wires of the deciding row stand out, and lead to what they decide.
        select(page, "water");
        assertThat(page.locator("#wiring .branch.on")).hasCount(2);
        page.locator("#wiring .branch[data-from='water'][data-to='many_swans'] .hit").dispatchEvent("click");
        assertThat(row(page, "many_swans")).hasClass(Pattern.compile("\\bon\\b"));
        assertThat(page.locator("#wiring .branch.in")).hasCount(1);

        // Folded, the bundled wire ends at the page.
        page.keyboard().press("f");
        assertThat(row(page, "many_swans")).hasCount(0);
        assertThat(page.locator("#wiring .branch[data-from='water'][data-to='birds']")).hasCount(1);
        page.keyboard().press("f");
        assertThat(row(page, "many_swans")).hasCount(1);

        // What depends on a row is shown before it goes.
        select(page, "water");
        press(page, "Remove…");
        assertThat(page.locator("#dependents li")).hasCount(2);
        before = revision(page);
        press(page, "Remove all");
        changed(page, before);
        assertThat(row(page, "water")).hasCount(0);
        assertThat(row(page, "deep").locator(".condition")).hasText("");

        // Any earlier revision comes back from the history.
        press(page, "History");
        before = revision(page);
        page.getByRole(AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName("Restore revision " + (Integer.parseInt(before) - 1)).setExact(true))
                .click();
        changed(page, before);
        assertThat(row(page, "water")).hasCount(1);
        assertThat(page.locator("#notice")).containsText("is restored");
    }

    @Test
    void everyTypeIsSetInTheInspectorAndAChangeOfTypeSaysWhatItLoses() {
        Page page = begun("All kinds", "all_kinds");
        List<String> lines = List.of("Name 1 / name", "Home 2 / address *", "Mail 3 / email", "Call 4 / phone", "Site 5 / web address",
                "Hour 6 / time 08:00..18:00", "Stars 7 / rating 5", "Likely 8 / likelihood", "Terms 9 / agree: I have read them.",
                "Signs 10 / grid: wing; leg | fine; hurt", "Order 11 / rank 2: a thing; another; third", "Photos 12 / files 3",
                "Land 13 / country", "Speech 14 / language", "Sign 15 / signature", "Station 16 / hidden: north; south",
                "Bird 17 / one: owl = 2; gull; other…", "Driver 18 / lookup drivers", "Ring 19 / text digits ≤ 9",
                "Deep 20 / slider 0..10");
        List<String> codes = new ArrayList<>();
        for (String line : lines) {
            String code = line.substring(0, line.indexOf(" /")).toLowerCase(java.util.Locale.ROOT).replace(' ', '_');
            codes.add(code);
            add(page, line, code);
        }
        page.reload();
        assertThat(page.locator("#rows tr.question")).hasCount(20);
        select(page, "bird_17");
        String before = revision(page);
        page.locator("#type").selectOption("number");
        changed(page, before);
        assertThat(page.locator("#notice")).containsText("Not kept by the change of type: 3 options.");
        key(page, "Control+z");
        assertThat(row(page, "bird_17").locator(".answer")).hasText("one of 3");

        // The code of an option is renamed in every condition that names it.
        select(page, "deep_20");
        before = revision(page);
        page.locator("#askWhen").fill("bird_17 = \"owl\"");
        page.locator("#askWhen").blur();
        changed(page, before);
        select(page, "bird_17");
        before = revision(page);
        page.locator("#o0c").fill("barn_owl");
        page.locator("#o0c").blur();
        changed(page, before);
        assertThat(row(page, "deep_20").locator(".condition")).hasText("bird_17 is barn_owl");

        // A fault is marked while it is typed, with the nearest right name; a comparison that a blank turns says so.
        select(page, "deep_20");
        page.locator("#askWhen").fill("brd_17 = \"gull\"");
        Locator field = page.locator(".condition-field", new Page.LocatorOptions().setHas(page.locator("#askWhen")));
        assertThat(field.locator(".fault")).containsText("did you mean bird_17?");
        before = revision(page);
        field.getByText("write bird_17").click();
        changed(page, before);
        assertThat(page.locator("#askWhen")).hasValue("bird_17 = \"gull\"");
        page.locator("#askWhen").fill("bird_17 != \"gull\"");
        assertThat(field.locator(".hint-blank")).containsText("also holds while bird_17 is blank");
        page.locator("#askWhen").blur();
        assertThat(row(page, "deep_20").locator(".condition")).hasText("bird_17 is not gull");

        // What respondents meet around the questions.
        select(page, "Presentation");
        for (String[] text : new String[][]{{"#welcomeHeading", "Good to see you"}, {"#buttonNext", "Further"},
                {"#m-required", "This one is needed."}}) {
            before = revision(page);
            page.locator(text[0]).fill(text[1]);
            page.locator(text[0]).blur();
            changed(page, before);
        }
        page.navigate(application.address() + "/q/all_kinds/rehearse");
        press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("This one is needed.");
    }

    @Test
    void rulesAreAddedToManyStruckAndTheOutcomeTableKept() {
        Page page = Chromium.signedIn(application.address(), "jory");
        page.locator(".starter", new Page.LocatorOptions().setHasText("After a release")).getByRole(AriaRole.BUTTON).click();
        // The sheet adds the chosen row to its address as soon as it is there.
        page.waitForURL("**/q/release_watch/compose**");
        page.keyboard().press("2");
        page.waitForURL("**/rules");
        page.locator("#text").fill("answered(seen_on)");
        page.locator("summary", new Page.LocatorOptions().setHasText("How it is")).click();
        page.locator("input[name=target][value=alive]").check();
        page.locator("input[name=target][value=how]").check();
        press(page, "Add the rule");
        Locator rule = page.locator(".rule-rows tr", new Page.LocatorOptions().setHasText("seen_on is answered"));
        assertThat(rule.locator(".governs li")).hasCount(2);
        assertThat(rule).containsText("Open when");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove Ask when of alive")).click();
        assertThat(rule.locator(".governs li")).hasCount(1);
        assertThat(page.locator(".decision tbody tr")).hasCount(3);
        assertThat(page.locator(".decision thead")).containsText("fit");
        press(page, "Row 2 up");
        assertThat(page.locator(".decision tbody tr").first()).containsText("2 or less");
        String before = revision(page);
        page.locator("#row-outcome-0").selectOption("well");
        changed(page, before);
        assertThat(page.locator("#row-outcome-0")).hasValue("well");
        page.getByLabel("Question").selectOption("kind");
        assertThat(page.locator(".filters")).containsText(Pattern.compile("3 of \\d+ conditions"));
        page.getByLabel("Question").selectOption("");
        assertThat(page.locator(".filters")).not().containsText("3 of");
        before = revision(page);
        press(page, "Undo");
        changed(page, before);
        press(page, "Undo");
        assertThat(page.locator("#row-outcome-0")).hasValue("lost");
    }

    @Test
    void startersAreSearchedPagesDraggedAndALogoTravelsWithTheDocument() {
        Page page = Chromium.signedIn(application.address(), "ines");
        page.getByLabel("Search in them").fill("volunteer");
        press(page, "Search");
        assertThat(page.locator(".starter")).hasCount(1);
        page.getByLabel("Search in them").fill("zeppelin");
        press(page, "Search");
        assertThat(page.getByText("No starter matches.")).isVisible();

        page = begun("Gull rock", "gull_rock");
        add(page, "How many gulls? / number 0..90 *", "many_gulls");
        add(page, "# Nests", "nests");
        add(page, "How many nests? / number 0..90", "many_nests");
        String before = revision(page);
        row(page, "nests").locator(".number").dragTo(row(page, "page_1").locator(".number"));
        changed(page, before);
        assertEquals(List.of("Presentation", "nests", "many_nests", "page_1", "many_gulls", "Outcomes"), order(page));

        select(page, "Presentation");
        before = revision(page);
        page.locator(".field:has(input[name=logo]) input[type=file]").setInputFiles(new com.microsoft.playwright.options.FilePayload(
                "logo.png", "image/png", java.util.Base64.getDecoder().decode(
                        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==")));
        changed(page, before);
        assertTrue(file(page, "gull_rock").contains("data:image/png;base64,iVBORw0KGgo"), "the file holds the picture");
        page.reload();
        assertThat(page.locator(".field:has(input[name=logo]) img")).isVisible();
    }
}
