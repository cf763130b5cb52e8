package orthogon.app.command;

import java.util.Map;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.stored.AnswerFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Walks one interview through a questionnaire. */
@Command(name = "answer", description = "Walk one interview through a questionnaire.")
final class AnswerCommand extends FileCommand {

    @Mixin
    private DayOption day;
    @Parameters(index = "0", paramLabel = "FILE")
    private String file;
    @Parameters(index = "1", paramLabel = "ANSWERS.json")
    private String answers;

    @Override
    int run() throws UnusableFile {
        Questionnaire document = questionnaire(file);
        Map<String, Object> given = AnswerFile.read(document, text(answers));
        out().println(AnswerFile.account(Wiring.of(document), day.asOf(), given));
        return 0;
    }
}
