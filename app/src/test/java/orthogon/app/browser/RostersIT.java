package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.util.List;
import orthogon.app.store.DraftStore;
import orthogon.app.store.ResponseStore;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Several records in one sitting, as an analyst and respondents go through them. */
@ExtendWith(Chromium.class)
class RostersIT {

    private final RunningApplication application = RunningApplication.empty();
    private final Page ines = Chromium.signedIn(application.address(), "ines");

    @AfterEach
    void close() {
        ines.context().close();
        application.close();
    }

    private void release(String code) {
        Chromium.open(ines, application.address() + "/q/" + code + "/release");
        assertThat(ines.locator("h1")).hasText("The gate is open");
        ines.locator("#notes").fill("First.");
        ines.locator("button", new Page.LocatorOptions().setHasText("Release ")).first().click();
        assertThat(ines.locator("#releases + table")).containsText("First.");
    }

    private static void settled(Page page) {
        page.locator("#questions:not([aria-busy])").waitFor();
    }

    private static Page phone() {
        return Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
    }

    private static final Questionnaire CAMP = Questionnaire.blank("camp", "Camp")
            .withPages(List.of(orthogon.core.questionnaire.Page.empty("who", "Who comes").withItems(List.of(
                    Question.of("persons", "How many of you come?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(6), 0, ""))
                            .withRequireWhen("true"),
                    Question.of("mail", "Your email address", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")).withRequireWhen("true"),
                    new Roster("people", "Everybody", "Person", "", 1, 6, List.of(
                            Question.of("first_name", "First name", new TextAnswer(false, null, 40)).withRequireWhen("true"),
                            Question.of("age", "Age", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(120), 0, "years"))
                                    .withRequireWhen("true"))),
                    new Derived("names", "string join(people.first_name, \", \")")))))
            .withDispatch(new Dispatch(List.of(new DispatchMessage("to_you", "To you", "", List.of(), List.of("mail"), "Camp",
                    "We look forward to {names}.", ToldAnswers.NOTHING, List.of())), List.of(), List.of()));

    @Test
    void asManyEntriesAsAnAnswerSaysEachOnAPageOfItsOwnOnAPhone() {
        application.part(DraftStore.class).create(CAMP, "jory", "began");
        Chromium.open(ines, application.address() + "/q/camp/compose?at=people");
        ines.getByLabel("As many as").fill("mail");
        ines.getByLabel("At least").focus();
        assertThat(ines.locator("#inspector")).containsText("how many entries there are is a number, but this is a text");
        ines.getByLabel("As many as").fill("persons");
        ines.getByLabel("At least").focus();
        assertThat(ines.locator("#rows tr", new Page.LocatorOptions().setHasText("Everybody"))).containsText("roster of persons");
        release("camp");

        Page page = phone();
        page.navigate(application.address() + "/to/camp");
        Chromium.press(page, "Begin");
        Locator listed = page.locator(".in-short a");
        // One entry is answered where it stands.
        assertThat(listed).isHidden();
        assertThat(page.getByLabel("First name")).isVisible();
        assertThat(page.locator("button[value^='add:']")).hasCount(0);
        page.getByLabel("How many of you come?").fill("3");
        page.getByLabel("Your email address").fill("wenna@example.org");
        page.getByLabel("Your email address").blur();
        assertThat(listed).hasCount(3);
        assertThat(page.getByLabel("First name").first()).isHidden();
        listed.nth(1).click();
        assertThat(page.locator("h3:visible")).hasText("Person 2");
        assertThat(page.getByLabel("How many of you come?")).isHidden();
        assertThat(page.locator("#go")).isHidden();
        page.getByLabel("First name").nth(1).fill("Orrin");
        page.getByLabel("Age").nth(1).fill("31");
        assertEquals(List.of(), Chromium.violations(page));
        Chromium.press(page, "Done");
        assertThat(listed.nth(1)).isFocused();
        assertThat(page.locator(".in-short li").nth(1)).containsText("Orrin · 31 years");
        assertThat(page.locator(".in-short li").nth(2)).containsText("no answer");
        assertEquals(List.of(), Chromium.violations(page));

        // What is wrong leads to the entry in which it is; the way back leads to all of them.
        Chromium.press(page, "Review and send");
        assertThat(page.locator(".in-short li").first()).containsText("First name: ");
        page.locator("#problems a").first().click();
        assertThat(page.locator("h3:visible")).hasText("Person 1");
        page.getByLabel("First name").first().fill("Wenna");
        page.getByLabel("Age").first().fill("30");
        page.goBack();
        assertThat(page.locator("h3:visible")).hasCount(0);
        listed.nth(2).click();
        page.getByLabel("First name").nth(2).fill("Sorrel");
        page.getByLabel("Age").nth(2).fill("9");
        Chromium.press(page, "Done");

        // Fewer, then as many again: nothing that was given is lost.
        page.getByLabel("How many of you come?").fill("2");
        page.getByLabel("How many of you come?").blur();
        assertThat(listed).hasCount(2);
        page.getByLabel("How many of you come?").fill("3");
        page.getByLabel("How many of you come?").blur();
        assertThat(listed).hasCount(3);
        assertThat(page.locator(".in-short li").nth(2)).containsText("Sorrel · 9 years");
        settled(page);
        Chromium.press(page, "Review and send");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("main")).containsText("Your answers have been sent");
        page.context().close();

        ines.navigate(application.address() + "/outbox?plain=true");
        assertThat(ines.locator("main")).containsText("We look forward to Wenna, Orrin, Sorrel.");
    }

    @Test
    void anEntryThatIsAddedOnAPhoneIsOpened() {
        Questionnaire walk = Questionnaire.blank("walk", "Walk").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("who", "Who walks").withItems(List.of(
                        new Roster("dogs", "Dogs", "Dog", "", 0, 3, List.of(
                                Question.of("call", "What do you call it?", new TextAnswer(false, null, 40)).withRequireWhen("true"))),
                        Question.of("more", "Anything else?", new TextAnswer(false, null, 40))))));
        application.part(DraftStore.class).create(walk, "jory", "began");
        release("walk");
        Page page = phone();
        page.navigate(application.address() + "/to/walk");
        Chromium.press(page, "Begin");
        for (int n = 1; n <= 2; n++) {
            settled(page);
            page.locator("button[value='add:dogs']").click();
            assertThat(page.locator("h3:visible")).hasText("Dog " + n);
            page.getByLabel("What do you call it?").nth(n - 1).fill("Rook " + n);
            if (n > 1) {
                Chromium.press(page, "Done");
            }
            assertThat(page.getByLabel("Anything else?")).isVisible();
        }
        assertThat(page.locator(".in-short li")).hasText(new String[]{"Dog 1 Rook 1", "Dog 2 Rook 2"});
        // On a wide screen all of it is in sight, and the list leads to each.
        page.setViewportSize(1280, 800);
        assertThat(page.getByLabel("What do you call it?").first()).isVisible();
        page.context().close();
    }

    @Test
    void severalRecordsAreGivenInOneSitting() throws IOException {
        Questionnaire homes = Questionnaire.blank("homes", "Homes").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("home", "The home").withItems(List.of(
                        Question.of("home_name", "What is the home called?", new TextAnswer(false, null, 40)).withRequireWhen("true"))),
                orthogon.core.questionnaire.Page.empty("who", "Who lives there").withItems(List.of(
                        new Roster("people", "Everybody", "Person {number} at {home_name}", "", 1, 6, List.of(
                                Question.of("first_name", "First name", new TextAnswer(false, null, 40)).withRequireWhen("true"),
                                Question.of("age", "Age", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(120), 0, "years"))))))));
        application.part(DraftStore.class).create(homes, "jory", "began");
        release("homes");
        Page page = Chromium.visitor();
        page.navigate(application.address() + "/to/homes");
        Chromium.press(page, "Begin");
        page.getByLabel("What is the home called?").fill("Reed Cottage");
        Chromium.press(page, "Next");
        List<String> names = List.of("Wenna", "Orrin", "Sorrel");
        for (int n = 0; n < names.size(); n++) {
            if (n > 0) {
                settled(page);
                page.locator("button[value='add:people']").click();
            }
            assertThat(page.locator(".entry-head h3").nth(n)).hasText("Person " + (n + 1) + " at Reed Cottage");
            page.getByLabel("First name").nth(n).fill(names.get(n));
            page.getByLabel("Age").nth(n).fill(String.valueOf(30 + n));
        }
        assertEquals(List.of(), Chromium.violations(page));
        Chromium.press(page, "Review and send");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("main")).containsText("Your answers have been sent");
        page.context().close();

        Chromium.open(ines, application.address() + "/q/homes/responses");
        ines.locator(".responses-table summary").click();
        assertThat(ines.locator(".inside tbody tr td:first-child")).hasText(names.toArray(String[]::new));
        ines.locator("summary", new Page.LocatorOptions().setHasText("Save as a file")).click();
        Download saved = ines.waitForDownload(() -> Chromium.press(ines, "XLSX"));
        try (InputStream in = saved.createReadStream(); XSSFWorkbook book = new XSSFWorkbook(in)) {
            Sheet people = book.getSheet("people");
            long id = application.part(DraftStore.class).head("homes").orElseThrow().id();
            ResponseStore responses = application.part(ResponseStore.class);
            String receipt = responses.receipts(responses.numbers(id)).getFirst();
            for (int n = 1; n <= names.size(); n++) {
                assertEquals(receipt, people.getRow(n).getCell(0).getStringCellValue());
                assertEquals(n, people.getRow(n).getCell(1).getNumericCellValue());
                assertEquals(names.get(n - 1), people.getRow(n).getCell(2).getStringCellValue());
            }
        }
    }
}
