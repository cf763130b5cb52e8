package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import orthogon.app.store.TestDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** From an empty Desk to a response that the analyst reads: by mouse, kept in H2, and by keyboard, kept in PostgreSQL. */
class WholeStoryIT {

    private RunningApplication application;

    @AfterEach
    void stop() {
        application.close();
    }

    private static Locator row(Page page, String code) {
        return page.locator("tr[data-row='" + code + "']");
    }

    private static void add(Page page, String line, String code) {
        page.locator("#line").fill(line);
        Chromium.press(page, "Add the row");
        assertThat(row(page, code)).hasClass(Pattern.compile("\\bon\\b"));
    }

    private static void select(Page page, String code) {
        row(page, code).locator("a").click();
        assertThat(row(page, code)).hasClass(Pattern.compile("\\bon\\b"));
    }

    /** Fills a field of the inspector and leaves it, which makes the edit. */
    private static void set(Page page, String field, String value) {
        String before = page.locator("#state").getAttribute("data-revision");
        page.locator(field).fill(value);
        page.locator(field).blur();
        assertThat(page.locator("#state")).not().hasAttribute("data-revision", before);
    }

    @Test
    void byMouse() {
        application = RunningApplication.empty();
        Page page = Chromium.signedIn(application.address(), "ines");
        assertThat(page.getByText("There is no questionnaire yet.")).isVisible();
        page.getByLabel("Title").fill("Hedgehog check-in");
        Chromium.press(page, "Begin");
        assertTrue(page.url().endsWith("/q/hedgehog_check/compose"), page.url());

        add(page, "Is it alive? / yes/no *", "alive");
        add(page, "How heavy is it? / number 50..2000 g *", "heavy");
        add(page, "What did you see? / many: ticks; a wound; none of these!", "see");
        add(page, "# Winter", "winter");
        add(page, "Can you keep it until spring? / yes/no *", "can_keep_until");

        // Wire a condition that can never hold, and see what the proof says.
        select(page, "winter");
        set(page, "#openWhen", "heavy < 40");
        Locator claims = page.locator("#block-claims");
        assertThat(claims).containsText(Pattern.compile("[1-9]\\d* refuted"));
        assertThat(row(page, "winter").locator(".sign")).hasClass(Pattern.compile("refuted"));
        claims.click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Nobody ever reaches page “Winter”.");
        assertThat(page.locator(".core")).containsText("page winter is open when heavy is under 40");

        // The gate stays shut meanwhile.
        Chromium.open(page, application.address() + "/q/hedgehog_check/release");
        assertThat(page.locator("h1")).hasText("The gate is shut");

        // Fix it with a sentence.
        page.navigate(application.address() + "/q/hedgehog_check/compose?at=winter");
        set(page, "#openWhen", "");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Build Open when")).click();
        page.getByLabel("question of line 2").selectOption("heavy");
        page.getByLabel("comparison of line 2").selectOption("<=");
        page.getByLabel("value of line 2").fill("450");
        page.getByLabel("value of line 2").blur();
        assertThat(page.locator(".builder .says")).hasText("heavy is 450 or less");
        Chromium.press(page, "Use this condition");
        assertThat(page.locator("#openWhen")).hasValue("heavy <= 450");
        assertThat(row(page, "winter").locator(".condition")).hasText("open when heavy is 450 or less");
        assertThat(claims).containsText(Pattern.compile("\\b0 refuted"));
        assertThat(row(page, "winter").locator(".sign")).hasClass(Pattern.compile("proved"));

        // A dead one ends early.
        select(page, "Outcomes");
        set(page, "#onewl", "Not ours");
        select(page, "page_1");
        page.locator("#fn").fill("alive = false");
        page.locator("#fon").selectOption("not_ours");
        assertThat(row(page, "page_1").locator(".answer")).hasText("1 finish");

        rehearse(page);

        Chromium.open(page, application.address() + "/q/hedgehog_check/release");
        assertThat(page.locator("h1")).hasText("The gate is open");
        page.getByLabel("Notes").fill("For the autumn.");
        Chromium.press(page, "Release 1");
        String link = page.locator("a[href^='/to/']").getAttribute("href");
        String receipt = respond(link);

        page.navigate(application.address() + "/q/hedgehog_check/responses");
        page.getByText(receipt).click();
        assertThat(page.locator(".answered").first()).containsText("380 g");
        assertThat(page.locator(".answered").first()).containsText("Ticks, A wound");
        assertThat(page.locator("main")).containsText("asked 4 of 4 questions");
        String csv = page.request().get(application.address() + "/q/hedgehog_check/responses/file.csv").text();
        assertEquals(2, csv.lines().count());
        assertTrue(csv.contains("yes,380,ticks;wound,no"), csv);
    }

    private void rehearse(Page page) {
        page.navigate(application.address() + "/q/hedgehog_check/rehearse");
        page.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("How heavy is it?").fill("800");
        page.locator("#questions:not([aria-busy]) #go .main").click();
        assertThat(page.locator(".stage h1")).hasText("Not ours");
        Chromium.press(page, "Back");
        page.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("How heavy is it?").fill("300");
        Chromium.press(page, "Next");
        assertThat(page.locator(".stage h1")).hasText("Winter");
        page.locator("#reasons dt").first().waitFor();
        assertThat(page.locator(".reasons")).containsText("heavy is 450 or less; heavy is 300");
    }

    private String respond(String link) {
        Page page = Chromium.visitor();
        page.navigate(application.address() + link);
        Chromium.press(page, "Begin");
        page.getByLabel("How heavy is it?").fill("38");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).isFocused();
        assertThat(page.locator("#problems")).containsText("Write a number of at least 50 g.");
        assertThat(page.getByLabel("How heavy is it?")).hasValue("38");
        page.getByLabel("How heavy is it?").fill("380");
        page.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("Ticks").check();
        page.getByLabel("A wound").check();
        Chromium.press(page, "Next");
        page.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true)).check();
        Chromium.press(page, "Back");
        assertThat(page.getByLabel("How heavy is it?")).hasValue("380");
        Chromium.press(page, "Next");
        assertThat(page.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true))).isChecked();
        page.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("h1")).hasText("Your answers");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("main")).containsText("Thank you. Your answers have been sent.");
        return page.locator(".receipt b").textContent();
    }

    @Test
    void byKeyboard() {
        application = RunningApplication.on(TestDatabase.POSTGRESQL);
        Page page = Chromium.signedIn(application.address(), "jory");
        page.getByLabel("Title").focus();
        page.keyboard().type("Owl watch");
        page.keyboard().press("Enter");
        page.waitForURL("**/q/owl_watch/compose**");
        type(page, "How many owls did you hear? / number 0..9 owls *", "many_owls_hear");
        type(page, "Did one call back? / yes/no *", "one_call_back");
        page.keyboard().press("c");
        assertThat(page.locator("#askWhen")).isFocused();
        page.keyboard().type("man");
        assertThat(page.locator(".suggest li").first()).hasText("many_owls_hear");
        page.keyboard().press("Enter");
        page.keyboard().type(" > 0");
        page.keyboard().press("Escape");
        assertThat(row(page, "one_call_back").locator(".condition")).hasText("many_owls_hear is over 0");

        key(page, "d");
        assertThat(row(page, "one_call_back_2")).hasClass(Pattern.compile("\\bon\\b"));
        key(page, "Delete");
        assertThat(row(page, "one_call_back_2")).hasCount(0);
        key(page, "k");
        assertThat(row(page, "many_owls_hear")).hasClass(Pattern.compile("\\bon\\b"));
        key(page, "Alt+ArrowDown");
        assertThat(page.locator("#message")).isEmpty();
        assertThat(page.locator(".ledger tr.question").nth(1)).hasAttribute("data-row", "many_owls_hear");
        assertThat(row(page, "one_call_back").locator(".sign")).hasClass(Pattern.compile("refuted"));
        key(page, "Control+z");
        assertThat(page.locator(".ledger tr.question").nth(0)).hasAttribute("data-row", "many_owls_hear");
        key(page, "Control+Shift+z");
        assertThat(page.locator(".ledger tr.question").nth(1)).hasAttribute("data-row", "many_owls_hear");
        key(page, "Control+z");
        assertThat(page.locator("#block-claims")).containsText(Pattern.compile("\\b0 refuted"));
        key(page, "?");
        assertThat(page.locator("#keys")).isVisible();
        key(page, "Escape");
        key(page, "5");
        page.waitForURL("**/q/owl_watch/prove");
        key(page, "8");
        page.waitForURL("**/q/owl_watch/release");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release 1")).focus();
        key(page, "Enter");
        assertThat(page.locator("a[href^='/to/']")).hasCount(1);
    }

    /** A key at the pace of somebody who looks at the sheet before the next. */
    private static void key(Page page, String key) {
        page.waitForTimeout(250);
        page.keyboard().press(key);
    }

    private static void type(Page page, String line, String code) {
        page.keyboard().press("n");
        assertThat(page.locator("#line")).isFocused();
        page.keyboard().type(line);
        page.keyboard().press("Enter");
        assertThat(row(page, code)).hasClass(Pattern.compile("\\bon\\b"));
        page.keyboard().press("Escape");
    }

    @Test
    void twoAnalystsOnOneDraft() {
        application = RunningApplication.empty();
        Page ines = Chromium.signedIn(application.address(), "ines");
        ines.getByLabel("Title").fill("Swan count");
        Chromium.press(ines, "Begin");
        add(ines, "How many swans? / number 0..90", "many_swans");
        Page jory = Chromium.signedIn(application.address(), "jory");
        jory.navigate(application.address() + "/q/swan_count/compose?at=many_swans");
        // Both change the same row at the same revision: the second is told, and what they typed stays.
        jory.locator("#wording").focus();
        set(ines, "#wording", "How many swans did you see?");
        // The ledger shows hers at once; the field in which they are typing is left alone.
        assertThat(row(jory, "many_swans").locator(".wording")).hasText("How many swans did you see?");
        assertThat(jory.locator("#wording")).hasValue("How many swans?");
        jory.locator("#wording").fill("Swans?");
        jory.locator("#wording").blur();
        assertThat(jory.locator("#message")).containsText("Ines Tallow changed the wording of many_swans while you worked on it");
        assertThat(jory.locator("#wording")).hasValue("Swans?");
        // An edit of another row leaves hers alone, so it is made although the revision is old.
        ines.navigate(application.address() + "/q/swan_count/compose?at=page_1");
        jory.navigate(application.address() + "/q/swan_count/compose?at=many_swans");
        jory.locator("#help").focus();
        set(ines, "#title", "The lake");
        set(jory, "#help", "Count cygnets too.");
        assertThat(row(jory, "page_1").locator(".wording")).hasText("The lake");
        assertThat(row(jory, "many_swans").locator(".wording")).hasText("How many swans did you see?");
        // And the other page sees it without being asked to.
        assertThat(ines.locator("#state")).hasAttribute("data-revision", jory.locator("#state").getAttribute("data-revision"));
    }
}
