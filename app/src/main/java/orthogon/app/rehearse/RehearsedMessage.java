package orthogon.app.rehearse;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
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
 * @param text body and what it tells; empty where it would not be sent
 * @param with what comes with it and where answers go, in words; empty for nothing special
 * @param because why it would not be sent; empty where it would
 */
record RehearsedMessage(String code, String title, String subject, List<String> to, String text, String with, String because) {

    /**
     * Every message of a document.
     *
     * @param interview complete, in any language
     * @param people who of the workspace is written to, by the names and roles of a message, in words
     */
    static List<RehearsedMessage> all(Questionnaire document, Interview interview, Function<List<String>, List<String>> people) {
        return document.messages().stream().filter(DispatchMessage::isAfterAnswers)
                .map(m -> of(m, Wiring.of(document), interview, people.apply(m.to().people()))).toList();
    }

    private static RehearsedMessage of(DispatchMessage message, Wiring source, Interview interview, List<String> people) {
        if (!DueMessage.isSent(interview, message)) {
            return notSent(message, "only when " + source.at(message.code() + ".sendWhen").flatMap(Wiring.Wire::readable).map(Phrase::of)
                    .orElse(message.sendWhen()));
        }
        List<DueMessage> due = DueMessage.of(interview, message);
        if (due.isEmpty() && people.isEmpty()) {
            return notSent(message, "nobody gives an address");
        }
        Interview inSource = interview.with(source);
        Interview reading = !due.isEmpty() && due.getFirst().ofRespondent() ? interview : inSource;
        MessageTexts texts = MessageTexts.of(reading, message.code());
        List<String> to = new ArrayList<>(due.stream().map(d -> d.address() + ", in " + language(d.ofRespondent() ? interview : inSource))
                .toList());
        people.forEach(p -> to.add(p + ", in " + language(inSource)));
        return new RehearsedMessage(message.code(), message.shown(), texts.subject(), to, texts.text(), with(message, interview), "");
    }

    private static String with(DispatchMessage message, Interview interview) {
        List<String> with = new ArrayList<>();
        String replyTo = DueMessage.replyTo(interview, message);
        if (!replyTo.isEmpty()) {
            with.add("answers go to " + replyTo);
        }
        if (message.with().paper()) {
            with.add("with the response as PDF");
        }
        if (message.with().files()) {
            with.add("with the files that were given");
        }
        return String.join(", ", with);
    }

    private static RehearsedMessage notSent(DispatchMessage message, String because) {
        return new RehearsedMessage(message.code(), message.shown(), "", List.of(), "", "", because);
    }

    private static String language(Interview interview) {
        return OwnWords.name(interview.wiring().document().sourceLanguage());
    }
}
