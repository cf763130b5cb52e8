package orthogon.core.proof.drill;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.CaseWalk;
import orthogon.core.proof.composed.CaseDocument;
import orthogon.core.proof.composed.CasePart;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.FollowUpFaults;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.CaseDrill.CaseGoal;
import orthogon.core.proof.drill.CaseDrill.CaseGoalKind;
import orthogon.core.proof.drill.CaseLane.CaseEnd;
import orthogon.core.proof.drill.Drills.NotPossible;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.Steering;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Outcome;

/**
 * Every lane that a case can take, each with somebody who takes it, and a small set of drills that together do everything that a lane
 * can show. Found in the composed document, and walked through interviews before anybody sees it.
 *
 * @param lanes in the order of outcomes, states and decisions
 * @param more whether there are more than {@link #MOST}
 * @param goals what the drills cover: everything that some case does
 */
public record CaseLanes(List<WalkedLane> lanes, boolean more, List<CaseDrill> drills, Set<CaseGoal> goals) {

    /** Most lanes that are told. */
    public static final int MOST = 400;

    /** A lane with the answers of everybody in a case that takes it. */
    public record WalkedLane(CaseLane lane, CaseWitness witness) {}

    /**
     * The lanes of a questionnaire.
     *
     * @param others what follow-ups open
     * @throws NotPossible for a case with faults, or one that cannot be proved exactly or within the limits
     */
    public static CaseLanes of(Wiring first, KnownQuestionnaires others, LocalDate today, Limits limits, Watch watch)
            throws NotPossible {
        Optional<Message> fault = FollowUpFaults.first(first.document(), others);
        if (fault.isPresent()) {
            throw new NotPossible(new ClaimWords(PlainForm.of(first, watch::goOn)).said(fault.get()));
        }
        CaseDocument document;
        try {
            document = CaseDocument.withOutcomes(first, others, watch::goOn);
        } catch (CaseDocument.TooManyPages e) {
            throw new NotPossible("the case has more than " + CaseDocument.MOST_PAGES + " pages");
        }
        List<Fault> faults = Faults.of(document.form().original());
        ClaimWords words = new ClaimWords(document.form());
        if (!faults.isEmpty()) {
            throw new NotPossible(words.said(faults.getFirst().unknown().why()));
        }
        try {
            Space space = new Space(document.form(), List.of(), today, new Diagrams(limits, watch));
            if (space.whyNotExact().isPresent() || !space.openLevels().isEmpty()) {
                throw new NotPossible(words.said(space.whyNotExact().map(Unknown::why).orElse(Message.of("open.conditions"))));
            }
            return new LaneFinding(document, others, space, watch).lanes();
        } catch (Diagrams.BudgetSpent e) {
            throw new NotPossible(words.said(e.why()));
        }
    }

    /** How a drill goes now, where that is not what it expects; in words, empty where nothing differs. */
    public static List<String> differences(Wiring first, KnownQuestionnaires others, LocalDate today, CaseDrill drill) {
        CaseWalk walk = CaseWalk.of(first, others, today, drill.witness());
        List<String> differences = new ArrayList<>();
        if (!walk.isOver()) {
            differences.add("the case does not come to its end");
            return differences;
        }
        CaseLane lane = CaseLane.of(walk, walk.names());
        if (!lane.outcome().equals(drill.lane().outcome())) {
            differences.add("the first interview ends as " + said(lane.outcome()) + " and not as " + said(drill.lane().outcome()));
        }
        Set<CaseEnd> expected = new LinkedHashSet<>(drill.lane().ends());
        Set<CaseEnd> found = new LinkedHashSet<>(lane.ends());
        found.stream().filter(e -> !expected.contains(e)).forEach(e -> differences.add(said(e) + " was not expected"));
        expected.stream().filter(e -> !found.contains(e)).forEach(e -> differences.add(said(e) + " was expected"));
        if (!walk.sends().equals(drill.sends())) {
            differences.add("it sends " + walk.sends() + " and not " + drill.sends());
        }
        return differences;
    }

    private static String said(CaseEnd end) {
        return end.path() + " " + end.state() + (end.decision().isEmpty() ? "" : " as " + end.decision())
                + (end.outcome().isEmpty() ? "" : ", with the outcome " + end.outcome());
    }

    private static String said(String outcome) {
        return outcome.isEmpty() ? "nothing" : outcome;
    }

    /** One search for the lanes of a composed document. */
    private static final class LaneFinding {

        private final CaseDocument document;
        private final KnownQuestionnaires others;
        private final Wiring first;
        private final Space space;
        private final Diagrams d;
        private final Watch watch;
        private final Map<CaseGoal, Integer> sets = new LinkedHashMap<>();
        private final Steering steering;
        private final int ends;
        private final List<CasePart> opened;
        private final List<WalkedLane> found = new ArrayList<>();
        private boolean more;

        LaneFinding(CaseDocument document, KnownQuestionnaires others, Space space, Watch watch) {
            this.document = document;
            this.others = others;
            this.first = document.first().form().asWritten();
            this.space = space;
            this.d = space.diagrams();
            this.watch = watch;
            this.opened = document.parts().values().stream().filter(p -> p.depth() > 0).toList();
            goals();
            BitSet kept = space.linkLevels();
            sets.values().forEach(set -> kept.or(d.support(set)));
            Flow flow = new Flow(space, Set.of(), new BitSet(), kept);
            this.steering = new Steering(flow);
            int all = Diagrams.NONE;
            for (Flow.Exit ending : flow.endings()) {
                all = d.or(all, ending.remembered());
            }
            this.ends = all;
        }

        /** Every goal with the states at the end in which it is met. */
        private void goals() {
            outcomes(document.first());
            for (CasePart part : opened) {
                FollowUp followUp = part.by().orElseThrow();
                Axis state = space.axis(CaseNames.known(part.name(), "state"));
                sets.put(new CaseGoal(CaseGoalKind.NOT_OPENED, part.name(), ""), state.blank());
                followUp.ends().forEach(s -> sets.put(new CaseGoal(CaseGoalKind.STATE, part.name(), s), state.option(s)));
                if (!followUp.decision().isNone()) {
                    Axis decision = space.axis(CaseNames.known(part.name(), "decision"));
                    followUp.decision().ends()
                            .forEach(c -> sets.put(new CaseGoal(CaseGoalKind.DECISION, part.name(), c), decision.option(c)));
                }
                outcomes(part);
            }
            for (DispatchMessage message : document.form().plain().document().messages()) {
                space.expr(message.code() + ".sendWhen").ifPresent(e -> sets.put(new CaseGoal(CaseGoalKind.MESSAGE, message.code(), ""),
                        space.truth(e, Map.of()).holds()));
            }
        }

        /** An interview that is not sent has no outcome, and none is wanted of it. */
        private void outcomes(CasePart part) {
            List<OwnClaim> claims = document.form().plain().document().claims();
            int none = part.depth() == 0 ? Diagrams.ALL : answered(part);
            for (Outcome outcome : part.document().outcomes()) {
                String code = CaseNames.ends(part.name(), outcome.code());
                int number = claims.stream().map(OwnClaim::code).toList().indexOf(code);
                int set = d.and(space.truth(space.expr("claims/" + number).orElseThrow(), Map.of()).holds(), none);
                sets.put(new CaseGoal(CaseGoalKind.OUTCOME, part.name(), outcome.code()), set);
                none = d.minus(none, set);
            }
            sets.put(new CaseGoal(CaseGoalKind.OUTCOME, part.name(), ""), none);
        }

        private int answered(CasePart part) {
            return space.axis(CaseNames.known(part.name(), "state")).option(part.by().orElseThrow().answeredState());
        }

        CaseLanes lanes() throws NotPossible {
            Set<CaseGoal> goals = new LinkedHashSet<>();
            sets.forEach((goal, set) -> {
                if (d.and(ends, set) != Diagrams.NONE) {
                    goals.add(goal);
                }
            });
            List<CaseDrill> drills = drills(goals);
            divide(ends, 0, "", new ArrayList<>());
            return new CaseLanes(List.copyOf(found), more, drills, goals);
        }

        /** Makes drills that each do as much of what is left as one case can, the first of it always. */
        private List<CaseDrill> drills(Set<CaseGoal> goals) throws NotPossible {
            List<CaseDrill> drills = new ArrayList<>();
            Set<CaseGoal> left = new LinkedHashSet<>(goals);
            while (!left.isEmpty()) {
                watch.goOn();
                CaseGoal wanted = left.iterator().next();
                int set = ends;
                for (CaseGoal goal : left) {
                    int narrower = d.and(set, sets.get(goal));
                    set = narrower == Diagrams.NONE ? set : narrower;
                }
                CaseDrill drill = drill(set, goals);
                if (!drill.covers().contains(wanted)) {
                    throw disagreement(wanted.words());
                }
                drills.add(drill);
                left.removeAll(drill.covers());
            }
            return drills;
        }

        private CaseDrill drill(int set, Set<CaseGoal> goals) throws NotPossible {
            CaseWitness witness = witness(set);
            CaseWalk walk = walked(witness);
            CaseLane lane = CaseLane.of(walk, document.parts().keySet());
            Set<CaseGoal> covers = covered(lane, walk.sends());
            covers.retainAll(goals);
            return new CaseDrill(witness, lane, walk.sends(), covers);
        }

        private CaseWitness witness(int set) {
            Map<String, Object> answers = steering.toEnd(set, Map.<CaseGoal, Steering.Aim>of()).orElseThrow().answers();
            return document.witness(document.form().settled(answers));
        }

        private CaseWalk walked(CaseWitness witness) throws NotPossible {
            CaseWalk walk = CaseWalk.of(first, others, space.today(), witness);
            if (!walk.agrees()) {
                throw disagreement("a case");
            }
            return walk;
        }

        private static NotPossible disagreement(String what) {
            return new NotPossible("the interviews do not do what the proof found for " + what + "; this is a fault of Orthogon");
        }

        /** What a walked case does, told by the interviews alone. */
        private Set<CaseGoal> covered(CaseLane lane, List<String> sends) {
            Set<CaseGoal> covered = new LinkedHashSet<>();
            covered.add(new CaseGoal(CaseGoalKind.OUTCOME, "", lane.outcome()));
            for (CasePart part : opened) {
                Optional<CaseEnd> end = lane.ends().stream().filter(e -> e.name().equals(part.name())).findFirst();
                if (end.isEmpty()) {
                    covered.add(new CaseGoal(CaseGoalKind.NOT_OPENED, part.name(), ""));
                    continue;
                }
                covered.add(new CaseGoal(CaseGoalKind.STATE, part.name(), end.get().state()));
                if (end.get().state().equals(part.by().orElseThrow().answeredState())) {
                    covered.add(new CaseGoal(CaseGoalKind.OUTCOME, part.name(), end.get().outcome()));
                }
                if (!end.get().decision().isEmpty()) {
                    covered.add(new CaseGoal(CaseGoalKind.DECISION, part.name(), end.get().decision()));
                }
            }
            sends.forEach(m -> covered.add(new CaseGoal(CaseGoalKind.MESSAGE, m, "")));
            return covered;
        }

        private int in(int set, CaseGoalKind kind, String name, String value) {
            return d.and(set, sets.get(new CaseGoal(kind, name, value)));
        }

        /** Divides the cases of a set by what becomes of one follow-up after the other. */
        private void divide(int set, int at, String outcome, List<CaseEnd> before) throws NotPossible {
            if (set == Diagrams.NONE || more) {
                return;
            }
            if (at == 0) {
                for (String code : outcomesOf(document.first())) {
                    divide(in(set, CaseGoalKind.OUTCOME, "", code), 1, code, before);
                }
                return;
            }
            if (at > opened.size()) {
                lane(set, new CaseLane(outcome, before));
                return;
            }
            CasePart part = opened.get(at - 1);
            divide(in(set, CaseGoalKind.NOT_OPENED, part.name(), ""), at + 1, outcome, before);
            for (CaseEnd end : endsOf(part)) {
                int ended = in(set, CaseGoalKind.STATE, part.name(), end.state());
                if (end.state().equals(part.by().orElseThrow().answeredState())) {
                    ended = in(ended, CaseGoalKind.OUTCOME, part.name(), end.outcome());
                    ended = end.decision().isEmpty() ? ended : in(ended, CaseGoalKind.DECISION, part.name(), end.decision());
                }
                List<CaseEnd> with = new ArrayList<>(before);
                with.add(end);
                divide(ended, at + 1, outcome, with);
            }
        }

        private static List<String> outcomesOf(CasePart part) {
            List<String> outcomes = new ArrayList<>(part.document().outcomes().stream().map(Outcome::code).toList());
            outcomes.add("");
            return outcomes;
        }

        private static List<CaseEnd> endsOf(CasePart part) {
            FollowUp followUp = part.by().orElseThrow();
            List<CaseEnd> ends = new ArrayList<>();
            for (String state : followUp.ends()) {
                if (!state.equals(followUp.answeredState())) {
                    ends.add(new CaseEnd(part.name(), state, "", ""));
                    continue;
                }
                List<String> decisions = followUp.decision().isNone() ? List.of("") : followUp.decision().ends();
                outcomesOf(part).forEach(o -> decisions.forEach(c -> ends.add(new CaseEnd(part.name(), state, c, o))));
            }
            return ends;
        }

        private void lane(int set, CaseLane lane) throws NotPossible {
            watch.goOn();
            if (found.size() >= MOST) {
                more = true;
                return;
            }
            CaseWitness witness = witness(set);
            if (!CaseLane.of(walked(witness), document.parts().keySet()).equals(lane)) {
                throw disagreement("a lane");
            }
            found.add(new WalkedLane(lane, witness));
        }
    }
}
