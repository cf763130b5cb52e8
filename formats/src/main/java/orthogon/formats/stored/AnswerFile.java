package orthogon.formats.stored;

import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.interview.Unreadable;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.answer.kinds.AnswerFormats;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.json.UnusableFile.FileFault;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Answers of one respondent as JSON, {@code {"group": "bird", "count": 2}}, and the account of their interview. */
public final class AnswerFile {

    static final JsonMapper MAPPER = JsonMapper.builder().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS).build();

    private AnswerFile() {}

    /** @throws UnusableFile where a value is not of its question's type, or there is no such question */
    public static Map<String, Object> read(Questionnaire document, String text) throws UnusableFile {
        JsonNode node;
        try {
            node = MAPPER.readTree(text);
        } catch (JacksonException e) {
            throw new UnusableFile(List.of(new FileFault("", "this is not JSON: " + e.getOriginalMessage())));
        }
        if (node == null || !node.isObject()) {
            throw new UnusableFile(List.of(new FileFault("", "answers are one JSON object, from question code to value")));
        }
        List<FileFault> faults = new ArrayList<>();
        Map<String, Object> answers = new LinkedHashMap<>();
        for (String code : node.propertyNames()) {
            JsonNode value = node.get(code);
            boolean link = document.arriving().stream().anyMatch(p -> p.code().equals(code));
            Question question = Slots.question(document, code).filter(q -> Slots.isOther(code) || q.code().equals(code)).orElse(null);
            if (document.item(code).orElse(null) instanceof Roster roster) {
                answers.put(code, entries(roster, value, "/" + code, faults));
            } else if (question == null && !link) {
                faults.add(new FileFault("/" + code, "there is no question or link parameter with this code"));
            } else if (!value.isNull()) {
                Object read = link
                        ? value.isString() ? value.asString() : new Unreadable(value.toString())
                        : Slots.isOther(code) ? value.asString() : AnswerFormats.value(question.answer(), value);
                if (read instanceof Unreadable) {
                    faults.add(
                            new FileFault("/" + code, "this value does not fit " + (link ? "a link parameter" : question.answer().type())));
                } else {
                    answers.put(code, read);
                }
            }
        }
        if (!faults.isEmpty()) {
            throw new UnusableFile(faults);
        }
        return answers;
    }

    private static List<Map<String, Object>> entries(Roster roster, JsonNode value, String pointer, List<FileFault> faults) {
        List<Map<String, Object>> entries = new ArrayList<>();
        if (!value.isArray()) {
            faults.add(new FileFault(pointer, "the answers of a roster are a list of entries, each an object"));
            return entries;
        }
        for (JsonNode node : value) {
            Map<String, Object> entry = new LinkedHashMap<>();
            String at = pointer + "/" + entries.size();
            for (String code : node.propertyNames()) {
                Optional<Question> question = roster.withInner().filter(i -> i instanceof Question && i.code().equals(code))
                        .map(Question.class::cast).findFirst();
                Object read = question.isEmpty()
                        ? null
                        : node.get(code).isNull() ? null : AnswerFormats.value(question.get().answer(), node.get(code));
                if (question.isEmpty() || read instanceof Unreadable) {
                    faults.add(new FileFault(at + "/" + code, question.isEmpty()
                            ? "there is no such question in the roster " + roster.code()
                            : "this value does not fit " + question.get().answer().type()));
                } else {
                    entry.put(code, read);
                }
            }
            entries.add(entry);
        }
        return entries;
    }

    /** Pages visited with the questions asked on them, messages of the page that holds the respondent back, and the outcome. */
    public static String account(Wiring wiring, LocalDate today, Map<String, Object> answers) {
        Interview interview = Replay.of(wiring, today, answers, "");
        Course course = interview.course();
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", 1);
        json.put("questionnaire", wiring.document().code());
        json.put("asOf", today.toString());
        json.put("pages", course.pages().stream().map(p -> {
            Map<String, Object> page = new LinkedHashMap<>();
            page.put("page", p.page().code());
            page.put("asked", p.shown().stream().filter(s -> s.question().isPresent()).map(Course.ShownItem::slot).toList());
            return page;
        }).toList());
        json.put("messages", course.current().map(p -> p.problems().stream().map(m -> {
            Map<String, Object> message = new LinkedHashMap<>();
            message.put("question", m.slot());
            message.put("message", m.message());
            return message;
        }).toList()).orElse(List.of()));
        json.put("complete", course.complete());
        json.put("outcome", course.outcome().orElse(null));
        json.put("answers", JsonAnswers.of(interview.submission()));
        return MAPPER.writeValueAsString(json);
    }
}
