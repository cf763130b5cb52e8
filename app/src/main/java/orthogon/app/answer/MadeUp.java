package orthogon.app.answer;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.Option;

/**
 * How a value is made up by chance. Names are invented; numbers and addresses are of the ranges that are reserved for examples.
 *
 * @param offered options on offer
 * @param rows rows of a grid that are asked
 * @param texts texts to choose from; empty where any will do
 * @param oftenYes how many in a hundred say yes
 * @param records some of those that a lookup may take
 */
public record MadeUp(List<Option> offered, List<String> rows, boolean required, LocalDate today, Random random, List<String> texts,
        int oftenYes, Function<LookupAnswer, List<Map<String, Object>>> records) {

    private static final List<String> GIVEN = List.of("Wenna", "Orrin", "Maud", "Pelham", "Ida", "Tobin", "Sorrel", "Anwen");
    private static final List<String> FAMILY = List.of("Tregle", "Salt", "Haskell", "Rook", "Fenwright", "Marl", "Alder", "Brook");

    public <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    public String givenName() {
        return pick(GIVEN);
    }

    public String familyName() {
        return pick(FAMILY);
    }

    /** The code of an option on offer; null where there is none. */
    public String option() {
        return offered.isEmpty() ? null : pick(offered).code();
    }
}
