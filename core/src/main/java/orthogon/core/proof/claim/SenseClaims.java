package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** No condition is always true or never true among those who come to evaluate it. */
final class SenseClaims {

    private final Court court;
    private final Diagrams d;
    private final Questionnaire document;

    private SenseClaims(Court court) {
        this.court = court;
        this.d = court.d;
        this.document = court.space.wiring().document();
    }

    /** @param reach the reach claims, of which others may be consequences */
    static List<Claim> of(Court court, List<Claim> reach) {
        SenseClaims sense = new SenseClaims(court);
        List<Claim> claims = new ArrayList<>();
        for (Wire wire : court.space.wiring().wires()) {
            boolean varies = wire.family().isCondition() && wire.family() != Wiring.Family.CLAIM
                    && !wire.readable().map(e -> e.comparisons().isEmpty()).orElse(false);
            if (varies) {
                claims.add(sense.varies(wire, reach));
            }
        }
        return claims;
    }

    private Claim varies(Wire wire, List<Claim> reach) {
        String place = wire.place();
        String statement = "the condition " + place + " holds for some and not for others";
        Optional<String> cause = court.space.causeAt(place);
        if (cause.isPresent()) {
            return Court.undecided(Family.SENSE, "condition-varies", place, statement, cause.get());
        }
        ToIntFunction<Flow> come = f -> evaluated(f, wire);
        int here = come.applyAsInt(court.flow);
        if (here == Diagrams.NONE) {
            if (court.flow.lostAt().isPresent()) {
                return Court.undecided(Family.SENSE, "condition-varies", place, statement, court.flow.lostAt().get());
            }
            Optional<String> follows = Optional.of(whyNobody(wire, reach));
            return new Claim(Family.SENSE, "condition-varies", place, statement, Verdict.REFUTED, follows,
                    () -> Claim.Explanation.of("Nobody ever comes to evaluate this condition. This follows from " + follows.get() + "."));
        }
        int holds = d.and(here, passing(court.flow, wire));
        int fails = d.minus(here, passing(court.flow, wire));
        if (holds == Diagrams.NONE || fails == Diagrams.NONE) {
            boolean never = holds == Diagrams.NONE;
            Optional<String> follows = never ? ownReach(wire, reach) : Optional.empty();
            if (court.flow.lostAt().isPresent()) {
                return Court.undecided(Family.SENSE, "condition-varies", place, statement, court.flow.lostAt().get());
            }
            return new Claim(Family.SENSE, "condition-varies", place, statement, Verdict.REFUTED, follows, () -> {
                String sentence = court.sentences.at(place);
                String headline = sentence.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + sentence.substring(1) + ": "
                        + (never ? "this never holds." : "this always holds.");
                List<String> core = Cores.smallest(court.space, List.of(place), f -> never
                        ? f.space().diagrams().and(come.applyAsInt(f), passing(f, wire))
                        : f.space().diagrams().minus(come.applyAsInt(f), passing(f, wire)));
                List<String> others = core.stream().filter(c -> !c.equals(place)).map(court.sentences::at).toList();
                String why = others.isEmpty()
                        ? "The limits of the answers and this condition alone make it so."
                        : "That is so because " + String.join(", and ", others) + ".";
                return new Claim.Explanation(headline, why, core, Optional.empty());
            });
        }
        return both(wire, statement, holds, fails);
    }

    private Claim both(Wire wire, String statement, int holds, int fails) {
        Court.Sought yes = sought(wire, holds, true);
        Court.Sought no = sought(wire, fails, false);
        if (!court.space.openLevels().isEmpty() && (court.witness(yes).isEmpty() || court.witness(no).isEmpty())) {
            return Court.undecided(Family.SENSE, "condition-varies", wire.place(), statement, court.open(d.or(holds, fails)));
        }
        return new Claim(Family.SENSE, "condition-varies", wire.place(), statement, Verdict.PROVED, Optional.empty(), () -> {
            Optional<Map<String, Object>> witness = court.witness(yes);
            return new Claim.Explanation("It holds for this respondent, and not for all.", "", List.of(), witness);
        });
    }

    private Court.Sought sought(Wire wire, int set, boolean wanted) {
        Predicate<Interview> turnsOut = i -> wanted == (wire.family() == Wiring.Family.ACCEPT
                ? !Boolean.FALSE.equals(i.truth(wire.place()))
                : Boolean.TRUE.equals(i.truth(wire.place())));
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return court.atEnd(e -> e.kind() == Flow.Kind.FINISH ? Diagrams.NONE : set, turnsOut.and(i -> comesToRow(i, index(wire))));
        }
        int p = page(wire);
        int visited = d.and(set, court.flow.stages().get(p).sets().visited());
        if (wire.family() == Wiring.Family.OPEN_WHEN) {
            return court.at(p, set, false, turnsOut.and(i -> comesTo(i, p)));
        }
        // A page may be open and then passed by as empty; no interview shows its items then, so it is believed only where nothing is open.
        return visited == Diagrams.NONE
                ? court.at(p, set, false, i -> court.space.openLevels().isEmpty())
                : court.at(p, visited, true, turnsOut.and(i -> isAt(i, p) && evaluates(i, wire)));
    }

    /** Whether the interview passed all before a page and no rule led past it, whether the page was then visited or not. */
    private boolean comesTo(Interview interview, int page) {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        Course course = interview.course();
        boolean passed = course.pages().stream().map(v -> v.page().code()).filter(c -> codes.indexOf(c) < page)
                .allMatch(interview.passed()::contains);
        return passed && course.taken().stream().noneMatch(place -> {
            String[] parts = place.split("/");
            Page from = document.page(parts[0]).orElseThrow();
            boolean finish = parts[1].equals("finish");
            return codes.indexOf(from.code()) < page
                    && (finish || codes.indexOf(from.skip().get(Integer.parseInt(parts[2])).to()) > page);
        });
    }

    private static boolean comesToRow(Interview interview, int row) {
        Course course = interview.course();
        return course.complete() && course.endedBy().map(place -> place.startsWith("outcomeTable/")
                && Integer.parseInt(place.substring("outcomeTable/".length())) >= row).orElse(true);
    }

    /** Whether the interview, which is at the condition's page, comes to evaluate it. */
    private boolean evaluates(Interview interview, Wire wire) {
        Course course = interview.course();
        return switch (wire.family()) {
            case ASK_WHEN -> document.items().filter(Section.class::isInstance).filter(s -> !s.code().equals(wire.owner()))
                    .filter(s -> s.withInner().anyMatch(i -> i.code().equals(wire.owner())))
                    .allMatch(s -> course.asked().contains(s.code()));
            case ACCEPT -> course.effective().containsKey(wire.owner());
            case FINISH, SKIP -> course.current().orElseThrow().problems().isEmpty() && rulesBefore(wire).stream()
                    .noneMatch(place -> Boolean.TRUE.equals(interview.truth(place)));
            default -> course.asked().contains(wire.owner());
        };
    }

    /** The finishes and skips of the page that are tried before this one. */
    private List<String> rulesBefore(Wire wire) {
        Page page = document.page(wire.owner()).orElseThrow();
        boolean skip = wire.family() == Wiring.Family.SKIP;
        List<String> before = new ArrayList<>();
        for (int i = 0; i < (skip ? page.finish().size() : index(wire)); i++) {
            before.add(page.code() + "/finish/" + i);
        }
        for (int i = 0; skip && i < index(wire); i++) {
            before.add(page.code() + "/skip/" + i);
        }
        return before;
    }

    private boolean isAt(Interview interview, int page) {
        return interview.course().current().filter(v -> v.page().code().equals(document.pages().get(page).code())).isPresent();
    }

    private int page(Wire wire) {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        boolean ofPage = wire.family() == Wiring.Family.OPEN_WHEN || wire.family() == Wiring.Family.FINISH
                || wire.family() == Wiring.Family.SKIP;
        return codes.indexOf(ofPage ? wire.owner() : document.pageOf(wire.owner()).orElseThrow().code());
    }

    private static int index(Wire wire) {
        return Integer.parseInt(wire.place().substring(wire.place().lastIndexOf('/') + 1));
    }

    /** Those who come to evaluate the condition, with whatever answers within their own limits. */
    private int evaluated(Flow flow, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return flow.rowReached(index(wire));
        }
        Flow.Stage stage = flow.stages().get(page(wire));
        int possible = sets.and(stage.coming(), stage.sets().answers());
        return switch (wire.family()) {
            case OPEN_WHEN -> stage.coming();
            case ASK_WHEN -> sets.and(possible, stage.sets().around(wire.owner()));
            case ACCEPT -> sets.minus(sets.and(possible, stage.sets().shown(wire.owner())),
                    flow.space().axis(wire.owner()).blank());
            case FINISH, SKIP -> notTakenBefore(flow, stage, wire);
            default -> sets.and(possible, stage.sets().shown(wire.owner()));
        };
    }

    private int notTakenBefore(Flow flow, Flow.Stage stage, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        int rest = sets.and(stage.coming(), stage.sets().accepted());
        for (String place : rulesBefore(wire)) {
            rest = sets.minus(rest, stage.sets().ruleHolds(place));
        }
        return rest;
    }

    /** Where the condition holds; for accept, where it does not refuse. */
    private int passing(Flow flow, Wire wire) {
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return flow.rowHolds(index(wire));
        }
        Truth truth = flow.truth(wire.place(), true);
        return wire.family() == Wiring.Family.ACCEPT ? flow.space().diagrams().not(truth.fails()) : truth.holds();
    }

    private Optional<String> refuted(List<Claim> reach, String kind, String place) {
        return reach.stream().filter(c -> c.kind().equals(kind) && c.place().equals(place) && c.verdict() == Verdict.REFUTED)
                .map(c -> c.follows().orElse(c.id())).findFirst();
    }

    private String whyNobody(Wire wire, List<Claim> reach) {
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return "reach-row " + wire.place();
        }
        String page = document.pages().get(page(wire)).code();
        Optional<String> ofPage = refuted(reach, "reach-page", page);
        Optional<String> ofItem = refuted(reach, "reach-question", wire.owner()).or(() -> refuted(reach, "reach-section", wire.owner()))
                .or(() -> refuted(reach, "reach-note", wire.owner()));
        return switch (wire.family()) {
            case FINISH, SKIP -> ofPage.or(() -> ownReach(wire, reach)).orElse("page-passable " + page);
            case OPEN_WHEN -> ofPage.orElse("reach-page " + page);
            default -> ofPage.or(() -> ofItem).orElse("reach-question " + wire.owner());
        };
    }

    /** The reach claim that says of the same thing that it never happens. */
    private Optional<String> ownReach(Wire wire, List<Claim> reach) {
        String owner = wire.owner();
        return switch (wire.family()) {
            case OPEN_WHEN -> refuted(reach, "reach-page", owner);
            case ASK_WHEN -> refuted(reach, "reach-question", owner).or(() -> refuted(reach, "reach-section", owner))
                    .or(() -> refuted(reach, "reach-note", owner));
            case OFFER_WHEN -> refuted(reach, "reach-option", wire.place().replace(".offerWhen", ""));
            case FINISH -> refuted(reach, "reach-finish", wire.place());
            case SKIP -> refuted(reach, "reach-skip", wire.place());
            case OUTCOME_ROW -> refuted(reach, "reach-row", wire.place());
            default -> Optional.empty();
        };
    }
}
