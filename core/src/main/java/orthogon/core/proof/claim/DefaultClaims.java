package orthogon.core.proof.claim;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Question;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * No question is passed by an answer that nobody gave, and no agreement is ticked beforehand. For a question that nobody must answer the
 * claim is advisory. An answer that nobody can change is a computed one and is not among them, unless it is required.
 */
final class DefaultClaims implements PageByPage {

    private final ClaimDecider decider;

    DefaultClaims(ClaimDecider decider) {
        this.decider = decider;
    }

    @Override
    public List<Claim> on(int page) {
        Flow.Stage stage = decider.flow.stages().get(page);
        return stage.sets().page().questions().filter(q -> !q.isHidden())
                .filter(q -> q.startWith().isEmpty() || !decider.space.plainForm().isEntryNumber(q.code()))
                .map(q -> claim(decider, stage, q)).toList();
    }

    private static Claim claim(ClaimDecider decider, Flow.Stage stage, Question question) {
        Diagrams d = decider.d;
        String code = question.code();
        boolean agreement = question.answer().domain() instanceof Domain.Truths(boolean onlyTrue) && onlyTrue;
        Message statement = ClaimKind.NOTHING_BY_DEFAULT.message(agreement ? "claim.agreement" : "claim").code("code", code);
        String start = code + ".startWith";
        if (question.startWith().isEmpty()) {
            return new Claim(ClaimKind.NOTHING_BY_DEFAULT, code, statement, Verdict.PROVED, Optional.empty(),
                    () -> new Finding.Fact(ClaimKind.NOTHING_BY_DEFAULT.message("starts-blank")));
        }
        Optional<Map<Object, Integer>> values = decider.space.startValues(start);
        if (values.isEmpty()) {
            return ClaimDecider.undecided(ClaimKind.NOTHING_BY_DEFAULT, code, statement,
                    decider.space.causeAt(start)
                            .orElseGet(() -> new Unknown.Beyond(decider.space.whyNoStart(start).orElse(Message.of("open.start")))));
        }
        int started = Diagrams.NONE;
        for (Map.Entry<Object, Integer> e : values.get().entrySet()) {
            Object value = ((Optional<?>) e.getKey()).orElse(null);
            boolean given = agreement ? Boolean.TRUE.equals(value) : value != null;
            if (given) {
                int holding = agreement ? Diagrams.ALL : decider.space.cellOf(decider.space.axis(code), value);
                started = d.or(started, d.and(e.getValue(), holding));
            }
        }
        int there = d.and(stage.coming(), agreement ? stage.sets().visited() : stage.sets().accepted());
        int asked = d.and(there, stage.sets().shown(code));
        int required = agreement ? Diagrams.ALL : decider.flow.truth(code + ".requireWhen", false).holds();
        boolean optional = d.and(d.and(asked, required), started) == Diagrams.NONE;
        if (optional) {
            required = d.not(d.or(required, decider.flow.truth(code + ".lockWhen", false).holds()));
        }
        String page = stage.sets().page().code();
        Expr startsWith = decider.space.wiring().at(start).flatMap(Wiring.Wire::expr).orElseThrow();
        Expr as = agreement ? new Expr.Literal(true, Expr.Span.NONE) : new Expr.Name(code, Expr.Span.NONE);
        Expr isUntouched = new Expr.Compare("=", as, startsWith, Expr.Span.NONE);
        boolean certain = decider.space.openLevels().isEmpty();
        // Where a fault may decide what is asked and accepted, the respondent found must show it as it is.
        ClaimDecider.Sought sought = decider.at(stage.sets().index(), d.and(d.and(asked, required), started), true,
                i -> passes(i, page, code)
                        && (certain || Boolean.TRUE.equals(i.truth(isUntouched)) && (agreement || isPassed(i, code, optional))));
        Claim claim = decider.none(ClaimKind.NOTHING_BY_DEFAULT, code, statement, sought,
                ClaimKind.NOTHING_BY_DEFAULT.message("proved"), () -> ClaimKind.NOTHING_BY_DEFAULT.message("refuted")
                        .text("wording", question.wording()));
        if (claim.verdict() != Verdict.REFUTED) {
            return optional && claim.verdict() == Verdict.UNDECIDED && question.requireWhen().isEmpty() ? claim.advisory() : claim;
        }
        Claim told = new Claim(ClaimKind.NOTHING_BY_DEFAULT, code, statement, Verdict.REFUTED, Optional.empty(), () -> {
            Optional<Map<String, Object>> witness = claim.finding().witness()
                    .flatMap(w -> untouched(decider, w, page, code, startsWith, agreement));
            String how = agreement ? "refuted.agreement" : optional ? "refuted.optional" : "refuted";
            return witness.<Finding>map(w -> new Finding.Respondent(
                    ClaimKind.NOTHING_BY_DEFAULT.message(how).text("wording", question.wording()),
                    ClaimKind.NOTHING_BY_DEFAULT.message("advice"), w,
                    Optional.of(new Mend(ClaimKind.NOTHING_BY_DEFAULT.message("mend"), decider.space.plainForm().origin(start), ""))))
                    .orElseGet(Finding::disagreement);
        });
        return optional ? told.advisory() : told;
    }

    private static boolean isPassed(Interview interview, String code, boolean optional) {
        return interview.course().current().orElseThrow().problems().isEmpty() && interview.course().effective().containsKey(code)
                && optional != Boolean.TRUE.equals(interview.truth(code + ".requireWhen"))
                && !(optional && Boolean.TRUE.equals(interview.truth(code + ".lockWhen")));
    }

    private static boolean passes(Interview interview, String page, String code) {
        return interview.course().current().filter(v -> v.page().code().equals(page)).isPresent()
                && interview.course().asked().contains(code);
    }

    /** The respondent with the very answer that is there beforehand. */
    private static Optional<Map<String, Object>> untouched(ClaimDecider decider, Map<String, Object> witness, String page, String code,
            Expr startsWith,
            boolean agreement) {
        Interview there = Replay.of(decider.space.wiring(), decider.space.today(), witness, page);
        Map<String, Object> answers = new LinkedHashMap<>(witness);
        answers.put(code, there.value(startsWith));
        Interview with = Replay.of(decider.space.wiring(), decider.space.today(), answers, page);
        boolean confirmed = passes(with, page, code) && (agreement || with.course().current().orElseThrow().problems().isEmpty());
        return confirmed ? Optional.of(answers) : Optional.empty();
    }
}
