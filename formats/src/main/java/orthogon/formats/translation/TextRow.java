package orthogon.formats.translation;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.language.Incoming;
import orthogon.core.language.TextPlaces;
import orthogon.core.language.Units;
import orthogon.core.questionnaire.Questionnaire;

/**
 * One text in one language as it stands in a file.
 *
 * @param place where respondents meet it, in words
 * @param state {@code missing}, {@code draft}, {@code reviewed} or {@code stale}
 * @param note what translators should know; may be empty
 * @param was digest of the text as it stood here when the file was made
 */
public record TextRow(String language, String unit, String place, String source, String text, String state, String note, String was) {

    /** Every text of a language. */
    public static List<TextRow> of(Questionnaire document, String language) {
        List<TextRow> rows = new ArrayList<>();
        TextPlaces places = new TextPlaces(document);
        Units.in(document, language).forEach(u -> rows.add(new TextRow(language, u.unit(), places.of(u.unit()), u.source(),
                u.text(), u.state().word(), document.notes().getOrDefault(u.unit(), ""), Incoming.digest(u.text()))));
        return rows;
    }

    /** What comes of it when it is read back. A state that is no claim to be reviewed is a draft's. */
    public Incoming incoming() {
        return new Incoming(language, unit, source, text, state.equals("reviewed") ? "reviewed" : "draft", was);
    }
}
