package orthogon.app.command;

import java.io.PrintStream;
import java.time.Duration;
import orthogon.core.proof.diagram.Watch;

/** Says how far a proof has come, once it takes long. */
final class Telling implements Watch {

    private static final long LONG = Duration.ofSeconds(3).toNanos();

    private final PrintStream to;
    private final long begun = System.nanoTime();

    Telling(PrintStream to) {
        this.to = to;
    }

    @Override
    public void reached(String part) {
        long now = System.nanoTime() - begun;
        if (now > LONG) {
            to.println("after " + Duration.ofNanos(now).toSeconds() + " s: " + part);
        }
    }
}
