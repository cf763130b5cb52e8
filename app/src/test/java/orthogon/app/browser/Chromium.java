package orthogon.app.browser;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** One headless Chromium for the whole run, a new context for each visitor, closed when its test ends. */
public final class Chromium implements AfterEachCallback {

    /** Two tests at a time, each with an application that proves beside it, share few cores. */
    private static final double LONGEST_WAIT = 60_000;
    private static final double LONGEST_PROOF = 480_000;

    private static Browser browser;

    /** Made by JUnit, which finds it among the registered extensions. */
    public Chromium() {}

    @Override
    public void afterEach(ExtensionContext test) {
        if (browser != null) {
            browser.contexts().forEach(BrowserContext::close);
        }
    }

    private static synchronized Browser browser() {
        if (browser == null) {
            // The application proves and counts beside what the test does, on the same few cores.
            PlaywrightAssertions.setDefaultAssertionTimeout(LONGEST_WAIT);
            Playwright playwright = Playwright
                    .create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            browser = playwright.chromium().launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                            "--disable-component-update", "--disable-sync")));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        }
        return browser;
    }

    static BrowserContext context(Browser.NewContextOptions options) {
        return browser().newContext(options);
    }

    /** A visitor with a window of 1280x800. */
    static Page visitor() {
        return context(new Browser.NewContextOptions().setViewportSize(1280, 800)).newPage();
    }

    static Page signedIn(String address, String name, Browser.NewContextOptions options) {
        Page page = context(options).newPage();
        page.setDefaultTimeout(LONGEST_WAIT);
        page.navigate(address + "/login");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill("quillmere");
        page.getByRole(com.microsoft.playwright.options.AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
        page.waitForURL(address + "/");
        return page;
    }

    /** Goes to a sheet, and waits while its proof is under way. */
    static void open(Page page, String address) {
        page.navigate(address);
        page.waitForFunction("() => !document.getElementById('going')", null, new Page.WaitForFunctionOptions().setTimeout(LONGEST_PROOF));
    }

    static Page signedIn(String address, String name) {
        return signedIn(address, name, new Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    /** Presses the button of this name. */
    static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    /** What the accessibility engine finds wrong with the page. */
    static List<String> violations(Page page) {
        return new AxeBuilder(page).analyze().getViolations().stream().map(v -> v.getId() + " " + v.getNodes()).toList();
    }
}
