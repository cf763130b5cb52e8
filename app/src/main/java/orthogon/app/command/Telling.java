package orthogon.app.command;

import java.io.PrintWriter;
import java.time.Duration;
import orthogon.core.proof.diagram.Watch;

/** Says how far a proof has come, once it takes long. */
final class Telling implements Watch {

    private static final long LONG = Duration.ofSeconds(3).toNanos();

    private final PrintWriter to;
    private final long begun = System.nanoTime();

    Telling(PrintWriter to) {
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
