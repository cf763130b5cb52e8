package orthogon.core.responses;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** How far the work on a response is. The workspace may call the states otherwise. */
public enum ResponseState {
    NEW("new"), SEEN("seen"), IN_WORK("in work"), DONE("done");

    /** Longest label, in characters. */
    public static final int LONGEST_LABEL = 40;
    private static final String BETWEEN = "|";

    private final String usual;

    ResponseState(String usual) {
        this.usual = usual;
    }

    /** The code in conditions, files and the database. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<ResponseState> of(String code) {
        return Arrays.stream(values()).filter(s -> s.code().equals(code)).findFirst();
    }

    /**
     * Every state by its code, in order, with the label that people read.
     *
     * @param setting labels as {@link #setting} writes them; states without one have their usual label
     */
    public static Map<String, String> labels(String setting) {
        List<String> own = List.of(setting.split("\\|", -1));
        Map<String, String> labels = new LinkedHashMap<>();
        for (ResponseState state : values()) {
            String label = state.ordinal() < own.size() ? own.get(state.ordinal()).strip() : "";
            labels.put(state.code(), label.isEmpty() ? state.usual : label);
        }
        return labels;
    }

    /** Labels in the order of the states, as a workspace keeps them. */
    public static String setting(List<String> labels) {
        return String.join(BETWEEN, labels.stream().map(l -> l.replace(BETWEEN, " ").strip()).toList());
    }
}
