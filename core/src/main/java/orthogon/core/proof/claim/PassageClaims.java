package orthogon.core.proof.claim;

import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.PageSets;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/**
 * No respondent can get stuck: on every page, whatever was answered before, some answers are accepted. Every question and every option is
 * answered by somebody who goes on, and who is refused reads why.
 */
final class PassageClaims implements PageByPage {

    private final ClaimDecider decider;

    PassageClaims(ClaimDecider decider) {
        this.decider = decider;
    }

    @Override
    public List<Claim> on(int page) {
        Flow.Stage stage = decider.flow.stages().get(page);
        List<Claim> claims = new ArrayList<>(List.of(passable(decider, stage)));
        stage.sets().page().questions().filter(q -> !q.isHidden()).forEach(q -> {
            Claim answered = answered(decider, stage, q);
            claims.add(answered);
            options(decider, stage, q, answered, claims);
            claims.addAll(explained(decider, q));
        });
        return claims;
    }

    /** Whether anybody can answer the question and leave its page. */
    private static Claim answered(ClaimDecider decider, Flow.Stage stage, Question question) {
        String code = question.code();
        Optional<ClaimId> follows = decider.refuted(ClaimKind.REACH_QUESTION, code)
                .or(() -> decider.space.axis(code).hasAnswer()
                        ? Optional.empty()
                        : Optional.of(new ClaimId(ClaimKind.LIMITS_LEAVE_ANSWER, code)));
        return accepted(decider, stage, question, ClaimKind.ANSWER_ACCEPTED, code,
                f -> f.space().diagrams().not(f.space().axis(code).blank()),
                i -> i.course().effective().containsKey(code), ClaimKind.ANSWER_ACCEPTED.message("claim").code("code", code),
                ClaimKind.ANSWER_ACCEPTED.message("refuted").text("wording", question.wording()), follows);
    }

    /** Whether everybody whose answer is refused reads why. */
    private static List<Claim> explained(ClaimDecider decider, Question question) {
        List<Claim> claims = new ArrayList<>();
        for (int i = 0; i < question.accept().size(); i++) {
            String place = question.code() + "/accept/" + i;
            Message statement = ClaimKind.REFUSAL_EXPLAINED.message("claim").code("place", place);
            Wiring.Wire wire = decider.space.wiring().at(place).orElse(null);
            if (wire == null || !question.accept().get(i).message().isBlank()) {
                continue;
            }
            Optional<Unknown> cause = decider.space.causeAt(place);
            if (cause.isPresent()) {
                claims.add(ClaimDecider.undecided(ClaimKind.REFUSAL_EXPLAINED, place, statement, cause.get()).advisory());
                continue;
            }
            int refused = decider.d.minus(decider.evaluations.evaluated(decider.flow, wire),
                    decider.evaluations.passing(decider.flow, wire));
            ClaimDecider.Sought sought = decider.at(decider.evaluations.page(wire), refused, true,
                    i2 -> Boolean.FALSE.equals(i2.truth(place)) && i2.course().effective().containsKey(question.code()));
            claims.add(decider.none(ClaimKind.REFUSAL_EXPLAINED, place, statement, sought,
                    ClaimKind.REFUSAL_EXPLAINED.message("proved"),
                    () -> ClaimKind.REFUSAL_EXPLAINED.message("refuted").text("wording", question.wording())).advisory());
        }
        return claims;
    }

    private static void options(ClaimDecider decider, Flow.Stage stage, Question question, Claim answered, List<Claim> claims) {
        Optional<ClaimId> unanswered = answered.verdict() == Verdict.REFUTED
                ? answered.follows().or(() -> Optional.of(answered.identity()))
                : Optional.empty();
        boolean choice = question.answer().isChoice();
        for (Option option : choice ? question.answer().options() : List.<Option>of()) {
            String place = question.code() + "." + option.code();
            Optional<ClaimId> follows = decider.refuted(ClaimKind.REACH_OPTION, place).or(() -> unanswered);
            claims.add(
                    accepted(decider, stage, question, ClaimKind.OPTION_ACCEPTED, place,
                            f -> f.space().axis(question.code()).option(option.code()),
                            i -> isChosen(i, question, option.code()),
                            ClaimKind.OPTION_ACCEPTED.message("claim").text("option", option.code()).code("code", question.code()),
                            ClaimKind.OPTION_ACCEPTED.message("refuted").text("option", option.label()), follows));
        }
        if (question.answer().domain() instanceof Domain.Truths(boolean onlyTrue) && !onlyTrue && !question.requireWhen().isEmpty()) {
            for (boolean answer : new boolean[]{true, false}) {
                String word = answer ? "yes" : "no";
                claims.add(accepted(decider, stage, question, ClaimKind.OPTION_ACCEPTED, question.code() + "." + word,
                        f -> f.space().axis(question.code()).truth(answer), i -> isChosen(i, question, answer),
                        ClaimKind.OPTION_ACCEPTED.message("claim." + word).code("code", question.code()),
                        ClaimKind.OPTION_ACCEPTED.message("refuted." + word), unanswered));
            }
        }
    }

    private static boolean isChosen(Interview interview, Question question, Object answer) {
        Object given = interview.course().effective().get(question.code());
        return answer.equals(given) || given instanceof List<?> chosen && chosen.contains(answer);
    }

    /** A claim that somebody answers like this and leaves the page. */
    private static Claim accepted(ClaimDecider decider, Flow.Stage stage, Question question, ClaimKind kind, String place,
            ToIntFunction<Flow> chosen,
            Predicate<Interview> gives, Message statement, Message impossible, Optional<ClaimId> follows) {
        int page = stage.sets().index();
        ToIntFunction<Flow> passing = f -> f.space().diagrams().and(f.stages().get(page).passing(), chosen.applyAsInt(f));
        Supplier<ClaimDecider.Sought> sought = () -> decider.at(page, passing.applyAsInt(decider.flow), true, i -> i.course().current()
                .filter(v -> v.page().code().equals(stage.sets().page().code()) && v.problems().isEmpty()).isPresent() && gives.test(i));
        // Who is not asked has a blank answer, so that whoever answers is asked.
        boolean nobody = decider.d.disjoint(stage.passing(), chosen.applyAsInt(decider.flow));
        return decider.some(kind, place, statement, nobody, sought, follows,
                ClaimKind.ANSWER_ACCEPTED.message("proved"),
                () -> {
                    if (follows.isPresent()) {
                        return new Finding.Fact(impossible);
                    }
                    List<String> about = new ArrayList<>(stage.sets().problems().keySet());
                    about.add(question.code() + ".askWhen");
                    about.add(question.code() + ".lockWhen");
                    Cores.Core core = Cores.smallest(decider.space, page + 1, about, passing);
                    return new Finding.Conflict(impossible, core.refusing());
                });
    }

    private static Claim passable(ClaimDecider decider, Flow.Stage stage) {
        Diagrams d = decider.d;
        PageSets sets = stage.sets();
        Page page = sets.page();
        // What is open and hangs on this page's own answers may refuse whichever of them is given, so it must be passed either way.
        BitSet open = d.support(sets.accepted());
        open.and(decider.space.openLevels());
        BitSet openHere = decider.space.openOn(open, sets.questionCodes());
        BitSet forgotten = (BitSet) sets.levels().clone();
        forgotten.or(openHere);
        int own = d.cube(sets.levels());
        int arrived = d.andExists(stage.coming(), sets.visited(), d.cube(forgotten));
        int passes = d.andExists(stage.coming(), d.forAll(sets.accepted(), d.cube(openHere)), own);
        int stuck = d.minus(arrived, passes);
        Message statement = ClaimKind.PAGE_PASSABLE.message("claim").code("page", page.code());
        if (stuck != Diagrams.NONE && !open.isEmpty()) {
            return ClaimDecider.undecided(ClaimKind.PAGE_PASSABLE, page.code(), statement, decider.open(sets.accepted()));
        }
        ClaimDecider.Sought sought = decider.at(sets.index(), stuck == Diagrams.NONE ? stuck : d.and(stuck, stage.coming()), false,
                i -> i.course().current().filter(v -> v.page().code().equals(page.code())).isPresent());
        Claim claim = decider.none(ClaimKind.PAGE_PASSABLE, page.code(), statement, sought,
                ClaimKind.PAGE_PASSABLE.message("proved"),
                () -> ClaimKind.PAGE_PASSABLE.message("refuted").text("page", page.title()));
        if (claim.verdict() != Verdict.REFUTED) {
            return claim;
        }
        return new Claim(ClaimKind.PAGE_PASSABLE, page.code(), statement, Verdict.REFUTED, Optional.empty(), () -> {
            Finding found = claim.finding();
            return found.witness().<Finding>map(w -> {
                List<String> core = blocking(decider, stage, w);
                return new Finding.Respondent(found.says(), Optional.empty(),
                        Optional.of(ConflictCore.of("core.block", core, core, "list.semicolon")), w, Optional.empty());
            }).orElse(found);
        });
    }

    /** The fewest requirements of the page that together leave the witness no way on. */
    private static List<String> blocking(ClaimDecider decider, Flow.Stage stage, Map<String, Object> witness) {
        Diagrams d = decider.d;
        PageSets sets = stage.sets();
        int here = d.and(stage.coming(), sets.visited());
        for (Map.Entry<String, Object> e : witness.entrySet()) {
            here = d.and(here, decider.space.cellOf(decider.space.axis(e.getKey()), e.getValue()));
        }
        for (var axis : decider.space.axes()) {
            boolean own = axis.question() != null && sets.questionCodes().contains(axis.code());
            if (!own && !witness.containsKey(axis.code())) {
                here = d.and(here, axis.blank());
            }
        }
        Map<String, Integer> problems = new LinkedHashMap<>(sets.problems());
        for (String place : List.copyOf(problems.keySet())) {
            int set = problems.remove(place);
            if (!blocks(d, here, problems)) {
                problems.put(place, set);
            }
        }
        return sets.problems().keySet().stream().filter(problems::containsKey).toList();
    }

    private static boolean blocks(Diagrams d, int here, Map<String, Integer> problems) {
        int left = here;
        for (int problem : problems.values()) {
            left = d.minus(left, problem);
        }
        return left == Diagrams.NONE;
    }
}
