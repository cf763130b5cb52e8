package orthogon.bench;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * Generates questionnaires of any size: six questions a page, about 40 % of them conditional on one of the six before, a page in
 * eight governed by one of ten gates on the first two pages, a score over 9 to 20 questions every sixty, and about every tenth number
 * compared with another. The harder variants have forty gates, conditions on questions anywhere before, or nine in ten questions
 * conditional.
 */
public final class LargeDocument {

    private final Random random;
    private final List<Question> questions = new ArrayList<>();
    private final List<String> gates = new ArrayList<>();

    private LargeDocument(long seed) {
        random = new Random(seed);
    }

    /** How hard the generated questionnaire is. */
    public enum Variant {
        USUAL(10, 6, 40), GATES(40, 6, 40), LONG_RANGE(10, 400, 40), DENSE(10, 6, 90);

        private final int gates;
        private final int reach;
        private final int conditional;

        Variant(int gates, int reach, int conditional) {
            this.gates = gates;
            this.reach = reach;
            this.conditional = conditional;
        }
    }

    private Variant variant = Variant.USUAL;

    static Questionnaire of(int size, long seed) {
        return new LargeDocument(seed).document(size);
    }

    static Questionnaire of(int size, long seed, Variant variant) {
        LargeDocument document = new LargeDocument(seed);
        document.variant = variant;
        return document.document(size);
    }

    /** The same under another code, so that nothing known of it is used again. */
    static Questionnaire anew(Questionnaire document, String code) {
        return new Questionnaire(code, document.title(), document.sourceLanguage(), document.languages(), document.linkParameters(),
                document.pages(), document.outcomes(), document.outcomeTable(), document.claims(), document.translations());
    }

    /**
     * The same after an edit: a question that must be answered need not be, or the other way round.
     *
     * @param number of the edit; another one each time is on another page
     */
    static Questionnaire edited(Questionnaire before, int number) {
        List<Page> pages = new ArrayList<>(before.pages());
        int at = number * 7 % pages.size();
        List<Item> items = new ArrayList<>(pages.get(at).items());
        Optional<Item> question = items.stream().filter(Question.class::isInstance).findFirst();
        question.ifPresent(q -> items.set(items.indexOf(q),
                ((Question) q).withRequireWhen(((Question) q).requireWhen().isEmpty() ? "true" : "")));
        pages.set(at, pages.get(at).withItems(items));
        return before.withPages(pages);
    }

    private Questionnaire document(int size) {
        List<Page> pages = new ArrayList<>();
        List<String> scores = new ArrayList<>();
        while (questions.size() < size) {
            List<Item> items = new ArrayList<>();
            int page = pages.size();
            for (int i = 0; i < 6 && questions.size() < size; i++) {
                items.add(question(page));
                if (questions.size() % 60 == 0) {
                    String code = "score_" + questions.size();
                    List<String> parts = questions.subList(questions.size() - 9 - random.nextInt(12), questions.size()).stream()
                            .filter(q -> q.answer() instanceof OneChoice).map(q -> "score(" + q.code() + ")").toList();
                    if (!parts.isEmpty()) {
                        items.add(new Derived(code, String.join(" + ", parts)));
                        scores.add(code);
                    }
                }
            }
            String open = page > 2 && random.nextInt(8) == 0 ? gates.get(random.nextInt(gates.size())) : "";
            pages.add(new Page("page_" + page, "Page " + page, "", open, items, List.of(), List.of()));
        }
        List<Questionnaire.OutcomeRow> rows = new ArrayList<>();
        scores.stream().limit(1).forEach(s -> rows.add(new Questionnaire.OutcomeRow(s + " >= 9", "high")));
        rows.add(new Questionnaire.OutcomeRow("", "low"));
        List<Questionnaire.Outcome> outcomes = scores.isEmpty()
                ? List.of(new Questionnaire.Outcome("low", "Low", ""))
                : List.of(new Questionnaire.Outcome("high", "High", ""), new Questionnaire.Outcome("low", "Low", ""));
        return Questionnaire.blank("large", "Large").withPages(pages).withEnding(outcomes, rows);
    }

    private Question question(int page) {
        int n = questions.size();
        Answer answer = switch (random.nextInt(4)) {
            case 0 -> new YesNoAnswer();
            case 1 -> new NumberAnswer(BigDecimal.ZERO, new BigDecimal(120), 0, "");
            default -> {
                List<Option> options = new ArrayList<>();
                for (int i = 0; i < 3 + random.nextInt(3); i++) {
                    options.add(new Option("o" + i, "Option " + i, new BigDecimal(i), false, ""));
                }
                yield new OneChoice(options, false);
            }
        };
        Question question = Question.of("q" + n, "Question " + n, answer);
        if (random.nextInt(2) == 0) {
            question = question.withRequireWhen("true");
        }
        if (n > 12 && random.nextInt(100) < variant.conditional) {
            question = question.withAskWhen(about(questions.get(n - 1 - random.nextInt(Math.min(n, variant.reach)))));
        }
        if (answer instanceof NumberAnswer && random.nextInt(10) == 0) {
            String code = question.code();
            Optional<Question> before = questions.subList(Math.max(0, n - 12), n).stream()
                    .filter(q -> q.answer() instanceof NumberAnswer).findFirst();
            question = before.isEmpty()
                    ? question
                    : question.withAccept(List.of(new Question.Accept(code + " <= " + before.get().code(), "Not more than before.")));
        }
        if (page < (variant.gates + 4) / 5 && gates.size() < variant.gates) {
            gates.add(about(question));
        }
        questions.add(question);
        return question;
    }

    private String about(Question q) {
        return switch (q.answer()) {
            case YesNoAnswer y -> q.code() + " = true";
            case NumberAnswer n -> q.code() + " >= " + (1 + random.nextInt(100));
            default -> q.code() + " = \"o" + random.nextInt(3) + "\"";
        };
    }
}
