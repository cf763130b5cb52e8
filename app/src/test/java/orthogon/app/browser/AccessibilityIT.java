package orthogon.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import orthogon.app.outbox.Outbox;
import orthogon.app.background.Result;
import orthogon.app.background.Work;
import orthogon.app.background.Works;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.core.io.ClassPathResource;

/** An accessibility engine finds nothing on any page, light and dark. */
class AccessibilityIT {

    private final String address = RunningApplication.withDemo().address();

    private final List<String> findings = new ArrayList<>();

    @AfterEach
    void nothingWasFound() {
        assertEquals(List.of(), findings);
    }

    private void clean(Page page) {
        clean(page, "html");
    }

    private void clean(Page page, String part) {
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        AxeBuilder engine = new AxeBuilder(page).options(options).setLegacyMode(true).include(part);
        // On a dark sheet only the colours are others.
        List<Rule> found = (isDark(page)
                ? engine.withRules(List.of("color-contrast"))
                : engine.withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"))).analyze()
                .getViolations();
        found.forEach(r -> findings.add(page.url() + " " + r.getId() + ": " + r.getHelp() + " "
                + r.getNodes().stream().limit(3).map(n -> n.getHtml()).toList()));
    }

    private static boolean isDark(Page page) {
        return Boolean.TRUE.equals(page.evaluate("() => matchMedia('(prefers-color-scheme: dark)').matches"));
    }

    @ParameterizedTest
    @EnumSource(value = ColorScheme.class, names = {"LIGHT", "DARK"})
    void analystsSheets(ColorScheme scheme) {
        Page page = Chromium.signedIn(address, "osk", new Browser.NewContextOptions().setViewportSize(1280, 800).setColorScheme(scheme));
        for (String path : List.of("/", "/q/found_animal/compose?at=seen", "/q/bat_count/compose?at=Outcomes", "/q/found_animal/rules",
                "/q/bat_count/prove", "/q/bat_count/prove?claim=page-passable+waking",
                "/q/foster_home/prove?claim=answers-kept+kept_apart", "/q/found_animal/prove?tab=own",
                "/q/found_animal/map?level=all&at=seen", "/q/bat_count/map?as=table", "/q/bat_count/map", "/q/found_animal/rehearse",
                "/q/found_animal/languages?to=ar&unit=now.closing", "/q/found_animal/languages?to=x-stretch",
                "/q/bat_count/languages?show=left", "/q/found_animal/release", "/q/bat_count/release", "/q/found_animal/responses",
                "/nowhere")) {
            Chromium.open(page, address + path);
            clean(page);
            if (!page.evaluate("() => document.scrollingElement.scrollHeight - innerHeight").equals(0)) {
                findings.add(page.url() + ": the frame can be scrolled away");
            }
        }
        // The rows beside it are the same.
        for (String path : List.of("found_animal/compose?at=found", "found_animal/compose?at=triage",
                "found_animal/compose?at=Presentation",
                "found_animal/compose?at=animals", "found_animal/compose?at=photos", "foster_home/compose?at=skill",
                "foster_home/compose?at=wishes", "found_animal/rules?rule=urgent")) {
            page.navigate(address + "/q/" + path);
            clean(page, ".inspector");
        }
        page.navigate(address + "/q/found_animal/responses");
        page.locator("table a.code").first().click();
        clean(page);
        Chromium.open(page, address + "/q/found_animal/prove");
        page.locator(".lane").first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        clean(page);
        page.locator(".lane").first().dispatchEvent("click");
        page.locator("#chosen .measures").waitFor();
        page.locator(".lane").nth(9).dispatchEvent("click", Map.of("shiftKey", true, "bubbles", true));
        page.locator("#chosen tr.deciding").first().waitFor();
        page.locator("#lane-as").selectOption("table");
        page.locator(".lane-table").waitFor();
        clean(page);
        Chromium.open(page, address + "/q/foster_home/prove?tab=drills");
        page.locator(".drill-head").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        clean(page);
    }

    @Test
    void howFarLongWorkIs() {
        CountDownLatch held = new CountDownLatch(1);
        Work work = RunningApplication.withDemo().part(Works.class).begin("The PDF of Fen", "/", "ines", progress -> {
            progress.at("Setting the characters", 3, 7);
            held.await();
            return new Result.Address("/outbox");
        });
        Page page = Chromium.signedIn(address, "ines");
        page.navigate(address + Works.address(work));
        page.getByText("Setting the characters: 3 of 7").waitFor();
        clean(page);
        held.countDown();
        page.waitForURL("**/outbox");
    }

    @Test
    void dialogsAndWhatOpensOnCompose() {
        Page page = Chromium.signedIn(address, "ines");
        page.navigate(address + "/q/found_animal/compose");
        for (String key : List.of("?", "t", "o", "/")) {
            page.keyboard().press(key);
            clean(page);
            page.keyboard().press("Escape");
        }
        Chromium.press(page, "History");
        page.locator("dialog[open] table").first().waitFor();
        clean(page, "dialog[open]");
        page.keyboard().press("Escape");
        page.navigate(address + "/q/foster_home/compose?at=at_home");
        for (String code : List.of("at_home", "nights")) {
            page.locator("#row-" + code + " .number").click();
        }
        clean(page);
        page.navigate(address + "/q/foster_home/compose?at=kept_apart");
        Chromium.press(page, "Build Ask when");
        page.locator(".sentence").first().waitFor();
        clean(page);
        page.navigate(address + "/q/found_animal/compose?at=alive");
        page.keyboard().press("Delete");
        page.locator("dialog[open]").waitFor();
        clean(page, "dialog[open]");
    }

    @Test
    void respondentsPages() throws Exception {
        RunningApplication application = RunningApplication.withDemo();
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        page.navigate(address + "/login");
        clean(page);
        page.navigate(address + application.released(DocumentReader.read(new ClassPathResource("demo/found_animal.orthogon.json")
                .getContentAsByteArray())));
        clean(page);
        Chromium.press(page, "Begin");
        clean(page);
        Chromium.press(page, "Next");
        clean(page);
        Chromium.press(page, "Leave and come back later");
        clean(page);
        Chromium.press(page, "Send me a link");
        clean(page);
        page.getByLabel("Your email address").fill("wenna@example.org");
        Chromium.press(page, "Send me a link");
        clean(page);
        page.navigate(address + "/to/nothing");
        clean(page);
    }

    @ParameterizedTest
    @EnumSource(value = ColorScheme.class, names = {"LIGHT", "DARK"})
    void everyAnswerTypeReviewAndReceipt(ColorScheme scheme) {
        RunningApplication application = RunningApplication.withDemo();
        Questionnaire every = EveryType.document();
        Presentation.Theme theme = new Presentation.Theme("#2f6b4f", "", "", 100, Presentation.ProgressStyle.STEPS, false);
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844).setColorScheme(scheme)).newPage();
        page.navigate(address + application.released(every.withPresentation(new Presentation(Presentation.Welcome.NONE,
                Presentation.Buttons.USUAL, Map.of(), theme))));
        Chromium.press(page, "Begin");
        page.getByLabel("Tell us").fill("A heron");
        Chromium.press(page, "Next");
        clean(page);
        page.getByLabel("I have read the terms.").check();
        Chromium.press(page, "Next");
        page.getByLabel("It is", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByText("Which bird is it?").waitFor();
        clean(page);
        Chromium.press(page, "Next");
        clean(page);
        page.getByLabel("Heron").first().check();
        page.locator("#questions:not([aria-busy]) #go .main").click();
        clean(page);
        Chromium.press(page, "Change Alive?");
        page.getByLabel("It is not").check();
        page.locator("#questions:not([aria-busy]) #go .main").click();
        page.locator("#dropped").waitFor();
        clean(page);
        Chromium.press(page, "Change it");
        page.waitForURL("**/review");
        Chromium.press(page, "Send my answers");
        clean(page);
    }

    @Test
    void oneQuestionAndTheMailbox() {
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        page.navigate(address + RunningApplication.withDemo().released(EveryType.document()));
        Chromium.press(page, "Begin");
        clean(page);
        Page analyst = Chromium.signedIn(address, "mirja");
        RunningApplication.withDemo().part(Outbox.class)
                .send(new Outbox.Mail("wenna@example.org", "سؤال", "شكرا.\n\nhttp://localhost/to/x", "ar"));
        for (String path : List.of("/outbox", "/outbox?plain=true", "/outbox?state=waiting", "/trail", "/q/found_animal/release/1",
                "/q/found_animal/release/sharing",
                "/q/found_animal/release/embedded")) {
            analyst.navigate(address + path);
            clean(analyst);
        }
    }
}
