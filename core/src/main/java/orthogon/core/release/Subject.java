package orthogon.core.release;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.language.Texts;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** Reads what stands at a claim's place. A waiver lapses once that reads otherwise. */
public final class Subject {

    private Subject() {}

    /**
     * Whether the place of a claim reads the same in two revisions.
     *
     * @param kind of the claim
     * @param place of the claim, as in the proof report
     */
    public static boolean isSame(ClaimKind kind, String place, Questionnaire one, Questionnaire other) {
        return Objects.equals(of(kind, place, one), of(kind, place, other));
    }

    private static Object of(ClaimKind kind, String place, Questionnaire document) {
        return switch (kind.at(place)) {
            case Place.InLanguage t -> Arrays.asList(Texts.all(document).get(t.of().text()),
                    document.translations().getOrDefault(t.language(), Map.of()).get(t.of().text()));
            case Place.Mention m -> text(m.in().text(), document);
            case Place.Text t when kind == ClaimKind.TEXT_WHOLE -> text(place, document);
            case Place.Own own -> document.claims().stream().filter(c -> c.code().equals(own.code())).findFirst();
            case Place at when at.isOf(RuleFamily.OUTCOME_ROW) -> document.outcomeTable();
            case Place.Row row when kind == ClaimKind.PAGE_PASSABLE -> document.page(row.code());
            case Place.Row row when kind == ClaimKind.REACH_OUTCOME -> List.of(document.outcome(row.code()), document.outcomeTable());
            case Place.Row row when kind == ClaimKind.LOOKUP_DISCLOSES -> disclosed(row.code(), document);
            case Place at -> row(at.row(), document).orElse(document);
        };
    }

    /** Which answers of which questionnaire a lookup shows. */
    private static Optional<Object> disclosed(String code, Questionnaire document) {
        return document.question(code).map(Question::answer)
                .map(a -> a instanceof LookupAnswer l
                        ? List.of(l.questionnaire(), l.shows().stream().map(RecordAnswer::code).toList())
                        : a);
    }

    private static Optional<Object> text(String unit, Questionnaire document) {
        return Optional.ofNullable(Texts.all(document).get(unit));
    }

    /** An item or page, without what it holds. */
    private static Optional<Object> row(String code, Questionnaire document) {
        Optional<Page> page = document.page(code);
        Optional<Item> item = document.item(code);
        return page.isPresent()
                ? page.map(p -> p.withItems(List.of()))
                : item.map(i -> i instanceof Group g ? g.withItems(List.of()) : i);
    }
}
