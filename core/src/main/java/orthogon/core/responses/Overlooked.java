package orthogon.core.responses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.responses.AnswerFigures.AnsweredGroup;
import orthogon.core.responses.KeptValue.ValueKind;

/**
 * What respondents overlook. Nothing is said of the questions in a roster.
 *
 * @param neverAsked questions and rosters that nobody was asked, in document order; empty where there is no response
 * @param unchosen options that nobody chose although somebody answered the question, those of the most answered questions first
 * @param leftOut questions that somebody was asked and did not answer, those with the greatest share first
 */
public record Overlooked(List<Item> neverAsked, List<UnchosenOption> unchosen, List<LeftOutQuestion> leftOut) {

    /** @param answered how many answered the question, 1 at least */
    public record UnchosenOption(String question, Option option, int answered) {}

    /** @param leftOut how many of {@code asked} did not answer it, 1 at least */
    public record LeftOutQuestion(Question question, int asked, int leftOut) {

        double share() {
            return (double) leftOut / asked;
        }
    }

    /** @param group with the texts of {@link AnswerFigures#counted} among its values */
    public static Overlooked of(Questionnaire document, AnsweredGroup group) {
        return new Overlooked(neverAsked(document, group), unchosen(document, group), leftOut(document, group));
    }

    private static List<Item> neverAsked(Questionnaire document, AnsweredGroup group) {
        return group.asked().isEmpty()
                ? List.of()
                : document.items().filter(i -> i instanceof Question q && !q.isHidden() || i instanceof Roster)
                        .filter(i -> document.rosterOf(i.code()).isEmpty() && !group.asked().containsKey(i.code())).toList();
    }

    private static List<UnchosenOption> unchosen(Questionnaire document, AnsweredGroup group) {
        List<UnchosenOption> unchosen = new ArrayList<>();
        document.questions().filter(q -> document.rosterOf(q.code()).isEmpty()).forEach(q -> {
            ValueKind kind = switch (q.answer().domain()) {
                case Domain.OneOf o -> ValueKind.TEXT;
                case Domain.Subset s -> ValueKind.ELEMENT;
                default -> null;
            };
            int answered = group.answered().getOrDefault(q.code(), 0);
            if (kind != null && answered > 0) {
                Set<String> chosen = group.of(q.code(), kind).stream().map(CountedValue::text).collect(Collectors.toSet());
                q.answer().options().stream().filter(o -> !chosen.contains(o.code()))
                        .forEach(o -> unchosen.add(new UnchosenOption(q.code(), o, answered)));
            }
        });
        unchosen.sort(Comparator.comparing(UnchosenOption::answered).reversed());
        return unchosen;
    }

    private static List<LeftOutQuestion> leftOut(Questionnaire document, AnsweredGroup group) {
        return document.questions().filter(q -> document.rosterOf(q.code()).isEmpty()).map(q -> {
            int asked = group.asked().getOrDefault(q.code(), 0);
            return new LeftOutQuestion(q, asked, asked - group.answered().getOrDefault(q.code(), 0));
        }).filter(l -> l.leftOut() > 0).sorted(Comparator.comparing(LeftOutQuestion::share).reversed()).toList();
    }
}
