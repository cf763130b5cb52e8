package orthogon.app.command;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.app.demo.DemoPeople;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drills;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.UnusableFile;
import orthogon.formats.report.AnswerFile;
import orthogon.formats.report.ChangeReport;
import orthogon.formats.report.DrillReport;
import orthogon.formats.report.ProofReport;

/** Runs one command. Exit status 0: all well; 1: a blocking claim is not proved, or respondents are affected; 2: a file or the call cannot be used. */
public final class Commands {

    private static final String USAGE = """
            orthogon prove FILE... [--json] [--as-of DATE]   prove every claim of each questionnaire
            orthogon drills FILE [--json|--csv|--script]     few respondents who together do everything it can do
            orthogon change OLD NEW [--json]                 who is affected in the newer revision, and how
            orthogon answer FILE ANSWERS.json [--as-of DATE] walk one interview through a questionnaire
            orthogon serve [--orthogon.port=N]               start the web application
            orthogon backup FILE [--data DIR]                copy a whole workspace into a file, also while it is served
            orthogon restore FILE [--data DIR]               bring a backup back into an empty folder
            orthogon check [--data DIR]                      read everything that is kept, and compare every digest
            orthogon identity [--port N]                     an identity service for trying sign-in through one

            --seconds N and --memory MB limit how long a proof may take and what it may use; what they end stays undecided.
            DIR is the folder of the workspace; ./data if it is left out. Where the key of the trail stands elsewhere, name it by
            --trail-key FILE.
            DATE is what today() means, as 2026-11-30; the current day if it is left out.
            """;

    private static final int IDENTITY_PORT = 8419;
    private static final Set<String> ON_DATA = Set.of("backup", "restore", "check");

    private final PrintStream out;
    private final PrintStream err;

    public Commands(PrintStream out, PrintStream err) {
        this.out = new PrintStream(out, true, StandardCharsets.UTF_8);
        this.err = new PrintStream(err, true, StandardCharsets.UTF_8);
    }

    /** Whether a call is about a data folder. */
    public static boolean usesDatabase(String... args) {
        return args.length > 0 && ON_DATA.contains(args[0]);
    }

    public int run(String... args) {
        List<String> files = new ArrayList<>();
        boolean json = false;
        String form = "";
        Path data = Path.of("data");
        String trailKey = "";
        int port = IDENTITY_PORT;
        int seconds = (int) Limits.USUAL.time().toSeconds();
        int memory = 0;
        LocalDate asOf = LocalDate.now();
        for (int i = 1; i < args.length; i++) {
            if (args[i].equals("--json")) {
                json = true;
            } else if (args[i].equals("--as-of") && i + 1 < args.length) {
                try {
                    asOf = LocalDate.parse(args[++i]);
                } catch (java.time.DateTimeException e) {
                    err.println("\"" + args[i] + "\" is not a date; write it like 2026-11-30");
                    return 2;
                }
            } else if ((args[i].equals("--seconds") || args[i].equals("--memory")) && i + 1 < args.length) {
                String option = args[i];
                if (!args[++i].matches("[1-9]\\d{0,5}")) {
                    err.println(option + " needs a whole number of at least 1, not \"" + args[i] + "\"");
                    return 2;
                }
                seconds = option.equals("--seconds") ? Integer.parseInt(args[i]) : seconds;
                memory = option.equals("--memory") ? Integer.parseInt(args[i]) : memory;
            } else if (args[i].equals("--port") && i + 1 < args.length && args[i + 1].matches("\\d{1,5}")) {
                port = Integer.parseInt(args[++i]);
            } else if (args[i].equals("--data") && i + 1 < args.length) {
                data = Path.of(args[++i]);
            } else if (args[i].equals("--trail-key") && i + 1 < args.length) {
                trailKey = args[++i];
            } else if (args[i].equals("--csv") || args[i].equals("--script")) {
                form = args[i].substring(2);
            } else if (args[i].startsWith("--")) {
                err.println("unknown option " + args[i]);
                err.print(USAGE);
                return 2;
            } else {
                files.add(args[i]);
            }
        }
        Duration time = Duration.ofSeconds(seconds);
        Limits limits = memory == 0 ? new Limits(Limits.USUAL.nodes(), time) : Limits.of(memory, time);
        if (args[0].equals("prove") && !files.isEmpty()) {
            return prove(files, json, asOf, limits);
        }
        if (args[0].equals("drills") && files.size() == 1) {
            return drills(files.getFirst(), json ? "json" : form, asOf, limits);
        }
        if (args[0].equals("change") && files.size() == 2) {
            return change(files.get(0), files.get(1), json, asOf, limits);
        }
        if (args[0].equals("answer") && files.size() == 2) {
            return answer(files.get(0), files.get(1), asOf);
        }
        if (args[0].equals("identity") && files.isEmpty()) {
            return identity(port);
        }
        boolean onFile = (args[0].equals("backup") || args[0].equals("restore")) && files.size() == 1;
        if (onFile || args[0].equals("check") && files.isEmpty()) {
            return new DataCommands(out, err).run(args[0], files, data, trailKey);
        }
        boolean help = args[0].equals("help") || args[0].equals("-h");
        (help ? out : err).print(USAGE);
        return help ? 0 : 2;
    }

    private int identity(int port) {
        List<IdentityStandIn.Account> accounts = new ArrayList<>();
        DemoPeople.names().forEach((name, shown) -> accounts.add(new IdentityStandIn.Account(name, shown, DemoPeople.email(name))));
        accounts.add(new IdentityStandIn.Account("stranger", "Pell Roe, whom nobody invited", "pell@example.org"));
        try (IdentityStandIn standIn = new IdentityStandIn(port, accounts)) {
            out.println("The identity service for trying answers at " + standIn.issuer() + ". Ctrl+C stops it.");
            Thread.currentThread().join();
        } catch (IOException | IllegalArgumentException e) {
            err.println("Port " + port + " is taken or may not be used. Choose another with --port N.");
            return 2;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return 0;
    }

    private int drills(String file, String form, LocalDate asOf, Limits limits) {
        try {
            Questionnaire document = document(file);
            Drills drills = Drills.of(document, asOf, limits, Watch.NOBODY);
            out.println(switch (form) {
                case "json" -> DrillReport.json(document, asOf, drills);
                case "script" -> DrillReport.script(document, asOf, drills);
                default -> DrillReport.csv(drills).stripTrailing();
            });
            return 0;
        } catch (UnusableFile e) {
            report(file, e);
            return 2;
        } catch (Drills.NotPossible e) {
            err.println(file + " has no drills: " + e.getMessage());
            return 1;
        }
    }

    private int prove(List<String> files, boolean json, LocalDate asOf, Limits limits) {
        int status = 0;
        for (String file : files) {
            try {
                Proof proof = Proof.of(document(file), asOf, limits, new Telling(err));
                out.println(json ? ProofReport.json(proof) : ProofReport.text(proof));
                status = Math.max(status, proof.opensGate() ? 0 : 1);
            } catch (UnusableFile e) {
                report(file, e);
                status = 2;
            } catch (RuntimeException | StackOverflowError e) {
                err.println(file + " " + Failure.words(e));
                status = Math.max(status, 1);
            }
        }
        return status;
    }

    private int change(String older, String newer, boolean json, LocalDate asOf, Limits limits) {
        String reading = older;
        try {
            Questionnaire before = document(older);
            reading = newer;
            Questionnaire after = document(newer);
            Change change = Change.between(before, after, asOf, limits, new Telling(err));
            out.println(json ? ChangeReport.json(before, after, asOf, change) : ChangeReport.text(before, after, asOf, change));
            return change.isOfTextsOnly() ? 0 : 1;
        } catch (UnusableFile e) {
            report(reading, e);
            return 2;
        }
    }

    private int answer(String file, String answersFile, LocalDate asOf) {
        String reading = file;
        try {
            Questionnaire document = document(file);
            reading = answersFile;
            Map<String, Object> answers = AnswerFile.read(document, text(answersFile));
            out.println(AnswerFile.account(Wiring.of(document), asOf, answers));
            return 0;
        } catch (UnusableFile e) {
            report(reading, e);
            return 2;
        }
    }

    private void report(String file, UnusableFile unusable) {
        unusable.faults().forEach(fault -> err.println(file + " " + fault));
    }

    private static Questionnaire document(String file) throws UnusableFile {
        return DocumentReader.read(text(file));
    }

    private static String text(String file) throws UnusableFile {
        try {
            return new String(Files.readAllBytes(Path.of(file)), StandardCharsets.UTF_8);
        } catch (IOException | java.nio.file.InvalidPathException e) {
            throw new UnusableFile(List.of(new UnusableFile.FileFault("", "cannot be read; is the name right?")));
        }
    }
}
