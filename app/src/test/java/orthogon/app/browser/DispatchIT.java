package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import orthogon.app.store.DraftStore;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Messages are built, proved, mended, released and sent, as an analyst and a respondent do it. */
class DispatchIT {

    private static final String CODE = "heron_watch";

    private final RunningApplication application = RunningApplication.withDemo();
    private final Page ines = Chromium.signedIn(application.address(), "ines");

    @AfterEach
    void close() {
        ines.context().close();
    }

    private void message(String title, String code, String subject) {
        Chromium.press(ines, "Add a message");
        ines.locator("#m-title").fill(title);
        ines.locator("#m-code").fill(code);
        ines.locator("#m-subject").fill(subject);
    }

    private Locator claim(String verdict) {
        return ines.locator(".dispatch-claims .sign." + verdict);
    }

    /** A text that reads otherwise for some, what comes with a message, and what stands on the closing page. */
    @Test
    void aPassageReadsOtherwiseForSomeInMessagesAndOnTheClosingPage() {
        Question nest = Question.of("nest", "Is there a nest?", new YesNoAnswer()).withRequireWhen("true");
        Questionnaire herons = Questionnaire.blank("heron_nests", "Heron nests").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("bank", "At the bank").withItems(List.of(nest,
                        Question.of("address", "Your email address", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")).withRequireWhen(
                                "true")))));
        application.part(DraftStore.class).create(herons.withEnding(List.of(new Outcome("sent", "Sent", "Thank you. {next_step}",
                "https://council.example/herons?from=us", Map.of("nest", "nest"), "Your boots\n{next_step}")), herons.outcomeTable()),
                "ines", "began");
        ines.navigate(application.address() + "/q/heron_nests/dispatch");
        Chromium.press(ines, "Add a passage");
        ines.locator("#p-code").fill("next_step");
        ines.locator("#w-when-0").fill("nest");
        ines.locator("#w-text-0").fill("Keep **away** from it, please.");
        ines.locator("#w-text-1").fill("Look again in May, when it is warm.");
        Chromium.press(ines, "Keep the passage");
        assertThat(ines.locator(".passage-wording")).hasCount(2);
        assertThat(ines.locator(".passage-wording .sign.proved")).hasCount(2);
        assertThat(ines.locator(".passage-wording").last()).containsText("otherwise always");
        assertThat(ines.locator(".dispatch-arriving")).containsText("It is put into outcome “Sent”");
        ines.getByLabel("Move wording 2 up").click();
        assertThat(ines.locator(".passage-wording .sign.refuted")).hasCount(1);
        ines.getByLabel("Move wording 2 up").click();
        assertThat(ines.locator(".passage-wording .sign.proved")).hasCount(2);

        message("To the watcher", "to_watcher", "{next");
        ines.locator("#m-subject").press("End");
        ines.locator("#m-subject").pressSequentially("_");
        ines.locator("#m-subject").press("Enter");
        assertThat(ines.locator("#m-subject")).hasValue("{next_step}");
        ines.locator("input[name=answers][value=address]").check();
        ines.locator("#m-reply").fill("desk@quillmere.example");
        ines.locator("#m-tells").selectOption("these");
        ines.locator("input[name=told][value=address]").check();
        ines.getByLabel("prove that it leaves nothing out").check();
        ines.getByLabel("attach the response as PDF").check();
        Chromium.press(ines, "Keep the message");
        assertThat(ines.locator(".dispatch-claims")).containsText("to_watcher tells whatever was asked");
        claim("refuted").click();
        assertThat(ines.locator("#chosen")).containsText("It leaves out nest");
        ines.getByText("Go to to_watcher").click();
        ines.locator("input[name=told][value=nest]").check();
        Chromium.press(ines, "Keep the message");
        assertThat(claim("proved")).hasCount(3);
        Chromium.press(ines, "Make a copy");
        assertThat(ines.locator("#m-code")).hasValue("to_watcher_2");
        ines.locator("#m-on").selectOption("reminder");
        assertThat(ines.locator("#m-when")).isHidden();
        ines.locator("#m-days").fill("400");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.getByRole(AriaRole.ALERT).first()).containsText("Give a number of days from 1 to 365");
        ines.locator("#m-days").fill("3");
        ines.locator("#m-subject").fill("We wait for your herons");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.locator(".dispatch-list")).containsText("to whoever was invited and has not sent, after 3 days");

        ines.navigate(application.address() + "/q/heron_nests/prove?tab=own");
        assertThat(ines.locator(".own")).containsText("everybody hears from us");
        Chromium.press(ines, "Add it");
        assertThat(ines.locator(".own .sign.proved")).hasCount(1);

        Chromium.open(ines, application.address() + "/q/heron_nests/release");
        ines.locator("#notes").fill("First.");
        Chromium.press(ines, "Release 1");
        assertThat(ines.locator("#releases + table")).containsText("First.");
        Page watcher = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        watcher.navigate(application.address() + "/to/heron-nests");
        Chromium.press(watcher, "Begin");
        watcher.getByLabel("No").check();
        watcher.getByLabel("Your email address").fill("orrin@example.org");
        watcher.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(watcher, "Send my answers");
        assertThat(watcher.locator("main")).containsText("Thank you. Look again in May, when it is warm.");
        assertThat(watcher.locator(".take-along li")).hasText(new String[]{"Your boots", "Look again in May, when it is warm."});
        assertThat(watcher.getByText("Continue to the next page")).hasAttribute("href",
                "https://council.example/herons?from=us&nest=false");
        watcher.context().close();

        // The frame that shows a page lets no script look into it.
        ines.navigate(application.address() + "/outbox?plain=true");
        assertThat(ines.locator(".mailbox-list a[aria-current]")).containsText("Look again in May, when it is warm.");
        assertThat(ines.locator(".mail-head")).containsText("desk@quillmere.example");
        Download paper = ines.waitForDownload(() -> ines.locator(".mail-file").click());
        assertTrue(paper.suggestedFilename().endsWith(".pdf"), paper.suggestedFilename());
        assertEquals(List.of(), new AxeBuilder(ines).analyze().getViolations().stream().map(v -> v.getId() + " " + v.getNodes()).toList());
    }

    @Test
    void twoMessagesFromNothingToTheMailbox() {
        Questionnaire herons = Questionnaire.blank(CODE, "Heron watch").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("bank", "At the bank").withItems(List.of(
                        Question.of("nest", "Is there a nest?", new YesNoAnswer()).withRequireWhen("true"),
                        Question.of("address", "Your email address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))));
        application.part(DraftStore.class).create(herons, "ines", "began");
        ines.navigate(application.address() + "/q/" + CODE + "/compose");
        ines.keyboard().press("3");
        assertThat(ines.locator("main")).containsText("No message yet.");

        message("To the office", "to_office", "Herons: {nest}");
        ines.locator("#m-addresses").fill("no address");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.getByRole(AriaRole.ALERT).first()).containsText("“no” is not an email address");
        assertThat(ines.locator("#m-subject")).hasValue("Herons: {nest}");
        ines.locator("#m-addresses").fill("office@quillmere.example");
        Chromium.press(ines, "Keep the message");
        assertThat(claim("proved")).hasCount(2);
        assertThat(ines.locator(".letter")).containsText("office@quillmere.example");

        // Who leaves the address out is sent the second one to nobody, until its condition says so.
        message("To the watcher", "to_watcher", "Thank you");
        ines.locator("input[name=answers][value=address]").check();
        ines.locator("#m-body").fill("Thank you for watching.");
        ines.locator("#m-tells").selectOption("nothing");
        Chromium.press(ines, "Keep the message");
        assertThat(claim("refuted")).hasCount(1);
        assertThat(ines.locator(".dispatch-claims")).containsText("to_watcher has an address whenever it is sent");
        claim("refuted").click();
        assertThat(ines.locator("#chosen")).containsText("who gives no address");
        ines.getByText("Go to to_watcher").click();
        assertThat(ines.locator("#m-code")).hasValue("to_watcher");
        ines.getByLabel("Build send when").click();
        ines.locator("#m-when-subject0, #m-when-subject1").last().selectOption("address");
        ines.locator("#m-when-comparison0, #m-when-comparison1").last().selectOption(
                new com.microsoft.playwright.options.SelectOption().setLabel("is answered"));
        Chromium.press(ines, "Use this condition");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.locator("#m-when")).hasValue("answered(address)");
        assertThat(claim("proved")).hasCount(2);
        assertEquals(List.of(), new AxeBuilder(ines).analyze().getViolations().stream().map(v -> v.getId() + " " + v.getNodes()).toList());

        Chromium.open(ines, application.address() + "/q/" + CODE + "/rehearse");
        Chromium.press(ines, "Fill the rest");
        assertThat(ines.locator("#messages")).containsText("to office@quillmere.example, in English");

        Chromium.open(ines, application.address() + "/q/" + CODE + "/release");
        ines.locator("#notes").fill("First.");
        Chromium.press(ines, "Release 1");
        assertThat(ines.locator("#releases + table")).containsText("First.");
        Page watcher = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        watcher.navigate(application.address() + "/to/heron-watch");
        Chromium.press(watcher, "Begin");
        watcher.getByLabel("Yes").check();
        watcher.getByLabel("Your email address").fill("wenna@example.org");
        watcher.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(watcher, "Send my answers");
        String receipt = watcher.locator(".receipt b").textContent();
        watcher.context().close();

        ines.navigate(application.address() + "/outbox");
        assertThat(ines.locator(".mailbox-list a", new Page.LocatorOptions().setHasText("wenna@example.org"))).containsText("Thank you");
        ines.locator(".mailbox-list a", new Page.LocatorOptions().setHasText("Herons: Yes")).click();
        assertThat(ines.frameLocator("iframe").locator("body")).containsText("Is there a nest?");
        assertThat(ines.frameLocator("iframe").locator("body")).containsText("wenna@example.org");

        Chromium.open(ines, application.address() + "/q/" + CODE + "/responses/" + receipt);
        assertThat(ines.locator("#messages + ol li")).hasCount(2);
        ines.getByLabel("Send To the watcher to wenna@example.org again").click();
        assertThat(ines.locator("#messages + ol li")).hasCount(3);
        Chromium.open(ines, application.address() + "/q/" + CODE + "/responses");
        ines.locator("[data-every]").check();
        Chromium.press(ines, "Send it again");
        assertThat(ines.getByRole(AriaRole.STATUS).first()).containsText("The message is on its way again.");
        Chromium.open(ines, application.address() + "/q/" + CODE + "/compose?at=address");
        assertThat(ines.locator("#row-Messages")).containsText("2 messages");
        assertThat(ines.locator("#inspector")).containsText("In messages and passages");
        assertThat(ines.locator("#wiring g[data-from=address][data-to=Messages]")).hasCount(1);
    }
}
