package orthogon.core.expression;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import orthogon.core.expression.ConditionParser.*;
import orthogon.core.expression.Expr.Span;

/** Text to tree. Names and types are not looked at here. */
public final class ExpressionReader {

    /** Longer texts are refused, in characters. */
    static final int LONGEST = 10_000;
    /** Deeper nesting is refused, so that a hostile text cannot exhaust the stack. */
    private static final int DEEPEST = 60;

    /** Most texts are read again and again while a document is edited. The one read longest ago makes room. */
    private static final Map<String, Reading> KNOWN = new LinkedHashMap<>(256, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Reading> eldest) {
            return size() > 20_000;
        }
    };

    private ExpressionReader() {}

    /** The tree, or the first fault. */
    public sealed interface Reading {
        record Read(Expr expr) implements Reading {}

        record UnreadableText(ExpressionFault fault) implements Reading {}
    }

    private static final class RefusedText extends RuntimeException {
        final transient ExpressionFault fault;

        RefusedText(String message, int from, int to) {
            super(message, null, false, false);
            fault = new ExpressionFault(ExpressionFault.FaultKind.SYNTAX, message, from, Math.max(from, to), "");
        }
    }

    public static Reading read(String text) {
        synchronized (KNOWN) {
            return KNOWN.computeIfAbsent(text, ExpressionReader::parse);
        }
    }

    private static Reading parse(String text) {
        try {
            if (text.length() > LONGEST) {
                throw new RefusedText("the expression is longer than " + LONGEST + " characters; split it with derived values", LONGEST,
                        text.length());
            }
            refuseDeepNesting(text);
            BaseErrorListener refuse = new BaseErrorListener() {
                @Override
                public void syntaxError(Recognizer<?, ?> recognizer, Object symbol, int line, int column, String message,
                        RecognitionException cause) {
                    Token token = (Token) symbol;
                    throw token == null ? new RefusedText("this cannot be read", 0, text.length()) : unexpected(token, text);
                }
            };
            ConditionLexer lexer = new ConditionLexer(CharStreams.fromString(text));
            lexer.removeErrorListeners();
            ConditionParser parser = new ConditionParser(new CommonTokenStream(lexer));
            parser.removeErrorListeners();
            parser.addErrorListener(refuse);
            return new Reading.Read(new ExpressionReader().expression(parser.whole().expression()));
        } catch (RefusedText e) {
            return new Reading.UnreadableText(e.fault);
        } catch (StackOverflowError e) {
            return new Reading.UnreadableText(
                    new RefusedText("this is nested too deeply; split it with derived values", 0, text.length()).fault);
        }
    }

    private static void refuseDeepNesting(String text) {
        int depth = 0;
        int run = 0;
        boolean quoted = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '"' && (i == 0 || text.charAt(i - 1) != '\\')) {
                quoted = !quoted;
            }
            if (quoted) {
                continue;
            }
            if (c == '(' || c == '[') {
                depth++;
            } else if (c == ')' || c == ']') {
                depth--;
            }
            run = c == '-' || text.startsWith("if", i) ? run + 1 : Character.isWhitespace(c) ? run : Character.isLetter(c) ? run : 0;
            if (depth > DEEPEST || run > 40 * DEEPEST) {
                throw new RefusedText("this is nested deeper than " + DEEPEST + " levels; split it with derived values", i, i + 1);
            }
        }
    }

    private static RefusedText unexpected(Token token, String text) {
        if (token.getType() == Token.EOF) {
            String why = text.isBlank() ? "there is no expression here" : "the expression stops too early; something is missing at the end";
            return new RefusedText(why, text.length(), text.length());
        }
        String word = token.getText();
        String hint = switch (word) {
            case "==" -> "write = for “equal”";
            case "&", "&&" -> "write and";
            case "|", "||" -> "write or";
            case "!" -> "write not(...) or !=";
            case "'", "‘", "’", "“", "”" -> "put texts in straight double quotes: \"bird\"";
            case "\"" -> "this text has no closing quote";
            case "=" -> "a comparison needs one value on each side";
            case "," -> "a comma belongs only between the values of a list or a function";
            default -> "an operator such as and, or, =, < is missing before it, or it does not belong here";
        };
        return new RefusedText("\"" + word + "\" is not expected here: " + hint, codeUnit(text, token.getStartIndex()),
                codeUnit(text, token.getStopIndex() + 1));
    }

    /** ANTLR counts code points; places are counted in UTF-16 units. */
    private static int codeUnit(String text, int codePoint) {
        return codePoint <= 0 ? 0 : text.offsetByCodePoints(0, Math.min(codePoint, text.codePointCount(0, text.length())));
    }

    private static Span span(ParserRuleContext c) {
        return new Span(c.getStart().getStartIndex(), c.getStop().getStopIndex() + 1);
    }

    private static Span span(Expr from, Expr to) {
        return new Span(from.span().from(), to.span().to());
    }

    private Expr expression(ExpressionContext c) {
        List<Expr> parts = c.conjunction().stream().map(this::conjunction).toList();
        return parts.size() == 1 ? parts.getFirst() : new Expr.Or(parts, span(c));
    }

    private Expr conjunction(ConjunctionContext c) {
        List<Expr> parts = c.comparison().stream().map(this::comparison).toList();
        return parts.size() == 1 ? parts.getFirst() : new Expr.And(parts, span(c));
    }

    private Expr comparison(ComparisonContext c) {
        Expr left = sum(c.sum(0));
        if (c.op != null) {
            return new Expr.Compare(c.op.getText(), left, sum(c.sum(1)), span(c));
        }
        if (c.BETWEEN() != null) {
            return new Expr.InRange(left, sum(c.low), true, sum(c.high), true, true, span(c));
        }
        if (c.IN() == null) {
            return left;
        }
        if (c.range() != null) {
            RangeContext r = c.range();
            return new Expr.InRange(left, sum(r.low), r.open.getText().equals("["), sum(r.high), r.close.getText().equals("]"), false,
                    span(c));
        }
        if (c.expression().isEmpty()) {
            return new Expr.InList(left, sum(c.sum(1)), span(c));
        }
        List<Expr> items = c.expression().stream().map(this::expression).toList();
        return new Expr.InList(left, new Expr.ListOf(items, span(items.getFirst(), items.getLast())), span(c));
    }

    private Expr sum(SumContext c) {
        Expr left = product(c.product(0));
        for (int i = 1; i < c.product().size(); i++) {
            Expr right = product(c.product(i));
            left = new Expr.Arithmetic(c.op.get(i - 1).getText(), left, right, span(left, right));
        }
        return left;
    }

    private Expr product(ProductContext c) {
        Expr left = power(c.power(0));
        for (int i = 1; i < c.power().size(); i++) {
            Expr right = power(c.power(i));
            left = new Expr.Arithmetic(c.op.get(i - 1).getText(), left, right, span(left, right));
        }
        return left;
    }

    private Expr power(PowerContext c) {
        Expr left = unary(c.unary(0));
        for (int i = 1; i < c.unary().size(); i++) {
            Expr right = unary(c.unary(i));
            left = new Expr.Arithmetic("**", left, right, span(left, right));
        }
        return left;
    }

    private Expr unary(UnaryContext c) {
        return c.MINUS() != null ? new Expr.Negate(unary(c.unary()), span(c)) : primary(c.primary());
    }

    private Expr primary(PrimaryContext c) {
        return switch (c) {
            case NumberContext n -> new Expr.Literal(new BigDecimal(n.getText()), span(c));
            case StringContext s -> new Expr.Literal(unquoted(s.getText(), span(c)), span(c));
            case YesContext y -> new Expr.Literal(true, span(c));
            case NoContext n -> new Expr.Literal(false, span(c));
            case NothingContext n -> new Expr.Literal(null, span(c));
            case NameContext n -> path(n);
            case ListContext l -> new Expr.ListOf(l.expression().stream().map(this::expression).toList(), span(c));
            case GroupContext g -> expression(g.expression());
            case ChooseContext i ->
                new Expr.If(expression(i.expression(0)), expression(i.expression(1)), expression(i.expression(2)), span(c));
            case QuantifiedContext q -> {
                List<Expr.Binding> bindings = new ArrayList<>();
                for (int i = 0; i < q.NAME().size(); i++) {
                    bindings.add(new Expr.Binding(q.NAME(i).getText(), expression(q.expression(i))));
                }
                yield new Expr.Quantified(q.EVERY() != null, List.copyOf(bindings), expression(q.expression().getLast()), span(c));
            }
            case CallContext f -> {
                List<Expr> args = f.expression().stream().map(this::expression).toList();
                if (f.NOT() != null) {
                    if (args.size() != 1) {
                        throw new RefusedText("not(...) takes one condition", span(c).from(), span(c).to());
                    }
                    yield new Expr.Not(args.getFirst(), span(c));
                }
                String function = (f.NAME() != null ? f.NAME() : f.FNAME()).getText().replaceAll("[\\s\\u00a0]+", " ");
                yield new Expr.Call(function, args, span(c));
            }
            default -> throw new IllegalStateException("unknown part " + c.getClass());
        };
    }

    private static Expr path(NameContext c) {
        int start = c.getStart().getStartIndex();
        Token first = c.NAME(0).getSymbol();
        Expr path = new Expr.Name(first.getText(), new Span(start, first.getStopIndex() + 1));
        for (int i = 1; i < c.NAME().size(); i++) {
            Token part = c.NAME(i).getSymbol();
            path = new Expr.PartOf(path, part.getText(), new Span(start, part.getStopIndex() + 1));
        }
        return path;
    }

    private static String unquoted(String quoted, Span at) {
        StringBuilder text = new StringBuilder();
        for (int i = 1; i < quoted.length() - 1; i++) {
            char c = quoted.charAt(i);
            if (c != '\\') {
                text.append(c);
                continue;
            }
            char escaped = quoted.charAt(++i);
            switch (escaped) {
                case 'n' -> text.append('\n');
                case 't' -> text.append('\t');
                case 'r' -> text.append('\r');
                case '"', '\\', '\'' -> text.append(escaped);
                default ->
                    throw new RefusedText("\\" + escaped + " is not an escape; write \\\\ for a backslash", at.from() + i - 1,
                            at.from() + i + 1);
            }
        }
        return text.toString();
    }
}
