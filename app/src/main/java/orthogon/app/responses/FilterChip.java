package orthogon.app.responses;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Printer;
import orthogon.core.responses.ResponseFilter;

/**
 * One of the conditions that a filter joins by {@code and}.
 *
 * @param words how it reads
 * @param without the filter without it
 */
record FilterChip(String words, String without) {

    static List<FilterChip> of(ResponseFilter filter) {
        if (filter.condition().isEmpty()) {
            return List.of();
        }
        List<Expr> parts = filter.condition().get() instanceof Expr.And and ? and.parts() : List.of(filter.condition().get());
        List<FilterChip> chips = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            List<Expr> rest = new ArrayList<>(parts);
            rest.remove(i);
            chips.add(new FilterChip(Phrase.of(parts.get(i)), rest.isEmpty()
                    ? ""
                    : Printer.print(rest.size() == 1 ? rest.getFirst() : new Expr.And(rest, Expr.Span.NONE))));
        }
        return chips;
    }
}
