package orthogon.formats.answer;

import java.util.List;
import java.util.Map;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.language.OwnWords;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;
import tools.jackson.databind.JsonNode;

/**
 * How answers of one kind, or of a few that share their settings, stand in files.
 *
 * @param <A> the record of the settings
 */
public interface AnswerFormat<A extends Answer> {

    /** The kinds that it knows. */
    List<AnswerKind> kinds();

    /** Reads the settings, all members before it throws {@link orthogon.core.answer.AnswerFault} where they cannot be. */
    A read(AnswerKind kind, ReadObject json);

    /** Writes the settings, the type apart. */
    void write(A answer, WrittenObject json);

    /** A JSON Schema of its values. */
    default Map<String, Object> schema(A answer) {
        return ValueSchema.of(answer.domain());
    }

    /**
     * The value that a JSON value stands for; {@link orthogon.core.interview.Unreadable} where it is of another type.
     *
     * @throws java.time.DateTimeException where a date or a time cannot be
     */
    default Object value(A answer, JsonNode json) {
        return JsonValues.of(answer.domain(), json);
    }

    /** The parts that are columns of their own; empty where the value is one column. */
    default List<AnswerColumn> columns(A answer) {
        return List.of();
    }

    /** The unit that its values are given in; empty for none. */
    default String unit(A answer) {
        return "";
    }

    /** How it is filled in on paper. */
    List<PaperBlock> paper(A answer, OwnWords words);
}
