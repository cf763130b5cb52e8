package orthogon.app.compose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.edit.Edit;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** The whole questionnaire as ruled rows, and what decides what. */
final class Ledger {

    /**
     * One row.
     *
     * @param kind of vocabulary: {@code page question note section roster derived}, or {@code ending}, {@code presentation}
     * @param page code of the page it stands on; its own for a page, empty for those at the ends
     * @param folded of a page, how many rows are folded away; -1 where it is open
     * @param faulty whether an expression of it has a fault
     */
    record LedgerRow(String kind, String code, String page, int depth, String wording, String answer, String condition, int folded,
            boolean faulty) {

        /** The name of the row in the page's own tree. */
        public String id() {
            return "row-" + code;
        }

        boolean isQuestion() {
            return kind.equals("question");
        }
    }

    /** One thing decided by another: between two rows, with what it says. */
    record Decision(String from, String to, String says) {}

    private final Questionnaire document;
    private final Wiring wiring;
    private final Set<String> folded;
    private final List<LedgerRow> rows = new ArrayList<>();
    private final Set<String> faulty = new HashSet<>();
    private List<Decision> decisions;

    Ledger(Wiring wiring, Set<String> folded) {
        this.wiring = wiring;
        this.document = wiring.document();
        this.folded = folded;
        wiring.wires().stream().filter(w -> !w.faults().isEmpty()).forEach(w -> faulty.add(owner(w)));
        rows.add(new LedgerRow("presentation", Edit.PRESENTATION, "", 0, "Welcome, buttons, messages, theme",
                document.linkParameters().isEmpty()
                        ? ""
                        : document.linkParameters().size()
                                + (document.linkParameters().size() == 1 ? " link parameter" : " link parameters"),
                "", -1, false));
        for (Page page : document.pages()) {
            page(page);
        }
        rows.add(new LedgerRow("ending", Edit.ENDING, "", 0, "Outcomes",
                document.outcomes().size() + (document.outcomes().size() == 1 ? " outcome" : " outcomes"),
                document.outcomeTable().size() + (document.outcomeTable().size() == 1 ? " row, " : " rows, ") + document.claims().size()
                        + (document.claims().size() == 1 ? " own claim" : " own claims"),
                -1, faulty.contains(Edit.ENDING)));
        if (!document.dispatch().isEmpty()) {
            rows.add(new LedgerRow("ending", Edit.MESSAGES, "", 0, "Messages",
                    document.messages().size() + (document.messages().size() == 1 ? " message" : " messages"),
                    document.passages().size() + (document.passages().size() == 1 ? " passage" : " passages")
                            + (document.followUps().isEmpty()
                                    ? ""
                                    : ", " + document.followUps().size()
                                            + (document.followUps().size() == 1 ? " follow-up" : " follow-ups")),
                    -1,
                    faulty.contains(Edit.MESSAGES)));
        }
    }

    private void page(Page page) {
        List<String> rules = new ArrayList<>();
        if (!page.finish().isEmpty()) {
            rules.add(page.finish().size() + (page.finish().size() == 1 ? " finish" : " finishes"));
        }
        if (!page.skip().isEmpty()) {
            rules.add(page.skip().size() + (page.skip().size() == 1 ? " skip" : " skips"));
        }
        String open = phrase(page.code() + ".openWhen");
        boolean isFolded = folded.contains(page.code());
        rows.add(new LedgerRow("page", page.code(), page.code(), 0, page.title(), String.join(", ", rules),
                open.isEmpty() ? "" : "open when " + open, isFolded ? (int) page.allItems().count() : -1, faulty.contains(page.code())));
        if (!isFolded) {
            items(page.items(), page.code(), 0);
        }
    }

    private void items(List<Item> items, String page, int depth) {
        for (Item item : items) {
            rows.add(new LedgerRow(item.kind(), item.code(), page, depth, item.wording(), AnswerInShort.of(item),
                    phrase(item.code() + ".askWhen"), -1, faulty.contains(item.code())));
            if (item instanceof Group group) {
                items(group.items(), page, depth + 1);
            }
        }
    }

    private String phrase(String place) {
        return wiring.at(place).map(w -> w.readable().map(Phrase::of).orElse(w.text())).orElse("");
    }

    private static String owner(Wiring.Wire wire) {
        boolean ending = wire.family() == RuleFamily.OUTCOME_ROW || wire.family() == RuleFamily.CLAIM;
        boolean dispatch = wire.family().isOfDispatch();
        return ending ? Edit.ENDING : dispatch ? Edit.MESSAGES : wire.owner();
    }

    /** Whether every expression stands where and as it does in another ledger, so that the wiring is the same for the same rows. */
    boolean hasSameRules(Ledger other) {
        Iterator<Wiring.Wire> others = other.wiring.wires().iterator();
        for (Wiring.Wire wire : wiring.wires()) {
            Wiring.Wire there = others.hasNext() ? others.next() : null;
            if (there == null || !wire.place().equals(there.place()) || !wire.text().equals(there.text())
                    || !wire.owner().equals(there.owner())) {
                return false;
            }
        }
        return !others.hasNext();
    }

    List<LedgerRow> rows() {
        return rows;
    }

    Optional<LedgerRow> row(String code) {
        return rows.stream().filter(r -> r.code().equals(code)).findFirst();
    }

    /** What decides what, each pair of rows once; what is folded away is told of its page. */
    List<Decision> decisions() {
        if (decisions == null) {
            decisions = decided();
        }
        return decisions;
    }

    private List<Decision> decided() {
        Map<String, String> shownAs = new LinkedHashMap<>();
        rows.forEach(r -> shownAs.put(r.code(), r.code()));
        document.pages().stream().filter(p -> folded.contains(p.code()))
                .forEach(p -> p.allItems().forEach(i -> shownAs.put(i.code(), p.code())));
        Map<List<String>, List<String>> pairs = new LinkedHashMap<>();
        for (Wiring.Wire wire : wiring.wires()) {
            if (wire.family() == RuleFamily.CLAIM) {
                continue;
            }
            String to = shownAs.getOrDefault(owner(wire), owner(wire));
            String says = wire.family().words().toLowerCase(java.util.Locale.ROOT) + " "
                    + wire.readable().map(Phrase::of).orElse(wire.text());
            for (String name : wire.uses()) {
                String from = shownAs.get(name);
                if (from != null && !from.equals(to)) {
                    pairs.computeIfAbsent(List.of(from, to), p -> new ArrayList<>()).add(says);
                }
            }
        }
        List<Decision> decisions = new ArrayList<>();
        pairs.forEach((pair, says) -> decisions.add(new Decision(pair.get(0), pair.get(1),
                pair.get(0) + " decides " + pair.get(1) + ": " + String.join("; ", new LinkedHashSet<>(says)))));
        return decisions;
    }
}
