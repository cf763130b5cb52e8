package orthogon.bench;

import java.time.LocalDate;
import java.util.concurrent.TimeUnit;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Questionnaire;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Every claim of a generated questionnaire, and its exact counts, against merely reading and typing its expressions in the same run.
 * Each document is another one by its code, so that nothing read before is used again.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(value = 1, jvmArgsAppend = {"-Xss64m", "-Xmx6g", "-XX:+UseSerialGC"})
public class ProofBenchmark {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    @Param({"50", "200", "500", "1000", "2000"})
    public int questions;

    @Param({"USUAL", "GATES", "LONG_RANGE", "DENSE"})
    public LargeDocument.Variant variant;

    private Questionnaire document;
    private int runs;
    private Proof proved;

    private Questionnaire next() {
        return LargeDocument.anew(document, "large_" + runs++);
    }

    @Setup
    public void generate() {
        document = LargeDocument.of(questions, 7, variant);
    }

    @Benchmark
    public int reading() {
        return Wiring.of(next()).wires().size();
    }

    @Benchmark
    public long claims() {
        return Proof.of(next(), TODAY).count(Verdict.PROVED);
    }

    /** One condition somewhere is edited, and all claims are proved again from there. */
    @Benchmark
    public long claimsAfterAnEdit() {
        proved = proved == null
                ? Proof.of(document, TODAY)
                : proved.after(LargeDocument.edited(proved.document(), runs++), Limits.USUAL, Watch.NOBODY);
        return proved.count(Verdict.PROVED);
    }

    @Benchmark
    public boolean counts() {
        return Proof.of(next(), TODAY).figures().notCounted().isEmpty();
    }

    public static void main(String[] args) throws Exception {
        org.openjdk.jmh.Main.main(args);
    }
}
