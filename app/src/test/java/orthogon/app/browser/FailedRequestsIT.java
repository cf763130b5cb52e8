package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A request of a page's script fails: the page says so, and what was typed is still there. */
class FailedRequestsIT {

    private static RunningApplication application;

    @BeforeAll
    static void start() {
        application = RunningApplication.fresh();
    }

    @AfterAll
    static void stop() {
        application.close();
    }

    private static Page compose() {
        Page page = Chromium.signedIn(application.address(), "ines", new Browser.NewContextOptions().setViewportSize(1280, 800));
        page.navigate(application.address() + "/q/bat_count/compose");
        return page;
    }

    @Test
    void aServerThatIsGoneIsToldAndTheRowIsStillThere() {
        Page page = compose();
        page.route(Pattern.compile(".*/compose/add"), Route::abort);
        page.locator("#line").fill("How cold is it? number -20..30");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#failed")).containsText("The server does not answer");
        assertThat(page.locator("#line")).hasValue("How cold is it? number -20..30");
        page.unroute(Pattern.compile(".*/compose/add"));
        page.locator("#line").press("Enter");
        assertThat(page.locator("#sheet")).containsText("How cold is it?");
        assertThat(page.locator("#failed")).isEmpty();
        assertThat(page.locator("#line")).hasValue("");
    }

    @Test
    void aFieldThatIsNotSavedSaysSo() {
        Page page = compose();
        page.route(Pattern.compile(".*/compose/change"), Route::abort);
        Locator wording = page.locator("#inspector [name=wording]");
        page.locator("tr[data-row='weather'] a").click();
        assertThat(wording).hasValue("What was the weather like?");
        wording.fill("Another wording");
        wording.press("Tab");
        assertThat(page.locator(".not-saved").first()).containsText("The server does not answer");
        assertThat(wording).hasValue("Another wording");
    }

    @Test
    void aPageOfTheServersOwnNeverStandsInsideASheet() {
        Page page = compose();
        page.route(Pattern.compile(".*/compose/add"), route -> route.fulfill(new Route.FulfillOptions().setStatus(507)
                .setContentType("text/html")
                .setBody("<!DOCTYPE html><html><body><h1 class=\"told\">Nothing can be saved at the moment.</h1></body></html>")));
        page.locator("#line").fill("How cold is it? number -20..30");
        page.locator("#line").press("Enter");
        assertThat(page.locator("#failed")).hasText("Nothing can be saved at the moment.");
        assertThat(page.locator("#line")).hasValue("How cold is it? number -20..30");
        assertThat(page.locator("h1.told")).hasCount(0);
    }

    @Test
    void aRespondentIsToldInTheirLanguage() {
        for (List<String> told : List.of(List.of("en", "went wrong on our side"), List.of("ar", "حدث خطأ من جهتنا"))) {
            Page page = Chromium.visitor();
            page.navigate(application.address() + "/to/found-animal?lang=" + told.getFirst());
            page.route(Pattern.compile(".*/live"), Route::abort);
            page.locator("form[method=post] button").first().click();
            page.waitForURL("**/i/**");
            page.locator("#i-where_found").fill("By the weir");
            page.locator("#i-where_found").press("Tab");
            assertThat(page.locator("#failed")).containsText(told.getLast());
            assertThat(page.locator("#i-where_found")).hasValue("By the weir");
            page.unroute(Pattern.compile(".*/live"));
            page.locator("#i-map_reference").fill("AB 12 34");
            page.locator("#i-map_reference").press("Tab");
            assertThat(page.locator("#failed")).hasCount(0);
        }
    }

    @Test
    void whatIsAnsweredBeforeTheScriptArrivesIsKeptAsWell() {
        Page page = Chromium.visitor();
        List<Route> held = new ArrayList<>();
        page.navigate(application.address() + "/to/found-animal?lang=en");
        page.route("**/respond*.js", held::add);
        page.locator("form[method=post] button").first().click();
        page.locator("#i-where_found").fill("By the weir");
        page.locator("#i-where_found").press("Tab");
        page.waitForCondition(() -> !held.isEmpty());
        Request live = page.waitForRequest(Pattern.compile(".*/live"), () -> held.getFirst().resume());
        assertTrue(live.postData().contains("By+the+weir"), live.postData());
    }
}
