package orthogon.core.proof.drill;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.claim.Evaluations;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.Steering;
import orthogon.core.proof.flow.Steering.Aim;
import orthogon.core.proof.flow.Steering.Way;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A small set of drills that together cover everything that can be covered.
 *
 * @param drills few, though not proved to be the fewest
 * @param atLeast no set of drills with fewer covers as much: so many of the goals exclude each other
 * @param greedy how many a plain greedy choice takes, out of one respondent for each goal
 * @param goals what is covered
 */
public record Drills(List<Drill> drills, int atLeast, int greedy, Set<Goal> goals) {

    /** Why no drills can be given. */
    public static final class NotPossible extends Exception {
        NotPossible(String why) {
            super(why, null, false, false);
        }
    }

    /** @throws NotPossible for a document with faults, or one that cannot be proved exactly or within the limits */
    public static Drills of(Questionnaire document, LocalDate today, Limits limits, Watch watch) throws NotPossible {
        Wiring wiring = Wiring.of(document, watch::goOn);
        List<Fault> faults = Faults.of(wiring);
        PlainForm plainForm = PlainForm.of(wiring, watch::goOn);
        ClaimWords words = new ClaimWords(plainForm);
        if (!faults.isEmpty()) {
            throw new NotPossible(words.said(faults.getFirst().unknown().why()));
        }
        try {
            Space space = new Space(plainForm, List.of(), today, new Diagrams(limits, watch));
            if (space.whyNotExact().isPresent() || !space.openLevels().isEmpty()) {
                throw new NotPossible(words.said(space.whyNotExact().map(Unknown::why).orElse(Message.of("open.conditions"))));
            }
            return new DrillFinding(space).drills();
        } catch (Diagrams.BudgetSpent e) {
            throw new NotPossible(words.said(e.why()));
        }
    }

    /** One search for drills, over the plain form of a document. */
    private static final class DrillFinding {

        private final Space space;
        private final Diagrams d;
        private final Questionnaire document;
        private final Flow flow;
        private final Steering steering;
        private final Coverage coverage;
        private final Map<Goal, List<Aim>> aims = new LinkedHashMap<>();
        /** Goals at the outcome table, with the states there in which they are met. */
        private final Map<Goal, Integer> ends = new LinkedHashMap<>();
        private final Map<Goal, Object> exactly = new LinkedHashMap<>();

        DrillFinding(Space space) {
            this.space = space;
            this.d = space.diagrams();
            this.document = space.wiring().document();
            this.flow = new Flow(space, Set.of(), new BitSet(), space.linkLevels());
            this.steering = new Steering(flow);
            this.coverage = new Coverage(space);
        }

        Drills drills() throws NotPossible {
            flow.stages().forEach(this::aimsOf);
            effects();
            Map<Goal, FoundWay> pool = new LinkedHashMap<>();
            for (Map.Entry<Goal, List<Aim>> e : aims.entrySet()) {
                find(e.getKey(), e.getValue(), Map.of()).ifPresent(f -> pool.put(e.getKey(), f));
            }
            ends.forEach((goal, set) -> steering.toEnd(set, Map.<Goal, Aim>of()).map(this::found).ifPresent(f -> pool.put(goal, f)));
            for (String outcome : outcomes()) {
                steering.toOutcome(outcome, Map.<Goal, Aim>of()).map(this::found)
                        .ifPresent(f -> pool.put(new Goal(Goal.GoalKind.OUTCOME, outcome), f));
            }
            for (Map.Entry<Goal, FoundWay> e : pool.entrySet()) {
                if (!e.getValue().covers().contains(e.getKey())) {
                    throw new NotPossible("the interview does not do what the proof found for " + e.getKey().words()
                            + "; this is a fault of Orthogon");
                }
            }
            Set<Goal> goals = new LinkedHashSet<>(pool.keySet());
            List<FoundWay> greedy = greedy(pool.values(), goals);
            List<FoundWay> steered = needed(steered(goals, pool), goals);
            List<FoundWay> chosen = steered.size() <= greedy.size() ? steered : greedy;
            Attempts attempts = new Attempts(space, flow);
            List<Drill> drills = new ArrayList<>();
            Set<Goal> told = new LinkedHashSet<>();
            chosen.forEach(f -> {
                Set<Goal> covers = new LinkedHashSet<>(f.covers());
                covers.retainAll(goals);
                d.goOn();
                drills.add(attempts.drill(f.answers(), covers));
            });
            drills.forEach(dr -> {
                told.addAll(dr.covers());
                dr.steps().forEach(s -> s.attempts().forEach(a -> told.add(a.covers())));
            });
            return new Drills(drills, atLeast(goals), greedy.size(), told);
        }

        private List<String> outcomes() {
            List<String> all = new ArrayList<>(document.outcomes().stream().map(Questionnaire.Outcome::code).toList());
            all.add("");
            return all;
        }

        /** A respondent with what the interview says they cover. */
        private record FoundWay(Map<String, Object> answers, Set<Goal> covers) {}

        private FoundWay found(Way<Goal> way) {
            Map<String, Object> answers = new LinkedHashMap<>(space.plainForm().settled(way.answers()));
            way.met().stream().filter(exactly::containsKey).forEach(g -> answers.put(g.place(), exactly.get(g)));
            Interview interview = Replay.of(space.wiring(), space.today(), answers, "");
            return new FoundWay(answers, interview.course().complete() ? coverage.of(interview) : Set.of());
        }

        private Optional<FoundWay> find(Goal goal, List<Aim> ways, Map<Goal, Aim> wishes) {
            for (Aim aim : ways) {
                if (steering.isPossible(aim)) {
                    Optional<Way<Goal>> way = steering.to(aim, wishes);
                    if (way.isPresent()) {
                        List<Goal> met = new ArrayList<>(way.get().met());
                        met.add(goal);
                        return Optional.of(found(new Way<>(way.get().answers(), met)));
                    }
                }
            }
            return Optional.empty();
        }

        private void aim(Goal.GoalKind kind, String place, Aim aim) {
            if (space.plainForm().isSaid(place)) {
                aims.computeIfAbsent(new Goal(kind, place), g -> new ArrayList<>()).add(aim);
            }
        }

        private void aimsOf(Flow.Stage stage) {
            int p = stage.sets().index();
            for (Flow.Exit exit : stage.exits()) {
                if (!exit.place().isEmpty()) {
                    aim(exit.kind() == Flow.ExitKind.SKIP ? Goal.GoalKind.SKIP : Goal.GoalKind.FINISH, exit.place(),
                            new Aim(p, Diagrams.ALL, exit));
                }
            }
            stage.sets().page().questions().filter(q -> !q.isHidden()).forEach(q -> aimsOf(stage, q));
        }

        private void aimsOf(Flow.Stage stage, Question question) {
            int p = stage.sets().index();
            String code = question.code();
            Axis axis = space.axis(code);
            int shown = stage.sets().shown(code);
            aim(Goal.GoalKind.ASKED, code, new Aim(p, shown, null));
            aim(Goal.GoalKind.NOT_ASKED, code, new Aim(p, d.not(shown), null));
            flow.stages().subList(0, p).forEach(s -> s.exits().stream().filter(e -> e.target() > p && !e.place().isEmpty())
                    .forEach(e -> aim(Goal.GoalKind.NOT_ASKED, code, new Aim(s.sets().index(), Diagrams.ALL, e))));
            if (question.answer().isChoice()) {
                question.answer().options()
                        .forEach(o -> aim(Goal.GoalKind.OPTION, code + "." + o.code(), new Aim(p, axis.option(o.code()), null)));
            } else if (question.answer().domain() instanceof Domain.Truths(boolean onlyTrue) && !onlyTrue) {
                aim(Goal.GoalKind.OPTION, code + ".yes", new Aim(p, axis.truth(true), null));
                aim(Goal.GoalKind.OPTION, code + ".no", new Aim(p, axis.truth(false), null));
            }
            for (boolean most : new boolean[]{false, true}) {
                Goal.GoalKind kind = most ? Goal.GoalKind.AT_MOST : Goal.GoalKind.AT_LEAST;
                Bounds.inside(question.answer().domain(), most, space.today()).filter(v -> question.lockWhen().isEmpty())
                        .ifPresent(value -> {
                            int cell = space.cellOf(axis, value);
                            if (cell != Diagrams.NONE) {
                                aim(kind, code, new Aim(p, cell, null));
                                exactly.put(new Goal(kind, code), value);
                            }
                        });
            }
        }

        private void effects() {
            Evaluations evaluations = new Evaluations(flow);
            for (Wire wire : evaluations.conditions()) {
                Expr condition = space.written(wire.place()).orElse(null);
                if (condition == null || !space.plainForm().isSaid(wire.place())) {
                    continue;
                }
                boolean atEnd = wire.family() == RuleFamily.OUTCOME_ROW;
                for (int n = 0; n < condition.comparisons().size(); n++) {
                    for (boolean literal : new boolean[]{true, false}) {
                        int set = d.and(evaluations.evaluated(flow, wire),
                                evaluations.changed(wire, n, literal).orElse(Diagrams.NONE));
                        Goal.GoalKind kind = literal ? Goal.GoalKind.FAILING : Goal.GoalKind.HOLDING;
                        if (atEnd) {
                            ends.put(new Goal(kind, wire.place() + "#" + n), set);
                        } else {
                            aim(kind, wire.place() + "#" + n, new Aim(evaluations.page(wire), set, null));
                        }
                    }
                }
            }
        }

        /** The plain greedy cover: always the respondent who covers the most of what is left. */
        private static List<FoundWay> greedy(Collection<FoundWay> pool, Set<Goal> goals) {
            Set<Goal> left = new LinkedHashSet<>(goals);
            List<FoundWay> chosen = new ArrayList<>();
            while (!left.isEmpty()) {
                FoundWay best = null;
                long most = 0;
                for (FoundWay f : pool) {
                    long covers = f.covers().stream().filter(left::contains).count();
                    if (covers > most) {
                        most = covers;
                        best = f;
                    }
                }
                chosen.add(best);
                left.removeAll(best.covers());
            }
            return chosen;
        }

        /** Respondents made to do one thing that is left, and on the way as much else of it as can be had. */
        private List<FoundWay> steered(Set<Goal> goals, Map<Goal, FoundWay> pool) {
            Set<Goal> left = new LinkedHashSet<>(goals);
            List<FoundWay> chosen = new ArrayList<>();
            while (!left.isEmpty()) {
                Goal goal = left.iterator().next();
                Map<Goal, Aim> wishes = new LinkedHashMap<>();
                // What can only be had at the price of other things is wished for last.
                left.stream().filter(g -> aims.containsKey(g) && g.kind() != Goal.GoalKind.FINISH && g.kind() != Goal.GoalKind.SKIP)
                        .sorted(Comparator.comparing(g -> g.kind() == Goal.GoalKind.NOT_ASKED))
                        .forEach(g -> wishes.put(g, aims.get(g).getFirst()));
                Optional<FoundWay> found = goal.kind() == Goal.GoalKind.OUTCOME
                        ? steering.toOutcome(goal.place(), wishes).map(this::found)
                        : ends.containsKey(goal)
                                ? steering.toEnd(ends.get(goal), wishes).map(this::found)
                                : find(goal, aims.get(goal), wishes);
                FoundWay next = found.filter(f -> f.covers().contains(goal)).orElse(pool.get(goal));
                chosen.add(next);
                left.removeAll(next.covers());
            }
            return chosen;
        }

        /** Without those whose goals the others cover too, the least useful first. */
        private static List<FoundWay> needed(List<FoundWay> all, Set<Goal> goals) {
            List<FoundWay> kept = new ArrayList<>(all);
            for (FoundWay f : all.stream().sorted(Comparator.comparingInt(f -> f.covers().size())).toList()) {
                Set<Goal> others = new LinkedHashSet<>();
                kept.stream().filter(o -> o != f).forEach(o -> others.addAll(o.covers()));
                if (others.containsAll(goals)) {
                    kept.remove(f);
                }
            }
            return kept;
        }

        /** Goals of which no respondent can do two: the options of one question, outcomes, the ways to leave a page. */
        private int atLeast(Set<Goal> goals) {
            Map<String, Integer> families = new LinkedHashMap<>();
            for (Goal goal : goals) {
                boolean many = goal.kind() == Goal.GoalKind.OPTION && space.axis(goal.place().split("\\.")[0]).isMany();
                String family = switch (goal.kind()) {
                    case OUTCOME -> "outcomes";
                    case SKIP, FINISH -> "ways " + goal.place().split("/")[0];
                    case OPTION -> many ? "" : "answers " + goal.place().split("\\.")[0];
                    case NOT_ASKED -> "answers " + goal.place();
                    case HOLDING, FAILING -> "effect " + goal.place();
                    default -> "";
                };
                families.merge(family, 1, Integer::sum);
            }
            families.remove("");
            return families.values().stream().mapToInt(Integer::intValue).max().orElse(goals.isEmpty() ? 0 : 1);
        }
    }
}
