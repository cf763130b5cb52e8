package orthogon.bench;

import java.time.LocalDate;
import java.util.concurrent.TimeUnit;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
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

/** The whole proof of a generated questionnaire, against merely reading and typing its expressions in the same run. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class ProofBenchmark {

    @Param({"25", "50", "100", "200"})
    public int questions;

    private Questionnaire document;

    @Setup
    public void generate() {
        document = LargeDocument.of(questions, 7);
    }

    @Benchmark
    public int readingAlone() {
        return Wiring.of(document).wires().size();
    }

    @Benchmark
    public long proof() {
        return Proof.of(document, LocalDate.of(2026, 11, 23)).count(Verdict.PROVED);
    }

    public static void main(String[] args) throws Exception {
        org.openjdk.jmh.Main.main(args);
    }
}
