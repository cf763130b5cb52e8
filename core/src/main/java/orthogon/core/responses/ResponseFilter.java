package orthogon.core.responses;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Refused;

/**
 * A condition over sent responses. It lets a response through only when it is true of it, as every condition does.
 *
 * @param text as it was typed; empty for a filter that lets everything through
 * @param selection what a database finds by itself: every response that the filter lets through, and perhaps more
 * @param isExact whether the selection is the filter, so that nothing is left to evaluate
 */
public record ResponseFilter(ResponseDocument over, String text, Optional<Expr> condition, Selection selection, boolean isExact) {

    /** Longest condition, in characters. */
    public static final int LONGEST = 4_000;

    /** Lets everything through. */
    public static ResponseFilter none(ResponseDocument over) {
        return new ResponseFilter(over, "", Optional.empty(), new Selection.EveryResponse(), true);
    }

    /** The condition under which somebody is in charge of a response that is not done. */
    public static String inCharge(ResponseDocument over, String account) {
        return over.codes().get(ResponseFact.IN_CHARGE) + " = \"" + account + "\" and " + over.codes().get(ResponseFact.STATE) + " != \""
                + ResponseState.DONE.code() + "\"";
    }

    /**
     * Reads a condition.
     *
     * @param today what {@code today()} is
     * @throws Refused with what is wrong and where
     */
    public static ResponseFilter read(ResponseDocument over, String text, LocalDate today) throws Refused {
        if (text.isBlank()) {
            return none(over);
        }
        if (text.length() > LONGEST) {
            throw new Refused("This condition has more than " + LONGEST + " characters. Make it shorter.");
        }
        Wiring wiring = Wiring.of(over.document());
        Wiring.Wire wire = wiring.checked(RuleFamily.OUTCOME_ROW, "", text.strip());
        Optional<ExpressionFault> fault = wire.faults().stream().findFirst();
        if (fault.isPresent()) {
            throw new Refused("The filter cannot be used: " + fault.get().withPlace() + ".");
        }
        Expr condition = wire.expr().orElseThrow();
        Selecting.Narrowed narrowed = new Selecting(wiring, today).of(condition);
        return new ResponseFilter(over, text.strip(), Optional.of(condition), narrowed.selection(), narrowed.isExact());
    }

    /**
     * Whether the filter lets a response through.
     *
     * @param values answers, derived values, link parameters and facts by their names; what is not there is blank
     * @param today what {@code today()} is
     */
    public boolean lets(Map<String, Object> values, LocalDate today) {
        return condition.isEmpty() || Evaluator.holds(condition.get(), new Situation() {
            @Override
            public Object value(String name) {
                return values.get(name);
            }

            @Override
            public BigDecimal score(String question) {
                return over.document().question(question).orElseThrow().answer().score(values.get(question));
            }

            @Override
            public LocalDate today() {
                return today;
            }
        });
    }
}
