package orthogon.app;

import java.util.Set;
import java.util.stream.Stream;
import orthogon.app.command.Commands;
import orthogon.app.command.Serve;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** The way in: {@code serve} starts the application, every other command runs and ends. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class Orthogon {

    private static final Set<String> HELP = Set.of("--help", "-h");

    public static void main(String[] args) {
        boolean serve = starts(args);
        if (serve && !Serve.isPossible(args, System.err)) {
            System.exit(1);
        }
        if (serve) {
            SpringApplication.run(Orthogon.class, Serve.settings(args));
        } else {
            if (Commands.usesDatabase(args)) {
                // The command says itself what is wrong; the database and its migrations write nothing.
                LoggingSystem.get(Orthogon.class.getClassLoader()).setLogLevel(LoggingSystem.ROOT_LOGGER_NAME, LogLevel.OFF);
            }
            System.exit(new Commands(System.out, System.err).run(args));
        }
    }

    /** Whether a call starts the application. */
    static boolean starts(String... args) {
        return Stream.of(args).noneMatch(HELP::contains) && (args.length == 0 || args[0].equals("serve") || args[0].startsWith("--"));
    }
}
