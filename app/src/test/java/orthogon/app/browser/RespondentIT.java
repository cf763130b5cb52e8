package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** The respondent's pages of the intake, as they are without script, and against requests that no page would send. */
class RespondentIT {

    private final String address = RunningApplication.withDemo().address();

    private String link() {
        Page analyst = Chromium.signedIn(address, "osk");
        analyst.navigate(address + "/q/found_animal/release");
        return address + analyst.locator("a[href^='/to/']").first().getAttribute("href");
    }

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    private static void check(Page page, String question, String option) {
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(question)).getByLabel(option).check();
    }

    @Test
    void theWholeIntakeWithoutScriptOnAPhone() {
        Page page = Chromium.context(new Browser.NewContextOptions().setJavaScriptEnabled(false).setViewportSize(390, 1800)).newPage();
        page.navigate(link());
        press(page, "Begin");
        page.getByLabel("When did you find it?").fill(LocalDate.now().minusDays(40).toString());
        page.getByLabel("Where did you find it?").fill("Mill lane <b>& weir</b>");
        check(page, "Is it inside a building now?", "Yes");
        press(page, "Next");
        // A question appears on leaving the page, and nothing is called wrong for it.
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("one more question");
        check(page, "What is it kept in?", "A cage");
        press(page, "Next");
        assertThat(page.locator("#problems")).containsText("Give a date on or after");
        page.getByLabel("When did you find it?").fill(LocalDate.now().toString());
        press(page, "Next");
        assertThat(page.getByText("Which kind of animal is in the building?")).isVisible();
        check(page, "Which kind of animal is in the building?", "Bird");
        check(page, "Is it alive?", "Yes");
        press(page, "Next");
        page.getByLabel("Which one").selectOption("owl");
        assertThat(page.getByLabel("Which one").locator("option[value='fox']")).hasCount(0);
        page.getByLabel("How many animals").fill("1");
        check(page, "How old does it look?", "Fully grown");
        press(page, "Next");
        check(page, "What did you see?", "Blood");
        check(page, "What did you see?", "None of these");
        check(page, "Was it caught by a cat?", "Yes");
        check(page, "Does it try to get away", "No");
        press(page, "Next");
        check(page, "Has the bleeding stopped?", "No");
        press(page, "Next");
        assertThat(page.locator("#problems")).containsText("“None of these” cannot stand together");
        page.getByLabel("None of these").uncheck();
        press(page, "Next");
        page.getByLabel("Given name").fill("Wenna");
        page.getByLabel("Family name").fill("Tregle");
        press(page, "Next");
        assertThat(page.locator("#problems")).containsText("Your phone number");
        page.getByLabel("Your phone number").fill("01632 960 118");
        press(page, "Next");
        // Its usual form comes back, and how to be reached is asked now.
        assertThat(page.getByLabel("Your phone number")).hasValue("+441632960118");
        check(page, "How shall we reach you?", "By phone");
        press(page, "Next");
        press(page, "Next");
        check(page, "Can you bring it to the station yourself?", "Yes");
        press(page, "Next");
        assertThat(page.getByLabel("Tomorrow")).hasCount(0);
        check(page, "When can you be here?", "Within an hour");
        press(page, "Next");
        press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Please tick the box");
        page.getByLabel("The station may keep my answers").check();
        press(page, "Review and send");
        assertThat(page.locator("main")).containsText("Mill lane <b>& weir</b>");
        press(page, "Change Where and when");
        // Nothing else is asked because of it, so the review comes next.
        press(page, "Next");
        press(page, "Send my answers");
        assertThat(page.locator("h1")).hasText("Bring it in now");
        String receipt = page.locator(".receipt b").textContent();
        page.goBack();
        page.reload();
        assertEquals(receipt, page.locator(".receipt b").textContent(), "sending twice makes one response");
        assertThat(page.locator("body")).not().hasCSS("overflow-x", "scroll");
    }

    private static APIResponse post(APIRequestContext request, String url, String... pairs) {
        FormData form = FormData.create();
        for (int i = 0; i < pairs.length; i += 2) {
            form.append(pairs[i], pairs[i + 1]);
        }
        return request.post(url, RequestOptions.create().setForm(form).setMaxRedirects(0));
    }

    @Test
    void whatNoPageWouldSendIsRefusedWithAWordAndNothingIsLost() {
        Page page = Chromium.visitor();
        page.navigate(link());
        press(page, "Begin");
        String interview = page.url();
        APIRequestContext request = page.request();

        APIResponse forgedPage = post(request, interview, "~page", "bring", "can_bring", "yes", "~go", "next");
        assertEquals(409, forgedPage.status());
        assertTrue(forgedPage.text().contains("not the page you are on"), forgedPage.text());

        assertEquals(409, post(request, interview + "/live", "~page", "bring").status(), "what came late is told nothing");

        APIResponse forgedOption = post(request, interview, "~page", "found", "when_found", LocalDate.now().toString(), "where_found",
                "Here we are",
                "indoors", "perhaps", "~go", "next");
        assertEquals(422, forgedOption.status());
        assertTrue(forgedOption.text().contains("Here we are"), "what was typed is kept");

        APIResponse unsent = post(request, interview + "/send");
        assertEquals(302, unsent.status());
        page.navigate(interview);
        assertThat(page.getByLabel("Where did you find it?")).hasValue("Here we are");

        assertEquals(404, request.get(address + "/i/0123456789abcdef0123456789abcdef").status());
        APIResponse nothing = request.get(address + "/to/nothing-here");
        assertEquals(404, nothing.status());
        assertTrue(nothing.text().contains("check the link"), nothing.text());
        for (APIResponse response : new APIResponse[]{forgedPage, forgedOption, nothing, request.get(address + "/i/..%2f..")}) {
            assertTrue(!response.text().contains("Exception") && !response.text().contains("\tat "), response.text());
        }
    }
}
