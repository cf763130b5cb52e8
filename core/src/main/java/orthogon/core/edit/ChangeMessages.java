package orthogon.core.edit;

import java.util.List;
import java.util.Set;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;

/** Other messages, which are sent once an interview is. */
public record ChangeMessages(List<DispatchMessage> messages) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (messages.size() > DispatchMessage.MOST) {
            throw new Refused("A questionnaire takes at most " + DispatchMessage.MOST + " messages.");
        }
        Questionnaire others = document.withMessages(List.of());
        WholeDocument.refuseTaken(messages.stream().map(DispatchMessage::code).toList(), others);
        for (DispatchMessage message : messages) {
            check(document, message);
        }
        Questionnaire changed = Meant.understood(document, document.withMessages(messages));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    private static void check(Questionnaire document, DispatchMessage message) throws Refused {
        for (String address : message.addresses()) {
            if (!DispatchMessage.isAddress(address)) {
                throw new Refused("“" + address + "” is not an email address; write it like office@example.org.");
            }
        }
        if (Math.max(message.addresses().size(), message.answers().size()) > DispatchMessage.MOST_ADDRESSES) {
            throw new Refused(message.code() + " goes to at most " + DispatchMessage.MOST_ADDRESSES + " addresses of either kind.");
        }
        for (String told : message.told()) {
            if (document.item(told).isEmpty()) {
                throw new Refused(message.code() + " tells " + told + ", and there is no such question.");
            }
        }
        if (message.subject().isBlank()) {
            throw new Refused(message.code() + " needs a subject.");
        }
        for (String text : List.of(message.subject(), message.body())) {
            if (Piping.fault(text).isPresent()) {
                throw new Refused("The text of " + message.code() + " cannot be read: " + Piping.fault(text).get() + ".");
            }
        }
    }

    @Override
    public String says() {
        return "changed the messages";
    }

    @Override
    public Set<String> about() {
        return Set.of(MESSAGES);
    }
}
