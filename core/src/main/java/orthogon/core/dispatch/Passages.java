package orthogon.core.dispatch;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import orthogon.core.interview.Interview;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.DispatchPassage;

/** The passages of a document as one complete interview has them. */
public final class Passages {

    private final Interview interview;
    private final Map<String, String> known = new HashMap<>();

    public Passages(Interview interview) {
        this.interview = interview;
    }

    /** Which wording of a passage is put in: the first whose condition holds; empty for none. */
    public static OptionalInt chosen(Interview interview, DispatchPassage passage) {
        for (int i = 0; i < passage.wordings().size(); i++) {
            if (Boolean.TRUE.equals(interview.truth(passage.code() + "/includeWhen/" + i))) {
                return OptionalInt.of(i);
            }
        }
        return OptionalInt.empty();
    }

    /** A text with the passages that it names put in, and those that they name. */
    public String putIn(String text) {
        return interview.wiring().document().passages().isEmpty() || text.indexOf('{') < 0 ? text : Piping.putIn(text, this::wording);
    }

    private Optional<String> wording(String code) {
        return interview.wiring().document().passage(code).map(passage -> {
            if (!known.containsKey(code)) {
                // A passage names passages before it alone, and these none; a file that does otherwise is not released.
                known.put(code, Piping.putIn(text(passage), inner -> interview.wiring().document().passage(inner).map(this::text)));
            }
            return known.get(code);
        });
    }

    private String text(DispatchPassage passage) {
        OptionalInt chosen = chosen(interview, passage);
        return chosen.isPresent() ? passage.wordings().get(chosen.getAsInt()).text() : "";
    }
}
