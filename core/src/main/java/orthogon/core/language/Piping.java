package orthogon.core.language;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.MessagePattern;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Collection;
import java.util.Date;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Earlier answers put into a text, in ICU MessageFormat. {@code {species}} stands for the answer in words; {@code select} goes by option
 * codes, {@code yes} and {@code no}, and takes the arm {@code blank} where there is no answer; {@code plural} goes by a number, or by
 * how many were chosen or entered. A blank answer without such an arm leaves a gap.
 */
public final class Piping {

    private static final char OPEN = '\uE000';
    private static final char CLOSE = '\uE001';

    private Piping() {}

    /**
     * A text with a mark in place of every answer, so that what a respondent gave is never taken for markup.
     *
     * @param given what stands at each mark
     */
    public record Filled(String text, List<String> given) {

        /** The text with what was given, each put through a function first. */
        public String with(String marked, Function<String, String> each) {
            StringBuilder whole = new StringBuilder();
            int at = 0;
            while (at < marked.length()) {
                int end = marked.charAt(at) == OPEN ? marked.indexOf(CLOSE, at) : -1;
                if (end < 0) {
                    whole.append(marked.charAt(at++));
                } else {
                    whole.append(each.apply(given.get(Integer.parseInt(marked.substring(at + 1, end)))));
                    at = end + 1;
                }
            }
            return whole.toString();
        }

        /** The text as it is read, without any markup made of it. */
        public String plain() {
            return with(text, g -> g);
        }
    }

    /** Codes of the answers that the text speaks of, or of parts of which it does, in reading order; none where it cannot be read. */
    public static Set<String> codes(String text) {
        Set<String> codes = new LinkedHashSet<>();
        names(text).forEach(name -> codes.add(PipedNames.code(name)));
        return codes;
    }

    /** What the text speaks of, parts of answers as {@code driver.name}, in reading order; nothing where it cannot be read. */
    public static Set<String> names(String text) {
        Set<String> names = new LinkedHashSet<>();
        if (text.indexOf('{') >= 0 && fault(text).isEmpty()) {
            MessagePattern pattern = PipedNames.pattern(text);
            for (int i = 0; i < pattern.countParts(); i++) {
                if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_NAME) {
                    names.add(PipedNames.name(pattern, i));
                }
            }
        }
        return names;
    }

    /**
     * Where a blank answer would leave a gap.
     *
     * @param name code of the answer
     * @param arms what must be so for this part of the text to be read
     */
    public record Gap(String name, List<PipedArm> arms) {}

    /**
     * One arm of a choice around a part of a text.
     *
     * @param name code of the answer that the text goes by
     * @param key the arm's key; {@code other} for what no other key of these takes
     * @param keys every key of the choice
     * @param plural whether it goes by a number's plural form
     */
    public record PipedArm(String name, String key, List<String> keys, boolean plural) {}

    /** Every place of the text that would be a gap if an answer were blank, in reading order; none where the text cannot be read. */
    public static List<Gap> gaps(String text) {
        List<Gap> gaps = new ArrayList<>();
        if (!names(text).isEmpty()) {
            gaps(PipedNames.pattern(text), 0, List.of(), gaps);
        }
        return gaps;
    }

    private static void gaps(MessagePattern pattern, int start, List<PipedArm> arms, List<Gap> gaps) {
        for (int i = start + 1; i < pattern.getLimitPartIndex(start); i++) {
            if (pattern.getPartType(i) != MessagePattern.Part.Type.ARG_START) {
                continue;
            }
            MessagePattern.ArgType kind = pattern.getPart(i).getArgType();
            String name = PipedNames.name(pattern, i + 1);
            boolean bySelect = kind == MessagePattern.ArgType.SELECT;
            boolean settled = arms.stream().anyMatch(a -> a.name().equals(name)
                    && (a.plural() || !a.key().equals("blank") && (!a.key().equals("other") || a.keys().contains("blank"))));
            if (!bySelect && !settled) {
                gaps.add(new Gap(name, arms));
            }
            int end = pattern.getLimitPartIndex(i);
            if (kind.hasPluralStyle() || bySelect) {
                arms(pattern, i, end, name, !bySelect, arms, gaps);
            }
            i = end;
        }
    }

    private static void arms(MessagePattern pattern, int start, int end, String name, boolean plural, List<PipedArm> around,
            List<Gap> gaps) {
        List<String> keys = new ArrayList<>();
        List<Integer> messages = new ArrayList<>();
        for (int i = start + 1; i < end; i++) {
            if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_SELECTOR) {
                keys.add(pattern.getSubstring(pattern.getPart(i)));
            } else if (pattern.getPartType(i) == MessagePattern.Part.Type.MSG_START) {
                messages.add(i);
                i = pattern.getLimitPartIndex(i);
            }
        }
        for (int k = 0; k < messages.size(); k++) {
            List<PipedArm> inner = new ArrayList<>(around);
            inner.add(new PipedArm(name, keys.get(k), keys, plural));
            gaps(pattern, messages.get(k), inner, gaps);
        }
    }

    /** For each answer that a text chooses its words by, the options it has words for. Plural forms differ between languages. */
    public static Map<String, Set<String>> choices(String text) {
        Map<String, Set<String>> choices = new HashMap<>();
        if (names(text).isEmpty()) {
            return choices;
        }
        MessagePattern pattern = PipedNames.pattern(text);
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() == MessagePattern.Part.Type.ARG_START && part.getArgType() == MessagePattern.ArgType.SELECT) {
                Set<String> keys = choices.computeIfAbsent(PipedNames.name(pattern, i + 1), n -> new LinkedHashSet<>());
                for (int k = i + 2; k < pattern.getLimitPartIndex(i); k++) {
                    if (pattern.getPartType(k) == MessagePattern.Part.Type.ARG_SELECTOR) {
                        keys.add(pattern.getSubstring(pattern.getPart(k)));
                    } else if (pattern.getPartType(k) == MessagePattern.Part.Type.MSG_START) {
                        k = pattern.getLimitPartIndex(k);
                    }
                }
            }
        }
        return choices;
    }

    /** The text with every gap of the answer closed: three dots stand where it is blank. */
    public static String closed(String text, String name) {
        return gaps(text).stream().noneMatch(g -> g.name().equals(name))
                ? text
                : "{" + name + ", select, blank {"
                        + without(text, Set.of(name), "…") + "} other {" + text + "}}";
    }

    /** Why the text cannot be read; empty where it can. */
    public static Optional<String> fault(String text) {
        if (text.indexOf('{') < 0 && text.indexOf('}') < 0) {
            return Optional.empty();
        }
        try {
            MessagePattern pattern = PipedNames.pattern(text);
            for (int i = 0; i < pattern.countParts(); i++) {
                if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_NUMBER) {
                    return Optional.of("{" + PipedNames.name(pattern, i) + "} names no answer; write a question's code");
                }
            }
            new MessageFormat(PipedNames.dotted(text), ULocale.ROOT);
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of("the braces cannot be read: " + e.getMessage());
        }
    }

    /** The text with other codes, everything else as it was typed. A text that cannot be read stays as it is. */
    public static String renamed(String text, Map<String, String> codes) {
        if (codes(text).stream().noneMatch(codes::containsKey)) {
            return text;
        }
        MessagePattern pattern = PipedNames.pattern(text);
        StringBuilder renamed = new StringBuilder(text);
        for (int i = pattern.countParts() - 1; i >= 0; i--) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() == MessagePattern.Part.Type.ARG_NAME) {
                String code = PipedNames.code(PipedNames.name(pattern, i));
                renamed.replace(part.getIndex(), part.getIndex() + code.length(), codes.getOrDefault(code, code));
            }
        }
        return renamed.toString();
    }

    /** The text with another code for an option by which it chooses its words. A text that cannot be read stays as it is. */
    public static String renamedChoice(String text, String name, String from, String to) {
        if (!choices(text).getOrDefault(name, Set.of()).contains(from)) {
            return text;
        }
        MessagePattern pattern = PipedNames.pattern(text);
        StringBuilder renamed = new StringBuilder(text);
        Deque<Boolean> chosen = new ArrayDeque<>();
        List<MessagePattern.Part> found = new ArrayList<>();
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            switch (part.getType()) {
                case ARG_START -> chosen.push(part.getArgType() == MessagePattern.ArgType.SELECT
                        && PipedNames.name(pattern, i + 1).equals(name));
                case ARG_LIMIT -> chosen.pop();
                case ARG_SELECTOR -> {
                    if (chosen.peek() && pattern.getSubstring(part).equals(from)) {
                        found.add(part);
                    }
                }
                default -> {}
            }
        }
        found.reversed().forEach(part -> renamed.replace(part.getIndex(), part.getLimit(), to));
        return renamed.toString();
    }

    /** What stands in a text in place of an answer that is no longer asked for; no release goes out with it. */
    public static final String HOLE = "[…]";

    /** The text with a hole in place of whatever speaks of one of the codes. */
    public static String without(String text, Set<String> codes) {
        return without(text, codes, HOLE);
    }

    private static String without(String text, Set<String> codes, String instead) {
        return codes(text).stream().noneMatch(codes::contains)
                ? text
                : replaced(text, a -> codes.contains(PipedNames.code(a.name())) ? Optional.of(instead) : Optional.empty());
    }

    /** The text without its holes: the space before each goes with it. */
    public static String joined(String text) {
        return text.replace(" " + HOLE, "").replace(HOLE + " ", "").replace(HOLE, "").strip();
    }

    /** The text with other texts in place of bare codes; each is read as a part of it. A text that cannot be read stays as it is. */
    public static String putIn(String text, Function<String, Optional<String>> texts) {
        return names(text).isEmpty()
                ? text
                : replaced(text, a -> a.kind() == MessagePattern.ArgType.NONE ? texts.apply(a.name()) : Optional.empty());
    }

    /** What stands between braces: {@code {name, type, style}}. */
    record Argument(String name, MessagePattern.ArgType kind, String type, String style) {}

    /** The text with arguments replaced, the outer ones first; an argument that is left may hold others that are not. */
    static String replaced(String text, Function<Argument, Optional<String>> by) {
        MessagePattern pattern = PipedNames.pattern(text);
        StringBuilder whole = new StringBuilder();
        int done = 0;
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() != MessagePattern.Part.Type.ARG_START) {
                continue;
            }
            boolean simple = part.getArgType() == MessagePattern.ArgType.SIMPLE;
            String type = simple ? pattern.getSubstring(pattern.getPart(i + 2)) : "";
            boolean styled = simple && pattern.getPartType(i + 3) == MessagePattern.Part.Type.ARG_STYLE;
            Optional<String> words = by.apply(new Argument(PipedNames.name(pattern, i + 1), part.getArgType(), type,
                    styled ? pattern.getSubstring(pattern.getPart(i + 3)).strip() : ""));
            if (words.isPresent()) {
                whole.append(text, done, part.getIndex()).append(words.get());
                i = pattern.getLimitPartIndex(i);
                done = pattern.getPart(i).getLimit();
            }
        }
        return whole.append(text.substring(done)).toString();
    }

    /**
     * The text as one respondent reads it.
     *
     * @param values the value of a code, null for blank
     * @param words the value of a code in the respondent's words; called only where it is not blank
     */
    public static Filled fill(String text, Locale locale, Function<String, Object> values, Function<String, String> words) {
        String clean = PipedNames.asTyped(text).replace(String.valueOf(OPEN), "").replace(String.valueOf(CLOSE), "");
        if (clean.indexOf('{') < 0 || fault(clean).isPresent()) {
            return new Filled(clean, List.of());
        }
        List<String> given = new ArrayList<>();
        Map<String, Object> arguments = new HashMap<>();
        String marked = replaced(clean, a -> {
            Object value = values.apply(a.name());
            boolean bySelect = a.kind() == MessagePattern.ArgType.SELECT;
            if (value == null && !bySelect) {
                return Optional.of("");
            }
            if (a.kind() == MessagePattern.ArgType.NONE) {
                return Optional.of(mark(words.apply(a.name()), given));
            }
            if (a.kind() == MessagePattern.ArgType.SIMPLE) {
                return Optional.of(mark(formatted(a.type(), a.style(), value, locale), given));
            }
            // A number names its own arm of a select as well.
            arguments.put(PipedNames.dots(a.name()), bySelect && !(value instanceof Number) ? key(value) : number(value));
            return Optional.empty();
        });
        return new Filled(PipedNames.asTyped(new MessageFormat(PipedNames.dotted(marked), ULocale.forLocale(locale)).format(arguments)),
                given);
    }

    private static String mark(String words, List<String> given) {
        given.add(words);
        return OPEN + String.valueOf(given.size() - 1) + CLOSE;
    }

    private static String key(Object value) {
        return switch (value) {
            case null -> "blank";
            case Boolean b -> b ? "yes" : "no";
            default -> value.toString();
        };
    }

    private static Object number(Object value) {
        return switch (value) {
            case Number n -> n;
            case Collection<?> c -> c.size();
            default -> 0;
        };
    }

    private static String formatted(String type, String style, Object value, Locale locale) {
        if (value instanceof LocalDate day) {
            return date(style, DateFormat.SHORT, locale).format(Date.from(day.atStartOfDay(ZoneOffset.UTC).toInstant()));
        }
        if (value instanceof LocalTime time) {
            DateFormat format = DateFormat.getTimeInstance(DateFormat.SHORT, ULocale.forLocale(locale));
            format.setTimeZone(TimeZone.GMT_ZONE);
            return format.format(Date.from(time.atDate(LocalDate.EPOCH).toInstant(ZoneOffset.UTC)));
        }
        if (value instanceof Number n && type.equals("number")) {
            return new MessageFormat("{0,number" + (style.isEmpty() ? "" : "," + style) + "}", ULocale.forLocale(locale))
                    .format(new Object[]{n});
        }
        return value.toString();
    }

    private static DateFormat date(String style, int usual, Locale locale) {
        ULocale where = ULocale.forLocale(locale);
        DateFormat format = style.startsWith("::")
                ? DateFormat.getInstanceForSkeleton(style.substring(2).strip(), where)
                : DateFormat.getDateInstance(switch (style) {
                    case "full" -> DateFormat.FULL;
                    case "long" -> DateFormat.LONG;
                    case "medium" -> DateFormat.MEDIUM;
                    default -> usual;
                }, where);
        format.setTimeZone(TimeZone.GMT_ZONE);
        return format;
    }
}
