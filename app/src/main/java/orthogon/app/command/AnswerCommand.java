package orthogon.app.command;

import java.time.LocalDate;
import java.util.Map;
import java.util.concurrent.Callable;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.UnusableFile;
import orthogon.formats.report.AnswerFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Walks one interview through a questionnaire. */
@Command(name = "answer", description = "Walk one interview through a questionnaire.")
final class AnswerCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;
    @Option(names = "--as-of", paramLabel = "DATE", converter = ProofOptions.Day.class, description = "What today() means, as 2026-11-30. The current day if it is left out.")
    private LocalDate asOf = LocalDate.now();
    @Parameters(index = "0", paramLabel = "FILE")
    private String questionnaire;
    @Parameters(index = "1", paramLabel = "ANSWERS.json")
    private String answers;

    @Override
    public Integer call() {
        InputFile file = new InputFile(questionnaire);
        try {
            Questionnaire document = file.questionnaire();
            file = new InputFile(answers);
            Map<String, Object> given = AnswerFile.read(document, file.text());
            spec.commandLine().getOut().println(AnswerFile.account(Wiring.of(document), asOf, given));
            return 0;
        } catch (UnusableFile e) {
            file.report(e, spec.commandLine().getErr());
            return 2;
        }
    }
}
