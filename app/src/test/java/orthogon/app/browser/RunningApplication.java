package orthogon.app.browser;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import orthogon.app.Orthogon;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port with a database of its own. */
final class RunningApplication implements AutoCloseable {

    private static RunningApplication withDemo;

    private final ConfigurableApplicationContext context;

    private RunningApplication(boolean demo) {
        try {
            Path data = Files.createTempDirectory("orthogon");
            context = SpringApplication.run(Orthogon.class, "--orthogon.port=0", "--orthogon.data=" + data, "--orthogon.demo=" + demo);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    static RunningApplication empty() {
        return new RunningApplication(false);
    }

    /** One for all tests that leave the demo data as it is. */
    static synchronized RunningApplication withDemo() {
        if (withDemo == null) {
            withDemo = new RunningApplication(true);
        }
        return withDemo;
    }

    String address() {
        return "http://localhost:" + context.getEnvironment().getProperty("local.server.port");
    }

    @Override
    public void close() {
        context.close();
    }
}
