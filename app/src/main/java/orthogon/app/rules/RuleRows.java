package orthogon.app.rules;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.edit.Edit;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** Every distinct condition of a document with all that it governs. */
final class RuleRows {

    /**
     * One thing that a condition governs.
     *
     * @param at the row of the ledger, the message or the passage that it belongs to
     * @param what it does there, where the family alone does not say
     */
    record Governed(String place, RuleFamily family, String at, String what) {

        public String words() {
            return family.words();
        }

        /** The sheet on which it stands. */
        public String sheet() {
            return family.isOfDispatch() ? "dispatch" : "compose";
        }
    }

    /** @param key the condition in its usual spelling; conditions that differ in spelling alone are one */
    record RuleRow(String key, String phrase, String fault, Set<String> uses, List<Governed> governs) {

        /** What is listed of all that it governs. */
        public List<Governed> listed() {
            return governs.subList(0, Math.min(MOST_GOVERNED, governs.size()));
        }

        /** How much it governs that is not listed. */
        public int more() {
            return governs.size() - listed().size();
        }
    }

    /** A true/false derived value, with how many conditions use it. */
    record Named(String code, String phrase, int used) {}

    /** One row of the outcome table: what it says of each input, and what speaks of several. */
    record RuleDecision(int number, List<String> cells, String also, String outcome, String place) {}

    /** Most that is listed of what one condition governs. */
    private static final int MOST_GOVERNED = 200;

    private final Wiring wiring;
    private final Questionnaire document;

    RuleRows(Wiring wiring) {
        this.wiring = wiring;
        this.document = wiring.document();
    }

    List<RuleRow> all() {
        Map<String, List<Wiring.Wire>> byText = new LinkedHashMap<>();
        for (Wiring.Wire wire : wiring.wires()) {
            if (wire.family().isCondition() && wire.family() != RuleFamily.CLAIM && wire.family() != RuleFamily.EVERY_RECORD) {
                byText.computeIfAbsent(key(wire), k -> new ArrayList<>()).add(wire);
            }
        }
        List<RuleRow> rows = new ArrayList<>();
        byText.forEach((key, wires) -> {
            Wiring.Wire first = wires.getFirst();
            rows.add(new RuleRow(key, key.equals("true") ? "always" : first.readable().map(Phrase::of).orElse(first.text()),
                    first.faults().isEmpty() ? "" : first.faults().getFirst().withPlace(), first.uses(),
                    wires.stream().map(this::governed).toList()));
        });
        // What always holds says least, so it stands last.
        rows.sort(java.util.Comparator.comparing(r -> r.key().equals("true")));
        return rows;
    }

    static String key(Wiring.Wire wire) {
        return wire.readable().map(Printer::print).orElse(wire.text());
    }

    private Governed governed(Wiring.Wire wire) {
        boolean ending = wire.family() == RuleFamily.OUTCOME_ROW;
        String what = switch (wire.family()) {
            case OFFER_WHEN -> wire.at().owner() instanceof Place.Part option ? "option " + option.code() : "records";
            case ASK_WHEN -> wire.at().owner() instanceof Place.Part row ? "row " + row.code() : "";
            case SKIP -> "to " + page(wire).skip().get(wire.at().number()).to();
            case FINISH -> "as " + page(wire).finish().get(wire.at().number()).outcome();
            case INCLUDE_WHEN -> "wording " + (wire.at().number() + 1);
            case OUTCOME_ROW -> "row " + (wire.at().number() + 1) + ": " + wire.owner();
            default -> "";
        };
        return new Governed(wire.place(), wire.family(), ending ? Edit.ENDING : wire.owner(), what);
    }

    private Page page(Wiring.Wire wire) {
        return document.page(wire.owner()).orElseThrow();
    }

    List<Named> named() {
        return document.items()
                .filter(i -> i instanceof Derived && wiring.type(i.code()).map(t -> t.kind() == Type.TypeKind.TRUTH).orElse(false))
                .map(d -> new Named(d.code(), wiring.at(d.code() + ".derive").flatMap(Wiring.Wire::readable).map(Phrase::of).orElse(""),
                        (int) wiring.wires().stream().filter(w -> w.uses().contains(d.code())).count()))
                .toList();
    }

    /** What the rows of the outcome table speak of, one column each. */
    List<String> inputs() {
        Set<String> inputs = new LinkedHashSet<>();
        rowParts().forEach(parts -> parts.stream().filter(p -> p.references().size() == 1).forEach(p -> inputs.addAll(p.references())));
        return List.copyOf(inputs);
    }

    private List<List<Expr>> rowParts() {
        List<List<Expr>> all = new ArrayList<>();
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            all.add(wiring.at("outcomeTable/" + i).flatMap(Wiring.Wire::readable)
                    .map(e -> e instanceof Expr.And and ? and.parts() : List.of(e)).orElse(List.of()));
        }
        return all;
    }

    List<RuleDecision> decisions() {
        List<String> inputs = inputs();
        List<List<Expr>> rows = rowParts();
        List<RuleDecision> decisions = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            List<String> cells = new ArrayList<>();
            for (String input : inputs) {
                cells.add(String.join(" and ", rows.get(i).stream().filter(p -> p.references().equals(Set.of(input)))
                        .map(p -> Phrase.of(p).replaceFirst("^" + input + " ", "")).map(p -> p.equals(input) ? "yes" : p).toList()));
            }
            String also = String.join(" and ", rows.get(i).stream().filter(p -> p.references().size() != 1).map(Phrase::of).toList());
            decisions.add(new RuleDecision(i + 1, cells, also, document.outcomeTable().get(i).outcome(), "outcomeTable/" + i));
        }
        return decisions;
    }
}
