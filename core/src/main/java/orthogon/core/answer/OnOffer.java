package orthogon.core.answer;

import java.util.List;

/**
 * What a question offers as the answers stand.
 *
 * @param options in the order of the document
 * @param rows codes of the rows of a grid that are asked
 */
public record OnOffer(List<Option> options, List<String> rows) {

    public boolean has(Object code) {
        return code instanceof String && options.stream().anyMatch(o -> o.code().equals(code));
    }

    /** Whether the value is a list of options on offer. */
    public boolean hasAll(Object codes) {
        return codes instanceof List<?> chosen && chosen.stream().allMatch(this::has);
    }
}
