package orthogon.app.work;

import java.util.List;
import orthogon.app.store.SettingStore;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseState;
import org.springframework.stereotype.Component;

/** Decides what the workspace calls the states of responses. */
@Component
public class NameStates {

    private final SettingStore settings;
    private final Acts acts;

    public NameStates(SettingStore settings, Acts acts) {
        this.settings = settings;
        this.acts = acts;
    }

    /**
     * @param labels one for each state, in order; an empty one stands for the usual label
     * @throws Refused where one is too long, or two are the same
     */
    public void name(List<String> labels, String who) throws Refused {
        if (labels.size() != ResponseState.values().length) {
            throw new Refused("Give each of the " + ResponseState.values().length + " states a label.");
        }
        for (String label : labels) {
            if (label.strip().length() > ResponseState.LONGEST_LABEL) {
                throw new Refused("A state is called by at most " + ResponseState.LONGEST_LABEL + " characters: “" + label.strip() + "”.");
            }
        }
        String setting = ResponseState.setting(labels);
        List<String> read = List.copyOf(ResponseState.labels(setting).values());
        if (read.stream().distinct().count() < read.size()) {
            throw new Refused("Two states have the same label. Call one of them otherwise.");
        }
        acts.noted(who, Acts.WORKSPACE, "called the states of responses " + String.join(", ", read),
                () -> settings.set(SettingStore.RESPONSE_STATES, setting));
    }
}
