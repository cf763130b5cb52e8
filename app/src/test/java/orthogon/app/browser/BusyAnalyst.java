package orthogon.app.browser;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentWriter;
import org.jsoup.Jsoup;

/** Somebody who writes a questionnaire row by row while others answer, and opens files of others. */
final class BusyAnalyst {

    private static final Duration BETWEEN_ROWS = Duration.ofSeconds(3);

    private final String address;
    private final HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL).version(HttpClient.Version.HTTP_1_1).build();
    private final Queue<String> errors = new ConcurrentLinkedQueue<>();
    private final AtomicInteger rows = new AtomicInteger();

    BusyAnalyst(String address) {
        this.address = address;
    }

    /** Signs in as an analyst of the demo. */
    BusyAnalyst signIn() throws IOException, InterruptedException {
        post("/login", "username=ines&password=quillmere");
        return this;
    }

    Queue<String> errors() {
        return errors;
    }

    int rows() {
        return rows.get();
    }

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).header("Accept", "text/html"));
    }

    private HttpResponse<String> sent(HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<String> response = client.send(request.timeout(Duration.ofMinutes(1)).build(), BodyHandlers.ofString());
        if (response.statusCode() >= 400) {
            errors.add(response.statusCode() + " " + response.request().method() + " " + response.uri().getPath());
        }
        return response;
    }

    private String token() throws IOException, InterruptedException {
        return Jsoup.parse(get("/login").body()).selectFirst("input[name=_csrf]").val();
    }

    private HttpResponse<String> post(String path, String form) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(form + "&_csrf=" + encoded(token()))));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** Writes rows until interrupted; each edit is proved. */
    void write() {
        try {
            String page = post("/new", "title=" + encoded("Written under load " + System.nanoTime())).uri().getPath();
            while (!Thread.interrupted()) {
                String sheet = get(page).body();
                String revision = Jsoup.parse(sheet).selectFirst("input[name=revision]").val();
                post(page + "/add", "revision=" + revision + "&line=" + encoded("Row " + rows.incrementAndGet() + "? number 0..60"));
                Thread.sleep(BETWEEN_ROWS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException e) {
            errors.add(e.toString());
        }
    }

    /** Opens a document as a file, and looks at its proof, so that it is worked on. Returns its code. */
    String open(Questionnaire document) throws IOException, InterruptedException {
        String code = document.code() + "_" + Long.toString(System.nanoTime(), 36);
        String between = "----" + System.nanoTime();
        String body = "--" + between + "\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + token() + "\r\n--" + between
                + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + code
                + ".orthogon.json\"\r\nContent-Type: application/json\r\n\r\n" + DocumentWriter.write(document.withCode(code)) + "\r\n--"
                + between + "--\r\n";
        HttpResponse<String> opened = sent(HttpRequest.newBuilder(URI.create(address + "/open")).header("Accept", "text/html")
                .header("Content-Type", "multipart/form-data; boundary=" + between).POST(HttpRequest.BodyPublishers.ofString(body)));
        for (int tries = 0; tries < 60 && opened.uri().getPath().startsWith("/work/"); tries++) {
            Thread.sleep(500);
            opened = get(opened.uri().getPath());
            if (opened.body().contains("/q/" + code)) {
                break;
            }
        }
        get("/q/" + code + "/prove");
        return code;
    }

    /** Whether the proof of a questionnaire is still worked on. */
    boolean isUnderWay(String code) throws IOException, InterruptedException {
        return !get("/q/" + code + "/proving").headers().firstValue("HX-Refresh").isPresent();
    }
}
