package orthogon.app.command;

import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import orthogon.core.proof.Proof;
import orthogon.core.proof.diagram.Failure;
import orthogon.formats.document.UnusableFile;
import orthogon.formats.report.ProofReport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Proves every claim of some questionnaires. A file that cannot be used keeps no other from being proved. */
@Command(name = "prove", description = "Prove every claim of each questionnaire.")
final class ProveCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;
    @Mixin
    private ProofOptions options;
    @Option(names = "--json", description = "Print the proof reports as JSON, one a line.")
    private boolean json;
    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<String> files;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        PrintWriter err = spec.commandLine().getErr();
        int status = 0;
        for (String name : files) {
            InputFile file = new InputFile(name);
            try {
                Proof proof = Proof.of(file.questionnaire(), options.asOf(), options.limits(), new Telling(err));
                out.println(json ? ProofReport.json(proof) : ProofReport.text(proof));
                status = Math.max(status, proof.opensGate() ? 0 : 1);
            } catch (UnusableFile e) {
                file.report(e, err);
                status = 2;
            } catch (RuntimeException | StackOverflowError e) {
                err.println(name + " " + Failure.words(e));
                status = Math.max(status, 1);
            }
        }
        return status;
    }
}
