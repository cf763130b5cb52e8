package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import orthogon.app.store.DraftStore;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.edit.Add;
import orthogon.core.questionnaire.Question;
import orthogon.core.edit.SetConditions;
import orthogon.core.proof.claim.Family;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** Faults found on Prove, understood from what it says, fixed through the interface, and proved; or waived. */
class MendingIT {

    private final RunningApplication application = RunningApplication.withDemo();
    private final Page page = Chromium.signedIn(application.address(), "ines");
    private String code;

    private void draft() throws Exception {
        Questionnaire count = DocumentReader.read(new ClassPathResource("demo/bat_count.orthogon.json").getContentAsByteArray());
        code = "count_" + Long.toString(System.nanoTime(), 36);
        application.part(DraftStore.class).create(count.withCode(code), "ines", "began");
    }

    private void press(String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    private Locator headline() {
        return page.locator("#chosen h1");
    }

    /** Opens a claim from the list, as whoever reads the list from its top does. */
    private void open(String statement) {
        Chromium.open(page, application.address() + "/q/" + code + "/prove");
        page.locator("#claims li a", new Page.LocatorOptions().setHasText(statement)).first().click();
        page.waitForURL("**/prove?claim=**");
        assertThat(page.locator("#chosen .sign").first()).hasClass(Pattern.compile("refuted"));
    }

    private void proved(String id) {
        Chromium.open(page, application.address() + "/q/" + code + "/prove?claim=" + URLEncoder.encode(id, StandardCharsets.UTF_8));
        assertThat(page.locator("#chosen .sign").first()).hasText("proved");
    }

    /** Follows the link to the row and writes something else into a field there. */
    private void change(String goTo, String field, String value) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to " + goTo).setExact(true)).click();
        write(field, value);
    }

    private void write(String field, String value) {
        String before = page.locator("#state").getAttribute("data-revision");
        page.locator(field).fill(value);
        page.locator(field).blur();
        assertThat(page.locator("#state")).not().hasAttribute("data-revision", before);
    }

    private void untick(String field) {
        String before = page.locator("#state").getAttribute("data-revision");
        page.locator(field).uncheck();
        assertThat(page.locator("#state")).not().hasAttribute("data-revision", before);
    }

    @Test
    void aClaimThatIsClickedWhileTheListIsDrawnAnewIsShownUnderItsAddress() throws Exception {
        draft();
        Chromium.open(page, application.address() + "/q/" + code + "/prove");
        List<Route> held = new ArrayList<>();
        page.route("**/prove/lanes**", held::add);
        page.locator("[data-part=lanes]").click();
        page.waitForCondition(() -> !held.isEmpty());
        Locator claim = page.locator("#claims li a").first();
        String statement = claim.textContent();
        claim.click();
        page.evaluate("() => { const list = document.getElementById('claims'); list.innerHTML = list.innerHTML; htmx.process(list); }");
        page.unroute("**/prove/lanes**");
        held.forEach(Route::resume);
        page.waitForURL("**/prove?claim=**");
        assertThat(page.locator("#claims a[aria-current]")).hasText(statement);
        assertThat(page.locator("#chosen .sign").first()).hasClass(Pattern.compile("refuted"));
    }

    @Test
    void everySeededFaultIsUnderstoodMendedAndProved() throws Exception {
        draft();
        open("weather.askWhen uses only what stands before it");
        assertThat(headline()).containsText("This uses temperature, which stands later, on page conditions; move temperature before it");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to weather")).click();
        page.waitForURL("**/compose**");
        for (int i = 0; i < 8 && !page.locator("#row-temperature ~ #row-weather").isVisible(); i++) {
            String before = page.locator("#state").getAttribute("data-revision");
            page.keyboard().press("Alt+ArrowDown");
            assertThat(page.locator("#state")).not().hasAttribute("data-revision", before);
        }
        proved("looks-ahead weather.askWhen");

        open("pups is asked of some respondent");
        assertThat(headline()).hasText("Nobody is ever asked “How many pups were there?”.");
        assertThat(page.locator("#chosen .core")).containsText("pups is asked when site is mill and counters is over 12");
        change("pups", "#askWhen", "site = \"mill\" and counters > 2");
        proved("reach-question pups");

        open("nobody can get stuck on page waking");
        assertThat(page.locator("#chosen .core")).containsText("awake is accepted only when awake is under total");
        assertThat(page.locator("#chosen tr.deciding")).containsText("1 bats");
        assertThat(page.locator("#chosen .found-page")).containsText("How many of them were awake?");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("awake/accept/0")).click();
        write("input[name=acceptWhen] >> nth=0", "awake <= total");
        proved("page-passable waking");
        proved("reach-page lone");

        open("some answer to sheet is accepted");
        assertThat(page.locator("#chosen .core")).containsText("sheet is accepted only when sheet is 100 or more");
        change("sheet", "#s-most", "999");
        proved("answer-accepted sheet");
        open("some answer to register is accepted");
        assertThat(page.locator("#chosen .core")).containsText("register is always locked");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to register").setExact(true)).click();
        untick("#locked");
        proved("answer-accepted register");

        open("the condition licence.askWhen holds for some and not for others");
        assertThat(headline()).containsText("this always holds");
        change("licence", "#askWhen", "counters >= 2");
        proved("condition-varies licence.askWhen");

        outcomes();
        suggested();
        limitsAndLanguages();
        messages();
        followUps();
        Chromium.open(page, application.address() + "/q/" + code + "/prove?verdict=refuted&weight=blocking");
        assertEquals(List.of(), page.locator("#claims li").allInnerTexts());
        assertThat(page.locator("#block-claims")).containsText(Pattern.compile("\\b0 refuted"));
        assertThat(page.locator("#block-claims")).containsText(Pattern.compile("\\b0 undecided"));
        Chromium.open(page, application.address() + "/q/" + code + "/release");
        assertThat(page.locator("h1")).hasText("The gate is open");
    }

    /** The outcome table: a row that others cover, a count that none takes, and what the analyst claims about it. */
    private void outcomes() {
        open("row 2 of the outcome table is used by some respondent");
        assertThat(page.locator("#chosen .core")).containsText("row 1 of the outcome table takes all for whom disturbed is yes");
        page.navigate(application.address() + "/q/" + code + "/rules");
        press("Row 2 up");
        assertThat(page.locator(".decision tbody tr").first()).containsText("includes fire");
        proved("reach-row outcomeTable/0");
        proved("reach-outcome alarm");

        open("every complete interview has an outcome");
        assertThat(page.locator("#chosen tr.deciding").first()).containsText("0 bats");
        page.navigate(application.address() + "/q/" + code + "/rules");
        page.locator("#new-outcome").selectOption("entered");
        press("Add the row");
        assertThat(page.locator(".decision tbody tr")).hasCount(4);
        proved("one-outcome " + code);

        open("cold_is_checked: always");
        assertThat(headline()).hasText("It does not hold for this respondent.");
        assertThat(page.locator("#chosen tr.deciding").first()).containsText("-1 °C");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Own claims")).click();
        page.locator("#own-0").fill("temperature >= 0 or outcome != \"checked\" or disturbed = true");
        press("Change it");
        assertThat(page.locator(".own-row .sign").first()).hasClass(Pattern.compile("proved"));
        proved("own cold_is_checked");
    }

    /** Faults with one usual fix, which is offered. */
    private void suggested() {
        for (List<String> each : List.of(List.of("“disturbed is yes” makes a difference to outcomeTable/0", "Remove “disturbed is yes”.",
                "condition-varies outcomeTable/0"),
                List.of("no answer to humid is sent that nobody gave", "Start with a blank answer.",
                        "nothing-by-default humid"),
                List.of("the text alarm.closing has no hole", "Leave out […]", "text-whole alarm.closing"),
                List.of("the text checked.closing never shows a gap", "Show three dots where awake is blank.",
                        "text-filled checked.closing/awake"),
                List.of("“weather is not dry” in gear.askWhen", "Ask for an answer to weather as well.", "blank-reading gear.askWhen#1"),
                List.of("the answer to awake is not lost", "Keep the answer to awake.", "answers-kept awake"))) {
            open(each.get(0));
            assertThat(page.locator("#chosen .fix")).containsText(each.get(1));
            press("Apply this fix");
            assertThat(page.locator("#chosen .fix")).hasCount(0);
            proved(each.get(2));
        }
    }

    private void limitsAndLanguages() {
        open("some answer fits the limits of ring");
        assertThat(headline()).hasText("No answer fits: at least 6 characters are asked for and at most 4 allowed.");
        change("ring", "#s-least", "2");
        proved("limits-leave-answer ring");

        open("no route asks more than the limit");
        assertThat(headline()).containsText("questions where at most 10 are wanted");
        page.locator("#most-questions").fill("20");
        page.waitForResponse(r -> r.request().method().equals("POST"), () -> page.locator("#most-questions").blur());
        proved("burden-within " + code);

        for (String unit : List.of("disturbed.wording", "checked.closing", "alarm.closing", "recount.wording")) {
            open("whoever reads " + unit + " in fr");
            page.locator("#translated").fill("Le gîte a-t-il été dérangé ?" + (unit.startsWith("checked")
                    ? " {awake, select, blank {…} other {{awake}}}"
                    : ""));
            press("Save this text");
            assertThat(page.locator("#chosen .sign").first()).hasText("proved");
            proved("translated fr/" + unit);
        }
    }

    private void messages() {
        open("to_warden has an address whenever it is sent");
        assertThat(headline()).hasText("It is sent for this respondent, and no address is set.");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to to_warden").setExact(true)).click();
        page.locator("#m-addresses").fill("warden@quillmere.example");
        press("Keep the message");
        assertThat(page.locator(".letter")).containsText("warden@quillmere.example");
        proved("recipient-filled to_warden");

        open("to_register tells whatever was asked");
        assertThat(headline()).containsText("It leaves out temperature, which is asked of this respondent");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to to_register").setExact(true)).click();
        page.locator("input[name=told][value=temperature]").check();
        press("Keep the message");
        assertThat(page.locator(".letter")).containsText("How warm was it inside?");
        proved("message-complete to_register");
    }

    private void followUps() {
        open("whatever is carried to first_count of recount, roost_recount accepts it");
        assertThat(headline()).containsText("This respondent opens recount with “151” for first_count");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to recount").setExact(true)).click();
        page.locator("#f-when").fill("total > 0 and total <= 150");
        press("Keep the follow-up");
        assertThat(page.locator("#to-recount")).containsText("total is 150 or less");
        proved("carry-fits recount/carry/0");
    }

    @Test
    void theCodesOfOptionsAndOutcomesFollowTheirNamesAndAreFollowed() throws Exception {
        draft();
        page.navigate(application.address() + "/q/" + code + "/compose?at=traces");
        write("#o1l", "Smoke");
        press("Rename it to smoke");
        assertThat(page.locator("#o1c")).hasValue("smoke");
        page.navigate(application.address() + "/q/" + code + "/compose?at=Outcomes");
        write("#ol2", "Warden");
        assertThat(page.locator("#notice")).containsText("The code of “Warden” is still alarm.");
        press("Rename it to warden");
        assertThat(page.locator("#oc2")).hasValue("warden");
        assertThat(page.locator("#to1")).hasValue("warden");
        write("#oc0", "kept");
        assertThat(page.locator("#to2")).hasValue("kept");
        Questionnaire now = application.part(DraftStore.class).head(code).orElseThrow().document();
        assertEquals(List.of("kept", "checked", "warden"), now.outcomes().stream().map(Questionnaire.Outcome::code).toList());
        assertTrue(now.translations().get("fr").containsKey("warden.closing"), "its translations follow");
        assertEquals("disturbed = true and list contains(traces, \"smoke\")", now.outcomeTable().get(1).when());
    }

    @Test
    void aWaiverBlocksNothingUntilItsPlaceChanges() throws Exception {
        Questionnaire roost = Questionnaire.blank("roost", "Roost");
        code = "roost_" + Long.toString(System.nanoTime(), 36);
        DraftStore drafts = application.part(DraftStore.class);
        drafts.create(roost.withCode(code), "ines", "began");
        page.navigate(application.address() + "/q/" + code + "/compose");
        for (String line : List.of("Is it wet? / yes/no", "Is it open? / yes/no")) {
            page.locator("#line").fill(line);
            press("Add the row");
            assertThat(page.locator("#line")).hasValue("");
        }
        write("#askWhen", "wet = true and wet = false");
        open("open is asked of some respondent");
        page.getByText("Waive…").click();
        page.getByLabel("Reason for the waiver").fill("It is wired next winter.");
        press("Waive this claim");
        assertThat(page.locator("#chosen .waived")).containsText("Waived by Ines Tallow at revision 4. It is wired next winter.");
        assertThat(page.locator("#claims .tag")).containsText(List.of("waived").toArray(String[]::new));
        Chromium.open(page, application.address() + "/q/" + code + "/release");
        assertThat(page.locator("h1")).hasText("The gate is open");
        assertThat(page.locator(".gate")).containsText("Ines Tallow, revision 4: It is wired next winter.");

        // A change elsewhere leaves it; one at its place ends it.
        page.navigate(application.address() + "/q/" + code + "/compose?at=wet");
        write("#wording", "Is it damp?");
        Chromium.open(page, application.address() + "/q/" + code + "/release");
        assertThat(page.locator("h1")).hasText("The gate is open");
        page.navigate(application.address() + "/q/" + code + "/compose?at=open");
        write("#askWhen", "wet = false and wet = true");
        Chromium.open(page, application.address() + "/q/" + code + "/release");
        assertThat(page.locator("h1")).hasText("The gate is shut");
        assertThat(page.locator(".gate")).containsText("lapsed: the place has changed since revision 4");
        assertEquals(409, page.request().post(application.address() + "/q/" + code + "/release",
                com.microsoft.playwright.options.RequestOptions.create()
                        .setHeader(page.evaluate("Object.keys(JSON.parse(document.body.getAttribute('hx-headers')))[0]").toString(),
                                page.evaluate("Object.values(JSON.parse(document.body.getAttribute('hx-headers')))[0]").toString())
                        .setForm(com.microsoft.playwright.options.FormData.create().set("revision", "6")))
                .status());
        Chromium.open(page, application.address() + "/q/" + code + "/prove?claim=reach-question+open");
        page.getByText("Waive…").click();
        page.getByLabel("Reason for the waiver").fill("Still so.");
        press("Waive this claim");
        press("Withdraw the waiver");
        assertThat(page.locator("#chosen .waived")).hasCount(0);
        Chromium.open(page, application.address() + "/q/" + code + "/release");
        assertThat(page.locator("h1")).hasText("The gate is shut");
    }

    @Test
    void faultsCannotBeWaivedAndReadersAreOfferedNoEdits() {
        Chromium.open(page, application.address() + "/q/bat_count/prove?claim=looks-ahead+weather.askWhen");
        assertThat(page.getByText("Waive…")).hasCount(0);
        Page reader = Chromium.signedIn(application.address(), "osk");
        Chromium.open(reader, application.address() + "/q/bat_count/prove?claim=nothing-by-default+humid");
        assertThat(reader.locator("#chosen .fix")).isVisible();
        assertThat(reader.getByText("Apply this fix")).hasCount(0);
        assertThat(reader.getByText("Waive…")).hasCount(0);
    }

    @Test
    void everyFamilyIsRefutedOnceTheFaultThatHidesTheRestIsMended() throws Exception {
        draft();
        DraftStore drafts = application.part(DraftStore.class);
        DraftStore.Draft head = drafts.head(code).orElseThrow();
        Questionnaire mended = new SetConditions(java.util.Map.of("weather.askWhen", "counters > 1")).apply(head.document());
        // Of lookups it has none, so that one is put in.
        drafts.append(head, new Add(mended.pages().getFirst().code(), "",
                List.of(Question.of("key_holder", "Who has the key?", LookupAnswer.in("driver_register")))).apply(mended), "mended",
                "ines");
        Chromium.open(page, application.address() + "/q/" + code + "/prove?verdict=refuted");
        List<String> refuted = page.locator(".family h2 > span:first-child").allTextContents();
        for (Family family : Family.values()) {
            assertTrue(family == Family.SOUND || refuted.contains(family.title()), family.title() + " in " + refuted);
        }
    }
}
