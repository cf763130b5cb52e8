package orthogon.app.answer;

import java.math.BigDecimal;
import java.util.List;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Unreadable;

/**
 * What the template of a control draws.
 *
 * @param template its name in {@code templates/answer}
 * @param look which of the looks that the template knows
 * @param isGroup whether it is a group of fields, rather than one
 * @param value what stands in a box, as typed
 */
public record DrawnControl(String template, String look, boolean isGroup, List<OfferedChoice> choices, List<PageBox> boxes,
        List<GridLine> rows, List<Attachment> files, String value) {

    /** One box in which the value stands as it is typed. */
    public static DrawnControl box(String template, String look, Object value) {
        return new DrawnControl(template, look, false, List.of(), List.of(), List.of(), List.of(), typed(value));
    }

    /** A group of choices. */
    public static DrawnControl ofChoices(String template, String look, List<OfferedChoice> choices) {
        return new DrawnControl(template, look, true, choices, List.of(), List.of(), List.of(), "");
    }

    /** One field with choices. */
    public static DrawnControl list(String template, String look, List<OfferedChoice> choices, String value) {
        return new DrawnControl(template, look, false, choices, List.of(), List.of(), List.of(), value);
    }

    /** Several boxes. */
    public static DrawnControl ofBoxes(String template, List<PageBox> boxes) {
        return new DrawnControl(template, template, true, List.of(), boxes, List.of(), List.of(), "");
    }

    /** Rows of choices under the heads of the columns. */
    public static DrawnControl ofRows(String template, List<OfferedChoice> heads, List<GridLine> rows) {
        return new DrawnControl(template, template, true, heads, List.of(), rows, List.of(), "");
    }

    public static DrawnControl ofFiles(String template, List<Attachment> files) {
        return new DrawnControl(template, template, true, List.of(), List.of(), List.of(), files, "");
    }

    /** The same with boxes besides. */
    public DrawnControl withBoxes(List<PageBox> more) {
        return new DrawnControl(template, look, isGroup, choices, more, rows, files, value);
    }

    /** The same with something typed in its box. */
    public DrawnControl withValue(String typed) {
        return new DrawnControl(template, look, isGroup, choices, boxes, rows, files, typed);
    }

    /** Everything that does not change with what was answered, in a form that can be compared. */
    public List<Object> withoutAnswer() {
        return List.of(template, look, choices.stream().map(c -> c.value() + c.labelHtml()).toList(),
                boxes.stream().map(b -> b.name() + b.label() + b.choices().stream().map(OfferedChoice::label).toList()).toList(),
                rows.stream().map(r -> r.name() + r.label()).toList(), files);
    }

    /** What stands in a box for a value. */
    public static String typed(Object value) {
        return switch (value) {
            case null -> "";
            case Unreadable u -> u.typed();
            case BigDecimal d -> d.stripTrailingZeros().scale() < 0 ? d.setScale(0).toPlainString() : d.toPlainString();
            default -> value.toString();
        };
    }
}
