package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import orthogon.app.store.DraftStore;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A case from its setting-up to its last decision, as an analyst, a finder and the staff go through it. */
class CasesIT {

    private static final Questionnaire RIDE = questionnaire("gull_ride", "Gull ride",
            number("birds", "How many gulls travel?", 5).withRequireWhen("true")
                    .withAccept(List.of(new Question.Accept("birds != 5", "Five gulls quarrel; take four."))),
            Question.of("there", "Have they arrived?", new YesNoAnswer()).withRequireWhen("true"))
            .withLanguages(List.of("en", "fr")).withTranslations(Map.of("fr", Map.of(
                    "title", text("Trajet des mouettes", "Gull ride"), "page.title", text("Le trajet", "The page"),
                    "birds.wording", text("Combien de mouettes voyagent ?", "How many gulls travel?"),
                    "birds/accept/0.message", text("Cinq mouettes se disputent.", "Five gulls quarrel; take four."),
                    "there.wording", text("Sont-elles arrivées ?", "Have they arrived?"),
                    "sent.label", text("Envoyé", "Sent"),
                    "sent.closing", text("Merci.", "Thank you. Your answers have been sent."))));
    private static final Questionnaire LOOK = questionnaire("gull_look", "Gull look",
            Question.of("well", "Do they look well?", new YesNoAnswer()).withRequireWhen("true"));
    private static final Questionnaire INTAKE = questionnaire("gull_intake", "Gull intake",
            number("gulls", "How many gulls?", 9).withRequireWhen("true"),
            Question.of("address", "Your email address", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")))
            .withLanguages(List.of("en", "fr"));

    private final RunningApplication application = RunningApplication.withDemo();
    private final Page ines = Chromium.signedIn(application.address(), "ines");

    private static Questionnaire questionnaire(String code, String title, Question... questions) {
        return Questionnaire.blank(code, title).withPages(List.of(
                orthogon.core.questionnaire.Page.empty("page", "The page").withItems(List.of(questions))));
    }

    private static Question number(String code, String wording, int most) {
        return Question.of(code, wording, new NumberAnswer(BigDecimal.ONE, BigDecimal.valueOf(most), 0, ""));
    }

    private static Translation text(String text, String of) {
        return new Translation(text, "reviewed", of);
    }

    @AfterEach
    void close() {
        ines.context().close();
    }

    private void release(String code) {
        Chromium.open(ines, application.address() + "/q/" + code + "/release");
        assertThat(ines.locator("h1")).hasText("The gate is open");
        ines.locator("#notes").fill("First.");
        Chromium.press(ines, "Release 1");
        assertThat(ines.locator("#releases + table")).containsText("First.");
    }

    private void add(String questionnaire, String code) {
        ines.locator("#f-new").selectOption(questionnaire);
        Chromium.press(ines, "Add a follow-up");
        assertThat(ines.locator("#f-code")).hasValue(questionnaire);
        ines.locator("#f-code").fill(code);
    }

    private Locator claim(String verdict) {
        return ines.locator(".dispatch-claims .sign." + verdict);
    }

    private void setUp() {
        DraftStore drafts = application.part(DraftStore.class);
        List.of(RIDE, LOOK, INTAKE).forEach(d -> drafts.create(d, "jory", "began"));
        release("gull_ride");
        release("gull_look");
        ines.navigate(application.address() + "/q/gull_intake/dispatch");
        add("gull_ride", "ride");
        ines.getByLabel("What is carried to birds").fill("gulls");
        ines.getByLabel("birds cannot be changed there").check();
        ines.getByLabel("Name here of there").fill("arrived");
        ines.getByLabel("Code of choice 1").fill("fine");
        ines.getByLabel("Label of choice 1").fill("Fine");
        ines.getByLabel("Code of choice 2").fill("back");
        ines.getByLabel("Label of choice 2").fill("Send it back");
        ines.getByLabel("Choice 2 returns it").check();
        Chromium.press(ines, "Keep the follow-up");
        assertThat(ines.getByRole(AriaRole.ALERT).first()).containsText("Choose who decides about ride");
        ines.locator("summary", new Page.LocatorOptions().setHasText("decided by")).click();
        ines.locator("input[name=decidedBy][value='role:reviewer']").check();
        Chromium.press(ines, "Keep the follow-up");

        // More gulls are found than travel, and five cannot travel together, until the ride is opened for those alone that fit.
        assertThat(claim("refuted")).hasCount(2);
        assertThat(ines.locator(".follow-values .sign.refuted")).hasCount(1);
        assertEquals(List.of(), Chromium.violations(ines));
        ines.locator(".dispatch-claims a", new Page.LocatorOptions().setHasText("whatever is carried to birds")).click();
        assertThat(ines.locator("#chosen")).containsText("opens ride with “6” for birds, which gull_ride does not accept");
        ines.navigate(application.address() + "/q/gull_intake/dispatch?at=ride");
        ines.locator("#f-when").fill("gulls <= 5");
        Chromium.press(ines, "Keep the follow-up");
        assertThat(claim("refuted")).hasCount(1);
        assertThat(ines.locator(".follow-values .sign.proved")).hasCount(1);
        claim("refuted").click();
        assertThat(ines.locator("#chosen")).containsText("nobody gets stuck in gull_ride once ride opens it");
        ines.navigate(application.address() + "/q/gull_intake/dispatch?at=ride");
        ines.locator("#f-when").fill("gulls < 5");
        Chromium.press(ines, "Keep the follow-up");
        assertThat(claim("refuted")).hasCount(0);
        assertThat(claim("proved")).not().hasCount(0);
        add("gull_look", "look");
        ines.locator("#f-days").fill("3");
        ines.getByLabel("expires then").check();
        ines.locator("#f-wording").fill("Look at them once more");
        Chromium.press(ines, "Keep the follow-up");
        assertThat(ines.locator("#to-look")).isVisible();
        add("gull_look", "again");
        ines.locator("#f-when").fill("ride.arrived");
        ines.locator("#f-seat").selectOption("people");
        ines.locator("input[name=people][value=jory]").check();
        Chromium.press(ines, "Keep the follow-up");
        assertThat(ines.locator("#to-again")).isVisible();
        assertThat(claim("proved")).hasCount(4);
        assertThat(claim("refuted")).hasCount(0);
        tell();
        lanes();
        rehearse();
        release("gull_intake");
    }

    /** The finder is written to when the ride goes back, and the office when the gulls have arrived. */
    private void tell() {
        Chromium.press(ines, "Add a message");
        ines.locator("#m-code").fill("ride_back");
        ines.locator("#m-on").selectOption("returned:ride");
        ines.locator("#m-when").fill("answered(address)");
        ines.locator("input[name=answers][value=address]").check();
        ines.locator("#m-subject").fill("Look at the ride once more");
        ines.locator("#m-tells").selectOption("nothing");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.locator("#to-ride_back")).containsText("once ride goes back, when address is answered");
        Chromium.press(ines, "Add a message");
        ines.locator("#m-code").fill("ride_fine");
        ines.locator("#m-on").selectOption("decided:ride");
        ines.locator("#m-addresses").fill("office@quillmere.example");
        ines.locator("#m-subject").fill("They have come");
        Chromium.press(ines, "Keep the message");
        ines.locator("[data-build=m-when]").click();
        ines.locator("#builder select[name^=subject]").selectOption("ride.arrived");
        assertThat(ines.locator("#builder")).containsText("arrived of ride");
        Chromium.press(ines, "Use this condition");
        assertThat(ines.locator("#m-when")).hasValue("ride.arrived = true");
        Chromium.press(ines, "Keep the message");
        assertThat(ines.locator("#to-ride_fine")).containsText("once ride is decided, when arrived of ride");
        assertThat(claim("proved")).hasCount(2);
        assertEquals(List.of(), Chromium.violations(ines));
    }

    /** Every lane that the case can take is drawn; one of them is looked at and rehearsed. */
    private void lanes() {
        Chromium.open(ines, application.address() + "/q/gull_intake/prove?tab=case");
        // No ride, or one that is withdrawn, or accepted with and without gulls; the look ends in three ways; the last look in two.
        assertThat(ines.locator("#lower .lane-count b").first()).hasText(String.valueOf(3 + 3 + 3 + 3 * 2));
        assertThat(ines.locator("#lower .drill-head .sign.proved")).containsText("as expected");
        assertEquals(List.of(), Chromium.violations(ines));
        ines.locator("#lower [data-lane]").first().click();
        assertThat(ines.locator("#chosen h1")).containsText(" of 15");
        ines.locator("#lower .lane[aria-label*='again withdrawn']").first().click();
        assertThat(ines.locator("#chosen")).containsText("ride decided (fine)");
        assertThat(ines.locator("#chosen")).containsText("How many gulls?");
        Chromium.press(ines, "Rehearse this case");
        assertThat(ines.locator(".stage")).containsText("The case is at its end");
        assertThat(ines.locator(".case-seats")).containsText("ride decided: Fine");
        assertThat(ines.locator("#happened")).containsText("“They have come” to office@quillmere.example");
    }

    /** One person takes every seat of the case before it is released. */
    private void rehearse() {
        Chromium.open(ines, application.address() + "/q/gull_intake/rehearse");
        ines.locator("input[name=gulls]").fill("4");
        ines.locator("input[name=address]").fill("wenna@example.org");
        ines.locator("#questions:not([aria-busy]) #go .main").click();
        assertThat(ines.locator("#follow-ups")).containsText("opens gull_look");
        assertThat(ines.locator("#follow-ups")).containsText("not opened: not before ride is over, and only when");
        Chromium.press(ines, "Go on with the case");
        assertThat(ines.locator(".case-seats li.now")).containsText("ride open");
        assertEquals(List.of(), Chromium.violations(ines));
        Chromium.press(ines, "Fill the rest");
        Chromium.press(ines, "Send it");
        Chromium.press(ines, "Send it back (sends it back)");
        assertThat(ines.locator("#happened")).containsText("“Look at the ride once more” to wenna@example.org");
        ines.locator("label", new Page.LocatorOptions().setHasText("Yes")).last().click();
        ines.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(ines, "Send it");
        Chromium.press(ines, "Fine");
        assertThat(ines.locator("#happened")).containsText("“They have come” to office@quillmere.example");
        assertThat(ines.locator(".case-seats")).containsText("brings arrived: yes");
        assertThat(ines.locator(".case-seats li.now")).containsText("look open");
        Chromium.press(ines, "Let its time run out");
        assertThat(ines.locator(".case-seats")).containsText("look expired");
        assertThat(ines.locator(".case-seats li.now")).containsText("again open");
        Chromium.press(ines, "Withdraw it, as the office would");
        assertThat(ines.locator(".stage")).containsText("The case is at its end");
        assertEquals(List.of(), Chromium.violations(ines));
    }

    @Test
    void aCaseIsSetUpProvedAndBroughtToItsEnd() {
        setUp();
        Page finder = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844).setLocale("fr")).newPage();
        finder.navigate(application.address() + "/to/gull-intake");
        finder.locator("form .main, form button").last().click();
        finder.locator("input[name='gulls']").fill("4");
        finder.locator("input[name='address']").fill("wenna@example.org");
        finder.locator("#questions:not([aria-busy]) #go .main").click();
        finder.locator("form[action$='/send'] button").click();
        assertThat(finder.locator(".follow-next li")).hasCount(2);
        assertEquals(List.of(), Chromium.violations(finder));
        String receipt = finder.locator(".receipt b").textContent();
        String look = finder.locator(".follow-next a").last().getAttribute("href");
        String ride = finder.locator(".follow-next a").first().getAttribute("href");
        ines.navigate(application.address() + "/q/gull_intake/responses/cases/" + receipt);
        assertThat(ines.locator(".case-follow")).hasCount(2);
        assertThat(ines.locator(".case-follow").first()).containsText("waits for the respondent");

        // The ride is sent in another language, and its link then says so.
        finder.navigate(application.address() + ride);
        finder.locator("#questions:not([aria-busy])").waitFor();
        finder.locator("label", new Page.LocatorOptions().setHasText("No").setHasNotText("Not")).last().click();
        finder.locator("#questions:not([aria-busy]) #go .main").click();
        finder.locator("form[action$='/send'] button").click();
        assertThat(finder.locator(".receipt")).isVisible();
        finder.navigate(application.address() + ride);
        assertThat(finder.locator("h1")).hasText("Not any more");
        assertThat(finder.locator("main")).containsText("You sent this on");
        assertEquals(List.of(), Chromium.violations(finder));

        // Staff give it back, the finder corrects it, and staff accept it.
        Page mirja = Chromium.signedIn(application.address(), "mirja");
        assertThat(mirja.locator(".waiting")).containsText("Decide: Hand-over to a driver");
        mirja.navigate(application.address() + "/q/gull_intake/responses/cases/" + receipt);
        assertEquals(List.of(), Chromium.violations(mirja));
        Chromium.press(mirja, "Send it back");
        assertThat(mirja.getByRole(AriaRole.ALERT).first()).containsText("Write what is to be corrected");
        mirja.locator("textarea[name=note]").first().fill("They have arrived, have they not?");
        Chromium.press(mirja, "Send it back");
        assertThat(mirja.locator(".case-follow").first()).containsText("returned");
        finder.navigate(application.address() + ride);
        assertThat(finder.locator("blockquote")).hasText("They have arrived, have they not?");
        finder.locator("a.button").click();
        finder.locator("button[name=page]").last().click();
        finder.locator("label", new Page.LocatorOptions().setHasText("Yes")).last().click();
        finder.locator("#questions:not([aria-busy]) #go .main").click();
        finder.locator("form[action$='/send'] button").click();
        assertThat(finder.locator(".receipt")).isVisible();
        mirja.reload();
        Chromium.press(mirja, "Fine");
        assertThat(mirja.locator(".case-follow").first()).containsText("Fine");
        assertThat(mirja.locator(".case-follow").first()).containsText("ride.arrived");
        assertThat(mirja.locator(".case-follow").first().locator("dd").last()).hasText("Yes");

        // What it brought back opens what follows, for a person of the workspace.
        Page jory = Chromium.signedIn(application.address(), "jory");
        jory.locator(".waiting a", new Page.LocatorOptions().setHasText(receipt)).click();
        Chromium.press(jory, "Answer it");
        assertThat(jory.locator("#questions")).containsText("Do they look well?");
        jory.context().close();

        // The look is not sent in time.
        application.part(JdbcClient.class).sql("update follow_up set due_at = opened_at where token = :token")
                .param("token", look.substring(look.lastIndexOf('/') + 1)).update();
        application.part(WorkOnFollowUps.class).expire();
        finder.navigate(application.address() + look);
        assertThat(finder.locator("main")).containsText("This closed on");
        assertThat(finder.locator("header p")).hasText("Look at them once more");
        mirja.reload();
        assertThat(mirja.locator(".case-follow").nth(1)).containsText("expired");
        mirja.navigate(application.address() + "/q/gull_intake/responses/cases");
        assertThat(mirja.locator(".cases table")).containsText(receipt);
        assertEquals(List.of(), Chromium.violations(mirja));
        mirja.context().close();
        finder.context().close();
        aReleaseOfTheRideWaitsWhereTheIntakeWouldNotFit();
    }

    private void aReleaseOfTheRideWaitsWhereTheIntakeWouldNotFit() {
        Chromium.open(ines, application.address() + "/q/gull_ride/compose?at=birds");
        ines.locator("input[name=acceptWhen]").first().fill("birds < 4");
        ines.locator("input[name=acceptWhen]").first().blur();
        assertThat(ines.locator("#state")).hasAttribute("data-revision", "2");
        Chromium.open(ines, application.address() + "/q/gull_ride/release");
        ines.locator("#notes").fill("Second.");
        Chromium.press(ines, "Release 2");
        assertThat(ines.getByRole(AriaRole.ALERT).first())
                .containsText("follow-up-passable of Gull intake → Gull ride is refuted by this release.");
        Chromium.open(ines, application.address() + "/q/gull_ride/release");
        assertThat(ines.locator("#releases + table")).not().containsText("Second.");
    }
}
