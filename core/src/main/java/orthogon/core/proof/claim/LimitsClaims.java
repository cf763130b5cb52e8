package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.core.questionnaire.Answer;

/** At least one answer fits the limits of each question, whichever options are on offer. */
final class LimitsClaims implements PageByPage {

    private final ClaimDecider decider;

    LimitsClaims(ClaimDecider decider) {
        this.decider = decider;
    }

    @Override
    public List<Claim> on(int page) {
        List<Claim> claims = new ArrayList<>();
        decider.space.wiring().document().pages().get(page).questions().filter(q -> !q.isHidden()).forEach(question -> {
            boolean fits = decider.space.axis(question.code()).hasAnswer();
            claims.add(new Claim(ClaimKind.LIMITS_LEAVE_ANSWER, question.code(),
                    Message.of(ClaimKind.LIMITS_LEAVE_ANSWER, "claim").code("code", question.code()),
                    fits ? Verdict.PROVED : Verdict.REFUTED, Optional.empty(),
                    () -> new Finding.Fact(fits
                            ? Message.of(ClaimKind.LIMITS_LEAVE_ANSWER, "proved")
                            : Message.of(ClaimKind.LIMITS_LEAVE_ANSWER, "refuted").inner("why", why(question.answer())))));
        });
        return claims;
    }

    private static Message why(Answer answer) {
        return switch (answer) {
            case Answer.Numeric n when n.least() != null && n.most() != null && n.least().compareTo(n.most()) > 0 ->
                range("number-order", n.least(), n.most());
            case Answer.Numeric n -> range("number-none", n.least(), n.most()).text("decimals", String.valueOf(n.decimals()));
            case Answer.TextAnswer t when t.least() != null && t.most() != null && t.least() > t.most() ->
                range("text-order", t.least(), t.most());
            case Answer.TextAnswer t -> range(length(t), t.least(), t.most()).text("form",
                    t.pattern().isEmpty() ? t.content().toString() : "“" + t.pattern() + "”");
            case Answer.DateAnswer d -> range("date-order", d.earliest(), d.latest());
            case Answer.TimeAnswer t -> range("time-order", t.earliest(), t.latest());
            case Answer.ManyChoices m when m.least() != null && m.most() != null && m.least() > m.most() ->
                range("choices-order", m.least(), m.most());
            case Answer.ManyChoices m when m.least() != null -> range("choices-few", m.least(), m.options().size());
            case Answer.Ranking r -> range("ranking-few", r.ranked(), null);
            default -> range("nothing", null, null);
        };
    }

    private static String length(Answer.TextAnswer text) {
        return text.least() == null
                ? text.most() == null ? "text-any" : "text-most"
                : text.most() == null ? "text-least" : "text-between";
    }

    private static Message range(String which, Object least, Object most) {
        return Message.of(ClaimKind.LIMITS_LEAVE_ANSWER, which).text("least", String.valueOf(least)).text("most", String.valueOf(most));
    }
}
