package orthogon.core.proof.drill;

/**
 * One thing that some drill must do.
 *
 * @param place code of the question, {@code question.option}, outcome, {@code page/skip/0}, or {@code place#n} of a comparison
 */
public record Goal(GoalKind kind, String place) {

    /** What is to happen. */
    public enum GoalKind {
        ASKED("is asked"), NOT_ASKED("is not asked"), OPTION("is chosen"), OUTCOME("is reached"), SKIP("is taken"), FINISH(
                "is taken"), HOLDING(
                        "decides by holding"), FAILING("decides by not holding"), AT_LEAST("is answered with the least it allows"), AT_MOST(
                                "is answered with the most it allows"), BELOW("is tried with less than it allows"), ABOVE(
                                        "is tried with more than it allows"), REQUIRED("is tried without an answer");

        private final String words;

        GoalKind(String words) {
            this.words = words;
        }
    }

    /** {@code species is asked}. */
    public String words() {
        return place + " " + kind.words;
    }
}
