package orthogon.core.proof.change;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.proof.claim.AllClaims;
import orthogon.core.proof.flow.JointClasses;
import orthogon.core.proof.flow.Passage;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;

/** One of two documents in lockstep: its pages, and what of its answers is known and still needed on each. */
final class Runner {

    /** Nothing forgotten. */
    final Passage all;
    final Space space;
    final Questionnaire document;
    /** Number of its pages. */
    final int end;
    /** Code of a question to the index of its page. */
    final Map<String, Integer> pageOf = new LinkedHashMap<>();
    final List<JointClasses> joint;
    private final Passage usual;
    /** Of the items that messages and own claims ask about, the asked bit to the index of the page. */
    private final Map<Integer, Integer> askedAbout = new LinkedHashMap<>();

    /**
     * @param others the asked bits that the other document needs
     * @param joint classes that are forgotten as a whole each
     */
    Runner(Space space, BitSet others, List<JointClasses> joint) {
        this.joint = joint;
        this.space = space;
        this.document = space.wiring().document();
        BitSet about = AllClaims.asked(space);
        BitSet asked = (BitSet) others.clone();
        asked.or(about);
        this.usual = new Passage(space, asked, new BitSet(), joint.stream().map(JointClasses::levels).toList());
        BitSet everything = new BitSet();
        usual.pages().forEach(p -> everything.or(p.levels()));
        everything.or(space.linkLevels());
        this.all = new Passage(space, asked, everything, List.of());
        this.end = all.pages().size();
        all.pages().forEach(p -> {
            p.questionCodes().forEach(code -> pageOf.putIfAbsent(code, p.index()));
            p.page().allItems().filter(i -> !(i instanceof Derived)).map(Item::code)
                    .filter(code -> !about.isEmpty() && about.get(space.askedLevel(code)))
                    .forEach(code -> askedAbout.put(space.askedLevel(code), p.index()));
        });
    }

    /** What is known at a page. */
    BitSet born(int page) {
        BitSet born = space.linkLevels();
        all.pages().subList(0, page).forEach(p -> born.or(p.levels()));
        return born;
    }

    /** What a state holds at a page: of what was asked before, what is still needed. */
    BitSet alive(int page) {
        BitSet alive = born(page);
        alive.and(usual.usedFrom(page));
        askedAbout.forEach((level, on) -> alive.set(level, alive.get(level) || on < page));
        return alive;
    }

    /** The bits of the pages from this one on. */
    BitSet unborn(int page) {
        BitSet unborn = new BitSet();
        all.pages().subList(page, end).forEach(p -> unborn.or(p.levels()));
        return unborn;
    }
}
