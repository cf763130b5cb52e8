package orthogon.app.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.TypedAnswers;
import orthogon.formats.stored.AnswerReader;

/** Reads the kept answers of responses to one release, in the order of its questionnaire. */
final class AnswersOfRelease {

    private final AnswerReader reader;
    private final TypedAnswers typed;
    private final List<String> order;

    AnswersOfRelease(Questionnaire document) {
        reader = new AnswerReader(document);
        typed = new TypedAnswers(document);
        order = Stream.concat(document.linkParameters().stream().map(Questionnaire.LinkParameter::code),
                document.items().flatMap(i -> Stream.of(i.code(), Slots.other(i.code())))).toList();
    }

    /** @param json one object for each answer */
    Map<String, Object> read(List<String> json) {
        Map<String, Object> read = new LinkedHashMap<>();
        json.forEach(answer -> read.putAll(reader.read(answer)));
        Map<String, Object> given = typed.of(read);
        Map<String, Object> ordered = new LinkedHashMap<>();
        order.stream().filter(given::containsKey).forEach(code -> ordered.put(code, given.get(code)));
        return ordered;
    }
}
