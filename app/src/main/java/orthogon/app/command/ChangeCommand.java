package orthogon.app.command;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import orthogon.core.proof.change.Change;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.UnusableFile;
import orthogon.formats.report.ChangeReport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Compares two revisions by what they mean. */
@Command(name = "change", description = "Who is affected in the newer revision, and how.")
final class ChangeCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;
    @Mixin
    private ProofOptions options;
    @Option(names = "--json", description = "Print the change report as JSON.")
    private boolean json;
    @Parameters(index = "0", paramLabel = "OLD")
    private String older;
    @Parameters(index = "1", paramLabel = "NEW")
    private String newer;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        InputFile file = new InputFile(older);
        try {
            Questionnaire before = file.questionnaire();
            file = new InputFile(newer);
            Questionnaire after = file.questionnaire();
            Change change = Change.between(before, after, options.asOf(), options.limits(), new Telling(err));
            spec.commandLine().getOut().println(json
                    ? ChangeReport.json(before, after, options.asOf(), change)
                    : ChangeReport.text(before, after, options.asOf(), change));
            return change.isOfTextsOnly() ? 0 : 1;
        } catch (UnusableFile e) {
            file.report(e, err);
            return 2;
        }
    }
}
