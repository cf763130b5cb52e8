package orthogon.core.questionnaire;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * To whom a message goes, and who is answered by those who answer it.
 *
 * @param addresses that it always goes to
 * @param answers codes of email questions whose answers it goes to as well
 * @param people of the workspace, by the name that they sign in with, or whole roles, such as {@code role:reviewer}
 * @param replyTo an address, or the code of an email question whose answer it is; empty for the address of the station
 */
public record MessageRecipients(List<String> addresses, List<String> answers, List<String> people, String replyTo) {

    /** Before the name of a role. */
    public static final String ROLE = "role:";
    /** Nobody. */
    public static final MessageRecipients NOBODY = new MessageRecipients(List.of(), List.of(), List.of(), "");

    public MessageRecipients {
        addresses = List.copyOf(addresses);
        answers = List.copyOf(answers);
        people = List.copyOf(people);
    }

    /** Whether it goes to somebody whatever is answered. */
    boolean isNeverEmpty() {
        return !addresses.isEmpty() || !people.isEmpty();
    }

    /** Codes of answers, of recipients or of the reply address, although no question outside of rosters asks for an email address there. */
    List<String> withoutAddress(Questionnaire document) {
        List<String> codes = new ArrayList<>(answers);
        if (Codes.isValid(replyTo)) {
            codes.add(replyTo);
        }
        return codes.stream().filter(a -> !document.asksForAddress(a)).toList();
    }

    MessageRecipients withCodes(Map<String, String> codes) {
        return new MessageRecipients(addresses, answers.stream().map(c -> codes.getOrDefault(c, c)).toList(), people,
                codes.getOrDefault(replyTo, replyTo));
    }

    MessageRecipients without(Set<String> gone) {
        return new MessageRecipients(addresses, answers.stream().filter(c -> !gone.contains(c)).toList(), people,
                gone.contains(replyTo) ? "" : replyTo);
    }
}
