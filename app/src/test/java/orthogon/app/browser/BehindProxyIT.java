package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.security.cert.X509Certificate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManager;
import javax.net.ssl.X509ExtendedTrustManager;
import orthogon.app.store.AuditStore;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.jsoup.Jsoup;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Orthogon behind nginx, which ends TLS, set up as the manual shows. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class BehindProxyIT {

    private static final String ELSEWHERE = "127.0.0.5";

    private Path folder;
    private RunningApplication application;
    private Process proxy;
    private int port;

    @BeforeAll
    void start(@TempDir Path temporary) throws Exception {
        folder = temporary;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        application = RunningApplication.behindProxy(address());
        run("openssl", "req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj", "/CN=localhost", "-addext",
                "subjectAltName=DNS:localhost", "-keyout", folder.resolve("forms.key").toString(), "-out",
                folder.resolve("forms.pem").toString()).waitFor(1, TimeUnit.MINUTES);
        String site = Files.readString(Path.of("..", "docs", "nginx.conf")).replace("listen 443 ssl", "listen " + port + " ssl")
                .replace("http://127.0.0.1:8417", application.address().replace("localhost", "127.0.0.1"))
                .replace("/etc/ssl/", folder + "/").replace("forms.quillmere.example", "localhost");
        Path settings = folder.resolve("whole.conf");
        Files.writeString(settings, "daemon off;\nmaster_process off;\npid " + folder.resolve("pid") + ";\nerror_log stderr;\n"
                + "events {}\nhttp {\naccess_log off;\nclient_body_temp_path " + folder.resolve("body") + ";\nproxy_temp_path "
                + folder.resolve("proxy") + ";\nfastcgi_temp_path " + folder.resolve("f") + ";\nuwsgi_temp_path " + folder.resolve("u")
                + ";\nscgi_temp_path " + folder.resolve("s") + ";\n" + site + "}\n");
        proxy = run("/usr/sbin/nginx", "-p", folder.toString(), "-c", settings.toString());
        try (HttpClient client = client("127.0.0.1")) {
            for (int tries = 0; tries < 100 && !answers(client); tries++) {
                assertTrue(proxy.isAlive(), () -> "nginx ended: " + log());
                Thread.sleep(100);
            }
        }
    }

    private Process run(String... command) throws IOException {
        return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(folder.resolve("log").toFile()).start();
    }

    private String log() {
        try {
            return Files.readString(folder.resolve("log"));
        } catch (IOException e) {
            return e.toString();
        }
    }

    private boolean answers(HttpClient client) throws InterruptedException {
        try {
            return get(client, "/health").statusCode() == 200;
        } catch (IOException e) {
            return false;
        }
    }

    @AfterAll
    void stop() {
        proxy.destroy();
        application.close();
    }

    private String address() {
        return "https://localhost:" + port;
    }

    /** A client at an address of this machine that takes the proxy's certificate, which nobody has signed. */
    private static HttpClient client(String from) throws Exception {
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, new TrustManager[]{new TakesAny()}, new SecureRandom());
        return HttpClient.newBuilder().sslContext(context).localAddress(InetAddress.getByName(from)).build();
    }

    private HttpResponse<String> get(HttpClient client, String path, String... headers) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address() + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return client.send(request.build(), BodyHandlers.ofString());
    }

    private HttpResponse<String> post(HttpClient client, String path, String form, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address() + path)).header("Content-Type",
                "application/x-www-form-urlencoded").POST(HttpRequest.BodyPublishers.ofString(form));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return client.send(request.build(), BodyHandlers.ofString());
    }

    @Test
    void thePageComesEncryptedAndStaysSo() throws Exception {
        Page page = Chromium.signedIn(address(), "ines",
                new Browser.NewContextOptions().setIgnoreHTTPSErrors(true).setViewportSize(1280, 800));
        assertThat(page).hasURL(address() + "/");
        List<Cookie> cookies = page.context().cookies();
        assertFalse(cookies.isEmpty());
        assertTrue(cookies.stream().allMatch(c -> c.secure && c.httpOnly), "every cookie comes back encrypted alone");
        page.navigate(address() + "/q/found_animal/compose");
        Page other = Chromium.signedIn(address(), "jory",
                new Browser.NewContextOptions().setIgnoreHTTPSErrors(true).setViewportSize(1280, 800));
        other.navigate(address() + "/q/found_animal/compose");
        assertThat(other.locator("#sheet")).not().containsText("Added behind the proxy");
        other.locator("#line").fill("Added behind the proxy");
        other.locator("#line").press("Enter");
        assertThat(other.locator("#sheet")).containsText("Added behind the proxy");
        assertThat(page.locator("#sheet")).containsText("Added behind the proxy");
        try (HttpClient client = client("127.0.0.1")) {
            assertTrue(get(client, "/login").headers().firstValue("Strict-Transport-Security").orElse("").startsWith("max-age="));
            assertEquals("/login", get(client, "/people").headers().firstValue("Location").orElseThrow().replace(address(), ""));
        }
    }

    @Test
    void theClientIsWhoeverCameToTheProxy() throws Exception {
        try (HttpClient client = client(ELSEWHERE); HttpClient other = client("127.0.0.6")) {
            HttpResponse<String> login = get(client, "/login");
            String cookie = login.headers().firstValue("Set-Cookie").map(c -> c.split(";")[0]).orElse("");
            String token = Jsoup.parse(login.body()).selectFirst("input[name=_csrf]").val();
            for (int i = 0; i < 30; i++) {
                post(client, "/login", "username=nobody" + i + "&password=wrong&_csrf=" + token, "Cookie", cookie, "X-Forwarded-For",
                        "203.0.113." + i);
            }
            List<String> trail = application.part(AuditStore.class).newest(20).stream().map(AuditStore.TrailLine::did).toList();
            assertTrue(trail.stream().anyMatch(t -> t.contains("failed, from " + ELSEWHERE)), trail.toString());
            assertTrue(trail.stream().noneMatch(t -> t.contains("203.0.113.")), "what a client says of itself is not believed: " + trail);
            HttpResponse<String> slowed = post(client, "/login", "username=nobody&password=wrong&_csrf=" + token, "Cookie", cookie);
            assertTrue(slowed.headers().firstValue("Location").orElse("").contains("wait="), slowed.headers().toString());
            HttpResponse<String> loginOfOther = get(other, "/login");
            HttpResponse<String> notSlowed = post(other, "/login",
                    "username=nobody&password=wrong&_csrf=" + Jsoup.parse(loginOfOther.body()).selectFirst("input[name=_csrf]").val(),
                    "Cookie", loginOfOther.headers().firstValue("Set-Cookie").map(c -> c.split(";")[0]).orElse(""));
            assertTrue(notSlowed.headers().firstValue("Location").orElse("").endsWith("/login?error"), notSlowed.headers().toString());
        }
    }

    @Test
    void linksInMessagesLeadToThePublicAddress() throws Exception {
        Page page = Chromium.signedIn(address(), "ines",
                new Browser.NewContextOptions().setIgnoreHTTPSErrors(true).setViewportSize(1280, 800));
        page.navigate(address() + "/people/osk");
        page.getByText("Send a link for a new password").click();
        assertThat(page).hasURL(address() + "/people/osk");
        String mailed = application.part(JdbcClient.class)
                .sql("select text from message order by id desc fetch first row only").query(String.class).single();
        assertTrue(mailed.contains(address() + "/join/"), mailed);
    }

    private static final class TakesAny extends X509ExtendedTrustManager {
        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type, java.net.Socket socket) {}

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type, java.net.Socket socket) {}

        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type, javax.net.ssl.SSLEngine engine) {}

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type, javax.net.ssl.SSLEngine engine) {}

        @Override
        public void checkClientTrusted(X509Certificate[] chain, String type) {}

        @Override
        public void checkServerTrusted(X509Certificate[] chain, String type) {}

        @Override
        public X509Certificate[] getAcceptedIssuers() {
            return new X509Certificate[0];
        }
    }
}
