package orthogon.core.proof;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Enumeration.Ending;
import orthogon.core.proof.drill.CaseDrill.CaseGoal;
import orthogon.core.proof.drill.CaseDrill.CaseGoalKind;
import orthogon.core.proof.drill.CaseLane;
import orthogon.core.proof.drill.CaseLane.CaseEnd;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/** Tries every case of a small questionnaire and what it opens, one by one, knowing neither engine nor the composed document. */
final class CaseEnumeration {

    private static final int MOST_CASES = 40_000;
    /** Where the outcome of a follow-up is kept; no condition can name it. */
    private static final String OUTCOME = "";

    /** One follow-up of a case as it ended. */
    record Followed(String code, String state, String decision, Map<String, Object> answers) {}

    /** One whole case. */
    record WholeCase(Map<String, Object> answers, List<Followed> followed) {}

    final Map<String, Boolean> verdicts = new TreeMap<>();
    final Set<WholeCase> cases = new LinkedHashSet<>();
    final Set<CaseLane> lanes = new LinkedHashSet<>();
    final Set<CaseGoal> goals = new LinkedHashSet<>();
    /** Follow-ups that answers alone decide, to the outcomes with which they are opened. */
    final Map<String, Set<String>> openings = new HashMap<>();

    private final Wiring first;
    private final Questionnaire opened;
    private final Map<Questionnaire, Enumeration> tried = new HashMap<>();
    private final Set<String> holding = new HashSet<>();
    private final Set<String> failing = new HashSet<>();
    private final Set<String> deciding = new HashSet<>();
    private final Set<String> refused = new HashSet<>();
    private final Set<String> stuck = new HashSet<>();
    private final Set<String> blank = new HashSet<>();
    private final Set<String> broken = new HashSet<>();

    CaseEnumeration(Wiring first, Questionnaire opened) {
        this.first = first;
        this.opened = opened;
        first.document().followUps().stream().filter(f -> first.restsOn(f.code()).isEmpty())
                .forEach(f -> openings.put(f.code(), new HashSet<>()));
        for (Ending ending : new Enumeration(first.standingAlone()).endings) {
            Map<String, Object> known = new HashMap<>();
            first.document().followUps().forEach(f -> known.put(f.code(), null));
            follow(ending, 0, known, List.of());
            first.document().followUps().stream().filter(f -> first.restsOn(f.code()).isEmpty()).forEach(f -> {
                Set<String> outcomes = openings.get(f.code());
                if (!ending.outcome().isEmpty() && first.expr(f.code() + ".openFollowUp", true)
                        .filter(e -> Evaluator.holds(e, situation(ending, known))).isPresent()) {
                    outcomes.add(ending.outcome());
                }
            });
        }
        conclude();
    }

    private Situation situation(Ending ending, Map<String, Object> known) {
        return new Situation() {
            @Override
            public Object value(String name) {
                if (name.equals("outcome")) {
                    return ending.outcome().isEmpty() ? null : ending.outcome();
                }
                return known.containsKey(name)
                        ? known.get(name)
                        : first.at(name + ".derive").isPresent()
                                ? Evaluator.value(first.at(name + ".derive").get().expr().orElseThrow(), this)
                                : ending.answers().get(name);
            }

            @Override
            public BigDecimal score(String question) {
                return ((Question) first.items().get(question)).answer().score(value(question));
            }

            @Override
            public LocalDate today() {
                return RandomDocument.TODAY;
            }

            @Override
            public boolean opens(String followUp) {
                return known.get(followUp) != null;
            }
        };
    }

    private void follow(Ending ending, int at, Map<String, Object> known, List<Followed> followed) {
        if (at == first.document().followUps().size()) {
            over(ending, known, followed);
            return;
        }
        FollowUp followUp = first.document().followUps().get(at);
        Situation situation = situation(ending, known);
        boolean opens = first.expr(followUp.code() + ".openFollowUp", true).filter(e -> Evaluator.holds(e, situation)).isPresent();
        note(followUp, opens, situation);
        if (!opens) {
            follow(ending, at + 1, known, followed);
            return;
        }
        Map<String, Object> carried = new LinkedHashMap<>();
        boolean fits = true;
        for (int i = 0; i < followUp.carries().size(); i++) {
            Carried carry = followUp.carries().get(i);
            Object value = Evaluator.value(first.at(followUp.code() + "/carry/" + i).orElseThrow().expr().orElseThrow(), situation);
            if (value != null) {
                carried.put(carry.to(), value);
            }
            if (fits && value != null && !fits(carry.to(), value)) {
                refused.add(followUp.code() + "/carry/" + i);
                fits = false;
            }
        }
        if (fits) {
            end(ending, at, known, followed, carried);
        }
    }

    private void note(FollowUp followUp, boolean opens, Situation situation) {
        (opens ? holding : failing).add(followUp.code());
        Expr condition = first.at(followUp.code() + ".openFollowUp").flatMap(Wiring.Wire::expr).orElse(null);
        for (int c = 0; condition != null && c < condition.comparisons().size(); c++) {
            for (boolean literal : new boolean[]{true, false}) {
                if (Evaluator.holds(condition.with(c, literal), situation) != opens) {
                    deciding.add(followUp.code() + ".openFollowUp#" + c + literal);
                }
            }
        }
    }

    private boolean fits(String to, Object value) {
        Optional<Question> question = opened.question(to);
        if (question.isEmpty()) {
            return opened.linkParameters().stream().anyMatch(p -> p.code().equals(to) && p.allowed().contains(value));
        }
        return switch (question.get().answer()) {
            case OneChoice c -> c.options().stream().map(Option::code).anyMatch(value::equals);
            case NumberAnswer n -> ((BigDecimal) value).compareTo(n.least()) >= 0 && ((BigDecimal) value).compareTo(n.most()) <= 0;
            case DateAnswer d -> !((LocalDate) value).isBefore(d.earliest().on(RandomDocument.TODAY))
                    && !((LocalDate) value).isAfter(d.latest().on(RandomDocument.TODAY));
            default -> true;
        };
    }

    private void end(Ending ending, int at, Map<String, Object> known, List<Followed> followed, Map<String, Object> carried) {
        FollowUp followUp = first.document().followUps().get(at);
        if (followUp.due().isLimited()) {
            unanswered(ending, at, known, followed, "expired");
        }
        unanswered(ending, at, known, followed, "withdrawn");
        Enumeration answered = tried.computeIfAbsent(OpenedWith.of(followUp, carried).in(opened), document -> {
            Map<String, Object> link = new HashMap<>(carried);
            Ending arriving = new Ending(link, Set.of(), Set.of(), "", Set.of());
            return new Enumeration(Wiring.of(document), List.of(), arriving);
        });
        if (!answered.held.isEmpty()) {
            stuck.add(followUp.code());
        }
        for (Ending sent : answered.endings) {
            Map<String, Object> parts = new HashMap<>();
            parts.put("state", followUp.answeredState());
            parts.put(OUTCOME, sent.outcome());
            for (Brought brought : followUp.brings()) {
                Object value = brought.of().equals("outcome")
                        ? sent.outcome().isEmpty() ? null : sent.outcome()
                        : sent.answers().get(brought.of());
                parts.put(brought.name(), value);
                if (value == null) {
                    blank.add(followUp.code() + "." + brought.name());
                }
            }
            List<String> decisions = followUp.decision().isNone() ? List.of("") : followUp.decision().ends();
            for (String decision : decisions) {
                Map<String, Object> decided = new HashMap<>(parts);
                decided.put("decision", decision.isEmpty() ? null : decision);
                go(ending, at, known, followed, decided,
                        new Followed(followUp.code(), followUp.answeredState(), decision, answered(sent)));
            }
        }
    }

    /** What was answered, without what came with the link. */
    private Map<String, Object> answered(Ending sent) {
        Map<String, Object> answered = filled(sent.answers());
        opened.linkParameters().forEach(p -> answered.remove(p.code()));
        return answered;
    }

    private static Map<String, Object> filled(Map<String, Object> answers) {
        Map<String, Object> filled = new TreeMap<>();
        answers.forEach((code, value) -> {
            if (value != null) {
                filled.put(code, value);
            }
        });
        return filled;
    }

    private void unanswered(Ending ending, int at, Map<String, Object> known, List<Followed> followed, String state) {
        Map<String, Object> parts = new HashMap<>();
        parts.put("state", state);
        go(ending, at, known, followed, parts,
                new Followed(first.document().followUps().get(at).code(), state, "", Map.of()));
    }

    private void go(Ending ending, int at, Map<String, Object> known, List<Followed> followed, Map<String, Object> parts, Followed now) {
        Map<String, Object> further = new HashMap<>(known);
        further.put(now.code(), parts);
        List<Followed> more = new ArrayList<>(followed);
        more.add(now);
        follow(ending, at + 1, further, more);
    }

    private void over(Ending ending, Map<String, Object> known, List<Followed> followed) {
        cases.add(new WholeCase(filled(ending.answers()), followed));
        if (cases.size() > MOST_CASES) {
            throw new Enumeration.TooLarge();
        }
        Situation situation = situation(ending, known);
        first.document().messages().forEach(m -> tell(m, ending, known, situation));
        note(ending, known);
        List<OwnClaim> claims = first.document().claims();
        for (int i = 0; i < claims.size(); i++) {
            boolean holds = Evaluator.holds(first.at("claims/" + i).orElseThrow().expr().orElseThrow(), situation);
            if (holds != (claims.get(i).says() == Says.ALWAYS)) {
                broken.add(claims.get(i).code());
            }
        }
    }

    /** Notes the lane of a case, and what it shows. */
    private void note(Ending ending, Map<String, Object> known) {
        List<CaseEnd> ends = new ArrayList<>();
        goals.add(new CaseGoal(CaseGoalKind.OUTCOME, "", ending.outcome()));
        for (FollowUp followUp : first.document().followUps()) {
            String code = followUp.code();
            if (!(known.get(code) instanceof Map<?, ?> parts)) {
                goals.add(new CaseGoal(CaseGoalKind.NOT_OPENED, code, ""));
                continue;
            }
            String state = (String) parts.get("state");
            String outcome = parts.containsKey(OUTCOME) ? (String) parts.get(OUTCOME) : "";
            String decision = parts.get("decision") == null ? "" : (String) parts.get("decision");
            ends.add(new CaseEnd(code, state, decision, outcome));
            goals.add(new CaseGoal(CaseGoalKind.STATE, code, state));
            if (state.equals(followUp.answeredState())) {
                goals.add(new CaseGoal(CaseGoalKind.OUTCOME, code, outcome));
            }
            if (!decision.isEmpty()) {
                goals.add(new CaseGoal(CaseGoalKind.DECISION, code, decision));
            }
        }
        lanes.add(new CaseLane(ending.outcome(), ends));
    }

    private void tell(DispatchMessage message, Ending ending, Map<String, Object> known, Situation situation) {
        MessageOccasion at = message.occasion();
        FollowUp of = first.document().followUp(at.followUp()).orElseThrow();
        Object parts = known.get(of.code());
        boolean comes = parts != null
                && (!at.isAfterFollowUp() || ((Map<?, ?>) parts).get("state").equals(of.answeredState()));
        String place = message.code() + ".sendWhen";
        boolean sends = comes && first.expr(place, true).filter(e -> Evaluator.holds(e, situation)).isPresent();
        (sends ? holding : failing).add(message.code());
        if (sends) {
            goals.add(new CaseGoal(CaseGoalKind.MESSAGE, message.code(), ""));
        }
        if (sends && !message.hasRecipientAlways() && message.answers().stream().allMatch(a -> ending.answers().get(a) == null)) {
            blank.add(message.code());
        }
        Expr condition = first.at(place).flatMap(Wiring.Wire::expr).orElse(null);
        for (int c = 0; condition != null && c < condition.comparisons().size(); c++) {
            for (boolean literal : new boolean[]{true, false}) {
                if ((comes && Evaluator.holds(condition.with(c, literal), situation)) != sends) {
                    deciding.add(place + "#" + c + literal);
                }
            }
        }
    }

    private void concludeMessages() {
        for (DispatchMessage message : first.document().messages()) {
            String code = message.code();
            verdicts.put("message-sent " + code, holding.contains(code));
            verdicts.put("recipient-filled " + code, !blank.contains(code));
            Optional<Expr> when = first.at(code + ".sendWhen").flatMap(Wiring.Wire::expr);
            if (when.isPresent()) {
                verdicts.put("condition-varies " + code + ".sendWhen", holding.contains(code) && failing.contains(code));
                for (int c = 0; c < when.get().comparisons().size(); c++) {
                    String place = code + ".sendWhen#" + c;
                    verdicts.put("comparison-matters " + place, deciding.contains(place + true) && deciding.contains(place + false));
                }
            }
        }
    }

    private void conclude() {
        concludeMessages();
        for (FollowUp followUp : first.document().followUps()) {
            String code = followUp.code();
            verdicts.put("follow-up-opened " + code, holding.contains(code));
            verdicts.put("follow-up-passable " + code, !stuck.contains(code));
            for (int i = 0; i < followUp.carries().size(); i++) {
                verdicts.put("carry-fits " + code + "/carry/" + i, !refused.contains(code + "/carry/" + i));
            }
            Optional<Expr> when = first.at(code + ".openFollowUp").flatMap(Wiring.Wire::expr);
            if (when.isPresent()) {
                verdicts.put("condition-varies " + code + ".openFollowUp", holding.contains(code) && failing.contains(code));
                for (int c = 0; c < when.get().comparisons().size(); c++) {
                    String place = code + ".openFollowUp#" + c;
                    verdicts.put("comparison-matters " + place, deciding.contains(place + true) && deciding.contains(place + false));
                }
            }
            followUp.brings().forEach(b -> verdicts.put("brings-filled " + code + "." + b.name(), !blank.contains(code + "." + b.name())));
        }
        first.document().claims().forEach(c -> verdicts.put("own " + c.code(), !broken.contains(c.code())));
    }
}
