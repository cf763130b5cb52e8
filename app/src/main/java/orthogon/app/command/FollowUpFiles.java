package orthogon.app.command;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import picocli.CommandLine.Option;

/** The files of the questionnaires that follow-ups open. */
final class FollowUpFiles {

    @Option(names = "--with", paramLabel = "FILE", description = "A questionnaire that follow-ups open; as often as needed.")
    private List<String> with = List.of();

    boolean isGiven() {
        return !with.isEmpty();
    }

    KnownQuestionnaires read(FileCommand command) throws UnusableFile {
        Map<String, Questionnaire> others = new HashMap<>();
        for (String file : with) {
            Questionnaire other = command.questionnaire(file);
            others.put(other.code(), other);
        }
        return code -> Optional.ofNullable(others.get(code));
    }
}
