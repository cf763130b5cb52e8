package orthogon.formats.json;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.language.CleanText;
import orthogon.core.questionnaire.Codes;
import orthogon.formats.json.UnusableFile.FileFault;
import tools.jackson.databind.JsonNode;

/** One JSON object being read: what was asked for is ticked off, what is left over is a fault. */
public final class ReadObject {

    private static final int LONGEST_PICTURE = 400_000;

    private final JsonNode node;
    private final String pointer;
    private final List<FileFault> faults;
    private final Set<String> known = new HashSet<>();

    public ReadObject(JsonNode node, String pointer, List<FileFault> faults) {
        this.node = node;
        this.pointer = pointer;
        this.faults = faults;
        if (!node.isObject()) {
            fault("", "an object { } is needed here");
        }
    }

    public String pointer() {
        return pointer;
    }

    public boolean isObject() {
        return node.isObject();
    }

    public boolean has(String member) {
        return node.has(member);
    }

    public void fault(String member, String message) {
        faults.add(new FileFault(member.isEmpty() ? pointer : pointer + "/" + escaped(member), message));
    }

    /** Faults something inside the object: {@code options/1/exclusive}. */
    public void faultInside(String path, String message) {
        faults.add(new FileFault(pointer + "/" + path, message));
    }

    public static String escaped(String member) {
        return member.replace("~", "~0").replace("/", "~1");
    }

    private JsonNode get(String member) {
        known.add(member);
        JsonNode value = node.get(member);
        return value == null || value.isNull() ? null : value;
    }

    /** Without characters that no page can hold; empty where it is left out. */
    public String text(String member) {
        JsonNode value = get(member);
        if (value == null) {
            return "";
        }
        if (!value.isString()) {
            fault(member, "a text in quotes is needed here");
            return "";
        }
        if (value.asString().length() > 20_000) {
            fault(member, "this text is longer than 20 000 characters");
            return "";
        }
        return CleanText.of(value.asString());
    }

    /** A {@code data:} address of an image; empty where it is left out. */
    public String picture(String member) {
        JsonNode value = get(member);
        if (value == null) {
            return "";
        }
        if (!value.isString() || value.asString().length() > LONGEST_PICTURE
                || !value.asString().matches("data:image/(png|jpeg|webp|gif);base64,[A-Za-z0-9+/=]+")) {
            fault(member, "a picture is needed here, as data:image/png;base64,… of at most 300 kB");
            return "";
        }
        return value.asString();
    }

    /** {@code #rrggbb}; empty where it is left out. */
    public String colour(String member) {
        String text = text(member);
        if (!text.isEmpty() && !text.matches("#[0-9a-fA-F]{6}")) {
            fault(member, "a colour is needed here, as #0e5a68");
        }
        return text;
    }

    /** One of the words; the usual one where it is left out. */
    public <T> T oneOf(String member, T[] values, Function<T, String> word, T usual) {
        String text = text(member);
        for (T value : values) {
            if (word.apply(value).equals(text)) {
                return value;
            }
        }
        if (!text.isEmpty()) {
            fault(member, "one of these is needed here: " + java.util.Arrays.stream(values).map(word).toList());
        }
        return usual;
    }

    public String needed(String member) {
        if (get(member) == null && node.isObject()) {
            fault("", "the member \"" + member + "\" is missing");
            return "";
        }
        return text(member);
    }

    public String code(String member) {
        String code = needed(member);
        if (!code.isEmpty() && !Codes.isValid(code)) {
            fault(member, "\"" + code + "\" is not a valid code: small letters, digits and _ only, a letter first, no reserved word");
        }
        return code;
    }

    public boolean truth(String member) {
        JsonNode value = get(member);
        if (value != null && !value.isBoolean()) {
            fault(member, "true or false is needed here");
        }
        return value != null && value.isBoolean() && value.asBoolean();
    }

    /** Null where it is left out. */
    public BigDecimal number(String member) {
        JsonNode value = get(member);
        if (value == null) {
            return null;
        }
        if (!value.isNumber()) {
            fault(member, "a number is needed here");
            return null;
        }
        BigDecimal number = value.decimalValue();
        if (number.precision() > 30 || Math.abs(number.scale()) > 30) {
            fault(member, "this number has more than 30 digits");
            return null;
        }
        return number;
    }

    /** Null where it is left out. */
    public Integer whole(String member) {
        return whole(member, Integer.MIN_VALUE, Integer.MAX_VALUE);
    }

    public Integer whole(String member, int least, int most) {
        BigDecimal number = number(member);
        if (number == null) {
            return null;
        }
        boolean fits = number.stripTrailingZeros().scale() <= 0 && number.compareTo(BigDecimal.valueOf(least)) >= 0
                && number.compareTo(BigDecimal.valueOf(most)) <= 0;
        if (!fits) {
            fault(member, least == Integer.MIN_VALUE
                    ? "a whole number is needed here"
                    : "a whole number from " + least + " to " + most + " is needed here");
            return null;
        }
        return number.intValueExact();
    }

    /** The elements of a list, empty where it is left out. */
    public <T> List<T> list(String member, Function<ReadObject, T> each) {
        List<T> elements = new ArrayList<>();
        JsonNode value = get(member);
        if (value == null) {
            return elements;
        }
        if (!value.isArray()) {
            fault(member, "a list [ ] is needed here");
            return elements;
        }
        for (int i = 0; i < value.size(); i++) {
            ReadObject element = new ReadObject(value.get(i), pointer + "/" + escaped(member) + "/" + i, faults);
            if (element.isObject()) {
                T read = each.apply(element);
                element.close();
                if (read != null) {
                    elements.add(read);
                }
            }
        }
        return elements;
    }

    public List<String> texts(String member) {
        List<String> texts = new ArrayList<>();
        JsonNode value = get(member);
        if (value != null && !value.isArray()) {
            fault(member, "a list [ ] of texts is needed here");
        } else if (value != null) {
            for (int i = 0; i < value.size(); i++) {
                if (value.get(i).isString()) {
                    texts.add(value.get(i).asString());
                } else {
                    faults.add(new FileFault(pointer + "/" + escaped(member) + "/" + i, "a text in quotes is needed here"));
                }
            }
        }
        return texts;
    }

    /** Null where it is left out. */
    public ReadObject object(String member) {
        JsonNode value = get(member);
        return value == null ? null : new ReadObject(value, pointer + "/" + escaped(member), faults);
    }

    /** The members' names of a map. */
    public List<String> names() {
        return node.isObject() ? List.copyOf(node.propertyNames()) : List.of();
    }

    /** Passes over the whole object, because something else about it is at fault already. */
    public void passOver() {
        known.addAll(names());
    }

    /** Faults every member that nobody asked for. */
    public void close() {
        if (!node.isObject()) {
            return;
        }
        for (String member : node.propertyNames()) {
            if (!known.contains(member)) {
                fault(member, "this member is not known here; remove it, or check its spelling");
            }
        }
    }
}
