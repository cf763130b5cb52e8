package orthogon.formats.paper;

import java.util.List;

/**
 * What is filled in of a question, as the template draws it.
 *
 * @param kind {@code lines}, {@code small}, {@code hint}, {@code box}, {@code choices}, {@code cells} or {@code points}
 * @param html words before it, or behind a box
 * @param small words behind it
 * @param count how many lines
 * @param one whether one choice is ticked
 */
public record PaperField(String kind, String html, String small, int count, int first, int last, List<PaperChoice> choices,
        List<String> rows, boolean one) {

    /** @param notes in small letters behind it */
    public record PaperChoice(String html, List<String> notes, boolean other) {}

    static PaperField lines(int count) {
        return new PaperField("lines", "", "", count, 0, 0, List.of(), List.of(), false);
    }

    static PaperField words(String kind, String html, String small) {
        return new PaperField(kind, html, small, 0, 0, 0, List.of(), List.of(), false);
    }

    static PaperField choices(List<PaperChoice> choices, boolean one) {
        return new PaperField("choices", "", "", 0, 0, 0, choices, List.of(), one);
    }

    static PaperField cells(List<PaperChoice> choices, List<String> rows, boolean one) {
        return new PaperField("cells", "", "", 0, 0, 0, choices, rows, one);
    }

    static PaperField points(String low, String high, int first, int last) {
        return new PaperField("points", low, high, 0, first, last, List.of(), List.of(), false);
    }
}
