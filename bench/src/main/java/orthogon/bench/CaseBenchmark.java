package orthogon.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.Question;
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

/** A questionnaire that opens others, proved again after an edit with its whole case, against the same edit of it alone. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(value = 1, jvmArgsAppend = {"-Xss64m", "-Xmx6g", "-XX:+UseSerialGC"})
public class CaseBenchmark {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final int FIRST = 48;

    /** How many questionnaires are opened, one after the other. */
    @Param({"1", "3"})
    public int followUps;

    /** Questions of each of them. */
    @Param({"40"})
    public int questions;

    private Questionnaire alone;
    private Questionnaire opening;
    private KnownQuestionnaires others;
    private int runs;
    private Proof provedAlone;
    private Proof provedCase;

    @Setup
    public void generate() {
        alone = LargeDocument.of(FIRST, 7);
        List<Questionnaire> opened = new ArrayList<>();
        List<FollowUp> list = new ArrayList<>();
        String from = yesNo(alone);
        for (int i = 0; i < followUps; i++) {
            Questionnaire other = LargeDocument.of(questions, 11 + i).withCode("other_" + i);
            String to = yesNo(other);
            opened.add(other);
            list.add(FollowUp.of("follow_" + i, other.code(), i == 0 ? from : "follow_" + (i - 1) + ".got = true")
                    .withCarries(List.of(new Carried(to, from, true))).withBrings(List.of(new Brought("got", to, BroughtKind.YES_NO))));
        }
        opening = alone.withFollowUps(list);
        others = code -> opened.stream().filter(d -> d.code().equals(code)).findFirst();
    }

    private static String yesNo(Questionnaire document) {
        return document.questions().filter(q -> q.answer() instanceof YesNoAnswer).map(Question::code).findFirst().orElseThrow();
    }

    @Benchmark
    public long alone() {
        provedAlone = provedAlone == null
                ? Proof.of(alone, TODAY)
                : provedAlone.after(LargeDocument.edited(provedAlone.document(), runs++), Limits.USUAL,
                        Watch.NOBODY);
        return provedAlone.count(Verdict.PROVED);
    }

    @Benchmark
    public long wholeCase() {
        provedCase = provedCase == null
                ? Proof.of(opening, TODAY, Limits.USUAL, Watch.NOBODY, others)
                : provedCase.after(LargeDocument.edited(provedCase.document(), runs++), Limits.USUAL, Watch.NOBODY, others);
        return provedCase.count(Verdict.PROVED);
    }

    @Benchmark
    public long wholeCaseAnew() {
        return Proof.of(opening.withCode("large_" + runs++), TODAY, Limits.USUAL, Watch.NOBODY, others).count(Verdict.PROVED);
    }
}
