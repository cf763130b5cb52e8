package orthogon.formats.paper;

import java.util.List;

/**
 * A piece of the paper, one below the other.
 *
 * @param kind {@code page}, {@code section}, {@code paragraph}, {@code note}, {@code before} and {@code after} for directions before and
 *            after what they are about, {@code value} for a derived value, {@code entry} of a roster, or {@code question}
 * @param help of a question; empty for none
 * @param blocks what is filled in of a question
 * @param inner what is asked of each entry of a roster
 */
public record PaperPart(String kind, String html, int number, String help, List<PaperField> blocks, List<PaperPart> inner) {

    static PaperPart of(String kind, String html) {
        return new PaperPart(kind, html, 0, "", List.of(), List.of());
    }

    static PaperPart entry(List<PaperPart> inner) {
        return new PaperPart("entry", "", 0, "", List.of(), inner);
    }
}
