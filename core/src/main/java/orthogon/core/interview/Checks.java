package orthogon.core.interview;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.language.OwnWords;
import orthogon.core.language.WrittenNumber;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;

/** What is wrong with the answers on a page: unreadable, missing, outside the limits, or not accepted. */
final class Checks {

    private final Wiring wiring;
    private final Questionnaire document;
    private final OwnWords words;
    private final AnswerLimits limits;

    Checks(Wiring wiring) {
        this.wiring = wiring;
        this.document = wiring.document();
        this.words = OwnWords.of(document);
        this.limits = new AnswerLimits(words);
    }

    /** Why an answer is outside the limits of its question; empty where it keeps them. */
    Optional<String> refusal(Answer answer, Object value, Situation situation) {
        return limits.refusal(answer, value, situation.today());
    }

    /** There are more entries than the roster takes. */
    Problem tooMany(Roster roster) {
        return new Problem(roster.code(), Problem.ProblemKind.LIMIT, words.say("message.entries", roster.most()));
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
                    : AnswerFit.counting(question.answer(), shown.value(), shown.offered(), shown.rows());
            Optional<String> locked = shown.locked() && counts != null
                    ? limits.refusal(question.answer(), counts, situation.today())
                    : Optional.empty();
            if (locked.isPresent()) {
                // Nobody can change it, so the page cannot be left: better a dead end that is seen than a wrong answer sent.
                problems.add(new Problem(slot, Problem.ProblemKind.LIMIT, locked.get()));
            } else if (shown.value() instanceof Unreadable u) {
                problems.add(new Problem(slot, Problem.ProblemKind.UNREADABLE, unreadable(question.answer(), u)));
            } else if (shown.required()) {
                problems.add(new Problem(slot, Problem.ProblemKind.REQUIRED,
                        message(question.answer() instanceof Answer.Agreement ? "agreement" : "required")));
            }
            return;
        }
        if (shown.required() && value instanceof Map<?, ?> answered && !answered.keySet().containsAll(shown.rows())) {
            problems.add(new Problem(slot, Problem.ProblemKind.REQUIRED, words.say("message.rows")));
            return;
        }
        Optional<String> limit = limits.refusal(question.answer(), value, situation.today());
        if (limit.isPresent()) {
            boolean incomplete = question.answer() instanceof Answer.Parts;
            problems.add(new Problem(slot, Problem.ProblemKind.LIMIT,
                    incomplete ? document.presentation().messages().getOrDefault("incomplete", limit.get()) : limit.get()));
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

    private String message(String kind) {
        return words.message(document, kind);
    }

    private String noNumber(Answer.Numeric number, String typed) {
        List<BigDecimal> ways = WrittenNumber.of(typed, words.locale(), number.decimals()).readings();
        if (ways.size() == 2) {
            return words.say("message.two_ways", typed, words.number(ways.getFirst().stripTrailingZeros()), words.number(ways.getLast()));
        }
        return document.presentation().messages().containsKey("number") ? message("number") : words.say("message.no_number", typed);
    }

    private String unreadable(Answer answer, Unreadable typed) {
        return switch (answer) {
            case Answer.Numeric n -> noNumber(n, typed.typed());
            case Answer.DateAnswer d -> message("date");
            case Answer.TimeAnswer t -> message("time");
            case Answer.Contact c -> message(switch (c.kind()) {
                case EMAIL -> "email";
                case PHONE -> "phone";
                case WEB -> "web_address";
            });
            case Answer.TextAnswer t -> words.say("message.unreadable");
            default -> message("choice");
        };
    }
}
