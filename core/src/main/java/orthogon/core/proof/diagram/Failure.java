package orthogon.core.proof.diagram;

import java.util.Arrays;
import java.util.concurrent.CancellationException;
import orthogon.core.proof.message.Message;

/** An error of Orthogon itself, described so that it can be reported. It leaves a claim undecided and never ends a proof. */
public final class Failure {

    private Failure() {}

    /** The error: its kind, its message, and where in Orthogon it came up. */
    public static Message message(Throwable error) {
        String where = Arrays.stream(error.getStackTrace()).filter(f -> f.getClassName().startsWith("orthogon.")).findFirst()
                .map(f -> f.getClassName().substring(f.getClassName().lastIndexOf('.') + 1) + "." + f.getMethodName() + ", line "
                        + f.getLineNumber())
                .orElse("an unknown place");
        String message = error.getMessage() == null ? "" : " (" + error.getMessage() + ")";
        return Message.of("failure").text("error", error.getClass().getSimpleName() + message).text("where", where);
    }

    /** Whether the error is one of Orthogon itself, and not a proof that was called off or that spent its limits. */
    public static boolean isOne(Throwable error) {
        return error instanceof StackOverflowError
                || error instanceof RuntimeException && !(error instanceof CancellationException)
                        && !(error instanceof Diagrams.BudgetSpent);
    }
}
