package orthogon.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;

/** Takes one picture of each main view from the demo data: {@code Screenshots ADDRESS FOLDER}. */
public final class Screenshots {

    private final String address;
    private final Path folder;

    private Screenshots(String address, Path folder) {
        this.address = address;
        this.folder = folder;
    }

    public static void main(String[] args) {
        new Screenshots(args[0], Path.of(args[1])).all();
        System.exit(0);
    }

    private void all() {
        Page page = Chromium.signedIn(address, "ines");
        // Settle the proofs first, so that no picture shows them under way.
        page.navigate(address + "/q/found_animal/prove");
        page.navigate(address + "/q/bat_count/prove");
        shot(page, "/", "desk");
        shot(page, "/q/found_animal/compose?at=group", "compose");
        shot(page, "/q/bat_count/compose?at=ending", "compose-outcomes");
        shot(page, "/q/bat_count/prove", "prove");
        page.navigate(address + "/q/bat_count/prove?claim=page-passable+waking");
        save(page, "prove-witness");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Rehearse this")).click();
        save(page, "rehearse");
        shot(page, "/q/found_animal/release", "release");
        shot(page, "/q/found_animal/responses", "responses");
        page.locator("table a.code").first().click();
        save(page, "response");
        Page dark = Chromium.signedIn(address, "ines", new Browser.NewContextOptions().setViewportSize(1280, 800)
                .setColorScheme(ColorScheme.DARK));
        shot(dark, "/q/found_animal/compose?at=seen", "compose-dark");
        respondent(page);
    }

    private void respondent(Page analyst) {
        analyst.navigate(address + "/q/found_animal/release");
        String link = analyst.locator("a[href^='/to/']").first().getAttribute("href");
        Page phone = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        phone.navigate(address + link);
        press(phone, "Begin");
        phone.getByLabel("Where did you find it?").fill("Mill lane, by the weir");
        press(phone, "Go on");
        save(phone, "respond-phone-errors");
        phone.getByLabel("When did you find it?").fill(java.time.LocalDate.now().toString());
        phone.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
        press(phone, "Go on");
        press(phone, "Go on");
        phone.getByLabel("Bird").check();
        phone.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true)).check();
        press(phone, "Go on");
        save(phone, "respond-phone");
    }

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name)).click();
    }

    private void shot(Page page, String path, String name) {
        page.navigate(address + path);
        save(page, name);
    }

    private void save(Page page, String name) {
        page.waitForTimeout(400);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
