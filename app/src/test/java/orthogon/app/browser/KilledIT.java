package orthogon.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Path;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.util.FileSystemUtils;

/** The process is killed at once after a page confirmed something; started again, it has it. */
class KilledIT {

    @TempDir
    Path data;

    private Process start(int port) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-cp",
                System.getProperty("java.class.path"), "orthogon.app.Orthogon", "serve", "--orthogon.demo=true", "--orthogon.port=" + port,
                "--orthogon.data=" + data).redirectErrorStream(true).redirectOutput(data.resolve("log-" + System.nanoTime()).toFile())
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

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    @Test
    void nothingConfirmedIsLost() throws Exception {
        int port;
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        String address = "http://localhost:" + port;
        FileSystemUtils.copyRecursively(RunningApplication.demoCopy(), data);
        Process process = start(port);
        try {
            Page ines = Chromium.signedIn(address, "ines");
            Chromium.open(ines, address + "/q/found_animal/release");
            Page finder = Chromium.visitor();
            finder.navigate(address + ines.locator("a[href^='/to/']").first().getAttribute("href"));
            press(finder, "Begin");
            finder.getByLabel("When did you find it?").fill(LocalDate.now().toString());
            finder.getByLabel("Where did you find it?").fill("Under the old viaduct");
            finder.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
            finder.locator("#q-stay_away").waitFor();
            press(finder, "Next");
            finder.getByText("The animal").first().waitFor();
            ines.navigate(address + "/q/found_animal/compose?at=finder");
            ines.locator("#help").fill("Given name and family name.");
            ines.locator("#help").blur();
            ines.locator("#state[data-revision='2']").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
            process.destroyForcibly().waitFor();

            process = start(port);
            finder.reload();
            assertEquals("The animal", finder.locator("h1").textContent());
            finder.getByLabel("No", new Page.GetByLabelOptions().setExact(true)).check();
            finder.getByLabel("Mammal").check();
            press(finder, "Review and send");
            press(finder, "Send my answers");
            String receipt = finder.locator(".receipt b").textContent();
            process.destroyForcibly().waitFor();

            process = start(port);
            ines = Chromium.signedIn(address, "ines");
            ines.navigate(address + "/q/found_animal/compose?at=finder");
            assertEquals("Given name and family name.", ines.locator("#help").inputValue());
            ines.navigate(address + "/q/found_animal/responses/" + receipt);
            assertTrue(ines.locator("main").textContent().contains("Under the old viaduct"));
        } finally {
            process.destroyForcibly();
        }
    }
}
