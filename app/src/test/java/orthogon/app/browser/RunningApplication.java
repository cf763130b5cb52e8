package orthogon.app.browser;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import orthogon.app.Orthogon;
import orthogon.app.demo.DemoPeople;
import orthogon.app.demo.MadeDemo;
import orthogon.app.store.DraftStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.TestDatabase;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port with a database of its own. */
final class RunningApplication implements AutoCloseable {

    private static RunningApplication withDemo;

    private final ConfigurableApplicationContext context;

    private RunningApplication(boolean withData, String... more) {
        try {
            Path data = withData ? MadeDemo.copy() : Files.createTempDirectory("orthogon");
            context = SpringApplication.run(Orthogon.class, Stream.concat(Stream.of("--orthogon.port=0", "--orthogon.data=" + data,
                    "--orthogon.demo=" + withData, "--orthogon.pace.begin.most=100000"), Stream.of(more)).toArray(String[]::new));
            if (!withData) {
                context.getBean(DemoPeople.class).come();
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** One with the demo data, to be closed by whoever asked for it. */
    static RunningApplication fresh() {
        return new RunningApplication(true);
    }

    /** One whose answers come late. */
    static RunningApplication slow() {
        return new RunningApplication(false, "--orthogon.test-delay=true");
    }

    /** One with the demo data that people reach through a proxy on this machine. */
    static RunningApplication behindProxy(String publicAddress) {
        return new RunningApplication(true, "--orthogon.public-address=" + publicAddress, "--orthogon.trusted-proxies=127.0.0.1");
    }

    static RunningApplication empty() {
        return new RunningApplication(false);
    }

    /** One that keeps everything in a database of this vendor, empty but for the people. */
    static RunningApplication on(TestDatabase vendor) {
        return new RunningApplication(false, "--orthogon.database=" + vendor.address(), "--orthogon.database-user=" + vendor.user());
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

    /** A part of the application itself, to set up what a test is not about. */
    <T> T part(Class<T> type) {
        return context.getBean(type);
    }

    /** Releases a document without asking its proof, under a code of its own; gives the path of its link. */
    String released(Questionnaire document) {
        String code = document.code() + "_" + Long.toString(System.nanoTime(), 36);
        DraftStore.Draft draft = part(DraftStore.class).create(document.withCode(code), "jory", "began");
        return "/to/" + part(ReleaseStore.class).create(draft,
                new ReleaseStore.Made("{}", "", "jory", document.languages(), java.util.List.of(), "", java.time.OffsetDateTime.now()))
                .token();
    }

    @Override
    public void close() {
        context.close();
    }
}
