package orthogon.app.command;

import orthogon.core.proof.change.Change;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.report.ChangeReport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Compares two revisions by what they mean. */
@Command(name = "change", description = "Who is affected in the newer revision, and how.")
final class ChangeCommand extends FileCommand {

    @Mixin
    private ProofOptions options;
    @Option(names = "--json", description = "Print the change report as JSON.")
    private boolean json;
    @Parameters(index = "0", paramLabel = "OLD")
    private String older;
    @Parameters(index = "1", paramLabel = "NEW")
    private String newer;

    @Override
    int run() throws UnusableFile {
        Questionnaire before = questionnaire(older);
        Questionnaire after = questionnaire(newer);
        Change change = Change.between(before, after, options.asOf(), options.limits(), new Telling(err()));
        out().println(json
                ? ChangeReport.json(before, after, options.asOf(), change)
                : ChangeReport.text(before, after, options.asOf(), change));
        return change.isOfTextsOnly() ? 0 : 1;
    }
}
