package orthogon.core.proof.claim;

import orthogon.core.answer.Option;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntSupplier;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * No answer is lost by going back. An answer can be lost where, with the same link, some respondents give it and others' answers on
 * earlier pages leave its question unasked, or its option off offer, whatever they answer on its own page. What goes on the same page
 * goes under the respondent's eyes and does not count.
 */
final class KeepingClaims implements PageByPage {

    private final ClaimDecider decider;
    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final BitSet link;
    /** For each page, what came with the link to those who go past it by a skip or a finish. */
    private final int[] past;
    /** The earlier question that decides to the first question whose answer is lost by a change of it. */
    private final Map<String, String> leads = new HashMap<>();
    /** All whose answers are lost by a change of the same earlier answer, by the first of them. */
    private final Map<String, Set<String>> together = new HashMap<>();
    /** For each answer that is lost, the earlier question that decides. */
    private final Map<String, String> deciders = new HashMap<>();

    /** @param decider its flow must remember what came with the link to the end. */
    KeepingClaims(ClaimDecider decider) {
        this.decider = decider;
        this.flow = decider.flow;
        this.space = decider.space;
        this.d = decider.d;
        this.link = space.linkLevels();
        this.past = new int[flow.stages().size()];
        Arrays.fill(past, Diagrams.NONE);
        linksPast();
    }

    @Override
    public List<Claim> on(int page) {
        Flow.Stage stage = flow.stages().get(page);
        return stage.sets().page().questions().filter(q -> !q.isHidden()).map(q -> claim(stage, q, past[page]).advisory()).toList();
    }

    /** Answers that are lost by going past their page are told with those on other pages that are lost in the same way. */
    @Override
    public boolean stand(int page, PageByPage before, List<Claim> decided) {
        KeepingClaims known = (KeepingClaims) before;
        List<Claim> lost = decided.stream().filter(c -> c.verdict() != Verdict.PROVED).toList();
        return past[page] == known.past[page] && (past[page] == Diagrams.NONE || lost.isEmpty())
                && lost.stream().allMatch(c -> followsAs(c, known.deciders.get(c.place())));
    }

    /** Whether a claim of the document before the edit still follows the claim that it followed. */
    private boolean followsAs(Claim claim, String deciding) {
        return deciding != null && claim.follows().equals(follow(deciding, claim.place()).map(l -> new ClaimId(ClaimKind.ANSWERS_KEPT, l)));
    }

    /** The first answer that is lost by a change of the deciding one; empty where that is this one. */
    private Optional<String> follow(String deciding, String code) {
        deciders.put(code, deciding);
        leads.putIfAbsent(deciding, code);
        together.computeIfAbsent(leads.get(deciding), c -> new LinkedHashSet<>()).add(code);
        return Optional.of(leads.get(deciding)).filter(l -> !l.equals(code));
    }

    private void linksPast() {
        for (Flow.Stage stage : flow.stages()) {
            for (Flow.Exit exit : stage.exits()) {
                for (int p = exit.from() + 1; p < exit.target(); p++) {
                    past[p] = d.or(past[p], onLink(exit.set()));
                }
            }
        }
    }

    private List<Flow.Exit> exitsPast(int page) {
        return flow.stages().subList(0, page).stream().flatMap(s -> s.exits().stream()).filter(e -> e.target() > page).toList();
    }

    private int onLink(int set) {
        if (link.isEmpty()) {
            return set == Diagrams.NONE ? Diagrams.NONE : Diagrams.ALL;
        }
        BitSet others = d.support(set);
        others.andNot(link);
        return d.exists(set, d.cube(others));
    }

    private Claim claim(Flow.Stage stage, Question question, int past) {
        String code = question.code();
        Message statement = ClaimKind.ANSWERS_KEPT.message("claim").code("code", code);
        if (question.keepWhenHidden()) {
            return new Claim(ClaimKind.ANSWERS_KEPT, code, statement, Verdict.PROVED, Optional.empty(),
                    () -> new Finding.Fact(ClaimKind.ANSWERS_KEPT.message("always")));
        }
        Axis axis = space.axis(code);
        int shown = stage.sets().shown(code);
        int own = d.minus(stage.passing(), flow.truth(code + ".lockWhen", false).holds());
        Claim whole = lost(stage, code, statement, () -> d.minus(own, axis.blank()), shown, past,
                i -> !i.course().asked().contains(code));
        if (whole.verdict() != Verdict.PROVED) {
            return whole;
        }
        boolean choice = question.answer().isChoice();
        for (Option option : choice ? question.answer().options() : List.<Option>of()) {
            if (!option.offerWhen().isEmpty()) {
                int offered = d.and(shown, flow.truth(code + "." + option.code() + ".offerWhen", true).holds());
                Claim one = lost(stage, code, statement, () -> d.and(own, axis.option(option.code())), offered, Diagrams.NONE,
                        i -> !ReachClaims.isOffered(i, code, option.code()));
                if (one.verdict() != Verdict.PROVED) {
                    return one;
                }
            }
        }
        return whole;
    }

    /**
     * @param given who gives the answer
     * @param possible where it can be given on its page
     * @param past what came with the link to those who go past the page
     * @param without whether it cannot be given in an interview
     */
    private Claim lost(Flow.Stage stage, String code, Message statement, IntSupplier given, int possible, int past,
            Predicate<Interview> without) {
        int page = stage.sets().index();
        int can = d.support(possible).intersects(stage.sets().levels())
                ? d.andExists(stage.sets().answers(), possible, d.cube(stage.sets().levels()))
                : d.and(possible, stage.sets().answerable());
        int cannot = d.minus(stage.coming(), can);
        int links = cannot == Diagrams.NONE && past == Diagrams.NONE
                ? Diagrams.NONE
                : d.and(onLink(given.getAsInt()), d.or(onLink(cannot), past));
        String pageCode = stage.sets().page().code();
        Supplier<ClaimDecider.Sought> first = () -> decider.at(page, d.and(given.getAsInt(), links), true, i -> i.course().current()
                .filter(v -> v.page().code().equals(pageCode)).isPresent() && i.course().effective().containsKey(code));
        Claim claim = decider.none(ClaimKind.ANSWERS_KEPT, code, statement, links == Diagrams.NONE, first,
                ClaimKind.ANSWERS_KEPT.message("proved"), () -> ClaimKind.ANSWERS_KEPT.message("claim").code("code", code));
        if (claim.verdict() != Verdict.REFUTED) {
            return claim;
        }
        Optional<String> lead = lead(stage, d.and(cannot, links), links, code);
        if (!space.openLevels().isEmpty()) {
            // That nothing on its page brings the question back cannot be shown by one interview.
            return ClaimDecider.undecided(ClaimKind.ANSWERS_KEPT, code, statement, decider.open(d.or(given.getAsInt(), cannot)));
        }
        return new Claim(ClaimKind.ANSWERS_KEPT, code, statement, Verdict.REFUTED, lead.map(l -> new ClaimId(ClaimKind.ANSWERS_KEPT, l)),
                () -> {
                    List<String> others = together.getOrDefault(code, Set.of()).stream()
                            .filter(c -> !c.equals(code) && space.plainForm().isSaid(c))
                            .toList();
                    Optional<Map<String, Object>> one = claim.finding().witness();
                    Optional<Map<String, Object>> second = loses(page, without, cannot, links);
                    if (one.isEmpty() || second.isEmpty()) {
                        return Finding.disagreement();
                    }
                    Message says = ClaimKind.ANSWERS_KEPT.message(others.isEmpty() ? "refuted" : "refuted.others")
                            .with("changes", changes(page, code, one.get(), second.get())).code("code", code)
                            .with("others", new Message.Term.Several(others.stream().map(Message.Term.Code::new).toList(), "list.comma"));
                    return new Finding.Pair(says, Optional.of(ClaimKind.ANSWERS_KEPT.message("advice")), one.get(), second.get(),
                            Optional.of(new Mend(ClaimKind.ANSWERS_KEPT.message("mend").code("code", code),
                                    code + ".keepWhenHidden", "true")));
                });
    }

    /** The first question that is lost by a change of the same earlier answer. What follows it is told with it. */
    private Optional<String> lead(Flow.Stage stage, int cannot, int links, String code) {
        int page = stage.sets().index();
        int set = cannot;
        String rule = "";
        for (Flow.Exit exit : set == Diagrams.NONE ? exitsPast(page) : List.<Flow.Exit>of()) {
            if (d.and(exit.remembered(), links) != Diagrams.NONE) {
                set = d.or(set, exit.set());
                rule = rule.isEmpty() ? exit.place() : rule;
            }
        }
        return follow(deciding(stage, set, rule, code), code);
    }

    /** The first earlier question that a condition on the way to the answer speaks of and that the set hangs on; else the first of either. */
    private String deciding(Flow.Stage stage, int set, String rule, String code) {
        Set<String> spoken = new LinkedHashSet<>();
        List<String> places = new ArrayList<>(List.of(stage.sets().page().code() + ".openWhen", rule));
        Optional<String> around = Optional.of(code);
        while (around.isPresent()) {
            places.add(around.get() + ".askWhen");
            around = space.wiring().document().containerOf(around.get());
        }
        places.forEach(p -> space.expr(p).ifPresent(e -> spoken.addAll(e.references())));
        BitSet support = d.support(set);
        List<String> hangsOn = new ArrayList<>();
        space.axes().forEach(axis -> {
            if (support.intersects(axis.levels()) && axis.question() != null && !stage.sets().questionCodes().contains(axis.code())) {
                hangsOn.add(axis.code());
            }
        });
        return hangsOn.stream().filter(spoken::contains).findFirst().or(() -> hangsOn.stream().findFirst()).orElse(code);
    }

    private Optional<Map<String, Object>> loses(int page, Predicate<Interview> without, int cannot, int links) {
        int here = d.and(cannot, links);
        if (here != Diagrams.NONE) {
            return decider.witness(decider.at(page, here, false, without));
        }
        for (Flow.Exit exit : exitsPast(page)) {
            int set = d.and(exit.remembered(), links);
            if (set != Diagrams.NONE) {
                return decider.witness(new ClaimDecider.Sought(page, exit, set, true, without));
            }
        }
        return Optional.empty();
    }

    private Message.Term changes(int page, String code, Map<String, Object> one, Map<String, Object> two) {
        String decides = deciders.getOrDefault(code, code);
        List<String> changed = new ArrayList<>();
        if (!Objects.equals(one.get(decides), two.get(decides))) {
            changed.add(decides);
        } else {
            for (Page earlier : space.wiring().document().pages().subList(0, page)) {
                earlier.questions().map(Question::code).filter(q -> !Objects.equals(one.get(q), two.get(q))).forEach(changed::add);
            }
        }
        return new Message.Term.Several(changed.stream().map(q -> new Message.Term.Inner(ClaimKind.ANSWERS_KEPT.message("change")
                .code("code", q).with("from", value(one.get(q))).with("to", value(two.get(q))))).toList(), "list.plain-and");
    }

    private static Message.Term value(Object value) {
        return switch (value) {
            case null -> new Message.Term.Inner(Message.of("value.blank"));
            case Boolean b -> new Message.Term.Inner(Message.of(b ? "value.yes" : "value.no"));
            default -> new Message.Term.Given(value.toString());
        };
    }
}
