package orthogon.core.questionnaire;

/** Text only. An empty {@code askWhen} means always. */
public record Note(String code, String wording, String askWhen) implements Item {

    @Override
    public long ruleCount() {
        return askWhen.isEmpty() ? 0 : 1;
    }

    @Override
    public Note withCode(String changed) {
        return new Note(changed, wording, askWhen);
    }
}
