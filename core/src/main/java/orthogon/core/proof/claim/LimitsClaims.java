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
                    "some answer fits the limits of " + question.code(), fits ? Verdict.PROVED : Verdict.REFUTED, Optional.empty(),
                    () -> Claim.Explanation.of(fits ? "There is such an answer." : "No answer fits: " + why(question.answer()) + ".")));
        });
        return claims;
    }

    private static String why(Answer answer) {
        return switch (answer) {
            case Answer.Numeric n when n.least() != null && n.most() != null && n.least().compareTo(n.most()) > 0 ->
                "the least, " + n.least() + ", is more than the most, " + n.most();
            case Answer.Numeric n -> "no number with " + n.decimals() + " decimal places lies between " + n.least() + " and " + n.most();
            case Answer.Text t when t.least() != null && t.most() != null && t.least() > t.most() ->
                "at least " + t.least() + " characters are asked for and at most " + t.most() + " allowed";
            case Answer.Text t -> "no text has the form " + (t.pattern().isEmpty() ? t.content() : "“" + t.pattern() + "”")
                    + " and so many characters" + (t.least() == null ? "" : ", at least " + t.least())
                    + (t.most() == null ? "" : ", at most " + t.most());
            case Answer.DateAnswer d -> "the earliest day, " + d.earliest() + ", comes after the latest, " + d.latest();
            case Answer.TimeAnswer t -> "the earliest time, " + t.earliest() + ", comes after the latest, " + t.latest();
            case Answer.ManyChoices m when m.least() != null && m.most() != null && m.least() > m.most() ->
                "at least " + m.least() + " are to be chosen and at most " + m.most();
            case Answer.ManyChoices m when m.least() != null -> "at least " + m.least() + " are to be chosen of " + m.options().size();
            case Answer.Ranking r -> "there are not " + r.ranked() + " options to rank";
            default -> "there is nothing to choose from";
        };
    }
}
