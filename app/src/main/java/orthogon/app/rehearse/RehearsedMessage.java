package orthogon.app.rehearse;

import java.util.List;
import orthogon.app.questions.MessageTexts;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A message at the end of a rehearsal, which sends none.
 *
 * @param subject empty where it would not be sent
 * @param to addresses with the language that each is written to in
 * @param because why it would not be sent; empty where it would
 */
record RehearsedMessage(String code, String title, String subject, List<String> to, String because) {

    /**
     * Every message of a document.
     *
     * @param interview complete, in any language
     */
    static List<RehearsedMessage> all(Questionnaire document, Interview interview) {
        List<DueMessage> due = DueMessage.of(interview);
        return document.messages().stream().map(m -> of(m, Wiring.of(document), interview,
                due.stream().filter(d -> d.message().code().equals(m.code())).toList())).toList();
    }

    private static RehearsedMessage of(DispatchMessage message, Wiring source, Interview interview, List<DueMessage> due) {
        if (!DueMessage.isSent(interview, message)) {
            return notSent(message, "only when " + source.at(message.code() + ".sendWhen").flatMap(Wiring.Wire::readable).map(Phrase::of)
                    .orElse(message.sendWhen()));
        }
        if (due.isEmpty()) {
            return notSent(message, "nobody gives an address");
        }
        Interview inSource = interview.with(source);
        Interview reading = due.getFirst().ofRespondent() ? interview : inSource;
        return new RehearsedMessage(message.code(), message.shown(), MessageTexts.of(reading, message.code()).subject(),
                due.stream().map(d -> d.address() + ", in " + language(d.ofRespondent() ? interview : inSource)).toList(), "");
    }

    private static RehearsedMessage notSent(DispatchMessage message, String because) {
        return new RehearsedMessage(message.code(), message.shown(), "", List.of(), because);
    }

    private static String language(Interview interview) {
        return OwnWords.name(interview.wiring().document().sourceLanguage());
    }
}
