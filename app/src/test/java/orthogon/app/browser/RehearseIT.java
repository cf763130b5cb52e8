package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.OffsetDateTime;
import orthogon.app.store.DraftStore;
import orthogon.app.store.InterviewStore;
import orthogon.core.edit.SetConditions;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** A draft walked as a respondent would, with the reasons beside it. */
class RehearseIT {

    private final RunningApplication application = RunningApplication.withDemo();

    private DraftStore.Draft draft() throws Exception {
        Questionnaire intake = DocumentReader.read(new ClassPathResource("demo/found_animal.orthogon.json").getContentAsByteArray());
        return application.part(DraftStore.class).create(intake.withCode("intake_" + Long.toString(System.nanoTime(), 36)), "ines",
                "began");
    }

    private static Locator reason(Page page, String code) {
        return page.locator("#reasons dt:has(a:text-is('" + code + "')) + dd");
    }

    @Test
    void reasonsFollowEveryAnswerAndNameWhatDecided() throws Exception {
        DraftStore.Draft draft = draft();
        Page page = Chromium.signedIn(application.address(), "osk");
        page.navigate(application.address() + "/q/" + draft.code() + "/rehearse");
        assertThat(reason(page, "kept_in")).hasText("not asked: needs indoors is yes; indoors is blank");
        page.locator("#q-indoors input[value=yes]").check();
        assertThat(reason(page, "kept_in")).hasText("indoors is yes");
        assertThat(page.locator("#q-kept_in")).isVisible();
        assertThat(reason(page, "stay_away")).containsText("needs indoors is no");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Phone width")).click();
        assertTrue(page.locator(".paper").boundingBox().width < 400, "as wide as a phone");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Desktop width")).click();
        reason(page, "kept_in").waitFor();
        page.locator("#reasons a.code").first().click();
        page.waitForURL("**/compose?at=**");
    }

    @Test
    void pagesAreReachedByOrdinaryAnswersAndTheRestIsFilled() throws Exception {
        DraftStore.Draft draft = draft();
        InterviewStore interviews = application.part(InterviewStore.class);
        Page page = Chromium.signedIn(application.address(), "ines");
        page.navigate(application.address() + "/q/" + draft.code() + "/rehearse");
        Chromium.press(page, "How it is");
        // Chance may have met a dead animal; then the interview ended before that page.
        for (int tries = 0; tries < 20 && !page.locator(".paper h1").textContent().equals("How it is"); tries++) {
            Chromium.press(page, "Begin again");
            Chromium.press(page, "How it is");
        }
        assertThat(page.locator(".paper h1")).hasText("How it is");
        assertThat(page.locator(".walk .done")).hasCount(2);
        Chromium.press(page, "Where and when");
        assertThat(page.locator(".paper h1")).hasText("Where and when");
        Chromium.press(page, "Fill the rest");
        assertThat(page.locator(".paper")).containsText("The interview ends here.");
        assertThat(page.locator("#reasons")).not().containsText("if every page were left like this");
        assertEquals(0, interviews.count(draft.id(), OffsetDateTime.now().minusDays(1)), "nothing rehearsed is a response");
    }

    @Test
    void aSavedWalkTellsWhatAnEditChanged() throws Exception {
        DraftStore.Draft draft = draft();
        Page page = Chromium.signedIn(application.address(), "ines");
        page.navigate(application.address() + "/q/" + draft.code() + "/rehearse");
        page.locator("#q-when_found input[type=date]").fill(java.time.LocalDate.now().toString());
        page.locator("#q-where_found input[type=text]").fill("Alder wood");
        page.locator("#q-indoors input[value=no]").check();
        Chromium.press(page, "Next");
        page.locator("#q-group input[value=reptile], #q-group input[value=cold]").first().check();
        page.locator("#q-alive input[value=no]").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator(".paper h1")).hasText("Not ours");
        page.getByLabel("Name of the drill").fill("A dead one");
        Chromium.press(page, "Save this walk");
        Locator drill = page.locator(".walk li", new Page.LocatorOptions().setHasText("A dead one"));
        assertThat(drill).containsText("as expected");
        DraftStore drafts = application.part(DraftStore.class);
        Questionnaire edited = new SetConditions(java.util.Map.of("alive.askWhen", "indoors = true")).apply(draft.document());
        drafts.append(drafts.head(draft.code()).orElseThrow(), edited, "asks less", "ines");
        page.reload();
        assertThat(drill).containsText("not as expected");
        assertThat(drill).containsText("no longer asks alive");
        Chromium.press(page, "Begin again");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("A dead one").setExact(true)).click();
        assertThat(page.locator(".walk .done").first()).containsText("Alder wood");
        Chromium.press(page, "discard A dead one");
        assertThat(drill).hasCount(0);
    }

    @Test
    void aWitnessIsWalkedUpToItsPage() {
        Page page = Chromium.signedIn(application.address(), "osk");
        Chromium.open(page, application.address() + "/q/bat_count/prove?claim=page-passable+waking");
        Chromium.press(page, "Rehearse this");
        page.waitForURL("**/rehearse");
        assertThat(page.locator(".walk .now")).isVisible();
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).isVisible();
    }
}
