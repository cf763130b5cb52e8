package orthogon.core.proof.claim;

import orthogon.core.answer.Domain;
import orthogon.core.proof.message.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
                    ClaimKind.LIMITS_LEAVE_ANSWER.message("claim").code("code", question.code()),
                    fits ? Verdict.PROVED : Verdict.REFUTED, Optional.empty(),
                    () -> new Finding.Fact(fits
                            ? ClaimKind.LIMITS_LEAVE_ANSWER.message("proved")
                            : ClaimKind.LIMITS_LEAVE_ANSWER.message("refuted").inner("why", why(question.answer().domain())))));
        });
        return claims;
    }

    private static Message why(Domain domain) {
        return switch (domain) {
            case Domain.Numbers n when n.least() != null && n.most() != null && n.least().compareTo(n.most()) > 0 ->
                range("number-order", n.least(), n.most());
            case Domain.Numbers n -> range("number-none", n.least(), n.most()).text("decimals", String.valueOf(n.decimals()));
            case Domain.FreeTexts t when t.least() != null && t.most() != null && t.least() > t.most() ->
                range("text-order", t.least(), t.most());
            case Domain.FreeTexts t -> range(length(t), t.least(), t.most()).text("form",
                    t.pattern().isEmpty() ? t.content().toString() : "“" + t.pattern() + "”");
            case Domain.Dates d -> range("date-order", d.earliest(), d.latest());
            case Domain.TimesOfDay t -> range("time-order", t.earliest(), t.latest());
            case Domain.Subset m when m.least() != null && m.most() != null && m.least() > m.most() ->
                range("choices-order", m.least(), m.most());
            case Domain.Subset m when m.least() != null -> range("choices-few", m.least(), m.options().size());
            case Domain.Orders r -> range("ranking-few", r.places(), null);
            case Domain.Subset m -> range("nothing", null, null);
            case Domain.Truths t -> range("nothing", null, null);
            case Domain.OneOf o -> range("nothing", null, null);
            case Domain.Steps s -> range("nothing", null, null);
            case Domain.TextParts t -> range("nothing", null, null);
            case Domain.Files f -> range("nothing", null, null);
            case Domain.Opaque o -> range("nothing", null, null);
            case Domain.EachRow r -> range("nothing", null, null);
            case Domain.OneRecord r -> range("nothing", null, null);
            case Domain.Arriving a -> range("nothing", null, null);
        };
    }

    private static String length(Domain.FreeTexts text) {
        return text.least() == null
                ? text.most() == null ? "text-any" : "text-most"
                : text.most() == null ? "text-least" : "text-between";
    }

    private static Message range(String which, Object least, Object most) {
        return ClaimKind.LIMITS_LEAVE_ANSWER.message(which).text("least", String.valueOf(least)).text("most", String.valueOf(most));
    }
}
