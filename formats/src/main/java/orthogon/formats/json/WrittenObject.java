package orthogon.formats.json;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;

/** One JSON object being written, its members in the order in which they are put. */
public final class WrittenObject {

    private final Map<String, Object> members = new LinkedHashMap<>();

    public Map<String, Object> members() {
        return members;
    }

    /** Puts a member whatever its value is. */
    public WrittenObject always(String member, Object value) {
        members.put(member, value);
        return this;
    }

    /** Puts a member unless its value is null, false or empty. */
    public WrittenObject put(String member, Object value) {
        put(members, member, value);
        return this;
    }

    /** Puts a member into a map unless its value is null, false or empty. */
    public static void put(Map<String, Object> members, String member, Object value) {
        boolean nothing = switch (value) {
            case null -> true;
            case Boolean b -> !b;
            case String s -> s.isEmpty();
            case Collection<?> c -> c.isEmpty();
            case Map<?, ?> m -> m.isEmpty();
            default -> false;
        };
        if (!nothing) {
            members.put(member, value);
        }
    }
}
