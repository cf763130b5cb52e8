package orthogon.app.compose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** The whole questionnaire as ruled rows, and the wires from what decides to what is decided. */
final class Ledger {

    static final int ROW = 28;
    static final int BAND = 31;
    static final int GUTTER = 112;

    /**
     * One row.
     *
     * @param kind {@code page question note section derived ending}
     * @param y top edge, in pixels below the ledger's head
     */
    record Row(String kind, String code, int number, int depth, String wording, String answer, String condition, String sign,
            String signWords,
            boolean selected, int y, int height) {}

    /** One decider's wire: a path, the path to what nobody ever reaches, arrowheads, and what it says. */
    record Wire(String from, String path, String neverPath, List<String> arrows, String says, boolean selected, String dotX, String dotY) {}

    private final Questionnaire document;
    private final Wiring wiring;
    private final Optional<Proof> proof;
    private final String selected;
    private final List<Row> rows = new ArrayList<>();
    private int y;
    private int number;

    Ledger(Wiring wiring, Optional<Proof> proof, String selected) {
        this.wiring = wiring;
        this.document = wiring.document();
        this.proof = proof;
        this.selected = selected;
        for (Page page : document.pages()) {
            String rules = page.finish().isEmpty() && page.skip().isEmpty()
                    ? ""
                    : (page.finish().isEmpty()
                            ? ""
                            : page.finish().size()
                                    + (page.finish().size() == 1 ? " finish" : " finishes"))
                            + (page.finish().isEmpty() || page.skip().isEmpty() ? "" : ", ")
                            + (page.skip().isEmpty() ? "" : page.skip().size() + (page.skip().size() == 1 ? " skip" : " skips"));
            String open = phrase(page.code() + ".openWhen");
            add("page", page.code(), 0, page.title(), rules, open.isEmpty() ? "" : "open when " + open, BAND);
            items(page.items(), 0);
        }
        add("ending", "ending", 0, "Outcomes", document.outcomes().size() + " outcomes", document.outcomeTable().size() + " rows, "
                + document.claims().size() + (document.claims().size() == 1 ? " own claim" : " own claims"), BAND);
    }

    private void items(List<Item> items, int depth) {
        for (Item item : items) {
            String kind = switch (item) {
                case Question q -> "question";
                case Note n -> "note";
                case Section s -> "section";
                case Derived d -> "derived";
            };
            String wording = item.wording();
            add(kind, item.code(), depth, wording, answer(item), phrase(item.code() + ".askWhen"), ROW);
            if (item instanceof Section section) {
                items(section.items(), depth + 1);
            }
        }
    }

    private void add(String kind, String code, int depth, String wording, String answer, String condition, int height) {
        Sign sign = sign(kind, code);
        rows.add(new Row(kind, code, kind.equals("question") ? ++number : 0, depth, wording, answer, condition, sign.name(), sign.words(),
                code.equals(selected), y, height));
        y += height;
    }

    private String phrase(String place) {
        return wiring.at(place).map(w -> w.readable().map(Phrase::of).orElse(w.text())).orElse("");
    }

    private record Sign(String name, String words) {}

    private Sign sign(String kind, String code) {
        if (proof.isEmpty()) {
            return new Sign("unchecked", "not yet checked");
        }
        List<Claim> here = claimsAt(proof.get(), kind, code);
        long refuted = here.stream().filter(c -> c.verdict() == Verdict.REFUTED).count();
        long undecided = here.stream().filter(c -> c.verdict() == Verdict.UNDECIDED).count();
        return refuted > 0
                ? new Sign("refuted", refuted + " refuted")
                : undecided > 0
                        ? new Sign("undecided", undecided + " undecided")
                        : new Sign("proved", here.size() + " proved");
    }

    /** The claims about an item, page or the ending. */
    static List<Claim> claimsAt(Proof proof, String kind, String code) {
        if (kind.equals("ending")) {
            Set<String> ending = new HashSet<>(Set.of(proof.document().code()));
            proof.document().outcomes().forEach(o -> ending.add(o.code()));
            proof.document().claims().forEach(c -> ending.add(c.code()));
            return proof.claims().stream().filter(c -> c.place().startsWith("outcomeTable/") || c.place().startsWith("claims/")
                    || ending.contains(c.place()) && Set.of("reach-outcome", "own", "one-outcome").contains(c.kind())).toList();
        }
        return proof.claims().stream().filter(c -> c.place().equals(code) && !c.kind().equals("own") && !c.kind().equals("reach-outcome")
                || c.place().startsWith(code + ".") || c.place().startsWith(code + "/")).toList();
    }

    /** The answer in a few words. */
    static String answer(Item item) {
        return switch (item) {
            case Note n -> "note";
            case Section s -> "section of " + s.items().size();
            case Derived d -> "derived";
            case Question q -> switch (q.answer()) {
                case Answer.Text t -> (t.isLong() ? "long text" : "text") + (t.most() != null ? " ≤ " + t.most() : "");
                case Answer.Numeric n -> number(n);
                case Answer.YesNo yn -> "yes / no";
                case Answer.OneChoice c -> "one of " + c.options().size() + (c.dropDown() ? ", list" : "");
                case Answer.ManyChoices c -> "many of " + c.options().size() + (c.most() != null ? ", ≤ " + c.most() : "");
                case Answer.DateAnswer d when d.earliest() != null && d.latest() != null -> d.earliest() + " … " + d.latest();
                case Answer.DateAnswer d -> "date" + (d.earliest() != null ? " ≥ " + d.earliest() : "")
                        + (d.latest() != null
                                ? " ≤ " + d.latest()
                                : "");
            };
        };
    }

    private static String number(Answer.Numeric n) {
        String unit = n.unit().isEmpty() ? "" : " " + n.unit();
        if (n.least() != null && n.most() != null) {
            return n.least().toPlainString() + "–" + n.most().toPlainString() + unit;
        }
        return "number" + (n.least() != null ? " ≥ " + n.least().toPlainString() : "")
                + (n.most() != null
                        ? " ≤ " + n.most().toPlainString()
                        : "")
                + unit;
    }

    List<Row> rows() {
        return rows;
    }

    int height() {
        return y;
    }

    /** Row code to the codes of the rows that it decides, in document order. */
    Map<String, Set<String>> decides() {
        Map<String, Set<String>> decides = new LinkedHashMap<>();
        Set<String> known = new HashSet<>();
        rows.forEach(r -> known.add(r.code()));
        for (Wiring.Wire wire : wiring.wires()) {
            boolean ending = wire.family() == Wiring.Family.OUTCOME_ROW || wire.family() == Wiring.Family.CLAIM;
            String to = ending ? "ending" : wire.owner();
            for (String name : wire.readable().map(e -> e.references()).orElse(Set.of())) {
                boolean claim = wire.family() == Wiring.Family.CLAIM;
                if (!claim && known.contains(name) && !name.equals(to)) {
                    decides.computeIfAbsent(name, n -> new LinkedHashSet<>()).add(to);
                }
            }
        }
        return decides;
    }

    private record Span(String from, int top, int bottom) {}

    /** Wires in lanes: short ones near the rows, and none upon another. */
    List<Wire> wires() {
        Map<String, Row> byCode = new HashMap<>();
        rows.forEach(r -> byCode.putIfAbsent(r.code(), r));
        Map<String, Set<String>> decides = decides();
        Map<String, List<String>> arriving = new HashMap<>();
        decides.forEach((from, targets) -> targets.forEach(to -> arriving.computeIfAbsent(to, t -> new ArrayList<>()).add(from)));
        List<Span> spans = new ArrayList<>();
        decides.forEach((from, targets) -> {
            int top = byCode.get(from).y();
            int bottom = top;
            for (String to : targets) {
                top = Math.min(top, byCode.get(to).y());
                bottom = Math.max(bottom, byCode.get(to).y());
            }
            spans.add(new Span(from, top, bottom));
        });
        spans.sort(java.util.Comparator.comparingInt((Span s) -> s.bottom() - s.top()).thenComparingInt(Span::top));
        List<List<Span>> lanes = new ArrayList<>();
        Map<String, Integer> laneOf = new HashMap<>();
        for (Span span : spans) {
            int lane = 0;
            while (lane < lanes.size() && lanes.get(lane).stream().anyMatch(s -> s.top() <= span.bottom() && span.top() <= s.bottom())) {
                lane++;
            }
            if (lane == lanes.size()) {
                lanes.add(new ArrayList<>());
            }
            lanes.get(lane).add(span);
            laneOf.put(span.from(), lane);
        }
        double gap = Math.min(11, (GUTTER - 26.0) / Math.max(1, lanes.size()));
        List<Wire> wires = new ArrayList<>();
        for (Span span : spans) {
            wires.add(wire(span.from(), GUTTER - 16 - laneOf.get(span.from()) * gap, decides.get(span.from()), byCode, arriving));
        }
        wires.sort(java.util.Comparator.comparing(Wire::selected));
        return wires;
    }

    private Wire wire(String from, double x, Set<String> targets, Map<String, Row> byCode, Map<String, List<String>> arriving) {
        Row source = byCode.get(from);
        double sourceY = source.y() + source.height() - 6;
        double top = sourceY;
        double bottom = sourceY;
        StringBuilder path = new StringBuilder();
        List<String> arrows = new ArrayList<>();
        boolean touched = source.selected();
        StringBuilder never = new StringBuilder();
        List<String> says = new ArrayList<>();
        for (String to : targets) {
            Row target = byCode.get(to);
            List<String> all = arriving.get(to);
            double entry = target.y() + 1 + (target.height() - 9.0) * (all.indexOf(from) + 1) / (all.size() + 1);
            (isNever(to) ? never : path).append(" M ").append(round(x)).append(' ').append(round(entry)).append(" H ").append(GUTTER - 3);
            arrows.add("M " + (GUTTER - 7) + " " + round(entry - 3) + " L " + (GUTTER - 2) + " " + round(entry) + " L " + (GUTTER - 7) + " "
                    + round(entry + 3));
            top = Math.min(top, entry);
            bottom = Math.max(bottom, entry);
            touched |= target.selected();
            says.add(target.code() + (target.condition().isEmpty() ? "" : ": " + target.condition()));
        }
        path.insert(0, "M " + (GUTTER - 3) + " " + round(sourceY) + " H " + round(x) + " M " + round(x) + " " + round(top) + " V "
                + round(bottom));
        return new Wire(from, path.toString(), never.toString(), arrows, from + " decides " + String.join("; ", says), touched,
                String.valueOf(GUTTER - 6), round(sourceY - 2.5));
    }

    private boolean isNever(String code) {
        return proof.stream().flatMap(p -> p.claims().stream()).anyMatch(c -> c.place().equals(code) && c.verdict() == Verdict.REFUTED
                && Set.of("reach-page", "reach-question", "reach-note", "reach-section").contains(c.kind()));
    }

    private static String round(double value) {
        return String.valueOf(Math.round(value * 2) / 2.0);
    }
}
