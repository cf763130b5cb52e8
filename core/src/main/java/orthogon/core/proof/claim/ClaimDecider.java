package orthogon.core.proof.claim;

import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.Texts;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.Witnesses;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Space;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/**
 * How a claim is decided from a set of states. An empty set is exact whatever is open, since open bits only ever make sets larger. A
 * set that is not empty is believed where nothing is open, and otherwise only when one of its states, replayed, shows it.
 */
final class ClaimDecider {

    final Flow flow;
    final Space space;
    final Diagrams d;
    final Evaluations evaluations;
    final EndReads reads;
    private static final int MOST_FAULTS = 5;

    private final Witnesses witnesses;
    /** The ways in which faulty conditions could turn out, by the last page that counts. */
    private final Map<Integer, List<Wiring>> readings = new HashMap<>();
    private final Map<ClaimId, Claim> causes = new HashMap<>();
    private Map<String, String> texts;

    ClaimDecider(Flow flow) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.witnesses = new Witnesses(flow);
        this.evaluations = new Evaluations(flow);
        this.reads = new EndReads(flow);
    }

    /** Every text of the document by its unit. */
    Map<String, String> texts() {
        if (texts == null) {
            texts = Texts.all(space.plainForm().original().document());
        }
        return texts;
    }

    /** Keeps refuted claims, so that others can name them as their cause. */
    void remember(List<Claim> decided) {
        decided.stream().filter(c -> c.verdict() == Verdict.REFUTED).forEach(c -> causes.put(c.identity(), c));
    }

    /** The cause of a refuted claim: what it follows from, or else the claim itself. Empty if the claim is not refuted. */
    Optional<ClaimId> refuted(ClaimKind kind, String place) {
        return Optional.ofNullable(causes.get(new ClaimId(kind, place))).map(c -> c.follows().orElse(c.identity()));
    }

    /**
     * A state to search for, and what its replay must show.
     *
     * @param page index of the page at which the respondent is
     * @param ending how the interview ends, for a state at the end; else null
     * @param set the states that will do
     * @param ownAnswers whether the page's own answers belong to it
     * @param shows what the replayed interview must show
     */
    record Sought(int page, Flow.Exit ending, int set, boolean ownAnswers, Predicate<Interview> shows) {}

    Sought at(int page, int set, boolean ownAnswers, Predicate<Interview> shows) {
        return new Sought(page, null, set, ownAnswers, shows);
    }

    /** The first ending at which the set is met. */
    Sought atEnd(ToIntFunction<Flow.Exit> setAt, Predicate<Interview> shows) {
        for (Flow.Exit ending : flow.endings()) {
            int set = d.and(ending.remembered(), setAt.applyAsInt(ending));
            if (set != Diagrams.NONE) {
                return new Sought(-1, ending, set, true, shows);
            }
        }
        return new Sought(-1, null, Diagrams.NONE, true, shows);
    }

    Optional<Map<String, Object>> witness(Sought sought) {
        d.goOn();
        Map<String, Object> answers = sought.ending() != null
                ? witnesses.end(sought.ending(), sought.set())
                : witnesses.to(sought.page(), sought.set(), sought.ownAnswers());
        String stopAt = sought.ending() != null ? "" : flow.stages().get(sought.page()).sets().page().code();
        int last = sought.ending() != null ? Integer.MAX_VALUE : sought.page();
        List<Interview> replayed = readings(last).stream()
                .map(reading -> Replay.of(reading, space.today(), answers, stopAt)).toList();
        // Who comes to a page is told by the answers that count there, so these must not hang on how a fault turns out.
        boolean same = sought.ending() != null || sought.ownAnswers()
                || replayed.stream().map(i -> i.course().effective()).distinct().count() == 1;
        boolean shown = !replayed.isEmpty() && same && replayed.stream().allMatch(sought.shows());
        return shown ? Optional.of(answers) : Optional.empty();
    }

    /**
     * The ways in which faulty conditions could turn out, up to a page: a witness must do under all of them. None at all where they are
     * too many, or where a faulty value rather than a condition is at stake, so that nothing is believed then.
     *
     * @param lastPage index of the last page that counts; the largest integer for the whole interview
     */
    List<Wiring> readings(int lastPage) {
        return readings.computeIfAbsent(lastPage, this::read);
    }

    private List<Wiring> read(int lastPage) {
        List<String> conditions = new ArrayList<>();
        for (String place : space.faultyPlaces()) {
            Wiring.Wire wire = space.wiring().at(place).orElseThrow();
            boolean counts = wire.family() == RuleFamily.OUTCOME_ROW
                    ? lastPage == Integer.MAX_VALUE
                    : !wire.family().isBehindTheEnd() && wire.family() != RuleFamily.DERIVE && evaluations.page(wire) <= lastPage;
            if (counts && wire.family() == RuleFamily.START_WITH) {
                return List.of();
            }
            if (counts) {
                conditions.add(place);
            }
        }
        if (conditions.size() > MOST_FAULTS) {
            return List.of();
        }
        List<Wiring> ways = new ArrayList<>();
        for (int turn = 0; turn < 1 << conditions.size(); turn++) {
            Map<String, Boolean> settled = new HashMap<>();
            for (int i = 0; i < conditions.size(); i++) {
                settled.put(conditions.get(i), (turn >> i & 1) == 1);
            }
            ways.add(settled.isEmpty() ? space.wiring() : space.wiring().assuming(settled));
        }
        return ways;
    }

    private boolean certain() {
        d.goOn();
        return space.openLevels().isEmpty();
    }

    private Finding shown(Sought sought, Message says) {
        return witness(sought).<Finding>map(w -> new Finding.Respondent(says, w)).orElseGet(Finding::disagreement);
    }

    /** A claim that somebody exists. */
    Claim some(ClaimKind kind, String place, Message statement, Sought sought, Optional<ClaimId> follows, Message proved,
            Supplier<Finding> impossible) {
        return some(kind, place, statement, sought.set() == Diagrams.NONE, () -> sought, follows, proved, impossible);
    }

    /**
     * A claim that somebody exists.
     *
     * @param nobody whether nobody does; the respondent is then looked for only when the claim is explained
     */
    Claim some(ClaimKind kind, String place, Message statement, boolean nobody, Supplier<Sought> sought,
            Optional<ClaimId> follows, Message proved, Supplier<Finding> impossible) {
        if (nobody) {
            Optional<Unknown> lost = flow.lostAt();
            return lost.isPresent() && follows.isEmpty()
                    ? undecided(kind, place, statement, lost.get())
                    : new Claim(kind, place, statement, Verdict.REFUTED, follows, impossible);
        }
        if (certain()) {
            return new Claim(kind, place, statement, Verdict.PROVED, Optional.empty(), () -> shown(sought.get(), proved));
        }
        Optional<Map<String, Object>> witness = witness(sought.get());
        return witness.isPresent()
                ? new Claim(kind, place, statement, Verdict.PROVED, Optional.empty(),
                        () -> new Finding.Respondent(proved, witness.get()))
                : undecided(kind, place, statement, open(sought.get().set()));
    }

    /** A claim that nobody exists. */
    Claim none(ClaimKind kind, String place, Message statement, Sought bad, Message proved, Supplier<Message> refuted) {
        return none(kind, place, statement, bad.set() == Diagrams.NONE, () -> bad, proved, refuted);
    }

    /**
     * A claim that nobody exists.
     *
     * @param nobody whether nobody does; the respondent is otherwise looked for only when the claim is explained
     */
    Claim none(ClaimKind kind, String place, Message statement, boolean nobody, Supplier<Sought> bad, Message proved,
            Supplier<Message> refuted) {
        if (nobody) {
            Optional<Unknown> lost = flow.lostAt();
            return lost.isPresent()
                    ? undecided(kind, place, statement, lost.get())
                    : new Claim(kind, place, statement, Verdict.PROVED, Optional.empty(), () -> new Finding.Fact(proved));
        }
        if (certain()) {
            return new Claim(kind, place, statement, Verdict.REFUTED, Optional.empty(), () -> shown(bad.get(), refuted.get()));
        }
        Optional<Map<String, Object>> witness = witness(bad.get());
        return witness.isPresent()
                ? new Claim(kind, place, statement, Verdict.REFUTED, Optional.empty(),
                        () -> new Finding.Respondent(refuted.get(), witness.get()))
                : undecided(kind, place, statement, open(bad.get().set()));
    }

    /** Why a set cannot be trusted: the sound claim it rests on, or what could not be divided. */
    Unknown open(int set) {
        return space.openReason(set).or(space::whyNotExact).orElse(new Unknown.Beyond(Message.of("open.something")));
    }

    static Claim undecided(ClaimKind kind, String place, Message statement, Unknown why) {
        return switch (why) {
            case Unknown.Unsound fault -> undecided(kind, place, statement, ClaimId.of(fault.kind(), fault.place()));
            case Unknown.Beyond beyond -> new Claim(kind, place, statement, Verdict.UNDECIDED, Optional.empty(),
                    () -> new Finding.Fact(Message.of("undecided.beyond").inner("why", beyond.why())));
        };
    }

    /** A claim that is not decided because of a fault, or of whatever another claim that is not decided follows. */
    static Claim undecided(ClaimKind kind, String place, Message statement, ClaimId cause) {
        return new Claim(kind, place, statement, Verdict.UNDECIDED, Optional.of(cause),
                () -> new Finding.Fact(Message.of("undecided.fault").code("place", cause.place())));
    }
}
