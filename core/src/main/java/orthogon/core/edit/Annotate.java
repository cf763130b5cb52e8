package orthogon.core.edit;

import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * What the translators of a text should know.
 *
 * @param note empty to take it away
 */
public record Annotate(String unit, String note) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!Texts.all(document).containsKey(unit)) {
            throw WholeDocument.gone("text " + unit);
        }
        Map<String, String> notes = new LinkedHashMap<>(document.notes());
        if (note.isBlank()) {
            notes.remove(unit);
        } else {
            notes.put(unit, note.strip());
        }
        return document.withNotes(notes);
    }

    @Override
    public String says() {
        return note.isBlank()
                ? "removed the note to " + unit + " away"
                : "wrote a note for the translators of " + unit + ": " + note.strip();
    }

    @Override
    public Set<String> about() {
        return Set.of(Edit.NOTE + unit);
    }
}
