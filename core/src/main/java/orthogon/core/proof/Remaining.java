package orthogon.core.proof;

import java.time.Duration;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Page;

/** How many questions may still come for somebody on the way, exactly. Safe for several threads, one at a time. */
public final class Remaining {

    /** A release that needs more than this is told without figures; it is computed beside respondents. */
    private static final Limits LIMITS = new Limits(1 << 21, Duration.ofMinutes(1));
    /** How long one answer about what may come takes at most; the respondent waits for it. */
    private static final Duration LONGEST = Duration.ofMillis(200);
    private static final int MOST_KEPT = 2_000;

    /**
     * Questions on the current page and all later ones; a roster counts as one, however many entries.
     *
     * @param least fewest that somebody with these answers is asked
     * @param most most
     */
    public record Left(int least, int most) {}

    private final Space space;
    private final Flow flow;
    private final List<String> pages;
    private final BitSet[] askedFrom;
    private final Map<List<Object>, Optional<Left>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Object>, Optional<Left>> eldest) {
            return size() > MOST_KEPT;
        }
    };

    private Remaining(Space space, Flow flow) {
        this.space = space;
        this.flow = flow;
        this.pages = space.wiring().document().pages().stream().map(Page::code).toList();
        this.askedFrom = new BitSet[pages.size()];
        BitSet all = space.askedOnRoutes();
        BitSet later = new BitSet();
        for (int p = pages.size() - 1; p >= 0; p--) {
            BitSet here = (BitSet) flow.stages().get(p).sets().levels().clone();
            here.and(all);
            later.or(here);
            askedFrom[p] = (BitSet) later.clone();
        }
    }

    /**
     * Works out what may come on every path; empty where that cannot be told exactly: with faults, or beyond the limits on memory and time.
     *
     * @throws CancellationException where the watch calls it off
     */
    public static Optional<Remaining> of(Wiring wiring, LocalDate today, Watch watch) {
        List<Fault> faults = Faults.of(wiring);
        if (!faults.isEmpty()) {
            return Optional.empty();
        }
        try {
            PlainForm plainForm = PlainForm.of(wiring, watch::goOn);
            Space space = new Space(plainForm, plainForm.faults(faults), today, new Diagrams(LIMITS, watch));
            if (space.whyNotExact().isPresent() || !space.openLevels().isEmpty()) {
                return Optional.empty();
            }
            Flow flow = new Flow(space, Set.of(), space.askedOnRoutes(), new BitSet());
            return flow.lostAt().isPresent() ? Optional.empty() : Optional.of(new Remaining(space, flow));
        } catch (Diagrams.BudgetSpent e) {
            return Optional.empty();
        }
    }

    /**
     * What may still come for an interview that has come to a page.
     *
     * @param page the current page
     * @param link values that arrived with the link
     * @param effective every effective answer so far, on the current page too where it is given already
     * @return empty where nobody with these answers can come to an end, or where it takes too much memory
     */
    public synchronized Optional<Left> at(String page, Map<String, String> link, Map<String, Object> effective) {
        return known.computeIfAbsent(List.of(page, link, effective), k -> compute(pages.indexOf(page), link, effective));
    }

    private Optional<Left> compute(int page, Map<String, String> link, Map<String, Object> effective) {
        if (page < 0) {
            return Optional.empty();
        }
        Diagrams d = space.diagrams();
        d.begin(Watch.NOBODY, LONGEST);
        try {
            Map<String, Object> plain = new LinkedHashMap<>(space.plainForm().settled(space.plainForm().plainAnswers(effective)));
            plain.putAll(link);
            BitSet own = flow.stages().get(page).sets().levels();
            BitSet before = new BitSet();
            flow.stages().subList(0, page).forEach(s -> before.or(s.sets().levels()));
            BitSet askedBefore = space.askedOnRoutes();
            askedBefore.andNot(askedFrom[page]);
            int coming = d.exists(flow.stages().get(page).coming(), d.cube(askedBefore));
            for (Axis axis : space.axes()) {
                boolean given = axis.levels().intersects(own) && plain.containsKey(axis.code());
                if (!given && !axis.levels().intersects(before) && axis.question() != null) {
                    continue;
                }
                int cell = space.cellOf(axis, plain.get(axis.code()));
                if (cell != Diagrams.NONE && !d.disjoint(coming, cell)) {
                    coming = d.and(coming, cell);
                }
            }
            BitSet counted = askedFrom[page];
            int ends = flow.endsOf(page, coming);
            BitSet others = d.support(ends);
            others.andNot(counted);
            int shapes = d.exists(ends, d.cube(others));
            return shapes == Diagrams.NONE
                    ? Optional.empty()
                    : Optional.of(new Left(d.ones(shapes, counted, false), d.ones(shapes, counted, true)));
        } catch (Diagrams.BudgetSpent e) {
            return Optional.empty();
        }
    }
}
