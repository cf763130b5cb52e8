package orthogon.core.expression;

import java.util.ArrayList;
import java.util.List;

/**
 * A text pattern in the small syntax that both respondents' checks and the proof understand: characters, {@code .}, {@code \d \w \s}
 * and escaped signs, classes {@code [a-z0-9_]}, groups, {@code |}, {@code * + ?}, {@code {n} {n,} {n,m}},
 * and {@code ^} and {@code $} at the two ends. Without them it is found anywhere in the text.
 */
public record TextPattern(String text, PatternPart tree, boolean fromStart, boolean toEnd) {

    /** A piece of a pattern. */
    public sealed interface PatternPart {
        /** Ranges of characters, pairs of first and last; {@code not} for all others but the line feed. */
        record Chars(List<char[]> ranges, boolean not) implements PatternPart {}

        record Sequence(List<PatternPart> parts) implements PatternPart {}

        record Either(List<PatternPart> parts) implements PatternPart {}

        /** {@code most} is -1 for no limit. */
        record Repeat(PatternPart part, int least, int most) implements PatternPart {}
    }

    private static final int MOST_REPEATS = 200;
    /** Most characters that a pattern stands for, every repetition written out. */
    static final int MOST_WRITTEN_OUT = 20_000;

    /** @throws IllegalArgumentException with what is wrong and where, for the analyst */
    public static TextPattern read(String text) {
        boolean start = text.startsWith("^");
        boolean end = text.endsWith("$") && !text.endsWith("\\$");
        PatternReader reader = new PatternReader(text, start ? 1 : 0, text.length() - (end ? 1 : 0));
        PatternPart tree = reader.either();
        if (reader.at < reader.end) {
            throw reader.wrong("this closing bracket has no opening one");
        }
        if (size(tree) > MOST_WRITTEN_OUT) {
            throw new IllegalArgumentException("pattern: its repetitions together make it longer than " + MOST_WRITTEN_OUT
                    + " characters; repeat less");
        }
        if ((start || end) && reader.hasBareAlternatives) {
            throw reader.wrong("put alternatives in parentheses when ^ or $ is used: ^(a|b)$");
        }
        return new TextPattern(text, tree, start, end);
    }

    /** How many characters it has with every repetition written out. */
    private static long size(PatternPart part) {
        return switch (part) {
            case PatternPart.Chars c -> 1;
            case PatternPart.Sequence s -> 1 + s.parts().stream().mapToLong(TextPattern::size).sum();
            case PatternPart.Either e -> 1 + e.parts().stream().mapToLong(TextPattern::size).sum();
            case PatternPart.Repeat r -> 1 + size(r.part()) * Math.max(1, r.most() < 0 ? r.least() + 1 : r.most());
        };
    }

    /** The pattern that the whole text must match. */
    public static TextPattern whole(String text) {
        String inner = text.startsWith("^") ? text.substring(1) : text;
        inner = inner.endsWith("$") && !inner.endsWith("\\$") ? inner.substring(0, inner.length() - 1) : inner;
        return read("^(" + inner + ")$");
    }

    /** Whether the character may stand in a text of letters only: letters, marks, and what joins the words of a name. */
    public static boolean isLetterLike(int codePoint) {
        int type = Character.getType(codePoint);
        return Character.isLetter(codePoint) || type == Character.NON_SPACING_MARK || type == Character.COMBINING_SPACING_MARK
                || " '’-".indexOf(codePoint) >= 0;
    }

    /** A short text that has the form. */
    public String example() {
        StringBuilder text = new StringBuilder();
        example(tree, text);
        return text.toString();
    }

    private static void example(PatternPart part, StringBuilder text) {
        switch (part) {
            case PatternPart.Chars c -> text.append(c.ranges().isEmpty() || c.not() ? 'a' : ordinary(c.ranges()));
            case PatternPart.Sequence s -> s.parts().forEach(p -> example(p, text));
            case PatternPart.Either e -> example(e.parts().getFirst(), text);
            case PatternPart.Repeat r -> {
                for (int i = 0; i < Math.max(r.least(), r.most() == 0 ? 0 : 1); i++) {
                    example(r.part(), text);
                }
            }
        }
    }

    /** A letter or digit where there is one. */
    private static char ordinary(List<char[]> ranges) {
        for (char wanted : new char[]{'A', 'a', '1'}) {
            if (ranges.stream().anyMatch(r -> r[0] <= wanted && wanted <= r[1])) {
                return wanted;
            }
        }
        return ranges.getFirst()[0];
    }

    /** Whether it is found in a text. Takes time in proportion to the text's length times the pattern's size, whatever they are. */
    public boolean isFoundIn(String value) {
        return new PatternSearch(this).isFoundIn(value);
    }

    private static final class PatternReader {
        final String text;
        final int end;
        int at;
        int depth;
        /** Whether alternatives stand outside of every group. */
        boolean hasBareAlternatives;

        PatternReader(String text, int at, int end) {
            this.text = text;
            this.at = at;
            this.end = end;
        }

        IllegalArgumentException wrong(String what) {
            return new IllegalArgumentException("pattern, character " + (at + 1) + ": " + what);
        }

        PatternPart either() {
            if (++depth > 20) {
                throw wrong("groups are nested too deeply");
            }
            List<PatternPart> parts = new ArrayList<>(List.of(sequence()));
            while (at < end && text.charAt(at) == '|') {
                at++;
                parts.add(sequence());
            }
            depth--;
            hasBareAlternatives |= depth == 0 && parts.size() > 1;
            return parts.size() == 1 ? parts.getFirst() : new PatternPart.Either(parts);
        }

        PatternPart sequence() {
            List<PatternPart> parts = new ArrayList<>();
            while (at < end && text.charAt(at) != '|' && text.charAt(at) != ')') {
                parts.add(repeated(single()));
            }
            return parts.size() == 1 ? parts.getFirst() : new PatternPart.Sequence(parts);
        }

        PatternPart repeated(PatternPart part) {
            if (at >= end) {
                return part;
            }
            char c = text.charAt(at);
            PatternPart result = switch (c) {
                case '*' -> new PatternPart.Repeat(part, 0, -1);
                case '+' -> new PatternPart.Repeat(part, 1, -1);
                case '?' -> new PatternPart.Repeat(part, 0, 1);
                case '{' -> braces(part);
                default -> null;
            };
            if (result == null) {
                return part;
            }
            at++;
            if (at < end && "*+?{".indexOf(text.charAt(at)) >= 0) {
                throw wrong("one repetition follows another; use a group");
            }
            return result;
        }

        PatternPart braces(PatternPart part) {
            int close = text.indexOf('}', at);
            String inner = close < 0 || close >= end ? "" : text.substring(at + 1, close);
            if (!inner.matches("\\d{1,3}(,(\\d{1,3})?)?")) {
                throw wrong("write {2}, {2,} or {2,5}");
            }
            String[] ends = inner.split(",", -1);
            int least = Integer.parseInt(ends[0]);
            int most = ends.length == 1 ? least : ends[1].isEmpty() ? -1 : Integer.parseInt(ends[1]);
            if (least > MOST_REPEATS || most > MOST_REPEATS || most >= 0 && most < least) {
                throw wrong("repetitions go from 0 to " + MOST_REPEATS + ", the least first");
            }
            at = close;
            return new PatternPart.Repeat(part, least, most);
        }

        PatternPart single() {
            char c = text.charAt(at++);
            switch (c) {
                case '(' -> {
                    if (at < end && text.charAt(at) == '?') {
                        throw wrong("groups that begin with ? are not understood");
                    }
                    PatternPart inner = either();
                    if (at >= end || text.charAt(at) != ')') {
                        throw wrong("a closing parenthesis is missing");
                    }
                    at++;
                    return inner;
                }
                case '[' -> {
                    return charClass();
                }
                case '.' -> {
                    return new PatternPart.Chars(List.of(), true);
                }
                case '\\' -> {
                    return escaped();
                }
                case '*', '+', '?', '{', '}', ']', '^', '$' -> {
                    at--;
                    throw wrong("\"" + c + "\" has nothing to stand for here; write \\" + c + " for the sign itself");
                }
                default -> {
                    return chars(c, c);
                }
            }
        }

        PatternPart.Chars chars(char first, char last) {
            return new PatternPart.Chars(List.of(new char[]{first, last}), false);
        }

        PatternPart.Chars escaped() {
            if (at >= end) {
                throw wrong("a sign is missing after \\");
            }
            char c = text.charAt(at++);
            return switch (c) {
                case 'd' -> chars('0', '9');
                case 'w' -> new PatternPart.Chars(List.of(new char[]{'a', 'z'}, new char[]{'A', 'Z'}, new char[]{'0', '9'},
                        new char[]{'_', '_'}), false);
                case 's' -> new PatternPart.Chars(List.of(new char[]{' ', ' '}, new char[]{'\t', '\r'}), false);
                default -> {
                    if (Character.isLetterOrDigit(c)) {
                        throw wrong("\\" + c + " is not understood; there are \\d, \\w, \\s and escaped signs");
                    }
                    yield chars(c, c);
                }
            };
        }

        PatternPart charClass() {
            if (at < end && text.charAt(at) == '^') {
                throw wrong("[^...] is not understood; name the characters that are allowed");
            }
            List<char[]> ranges = new ArrayList<>();
            while (at < end && text.charAt(at) != ']') {
                char c = text.charAt(at++);
                if (c == '[' || c == '&') {
                    throw wrong("write \\" + c + " for the sign itself inside [...]");
                }
                if (c == '\\') {
                    ranges.addAll(escaped().ranges());
                } else if (at + 1 < end && text.charAt(at) == '-' && text.charAt(at + 1) != ']') {
                    char last = text.charAt(at + 1);
                    if (last < c || last == '\\' || last == '[') {
                        throw wrong("the range " + c + "-" + last + " runs backwards");
                    }
                    ranges.add(new char[]{c, last});
                    at += 2;
                } else {
                    ranges.add(new char[]{c, c});
                }
            }
            if (at >= end || ranges.isEmpty()) {
                throw wrong("a class [...] needs at least one character and a closing ]");
            }
            at++;
            return new PatternPart.Chars(ranges, false);
        }
    }
}
