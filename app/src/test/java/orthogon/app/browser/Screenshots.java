package orthogon.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;

/** Takes one picture of each main view from the demo data: {@code Screenshots ADDRESS FOLDER [--short]}. In short, the
 * Desk alone. */
public final class Screenshots {

    private final String address;
    private final Path folder;

    private Screenshots(String address, Path folder) {
        this.address = address;
        this.folder = folder;
    }

    public static void main(String[] args) {
        Screenshots screenshots = new Screenshots(args[0], Path.of(args[1]));
        if (args.length > 2) {
            screenshots.shot(Chromium.signedIn(args[0], "ines"), "/", "desk");
        } else {
            screenshots.all();
        }
        System.exit(0);
    }

    private void all() {
        Page page = Chromium.signedIn(address, "ines");
        // Settle the proofs first, so that no picture shows them under way.
        Chromium.open(page, address + "/q/found_animal/prove");
        Chromium.open(page, address + "/q/bat_count/prove");
        shot(page, "/", "desk");
        shot(page, "/q/found_animal/compose?at=group", "compose");
        Chromium.open(page, address + "/q/bat_count/prove?claim=page-passable+waking");
        page.locator("#chosen h1").waitFor();
        page.locator("#lower p, #lower table").first().waitFor();
        save(page, "prove-witness");
        lanes(page);
        shot(page, "/q/bat_count/map?level=all&at=pups", "map");
        shot(page, "/q/found_animal/dispatch?at=to_finder", "dispatch");
        shot(page, "/q/bat_count/dispatch?at=recount", "dispatch-follow-up");
        cases();
        rehearse(page);
        shot(page, "/q/found_animal/languages?to=ar&unit=group.wording", "languages");
        responses(page);
        designing(page);
        Page dark = Chromium.signedIn(address, "ines", new Browser.NewContextOptions().setViewportSize(1280, 800)
                .setColorScheme(ColorScheme.DARK));
        shot(dark, "/q/transport_handover/compose?at=driver", "compose-dark");
        respondent(page);
        lookup(page);
        entries(page);
        released(page);
    }

    /** Last, since it edits the intake. */
    private void released(Page page) {
        page.navigate(address + "/q/found_animal/compose?at=weight");
        String before = page.locator("#state").getAttribute("data-revision");
        page.locator("#askWhen").fill("size != \"small\"");
        page.locator("#askWhen").blur();
        page.waitForFunction("before => document.getElementById('state').dataset.revision !== before", before);
        Chromium.open(page, address + "/q/found_animal/release");
        page.getByText("drills of the last release").waitFor(new com.microsoft.playwright.Locator.WaitForOptions().setTimeout(60_000));
        page.waitForTimeout(4000);
        save(page, "release");
    }

    private void lanes(Page page) {
        Chromium.open(page, address + "/q/found_animal/prove");
        page.locator(".lane").nth(20).dispatchEvent("click");
        page.locator("#chosen .measures").waitFor();
        page.locator(".lane").nth(48).dispatchEvent("click", java.util.Map.of("shiftKey", true, "bubbles", true));
        page.locator("#chosen tr.deciding").first().waitFor();
        save(page, "prove-lanes");
    }

    /** A case that waits for a decision, as whoever decides it finds it. */
    private void cases() {
        Page reviewer = Chromium.signedIn(address, "mirja");
        reviewer.locator(".waiting a").first().click();
        reviewer.locator(".case-follow").first().waitFor();
        save(reviewer, "case");
        reviewer.context().close();
    }

    private void rehearse(Page page) {
        page.navigate(address + "/q/found_animal/rehearse");
        page.locator("#q-when_found input[type=date]").fill(java.time.LocalDate.now().toString());
        page.locator("#q-where_found input[type=text]").fill("Mill lane, by the weir");
        page.locator("#q-indoors input[value=no]").check();
        page.locator("#q-stay_away").waitFor();
        Chromium.press(page, "Next");
        page.locator("#q-group input[value=mammal]").check();
        page.locator("#q-alive input[value=yes]").check();
        page.locator("#q-count").waitFor();
        page.waitForTimeout(700);
        save(page, "rehearse");
    }

    private void responses(Page page) {
        shot(page, "/q/found_animal/responses?filter=group%20%3D%20%22bird%22%20and%20state%20!%3D%20%22done%22", "responses");
        page.locator("tbody a.code").first().click();
        page.locator(".left-out summary").nth(1).click();
        save(page, "response");
        shot(page, "/q/found_animal/responses/figures?by=outcome&one=now&two=closed", "figures");
    }

    private void designing(Page page) {
        shot(page, "/q/found_animal/rules?rule=urgent", "rules");
    }

    private void respondent(Page analyst) {
        Chromium.open(analyst, address + "/q/found_animal/release");
        String link = analyst.locator("a[href^='/to/']").first().getAttribute("href");
        Page phone = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        phone.navigate(address + link + "?lang=ar");
        Chromium.press(phone, "ابدأ");
        save(phone, "respond-arabic");
        phone.context().close();
    }

    /** A driver who is found by the first letters, on a phone. */
    private void lookup(Page analyst) {
        Chromium.open(analyst, address + "/q/transport_handover/release");
        String link = analyst.locator("a[href^='/to/']").first().getAttribute("href");
        Page phone = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        phone.navigate(address + link);
        Chromium.press(phone, "Begin");
        phone.getByRole(AriaRole.COMBOBOX).pressSequentially("ma");
        phone.locator("[role=option]").first().waitFor();
        save(phone, "respond-lookup");
        phone.context().close();
    }

    /** A household of three on a phone, one of them answered. */
    private void entries(Page analyst) {
        Chromium.open(analyst, address + "/q/foster_home/release");
        analyst.locator("button", new Page.LocatorOptions().setHasText("Release 1")).first().click();
        String link = analyst.locator("a[href^='/to/']").first().getAttribute("href");
        Page phone = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        phone.navigate(address + link);
        Chromium.press(phone, "Begin");
        phone.getByLabel("Given name").fill("Marlow");
        phone.getByLabel("Family name").fill("Teasel");
        phone.getByLabel("Your mail address").fill("marlow@example.org");
        phone.locator("[name=born]").fill("1980-05-04");
        phone.locator("[name=fostered][value=no]").check();
        phone.locator("#questions:not([aria-busy]) #go .main").click();
        phone.locator("[name=home_kind][value=house]").check();
        phone.locator("[name=rented][value=no]").check();
        phone.locator("[name=home_garden][value=no]").check();
        phone.locator("#questions:not([aria-busy]) #go .main").click();
        phone.getByLabel("How many people").fill("3");
        phone.getByLabel("How many people").blur();
        phone.locator(".in-short a").nth(1).waitFor();
        phone.locator(".in-short a").first().click();
        phone.getByLabel("First name").first().fill("Linnet");
        phone.getByLabel("How old?").first().fill("44");
        phone.locator("[name='household.1.allergy'][value=no]").check();
        Chromium.press(phone, "Done");
        phone.getByText("Linnet").first().waitFor();
        save(phone, "respond-entries");
        phone.context().close();
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
