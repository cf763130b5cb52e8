package orthogon.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import com.microsoft.playwright.options.AriaRole;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import orthogon.app.command.Commands;
import orthogon.app.demo.MadeDemo;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.work.CaseWork;
import orthogon.core.dispatch.DueFollowUp;
import org.h2.jdbcx.JdbcDataSource;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.util.FileSystemUtils;

/** The process is killed at once after a page confirmed something; started again, it has it. */
class KilledIT {

    /** Kills of one workspace: with each it holds some hundred interviews more, and looking at all of them takes longer. */
    private static final int KILLS_OF_A_WORKSPACE = 20;

    @TempDir
    Path folder;
    @TempDir
    Path backups;
    private Path data;

    private Process start(int port) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                // It starts faster, and lives for seconds.
                "-XX:TieredStopAtLevel=1", "-Xss8m", "-cp",
                System.getProperty("java.class.path"), "orthogon.app.Orthogon", "serve", "--orthogon.demo=true", "--orthogon.port=" + port,
                "--orthogon.data=" + data, "--orthogon.pace.begin.most=100000").redirectErrorStream(true)
                .redirectOutput(data.resolve("log-" + System.nanoTime()).toFile())
                .start();
        for (int tries = 0; tries < 600; tries++) {
            try {
                HttpURLConnection connection = (HttpURLConnection) URI.create("http://localhost:" + port + "/login").toURL()
                        .openConnection();
                if (connection.getResponseCode() == 200) {
                    return process;
                }
            } catch (IOException e) {
                assertTrue(process.isAlive(), "the application ended while starting");
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("the application did not start");
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    /**
     * Begins interviews and answers in each where the animal was, until nobody listens any more; keeps what was confirmed, and what was
     * not.
     */
    private static void answer(String address, String place, Map<String, String> confirmed, Queue<String> refused) {
        try (HttpClient client = HttpClient.newBuilder().followRedirects(HttpClient.Redirect.ALWAYS).build()) {
            for (int n = 0;; n++) {
                HttpResponse<String> begun = client.send(HttpRequest.newBuilder(URI.create(address + "/to/found-animal"))
                        .POST(HttpRequest.BodyPublishers.noBody()).build(), HttpResponse.BodyHandlers.ofString());
                Element form = Jsoup.parse(begun.body(), begun.uri().toString()).selectFirst("form:has([name='where_found'])");
                if (form == null) {
                    refused.add(begun.statusCode() + ": " + Jsoup.parse(begun.body()).text());
                    Thread.sleep(100);
                    continue;
                }
                String typed = place + " " + n;
                String fields = form.select("input[type=hidden]").stream().map(f -> pair(f.attr("name"), f.attr("value")))
                        .collect(Collectors.joining("&")) + "&" + pair("where_found", typed) + "&" + pair("~go", "next");
                HttpResponse<String> kept = client.send(HttpRequest.newBuilder(begun.uri())
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(fields)).build(), HttpResponse.BodyHandlers.ofString());
                if (kept.statusCode() == 200) {
                    confirmed.put(begun.uri().toString(), typed);
                } else {
                    refused.add(kept.statusCode() + ": " + Jsoup.parse(kept.body()).text());
                }
                // What is confirmed is looked at afterwards, so there is no need for more than a few a second.
                Thread.sleep(200);
            }
        } catch (IOException e) {
            // Killed, which ends it.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String pair(String name, String value) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8) + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }

    private static void areAllThere(Map<String, String> confirmed) throws IOException, InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            for (Map.Entry<String, String> one : confirmed.entrySet()) {
                String page = client.send(HttpRequest.newBuilder(URI.create(one.getKey())).build(), HttpResponse.BodyHandlers.ofString())
                        .body();
                assertTrue(page.contains(one.getValue()), () -> one + " is lost");
            }
        }
    }

    /** While the server answers. */
    private void backUp(Path file) {
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        int done = new Commands(new PrintStream(said), new PrintStream(said)).run("backup", file.toString(), "--data", data.toString());
        assertEquals(0, done, said::toString);
        assertTrue(said.toString(StandardCharsets.UTF_8).contains("all is as it was written"), said::toString);
    }

    private void begin(String name) throws IOException {
        data = Files.createDirectories(folder.resolve(name));
        FileSystemUtils.copyRecursively(MadeDemo.copy(), data);
    }

    /** {@code -Dorthogon.kills=100} kills more often. */
    @Test
    void killedAgainAndAgainWhileManyAnswerItHasAllThatItConfirmed() throws Exception {
        for (int left = Integer.getInteger("orthogon.kills", 1); left > 0; left -= KILLS_OF_A_WORKSPACE) {
            begin("before-" + left);
            kill(Math.min(left, KILLS_OF_A_WORKSPACE));
        }
    }

    private void kill(int kills) throws Exception {
        int port = freePort();
        String address = "http://localhost:" + port;
        Map<String, String> confirmed = new ConcurrentHashMap<>();
        Queue<String> refused = new ConcurrentLinkedQueue<>();
        Set<String> checked = new HashSet<>();
        Process process = start(port);
        try {
            for (int kill = 1; kill <= kills; kill++) {
                int before = confirmed.size();
                try (ExecutorService respondents = Executors.newVirtualThreadPerTaskExecutor()) {
                    for (int who = 0; who < 8; who++) {
                        String place = "Place " + kill + " " + who;
                        respondents.execute(() -> answer(address, place, confirmed, refused));
                    }
                    try {
                        for (int tries = 0; confirmed.size() < before + 5 + kill && tries < 9000; tries++) {
                            Thread.sleep(20);
                        }
                        boolean hasMore = confirmed.size() > before;
                        assertTrue(hasMore, () -> "nobody was answered: " + refused);
                        backUp(backups.resolve(data.getFileName() + "-" + kill + ".zip"));
                    } finally {
                        // Respondents go on as long as somebody answers them.
                        process.destroyForcibly().waitFor();
                    }
                }
                process = start(port);
                Map<String, String> fresh = new HashMap<>(confirmed);
                fresh.keySet().removeAll(checked);
                areAllThere(fresh);
                checked.addAll(fresh.keySet());
            }
            if (kills > 1) {
                areAllThere(confirmed);
            }
            System.out.println("Killed " + kills + " times; all of " + confirmed.size() + " confirmed answers are there.");
        } finally {
            process.destroyForcibly();
        }
    }

    /** What was sent is told to the office, though the process was killed before anybody could be told. */
    private static void isDelivered(Page ines, String address) throws InterruptedException {
        for (int tries = 0; tries < 120; tries++) {
            ines.navigate(address + "/outbox?plain=true");
            if (ines.locator(".mailbox-one .mail-state.delivered").count() == 1) {
                break;
            }
            Thread.sleep(500);
        }
        assertEquals(1, ines.locator(".mailbox-one .mail-state.delivered").count());
        assertTrue(ines.locator(".mailbox-one pre").textContent().contains("Under the old viaduct"));
    }

    /** The page of a case whose hand-over is open. */
    private static String openCase(Page mirja, String address) {
        mirja.navigate(address + "/q/found_animal/responses/cases");
        for (Object path : (List<?>) mirja.locator(".cases tbody a").evaluateAll("all => all.map(a => a.href)")) {
            mirja.navigate(String.valueOf(path));
            if (ride(mirja).locator(".case-word.open").count() == 1) {
                return mirja.url();
            }
        }
        throw new AssertionError("no hand-over is open");
    }

    private static Locator ride(Page mirja) {
        return mirja.locator(".case-follow", new Page.LocatorOptions().setHasText("Hand-over to a driver"));
    }

    private static void handOver(Page driver, String link) {
        driver.navigate(link);
        driver.getByRole(AriaRole.COMBOBOX).pressSequentially("van");
        driver.getByRole(AriaRole.OPTION).first().click();
        driver.locator(".records label:has(:checked)").waitFor();
        driver.getByLabel("Yes", new Page.GetByLabelOptions().setExact(true)).check();
        driver.locator("#questions:not([aria-busy]) #go .main").click();
        driver.getByText("At the station").first().waitFor();
        driver.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
        driver.getByLabel("What happened?").fill("The road was flooded.");
        driver.locator("#questions:not([aria-busy]) #go .main").click();
        driver.locator("form[action$='/send'] button").click();
        driver.locator(".receipt").waitFor();
    }

    /** An edit, an interview, its message, and a case: each step is there when the process starts again. */
    @Test
    void nothingConfirmedIsLost() throws Exception {
        int port = freePort();
        String address = "http://localhost:" + port;
        begin("data");
        Process process = start(port);
        try {
            Page ines = Chromium.signedIn(address, "ines");
            Chromium.open(ines, address + "/q/found_animal/release");
            Page finder = Chromium.visitor();
            finder.setDefaultTimeout(90_000);
            finder.navigate(address + ines.locator("a[href^='/to/']").first().getAttribute("href"));
            Chromium.press(finder, "Begin");
            finder.getByLabel("When did you find it?").fill(LocalDate.now().toString());
            finder.getByLabel("Where did you find it?").fill("Under the old viaduct");
            finder.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
            finder.locator("#q-stay_away").waitFor();
            Chromium.press(finder, "Next");
            finder.getByText("The animal").first().waitFor();
            ines.navigate(address + "/q/found_animal/compose?at=finder");
            ines.locator("#help").fill("Given name and family name.");
            ines.locator("#help").blur();
            ines.locator("#state[data-revision='2']").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
            Page mirja = Chromium.signedIn(address, "mirja");
            String at = openCase(mirja, address);
            int opened = mirja.locator(".case-follow").count();
            String link = ride(mirja).locator("input[id^=link-]").inputValue();
            Page driver = Chromium.visitor();
            handOver(driver, link);
            process.destroyForcibly().waitFor();

            process = start(port);
            finder.reload();
            assertEquals("The animal", finder.locator("h1").textContent());
            finder.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
            finder.getByLabel("Mammal").check();
            Chromium.press(finder, "Review and send");
            Chromium.press(finder, "Send my answers");
            String receipt = finder.locator(".receipt b").textContent();
            mirja = Chromium.signedIn(address, "mirja");
            mirja.navigate(at);
            assertEquals("sent", ride(mirja).locator(".case-word").textContent());
            ride(mirja).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Accepted").setExact(true)).click();
            ride(mirja).locator(".case-word:text-is('Accepted')").waitFor();
            process.destroyForcibly().waitFor();

            process = start(port);
            ines = Chromium.signedIn(address, "ines");
            ines.navigate(address + "/q/found_animal/compose?at=finder");
            assertEquals("Given name and family name.", ines.locator("#help").inputValue());
            ines.navigate(address + "/q/found_animal/responses/" + receipt);
            assertTrue(ines.locator("main").textContent().contains("Under the old viaduct"));
            isDelivered(ines, address);
            ines.navigate(at);
            assertEquals("Accepted", ride(ines).locator(".case-word").textContent());
            assertTrue(ride(ines).locator("dt:has-text('handover.arrived') + dd").first().textContent().contains("No"));
            assertEquals(opened, ines.locator(".case-follow").count(), "nothing is opened twice");
            driver.navigate(link);
            assertTrue(driver.locator("main").textContent().contains("You sent this on"), driver.locator("main").textContent());
        } finally {
            process.destroyForcibly();
        }
    }

    /** Whatever is sent while the process is killed has opened all that it opens, once, and whatever is not sent has opened nothing. */
    @Test
    void aResponseIsThereWithAllThatItOpensOrNotAtAll() throws Exception {
        int port = freePort();
        begin("opening");
        OffsetDateTime began = OffsetDateTime.now();
        Process process = start(port);
        Respondents respondents = new Respondents("http://localhost:" + port + "/to/found-animal", Duration.ofMillis(50));
        try (ExecutorService busy = Executors.newVirtualThreadPerTaskExecutor()) {
            Future<Respondents.Figures> all = busy.submit(() -> respondents.answer(12, Duration.ofSeconds(300)));
            for (int tries = 0; respondents.sentSoFar() < 15 && !all.isDone() && tries < 3000; tries++) {
                Thread.sleep(100);
            }
            // They go on as long as somebody answers them.
            process.destroyForcibly().waitFor();
        } finally {
            process.destroyForcibly();
        }
        JdbcDataSource database = new JdbcDataSource();
        database.setURL("jdbc:h2:file:" + data.resolve("orthogon").toAbsolutePath());
        database.setUser("sa");
        CaseWork kept = new CaseWork(database, Clock.systemDefaultZone());
        JdbcClient jdbc = JdbcClient.create(database);
        List<String> sent = jdbc.sql("select interview_id from response where sent_at >= :began").param("began", began).query(String.class)
                .list();
        assertTrue(sent.size() >= respondents.sentSoFar() && !sent.isEmpty(), sent.size() + " of " + respondents.sentSoFar());
        for (String id : sent) {
            List<String> due = DueFollowUp.of(kept.interviews.find(id).orElseThrow().interview(), List.of()).stream()
                    .map(d -> d.followUp().code()).toList();
            assertEquals(due, kept.followUps.of(id).stream().map(KeptFollowUp::code).toList(), id);
        }
        assertEquals(0, jdbc.sql("""
                select count(*) from follow_up f where not exists (select 1 from response p where p.interview_id = f.interview_id)
                """).query(Integer.class).single());
    }
}
