package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow.Exit;
import orthogon.core.proof.flow.Flow.ExitKind;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** How those who come to a page of a document leave it: one page at a time, whoever comes. */
public final class Passage {

    private final Space space;
    private final Diagrams d;
    private final Questionnaire document;
    private final Rules rules;
    private final TextSets texts;
    private final Memory memory;
    private final BitSet asked;
    /** Indexes of the pages that have the same sets as in the previous revision. */
    private final BitSet known = new BitSet();
    /** The questions of the route whose respondents are followed; null for all respondents. */
    private final Set<String> route;
    private final List<PageSets> pages = new ArrayList<>();
    private Optional<Unknown> lostAt = Optional.empty();

    /**
     * @param free places of conditions that are set free
     * @param asked levels of the asked bits that are part of a state
     * @param keep levels of bits never to be forgotten
     * @param route what is asked of those who are looked at; null for everybody
     * @param together what is to be forgotten together
     */
    Passage(Space space, Set<String> free, BitSet asked, BitSet keep, Set<String> route, List<BitSet> together) {
        this(space, free, asked, keep, route, together, space.wiring().document().pages().size(), null);
    }

    /** Through the first pages alone. */
    static Passage through(int pages, Space space, Set<String> free) {
        return new Passage(space, free, new BitSet(), new BitSet(), null, List.of(), pages, null);
    }

    /** Everybody's passage through a document that came of this one's by an edit; this is everybody's, too. */
    Passage after(Space edited, BitSet askedThere, BitSet keep) {
        boolean alike = asked.equals(askedThere) && codes(document).equals(codes(edited.wiring().document()));
        return new Passage(edited, Set.of(), askedThere, keep, null, List.of(), edited.wiring().document().pages().size(),
                alike ? this : null);
    }

    private Passage(Space space, Set<String> free, BitSet asked, BitSet keep, Set<String> route, List<BitSet> together, int end,
            Passage before) {
        this.space = space;
        this.asked = asked;
        this.route = route;
        this.d = space.diagrams();
        this.document = space.wiring().document();
        this.rules = new Rules(space, free);
        for (int p = 0; p < end; p++) {
            Optional<PageSets> same = same(before, p);
            known.set(p, same.isPresent());
            pages.add(same.isPresent()
                    ? new PageSets(same.get(), space, rules)
                    : new PageSets(document.pages().get(p), p, space, rules, asked));
        }
        this.texts = new TextSets(space, rules, pages);
        this.memory = new Memory(space, rules, pages, texts);
        memory.keep(keep);
        together.forEach(memory::together);
        memory.settle();
    }

    /**
     * @param asked levels of the asked bits that are part of a state; kept no longer than anything else
     * @param keep levels of bits never to be forgotten
     * @param together what is to be forgotten together
     */
    public Passage(Space space, BitSet asked, BitSet keep, List<BitSet> together) {
        this(space, Set.of(), asked, keep, null, together);
    }

    /** The sets of a page of the previous revision, where they hold of this one as well. */
    private Optional<PageSets> same(Passage before, int p) {
        return before == null
                ? Optional.empty()
                : Optional.of(before.pages.get(p)).filter(sets -> sets.page().equals(document.pages().get(p)))
                        .filter(sets -> space.saysTheSameOn(sets.page()));
    }

    /** Whether those who come to a page with the same states leave it in the same ways as in the document before an edit. */
    boolean leavesAs(Passage before, int page, List<Exit> exits) {
        return known.get(page) && exits.stream()
                .allMatch(e -> memory.forgetsAs(before.memory, page, e.target(), between(page, e.target())));
    }

    public Space space() {
        return space;
    }

    public List<PageSets> pages() {
        return pages;
    }

    TextSets texts() {
        return texts;
    }

    Rules rules() {
        return rules;
    }

    Set<String> route() {
        return route;
    }

    Optional<Unknown> lostAt() {
        return lostAt;
    }

    /** Link values before the first page. */
    public int start() {
        int start = Diagrams.ALL;
        for (var parameter : document.arriving()) {
            start = d.and(start, space.axis(parameter.code()).domain());
        }
        return start;
    }

    /** How those leave a page who come to it with a state of the set. */
    public List<Exit> exits(PageSets sets, int coming) {
        List<Exit> exits = new ArrayList<>();
        int p = sets.index();
        int along = along(sets);
        int rest = d.and(coming, d.and(along, sets.accepted()));
        Page page = sets.page();
        for (int i = 0; i < page.finish().size(); i++) {
            String place = page.code() + "/finish/" + i;
            int holds = sets.ruleHolds(place);
            exits.add(exit(p, ExitKind.FINISH, pages.size(), place, past(p, pages.size(), d.and(rest, holds))));
            rest = d.minus(rest, holds);
        }
        for (int i = 0; i < page.skip().size(); i++) {
            String place = page.code() + "/skip/" + i;
            int target = target(page.skip().get(i).to());
            int holds = sets.ruleHolds(place);
            if (target <= p) {
                if (!d.disjoint(rest, holds) && lostAt.isEmpty()) {
                    lostAt = Optional
                            .of(new Unknown.Unsound(target < 0 ? Fault.SoundClaim.REFERENCE_EXISTS : Fault.SoundClaim.LOOKS_AHEAD, place));
                }
                continue;
            }
            exits.add(exit(p, ExitKind.SKIP, target, place, past(p, target, d.and(rest, holds))));
            rest = d.minus(rest, holds);
        }
        exits.add(exit(p, ExitKind.ONWARD, p + 1, "", rest));
        exits.add(exit(p, ExitKind.PASSED_BY, p + 1, "", d.and(coming, d.and(along, sets.passedBy()))));
        return exits;
    }

    /** Where what is asked on the page is what the route asks there. */
    private int along(PageSets sets) {
        int set = Diagrams.ALL;
        if (route != null) {
            for (String item : onRoutes(sets)) {
                set = route.contains(item) ? d.and(set, sets.shown(item)) : d.minus(set, sets.shown(item));
            }
        }
        return set;
    }

    private List<String> onRoutes(PageSets sets) {
        return sets.page().allItems().map(Item::code).filter(space.plainForm()::isOnRoutes).filter(sets::isShown).toList();
    }

    /** The states that go past pages: none where the followed route asks something there. */
    private int past(int from, int target, int set) {
        boolean asks = route != null
                && pages.subList(from + 1, target).stream().anyMatch(p -> onRoutes(p).stream().anyMatch(route::contains));
        return asks ? Diagrams.NONE : set;
    }

    /** The states, as far as they are remembered, of respondents who leave a page with a state of the set. */
    int onward(Exit exit, int set) {
        return exit(exit.from(), exit.kind(), exit.target(), exit.place(), set).remembered();
    }

    private Exit exit(int from, ExitKind kind, int target, String place, int set) {
        BitSet forgotten = memory.forgotten(from, target);
        forgotten.and(d.support(set));
        return new Exit(from, kind, target, place, set, onArrival(from, target, d.exists(set, d.cube(forgotten))));
    }

    /** The bits known on a page and before it that nothing from the target on mentions. */
    public BitSet forgotten(int from, int target) {
        return memory.forgotten(from, target);
    }

    /** The bits of the pages that are gone past. */
    public BitSet between(int from, int target) {
        BitSet between = new BitSet();
        pages.subList(from + 1, target).forEach(p -> between.or(p.levels()));
        return between;
    }

    /** The states in which all of these bits are zero: nothing was answered. */
    public int untouched(BitSet levels) {
        int set = Diagrams.ALL;
        for (int l = levels.length() - 1; l >= 0; l--) {
            set = levels.get(l) ? d.minus(set, d.bit(l)) : set;
        }
        return set;
    }

    /** The pages in between are untouched. */
    private int onArrival(int from, int target, int set) {
        BitSet between = between(from, target);
        for (int l = between.nextSetBit(0); l >= 0; l = between.nextSetBit(l + 1)) {
            if (memory.isUsedFrom(l, target)) {
                set = d.minus(set, d.bit(l));
            }
        }
        return set;
    }

    private int target(String code) {
        return Math.min(codes(document).indexOf(code), pages.size());
    }

    private static List<String> codes(Questionnaire document) {
        return document.pages().stream().map(Page::code).toList();
    }

    /** The outcome of a finish; empty where the document does not know it. */
    public String outcomeOf(Exit finish) {
        String rule = finish.place().substring(finish.place().lastIndexOf('/') + 1);
        return known(document.pages().get(finish.from()).finish().get(Integer.parseInt(rule)).outcome());
    }

    /** The outcome of a row of the outcome table; empty where the document does not know it. */
    public String outcomeOf(int row) {
        return known(document.outcomeTable().get(row).outcome());
    }

    private String known(String outcome) {
        return document.outcome(outcome).isPresent() ? outcome : "";
    }

    public int rowHolds(int row) {
        return rules.holds("outcomeTable/" + row, true);
    }

    /** The bits that something on the page or later mentions. */
    public BitSet usedFrom(int page) {
        return memory.usedFrom(page);
    }
}
