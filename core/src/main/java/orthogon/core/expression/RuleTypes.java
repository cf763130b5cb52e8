package orthogon.core.expression;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.expression.Expr.Compare;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Span;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;

/** Which type the whole expression of a rule must have. */
final class RuleTypes {

    private RuleTypes() {}

    /**
     * Why an expression is of the wrong type for its rule; empty where it is of the right one.
     *
     * @param owner the item at which it stands; null where it stands elsewhere
     * @param type of the whole expression
     * @param scope what names mean there
     */
    static Optional<ExpressionFault> fault(RuleFamily family, Item owner, Expr expr, Type type, Typer.Scope scope) {
        if (family.isCondition() && type.kind() != Type.TypeKind.TRUTH) {
            return wrong("a condition must be true or false, but this is " + type.words(), expr.span());
        }
        if (family.isCount() && !type.fits(Type.NUMBER)) {
            return wrong("how many entries there are is a number, but this is " + type.words(), expr.span());
        }
        return family == RuleFamily.START_WITH && owner instanceof Question question
                ? start(question, expr, type, scope)
                : Optional.empty();
    }

    private static Optional<ExpressionFault> start(Question question, Expr expr, Type type, Typer.Scope scope) {
        Span at = expr.span();
        if (question.answer() instanceof LookupAnswer) {
            return wrong(question.code() + " is a lookup, so it starts blank", at);
        }
        Type wanted = scope.type(question.code()).orElse(Type.NOTHING);
        if (!type.fits(wanted)) {
            return wrong(question.code() + " starts with " + wanted.words() + ", but this is " + type.words(), at);
        }
        List<ExpressionFault> options = Typer.type(new Compare("=", new Name(question.code(), at), expr, at), scope).faults();
        return wanted.kind() == Type.TypeKind.NOTHING ? Optional.empty() : options.stream().findFirst();
    }

    private static Optional<ExpressionFault> wrong(String message, Span at) {
        return Optional.of(new ExpressionFault(ExpressionFault.FaultKind.TYPE, message, at.from(), at.to(), ""));
    }
}
