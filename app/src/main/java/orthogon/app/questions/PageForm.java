package orthogon.app.questions;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.interview.Course;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;
import org.springframework.util.MultiValueMap;

/** Reads a posted page into answers. What cannot be read, or is not on offer, is kept as typed and refused by the interview. */
public final class PageForm {

    private static final int LONGEST = 20_000;

    private PageForm() {}

    /** Answers to the questions that the posted page showed; blank ones as null. */
    public static Map<String, Object> answers(Course.PageView page, MultiValueMap<String, String> form) {
        Set<String> displayed = new HashSet<>(form.getOrDefault("shown", List.of()));
        Map<String, Object> answers = new LinkedHashMap<>();
        for (Question question : page.page().questions().toList()) {
            if (displayed.contains(question.code()) || form.containsKey(question.code())) {
                List<Answer.Option> offered = page.shown(question.code()).map(Course.Shown::offered).orElse(question.answer().options());
                answers.put(question.code(), value(question.answer(), offered, form.getOrDefault(question.code(), List.of())));
            }
        }
        return answers;
    }

    private static Object value(Answer answer, List<Answer.Option> offered, List<String> given) {
        List<String> filled = given.stream().map(s -> s == null ? "" : s.strip().replace("\r\n", "\n")).filter(s -> !s.isEmpty()).toList();
        if (filled.isEmpty()) {
            return null;
        }
        String first = filled.getFirst().length() > LONGEST ? filled.getFirst().substring(0, LONGEST) : filled.getFirst();
        Set<String> codes = new HashSet<>();
        offered.forEach(o -> codes.add(o.code()));
        return switch (answer) {
            case Answer.Text t -> first;
            case Answer.YesNo y -> first.equals("yes") ? Boolean.TRUE : first.equals("no") ? Boolean.FALSE : new Unreadable(first);
            case Answer.OneChoice c -> codes.contains(first) ? first : new Unreadable(first);
            case Answer.ManyChoices c -> codes.containsAll(filled)
                    ? List.copyOf(new java.util.LinkedHashSet<>(filled))
                    : new Unreadable(String.join(", ", filled));
            case Answer.Numeric n -> number(first);
            case Answer.DateAnswer d -> date(first);
        };
    }

    private static Object number(String typed) {
        String plain = typed.replace(",", ".").replaceAll("[\\s\\u00a0\\u202f]", "");
        boolean fits = plain.matches("[+-]?\\d{1,20}(\\.\\d{0,15})?|[+-]?\\.\\d{1,15}");
        return fits ? new BigDecimal(plain) : new Unreadable(typed);
    }

    private static Object date(String typed) {
        try {
            return LocalDate.parse(typed);
        } catch (DateTimeException e) {
            return new Unreadable(typed);
        }
    }
}
