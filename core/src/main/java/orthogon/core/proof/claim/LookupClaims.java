package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.Question;

/** What a lookup shows may be seen, nobody needs a record where there may be none, and it is known which records there can be. */
final class LookupClaims implements PageByPage {

    private final ClaimDecider decider;

    LookupClaims(ClaimDecider decider) {
        this.decider = decider;
    }

    @Override
    public List<Claim> on(int page) {
        Flow.Stage stage = decider.flow.stages().get(page);
        PlainForm form = decider.space.plainForm();
        List<Claim> claims = new ArrayList<>();
        form.original().document().page(stage.sets().page().code()).stream().flatMap(p -> p.questions()).forEach(q -> {
            if (q.answer() instanceof LookupAnswer lookup) {
                String receipt = form.ruledAs(q).getFirst();
                claims.add(discloses(receipt, q, lookup));
                claims.add(neverEmpty(stage, receipt, q, lookup));
                claims.add(known(receipt, q, lookup));
            }
        });
        return claims;
    }

    private static Message about(ClaimKind kind, String part, Question question, LookupAnswer lookup) {
        return kind.message(part).code("code", question.code()).text("questionnaire", lookup.questionnaire());
    }

    private static Claim discloses(String receipt, Question question, LookupAnswer lookup) {
        ClaimKind kind = ClaimKind.LOOKUP_DISCLOSES;
        boolean nothing = lookup.shows().isEmpty();
        String shown = nothing ? "none yet" : lookup.shows().stream().map(RecordAnswer::code).collect(Collectors.joining(", "));
        return new Claim(kind, receipt, about(kind, "claim", question, lookup).text("shown", shown), Verdict.REFUTED, Optional.empty(),
                () -> new Finding.Fact(about(kind, nothing ? "nothing" : "refuted", question, lookup).text("shown", shown),
                        Optional.of(about(kind, nothing ? "advice.nothing" : "advice", question, lookup)), Optional.empty()));
    }

    private Claim neverEmpty(Flow.Stage stage, String receipt, Question question, LookupAnswer lookup) {
        ClaimKind kind = ClaimKind.LOOKUP_NEVER_EMPTY;
        Message statement = about(kind, "claim", question, lookup);
        if (lookup.mayAdd()) {
            return new Claim(kind, receipt, statement, Verdict.PROVED, Optional.empty(),
                    () -> new Finding.Fact(kind.message("adds"))).advisory();
        }
        Diagrams d = decider.d;
        int there = d.and(stage.coming(), stage.sets().visited());
        int needing = d.and(d.and(there, stage.sets().shown(receipt)),
                decider.flow.truth(receipt + ".requireWhen", false).holds());
        String page = stage.sets().page().code();
        ClaimDecider.Sought sought = decider.at(stage.sets().index(), needing, true,
                i -> i.course().current().filter(v -> v.page().code().equals(page)).isPresent() && i.course().asked().contains(receipt)
                        && Boolean.TRUE.equals(i.truth(receipt + ".requireWhen")));
        Claim claim = decider.none(kind, receipt, statement, sought, kind.message("proved"),
                () -> about(kind, "refuted", question, lookup)).advisory();
        return claim.verdict() != Verdict.REFUTED
                ? claim
                : new Claim(kind, receipt, statement, Verdict.REFUTED, Optional.empty(), () -> claim.finding().witness()
                        .<Finding>map(w -> new Finding.Respondent(about(kind, "refuted", question, lookup), kind.message("advice"), w,
                                Optional.empty()))
                        .orElse(claim.finding())).advisory();
    }

    private static Claim known(String receipt, Question question, LookupAnswer lookup) {
        ClaimKind kind = ClaimKind.LOOKUP_KNOWN;
        boolean known = !lookup.everyRecord().isEmpty();
        return new Claim(kind, receipt, about(kind, "claim", question, lookup), known ? Verdict.PROVED : Verdict.REFUTED, Optional.empty(),
                () -> new Finding.Fact(about(kind, known ? "proved" : "refuted", question, lookup).text("release",
                        String.valueOf(lookup.release()))))
                .advisory();
    }
}
