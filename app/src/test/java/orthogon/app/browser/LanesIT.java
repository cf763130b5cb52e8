package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import orthogon.app.store.DraftStore;
import orthogon.core.edit.SetConditions;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** Routes as lanes, drills, and the map that follows them. */
class LanesIT {

    private final RunningApplication application = RunningApplication.withDemo();
    private final Page page = Chromium.signedIn(application.address(), "ines");

    private void press(String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    private void lanes(String code) {
        Chromium.open(page, application.address() + "/q/" + code + "/prove");
        page.locator(".lane").first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
    }

    private DraftStore.Draft foster() throws Exception {
        Questionnaire foster = DocumentReader.read(new ClassPathResource("demo/foster_home.orthogon.json").getContentAsByteArray());
        return application.part(DraftStore.class).create(foster.withCode("foster_" + Long.toString(System.nanoTime(), 36)), "ines",
                "began");
    }

    private static String first(DraftStore.Draft draft) {
        return draft.document().questions().filter(q -> !q.isHidden()).findFirst().orElseThrow().code();
    }

    @Test
    void aLaneLeadsToARehearsalThatAsksExactlyItsQuestions() {
        lanes("found_animal");
        page.locator(".lane").nth(25).dispatchEvent("click");
        assertThat(page.locator("#chosen h1")).containsText(Pattern.compile("Route .* of .* that end so"));
        List<String> asked = new ArrayList<>(page.locator("#chosen table.strip:not(.measures) a.code").allTextContents());
        String outcome = page.locator("#chosen .measures td").nth(1).textContent().replaceFirst("^\\s*[A-Z]\\s*", "").strip();
        String questions = page.locator("#chosen .measures td").nth(2).textContent();
        assertEquals(Integer.parseInt(questions), asked.size(), "every question of the route is listed");
        press("Rehearse this");
        page.waitForURL("**/rehearse");
        assertThat(page.locator(".paper h1")).hasText(outcome);
        List<String> walked = new ArrayList<>();
        for (String step : page.locator(".walk .done, .walk .now").allTextContents()) {
            walked.add(step);
        }
        String all = String.join(" ", walked);
        for (String code : asked) {
            assertTrue(Pattern.compile("\\b" + code + " ").matcher(all).find(), code + " in " + all);
        }
        // The same answers, kept as a file, lead the same way on the command line and on the map.
        page.goBack();
    }

    @Test
    void lanesAreFilteredPagedComparedAndReadAsATable() {
        lanes("found_animal");
        assertThat(page.locator(".lane-count")).containsText("4\u202f452 routes");
        page.locator("#lane-ends").selectOption("ranger");
        assertThat(page.locator(".lane-count")).containsText(Pattern.compile("^\\s*24\\s+of 4\u202f452 routes"));
        assertThat(page.locator(".lane")).hasCount(24);
        page.locator("#lane-ends").selectOption("");
        assertThat(page.locator(".lane-count b")).hasText("4\u202f452");
        page.locator("#lane-asks").selectOption("ring");
        assertThat(page.locator(".lane-count")).containsText("of 4\u202f452 routes");
        assertThat(page.locator(".lane-count b")).not().hasText("4\u202f452");
        int asking = Integer.parseInt(page.locator(".lane-count b").textContent().replace("\u202f", ""));
        page.locator("#lane-asks").selectOption("");
        assertThat(page.locator(".lane-count b")).hasText("4\u202f452");
        page.locator("#lane-without").selectOption("ring");
        assertThat(page.locator(".lane-count b")).hasText(orthogon.app.frame.Frame.grouped(java.math.BigInteger.valueOf(4452 - asking)));
        page.locator("#lane-without").selectOption("");
        assertThat(page.locator(".lane-count b")).hasText("4\u202f452");
        assertThat(page.locator(".lane-count")).containsText("spread evenly");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("In order")).click();
        assertThat(page.locator(".lane-count")).containsText("1 to 64");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Next").setExact(true)).click();
        assertThat(page.locator(".lane-count")).containsText("65 to 128");
        assertThat(page.locator(".lane")).hasCount(64);

        page.locator("#lane-box").focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator(".lane.on")).hasCount(1);
        assertThat(page.locator("#chosen h1")).containsText("Route 65");
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#chosen h1")).containsText("Route 66");
        page.locator(".lane").nth(9).dispatchEvent("click", java.util.Map.of("shiftKey", true, "bubbles", true));
        assertThat(page.locator("#chosen h1")).hasText("Two routes side by side");
        assertThat(page.locator("#chosen tr.deciding").first()).isVisible();
        assertThat(page.locator("#chosen")).containsText(Pattern.compile("Only the (first|second) asks"));
        press("Only the first");
        assertThat(page.locator("#chosen h1")).containsText("Route 66");

        page.locator("#lane-as").selectOption("table");
        assertThat(page.locator(".lane-table tbody tr")).hasCount(64);
        assertThat(page.locator(".lane-count")).containsText("65 to 128");
        page.locator("#lane-longer").fill("42");
        page.locator("#lane-longer").blur();
        assertThat(page.locator(".lane-count b")).not().hasText("4\u202f452");
        page.locator(".lane-table [data-lane]").first().click();
        assertThat(page.locator("#chosen .measures td").nth(2)).hasText("43");
        page.locator("#figures [data-lane]").first().click();
        assertThat(page.locator("#chosen .measures td").nth(2)).hasText("8");
    }

    @Test
    void drillsCoverReplayAndTellWhatAnEditChanged() throws Exception {
        DraftStore.Draft draft = foster();
        Chromium.open(page, application.address() + "/q/" + draft.code() + "/prove?tab=drills");
        page.locator(".drill-head").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        Locator rows = page.locator(".drills table:last-of-type tbody tr");
        int drills = rows.count();
        assertThat(page.locator(".drill-head .sign")).hasText(drills + " as expected");
        page.waitForResponse(r -> r.url().endsWith("/prove/drills"), () -> press("Replay all"));
        assertThat(page.locator(".drill-head .sign")).hasText(drills + " as expected");
        String csv = page.request().get(application.address() + "/q/" + draft.code() + "/prove/drills/file.csv").text();
        assertTrue(csv.lines().filter(l -> l.contains(",send,")).count() == drills, csv);
        assertTrue(page.request().get(application.address() + "/q/" + draft.code() + "/prove/drills/script").text()
                .contains("<h2>Drill " + drills + "</h2>"));
        rows.first().getByText("Pin").click();
        assertThat(page.locator(".drills h2")).hasText("Pinned, 1 as expected, 0 not");
        DraftStore store = application.part(DraftStore.class);
        String first = first(draft);
        store.append(store.head(draft.code()).orElseThrow(),
                new SetConditions(java.util.Map.of(first + ".askWhen", "false")).apply(draft.document()), "asks less", "ines");
        page.reload();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Drills")).click();
        assertThat(page.locator(".drills h2")).hasText("Pinned, 0 as expected, 1 not");
        assertThat(page.locator(".drills table").first()).containsText("no longer asks " + first);
        press("Unpin");
        assertThat(page.locator(".drills h2")).hasCount(0);
    }

    @Test
    void theMapFindsFollowsAndSaysTheSameAsATable() {
        Chromium.open(page, application.address() + "/q/found_animal/map?level=all");
        page.locator("#map-find").fill("bleeding_where");
        page.keyboard().press("Enter");
        assertThat(page.locator("#drawing .box.on")).hasAttribute("data-code", "bleeding_where");
        assertThat(page.locator("#map-about h2")).hasText("Where is it bleeding?");
        page.locator("#map-about [data-find=bleeding]").first().click();
        assertThat(page.locator("#map-about")).containsText("seen includes blood");
        page.locator("#map-about [data-find=seen]").first().click();
        assertThat(page.locator("#drawing .box.on")).hasAttribute("data-code", "seen");
        assertThat(page.locator("#drawing .box.hangs[data-code=bleeding_where]")).hasCount(1);
        assertThat(page.locator("#map-about")).containsText("bleeding");
        String before = page.locator("#drawing").getAttribute("viewBox");
        page.locator("#map-drawing").focus();
        page.keyboard().press("+");
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("#drawing")).not().hasAttribute("viewBox", before);
        page.locator("#map-about").getByText("Go to the row").click();
        assertThat(page.locator("#row-seen")).hasClass(Pattern.compile("\\bon\\b"));
        page.keyboard().press("m");
        page.waitForURL("**/map?at=seen");
        page.locator("#map-as").selectOption("table");
        assertThat(page.locator(".map-table tr", new Page.LocatorOptions().setHasText("finishes as")).first())
                .containsText("outcome Not ours");

        lanes("found_animal");
        page.locator(".lane").first().dispatchEvent("click");
        assertThat(page.locator("#chosen h1")).containsText("Route 1 of");
        List<String> asked = page.locator("#chosen table.strip:not(.measures) a.code").allTextContents();
        press("On the map");
        page.waitForURL("**/map?**");
        page.locator("input[value=all]").check();
        page.waitForURL("**/map?level=all**");
        List<String> bright = page.locator("#drawing .box.question:not(.off, .reference), #drawing .box.roster:not(.off, .reference)").all()
                .stream().map(b -> b.getAttribute("data-code")).toList();
        bright = bright.stream().filter(asked::contains).toList();
        assertEquals(asked.size(), bright.size(), asked + " and " + bright);
        assertThat(page.locator("#drawing .outcome:not(.off)")).hasCount(1);
        String svg = page.request().get(application.address() + "/q/found_animal/map/file.svg?level=pages").text();
        assertTrue(svg.startsWith("<svg") && svg.contains("<style>"), svg.substring(0, 200));
    }

    @Test
    void theMapOpensWholeAndALineTellsWhoTakesIt() {
        Chromium.open(page, application.address() + "/q/found_animal/map");
        assertThat(page.locator("input[name=level]:checked")).hasValue("pages");
        assertEquals(Boolean.TRUE, page.evaluate("""
                () => {
                    const paper = document.getElementById('map-drawing').getBoundingClientRect();
                    return [...document.querySelectorAll('#drawing rect, #drawing text')].every((part) => {
                        const at = part.getBoundingClientRect();
                        return at.top >= paper.top && at.bottom <= paper.bottom && at.left >= paper.left && at.right <= paper.right;
                    });
                }"""), "everything is in sight");
        page.locator("#drawing .label", new Page.LocatorOptions().setHasText("finish when alive is no")).click();
        assertThat(page.locator("#map-about h2")).hasText("From page The animal to outcome Not ours");
        assertThat(page.locator("#map-about")).containsText("5\u202f472 of");
        assertThat(page.locator("#map-about")).containsText("4 of 4\u202f452, 0.0898\u00a0%");
        page.locator("#map-as").selectOption("table");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Who goes from page The animal to page How it is")).click();
        assertThat(page.locator("#map-about")).containsText("4\u202f448 of 4\u202f452");
    }

    @Test
    void faultsStandWhereTheyAreAndTheMapFollowsEdits() throws Exception {
        Chromium.open(page, application.address() + "/q/bat_count/map?level=all");
        assertThat(page.locator("#drawing .box.never.refuted[data-code=pups]")).hasCount(1);
        assertThat(page.locator("#drawing .frame.never[data-code=lone]")).hasCount(1);
        DraftStore.Draft draft = foster();
        Chromium.open(page, application.address() + "/q/" + draft.code() + "/map?level=all");
        String first = first(draft);
        assertThat(page.locator("#drawing .never")).hasCount(0);
        Page other = Chromium.signedIn(application.address(), "jory");
        other.navigate(application.address() + "/q/" + draft.code() + "/compose?at=" + first);
        other.locator("#askWhen").fill("false");
        other.locator("#askWhen").blur();
        assertThat(page.locator("#drawing .box.never[data-code=" + first + "]")).hasCount(1);
    }

    @Test
    void ownClaimsAreWrittenWithTheSentenceBuilderAndProved() throws Exception {
        DraftStore.Draft draft = foster();
        Chromium.open(page, application.address() + "/q/" + draft.code() + "/prove?tab=own");
        int before = draft.document().claims().size();
        page.locator("#own-name").fill("homes_have_hours");
        page.locator("[data-build=own-new]").click();
        page.getByLabel("question of line 2").selectOption("nights");
        page.getByLabel("comparison of line 2").selectOption("answered");
        page.getByText("add a line").first().click();
        page.getByLabel("question of line 3").selectOption("asked(landlord)");
        page.getByLabel("comparison of line 3").selectOption(new SelectOption().setLabel("is not asked"));
        page.getByText("add a line").first().click();
        page.getByLabel("question of line 4").selectOption("outcome");
        page.getByLabel("value of line 4").selectOption(new SelectOption().setLabel("Eligible"));
        press("Use this condition");
        assertThat(page.locator("#own-new")).hasValue("answered(nights) and not(asked(landlord)) and outcome = \"eligible\"");
        press("Add the claim");
        assertThat(page.locator(".own-row:not(.ready)")).hasCount(before + 2);
        Chromium.open(page, application.address() + "/q/" + draft.code() + "/prove?claim=own+homes_have_hours");
        assertThat(page.locator("#chosen .sign").first()).hasText("refuted");
        assertThat(page.locator("#chosen")).containsText("Ends as: ");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Own claims")).click();
        page.locator("#own-" + before).fill("nonsense");
        page.locator(".own-row:not(.ready)").nth(before).getByText("Change it").click();
        assertThat(page.locator("#message")).containsText("there is no question or value called nonsense");
        assertThat(page.locator("#own-" + before)).hasValue("nonsense");
        page.locator(".own-row:not(.ready)").nth(before).getByText("Remove").click();
        assertThat(page.locator(".own-row:not(.ready)")).hasCount(before + 1);
        Chromium.open(page, application.address() + "/q/" + draft.code() + "/prove?claim=own+homes_have_hours");
        assertThat(page.locator("#chosen .notice")).containsText("does not exist in this revision");
    }
}
