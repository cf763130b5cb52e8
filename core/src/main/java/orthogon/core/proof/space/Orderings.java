package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.proof.message.Message;
import java.util.ArrayList;
import java.util.List;

/** Lists every way to rank options, where they are few enough. */
final class Orderings {

    private Orderings() {}

    static List<Object> representatives(Domain.Orders ranking, List<Expr> features) throws Inexact {
        List<String> codes = ranking.codes();
        if (features.stream().allMatch(TextPartition::isBlankness)) {
            return ranking.places() < 1 ? List.of() : List.of(codes.subList(0, ranking.places()));
        }
        long ways = 1;
        for (int i = 0; i < ranking.places(); i++) {
            ways *= codes.size() - i;
            if (ways > LinePartition.LISTED) {
                throw new Inexact(Message.of("inexact.rankings").text("most", String.valueOf(LinePartition.LISTED)));
            }
        }
        List<Object> all = new ArrayList<>();
        extend(codes, ranking.places(), new ArrayList<>(), all);
        return all;
    }

    private static void extend(List<String> codes, int places, List<String> ranked, List<Object> into) {
        if (ranked.size() == places) {
            into.add(List.copyOf(ranked));
            return;
        }
        for (String code : codes) {
            if (!ranked.contains(code)) {
                ranked.add(code);
                extend(codes, places, ranked, into);
                ranked.removeLast();
            }
        }
    }
}
