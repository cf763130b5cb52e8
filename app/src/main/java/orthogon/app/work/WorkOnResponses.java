package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ResponseNoteStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseState;
import org.springframework.stereotype.Component;

/** Sets states, puts people in charge, and notes what is to be known about responses. */
@Component
public class WorkOnResponses {

    /** Longest note, in characters. */
    public static final int LONGEST_NOTE = 4_000;

    private final ResponseStore responses;
    private final ResponseNoteStore notes;
    private final Acts acts;
    private final Clock clock;

    public WorkOnResponses(ResponseStore responses, ResponseNoteStore notes, Acts acts, Clock clock) {
        this.responses = responses;
        this.notes = notes;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Sets the state of responses.
     *
     * @return how many it was set of
     * @throws Refused where there is no such state
     */
    public int setState(Draft draft, List<String> receipts, String state, String who) throws Refused {
        String code = ResponseState.of(state).orElseThrow(() -> new Refused("There is no state “" + state + "”.")).code();
        return acts.noted(who, draft.code(), () -> responses.setState(draft.id(), receipts, code),
                n -> "set the state of " + counted(n, receipts) + " to " + code);
    }

    /** Notes that somebody has seen a new response; the trail keeps no line of it. */
    public void seen(Draft draft, Response response) {
        if (response.state().equals(ResponseState.NEW.code())) {
            responses.setState(draft.id(), List.of(response.receipt()), ResponseState.SEEN.code());
        }
    }

    /**
     * Puts somebody in charge of responses.
     *
     * @param account empty for nobody
     * @return how many responses it is
     */
    public int putInCharge(Draft draft, List<String> receipts, String account, String who) {
        return acts.noted(who, draft.code(), () -> responses.putInCharge(draft.id(), receipts, account),
                n -> "put " + (account.isEmpty() ? "nobody" : account) + " in charge of " + counted(n, receipts));
    }

    /** @throws Refused where the note is empty or too long */
    public void note(Draft draft, Response response, String text, String who) throws Refused {
        if (text.isBlank() || text.length() > LONGEST_NOTE) {
            throw new Refused("Write a note of at most " + LONGEST_NOTE + " characters.");
        }
        acts.noted(who, draft.code(), "wrote a note about response " + response.receipt(),
                () -> notes.add(response.number(), who, text.strip(), OffsetDateTime.now(clock)));
    }

    private static String counted(int n, List<String> receipts) {
        return n == 1 && receipts.size() == 1 ? "response " + receipts.getFirst() : n + (n == 1 ? " response" : " responses");
    }
}
