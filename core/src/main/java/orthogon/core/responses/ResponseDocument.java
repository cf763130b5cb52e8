package orthogon.core.responses;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A questionnaire with what is known about each response as further questions on a last page, so that conditions over responses are read,
 * typed, checked and built like all others.
 *
 * @param document the questionnaire with that page
 * @param codes the name of each fact in conditions: its own, or {@code response_...} where an item of the questionnaire has that
 */
public record ResponseDocument(Questionnaire document, Map<ResponseFact, String> codes) {

    /** Code of the page that holds the facts. */
    private static final String PAGE = "the_response";
    private static final int LONGEST_RECEIPT = 32;

    public ResponseDocument {
        codes = Map.copyOf(codes);
    }

    /**
     * @param languages tags to names
     * @param states codes to labels
     * @param people names of accounts to names of persons
     */
    public static ResponseDocument of(Questionnaire answered, Map<String, String> languages, Map<String, String> states,
            Map<String, String> people) {
        Map<ResponseFact, Answer> answers = new EnumMap<>(ResponseFact.class);
        answers.put(ResponseFact.RECEIPT, new TextAnswer(false, null, LONGEST_RECEIPT));
        answers.put(ResponseFact.SENT, new DateAnswer(null, null));
        Map<String, String> outcomes = new LinkedHashMap<>();
        answered.outcomes().forEach(o -> outcomes.put(o.code(), o.label()));
        choice(outcomes).ifPresent(a -> answers.put(ResponseFact.OUTCOME, a));
        answers.put(ResponseFact.RELEASE, new NumberAnswer(BigDecimal.ONE, null, 0, ""));
        choice(languages).ifPresent(a -> answers.put(ResponseFact.LANGUAGE, a));
        choice(states).ifPresent(a -> answers.put(ResponseFact.STATE, a));
        choice(people).ifPresent(a -> answers.put(ResponseFact.IN_CHARGE, a));
        Map<ResponseFact, String> codes = new EnumMap<>(ResponseFact.class);
        List<Question> facts = new ArrayList<>();
        answers.forEach((fact, answer) -> {
            String code = isTaken(answered, fact.code()) ? "response_" + fact.code() : fact.code();
            codes.put(fact, code);
            facts.add(Question.of(code, fact.words(), answer));
        });
        List<Page> pages = new ArrayList<>(answered.pages());
        pages.add(Page.empty(isTaken(answered, PAGE) ? PAGE + "_itself" : PAGE, "The response").withItems(List.copyOf(facts)));
        return new ResponseDocument(answered.withPages(pages), codes);
    }

    private static boolean isTaken(Questionnaire document, String code) {
        return document.item(code).isPresent() || document.page(code).isPresent()
                || document.linkParameters().stream().anyMatch(p -> p.code().equals(code));
    }

    private static Optional<Answer> choice(Map<String, String> options) {
        return options.isEmpty()
                ? Optional.empty()
                : Optional.of(new OneChoice(options.entrySet().stream().map(o -> Option.of(o.getKey(), o.getValue())).toList(),
                        OptionLayout.PLAIN));
    }

    /** The fact that a name in a condition means; empty for answers. */
    public Optional<ResponseFact> fact(String code) {
        return codes.entrySet().stream().filter(c -> c.getValue().equals(code)).map(Map.Entry::getKey).findFirst();
    }
}
