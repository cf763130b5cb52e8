package orthogon.core.questionnaire;

import java.util.List;

/**
 * What goes out once an interview is sent.
 *
 * @param messages in order
 * @param passages parts of their texts and of closing texts, in order
 */
public record Dispatch(List<DispatchMessage> messages, List<DispatchPassage> passages) {

    public static final Dispatch NOTHING = new Dispatch(List.of(), List.of());

    public Dispatch {
        messages = List.copyOf(messages);
        passages = List.copyOf(passages);
    }

    public boolean isEmpty() {
        return messages.isEmpty() && passages.isEmpty();
    }

    /** Whether a message or a passage has the code. */
    public boolean has(String code) {
        return messages.stream().anyMatch(m -> m.code().equals(code)) || passages.stream().anyMatch(p -> p.code().equals(code));
    }
}
