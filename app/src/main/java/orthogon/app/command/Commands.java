package orthogon.app.command;

import java.io.OutputStreamWriter;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ScopeType;

/**
 * Runs one command. Exit status 0: all well; 1: a blocking claim is not proved, or respondents are affected; 2: a file or the call cannot
 * be used.
 */
public final class Commands {

    private static final Set<String> ON_DATA = Set.of("backup", "restore", "check");

    /** The list of all commands. */
    @Command(name = "orthogon", description = "Proves what a questionnaire does, for all answers.", sortOptions = false, synopsisSubcommandLabel = "COMMAND", footer = {
            "", "Exit status 0: all is well; 1: something is not proved, differs or is damaged;",
            "2: a file or the call cannot be used."}, subcommands = {ProveCommand.class, DrillsCommand.class, ChangeCommand.class,
                    AnswerCommand.class, ServeHelp.class,
                    BackupCommand.class, RestoreCommand.class, CheckCommand.class, IdentityCommand.class})
    private static final class All implements Runnable {

        @CommandLine.Spec
        private CommandLine.Model.CommandSpec spec;

        @Option(names = {"-h", "--help"}, usageHelp = true, scope = ScopeType.INHERIT, description = "Say how it is called.")
        private boolean help;

        @Override
        public void run() {
            throw new CommandLine.ParameterException(spec.commandLine(), "Name a command.");
        }
    }

    /** Stands for {@code serve} in the list; {@link Serve} reads its settings. */
    @Command(name = "serve", description = "Start the web application; settings are given as --orthogon.port=N.")
    private static final class ServeHelp implements Runnable {
        @Override
        public void run() {
            throw new IllegalStateException("the server is started without this list");
        }
    }

    private final CommandLine all;

    public Commands(PrintStream out, PrintStream err) {
        this.all = new CommandLine(new All()).setOut(writer(out)).setErr(writer(err)).setUsageHelpWidth(100);
    }

    private static PrintWriter writer(PrintStream stream) {
        return new PrintWriter(new OutputStreamWriter(stream, StandardCharsets.UTF_8), true);
    }

    /** Whether a call is about a data folder. */
    public static boolean usesDatabase(String... args) {
        return args.length > 0 && ON_DATA.contains(args[0]);
    }

    /** Runs the command that the first argument names; {@code help} before it says how it is called. */
    public int run(String... args) {
        boolean help = args.length > 0 && args[0].equals("help");
        return all.execute(help ? Stream.concat(Stream.of(args).skip(1), Stream.of("--help")).toArray(String[]::new) : args);
    }
}
