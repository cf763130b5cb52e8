package orthogon.app.answer;

import java.util.List;
import java.util.Map;
import orthogon.core.answer.Option;
import orthogon.core.interview.Course;
import orthogon.core.language.OwnWords;

/**
 * A question that is shown to a respondent, with the words in which it is.
 *
 * @param seed of the order of shuffled options; the same for one respondent always
 * @param records what lookups may take
 */
public record ShownAnswer(Course.ShownItem item, ControlTexts texts, long seed, PageRecords records) {

    public Object value() {
        return item.value();
    }

    public String slot() {
        return item.slot();
    }

    public OwnWords words() {
        return texts.ownWords();
    }

    /** The name of a field for a part, a row or a place. */
    public String field(String part) {
        return GivenFields.field(slot(), part);
    }

    /** The part of a value that is there; empty where it is not. */
    public String part(String part) {
        return value() instanceof Map<?, ?> parts && parts.get(part) instanceof String text ? text : "";
    }

    public OfferedChoice choice(String value, String label, boolean chosen) {
        return new OfferedChoice(value, texts.plain(label, item), texts.inline(label, item), chosen, false, "");
    }

    public OfferedChoice choice(Option option, Object value) {
        boolean chosen = value instanceof List<?> l ? l.contains(option.code()) : option.code().equals(value);
        return new OfferedChoice(option.code(), texts.plain(option.label(), item), texts.inline(option.label(), item), chosen,
                option.other(), option.picture());
    }

    /** The options on offer, with those that are chosen. */
    public List<OfferedChoice> choices() {
        return choices(item.offered());
    }

    public List<OfferedChoice> choices(List<Option> options) {
        return options.stream().map(o -> choice(o, value())).toList();
    }
}
