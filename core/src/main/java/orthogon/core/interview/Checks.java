package orthogon.core.interview;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.language.OwnWords;
import orthogon.core.language.WrittenNumber;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is wrong with the answers on a page: unreadable, missing, outside the limits, or not accepted. */
final class Checks {

    private final Wiring wiring;
    private final Questionnaire document;
    private final OwnWords words;
    private final Refusals refusals;

    Checks(Wiring wiring) {
        this.wiring = wiring;
        this.document = wiring.document();
        this.words = OwnWords.of(document);
        this.refusals = new Refusals(words);
    }

    /** Why an answer is outside the limits of its question; empty where it keeps them. */
    Optional<String> refusal(Answer answer, Object value, Situation situation) {
        return answer.refusal(value, situation.today()).map(refusals::said);
    }

    /** What is wrong with the number of entries; empty where it is accepted. */
    Optional<Problem> count(Roster roster, int entries, Situation situation) {
        BigDecimal size = BigDecimal.valueOf(entries);
        BigDecimal limit = BigDecimal.valueOf(roster.most());
        BigDecimal most = number(roster, RuleFamily.AT_MOST, situation).map(m -> m.setScale(0, RoundingMode.FLOOR).max(BigDecimal.ZERO))
                .orElse(limit).min(limit);
        if (size.compareTo(most) > 0) {
            return Optional.of(new Problem(roster.code(), Problem.ProblemKind.LIMIT, words.say("message.entries", most)));
        }
        return number(roster, RuleFamily.FEWEST, situation).map(f -> f.setScale(0, RoundingMode.CEILING))
                .filter(fewest -> size.compareTo(fewest) < 0)
                .map(fewest -> new Problem(roster.code(), Problem.ProblemKind.LIMIT, words.say("message.fewest_entries", fewest)));
    }

    /** The number of entries that an expression says; empty where there is none, or it is blank. */
    Optional<BigDecimal> number(Roster roster, RuleFamily family, Situation situation) {
        return wiring.at(roster.code() + "." + family.key()).flatMap(Wiring.Wire::expr).map(e -> Evaluator.value(e, situation))
                .map(BigDecimal.class::cast);
    }

    /**
     * Adds what is wrong with an answer, if anything is.
     *
     * @param situation in which names mean what they mean beside the question
     */
    void check(Question question, Course.ShownItem shown, Situation situation, List<Problem> problems) {
        Object value = situation.value(question.code());
        String slot = shown.slot();
        if (value == null) {
            Object counts = shown.value() instanceof Unreadable
                    ? null
                    : question.answer().counting(shown.value(), new OnOffer(shown.offered(), shown.rows()));
            Optional<String> locked = !shown.locked()
                    ? Optional.empty()
                    : counts != null
                            ? refusal(question.answer(), counts, situation)
                            : Optional.of(message("choice")).filter(m -> isNoOption(question.answer(), shown.value()));
            if (locked.isPresent()) {
                // Nobody can change it, so the page cannot be left: better a dead end that is seen than a wrong answer sent.
                problems.add(new Problem(slot, Problem.ProblemKind.LIMIT, locked.get()));
            } else if (shown.value() instanceof Unreadable u) {
                problems.add(new Problem(slot, Problem.ProblemKind.UNREADABLE, unreadable(question.answer(), u)));
            } else if (shown.required()) {
                problems.add(new Problem(slot, Problem.ProblemKind.REQUIRED,
                        message(question.answer().requiredMessage())));
            }
            return;
        }
        if (shown.required() && value instanceof Map<?, ?> answered && !answered.keySet().containsAll(shown.rows())) {
            problems.add(new Problem(slot, Problem.ProblemKind.REQUIRED, words.say("message.rows")));
            return;
        }
        Optional<String> limit = refusal(question.answer(), value, situation);
        if (limit.isPresent()) {
            boolean incomplete = question.answer().domain() instanceof Domain.TextParts;
            problems.add(new Problem(slot, Problem.ProblemKind.LIMIT,
                    incomplete ? document.presentation().messages().getOrDefault("incomplete", limit.get()) : limit.get()));
            return;
        }
        if (question.answer() instanceof LookupAnswer && !isOnOffer(question, value, situation)) {
            problems.add(new Problem(slot, Problem.ProblemKind.ACCEPT, words.say("message.not_on_offer")));
            return;
        }
        for (int i = 0; i < question.accept().size(); i++) {
            Optional<Expr> accept = wiring.expr(question.code() + "/accept/" + i, true);
            if (accept.isPresent() && Boolean.FALSE.equals(Evaluator.value(accept.get(), situation))) {
                String message = question.accept().get(i).message();
                problems.add(new Problem(slot, Problem.ProblemKind.ACCEPT, message.isEmpty() ? message("not_accepted") : message));
            }
        }
    }

    /** Whether a lookup offers the record, given all that was answered before. */
    boolean isOnOffer(Question lookup, Object record, Situation situation) {
        return holds(RuleFamily.OFFER_WHEN, lookup, record, situation);
    }

    /** Whether a record is one that its respondents can give, as far as that is known. */
    boolean isPossible(Question lookup, Object record, Situation situation) {
        return holds(RuleFamily.EVERY_RECORD, lookup, record, situation);
    }

    private boolean holds(RuleFamily family, Question lookup, Object record, Situation situation) {
        Optional<Expr> when = wiring.expr(lookup.code() + "." + family.key(), true);
        return when.isEmpty() || Evaluator.holds(when.get(), new WithMoreNames(situation, Map.of(Domain.OneRecord.RECEIPT, record)));
    }

    /** Whether a value names an option that the answer has not, on offer or not. */
    private static boolean isNoOption(Answer answer, Object value) {
        List<?> chosen = value instanceof List<?> all ? all : value == null ? List.of() : List.of(value);
        return answer.isChoice() && !answer.options().stream().map(Option::code).toList().containsAll(chosen);
    }

    private String message(String kind) {
        return words.message(document, kind);
    }

    private String noNumber(Domain.Numbers number, String typed) {
        List<BigDecimal> ways = WrittenNumber.of(typed, words.locale(), number.decimals()).readings();
        if (ways.size() == 2) {
            return words.say("message.two_ways", typed, words.number(ways.getFirst().stripTrailingZeros()), words.number(ways.getLast()));
        }
        return document.presentation().messages().containsKey("number") ? message("number") : words.say("message.no_number", typed);
    }

    private String unreadable(Answer answer, Unreadable typed) {
        return answer.domain() instanceof Domain.Numbers numbers ? noNumber(numbers, typed.typed()) : message(answer.unreadableMessage());
    }
}
