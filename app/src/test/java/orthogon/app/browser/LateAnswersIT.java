package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Random;
import orthogon.app.store.DraftStore;
import orthogon.core.questionnaire.Question;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * The sheet is what a fresh load of it is, however late answers come and whatever was typed meanwhile. {@code -Dorthogon.edits=300} makes
 * more edits.
 */
class LateAnswersIT {

    private static final int EDITS = Integer.getInteger("orthogon.edits", 80);

    private static RunningApplication application;

    @BeforeAll
    static void start() {
        application = RunningApplication.slow();
    }

    @AfterAll
    static void stop() {
        application.close();
    }

    private static void settled(Page page) {
        // Every answer is held back, and many wait for their turn.
        page.waitForFunction("() => !window.orthogon.busy()", null, new Page.WaitForFunctionOptions().setTimeout(240_000));
    }

    private static Page begun(String title) {
        Page page = Chromium.signedIn(application.address(), "jory");
        page.getByLabel("Title").fill(title);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin").setExact(true)).click();
        page.waitForURL("**/compose**");
        return page;
    }

    /** What is told of every row, and the wiring. */
    private static String sheet(Page page) {
        return (String) page.evaluate(
                """
                        () => [...document.querySelectorAll('#rows > tr')].map((row) => row.id + ' ' + row.className.replace(/ ?(on|marked)\\b/g, '') + ' '
                            + [...row.cells].slice(1, 5).map((cell) => cell.textContent.trim()).join(' | ')).join('\\n')
                            + document.querySelectorAll('#wiring .branch').length""");
    }

    @Test
    void theSheetIsWhatAFreshLoadShowsAfterRandomEditsByKeyboard() {
        Page page = begun("Late goose count");
        long seed = Long.getLong("orthogon.seed", 7);
        Random random = new Random(seed);
        List<String> lines = List.of("Are there geese? / yes/no", "How many? / number 0..90", "Which colour? / one: grey; white; not sure",
                "# Further on", "Say more / long text", "A group / section");
        for (int edit = 0; edit < EDITS; edit++) {
            switch (random.nextInt(10)) {
                case 0, 1, 2 -> {
                    page.keyboard().press("n");
                    page.keyboard().type(lines.get(random.nextInt(lines.size())));
                    page.keyboard().press("Enter");
                    page.keyboard().press("Escape");
                }
                case 3 -> page.keyboard().press("d");
                case 4 -> page.keyboard().press("Alt+ArrowUp");
                case 5 -> page.keyboard().press("Alt+ArrowDown");
                case 6 -> page.keyboard().press("Control+z");
                case 7 -> page.keyboard().press("Alt+ArrowRight");
                case 8 -> page.keyboard().press("j");
                default -> page.keyboard().press("k");
            }
            if (random.nextInt(4) == 0) {
                page.waitForTimeout(random.nextInt(150));
            }
        }
        settled(page);
        page.waitForCondition(() -> page.locator("#state").getAttribute("data-revision").equals(head(page, "late_goose_count")));
        settled(page);
        String shown = sheet(page);
        page.reload();
        assertEquals(sheet(page), shown, "seed " + seed);
    }

    @Test
    void aRefusedRowStaysInItsLineAndANewRuleIsSentWhenItIsWhole() {
        Page page = begun("Swan lines");
        page.locator("#line").fill("How many? / nonsense");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#message")).containsText("“nonsense” is not a kind of answer");
        assertThat(page.locator("#line")).hasValue("How many? / nonsense");
        for (String line : List.of("How many swans? / number 0..9", "# Later", "Any cygnets? / yes/no")) {
            page.locator("#line").fill(line);
            page.locator("#line").press("Enter");
            assertThat(page.locator("#line")).hasValue("");
        }
        page.locator("#row-page_1 .code a").click();
        assertThat(page.locator("#inspector code").first()).hasText("page_1");
        settled(page);
        String before = head(page, "swan_lines");
        page.locator("#kn").fill("many_swans = 0");
        page.locator("#kn").press("Tab");
        settled(page);
        assertEquals(before, head(page, "swan_lines"), "half a skip is not sent");
        page.locator("#ktn").selectOption("later");
        assertThat(page.locator("#k0")).hasValue("many_swans = 0");
        // A condition that cannot be read stays where it was typed, and keeps no other edit from being made.
        page.locator("#k0").fill("many_swans = ");
        page.locator("#k0").blur();
        assertThat(page.locator(".not-saved")).containsText("Not saved.");
        page.locator("#title").fill("The lake");
        page.locator("#title").blur();
        assertThat(page.locator("#row-page_1 .wording")).hasText("The lake");
        assertThat(page.locator("#k0")).hasValue("many_swans = ");
        page.locator("#k0").fill("many_swans = 1");
        page.locator("#k0").blur();
        assertThat(page.locator(".not-saved")).hasCount(0);
    }

    private static String head(Page page, String code) {
        return page.request().get(application.address() + "/q/" + code + "/block").text()
                .replaceAll("(?s).*id=\"block-revision\">(\\d+)<.*", "$1");
    }

    @Test
    void leavingThePageLosesNoEditThatWaitsOrIsBeingTyped() {
        Page page = begun("Leaving at once");
        page.locator("#line").fill("Which bird? / one: heron; owl");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#o0l")).hasValue("Heron");
        for (int turn = 1; turn <= 5; turn++) {
            page.locator("#help").fill("Help " + turn);
            page.locator("#wording").fill("Which bird is it " + turn + "?");
            page.locator("#o1l").fill("Owl " + turn);
            page.reload();
            String expected = "Help " + turn + ", Which bird is it " + turn + "?, Owl " + turn;
            for (int tries = 0; tries < 200 && !bird("leaving_at_once").equals(expected); tries++) {
                page.waitForTimeout(100);
            }
            assertEquals(expected, bird("leaving_at_once"));
            page.reload();
        }
    }

    @Test
    void editsThatWaitOutliveWhatTheAnswerDrawsAnew() {
        Page page = begun("Typing ahead");
        page.locator("#line").fill("Which bird? / one: heron; owl");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#o0l")).hasValue("Heron");
        page.evaluate("""
                () => {
                    for (const [id, text] of [['help', 'Look up'], ['wording', 'Which bird is it?'], ['o1l', 'Barn owl']]) {
                        document.getElementById(id).focus();
                        document.getElementById(id).select();
                        document.execCommand('insertText', false, text);
                    }
                    document.activeElement.blur();
                }""");
        settled(page);
        assertEquals("Look up, Which bird is it?, Barn owl", bird("typing_ahead"));
    }

    private static String bird(String code) {
        Question bird = application.part(DraftStore.class).head(code).orElseThrow().document().question("bird").orElseThrow();
        return bird.help() + ", " + bird.wording() + ", " + bird.answer().options().getLast().label();
    }

    @Test
    void threeHundredOptionsArePastedAndEdited() {
        Page page = begun("Many birds");
        page.locator("#line").fill("Which bird? / one: heron");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#o0l")).hasValue("Heron");
        page.locator("#onl").focus();
        page.evaluate(
                """
                        () => {
                            const data = new DataTransfer();
                            data.setData('text', Array.from({ length: 300 }, (none, i) => `Bird ${i + 2}`).join('\\n'));
                            document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
                        }""");
        assertThat(page.locator(".options .entry [name=optionLabel]")).hasCount(302);
        assertThat(page.locator("#row-bird .answer")).hasText("one of 301");
        page.locator("#o150l").fill("Grey goose");
        page.locator("#o150l").blur();
        assertThat(page.locator(".options .entry").nth(150).locator("[name=optionLabel]")).hasValue("Grey goose");
        page.reload();
        assertThat(page.locator("#o150l")).hasValue("Grey goose");
        page.locator("[data-remove]").nth(299).click();
        assertThat(page.locator("#row-bird .answer")).hasText("one of 300");
    }
}
