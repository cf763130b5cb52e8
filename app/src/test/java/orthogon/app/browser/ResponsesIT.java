package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import orthogon.app.store.DraftStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import org.apache.poi.ss.usermodel.DateUtil;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Reads, chooses, saves, marks and erases responses as those do who answer them each morning. */
class ResponsesIT {

    private static final String TABLE = "/q/found_animal/responses";

    private final RunningApplication application = RunningApplication.fresh();
    private final Page ines = Chromium.signedIn(application.address(), "ines");

    @AfterEach
    void close() {
        ines.context().close();
        application.close();
    }

    private static void chooseLine(Page page, int line, String subject, String comparison, String value) {
        page.getByLabel("question of line " + line).selectOption(subject);
        page.getByLabel("comparison of line " + line).waitFor();
        page.getByLabel("comparison of line " + line)
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(comparison));
        Locator field = page.getByLabel("value of line " + line, new Page.GetByLabelOptions().setExact(true));
        field.waitFor();
        if (field.evaluate("f => f.tagName").equals("SELECT")) {
            field.selectOption(value);
        } else {
            field.fill(value);
            field.blur();
        }
        page.waitForFunction("() => !document.querySelector('.htmx-request')");
    }

    private static void isAccessible(Page page) {
        assertEquals(List.of(), new AxeBuilder(page).analyze().getViolations().stream().map(v -> v.getId() + " " + v.getNodes()).toList());
    }

    @Test
    void aMorningWithTheResponses() throws IOException {
        ines.navigate(application.address() + TABLE);
        assertThat(ines.locator(".count")).containsText("400 of 400");

        // A view of four columns.
        ines.locator("summary", new Page.LocatorOptions().setHasText("Columns")).click();
        ines.locator("#columns input[name=column]").evaluateAll("boxes => boxes.forEach(box => { box.checked = false; })");
        for (String column : List.of("sent", "state", "species", "animals")) {
            ines.locator("#columns input[value=" + column + "]").check();
        }
        Chromium.press(ines, "Show these columns");
        assertThat(ines.locator(".responses-table > thead th a")).hasCount(4);

        // Birds that bleed, not done yet, of the last thirty days, by the sentence builder.
        Chromium.press(ines, "Add a condition");
        chooseLine(ines, 2, "group", "is", "bird");
        ines.locator(".sentence").getByText("add a line").click();
        chooseLine(ines, 3, "seen", "includes", "blood");
        ines.locator(".sentence").getByText("add a line").click();
        chooseLine(ines, 4, "state", "is not", "done");
        assertThat(ines.locator(".sentence .says")).containsText("group is bird");
        Chromium.press(ines, "Use this condition");
        assertThat(ines.locator(".chip")).hasCount(3);
        int found = Integer.parseInt(ines.locator(".count b").textContent());
        assertTrue(found > 3 && found < 100, found + " found");
        ines.locator("summary", new Page.LocatorOptions().setHasText("Save as a view")).click();
        ines.getByLabel("Name of the view").fill("Bleeding birds");
        Chromium.press(ines, "Save the view");
        assertThat(ines.locator(".views a[aria-current]")).hasText("Bleeding birds");
        isAccessible(ines);

        // Three of them as a workbook.
        List<String> chosen = new ArrayList<>();
        for (int row = 0; row < 3; row++) {
            Locator tick = ines.locator("input[name=receipt]").nth(row);
            tick.check();
            chosen.add(tick.getAttribute("value"));
        }
        assertThat(ines.locator("[data-chosen]")).hasText("3");
        ines.locator("summary", new Page.LocatorOptions().setHasText("Save as a file")).click();
        Download saved = ines.waitForDownload(() -> Chromium.press(ines, "XLSX"));
        try (InputStream in = saved.createReadStream(); XSSFWorkbook book = new XSSFWorkbook(in)) {
            Sheet sheet = book.getSheet("responses");
            assertEquals(3, sheet.getLastRowNum());
            List<String> receipts = new ArrayList<>();
            List<String> heads = new ArrayList<>();
            sheet.getRow(0).forEach(cell -> heads.add(cell.getStringCellValue()));
            for (Row row : sheet) {
                if (row.getRowNum() > 0) {
                    receipts.add(row.getCell(0).getStringCellValue());
                    assertTrue(DateUtil.isCellDateFormatted(row.getCell(heads.indexOf("when_found"))));
                    assertEquals("bird", row.getCell(heads.indexOf("group")).getStringCellValue());
                }
            }
            assertEquals(chosen, receipts);
            assertTrue(book.getSheet("animals") != null && book.getSheet("dictionary").getLastRowNum() > 40);
        }

        // Their state, all at once.
        ines.navigate(application.address() + TABLE + "?view=Bleeding%20birds");
        chosen.forEach(receipt -> ines.locator("input[value='" + receipt + "']").check());
        ines.getByLabel("State", new Page.GetByLabelOptions().setExact(true)).selectOption("in_work");
        Chromium.press(ines, "Set the state");
        assertThat(ines.getByRole(AriaRole.STATUS)).containsText("3 responses are in work now.");
        assertThat(ines.locator("tr", new Page.LocatorOptions().setHasText(chosen.getFirst()))).containsText("in work");

        // One of them, with what was asked and why not more; the next by its key; a note.
        ines.locator("a.code", new Page.LocatorOptions().setHasText(chosen.getFirst())).click();
        assertThat(ines.locator("h1")).hasText("Response " + chosen.getFirst());
        ines.locator(".left-out summary").first().click();
        assertThat(ines.locator(".left-out dd").first()).containsText("needs");
        ines.getByLabel("Note", new Page.GetByLabelOptions().setExact(true)).fill("The box is ready by the blue gate.");
        Chromium.press(ines, "Add the note");
        assertThat(ines.locator(".notes")).containsText("blue gate");
        isAccessible(ines);
        ines.keyboard().press("j");
        assertThat(ines.locator("h1")).hasText("Response " + chosen.get(1));

        // All that are shown cannot be chosen once another window shows others.
        ines.navigate(application.address() + TABLE + "?view=Bleeding%20birds");
        Page other = ines.context().newPage();
        other.navigate(application.address() + TABLE + "?filter=");
        other.close();
        ines.getByLabel("all " + found + " that are shown", new Page.GetByLabelOptions().setExact(true)).check();
        Chromium.press(ines, "Erase…");
        assertThat(ines.getByRole(AriaRole.ALERT)).containsText("in another window");
        assertThat(ines.locator(".count")).containsText("400 of 400");

        // The second is erased, and is nowhere any more.
        long questionnaire = application.part(DraftStore.class).head("found_animal").orElseThrow().id();
        Response erased = application.part(ResponseStore.class).find(questionnaire, chosen.get(1)).orElseThrow();
        ines.navigate(application.address() + TABLE + "?view=Bleeding%20birds");
        ines.locator("input[value='" + chosen.get(1) + "']").check();
        Chromium.press(ines, "Erase…");
        ines.getByLabel("Type 1 to erase it").fill("2");
        Chromium.press(ines, "Erase for good");
        assertThat(ines.locator(".fault")).containsText("type their number: 1");
        ines.getByLabel("Type 1 to erase it").fill("1");
        Chromium.press(ines, "Erase for good");
        assertThat(ines.getByRole(AriaRole.STATUS)).containsText("1 response erased for good.");
        assertThat(ines.locator(".count")).containsText((found - 1) + " of 399");
        assertEquals(404, ines.request().get(application.address() + TABLE + "/" + chosen.get(1)).status());
        String all = ines.request().get(application.address() + TABLE + "/file.csv?within=true").text();
        assertEquals(400, all.lines().count());
        assertFalse(all.contains(chosen.get(1)));
        JdbcClient rows = application.part(JdbcClient.class);
        for (String count : List.of("answer where receipt = '" + erased.receipt() + "'", "answer_value where response = " + erased.number(),
                "response_words where response = " + erased.number(), "response_open_words where response = " + erased.number(),
                "response_tally where response = " + erased.number(), "interview where id = '" + erased.interviewId() + "'",
                "page_visit where interview_id = '" + erased.interviewId() + "'",
                "audit where did like '%" + erased.receipt() + "%' and did"
                        + " not like 'erased%' and did not like 'set the state%'")) {
            assertEquals(0, rows.sql("select count(*) from " + count).query(Integer.class).single(), count);
        }
    }

    @Test
    void figuresAndWhatWasProvedBesideLife() {
        ines.navigate(application.address() + TABLE + "/figures");
        assertThat(ines.locator(".figure-page")).containsText("400 sent");
        assertThat(ines.locator("#f-group")).containsText("400 asked, 400 answered");
        isAccessible(ines);
        ines.getByLabel("beside each other").selectOption("outcome");
        ines.getByLabel("one group").selectOption("now");
        ines.getByLabel("the other group").selectOption("closed");
        Chromium.press(ines, "Show");
        assertThat(ines.locator(".legend b")).hasText(new String[]{"Bring it in now", "Not ours"});
        assertThat(ines.locator("#f-place_kind rect.group1").first()).isVisible();
        ines.getByLabel("beside each other").selectOption("station");
        ines.getByLabel("one group").selectOption("north");
        ines.getByLabel("the other group").selectOption("south");
        Chromium.press(ines, "Show");
        assertThat(ines.locator("h2").first()).containsText(Pattern.compile("[1-9]\\d+ / [1-9]\\d+ began, [1-9]\\d+ / [1-9]\\d+ sent"));

        // The commonest route is a lane of the proof, and the only one drawn then.
        ines.navigate(application.address() + TABLE + "/life");
        ines.getByText("its lane").first().click();
        assertThat(ines.locator(".lane-count").first()).containsText("1 of 4");
        assertThat(ines.locator("#lane-box .lane")).hasCount(1);
        ines.getByText("only the route of a response").click();
        assertThat(ines.locator(".lane-count").first()).not().containsText("1 of 4");
        ines.navigate(application.address() + TABLE + "/life");
        assertThat(ines.locator(".figure-page")).containsText("4 452 proved routes".replace(' ', '\u202f'));
        isAccessible(ines);
        assertThat(ines.locator("tr", new Page.LocatorOptions().setHasText("100.0 %"))).containsText("photos");
    }

    /** All words of a document, without spaces. */
    private String words(Page page, String path) throws IOException {
        try (PDDocument document = Loader.loadPDF(page.request().get(application.address() + TABLE + path).body())) {
            return new PDFTextStripper().getText(document).replaceAll("\\s", "");
        }
    }

    /** Who may not read personal answers sees them nowhere: not in the table, in one response, in files, by searching or by filtering. */
    @Test
    void aViewerSeesPersonalAnswersNowhere() throws IOException {
        long questionnaire = application.part(DraftStore.class).head("found_animal").orElseThrow().id();
        ResponseStore store = application.part(ResponseStore.class);
        Response some = store.all(store.numbers(questionnaire)).stream().filter(r -> r.answers().get("phone") instanceof String).findFirst()
                .orElseThrow();
        String phone = (String) some.answers().get("phone");
        Page osk = Chromium.signedIn(application.address(), "osk");
        osk.navigate(application.address() + TABLE + "?search=" + some.receipt());
        assertThat(osk.locator(".count b")).hasText("1");
        osk.locator("summary", new Page.LocatorOptions().setHasText("Columns")).click();
        osk.locator("#columns input[value=phone]").check();
        Chromium.press(osk, "Show these columns");
        assertThat(osk.locator(".masked").first()).hasText("personal");
        assertFalse(osk.content().contains(phone));
        osk.locator("tbody a.code").click();
        assertThat(osk.locator("h1")).containsText(some.receipt());
        assertFalse(osk.content().contains(phone));
        assertThat(osk.locator(".masked").first()).hasText("personal");
        String digits = phone.substring(phone.length() - 6);
        osk.navigate(application.address() + TABLE + "?search=" + digits);
        assertThat(osk.locator(".count b")).hasText("0");
        osk.navigate(application.address() + TABLE + "?search=&filter=phone%20%3D%20%22" + phone.replace("+", "%2B") + "%22");
        assertThat(osk.getByRole(AriaRole.ALERT).first()).containsText("personal answer");
        assertThat(osk.locator(".count b")).hasText("400");
        for (String file : List.of("/file.csv?within=true", "/file.json", "/file.csv?within=true&labels=true")) {
            String text = osk.request().get(application.address() + TABLE + file).text();
            assertTrue(text.contains(some.receipt()));
            assertFalse(text.contains(phone), file);
        }
        assertTrue(ines.request().get(application.address() + TABLE + "/file.csv?within=true").text().contains(phone));
        String paper = "/" + some.receipt() + "/paper.pdf";
        assertTrue(words(ines, paper).contains(phone.replace(" ", "")));
        assertTrue(words(osk, paper).contains(some.receipt()));
        assertFalse(words(osk, paper).contains(phone.replace(" ", "")));
        for (String path : List.of("/chosen", "/erase", "/" + some.receipt() + "/note", "/" + some.receipt() + "/mark")) {
            assertEquals(403, osk.request().post(application.address() + TABLE + path).status(), path);
        }
        osk.context().close();
    }
}
