package orthogon.core.questionnaire;

import java.util.List;

/** Text only. An empty {@code askWhen} means always. */
public record Note(String code, String wording, String askWhen, List<Reword> reword) implements Item {

    public Note {
        reword = List.copyOf(reword);
    }

    public Note(String code, String wording, String askWhen) {
        this(code, wording, askWhen, List.of());
    }

    @Override
    public long ruleCount() {
        return (askWhen.isEmpty() ? 0 : 1) + reword.size();
    }

    @Override
    public Note withCode(String changed) {
        return new Note(changed, wording, askWhen, reword);
    }
}
