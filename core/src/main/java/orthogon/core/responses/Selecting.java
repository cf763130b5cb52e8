package orthogon.core.responses;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.And;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Compare;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.InList;
import orthogon.core.expression.Expr.InRange;
import orthogon.core.expression.Expr.ListOf;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Not;
import orthogon.core.expression.Expr.Or;
import orthogon.core.expression.Expr.PartOf;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Question;
import orthogon.core.responses.Selection.Relation;

/**
 * Finds what a database can decide of a condition. A condition is true, false or unknown of a response, so each part gives two selections:
 * where it is true and where it is false. What cannot be said stands for every response on both sides, and the result is not exact then.
 */
final class Selecting {

    /** @param isExact whether the selection is where the condition is true, and not only around it */
    record Narrowed(Selection selection, boolean isExact) {

        static final Narrowed ANYTHING = new Narrowed(new Selection.EveryResponse(), false);

        static Narrowed exactly(Selection selection) {
            return new Narrowed(selection, true);
        }

        static Narrowed allOf(List<Narrowed> parts) {
            boolean empty = parts.stream().anyMatch(p -> p.selection instanceof Selection.NoResponse);
            return new Narrowed(Selection.allOf(parts.stream().map(Narrowed::selection).toList()),
                    empty || parts.stream().allMatch(Narrowed::isExact));
        }

        static Narrowed anyOf(List<Narrowed> parts) {
            return new Narrowed(Selection.anyOf(parts.stream().map(Narrowed::selection).toList()),
                    parts.stream().allMatch(Narrowed::isExact));
        }
    }

    /** Where a part of a condition is true, and where it is false. */
    private record TwoSided(Narrowed yes, Narrowed no) {

        static final TwoSided UNKNOWN = new TwoSided(Narrowed.ANYTHING, Narrowed.ANYTHING);

        static TwoSided exactly(Selection yes, Selection no) {
            return new TwoSided(Narrowed.exactly(yes), Narrowed.exactly(no));
        }

        /** Of something that is always true or false. */
        static TwoSided decided(Selection yes) {
            return exactly(yes, new Selection.Outside(yes));
        }

        TwoSided turned() {
            return new TwoSided(no, yes);
        }
    }

    private final Wiring wiring;
    private final LocalDate today;

    Selecting(Wiring wiring, LocalDate today) {
        this.wiring = wiring;
        this.today = today;
    }

    Narrowed of(Expr condition) {
        return sides(condition).yes();
    }

    private TwoSided sides(Expr expr) {
        return switch (expr) {
            case Literal l when l.value() instanceof Boolean b -> b
                    ? TwoSided.exactly(new Selection.EveryResponse(), new Selection.NoResponse())
                    : TwoSided.exactly(new Selection.NoResponse(), new Selection.EveryResponse());
            case And a -> {
                List<TwoSided> parts = a.parts().stream().map(this::sides).toList();
                yield new TwoSided(Narrowed.allOf(parts.stream().map(TwoSided::yes).toList()),
                        Narrowed.anyOf(parts.stream().map(TwoSided::no).toList()));
            }
            case Or o -> {
                List<TwoSided> parts = o.parts().stream().map(this::sides).toList();
                yield new TwoSided(Narrowed.anyOf(parts.stream().map(TwoSided::yes).toList()),
                        Narrowed.allOf(parts.stream().map(TwoSided::no).toList()));
            }
            case Not n -> sides(n.of()).turned();
            case If i -> chosen(i);
            case Compare c -> compared(c);
            case InRange r -> within(r);
            case InList l -> oneOf(l);
            case Call c -> called(c);
            case Name n when isTruth(n) -> truth(n.name());
            case PartOf p when isTruth(p) -> code(p).map(this::truth).orElse(TwoSided.UNKNOWN);
            default -> TwoSided.UNKNOWN;
        };
    }

    private boolean isTruth(Expr expr) {
        return type(expr).filter(t -> t.kind() == Type.TypeKind.TRUTH).isPresent();
    }

    private TwoSided chosen(If i) {
        Narrowed when = sides(i.when()).yes();
        Narrowed other = when.isExact() ? Narrowed.exactly(new Selection.Outside(when.selection())) : Narrowed.ANYTHING;
        TwoSided then = sides(i.then());
        TwoSided otherwise = sides(i.otherwise());
        return new TwoSided(
                Narrowed.anyOf(List.of(Narrowed.allOf(List.of(when, then.yes())), Narrowed.allOf(List.of(other, otherwise.yes())))),
                Narrowed.anyOf(List.of(Narrowed.allOf(List.of(when, then.no())), Narrowed.allOf(List.of(other, otherwise.no())))));
    }

    private TwoSided compared(Compare c) {
        Relation relation = switch (c.op()) {
            case "=" -> Relation.SAME;
            case "!=" -> Relation.DIFFERENT;
            case "<" -> Relation.LESS;
            case "<=" -> Relation.AT_MOST;
            case ">" -> Relation.MORE;
            default -> Relation.AT_LEAST;
        };
        Optional<String> counted = counted(c.left());
        if (counted.isPresent() && isFixed(c.right()) && fixed(c.right()) instanceof BigDecimal size) {
            return sized(counted.get(), relation, size);
        }
        Optional<String> countedAtRight = counted(c.right());
        if (countedAtRight.isPresent() && isFixed(c.left()) && fixed(c.left()) instanceof BigDecimal size) {
            return sized(countedAtRight.get(), relation.turned(), size);
        }
        Optional<String> left = code(c.left());
        if (left.isPresent() && isFixed(c.right())) {
            return stands(left.get(), relation, fixed(c.right()));
        }
        Optional<String> right = code(c.right());
        return right.isPresent() && isFixed(c.left()) ? stands(right.get(), relation.turned(), fixed(c.left())) : TwoSided.UNKNOWN;
    }

    /** What an expression is the number of elements of. */
    private Optional<String> counted(Expr expr) {
        return expr instanceof Call c && c.function().equals("count") && c.args().getFirst() instanceof Name n
                && type(n).filter(t -> t.kind() == Type.TypeKind.LIST).isPresent() ? Optional.of(n.name()) : Optional.empty();
    }

    /** A blank list has no elements. */
    private static TwoSided sized(String code, Relation relation, BigDecimal size) {
        Selection sized = new Selection.Sized(code, relation, size);
        return TwoSided.decided(relation.holds(BigDecimal.ZERO.compareTo(size))
                ? Selection.anyOf(List.of(new Selection.Outside(new Selection.Answered(code)), sized))
                : sized);
    }

    private TwoSided within(InRange r) {
        Optional<String> code = code(r.of());
        if (code.isEmpty() || !isFixed(r.low()) || !isFixed(r.high()) || fixed(r.low()) == null || fixed(r.high()) == null) {
            return TwoSided.UNKNOWN;
        }
        TwoSided low = stands(code.get(), r.lowClosed() ? Relation.AT_LEAST : Relation.MORE, fixed(r.low()));
        TwoSided high = stands(code.get(), r.highClosed() ? Relation.AT_MOST : Relation.LESS, fixed(r.high()));
        return new TwoSided(Narrowed.allOf(List.of(low.yes(), high.yes())), Narrowed.anyOf(List.of(low.no(), high.no())));
    }

    private TwoSided oneOf(InList l) {
        Optional<String> code = code(l.of());
        if (code.isEmpty() || !(l.list() instanceof ListOf list) || !list.items().stream().allMatch(this::isFixed)) {
            return TwoSided.UNKNOWN;
        }
        List<Narrowed> each = list.items().stream().map(item -> stands(code.get(), Relation.SAME, fixed(item)).yes()).toList();
        Narrowed yes = Narrowed.anyOf(each);
        return yes.isExact() ? TwoSided.decided(yes.selection()) : new TwoSided(yes, Narrowed.ANYTHING);
    }

    private TwoSided called(Call c) {
        return switch (c.function()) {
            case "answered" -> whole(c.args().getFirst()).map(code -> TwoSided.decided(new Selection.Answered(code)))
                    .orElse(TwoSided.UNKNOWN);
            case "list contains" -> {
                Optional<String> code = c.args().getFirst() instanceof Name n && isListOfTexts(n)
                        ? Optional.of(n.name())
                        : Optional.empty();
                yield code.isPresent() && isFixed(c.args().get(1)) && fixed(c.args().get(1)) instanceof String element && isShort(element)
                        ? TwoSided.decided(new Selection.Holding(code.get(), element))
                        : TwoSided.UNKNOWN;
            }
            case "contains" -> containing(c, Selection.TextSide.ANYWHERE);
            case "starts with" -> containing(c, Selection.TextSide.START);
            case "ends with" -> containing(c, Selection.TextSide.END);
            default -> TwoSided.UNKNOWN;
        };
    }

    private boolean isListOfTexts(Name n) {
        return type(n).filter(t -> t.kind() == Type.TypeKind.LIST && t.element().kind() == Type.TypeKind.TEXT).isPresent();
    }

    private TwoSided containing(Call c, Selection.TextSide side) {
        boolean isWhole = c.args().getFirst() instanceof Name n && isKeptWhole(n.name());
        if (!isWhole || !isFixed(c.args().get(1)) || !(fixed(c.args().get(1)) instanceof String part) || !isShort(part)) {
            return TwoSided.UNKNOWN;
        }
        String code = ((Name) c.args().getFirst()).name();
        Selection yes = new Selection.Containing(code, part, side);
        // Of an answer that is no text, nothing is said.
        return new TwoSided(Narrowed.exactly(yes),
                new Narrowed(Selection.allOf(List.of(new Selection.Answered(code), new Selection.Outside(yes))), false));
    }

    /** Whether the database keeps the whole text of every answer to this question. */
    private boolean isKeptWhole(String code) {
        return wiring.document().question(code).map(Question::answer)
                .filter(a -> a.domain() instanceof Domain.FreeTexts t && t.most() != null && t.most() * 2 <= Selection.LONGEST).isPresent();
    }

    private static boolean isShort(String text) {
        return text.length() < Selection.LONGEST;
    }

    /** An answer of yes or no by itself: neither true nor false where it is blank. */
    private TwoSided truth(String code) {
        return TwoSided.exactly(new Selection.Compared(code, Relation.SAME, true), new Selection.Compared(code, Relation.SAME, false));
    }

    /** Comparison with a value: blank is the same only as blank, and neither less nor more than anything. */
    private TwoSided stands(String code, Relation relation, Object value) {
        if (relation == Relation.DIFFERENT) {
            return stands(code, Relation.SAME, value).turned();
        }
        Selection answered = new Selection.Answered(code);
        if (value == null) {
            return relation == Relation.SAME
                    ? TwoSided.exactly(new Selection.Outside(answered), answered)
                    : TwoSided.exactly(new Selection.NoResponse(), new Selection.NoResponse());
        }
        boolean ordered = relation != Relation.SAME;
        boolean known = value instanceof BigDecimal || value instanceof LocalDate || value instanceof LocalTime
                || value instanceof String text && !ordered && isShort(text) || value instanceof Boolean && !ordered;
        if (!known) {
            return TwoSided.UNKNOWN;
        }
        Selection yes = new Selection.Compared(code, relation, value);
        Selection no = new Selection.Compared(code, relation.opposite(), value);
        return ordered ? TwoSided.exactly(yes, no) : TwoSided.exactly(yes, Selection.anyOf(List.of(new Selection.Outside(answered), no)));
    }

    /** The name under which a database keeps a value that is no list: that of a question, or of a part of an answer. */
    private Optional<String> code(Expr expr) {
        return type(expr).filter(t -> t.kind() != Type.TypeKind.LIST && t.kind() != Type.TypeKind.PARTS).isPresent()
                ? switch (expr) {
                    case Name n -> Optional.of(n.name());
                    case PartOf p when p.of() instanceof Name n && isParts(n) -> Optional.of(n.name() + "." + p.part());
                    default -> Optional.empty();
                }
                : Optional.empty();
    }

    private boolean isParts(Name n) {
        return type(n).filter(t -> t.kind() == Type.TypeKind.PARTS).isPresent();
    }

    /** The name of a whole answer of any type, or of a part. */
    private Optional<String> whole(Expr expr) {
        return expr instanceof Name n ? Optional.of(n.name()) : code(expr);
    }

    private Optional<Type> type(Expr expr) {
        return switch (expr) {
            case Name n -> wiring.type(n.name());
            case PartOf p -> type(p.of()).map(t -> t.parts().get(p.part()));
            default -> Optional.empty();
        };
    }

    private boolean isFixed(Expr expr) {
        return expr.references().isEmpty();
    }

    private Object fixed(Expr expr) {
        return Evaluator.value(expr, new Situation() {
            @Override
            public Object value(String name) {
                throw new IllegalStateException(name + " is not fixed");
            }

            @Override
            public BigDecimal score(String question) {
                throw new IllegalStateException(question + " is not fixed");
            }

            @Override
            public LocalDate today() {
                return today;
            }
        });
    }
}
