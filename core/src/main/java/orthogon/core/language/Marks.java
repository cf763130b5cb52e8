package orthogon.core.language;

import com.ibm.icu.text.MessagePattern;
import com.ibm.icu.text.PluralRules;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a translation must keep as it is: places of answers, choices by an answer, links and markup. And whether it does.
 */
public final class Marks {

    private static final Pattern LINK = Pattern.compile("\\]\\(([^)\\s]*+)[^)]*+\\)|<((?:https?|mailto|tel):[^>]*)>");
    private static final Pattern EMPHASIS = Pattern.compile("\\*\\*|__|(?<![\\w*])\\*(?=\\S)|(?<=\\S)\\*(?![\\w*])|`");
    private static final Pattern LINE = Pattern.compile("(?m)^ {0,3}(#{1,6}|[-*+]|\\d+[.)]|>) ");

    private Marks() {}

    /**
     * A part of a text that is no words.
     *
     * @param kind of what it is
     * @param shown as the translator reads it: {@code {species}}, {@code https://example.org}
     */
    public record Mark(MarkKind kind, String shown) {}

    /** What a mark stands for. */
    public enum MarkKind {
        ANSWER, SELECT, PLURAL, LINK, MARKUP
    }

    /** Every mark of a text, in reading order, each once; none but links and markup where the braces cannot be read. */
    public static List<Mark> of(String text) {
        Set<Mark> marks = new LinkedHashSet<>();
        if (!Piping.names(text).isEmpty()) {
            MessagePattern pattern = PipedNames.pattern(text);
            for (int i = 0; i < pattern.countParts(); i++) {
                MessagePattern.Part part = pattern.getPart(i);
                if (part.getType() == MessagePattern.Part.Type.ARG_START) {
                    marks.add(argument(pattern, i, text));
                }
            }
        }
        links(text).forEach(l -> marks.add(new Mark(MarkKind.LINK, l)));
        markup(text).forEach(m -> marks.add(new Mark(MarkKind.MARKUP, m)));
        return List.copyOf(marks);
    }

    private static Mark argument(MessagePattern pattern, int at, String text) {
        String name = PipedNames.name(pattern, at + 1);
        MessagePattern.ArgType kind = pattern.getPart(at).getArgType();
        return switch (kind) {
            case SELECT -> new Mark(MarkKind.SELECT, "{" + name + ", select: " + String.join(", ", keys(pattern, at)) + "}");
            case PLURAL, SELECTORDINAL ->
                new Mark(MarkKind.PLURAL, "{" + name + ", " + kind.name().toLowerCase(java.util.Locale.ROOT) + "}");
            default -> new Mark(MarkKind.ANSWER,
                    text.substring(pattern.getPart(at).getIndex(), pattern.getPart(pattern.getLimitPartIndex(at)).getLimit())
                            .replaceAll("\\s+", " "));
        };
    }

    private static Set<String> keys(MessagePattern pattern, int at) {
        Set<String> keys = new TreeSet<>();
        for (int k = at + 2; k < pattern.getLimitPartIndex(at); k++) {
            if (pattern.getPartType(k) == MessagePattern.Part.Type.ARG_SELECTOR) {
                keys.add(pattern.getSubstring(pattern.getPart(k)));
            } else if (pattern.getPartType(k) == MessagePattern.Part.Type.MSG_START) {
                k = pattern.getLimitPartIndex(k);
            }
        }
        return keys;
    }

    private static Set<String> links(String text) {
        Set<String> links = new TreeSet<>();
        Matcher link = LINK.matcher(text);
        while (link.find()) {
            links.add(link.group(1) == null ? link.group(2) : link.group(1));
        }
        return links;
    }

    /** Kinds of markup that are used, not how often: a translation may emphasise two words for one. */
    private static Set<String> markup(String text) {
        Set<String> kinds = new TreeSet<>();
        Matcher emphasis = EMPHASIS.matcher(text);
        while (emphasis.find()) {
            kinds.add(emphasis.group().replace("__", "**"));
        }
        Matcher line = LINE.matcher(text);
        while (line.find()) {
            String mark = line.group(1);
            kinds.add(Character.isDigit(mark.charAt(0)) ? "1." : mark.replaceAll("[*+]", "-"));
        }
        return kinds;
    }

    /**
     * A part of a text as translators are given it.
     *
     * @param fixed whether it stands for something and must stay: the place of an answer, the address of a link
     */
    public record Piece(String text, boolean fixed) {}

    /** The text in pieces, in order; together they are the text. What chooses between words stays with the words. */
    public static List<Piece> pieces(String text) {
        BitSet fixed = new BitSet();
        if (!Piping.names(text).isEmpty()) {
            MessagePattern pattern = PipedNames.pattern(text);
            for (int i = 0; i < pattern.countParts(); i++) {
                MessagePattern.Part part = pattern.getPart(i);
                if (part.getType() == MessagePattern.Part.Type.ARG_START
                        && (part.getArgType() == MessagePattern.ArgType.NONE || part.getArgType() == MessagePattern.ArgType.SIMPLE)) {
                    fixed.set(part.getIndex(), pattern.getPart(pattern.getLimitPartIndex(i)).getLimit());
                }
            }
        }
        Matcher link = LINK.matcher(text);
        while (link.find()) {
            fixed.set(link.start(), link.end());
        }
        List<Piece> pieces = new ArrayList<>();
        for (int from = 0; from < text.length();) {
            boolean is = fixed.get(from);
            int to = is ? fixed.nextClearBit(from) : fixed.nextSetBit(from);
            to = to < 0 || to > text.length() ? text.length() : to;
            pieces.add(new Piece(text.substring(from, to), is));
            from = to;
        }
        return pieces;
    }

    /**
     * What is read in one case of a text that chooses its words.
     *
     * @param when the case: name and key of every choice around, as in {@code count: few}
     */
    public record Arm(String when, String text) {}

    /** Every case of a text, in reading order; none where it does not choose, or cannot be read. */
    public static List<Arm> arms(String text) {
        List<Arm> arms = new ArrayList<>();
        if (!Piping.names(text).isEmpty()) {
            arms(PipedNames.pattern(text), 0, "", text, arms);
        }
        return arms;
    }

    private static void arms(MessagePattern pattern, int message, String when, String text, List<Arm> arms) {
        for (int i = message + 1; i < pattern.getLimitPartIndex(message); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() != MessagePattern.Part.Type.ARG_START) {
                continue;
            }
            boolean chooses = part.getArgType() == MessagePattern.ArgType.SELECT || part.getArgType().hasPluralStyle();
            String name = PipedNames.name(pattern, i + 1);
            int end = pattern.getLimitPartIndex(i);
            for (int k = i + 2; chooses && k < end; k++) {
                if (pattern.getPartType(k) == MessagePattern.Part.Type.ARG_SELECTOR) {
                    String here = (when.isEmpty() ? "" : when + ", ") + name + ": " + pattern.getSubstring(pattern.getPart(k));
                    int start = k + 1;
                    while (pattern.getPartType(start) != MessagePattern.Part.Type.MSG_START) {
                        start++;
                    }
                    int before = arms.size();
                    arms(pattern, start, here, text, arms);
                    if (arms.size() == before) {
                        arms.add(new Arm(here, text.substring(pattern.getPart(start).getLimit(),
                                pattern.getPart(pattern.getLimitPartIndex(start)).getIndex())));
                    }
                    k = pattern.getLimitPartIndex(start);
                }
            }
            i = end;
        }
    }

    /** The forms that a language has for whole numbers (CLDR), as ICU MessageFormat names them; {@code other} stands last. */
    public static List<String> pluralForms(String language) {
        PluralRules rules = PluralRules.forLocale(OwnWords.locale(language));
        List<String> order = List.of("zero", "one", "two", "few", "many", "other");
        return order.stream().filter(rules.getKeywords()::contains).filter(k -> k.equals("other") || meetsWhole(rules, k)).toList();
    }

    /** Whether some whole number up to a million takes the form; a form for compact notation alone is not asked for. */
    private static boolean meetsWhole(PluralRules rules, String keyword) {
        for (int n = 0; n <= 200; n++) {
            if (rules.select(n).equals(keyword)) {
                return true;
            }
        }
        return false;
    }

    /** Plural forms that the text lacks in a language, as {@code count: few}. Numbers such as {@code =1} may stand beside the forms. */
    public static List<String> missingForms(String text, String language) {
        List<String> missing = new ArrayList<>();
        if (Piping.names(text).isEmpty()) {
            return missing;
        }
        MessagePattern pattern = PipedNames.pattern(text);
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() == MessagePattern.Part.Type.ARG_START && part.getArgType() == MessagePattern.ArgType.PLURAL) {
                String name = PipedNames.name(pattern, i + 1);
                Set<String> keys = keys(pattern, i);
                pluralForms(language).stream().filter(f -> !keys.contains(f)).forEach(f -> missing.add(name + ": " + f));
            }
        }
        return missing;
    }

    /**
     * What a translation does not keep of its source, or adds to it, each in a sentence; none where it is as it should be.
     *
     * @param language of the translation
     */
    public static List<String> faults(String source, String translation, String language) {
        JudgedText judged = new JudgedText(source, translation, language);
        List<String> known = JUDGED.get(judged);
        if (known == null) {
            known = List.copyOf(judge(source, translation, language));
            JUDGED.put(judged, known);
        }
        return known;
    }

    private record JudgedText(String source, String text, String language) {}

    private static final int MOST_JUDGED = 20_000;
    /** Translations are judged for every claim and sheet; what was judged once is known. */
    private static final Map<JudgedText, List<String>> JUDGED = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<JudgedText, List<String>> eldest) {
            return size() > MOST_JUDGED;
        }
    });

    private static List<String> judge(String source, String translation, String language) {
        List<String> faults = new ArrayList<>();
        if (Piping.fault(translation).isPresent()) {
            return List.of(Piping.fault(translation).get());
        }
        List<Mark> wanted = of(source);
        List<Mark> there = of(translation);
        wanted.stream().filter(m -> !there.contains(m)).forEach(m -> faults.add(m.shown() + " is missing"));
        there.stream().filter(m -> !wanted.contains(m)).forEach(m -> faults.add(m.shown() + " is not in the source"));
        missingForms(translation, language).forEach(f -> faults.add("the plural form " + f + " is missing"));
        if (halves(source).isEmpty()) {
            faults.addAll(halves(translation));
        }
        return faults;
    }

    /** Markup that stands in pairs and does not, in each case by itself. */
    private static List<String> halves(String text) {
        List<String> halves = new ArrayList<>();
        List<Arm> cases = arms(text);
        for (Arm one : cases.isEmpty() ? List.of(new Arm("", text)) : cases) {
            for (String pair : List.of("**", "`")) {
                if ((one.text().replace("__", "**").split(Pattern.quote(pair), -1).length - 1) % 2 == 1) {
                    halves.add((one.when().isEmpty() ? "" : one.when() + ": ") + "one " + pair + " has no “other” form");
                }
            }
        }
        return halves;
    }
}
