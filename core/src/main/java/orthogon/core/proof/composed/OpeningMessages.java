package orthogon.core.proof.composed;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Questionnaire;

/**
 * Follow-ups that answers alone decide as messages that go out where they are opened, so that whatever says who is sent a message says who
 * opens them. One that rests on follow-ups before it has none.
 */
public final class OpeningMessages {

    /** The address of a message that stands for a follow-up; no message that somebody wrote has it. */
    private static final String NOBODY = "";

    private OpeningMessages() {}

    /** Whether a message stands for a follow-up. */
    public static boolean isStandIn(DispatchMessage message) {
        return message.addresses().equals(List.of(NOBODY));
    }

    /** Whether answers alone decide who opens it. */
    public static boolean isDecidedByAnswers(Wiring wiring, FollowUp followUp) {
        return wiring.restsOn(followUp.code()).isEmpty();
    }

    /** The document alone, with a message for each follow-up that answers decide; the wiring itself where there are no follow-ups. */
    public static Wiring asMessages(Wiring wiring, Runnable step) {
        if (wiring.document().followUps().isEmpty()) {
            return wiring;
        }
        Questionnaire alone = wiring.standingAlone().document();
        List<DispatchMessage> messages = new ArrayList<>(alone.messages());
        wiring.document().followUps().stream().filter(f -> isDecidedByAnswers(wiring, f)).forEach(f -> messages.add(asMessage(f)));
        return Wiring.of(alone.withMessages(messages), step);
    }

    private static DispatchMessage asMessage(FollowUp followUp) {
        String entries = followUp.isForEachEntry() ? "count(" + followUp.eachOf() + ") >= 1" : "";
        String when = followUp.openWhen();
        String both = entries.isEmpty() || when.isEmpty() ? when + entries : "(" + when + ") and " + entries;
        return new DispatchMessage(followUp.code(), "", both, List.of(NOBODY), List.of(), "", "", ToldAnswers.NOTHING,
                List.of());
    }
}
