package orthogon.app.browser;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.scale.StepSign;
import orthogon.core.answer.signature.SignatureAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.math.BigDecimal;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Controls that are more than a box, with script; how questionnaires are laid out; and links. */
class AnswerTypesIT {

    private static final byte[] PIXEL = java.util.Base64.getDecoder().decode(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private final RunningApplication application = RunningApplication.withDemo();

    private static Questionnaire of(Item... items) {
        return Questionnaire.blank("types", "Types")
                .withPages(List.of(orthogon.core.questionnaire.Page.empty("p", "All kinds").withItems(List.of(items))));
    }

    private Page begin(Questionnaire document) {
        Page page = Chromium.visitor();
        page.setDefaultTimeout(60_000);
        page.navigate(application.address() + application.released(document));
        Chromium.press(page, "Begin");
        return page;
    }

    private static String valueOf(Page page, String slot) {
        return page.locator("[name='" + slot + "']").inputValue();
    }

    @Test
    void aSliderIsUnansweredUntilItIsMoved() {
        Page page = begin(of(Question.of("weight", "What does it weigh?",
                new NumberAnswer(BigDecimal.ZERO, new BigDecimal(90), 0, "kg", true)).withRequireWhen("true")));
        Locator slider = page.getByRole(AriaRole.SLIDER);
        assertThat(slider).hasAttribute("aria-valuetext", "no answer yet");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Please answer this question.");
        page.getByRole(AriaRole.SLIDER).focus();
        page.keyboard().press("ArrowRight");
        assertEquals("46", valueOf(page, "weight"));
        page.locator("[name=weight]").fill("12");
        assertEquals("12", page.getByRole(AriaRole.SLIDER).inputValue());
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers")).containsText("12 kg");
    }

    @Test
    void aSearchableListTakesLabelsAndRefusesWhatIsNone() {
        List<Option> many = IntStream.range(0, 60).mapToObj(i -> Option.of("place_" + i, "Roost number " + i)).toList();
        Page page = begin(of(Question.of("roost", "Which roost?",
                new OneChoice(many, new OptionLayout(OptionLayout.ShownAs.SEARCH, 1, false))).withRequireWhen("true")));
        page.getByLabel("Which roost?").fill("Nowhere");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Choose one of the options shown.");
        assertThat(page.getByLabel("Which roost?")).hasValue("Nowhere");
        page.getByLabel("Which roost?").fill("roost number 41");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers")).containsText("Roost number 41");
        Chromium.press(page, "Change All kinds");
        assertThat(page.getByLabel("Which roost?")).hasValue("Roost number 41");
    }

    @Test
    void shuffledOptionsStayAsTheyWereForOnePersonAndEndWithWhatStandsAlone() {
        List<Option> options = new java.util.ArrayList<>(IntStream.range(0, 8)
                .mapToObj(i -> Option.of("o" + i, "Option " + i)).toList());
        options.addFirst(new Option("none", "None of these", null, true, ""));
        options.add(1, new Option("another", "Something else", null, false, "", true, ""));
        Questionnaire document = of(Question.of("seen", "Seen?",
                new ManyChoices(options, null, null, new OptionLayout(OptionLayout.ShownAs.RADIO, 2, true))).withRequireWhen("true"));
        List<String> usual = document.questions().findFirst().orElseThrow().answer().options().stream().map(Option::code).toList();
        java.util.Set<List<String>> orders = new java.util.HashSet<>();
        for (int visitor = 0; visitor < 4; visitor++) {
            Page page = begin(document);
            List<String> order = (List<String>) page.locator("#q-seen input[type=checkbox]").evaluateAll("all => all.map(e => e.value)");
            page.reload();
            assertEquals(order, page.locator("#q-seen input[type=checkbox]").evaluateAll("all => all.map(e => e.value)"));
            assertEquals(List.of("none", "another"), order.subList(8, 10));
            assertNotEquals(usual, order);
            orders.add(order);
        }
        assertTrue(orders.size() > 1, "another order for another person");
    }

    @Test
    void aMaskHelpsAndNeverBlocksPasting() {
        Page page = begin(
                of(Question.of("ring", "Ring number", new TextAnswer(false, null, null, AllowedCharacters.ANY, "[A-Z]{2}-\\d{4}",
                        "QM-1234", "AA-9999", "")), Question.of("next_one", "And then?", new TextAnswer(false, null, 40))));
        page.getByLabel("Ring number").fill("QM1234");
        page.getByLabel("And then?").focus();
        assertThat(page.getByLabel("Ring number")).hasValue("QM-1234");
        page.getByLabel("Ring number").fill("what I have pasted, all of it");
        page.getByLabel("And then?").focus();
        assertThat(page.getByLabel("Ring number")).hasValue("what I have pasted, all of it");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#q-ring .error")).isVisible();
    }

    @Test
    void aSignatureIsDrawnOrTyped() {
        Page page = begin(of(Question.of("signed", "Please sign", new SignatureAnswer()).withRequireWhen("true")));
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).isVisible();
        Locator pad = page.locator(".pad svg");
        pad.scrollIntoViewIfNeeded();
        var frame = pad.boundingBox();
        page.mouse().move(frame.x + 20, frame.y + 30);
        page.mouse().down();
        page.mouse().move(frame.x + 120, frame.y + 60);
        page.mouse().move(frame.x + 200, frame.y + 20);
        page.mouse().up();
        assertTrue(valueOf(page, "signed~path").matches("M[0-9. L]+"), valueOf(page, "signed~path"));
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers dd")).hasText("drawn");
        Chromium.press(page, "Change All kinds");
        page.getByLabel("Your name in full").fill("Wenna Tregle");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers dd")).hasText("Wenna Tregle");
    }

    @Test
    void filesAreLookedIntoAndCanBeTakenAway() {
        Page page = begin(
                of(Question.of("photos", "Pictures", new FileAnswer(2, 100_000, List.of("image/png"))).withRequireWhen("true")));
        Locator files = page.locator("input[type=file]");
        files.setInputFiles(new FilePayload("owl.png", "image/png", "no picture at all".getBytes()));
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("not one of the accepted kinds of file");
        page.getByLabel("remove owl.png").check();
        page.locator("input[type=file]").setInputFiles(new FilePayload[]{new FilePayload("a.png", "image/png", PIXEL),
                new FilePayload("b.png", "image/png", PIXEL), new FilePayload("c.png", "image/png", PIXEL)});
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Attach at most 2 files.");
        page.getByLabel("remove b.png").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers dd")).hasText("a.png, c.png");
    }

    @Test
    void aGridIsOneQuestionUnderTheOtherOnAPhone() {
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        page.navigate(application.address() + application.released(of(Question.of("signs", "How are they?", new GridAnswer(false,
                List.of(new GridRow("wing", "Wing", ""), new GridRow("leg", "Leg", "")),
                List.of(Option.of("fine", "Fine"), Option.of("hurt", "Hurt")))).withRequireWhen("true"))));
        Chromium.press(page, "Begin");
        double fine = page.getByLabel("Wing: Fine").boundingBox().y;
        assertTrue(page.getByLabel("Wing: Hurt").boundingBox().y > fine + 20, "options stand below one another");
        assertThat(page.locator("tr:first-child .column >> nth=0")).containsText("Fine");
        page.getByLabel("Wing: Fine").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).containsText("Please answer every row.");
        page.getByLabel("Leg: Hurt").check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers dd")).hasText("Wing: Fine; Leg: Hurt");
    }

    @Test
    void whatIsTypedElsewhereStaysWhileQuestionsAppear() {
        Page page = begin(of(Question.of("more", "Is there more?", new YesNoAnswer()),
                Question.of("what", "What is it?", new TextAnswer(false, null, 40)).withAskWhen("more = true")
                        .withRequireWhen("true"),
                new Note("hint", "Speak of **{what, select, blank {it} other {{what}}}** to nobody.", "more = true"),
                Question.of("story", "Tell us", new TextAnswer(true, null, 400))));
        page.getByLabel("Tell us").fill("It was");
        page.getByLabel("Yes").check();
        assertThat(page.getByLabel("What is it?")).isVisible();
        assertThat(page.getByLabel("Tell us")).hasValue("It was");
        assertEquals("yes", page.evaluate("document.activeElement.value"), "the focus stays where it was");
        assertThat(page.locator(".note-text strong")).hasText("it");
        page.getByLabel("What is it?").fill("<i>an owl</i> **x**");
        page.getByLabel("Tell us").click();
        page.keyboard().type(" very");
        assertThat(page.locator(".note-text strong")).hasText("<i>an owl</i> **x**");
        page.keyboard().type(" still");
        assertThat(page.locator("#news")).containsText("changed");
        assertTrue(valueOf(page, "story").contains("very") && valueOf(page, "story").contains("still"), valueOf(page, "story"));
        page.getByLabel("No").check();
        assertThat(page.getByLabel("What is it?")).hasCount(0);
    }

    /** What the server told before the last answer comes late: it takes nothing back, and moves nothing under a mouse button. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void anAnswerGivenWhileThePageChangesStays(boolean halfPressed) {
        Page page = begin(of(Question.of("more", "Is there more?", new YesNoAnswer()),
                Question.of("seen", "Was it seen?", new YesNoAnswer("It was", "It was not"))
                        .withReword(List.of(new Reword("more = true", "Were they seen?", "", java.util.Map.of())))));
        page.evaluate("""
                () => {
                    const real = window.fetch;
                    window.fetch = async (...what) => {
                        window.fetch = real;
                        const response = await real(...what);
                        const text = await response.text();
                        await new Promise((come) => window.letItCome = come);
                        return { ok: true, text: () => Promise.resolve(text) };
                    };
                }""");
        page.getByLabel("Yes").check();
        page.waitForFunction("() => window.letItCome");
        if (halfPressed) {
            page.getByLabel("It was not").hover();
            page.mouse().down();
            page.evaluate("() => window.letItCome()");
            page.mouse().up();
        } else {
            page.evaluate("() => { document.querySelector('#q-seen input[value=no]').click(); window.letItCome(); }");
        }
        assertThat(page.getByText("Were they seen?")).isVisible();
        assertThat(page.getByLabel("It was not")).isChecked();
    }

    @Test
    void oneQuestionAtATimeIsTheSameQuestionnaire() {
        Presentation.Theme theme = new Presentation.Theme("", "", "", 100, Presentation.ProgressStyle.BAR, true);
        Questionnaire document = of(new Note("hello", "Three questions.", ""),
                Question.of("first", "First?", new YesNoAnswer()).withRequireWhen("true"),
                Question.of("second", "Second?", new TextAnswer(false, null, 40)).withAskWhen("first = true")
                        .withRequireWhen("true"),
                Question.of("third", "Third?", new YesNoAnswer()))
                .withPresentation(new Presentation(Presentation.Welcome.NONE, Presentation.Buttons.USUAL, java.util.Map.of(), theme));
        Page page = begin(document);
        assertThat(page.locator(".question")).hasCount(1);
        assertThat(page.getByText("Three questions.")).isVisible();
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).containsText("First?");
        page.getByLabel("Yes").check();
        Chromium.press(page, "Next");
        assertThat(page.locator(".question")).hasCount(1);
        page.getByLabel("Second?").fill("An owl");
        Chromium.press(page, "Next");
        Chromium.press(page, "Back");
        assertThat(page.getByLabel("Second?")).hasValue("An owl");
        Chromium.press(page, "Next");
        assertThat(page.locator(".question legend")).containsText("Third?");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers")).hasCount(3);
        Chromium.press(page, "Change Second?");
        page.getByLabel("Second?").fill("A heron");
        Chromium.press(page, "Next");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("main")).containsText("A heron");
        Chromium.press(page, "Send my answers");
        assertThat(page.locator(".receipt b")).hasText(java.util.regex.Pattern.compile("[0-9A-Z]{3}-[0-9A-Z]{3}-[0-9A-Z]{3}"));
    }

    @Test
    void stepsLeadBackToPagesThatWerePassed() {
        Presentation.Theme theme = new Presentation.Theme("", "", "", 100, Presentation.ProgressStyle.STEPS, false);
        Questionnaire document = EveryType.document();
        document = document.withPresentation(new Presentation(document.presentation().welcome(), Presentation.Buttons.USUAL,
                java.util.Map.of(), theme));
        Page page = begin(document);
        page.getByLabel("I have read the terms.").check();
        Chromium.press(page, "Next");
        assertThat(page.locator(".progress-steps .now")).hasText("Second");
        Chromium.press(page, "First");
        assertThat(page.locator("h1")).hasText("First");
        assertThat(page.getByLabel("I have read the terms.")).isChecked();
    }

    private static Presentation navigation(Presentation.StepLabel steps, Presentation.Check check, boolean atOnce) {
        Presentation.Theme theme = new Presentation.Theme("", "", "", 100, Presentation.ProgressStyle.STEPS, false);
        return new Presentation(Presentation.Welcome.NONE, Presentation.Buttons.USUAL, java.util.Map.of(), theme,
                new Presentation.Navigation(steps, check, atOnce, atOnce));
    }

    private static Questionnaire threePages() {
        return Questionnaire.blank("types", "Types").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("a", "Finder").withItems(List.of(
                        Question.of("name", "Who are you?", new TextAnswer(false, null, 40)).withRequireWhen("true"))),
                orthogon.core.questionnaire.Page.empty("b", "Terms").withItems(List.of(
                        Question.of("terms", "The terms", new AgreementAnswer("We keep this. ".repeat(40).strip()))
                                .withRequireWhen("true"))),
                orthogon.core.questionnaire.Page.empty("c", "Mood").withItems(List.of(
                        Question.of("mood", "How was it?", new ScaleAnswer(false, 5, "", "", StepSign.STARS))))));
    }

    @Test
    void answersCheckedAtTheEndAreListedBeforeAnythingIsSent() {
        Page page = begin(threePages().withPresentation(navigation(Presentation.StepLabel.BOTH, Presentation.Check.END, false)));
        assertThat(page.getByLabel("Who are you?")).isFocused();
        Chromium.press(page, "Next");
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("The terms")).last()).containsText("We keep this.");
        page.getByLabel("I agree").check();
        Chromium.press(page, "Next");
        assertThat(page.locator(".progress-steps .now")).hasText("3 Mood");
        page.getByLabel("4", new Page.GetByLabelOptions().setExact(true)).check();
        Chromium.press(page, "Review and send");
        assertThat(page.locator("#problems")).isFocused();
        assertThat(page.locator("#problems li")).hasCount(1);
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send my answers"))).hasCount(0);
        Chromium.press(page, "Change Who are you?");
        assertThat(page.locator("#q-name .error")).hasText("Please answer this question.");
        page.getByLabel("Who are you?").fill("Wren Alder");
        Chromium.press(page, "Next");
        assertThat(page.locator("#problems")).hasCount(0);
        Chromium.press(page, "Send my answers");
        assertThat(page.locator("dl.answers")).containsText("4");
        assertThat(page.locator(".receipt b")).not().isEmpty();
    }

    @Test
    void stepsLeadForwardAgainAndTheLastPageSendsWithoutReview() {
        Questionnaire document = threePages().withEnding(List.of(new Questionnaire.Outcome("end", "Done", "", "https://next.example/")),
                List.of(new Questionnaire.OutcomeRow("", "end")));
        Page page = begin(document.withPresentation(navigation(Presentation.StepLabel.NUMBER, Presentation.Check.PAGE, true)));
        page.route("https://next.example/**", route -> route.fulfill(new com.microsoft.playwright.Route.FulfillOptions()
                .setContentType("text/html").setBody("<title>Elsewhere</title>")));
        page.getByLabel("Who are you?").fill("Wren Alder");
        Chromium.press(page, "Next");
        Chromium.press(page, "1 Finder");
        page.getByLabel("Who are you?").fill("");
        Chromium.press(page, "2 Terms");
        assertThat(page.locator("#problems")).containsText("Who are you?");
        page.getByLabel("Who are you?").fill("Wren Birch");
        Chromium.press(page, "2 Terms");
        assertThat(page.locator("h1")).hasText("Terms");
        page.getByLabel("I agree").check();
        Chromium.press(page, "Next");
        Chromium.press(page, "1 Finder");
        Chromium.press(page, "3 Mood");
        assertThat(page.locator("h1")).hasText("Mood");
        String interview = page.url();
        Chromium.press(page, "Send my answers");
        page.waitForURL("https://next.example/");
        page.navigate(interview);
        assertThat(page.locator(".receipt b")).not().isEmpty();
        assertThat(page.getByText("Wren Birch")).hasCount(1);
    }

    @Test
    void aLongListOfSeveralChoicesIsSearched() {
        List<Option> many = java.util.stream.IntStream.rangeClosed(1, 60).mapToObj(i -> Option.of("r" + i, "Roost nº " + i))
                .toList();
        Page page = begin(of(Question.of("roosts", "Which roosts?",
                new ManyChoices(many, null, 3, new OptionLayout(OptionLayout.ShownAs.SEARCH, 1, false)))));
        Locator find = page.getByLabel("Search the list");
        find.fill("ROOST Nº 41");
        assertThat(page.locator(".choice:visible")).hasCount(1);
        page.getByLabel("Roost nº 41").check();
        find.fill("nº 5");
        assertThat(page.locator(".find [role=status]")).hasText("11 / 60");
        assertThat(page.getByLabel("Roost nº 41")).isVisible();
        find.press("Enter");
        assertThat(page.locator("h1")).hasText("All kinds");
        Chromium.press(page, "Review and send");
        assertThat(page.locator("dl.answers")).containsText("Roost nº 41");
    }

    @Test
    void aLinkForOnePersonTakesOneInterview() {
        Page analyst = Chromium.signedIn(application.address(), "ines");
        Chromium.open(analyst, application.address() + "/q/found_animal/release");
        analyst.getByLabel("How many").fill("2");
        Chromium.press(analyst, "Make links");
        String link = analyst.locator("#invitations ~ table code").last().textContent();
        Page visitor = Chromium.visitor();
        visitor.navigate(application.address() + link);
        Chromium.press(visitor, "Begin");
        visitor.getByLabel("Where did you find it?").fill("Alder wood");
        Chromium.press(visitor, "Leave and come back later");
        Page again = Chromium.visitor();
        again.navigate(application.address() + link);
        assertThat(again.getByLabel("Where did you find it?")).hasValue("Alder wood");
        analyst.reload();
        assertThat(analyst.locator("#invitations ~ table tr", new Page.LocatorOptions().setHasText(link))).containsText("begun");
    }

    @Test
    void robotsFillTheBoxThatPeopleDoNotSee() {
        Page page = Chromium.visitor();
        String link = application.address() + application.released(of(Question.of("q", "Well?", new YesNoAnswer())));
        page.navigate(link);
        assertThat(page.locator("[name='~website']")).not().isInViewport();
        page.evaluate("document.querySelector(\"[name='~website']\").value = 'https://example.org'");
        Chromium.press(page, "Begin");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("must stay empty");
        Chromium.press(page, "Begin");
        assertThat(page.getByText("Well?")).isVisible();
    }
}
