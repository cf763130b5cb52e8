package orthogon.app.command;

import orthogon.core.proof.Proof;
import orthogon.core.proof.told.ClaimWords;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.report.ProofReport;
import java.util.List;
import orthogon.core.proof.composed.KnownQuestionnaires;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Proves every claim of some questionnaires. A file that cannot be used keeps no other from being proved. */
@Command(name = "prove", description = "Prove every claim of each questionnaire.")
final class ProveCommand extends FileCommand {

    @Mixin
    private ProofOptions options;
    @Option(names = "--json", description = "Print the proof reports as JSON, one a line.")
    private boolean json;
    @Mixin
    private FollowUpFiles followUps;
    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<String> files;

    @Override
    int run() throws UnusableFile {
        int status = 0;
        KnownQuestionnaires others = followUps.read(this);
        for (String file : files) {
            try {
                Proof proof = Proof.of(questionnaire(file), options.asOf(), options.limits(), new Telling(err()), others);
                out().println(json ? ProofReport.json(proof) : ProofReport.text(proof));
                status = Math.max(status, proof.opensGate() ? 0 : 1);
            } catch (UnusableFile e) {
                status = told(e);
            } catch (RuntimeException | StackOverflowError e) {
                err().println(file + " " + ClaimWords.failure(e));
                status = Math.max(status, 1);
            }
        }
        return status;
    }
}
