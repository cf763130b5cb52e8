package orthogon.app.questions;

import java.util.List;
import java.util.stream.Collectors;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.DispatchMessage;

/**
 * What a message says, completed with the answers of an interview and in its language.
 *
 * @param text body in paragraphs, with the questions that it tells behind it
 * @param html the body as safe HTML, without these questions
 * @param told the questions that it tells, with their answers
 */
public record MessageTexts(String subject, String text, String html, List<QuestionsPage.ReviewLine> told) {

    private static final String PARAGRAPH = "\n\n";

    public static MessageTexts of(Interview interview, String messageCode) {
        RespondentTexts texts = RespondentTexts.of(interview);
        DispatchMessage message = interview.wiring().document().message(messageCode).orElseThrow();
        List<QuestionsPage.ReviewLine> told = QuestionsPage.lines(interview).stream().filter(line -> message.tells(Slots.code(line.slot())))
                .toList();
        String body = texts.paragraphs(message.body());
        String lines = told.stream().map(line -> line.wording() + "\n" + line.answer()).collect(Collectors.joining(PARAGRAPH));
        return new MessageTexts(texts.plain(message.subject()), body + (body.isEmpty() || lines.isEmpty() ? "" : PARAGRAPH) + lines,
                message.body().isBlank() ? "" : texts.block(message.body()), told);
    }
}
