package orthogon.core.proof.claim;

import orthogon.core.interview.Interview;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Longest;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Burden;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** No route asks more than the analyst's limit. */
final class BurdenClaims {

    private BurdenClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        Burden limit = decider.space.wiring().document().burden();
        if (limit.equals(Burden.ANY)) {
            return List.of();
        }
        String place = decider.space.wiring().document().code();
        Message statement = ClaimKind.BURDEN_WITHIN.message("claim");
        boolean words = limit.words() != null || limit.minutes() != null;
        Optional<Unknown> why = decider.flow.lostAt().or(words ? decider.space::whyNotExact : decider.space::whyNotDecided);
        if (why.isPresent()) {
            return List.of(ClaimDecider.undecided(ClaimKind.BURDEN_WITHIN, place, statement, why.get()));
        }
        List<Message.Term> beyond = new ArrayList<>();
        Longest.LongestRespondent worst = null;
        if (limit.questions() != null) {
            Longest.LongestRespondent most = Longest.of(decider.flow, i -> decider.space.plainForm().isOnRoutes(i.code()) ? 1 : 0, p -> 0);
            if (most.cost() > limit.questions()) {
                beyond.add(beyond("questions", most.cost(), limit.questions()));
                worst = most;
            }
        }
        if (words) {
            Longest.LongestRespondent most = Longest.of(decider.flow, Burden::words, Burden::words);
            int minutes = Math.ceilDiv(most.cost(), Burden.WORDS_A_MINUTE);
            if (limit.words() != null && most.cost() > limit.words()) {
                beyond.add(beyond("words", most.cost(), limit.words()));
                worst = worst == null ? most : worst;
            }
            if (limit.minutes() != null && minutes > limit.minutes()) {
                beyond.add(beyond("minutes", minutes, limit.minutes()));
                worst = worst == null ? most : worst;
            }
        }
        if (worst == null) {
            return List.of(new Claim(ClaimKind.BURDEN_WITHIN, place, statement, Verdict.PROVED, Optional.empty(),
                    () -> new Finding.Fact(ClaimKind.BURDEN_WITHIN.message("proved"))));
        }
        Map<String, Object> answers = worst.answers();
        return List.of(new Claim(ClaimKind.BURDEN_WITHIN, place, statement, Verdict.REFUTED, Optional.empty(), () -> {
            Interview replayed = Replay.of(decider.space.wiring(), decider.space.today(), decider.space.plainForm().settled(answers), "");
            return replayed.course().complete()
                    ? new Finding.Respondent(ClaimKind.BURDEN_WITHIN.message("refuted")
                            .with("beyond", new Message.Term.Several(beyond, "list.and")), answers)
                    : Finding.disagreement();
        }));
    }

    private static Message.Term beyond(String unit, int found, int most) {
        return new Message.Term.Inner(Message.of("burden-within." + unit).text("found", String.valueOf(found))
                .text("most", String.valueOf(most)).text("speed", String.valueOf(Burden.WORDS_A_MINUTE)));
    }
}
