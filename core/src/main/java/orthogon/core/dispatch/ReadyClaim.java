package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/**
 * An own claim about messages that analysts can take as it is.
 *
 * @param words what it says
 */
public record ReadyClaim(OwnClaim claim, String words) {

    /** Those that fit the messages of a document and that it does not make yet. */
    public static List<ReadyClaim> of(Questionnaire document) {
        List<ReadyClaim> ready = new ArrayList<>();
        add(document, "everybody_hears", "everybody hears from us", m -> !m.answers().isEmpty(), ready);
        add(document, "office_hears", "the office hears of every response", DispatchMessage::hasRecipientAlways, ready);
        return ready;
    }

    private static void add(Questionnaire document, String code, String words, Predicate<DispatchMessage> which, List<ReadyClaim> into) {
        String that = document.messages().stream().filter(DispatchMessage::isAfterAnswers).filter(which)
                .map(m -> "sends(" + m.code() + ")").collect(Collectors.joining(" or "));
        boolean made = document.claims().stream().anyMatch(c -> c.code().equals(code) || c.that().equals(that));
        if (!that.isEmpty() && !made) {
            into.add(new ReadyClaim(new OwnClaim(code, Says.ALWAYS, that), words));
        }
    }
}
