package orthogon.app.questions;

import java.util.stream.Collectors;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.DispatchMessage;

/**
 * What a message says, completed with the answers of an interview and in its language.
 *
 * @param body in paragraphs, with the questions that it tells behind it
 */
public record MessageTexts(String subject, String body) {

    private static final String PARAGRAPH = "\n\n";

    public static MessageTexts of(Interview interview, String messageCode) {
        RespondentTexts texts = RespondentTexts.of(interview);
        DispatchMessage message = interview.wiring().document().message(messageCode).orElseThrow();
        String told = QuestionsPage.lines(interview).stream().filter(line -> message.tells(Slots.code(line.slot())))
                .map(line -> line.wording() + "\n" + line.answer()).collect(Collectors.joining(PARAGRAPH));
        String body = texts.paragraphs(message.body());
        return new MessageTexts(texts.plain(message.subject()),
                body + (body.isEmpty() || told.isEmpty() ? "" : PARAGRAPH) + told);
    }
}
