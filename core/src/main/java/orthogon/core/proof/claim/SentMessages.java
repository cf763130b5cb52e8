package orthogon.core.proof.claim;

import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.DispatchMessage;

/** Who is sent the messages that go out with the answers. */
public final class SentMessages {

    private SentMessages() {}

    /** For each message, who of those with this outcome is sent it. */
    public static Map<String, Integer> of(Space space, String outcome) {
        Diagrams d = space.diagrams();
        Map<String, Integer> outcomes = new LinkedHashMap<>();
        space.wiring().document().outcomes()
                .forEach(o -> outcomes.put(o.code(), o.code().equals(outcome) ? Diagrams.ALL : Diagrams.NONE));
        Map<String, Integer> sent = new LinkedHashMap<>();
        for (DispatchMessage message : space.wiring().document().messages()) {
            if (message.isAfterAnswers()) {
                int given = message.hasRecipientAlways() ? Diagrams.ALL : Diagrams.NONE;
                for (String answer : message.answers()) {
                    given = d.or(given, d.not(space.axis(answer).blank()));
                }
                int when = space.expr(message.code() + ".sendWhen").map(e -> space.truth(e, outcomes).holds()).orElse(Diagrams.ALL);
                sent.put(message.code(), d.and(when, given));
            }
        }
        return sent;
    }
}
