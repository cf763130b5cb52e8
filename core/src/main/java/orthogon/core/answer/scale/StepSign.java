package orthogon.core.answer.scale;

import java.util.Locale;

/** How the steps of a rating are drawn. */
public enum StepSign {
    NUMBERS, SQUARES, STARS;

    /** As in the document file. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
