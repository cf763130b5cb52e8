package orthogon.core.proof.plain;

import java.math.BigDecimal;
import java.util.List;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Compare;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Span;
import orthogon.core.questionnaire.Roster;

/** Expressions of the plain form about the number of a roster's entries, of the expressions that the analyst wrote. */
final class EntryNumber {

    private EntryNumber() {}

    /** What {@link Roster#fixedAt} makes of the number that an expression says; blank for no entries. */
    static Expr fixed(Roster roster, Expr said) {
        Expr least = roster.least() == 0 ? new Literal(null, Span.NONE) : number(roster.least());
        Expr within = new If(new Compare(">=", said, number(Math.max(1, roster.least())), Span.NONE),
                new Call("floor", List.of(said), Span.NONE), least, Span.NONE);
        return new If(new Compare(">=", said, number(roster.most()), Span.NONE), number(roster.most()), within, Span.NONE);
    }

    /** Whether there must be an entry. */
    static Expr needed(Expr fewest) {
        return new Compare(">", fewest, number(0), Span.NONE);
    }

    /** Whether the number stands in this relation to what an expression says. */
    static Expr compared(Roster roster, String comparison, Expr said) {
        return new Compare(comparison, new Name(roster.code(), Span.NONE), said, Span.NONE);
    }

    private static Literal number(int n) {
        return new Literal(BigDecimal.valueOf(n), Span.NONE);
    }
}
