package orthogon.app.browser;

import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.store.DraftStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.translation.TextRow;
import orthogon.formats.translation.TextTable;
import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import net.sf.okapi.lib.xliff2.core.Part.GetTarget;
import net.sf.okapi.lib.xliff2.core.Segment;
import net.sf.okapi.lib.xliff2.core.TargetState;
import net.sf.okapi.lib.xliff2.document.XLIFFDocument;
import net.sf.okapi.lib.xliff2.reader.XLIFFReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** Texts in other languages, from the first word to the respondent. */
class LanguagesIT {

    private static final String PLURAL = "And {count, plural, one {# more otter} other {# more otters}} at {site}?";

    private final RunningApplication application = RunningApplication.withDemo();
    private String code;

    /** A questionnaire of a few texts, with nothing translated. */
    private void otters() {
        Questionnaire otters = Questionnaire.blank("otters", "Otter watch").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("bank", "At the bank").withItems(List.of(
                        Question.of("site", "Which bank?", new OneChoice(List.of(Option.of("weir", "The weir"),
                                Option.of("mill", "The mill")), false)).withRequireWhen("true"),
                        Question.of("count", "How many?", new NumberAnswer(java.math.BigDecimal.ONE, new java.math.BigDecimal(9), 0, ""))
                                .withRequireWhen("true"),
                        Question.of("again", PLURAL, new YesNoAnswer()).withAskWhen("count > 1")))))
                .withLanguages(List.of("en", "pl"));
        code = "otters_" + Long.toString(System.nanoTime(), 36);
        application.part(DraftStore.class).create(otters.withCode(code), "ines", "began");
    }

    private String sheet(String query) {
        return application.address() + "/q/" + code + "/languages?to=pl" + query;
    }

    private static void keep(Page page, String text, boolean reviewed) {
        page.locator("#text").fill(text);
        page.waitForResponse(r -> r.url().endsWith("/languages/keep"), () -> page.keyboard().press(reviewed
                ? "Control+Shift+Enter"
                : "Control+Enter"));
    }

    @Test
    void aTranslatorGoesFromTextToTextByKeysAndIsToldWhatIsMissing() throws Exception {
        otters();
        Page page = Chromium.signedIn(application.address(), "safi");
        Chromium.open(page, sheet("&show=left"));
        int left = page.locator(".text-list tr.text").count();
        assertEquals("title", page.locator(".unit-head code").textContent());
        page.keyboard().press("Enter");
        keep(page, "Liczenie wydr", false);
        assertThat(page.locator("#text-title .state")).hasClass(Pattern.compile("draft"));
        assertThat(page.locator(".unit-head code")).not().hasText("title");
        page.keyboard().press("Escape");
        for (int i = 0; i < left && !page.locator(".unit-head code").textContent().equals("again.wording"); i++) {
            String before = page.locator(".unit-head code").textContent();
            page.keyboard().press("j");
            assertThat(page.locator(".unit-head code")).not().hasText(before);
        }
        assertThat(page.locator(".met")).containsText("shown when count is over 1");
        assertThat(page.locator(".met")).containsText("1 of 2 routes meet this text");
        page.locator("#text").fill("I jeszcze {count, plural, one {# wydra} other {# wydr}}?");
        assertThat(page.locator("#check .faults li")).hasCount(3);
        assertThat(page.locator("#check")).containsText("the plural form count: few is missing");
        assertThat(page.locator("#check")).containsText("{site} is missing");
        Chromium.press(page, "Reviewed, next Ctrl+⇧+↵");
        assertThat(page.locator("#message")).containsText("cannot be reviewed");
        page.locator("#text").fill("I jeszcze {count, plural, one {# wydra} few {# wydry} many {# wydr} other {# wydry}} – ");
        page.locator("#text").press("Control+End");
        page.keyboard().press("Alt+1");
        assertThat(page.locator("#text")).hasValue(Pattern.compile("– \\{site\\}$"));
        assertThat(page.locator("#check .faults li")).hasCount(0);
        assertThat(page.locator("#check .arms dt")).hasCount(4);
        page.waitForResponse(r -> r.url().endsWith("/languages/keep"), () -> page.keyboard().press("Control+Shift+Enter"));
        assertThat(page.locator("[id='text-again.wording'] .state")).hasClass(Pattern.compile("reviewed"));
        Chromium.open(page, sheet("&unit=again.wording"));
        assertThat(page.locator(".preview")).containsText("wydr");
        // The source changes: the text is stale, and the difference is told.
        Page analyst = Chromium.signedIn(application.address(), "ines");
        analyst.navigate(application.address() + "/q/" + code + "/compose?at=count");
        DraftStore store = application.part(DraftStore.class);
        DraftStore.Draft draft = store.head(code).orElseThrow();
        store.append(draft, draft.document().withItem("again", i -> ((Question) i).withTexts(PLURAL.replace("And", "And also"), "")),
                "reworded",
                "ines");
        Chromium.open(page, sheet("&show=stale"));
        assertThat(page.locator(".text-list tr.text")).hasCount(1);
        assertThat(page.locator(".stale-diff ins")).hasText("also ");
        // Words are replaced everywhere, but nothing is damaged by it.
        Chromium.open(page, sheet(""));
        page.getByText("Replace words").click();
        page.locator("#words").fill("{site}");
        page.locator("#by").fill("tam");
        Chromium.press(page, "See where");
        assertThat(page.locator(".replace")).containsText("damaged");
        Chromium.press(page, "Replace in 1");
        assertThat(page.locator(".summary")).containsText("it would damage again.wording");
        page.locator("#words").fill("wydr");
        page.locator("#by").fill("wyderk");
        Chromium.press(page, "See where");
        Chromium.press(page, "Replace in 2");
        assertThat(page.locator("[id='text-title']")).containsText("Liczenie wyderk");
        // A draft of the simulated service is marked as none.
        Chromium.open(page, sheet("&unit=bank.title"));
        page.getByText("Machine draft").click();
        assertThat(page.locator("#text")).hasValue("‹pl?› At the bank");
        page.getByText("A note for translators").click();
        page.locator("#note").fill("The river's bank, not a bank with money.");
        Chromium.press(page, "Save the note");
        assertThat(page.locator("#note")).hasValue("The river's bank, not a bank with money.");
    }

    @Test
    void aFileOfManyTextsIsImportedInOneRevision() {
        code = "posts_" + Long.toString(System.nanoTime(), 36);
        Questionnaire posts = Questionnaire.blank(code, "Posts").withLanguages(List.of("en", "pl"))
                .withPages(List.of(orthogon.core.questionnaire.Page.empty("p", "").withItems(IntStream.range(0, 600)
                        .<Item>mapToObj(i -> new Note("n" + i, "Post number " + i, "")).toList())));
        DraftStore drafts = application.part(DraftStore.class);
        drafts.create(posts, "ines", "began");
        List<TextRow> rows = TextRow.of(posts, "pl").stream().map(r -> new TextRow("pl", r.unit(), r.place(), r.source(),
                r.source().replace("Post number", "Numer"), "draft", "", r.was())).toList();
        Page page = Chromium.signedIn(application.address(), "safi");
        page.setDefaultTimeout(60_000);
        Chromium.open(page, sheet(""));
        page.getByText("Files").click();
        page.locator("#file").setInputFiles(new FilePayload("posts.csv", "text/csv",
                TextTable.csv(rows).getBytes(StandardCharsets.UTF_8)));
        Chromium.press(page, "See what it would change");
        page.waitForURL("**/languages/import?work=**");
        Chromium.press(page, "Import what is ticked");
        page.waitForURL("**/languages?to=pl");
        DraftStore.Draft draft = drafts.head(code).orElseThrow();
        assertEquals("2, imported " + rows.size() + " texts in pl", draft.revision() + ", " + draft.command());
        assertEquals("Numer 599", draft.document().translations().get("pl").get("n599.wording").text());
    }

    @Test
    void xliffGoesToATranslationToolAndComesBack() throws Exception {
        otters();
        Page page = Chromium.signedIn(application.address(), "safi");
        String xml = page.request().get(application.address() + "/q/" + code + "/languages/file?to=pl&as=xliff").text();
        Path file = Files.createTempFile("otters", ".xlf");
        Files.writeString(file, xml);
        XLIFFDocument tool = new XLIFFDocument();
        tool.load(file.toFile(), XLIFFReader.VALIDATION_MAXIMAL);
        for (var unit : tool.getUnits()) {
            String text = Map.of("site.wording", "Który brzeg?", "count.wording", "Ile?", "again.wording", "I jeszcze jedna?", "bank.title",
                    "Nad brzegiem").getOrDefault(unit.getName(), "");
            Segment segment = unit.getSegment(0);
            if (!text.isEmpty()) {
                segment.getTarget(GetTarget.CREATE_EMPTY).append(text);
                segment.setState(unit.getName().equals("count.wording") ? TargetState.REVIEWED : TargetState.TRANSLATED);
            }
        }
        StringWriter back = new StringWriter();
        tool.save(back);
        // Somebody writes another text here in the meantime.
        Chromium.open(page, sheet("&unit=site.wording"));
        keep(page, "Jaki brzeg?", false);
        Chromium.open(page, sheet(""));
        page.getByText("Files").click();
        page.locator("#file").setInputFiles(new FilePayload("otters-pl.xlf", "application/xliff+xml",
                back.toString().getBytes(StandardCharsets.UTF_8)));
        Chromium.press(page, "See what it would change");
        assertThat(page.locator("h1")).containsText("What “otters-pl.xlf” would change");
        Locator damaged = page.locator(".texts-in tr", new Page.LocatorOptions().setHasText("again.wording"));
        assertThat(damaged).containsText("damaged: {count, plural} is missing; {site} is missing");
        assertThat(damaged.locator("input[type=checkbox]")).hasCount(0);
        Locator newer = page.locator(".texts-in tr", new Page.LocatorOptions().setHasText("site.wording"));
        assertThat(newer).containsText("newer here");
        assertThat(newer.locator("input[type=checkbox]")).not().isChecked();
        assertThat(page.locator(".texts-in input[type=checkbox]:checked")).hasCount(2);
        Chromium.press(page, "Import what is ticked");
        assertThat(page.locator("[id='text-count.wording']")).containsText("Ile?");
        assertThat(page.locator("[id='text-count.wording'] .state")).hasClass(Pattern.compile("reviewed"));
        assertThat(page.locator("[id='text-site.wording']")).containsText("Jaki brzeg?");
        assertThat(page.locator("[id='text-again.wording'] .state")).hasClass(Pattern.compile("missing"));
        page.getByText("Files").click();
        page.locator("#file").setInputFiles(new FilePayload("bad.xlf", "application/xliff+xml", "<xliff version=\"1.2\"/>".getBytes()));
        Chromium.press(page, "See what it would change");
        assertThat(page.locator(".summary")).containsText("“bad.xlf”: The file is not valid XLIFF 2.1");
        assertEquals("PK",
                page.request().get(application.address() + "/q/found_animal/languages/file?to=all&as=xliff").text().substring(0, 2));
    }

    @Test
    void anInterviewChangesItsLanguageAtAnyMomentAndKeepsWhatWasTyped() {
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844).setLocale("fr")).newPage();
        page.navigate(application.address() + "/to/found-animal");
        assertThat(page.locator("h1")).hasText("Avez-vous trouvé un animal sauvage ?");
        Chromium.press(page, "Commencer");
        page.getByLabel("Où l’avez-vous trouvé ?").fill("Rue du Moulin 3");
        page.getByLabel("Quand l’avez-vous trouvé ?").fill(LocalDate.now().toString());
        Chromium.press(page, "العربية");
        assertThat(page.locator("html")).hasAttribute("dir", "rtl");
        assertThat(page.locator("h1")).hasText("أين ومتى");
        assertThat(page.getByLabel("أين عثرت عليه؟")).hasValue("Rue du Moulin 3");
        Chromium.press(page, "متابعة");
        assertThat(page.locator("#problems")).containsText("يرجى الإجابة عن هذا السؤال");
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("هل هو داخل مبنى الآن؟")).getByLabel("لا").check();
        page.locator("#questions:not([aria-busy]) #go .main").click();
        assertThat(page.locator("h1")).hasText("الحيوان");
        Chromium.press(page, "Polski");
        assertThat(page.locator("h1")).hasText("Zwierzę");
        assertTrue((Integer) page.evaluate("document.documentElement.scrollWidth") <= 390, "nothing is wider than the phone");
    }

    @Test
    void aClosedPageIsReadInAnyLanguage() throws Exception {
        String to = application.released(
                DocumentReader.read(new ClassPathResource("demo/found_animal.orthogon.json").getContentAsByteArray()));
        ReleaseStore releases = application.part(ReleaseStore.class);
        releases.stand(application.part(KnownReleases.class).withToken(to.substring("/to/".length())).orElseThrow().id(),
                ReleaseStore.ReleaseState.CLOSED,
                "Until March.");
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844).setLocale("fr")).newPage();
        page.navigate(application.address() + to);
        assertThat(page.locator("h1")).hasText("Ce questionnaire ne prend pas de réponses en ce moment");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("العربية")).click();
        assertThat(page.locator("html")).hasAttribute("dir", "rtl");
        assertThat(page.locator("h1")).hasText("لا يقبل هذا الاستبيان إجابات حاليًا");
        assertThat(page.locator("main")).containsText("Until March.");
    }

    /** What a page shows outside of the brackets of the stretch language, and what it cuts off. */
    private static final String CHECK = """
            () => {
              const out = []; let depth = 0;
              const exempt = (e) => e.closest('.tongues, script, style, dd, .receipt b, .receipt .quiet, .locked, .files') !== null;
              const walk = document.createTreeWalker(document.querySelector('main'), NodeFilter.SHOW_TEXT);
              for (let n = walk.nextNode(); n; n = walk.nextNode()) {
                let stray = '';
                for (const c of n.data) {
                  if (c === '⟦') depth++; else if (c === '⟧') depth--; else if (depth === 0 && /\\p{L}/u.test(c)) stray += c;
                }
                if (stray && !exempt(n.parentElement)) out.push('not stretched: ' + n.data.trim());
              }
              for (const e of document.querySelectorAll('main label, main legend, main button, main h1, main h2, main h3, main .ask, main p, main li')) {
                const box = e.getBoundingClientRect(); const style = getComputedStyle(e);
                if (box.width === 0 || e.closest('.hidden-words, .kept-empty') || e.classList.contains('hidden-words')) continue;
                if (box.right > innerWidth + 1 || box.left < -1 || e.scrollWidth > e.clientWidth + 2 && style.overflowX !== 'visible') out.push('cut off: ' + e.textContent.trim().slice(0, 80));
              }
              if (document.documentElement.scrollWidth > innerWidth) out.push('wider than the screen: ' + document.documentElement.scrollWidth);
              return out;
            }
            """;

    @Test
    void theStretchLanguageShowsNoTextThatIsHardWiredNorOneThatIsCutOff() throws Exception {
        Page page = Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844)).newPage();
        InterviewStore interviews = application.part(InterviewStore.class);
        Random random = new Random(20261127);
        OrdinaryAnswers ordinary = new OrdinaryAnswers(Map.of("map_reference", List.of("QM4417")), Map.of("alive", 90));
        int seen = 0;
        for (String name : List.of("found_animal", "foster_home", "bat_count")) {
            Questionnaire document = DocumentReader.read(new ClassPathResource("demo/" + name + ".orthogon.json").getContentAsByteArray());
            String to = application.released(document);
            page.navigate(application.address() + to + "?lang=" + Stretch.TAG);
            assertEquals(List.of(), faults(page), name + ": welcome");
            ReleaseStore.Release release = application.part(KnownReleases.class).withToken(to.substring("/to/".length())).orElseThrow();
            for (int walk = 0; walk < 3; walk++) {
                Interview interview = Interview.start(release.wiring(Stretch.TAG), LocalDate.now(), Map.of());
                String id = interviews.begin(release, interview, OffsetDateTime.now()).id();
                while (interview.course().current().isPresent()) {
                    String here = name + ": " + interview.course().current().get().page().code();
                    page.navigate(application.address() + "/i/" + id);
                    assertEquals(List.of(), faults(page), here);
                    page.locator("#go .main").click();
                    assertEquals(List.of(), faults(page), here + ", refused");
                    seen++;
                    Optional<Interview> next = ordinary.leave(interviews.find(id).orElseThrow().interview(), random);
                    if (next.isEmpty()) {
                        break;
                    }
                    interview = next.get();
                    interviews.keep(interviews.find(id).orElseThrow(), interview, Optional.empty());
                }
                if (interview.course().complete()) {
                    page.navigate(application.address() + "/i/" + id + "/review");
                    assertEquals(List.of(), faults(page), name + ": review");
                    page.locator("form[action$='/send'] button").click();
                    assertEquals(List.of(), faults(page), name + ": receipt");
                }
            }
        }
        assertTrue(seen > 30, "pages seen: " + seen);
    }

    /** The faults of the page that is shown, once it is there: an evaluation between two pages finds no page at all. */
    private static Object faults(Page page) {
        page.waitForLoadState();
        page.locator("main").waitFor();
        return page.evaluate(CHECK);
    }

    @Test
    void aRehearsalReadsAnyLanguage() {
        Page page = Chromium.signedIn(application.address(), "osk");
        page.navigate(application.address() + "/q/found_animal/rehearse?lang=ar");
        assertThat(page.locator(".paper")).hasAttribute("dir", "rtl");
        assertThat(page.locator(".paper h1")).hasText("أين ومتى");
        page.locator("#lang").selectOption("en");
        Chromium.press(page, "Read in it");
        assertThat(page.locator(".paper h1")).hasText("Where and when");
    }
}
