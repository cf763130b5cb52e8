package orthogon.core.questionnaire;

import java.util.List;
import java.util.stream.Stream;

/**
 * What goes out once an interview is sent.
 *
 * @param messages in order
 * @param passages parts of their texts and of closing texts, in order
 * @param followUps in order; each may speak of those before it
 */
public record Dispatch(List<DispatchMessage> messages, List<DispatchPassage> passages, List<FollowUp> followUps) {

    public static final Dispatch NOTHING = new Dispatch(List.of(), List.of());

    public Dispatch {
        messages = List.copyOf(messages);
        passages = List.copyOf(passages);
        followUps = List.copyOf(followUps);
    }

    /** Without follow-ups. */
    public Dispatch(List<DispatchMessage> messages, List<DispatchPassage> passages) {
        this(messages, passages, List.of());
    }

    public boolean isEmpty() {
        return messages.isEmpty() && passages.isEmpty() && followUps.isEmpty();
    }

    /** Whether a message, a passage or a follow-up has the code. */
    public boolean has(String code) {
        return codes().contains(code);
    }

    /** Codes of all entries, messages first. */
    public List<String> codes() {
        return Stream.of(messages.stream().map(DispatchMessage::code), passages.stream().map(DispatchPassage::code),
                followUps.stream().map(FollowUp::code)).flatMap(s -> s).toList();
    }

    public Dispatch withMessages(List<DispatchMessage> changed) {
        return new Dispatch(changed, passages, followUps);
    }

    public Dispatch withPassages(List<DispatchPassage> changed) {
        return new Dispatch(messages, changed, followUps);
    }

    public Dispatch withFollowUps(List<FollowUp> changed) {
        return new Dispatch(messages, passages, changed);
    }
}
