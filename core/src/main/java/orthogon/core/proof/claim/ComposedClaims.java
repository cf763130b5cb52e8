package orthogon.core.proof.claim;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.message.Message;

/** The claims on the composed document of a case, and how each of them becomes one on the case. */
final class ComposedClaims {

    private final CaseDocument document;
    private final KnownQuestionnaires others;
    private final LocalDate today;
    private final Map<String, Claim> byId = new HashMap<>();
    private final Wiring first;

    ComposedClaims(CaseDocument document, KnownQuestionnaires others, LocalDate today, AllClaims composed) {
        this.document = document;
        this.others = others;
        this.today = today;
        this.first = document.first().form().asWritten();
        composed.claims().forEach(c -> byId.put(c.id(), c));
    }

    /** A claim on the composed document; null where it was not wanted. */
    Claim of(ClaimKind kind, String place) {
        return byId.get(kind.id(place));
    }

    /** A claim that says of the case what another says of the composed document. */
    Claim led(ClaimKind kind, String place, Message statement, Claim source, Predicate<CaseWalk> shows,
            UnaryOperator<Finding> told) {
        boolean there = source != null;
        Verdict verdict = there ? source.verdict() : Verdict.UNDECIDED;
        Optional<ClaimId> follows = there && verdict == Verdict.UNDECIDED
                ? source.follows().filter(f -> first.at(f.place()).isPresent())
                : Optional.empty();
        Claim led = new Claim(kind, place, statement, verdict, follows,
                () -> there
                        ? told.apply(back(source.finding(), shows))
                        : new Finding.Fact(Message.of("undecided.beyond").inner("why", Message.of("open.something"))));
        return led.toldIn(document.form());
    }

    /** A finding on the composed document as one on the case; {@code shows} says whether a walked case shows it. */
    Finding back(Finding finding, Predicate<CaseWalk> shows) {
        return switch (finding) {
            case Finding.Fact f -> new Finding.Fact(f.says());
            case Finding.Conflict c -> new Finding.Conflict(c.says(), core(c.because()));
            case Finding.Respondent r -> {
                CaseWitness witness = document.witness(r.answers());
                CaseWalk walk = CaseWalk.of(first, others, today, witness);
                yield shows.test(walk)
                        ? new Finding.Case(r.says(), r.advice(), r.conflict().map(this::core), witness)
                        : Finding.disagreement();
            }
            case Finding.Pair p -> {
                CaseWitness one = document.witness(p.one());
                CaseWitness two = document.witness(p.two());
                boolean agree = Stream.of(one, two).allMatch(w -> shows.test(CaseWalk.of(first, others, today, w)));
                yield agree
                        ? new Finding.Pair(p.says(), p.advice(), one.answers(), two.answers(), Optional.empty())
                        : Finding.disagreement();
            }
            case Finding.Case c -> c;
            case Finding.Consequence c -> new Finding.Fact(c.fact());
        };
    }

    /** Whether the first interview is sent. */
    static boolean isSent(CaseWalk walk) {
        return walk.first().course().complete();
    }

    /** The core with those places that are of the first questionnaire; the whole of it is said in words. */
    private ConflictCore core(ConflictCore composedCore) {
        return new ConflictCore(composedCore.places().stream().flatMap(p -> document.origin(p).stream()).distinct().toList(),
                composedCore.whole(), composedCore.whole());
    }
}
