package orthogon.core.language;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A translation that comes from a file.
 *
 * @param unit as {@link Units} names it
 * @param source text that it was made of
 * @param state {@code draft} or {@code reviewed}
 * @param was {@link #digest} of the translation that stood here when the file was made; empty where the file does not say
 */
public record Incoming(String language, String unit, String source, String text, String state, String was) {

    /** What taking it would do. */
    public enum IncomingKind {
        /** It stands here already. */
        SAME,
        /** Nothing stands here yet. */
        ADDED,
        /** It takes the place of the text that the file was made with. */
        CHANGED,
        /** Somebody wrote another text here after the file was made. */
        NEWER_HERE,
        /** It was made of a source text that has changed since. */
        SOURCE_CHANGED,
        /** It lacks something that it must keep; it cannot be taken. */
        DAMAGED,
        /** There is no such text or language. */
        UNKNOWN,
        /** The file holds no text. */
        EMPTY;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /**
     * One of them, looked at.
     *
     * @param now text that stands here; empty where none does
     * @param because more about it, for people; may be empty
     */
    public record Judged(Incoming incoming, IncomingKind kind, String now, String because) {

        /** Taken where nobody says otherwise. */
        public boolean isTaken() {
            return kind == IncomingKind.ADDED || kind == IncomingKind.CHANGED;
        }

        /** Whether it may be taken at all. */
        public boolean mayBeTaken() {
            return isTaken() || kind == IncomingKind.NEWER_HERE || kind == IncomingKind.SOURCE_CHANGED;
        }
    }

    /** A short name of a text, to find out later whether it still stands; twelve hexadecimal digits of SHA-256. */
    public static String digest(String text) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, 12);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** What each of them would do to the document. */
    public static List<Judged> judge(Questionnaire document, List<Incoming> all) {
        Map<String, Map<String, Units.Unit>> units = new HashMap<>();
        document.languages().stream().filter(l -> !l.equals(document.sourceLanguage())).forEach(l -> units.put(l,
                Units.in(document, l).stream().collect(Collectors.toMap(Units.Unit::unit, Function.identity()))));
        return all.stream().map(i -> judge(units.get(i.language()), i)).toList();
    }

    /** @param units the texts of its language by their names; null where the document is not translated into it */
    private static Judged judge(Map<String, Units.Unit> units, Incoming in) {
        if (units == null) {
            return new Judged(in, IncomingKind.UNKNOWN, "", "the questionnaire is not translated into “" + in.language() + "”");
        }
        Units.Unit unit = units.get(in.unit());
        if (unit == null) {
            return new Judged(in, IncomingKind.UNKNOWN, "", "there is no such text");
        }
        if (in.text().isBlank()) {
            return new Judged(in, IncomingKind.EMPTY, unit.text(), "");
        }
        if (unit.text().equals(in.text().strip()) && (unit.state() == Units.TextState.STALE || unit.state().word().equals(in.state()))) {
            return new Judged(in, IncomingKind.SAME, unit.text(), "");
        }
        List<String> faults = Marks.faults(in.source().isEmpty() ? unit.source() : in.source(), in.text(), in.language());
        if (!faults.isEmpty()) {
            return new Judged(in, IncomingKind.DAMAGED, unit.text(), String.join("; ", faults));
        }
        if (!in.was().isEmpty() && !in.was().equals(digest(unit.text())) && !unit.text().equals(in.text().strip())) {
            return new Judged(in, IncomingKind.NEWER_HERE, unit.text(), "somebody wrote another text here after the file was made");
        }
        if (!in.source().isEmpty() && !in.source().equals(unit.source())) {
            return new Judged(in, IncomingKind.SOURCE_CHANGED, unit.text(),
                    "the source now reads “" + unit.source() + "”; if you import it, it is out of date at once");
        }
        return new Judged(in, unit.text().isEmpty() ? IncomingKind.ADDED : IncomingKind.CHANGED, unit.text(), "");
    }
}
