package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.plain.TextGaps;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Item;

/** Computes how long each bit must be remembered: until the last page on which something mentions it. */
final class Memory {

    private final Space space;
    private final Diagrams d;
    private final Rules rules;
    private final List<PageSets> pages;
    private final TextSets texts;
    private final int end;
    private int[] lastUse = new int[256];
    private final BitSet used = new BitSet();
    /** The bits known before each page: those of the link at 0, all up to page p at p + 1. */
    private final List<BitSet> knownBy = new ArrayList<>();
    /** The bits that something on a page or later mentions; the last for what comes after all pages. */
    private final List<BitSet> usedFrom = new ArrayList<>();

    Memory(Space space, Rules rules, List<PageSets> pages, TextSets texts) {
        this.space = space;
        this.d = space.diagrams();
        this.rules = rules;
        this.pages = pages;
        this.texts = texts;
        this.end = pages.size();
        uses();
    }

    /** These bits are never forgotten. */
    void keep(BitSet levels) {
        used(levels, Integer.MAX_VALUE);
    }

    /** These bits are forgotten together, with the last of them. */
    void together(BitSet levels) {
        levels.stream().filter(used::get).map(l -> lastUse[l]).max().ifPresent(last -> used(levels, last));
    }

    /** The bits that something on the page or later mentions. */
    BitSet usedFrom(int page) {
        return usedFrom.get(page);
    }

    boolean isUsedFrom(int level, int target) {
        return usedFrom.get(target).get(level);
    }

    private void used(int set, int at) {
        used(d.support(set), at);
    }

    private void used(BitSet levels, int at) {
        if (levels.length() > lastUse.length) {
            lastUse = Arrays.copyOf(lastUse, Math.max(levels.length(), 2 * lastUse.length));
        }
        for (int l = levels.nextSetBit(0); l >= 0; l = levels.nextSetBit(l + 1)) {
            lastUse[l] = used.get(l) ? Math.max(lastUse[l], at) : at;
            used.set(l);
        }
    }

    private void uses() {
        Map<String, Integer> pageOf = new HashMap<>();
        List<List<String>> places = new ArrayList<>();
        for (PageSets sets : pages) {
            pageOf.putIfAbsent(sets.page().code(), sets.index());
            sets.page().allItems().map(Item::code).forEach(owner -> pageOf.putIfAbsent(owner, sets.index()));
            places.add(new ArrayList<>());
        }
        for (Wiring.Wire wire : space.wiring().wires()) {
            if (wire.family() == RuleFamily.OUTCOME_ROW && isWhole()) {
                used(rules.at(wire.place(), true), end);
                space.comparisonTruths(wire.place()).forEach(t -> used(t, end));
            } else if (wire.family() == RuleFamily.START_WITH && pageOf.containsKey(wire.owner())) {
                space.startValues(wire.place()).ifPresent(v -> v.values().forEach(set -> used(set, pageOf.get(wire.owner()))));
            } else if (wire.family().isCondition() && pageOf.containsKey(wire.owner())) {
                places.get(pageOf.get(wire.owner())).add(wire.place());
            }
        }
        pages.forEach(sets -> used(sets.mentioned(places.get(sets.index())), sets.index()));
        if (isWhole()) {
            usesAtEnd();
        }
    }

    private boolean isWhole() {
        return pages.size() == space.wiring().document().pages().size();
    }

    private void usesAtEnd() {
        usesOfTexts();
        for (DispatchMessage message : space.wiring().document().messages()) {
            space.expr(message.code() + ".sendWhen").ifPresent(e -> mentionedAxes(e).forEach(axis -> used(axis.levels(), end)));
            message.answers().stream().map(space::axis).filter(a -> a != null).forEach(axis -> used(axis.blank(), end));
        }
        for (Wiring.Wire wire : space.wiring().wires()) {
            if (wire.family() == RuleFamily.INCLUDE_WHEN) {
                space.expr(wire.place()).ifPresent(e -> mentionedAxes(e).forEach(axis -> used(axis.levels(), end)));
            }
        }
        TextGaps.partsNamingPassages(space.plainForm()).forEach(part -> space.wiring().unfolded(part)
                .ifPresent(e -> mentionedAxes(e).forEach(axis -> used(axis.levels(), end))));
        for (int i = 0; i < space.wiring().document().claims().size(); i++) {
            // The outcome itself is settled at the end, so any two disjoint sets may stand for it here.
            space.expr("claims/" + i).ifPresent(e -> mentionedAxes(e).forEach(axis -> used(axis.levels(), end)));
        }
    }

    private void used(Truth truth, int at) {
        used(truth.holds(), at);
        used(truth.fails(), at);
    }

    /** Remembers blank answers until the last page on which a text depends on them. */
    private void usesOfTexts() {
        for (TextGaps.TextGap gap : space.gaps()) {
            TextSets.Met met = texts.of(gap.unit());
            gap.blank().flatMap(space::truthOf).ifPresent(blank -> {
                int at = met.page() == TextSets.AT_END || met.page() == TextSets.IN_DISPATCH ? end : Math.max(met.page(), 0);
                used(blank.holds(), at);
                used(met.set(), at);
            });
        }
    }

    private List<Axis> mentionedAxes(Expr e) {
        return e.references().stream().map(space::axis).filter(a -> a != null).toList();
    }

    /** The bits known on a page and before it that nothing from the target on mentions. */
    BitSet forgotten(int from, int target) {
        BitSet forgotten = (BitSet) knownBy.get(from + 1).clone();
        forgotten.andNot(usedFrom.get(target));
        return forgotten;
    }

    /**
     * Whether those who leave a page for another forget and keep the same as in a document before an edit.
     *
     * @param between bits of the pages that they go past
     */
    boolean forgetsAs(Memory before, int from, int target, BitSet between) {
        BitSet used = (BitSet) usedFrom.get(target).clone();
        used.xor(before.usedFrom.get(target));
        return !used.intersects(between) && forgotten(from, target).equals(before.forgotten(from, target));
    }

    /** Works out from all that was noted what is known and used where; nothing may be noted afterwards. */
    void settle() {
        BitSet known = space.linkLevels();
        // Bits that stand for no answer, such as those of a fault, are settled once and for all.
        used.stream().forEach(known::set);
        pages.forEach(p -> known.andNot(p.levels()));
        knownBy.add((BitSet) known.clone());
        for (PageSets sets : pages) {
            known.or(sets.levels());
            knownBy.add((BitSet) known.clone());
        }
        for (int p = 0; p <= pages.size(); p++) {
            usedFrom.add(new BitSet());
        }
        used.stream().forEach(l -> usedFrom.get(Math.min(lastUse[l], pages.size())).set(l));
        for (int p = pages.size() - 1; p >= 0; p--) {
            usedFrom.get(p).or(usedFrom.get(p + 1));
        }
    }
}
