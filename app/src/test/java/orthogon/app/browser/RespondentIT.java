package orthogon.app.browser;

import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.math.BigDecimal;
import java.net.URI;
import java.time.LocalDate;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The respondent's pages of the intake, as they are without script, and against requests that no page would send. */
class RespondentIT {

    private final String address = RunningApplication.withDemo().address();

    private String link() {
        Page analyst = Chromium.signedIn(address, "osk");
        Chromium.open(analyst, address + "/q/found_animal/release");
        String link = address + analyst.locator("a[href^='/to/']").first().getAttribute("href");
        // A window behind another one is drawn seldom.
        analyst.context().close();
        return link;
    }

    private static void check(Page page, String question, String option) {
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(question)).getByLabel(option).check();
    }

    @Test
    void theWholeIntakeWithoutScriptOnAPhone() {
        String link = link();
        // So tall that nothing is scrolled to: without script, a page that was scrolled draws no frame to tell that it is at rest.
        Page page = Chromium.context(new Browser.NewContextOptions().setJavaScriptEnabled(false).setViewportSize(390, 4000)).newPage();
        page.navigate(link);
        Chromium.press(page, "Begin");
        page.getByLabel("When did you find it?").fill(LocalDate.now().minusDays(40).toString());
        page.getByLabel("Where did you find it?").fill("Mill lane <b>& weir</b>");
        check(page, "Is it inside a building now?", "Yes");
        Chromium.press(page, "Next");
        // A question appears on leaving the page, and nothing is called wrong for it.
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("one more question");
        check(page, "What is it kept in?", "A cage");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("Write a date on or after");
        page.getByLabel("When did you find it?").fill(LocalDate.now().toString());
        Chromium.press(page, "Next");
        assertThat(page.getByText("Which kind of animal is in the building?")).isVisible();
        check(page, "Which kind of animal is in the building?", "Bird");
        check(page, "Is it alive?", "Yes");
        Chromium.press(page, "Next");
        page.getByLabel("Which one").selectOption("owl");
        assertThat(page.getByLabel("Which one").locator("option[value='fox']")).hasCount(0);
        page.getByLabel("How many animals").fill("1");
        check(page, "How old does it look?", "Fully grown");
        Chromium.press(page, "Next");
        check(page, "What did you see?", "Blood");
        check(page, "What did you see?", "None of these");
        check(page, "Was it caught by a cat?", "Yes");
        check(page, "Does it try to get away", "No");
        Chromium.press(page, "Next");
        check(page, "Has the bleeding stopped?", "No");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("“None of these” cannot be combined");
        page.getByLabel("None of these").uncheck();
        Chromium.press(page, "Next");
        page.getByLabel("Given name").fill("Wenna");
        page.getByLabel("Family name").fill("Tregle");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("Your phone number");
        page.getByLabel("Your phone number").fill("01632 960 118");
        Chromium.press(page, "Next");
        // Its usual form comes back, and how to be reached is asked now.
        assertThat(page.getByLabel("Your phone number")).hasValue("+441632960118");
        check(page, "How shall we reach you?", "By phone");
        Chromium.press(page, "Next");
        Chromium.press(page, "Next");
        check(page, "Can you bring it to the station yourself?", "Yes");
        Chromium.press(page, "Next");
        assertThat(page.getByLabel("Tomorrow")).hasCount(0);
        check(page, "When can you be here?", "Within an hour");
        Chromium.press(page, "Next");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Please tick the box");
        page.getByLabel("The station may keep my answers").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("main")).containsText("Mill lane <b>& weir</b>");
        Chromium.press(page, "Change Where and when");
        // Nothing else is asked because of it, so the review comes next.
        Chromium.press(page, "Next");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("h1")).hasText("Bring it in now");
        String receipt = page.locator(".receipt b").textContent();
        page.goBack();
        page.reload();
        assertEquals(receipt, page.locator(".receipt b").textContent(), "sending twice makes one response");
        com.microsoft.playwright.APIResponse paper = page.request().get(page.url().replaceFirst("/receipt.*", "/receipt.pdf"));
        assertEquals("application/pdf", paper.headers().get("content-type"));
        assertTrue(
                paper.body().length > 5_000 && new String(paper.body(), 0, 5, java.nio.charset.StandardCharsets.US_ASCII).equals("%PDF-"));
        assertThat(page.locator("body")).not().hasCSS("overflow-x", "scroll");
    }

    private static final RunningApplication APPLICATION = RunningApplication.withDemo();

    private static Questionnaire of(Question... questions) {
        return Questionnaire.blank("fen_walk", "Fen walk").withPages(List.of(pageOf("first", questions),
                pageOf("second", Question.of("last", "Anything else?", new TextAnswer(true, null, 500)))))
                .withEnding(List.of(new Questionnaire.Outcome("done", "Done", "")), List.of(new Questionnaire.OutcomeRow("", "done")));
    }

    private static orthogon.core.questionnaire.Page pageOf(String code, Question... questions) {
        return orthogon.core.questionnaire.Page.empty(code, "Page " + code).withItems(List.of(questions));
    }

    @Test
    void numbersAreReadAsTheyAreWrittenAndAskedBackWhereTheyCanMeanTwoThings() {
        Question count = Question.of("geese", "How many geese?", new NumberAnswer(BigDecimal.ZERO, null, 0, ""));
        Page page = Chromium.visitor();
        page.navigate(address + APPLICATION.released(of(count)));
        Chromium.press(page, "Begin");
        page.getByLabel("How many geese?").fill("1.000");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("“1.000” can mean 1 or 1000");
        assertThat(page.getByLabel("How many geese?")).hasValue("1.000");
        page.getByLabel("How many geese?").fill("1,000");
        Chromium.press(page, "Next");
        Chromium.press(page, "Back");
        assertThat(page.getByLabel("How many geese?")).hasValue("1000");
    }

    @Test
    void whatWasTypedIsThereAfterTheTabWasClosedAndTheLinkOffersToGoOn() {
        Question where = Question.of("where_seen", "Where was it?", new TextAnswer(true, null, 500)).withRequireWhen("true");
        Question when = Question.of("day_seen", "Which day?", new DateAnswer(null, null)).withRequireWhen("true");
        String link = address + APPLICATION.released(of(where, when));
        BrowserContext browser = Chromium.context(new Browser.NewContextOptions());
        Page page = browser.newPage();
        page.navigate(link);
        Chromium.press(page, "Begin");
        page.getByLabel("Where was it?").fill("Below the weir");
        page.close(new Page.CloseOptions().setRunBeforeUnload(false));
        Page again = browser.newPage();
        again.waitForCondition(() -> {
            again.navigate(link);
            again.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Continue where you stopped")).click();
            return again.getByLabel("Where was it?").inputValue().equals("Below the weir");
        });
        // Refused, then the browser's own way back: nothing is sent again, and nothing is lost.
        Chromium.press(again, "Next");
        assertThat(again.locator("#problems")).containsText("Which day?");
        again.goBack();
        assertThat(again.getByLabel("Where was it?")).hasValue("Below the weir");
        again.reload();
        assertThat(again.getByLabel("Where was it?")).hasValue("Below the weir");
    }

    @Test
    void aPageOfManyQuestionsWithAFileIsReadWholeAndARefusedFileIsNotKept() {
        List<Question> questions = new ArrayList<>();
        for (int i = 1; i <= 120; i++) {
            questions.add(Question.of("q" + i, "Question " + i, new TextAnswer(false, null, 20)));
        }
        questions.add(Question.of("picture", "A picture", new FileAnswer(1, 20_000, List.of("image/*"))));
        Page page = Chromium.visitor();
        page.navigate(address + APPLICATION.released(of(questions.toArray(Question[]::new))));
        Chromium.press(page, "Begin");
        page.getByLabel("Question 120").fill("the last one");
        page.locator("input[type=file]").setInputFiles(new FilePayload("large.png", "image/png", png(60_000)));
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("“large.png” is larger than");
        assertThat(page.getByLabel("Question 120")).hasValue("the last one");
        page.locator("input[type=file]").setInputFiles(new FilePayload("one.png", "image/png", png(200)));
        Chromium.press(page, "Next");
        Chromium.press(page, "Back");
        assertThat(page.locator(".files li")).hasCount(1);
        assertThat(page.locator(".files li")).containsText("one.png");
        page.locator("input[type=file]").setInputFiles(new FilePayload("two.png", "image/png", png(300)));
        Chromium.press(page, "Next");
        Chromium.press(page, "Back");
        assertThat(page.locator(".files li")).containsText("two.png");
        assertThat(page.locator(".files li")).hasCount(1);
    }

    @Test
    void anUploadBeyondEveryLimitIsAnsweredInTheRespondentsLanguageAndLeadsBack() throws Exception {
        Page page = Chromium.visitor();
        page.navigate(address + APPLICATION.released(of(Question.of("note", "A note", new TextAnswer(false, null, 20)),
                Question.of("picture", "A picture", new FileAnswer(1, 20_000, List.of("image/*"))))) + "?lang=en");
        Chromium.press(page, "Begin");
        String interview = page.url();
        HttpResponse<String> refused = HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(interview))
                .header("Content-Type", "multipart/form-data; boundary=edge").header("Accept-Language", "en")
                .POST(HttpRequest.BodyPublishers.concat(
                        HttpRequest.BodyPublishers.ofString("--edge\r\nContent-Disposition: form-data; name=\"picture\"; "
                                + "filename=\"vast.png\"\r\nContent-Type: image/png\r\n\r\n"),
                        HttpRequest.BodyPublishers.ofByteArray(png(34_000_000)), HttpRequest.BodyPublishers.ofString("\r\n--edge--\r\n")))
                .build(), HttpResponse.BodyHandlers.ofString());
        Assertions.assertThat(refused.statusCode()).isEqualTo(413);
        Assertions.assertThat(refused.body()).contains("What you sent is too large. Send at most 32 MB at a time.")
                .contains("Continue where you stopped")
                .doesNotContain("To the Desk");
    }

    @Test
    void aBrowserMayWishForManyLanguages() throws Exception {
        String languages = String.join(",", IntStream.range(0, 1_000).mapToObj(i -> "x" + (char) ('a' + i % 26) + "-" + i % 9).toList());
        String known = APPLICATION.released(of(Question.of("note", "A note", new TextAnswer(false, null, 20))));
        for (String wish : List.of(languages, "de,fr,es,it,pl,nl,sv,da,fi,cs,en", "en-,*;q=x," + "a".repeat(300))) {
            for (String path : List.of(known, "/login", "/to/nowhere", "/nothing")) {
                HttpResponse<String> answer = HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(address + path))
                        .header("Accept-Language", wish).build(), HttpResponse.BodyHandlers.ofString());
                Assertions.assertThat(answer.statusCode()).as(path).isLessThan(500);
            }
        }
    }

    private static byte[] png(int size) {
        byte[] bytes = new byte[size];
        byte[] head = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0, 0, 0, 13, 'I', 'H', 'D', 'R'};
        System.arraycopy(head, 0, bytes, 0, head.length);
        return bytes;
    }

    private static APIResponse post(APIRequestContext request, String url, String... pairs) {
        FormData form = FormData.create();
        for (int i = 0; i < pairs.length; i += 2) {
            form.append(pairs[i], pairs[i + 1]);
        }
        return request.post(url, RequestOptions.create().setForm(form).setMaxRedirects(0));
    }

    @Test
    void whatNoPageWouldSendIsRefusedWithAWordAndNothingIsLost() {
        Page page = Chromium.visitor();
        page.navigate(link());
        Chromium.press(page, "Begin");
        String interview = page.url();
        APIRequestContext request = page.request();

        APIResponse forgedPage = post(request, interview, "~page", "bring", "can_bring", "yes", "~go", "next");
        assertEquals(409, forgedPage.status());
        assertTrue(forgedPage.text().contains("already on another page"), forgedPage.text());

        assertEquals(409, post(request, interview + "/live", "~page", "bring").status(), "what came late is told nothing");

        APIResponse forgedOption = post(request, interview, "~page", "found", "when_found", LocalDate.now().toString(), "where_found",
                "Here we are",
                "indoors", "perhaps", "~go", "next");
        assertEquals(302, forgedOption.status(), "told on a page of its own address, so that going back sends nothing again");
        page.navigate(URI.create(interview).resolve(forgedOption.headers().get("location")).toString());
        assertThat(page.locator("#problems")).containsText("Is it inside a building now?");
        assertThat(page.getByLabel("Where did you find it?")).hasValue("Here we are");

        APIResponse unsent = post(request, interview + "/send");
        assertEquals(302, unsent.status());
        page.navigate(interview);
        assertThat(page.getByLabel("Where did you find it?")).hasValue("Here we are");

        assertEquals(404, request.get(address + "/i/0123456789abcdef0123456789abcdef").status());
        APIResponse nothing = request.get(address + "/to/nothing-here");
        assertEquals(404, nothing.status());
        assertTrue(nothing.text().contains("check the link"), nothing.text());
        for (APIResponse response : new APIResponse[]{forgedPage, forgedOption, nothing, request.get(address + "/i/..%2f..")}) {
            assertTrue(!response.text().contains("Exception") && !response.text().contains("\tat "), response.text());
        }
    }
}
