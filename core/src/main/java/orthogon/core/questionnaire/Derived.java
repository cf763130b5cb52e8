package orthogon.core.questionnaire;

/** A named value computed from answers wherever its inputs have values, whether its page is visited or not. */
public record Derived(String code, String derive) implements Item {

    @Override
    public String wording() {
        return derive;
    }

    @Override
    public long ruleCount() {
        return 0;
    }

    @Override
    public Derived withCode(String changed) {
        return new Derived(changed, derive);
    }
}
