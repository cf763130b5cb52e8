package orthogon.app.command;

import orthogon.core.expression.Wiring;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.proof.drill.Drills;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.report.CaseDrillReport;
import orthogon.formats.report.DrillReport;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Works out few respondents who together do everything that a questionnaire can do. */
@Command(name = "drills", description = "Few respondents who together do everything it can do.")
final class DrillsCommand extends FileCommand {

    /** The form in which they are told; CSV where none is chosen. */
    private static final class Form {
        @Option(names = "--json", description = "Print the drill report as JSON.")
        private boolean json;
        @Option(names = "--csv", description = "Print a table, as without an option.")
        private boolean csv;
        @Option(names = "--script", description = "Print a script for people who try the drills by hand.")
        private boolean script;
    }

    @Mixin
    private ProofOptions options;
    @Mixin
    private FollowUpFiles followUps;
    @ArgGroup
    private Form form;
    @Parameters(paramLabel = "FILE")
    private String file;

    @Override
    int run() throws UnusableFile {
        Questionnaire document = questionnaire(file);
        try {
            if (followUps.isGiven()) {
                return across(document, followUps.read(this));
            }
            Drills drills = Drills.of(document, options.asOf(), options.limits(), Watch.NOBODY);
            out().println(form != null && form.json
                    ? DrillReport.json(document, options.asOf(), drills)
                    : form != null && form.script
                            ? DrillReport.script(document, options.asOf(), drills)
                            : DrillReport.csv(drills).stripTrailing());
            return 0;
        } catch (Drills.NotPossible e) {
            err().println(file + " has no drills: " + e.getMessage());
            return 1;
        }
    }

    /** Drills across whole cases, as JSON or as a table. */
    private int across(Questionnaire document, KnownQuestionnaires others) throws Drills.NotPossible {
        if (form != null && form.script) {
            err().println("There is no script of drills across a case; leave out --script or --with.");
            return 2;
        }
        CaseLanes lanes = CaseLanes.of(Wiring.of(document), others, options.asOf(), options.limits(), Watch.NOBODY);
        out().println(form != null && form.json
                ? CaseDrillReport.json(document, options.asOf(), lanes)
                : CaseDrillReport.csv(lanes.drills()).stripTrailing());
        return 0;
    }
}
