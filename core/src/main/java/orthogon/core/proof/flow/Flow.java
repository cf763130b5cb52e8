package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Questionnaire;

/**
 * Computes, page by page, the set of all states in which respondents arrive. At the end of a page, forgets every bit that no later rule
 * mentions.
 */
public final class Flow {

    /** Why interviews leave a page. */
    public enum ExitKind {
        /** To the next page, having passed this one. */
        ONWARD,
        /** To the next page, this one not visited. */
        PASSED_BY,
        /** By a skip. */
        SKIP,
        /** By a finish. */
        FINISH
    }

    /**
     * Interviews that leave a page the same way.
     *
     * @param target index of the page they go on to; the number of pages for the end
     * @param place the skip or finish taken, empty for the others
     * @param set states with all that is known on the page
     * @param remembered the same states without what no later rule mentions
     */
    public record Exit(int from, ExitKind kind, int target, String place, int set, int remembered) {}

    /** One page with those who come to it. */
    public record Stage(PageSets sets, int coming, List<Exit> entries, List<Exit> exits, Within within) {

        /** Who comes, with whatever answers are possible on the page. */
        public int possible() {
            return within.possible();
        }

        /** Who visits the page, with whatever answers are possible on it. */
        public int present() {
            return within.present();
        }

        /** Who passes the page, with their answers on it. */
        public int passing() {
            return within.passing();
        }
    }

    /** Sets about one page that many claims need, each computed once. */
    private static final class Within {

        private final Diagrams d;
        private final PageSets sets;
        private final int coming;
        private int possible = -1;
        private int present = -1;
        private int passing = -1;

        Within(Diagrams d, PageSets sets, int coming) {
            this.d = d;
            this.sets = sets;
            this.coming = coming;
        }

        Within of(PageSets same) {
            Within within = new Within(d, same, coming);
            within.possible = possible;
            within.present = present;
            within.passing = passing;
            return within;
        }

        int possible() {
            return possible >= 0 ? possible : (possible = d.and(coming, sets.answers()));
        }

        int present() {
            return present >= 0 ? present : (present = d.and(coming, sets.visited()));
        }

        int passing() {
            return passing >= 0 ? passing : (passing = d.and(coming, sets.accepted()));
        }
    }

    private final Space space;
    private final Diagrams d;
    private final Questionnaire document;
    private final Passage passage;
    private final List<Stage> stages = new ArrayList<>();
    private final List<Exit> endings = new ArrayList<>();
    private final int start;
    /** The way that everybody takes who is looked at; null for any. */
    private final Transition along;
    private final BitSet unchanged = new BitSet();

    /**
     * @param free places of conditions that are set free
     * @param asked levels of the asked bits to carry to the end
     * @param keep levels of bits never to be forgotten
     */
    public Flow(Space space, Set<String> free, BitSet asked, BitSet keep) {
        this(new Passage(space, free, asked, both(keep, asked), null, List.of()));
    }

    /**
     * The flow of an edited document. Keeps every page at which the same states arrive and whose conditions have the same sets. This
     * flow must be of all respondents, not of a route or a part.
     */
    public Flow after(Space edited, BitSet asked, BitSet keep) {
        return new Flow(passage.after(edited, asked, both(keep, asked)), this);
    }

    /**
     * The flow through the first pages alone. It has no end, so nothing may be asked of it there.
     *
     * @param free places of conditions that are set free
     */
    public static Flow through(int pages, Space space, Set<String> free) {
        return new Flow(Passage.through(pages, space, free));
    }

    /**
     * The flow of all respondents, or of those along one route.
     *
     * @param together groups of bits; a group is forgotten as a whole
     */
    Flow(Space space, Set<String> route, List<BitSet> together) {
        this(new Passage(space, Set.of(), new BitSet(), new BitSet(), route, together));
    }

    /**
     * The flow of the respondents who take a way.
     *
     * @param together groups of bits; a group is forgotten as a whole
     */
    Flow(Space space, List<BitSet> together, Transition along) {
        this(new Passage(space, Set.of(), new BitSet(), new BitSet(), null, together), null, along);
    }

    /** The same, nothing forgotten. */
    Flow rememberingAll() {
        BitSet all = new BitSet();
        space.axes().forEach(a -> all.or(a.levels()));
        return new Flow(new Passage(space, Set.of(), new BitSet(), all, passage.route(), List.of()), null, along);
    }

    private static BitSet both(BitSet some, BitSet more) {
        BitSet both = (BitSet) some.clone();
        both.or(more);
        return both;
    }

    private Flow(Passage passage) {
        this(passage, null);
    }

    private Flow(Passage passage, Flow before) {
        this(passage, before, null);
    }

    private Flow(Passage passage, Flow before, Transition along) {
        this.passage = passage;
        this.along = along;
        this.space = passage.space();
        this.d = space.diagrams();
        this.document = space.wiring().document();
        this.start = passage.start();
        List<List<Exit>> entries = new ArrayList<>();
        for (int p = 0; p <= passage.pages().size(); p++) {
            entries.add(new ArrayList<>());
        }
        for (PageSets sets : passage.pages()) {
            int p = sets.index();
            int coming = p == 0 ? start : Diagrams.NONE;
            for (Exit entry : entries.get(p)) {
                coming = d.or(coming, entry.remembered());
            }
            Stage known = before == null || p >= before.stages.size() ? null : before.stages.get(p);
            boolean same = known != null && known.coming() == coming && passage.leavesAs(before.passage, p, known.exits());
            List<Exit> exits = same ? known.exits() : exits(sets, coming);
            exits.forEach(exit -> entries.get(exit.target()).add(exit));
            stages.add(new Stage(sets, coming, List.copyOf(entries.get(p)), exits,
                    same ? known.within().of(sets) : new Within(d, sets, coming)));
            unchanged.set(p, same);
        }
        endings.addAll(entries.getLast());
    }

    private List<Exit> exits(PageSets sets, int coming) {
        List<Exit> exits = passage.exits(sets, coming);
        return along == null ? exits : along.among(exits).toList();
    }

    /** Whether those who are looked at may end by a row of the outcome table, or by none. */
    boolean mayEndBy(int row) {
        return along == null || along.allowsRow(row);
    }

    /** How those end who come to a page with one of these states, and can come to an end. */
    public int endsOf(int page, int coming) {
        int[] arriving = new int[stages.size() + 1];
        Arrays.fill(arriving, Diagrams.NONE);
        arriving[page] = coming;
        for (int p = page; p < stages.size(); p++) {
            for (Exit exit : passage.exits(passage.pages().get(p), arriving[p])) {
                arriving[exit.target()] = d.or(arriving[exit.target()], exit.remembered());
            }
        }
        return arriving[stages.size()];
    }

    /** The states, as far as they are remembered, of respondents who leave a page with a state of the set. */
    int onward(Exit exit, int set) {
        return passage.onward(exit, set);
    }

    /** The bits known on a page and before it that nothing from the target on mentions. */
    public BitSet forgotten(int from, int target) {
        return passage.forgotten(from, target);
    }

    /** The bits of the pages that a skip goes past. */
    BitSet between(Exit exit) {
        return exit.kind() == ExitKind.SKIP ? passage.between(exit.from(), exit.target()) : new BitSet();
    }

    /** The states in which all of these bits are zero: nothing was answered. */
    int untouched(BitSet levels) {
        return passage.untouched(levels);
    }

    /** Whether the page and who comes to it and leaves it are what they were in the document before an edit. */
    public boolean isUnchanged(int page) {
        return unchanged.get(page);
    }

    public Space space() {
        return space;
    }

    public List<Stage> stages() {
        return stages;
    }

    public Stage stage(String page) {
        return stages.stream().filter(s -> s.sets().page().code().equals(page)).findFirst().orElseThrow();
    }

    /** Who reads which text. */
    public TextSets texts() {
        return passage.texts();
    }

    /** Every way to the end of the document: finishes, and those who leave the last page. */
    public List<Exit> endings() {
        return endings;
    }

    /** The outcome of a finish; empty where the document does not know it. */
    public String outcomeOf(Exit finish) {
        return passage.outcomeOf(finish);
    }

    /** The outcome of a row of the outcome table; empty where the document does not know it. */
    public String outcomeOf(int row) {
        return passage.outcomeOf(row);
    }

    /** States at the end by outcome code, in document order; the empty code for those without an outcome. */
    public Map<String, Integer> byOutcome() {
        Map<String, Integer> sets = new LinkedHashMap<>();
        document.outcomes().forEach(o -> sets.putIfAbsent(o.code(), Diagrams.NONE));
        sets.put("", Diagrams.NONE);
        for (Exit ending : endings) {
            if (ending.kind() == ExitKind.FINISH) {
                sets.merge(outcomeOf(ending), ending.remembered(), d::or);
            }
        }
        int rest = tableReached();
        for (int row = 0; row < document.outcomeTable().size(); row++) {
            sets.merge(outcomeOf(row), mayEndBy(row) ? d.and(rest, rowHolds(row)) : Diagrams.NONE, d::or);
            rest = d.minus(rest, rowHolds(row));
        }
        sets.merge("", mayEndBy(Transition.NO_ROW) ? rest : Diagrams.NONE, d::or);
        return sets;
    }

    /** Who comes to the outcome table. */
    public int tableReached() {
        int set = stages.isEmpty() ? start : Diagrams.NONE;
        for (Exit exit : endings) {
            if (exit.kind() != ExitKind.FINISH) {
                set = d.or(set, exit.remembered());
            }
        }
        return set;
    }

    /** Who comes to a row of the outcome table, no row before it having held. */
    public int rowReached(int row) {
        int set = tableReached();
        for (int i = 0; i < row; i++) {
            set = d.minus(set, rowHolds(i));
        }
        return set;
    }

    public int rowHolds(int row) {
        return passage.rowHolds(row);
    }

    /** The condition at a place, free where it was set free. */
    public orthogon.core.proof.space.Truth truth(String place, boolean usual) {
        return passage.rules().at(place, usual);
    }

    /** Link values before the first page. */
    public int start() {
        return start;
    }

    /** The fault of a taken skip whose target is missing or earlier; empty where there is none. Nobody knows where it leads. */
    public Optional<Unknown> lostAt() {
        return passage.lostAt();
    }
}
