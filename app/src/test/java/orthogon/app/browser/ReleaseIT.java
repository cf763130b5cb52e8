package orthogon.app.browser;

import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.SignOffStore;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Out to respondents, in every language, with nothing unproved. */
class ReleaseIT {

    /** Each text in French and Arabic. */
    private static final Map<String, List<String>> WORDS = Map.of(
            "Otter watch", List.of("Veille des loutres", "مراقبة القضاعة"),
            "At the bank", List.of("Au bord de l’eau", "عند الضفة"),
            "Which bank?", List.of("Quelle rive ?", "أي ضفة؟"),
            "The weir", List.of("Le barrage", "السد"),
            "The mill", List.of("Le moulin", "الطاحونة"),
            "How many otters?", List.of("Combien de loutres ?", "كم قضاعة؟"),
            "How many otters, cubs too?", List.of("Combien de loutres ?", "كم قضاعة؟"),
            "Sent", List.of("Envoyé", "أُرسل"),
            "Thank you. Your answers were sent.", List.of("Merci. Vos réponses ont été envoyées.", "شكرًا. أُرسلت إجاباتك."));

    private final RunningApplication application = RunningApplication.withDemo();
    private final Page ines = Chromium.signedIn(application.address(), "ines");
    private String code;

    @AfterEach
    void nobodyNeedsToSign() {
        application.part(SignOffStore.class).need(false);
    }

    /** Otters on two banks, in one language. */
    private void otters() {
        List<Item> items = List.of(
                Question.of("site", "Which bank?", new OneChoice(List.of(Option.of("weir", "The weir"),
                        Option.of("mill", "The mill")), false)).withRequireWhen("true"),
                Question.of("count", "How many otters?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(9), 0, ""))
                        .withRequireWhen("true"));
        Questionnaire otters = Questionnaire.blank("otters", "Otter watch").withPages(List.of(
                orthogon.core.questionnaire.Page.empty("bank", "At the bank").withItems(items)));
        code = "otters_" + Long.toString(System.nanoTime(), 36);
        application.part(DraftStore.class).create(otters.withCode(code), "ines", "began");
    }

    private String at(String path) {
        return application.address() + "/q/" + code + path;
    }

    private void translate(Page translator, String language, int which) {
        Chromium.open(translator, at("/languages?show=left&to=" + language));
        for (int i = translator.locator(".text-list tr.text").count(); i > 0; i--) {
            String unit = translator.locator(".unit-head code").textContent();
            String source = translator.locator(".source").textContent();
            translator.locator("#text").fill(WORDS.getOrDefault(source, List.of("?" + source, "?" + source)).get(which));
            translator.waitForResponse(r -> r.url().endsWith("/languages/keep"), () -> translator.keyboard().press("Control+Shift+Enter"));
            if (i > 1) {
                assertThat(translator.locator(".unit-head code")).not().hasText(unit);
            }
        }
    }

    /** From nothing, row by row. */
    private void composed() {
        ines.navigate(application.address() + "/");
        ines.getByLabel("Title").fill("Otter watch");
        Chromium.press(ines, "Begin");
        ines.waitForURL("**/q/otter_watch/compose**");
        code = "otter_watch";
        ines.navigate(at("/compose?at=page_1"));
        set("#title", "At the bank");
        for (String line : List.of("Which bank? / one: the weir; the mill *", "How many otters? / number 1..9 *")) {
            String before = ines.locator("#state").getAttribute("data-revision");
            ines.locator("#line").fill(line);
            Chromium.press(ines, "Add the row");
            assertThat(ines.locator("#state")).not().hasAttribute("data-revision", before);
        }
    }

    /** Fills a field of the inspector and leaves it, which makes the edit. */
    private void set(String field, String value) {
        String before = ines.locator("#state").getAttribute("data-revision");
        ines.locator(field).fill(value);
        ines.locator(field).blur();
        assertThat(ines.locator("#state")).not().hasAttribute("data-revision", before);
    }

    private Page respondent(String locale) {
        return Chromium.context(new Browser.NewContextOptions().setViewportSize(390, 844).setLocale(locale)).newPage();
    }

    private String address() {
        return application.address() + "/to/" + code.replace('_', '-');
    }

    private void release(String name, String notes) {
        Chromium.open(ines, at("/release"));
        ines.locator("#notes").fill(notes);
        Chromium.press(ines, name);
        assertThat(ines.locator("#releases + table")).containsText(notes);
    }

    @Test
    void twoPeopleBringADraftToItsSecondReleaseInThreeLanguages() {
        composed();
        application.part(SignOffStore.class).need(true);
        Page safi = Chromium.signedIn(application.address(), "safi");
        Page mirja = Chromium.signedIn(application.address(), "mirja");
        for (String tag : List.of("fr", "ar")) {
            Chromium.open(ines, at("/languages"));
            ines.locator("#tag").fill(tag);
            Chromium.press(ines, "Add a language");
            assertThat(ines.locator("#tongues")).containsText(tag.equals("fr") ? "Français" : "العربية");
        }
        translate(safi, "fr", 0);
        Chromium.open(ines, at("/release"));
        assertThat(ines.locator("h1")).hasText("The gate is open");
        assertThat(ines.locator(".release-form input[value=fr]")).isChecked();
        assertThat(ines.locator(".release-form input[value=ar]")).isDisabled();
        assertThat(ines.locator(".release-form")).containsText("8 texts are not ready");
        // The analyst cannot sign alone, nor release unsigned.
        assertThat(ines.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release 1"))).isDisabled();
        mirja.navigate(at("/compose?at=many_otters"));
        assertThat(mirja.locator("#wording")).isDisabled();
        assertThat(mirja.locator("#line")).isDisabled();
        mirja.locator("#remark-text").fill("Do cubs count?");
        Chromium.press(mirja, "Remark");
        assertThat(mirja.locator("#remarks")).containsText("Mirja Oland");
        Chromium.open(mirja, at("/release"));
        assertThat(mirja.locator(".gate")).containsText("Do cubs count?");
        assertThat(mirja.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release 1"))).hasCount(0);
        mirja.locator("#sign-note").fill("Every route walked.");
        Chromium.press(mirja, "Sign revision " + mirja.locator("#block-revision").textContent());
        assertThat(mirja.locator(".gate")).containsText("Every route walked.");
        release("Release 1", "The first, in English and French.");
        assertThat(ines.locator("#releases + table tbody tr").first()).containsText("en, fr");
        assertThat(ines.locator("#releases + table tbody tr").first()).containsText("signed by Mirja Oland");

        Page first = respondent("fr");
        first.navigate(address());
        assertThat(first.locator("h1")).hasText("Veille des loutres");
        assertThat(first.locator(".tongues li")).hasCount(2);
        Chromium.press(first, "Commencer");
        first.getByLabel("Le barrage").check();

        // A second version: another question, a wording, and Arabic.
        ines.navigate(at("/compose?at=many_otters"));
        set("#wording", "How many otters, cubs too?");
        set("#askWhen", "bank = \"weir\"");
        Chromium.open(ines, at("/release"));
        assertThat(ines.locator("#change")).containsText("1 of 2 answer paths of the last release is affected.");
        assertThat(ines.locator("#change")).containsText("Not asked any more: “How many otters?”");
        assertThat(ines.locator("#change .wordings")).containsText("cubs");
        assertThat(ines.locator("#change")).containsText(Pattern.compile("drills of the last release ends? differently"));
        assertThat(ines.locator(".release-form")).containsText("1 text is not ready");
        assertThat(ines.locator(".release-form")).containsText("in release 1, not in this one");
        ines.locator("#change .otherwise summary").first().click();
        assertThat(ines.locator("#change .otherwise details").first()).containsText("bank: The mill");
        translate(safi, "fr", 0);
        translate(safi, "ar", 1);
        Chromium.open(mirja, at("/release"));
        Chromium.press(mirja, "Sign revision " + mirja.locator("#block-revision").textContent());
        release("Release 2", "Cubs count; Arabic too.");
        assertThat(ines.locator("#releases + table tbody tr").first()).containsText("en, fr, ar");

        // Who began on release 1 ends on it; who begins now is given release 2.
        first.locator("#questions:not([aria-busy]) #go .main").click();
        assertThat(first.locator("#problems")).containsText("Combien de loutres ?");
        first.getByLabel("Combien de loutres ?").fill("2");
        first.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(first, "Envoyer mes réponses");
        assertThat(first.locator("h1")).hasText("Envoyé");
        Page second = respondent("ar");
        second.navigate(address());
        assertThat(second.locator("html")).hasAttribute("dir", "rtl");
        Chromium.press(second, "ابدأ");
        second.getByLabel("الطاحونة").check();
        second.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(second, "إرسال إجاباتي");
        assertThat(second.locator("h1")).hasText("أُرسل");
        ines.navigate(at("/responses"));
        assertThat(ines.locator("table tbody tr").first()).containsText("The mill");
        Chromium.open(ines, at("/release"));
        assertThat(ines.locator("#releases + table tbody tr").nth(0).locator("td").nth(6)).hasText("1");
        assertThat(ines.locator("#releases + table tbody tr").nth(1).locator("td").nth(6)).hasText("1");
        Chromium.open(ines, at("/release/1"));
        assertThat(ines.locator("#sheet")).containsText("The proof that it was released with");
        assertThat(ines.locator("#sheet")).containsText("Answer paths: 2, routes: 1.");

        AuditStore audit = application.part(AuditStore.class);
        assertEquals(0, audit.firstBroken());
        mirja.navigate(application.address() + "/trail");
        assertThat(mirja.locator("table")).containsText("released 2 of revision");
        assertThat(mirja.locator("table")).containsText("signed by Mirja Oland");
    }

    @Test
    void aReleaseIsClosedReopenedAndWithdrawn() {
        otters();
        release("Release 1", "First.");
        Page running = respondent("en");
        running.navigate(address());
        Chromium.press(running, "Begin");
        stand("Close it", "We count again in March.");
        Page late = respondent("en");
        assertEquals(410, late.navigate(address()).status());
        assertThat(late.locator("main")).containsText("We count again in March.");
        running.getByLabel("The weir").check();
        running.getByLabel("How many otters?").fill("3");
        running.locator("#questions:not([aria-busy]) #go .main").click();
        assertThat(running.locator("h1")).hasText("Your answers");
        stand("Open it again", "");
        late.navigate(address());
        Chromium.press(late, "Begin");
        assertThat(late.locator("h1")).hasText("At the bank");
        stand("Withdraw it", "");
        assertThat(ines.locator(".summary")).containsText("Tell the respondents of release 1 why it is withdrawn");
        stand("Withdraw it", "The form had a mistake; please begin anew next week.");
        late.reload();
        assertThat(late.locator("main")).containsText("The form had a mistake");
        running.navigate(running.url());
        assertThat(running.locator("main")).containsText("The form had a mistake");
    }

    private void stand(String button, String message) {
        Chromium.open(ines, at("/release"));
        ines.locator(".stand summary").first().click();
        ines.locator("#message-1").fill(message);
        ines.locator(".stand").first().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button)).click();
    }

    @Test
    void itIsGivenOutAtAnAddressInTimeAndInsideOtherPages() throws IOException {
        otters();
        release("Release 1", "First.");
        String words = "otters-" + code.substring(code.length() - 8);
        Chromium.open(ines, at("/release/sharing"));
        ines.locator("#address").fill("Otter Watch!");
        Chromium.press(ines, "Save");
        assertThat(ines.locator(".summary")).containsText("“Otter Watch!” is not a valid address");
        ines.locator("#address").fill("found-animal");
        Chromium.press(ines, "Save");
        assertThat(ines.locator(".summary")).containsText("belongs to another questionnaire");
        ines.locator("#address").fill(words);
        ines.locator("#zone").selectOption("Pacific/Auckland");
        LocalDateTime there = LocalDateTime.now(ZoneId.of("Pacific/Auckland")).truncatedTo(ChronoUnit.MINUTES);
        ines.locator("#opens").fill(there.plusHours(2).toString());
        Chromium.press(ines, "Save");
        assertThat(ines.locator(".qr svg path")).hasCount(1);
        Page visitor = respondent("en");
        assertEquals(410, visitor.navigate(application.address() + "/to/" + words).status());
        assertThat(visitor.locator("main")).containsText("It opens on");
        ines.locator("#opens").fill(there.minusHours(2).toString());
        ines.locator("#closes").fill(there.minusHours(3).toString());
        Chromium.press(ines, "Save");
        assertThat(ines.locator(".summary")).containsText("close before it opens");
        ines.locator("#closes").fill(there.minusHours(1).toString());
        ines.locator("#opens").fill(there.minusHours(2).toString());
        Chromium.press(ines, "Save");
        visitor.reload();
        assertThat(visitor.locator("main")).containsText("It closed on");
        ines.locator("#closes").fill("");
        ines.locator("#most").fill("1");
        Chromium.press(ines, "Save");
        visitor.reload();
        Chromium.press(visitor, "Begin");
        visitor.getByLabel("The weir").check();
        visitor.getByLabel("How many otters?").fill("3");
        visitor.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(visitor, "Send my answers");
        visitor.navigate(application.address() + "/to/" + words);
        assertThat(visitor.locator("main")).containsText("received all the answers it can take");

        // Another site, of another address, shows it only where it may.
        ines.locator("#most").fill("");
        Chromium.press(ines, "Save");
        assertFalse(framed(words), "not allowed yet");
        Chromium.open(ines, at("/release/sharing"));
        ines.getByLabel("May be shown inside other pages").check();
        Chromium.press(ines, "Save");
        assertTrue(framed(words), "allowed");
        assertFalse(framed("found-animal"), "allowed for this one alone");
        Chromium.open(ines, at("/release/embedded"));
        assertThat(ines.frameLocator("iframe").locator("h1")).hasText("Otter watch");
    }

    /** Whether a page of another origin can show the address in a frame, and go on in it. */
    private boolean framed(String words) throws IOException {
        HttpServer elsewhere = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), 0), 0);
        byte[] body = ("<iframe src='" + application.address() + "/to/" + words + "'></iframe>").getBytes(StandardCharsets.UTF_8);
        elsewhere.createContext("/", exchange -> {
            exchange.getResponseHeaders().add("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        elsewhere.start();
        Page other = Chromium.visitor();
        try {
            other.waitForResponse(r -> r.url().endsWith("/to/" + words),
                    () -> other.navigate("http://127.0.0.1:" + elsewhere.getAddress().getPort() + "/"));
            other.waitForTimeout(300);
            Locator begin = other.frameLocator("iframe").locator("button.main");
            boolean shown = begin.count() == 1;
            if (shown) {
                begin.click();
                assertThat(other.frameLocator("iframe").locator("h1")).hasText("At the bank");
            }
            return shown;
        } finally {
            other.context().close();
            elsewhere.stop(0);
        }
    }

    @Test
    void invitationsAreSentOnceAndRemindThoseWhoHaveNotAnswered() {
        otters();
        release("Release 1", "First.");
        ines.locator("#addresses").fill("wenna@example.org\nno address");
        Chromium.press(ines, "Send invitations");
        assertThat(ines.locator(".summary")).containsText("Nothing was sent. These are not email addresses: no address.");
        ines.locator("#list").setInputFiles(new FilePayload("list.csv", "text/csv",
                "name,email\r\nWenna,wenna@example.org\r\nOrrin,orrin@example.org\r\n".getBytes()));
        Chromium.press(ines, "Send invitations");
        assertThat(ines.locator(".notice")).hasText("2 invitations are on the way.");
        String link = mailed("wenna@example.org", "Please answer: Otter watch");
        Page wenna = respondent("en");
        wenna.navigate(link);
        Chromium.press(wenna, "Begin");
        wenna.getByLabel("The weir").check();
        wenna.getByLabel("How many otters?").fill("3");
        wenna.locator("#questions:not([aria-busy]) #go .main").click();
        Chromium.press(wenna, "Send my answers");
        wenna.navigate(link);
        assertThat(wenna.locator(".receipt")).isVisible();
        Chromium.open(ines, at("/release"));
        Chromium.press(ines, "Remind 1 who has not answered");
        assertThat(ines.locator(".notice")).hasText("1 reminder is on the way.");
        assertEquals(mailed("orrin@example.org", "Please answer: Otter watch"), mailed("orrin@example.org", "Still open: Otter watch"));
        String csv = ines.request().get(at("/release/invitations/file.csv")).text();
        assertTrue(Pattern.compile("wenna@example.org,http.*,sent").matcher(csv).find(), csv);
    }

    private String mailed(String to, String subject) {
        ines.navigate(application.address() + "/outbox?plain=true");
        ines.locator(".mailbox-list a", new Page.LocatorOptions().setHasText(subject))
                .filter(new Locator.FilterOptions().setHasText(to)).click();
        assertThat(ines.locator(".mail-head")).containsText(to);
        String text = ines.locator(".mailbox-one pre").textContent();
        var found = Pattern.compile("http\\S+").matcher(text);
        assertTrue(found.find(), text);
        return found.group();
    }
}
