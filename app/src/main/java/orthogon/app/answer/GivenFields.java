package orthogon.app.answer;

import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.WrittenNumber;
import org.springframework.util.MultiValueMap;

/**
 * The fields of one question, as a posted page brings them.
 *
 * @param slot the name of the question's own field
 * @param locale in which numbers are written
 * @param before the value that the question has so far; null for none
 * @param sent the files that came with the page
 * @param records what lookups may take
 */
public record GivenFields(String slot, MultiValueMap<String, String> form, ULocale locale, Object before,
        Function<FileAnswer, List<Attachment>> sent, PageRecords records) {

    /** Most characters of one field. */
    public static final int LONGEST = 20_000;
    /** Stands between a slot and the part, row or place of a field; no code holds it. */
    public static final String PART = "~";

    /** The name of the field of a part. */
    public static String field(String slot, String part) {
        return slot + PART + part;
    }

    /** What was typed or chosen, without what is blank. */
    public List<String> values() {
        return filled(form.getOrDefault(slot, List.of()));
    }

    /** What was chosen in a row or a list of its own, without what is blank. */
    public List<String> values(String part) {
        return filled(form.getOrDefault(field(slot, part), List.of()));
    }

    private static List<String> filled(List<String> given) {
        return given.stream().map(s -> s == null ? "" : s.strip().replace("\r\n", "\n")).filter(s -> !s.isEmpty()).toList();
    }

    /** The value that was typed, read; null where nothing was. */
    public Object typed(Function<String, Object> read) {
        List<String> values = values();
        return values.isEmpty() ? null : read.apply(cut(values.getFirst(), LONGEST));
    }

    /** A date or a time, read by what throws {@code DateTimeException} where it is none. */
    public Object moment(Function<String, Object> read) {
        return typed(typed -> {
            try {
                return read.apply(typed);
            } catch (DateTimeException e) {
                return new Unreadable(typed);
            }
        });
    }

    /** A number as people write it in the language. */
    public Object number(Integer decimals) {
        return number(decimals, typed -> typed);
    }

    /**
     * A number as people write it in the language.
     *
     * @param bare takes away what is typed beside the number
     */
    public Object number(Integer decimals, UnaryOperator<String> bare) {
        return typed(typed -> {
            BigDecimal number = WrittenNumber.of(bare.apply(typed), locale, decimals).value();
            return number == null ? new Unreadable(typed) : number;
        });
    }

    /** The parts that are not blank; null where all are. */
    public Map<String, Object> parts(List<String> parts, int longest) {
        Map<String, Object> given = new LinkedHashMap<>();
        for (String part : parts) {
            String typed = form.getFirst(field(slot, part));
            if (typed != null && !typed.isBlank()) {
                given.put(part, cut(typed.strip(), longest));
            }
        }
        return given.isEmpty() ? null : given;
    }

    /** A text without what is beyond its longest. */
    public static String cut(String text, int most) {
        return text == null ? "" : text.length() > most ? text.substring(0, most) : text;
    }
}
