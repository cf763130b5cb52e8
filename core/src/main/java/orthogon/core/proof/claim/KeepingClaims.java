package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntSupplier;
import java.util.function.Predicate;
import java.util.function.Supplier;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;

/**
 * No answer is lost by going back. An answer can be lost where, with the same link, some respondents give it and others' answers on
 * earlier pages leave its question unasked, or its option off offer, whatever they answer on its own page. What goes on the same page
 * goes under the respondent's eyes and does not count.
 */
final class KeepingClaims implements PageByPage {

    private final Court court;
    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final BitSet link;
    /** For each page, what came with the link to those who go past it by a skip or a finish. */
    private final int[] past;
    private final Map<String, String> leads = new HashMap<>();

    /** The court's flow must remember what came with the link to the end. */
    KeepingClaims(Court court) {
        this.court = court;
        this.flow = court.flow;
        this.space = court.space;
        this.d = court.d;
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
        return past[page] == ((KeepingClaims) before).past[page]
                && (past[page] == Diagrams.NONE || decided.stream().allMatch(c -> c.verdict() == Verdict.PROVED));
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
        String statement = "the answer to " + code + " is not lost by changing an earlier page";
        if (question.keepWhenHidden()) {
            return new Claim(Family.KEEPING, "answers-kept", code, statement, Verdict.PROVED, Optional.empty(),
                    () -> Claim.Explanation.of("It is kept even where its question is not asked in the end."));
        }
        Axis axis = space.axis(code);
        int shown = stage.sets().shown(code);
        int own = d.minus(stage.passing(), flow.truth(code + ".lockWhen", false).holds());
        Claim whole = lost(stage, code, statement, () -> d.minus(own, axis.blank()), shown, past,
                i -> !i.course().asked().contains(code));
        if (whole.verdict() != Verdict.PROVED) {
            return whole;
        }
        boolean choice = question.answer() instanceof Answer.OneChoice || question.answer() instanceof Answer.ManyChoices;
        for (Answer.Option option : choice ? question.answer().options() : List.<Answer.Option>of()) {
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
    private Claim lost(Flow.Stage stage, String code, String statement, IntSupplier given, int possible, int past,
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
        Supplier<Court.Sought> first = () -> court.at(page, d.and(given.getAsInt(), links), true, i -> i.course().current()
                .filter(v -> v.page().code().equals(pageCode)).isPresent() && i.course().effective().containsKey(code));
        Claim claim = court.none(Family.KEEPING, "answers-kept", code, statement, links == Diagrams.NONE, first,
                "No change on an earlier page takes it away.", () -> "");
        if (claim.verdict() != Verdict.REFUTED) {
            return claim;
        }
        Optional<String> lead = lead(page, d.and(cannot, links), links, code);
        if (!space.openLevels().isEmpty()) {
            // That nothing on its page brings the question back cannot be shown by one interview.
            return Court.undecided(Family.KEEPING, "answers-kept", code, statement, court.open(d.or(given.getAsInt(), cannot)));
        }
        return new Claim(Family.KEEPING, "answers-kept", code, statement, Verdict.REFUTED, lead.map(l -> "answers-kept " + l), () -> {
            Optional<Map<String, Object>> one = claim.explanation().witness();
            Optional<Map<String, Object>> second = loses(page, without, cannot, links);
            return one.isEmpty() || second.isEmpty()
                    ? Claim.Explanation.of(Replay.DISAGREE)
                    : new Claim.Explanation(code + " is answered by the first respondent. With the earlier answers of the second it does "
                            + "not count: " + changes(page, one.get(), second.get())
                            + ". Whoever goes back and makes that change loses the answer.",
                            "Respondents are told before it happens. Keep the answer when its question goes, if it is still of use.",
                            List.of(), one, second, Optional.of(new Mend("Keep the answer to " + code, code + ".keepWhenHidden", "true")));
        });
    }

    /** The first question that is lost in the same way: by the same rule, or together on a page. What follows it is told with it. */
    private Optional<String> lead(int page, int cannot, int links, String code) {
        String way = cannot != Diagrams.NONE
                ? page + " " + cannot
                : exitsPast(page).stream().filter(e -> d.and(e.remembered(), links) != Diagrams.NONE).map(Flow.Exit::place).findFirst()
                        .orElse("");
        String known = leads.putIfAbsent(way, code);
        return Optional.ofNullable(known).filter(k -> !k.equals(code));
    }

    private Optional<Map<String, Object>> loses(int page, Predicate<Interview> without, int cannot, int links) {
        int here = d.and(cannot, links);
        if (here != Diagrams.NONE) {
            return court.witness(court.at(page, here, false, without));
        }
        for (Flow.Exit exit : exitsPast(page)) {
            int set = d.and(exit.remembered(), links);
            if (set != Diagrams.NONE) {
                return court.witness(new Court.Sought(page, exit, set, true, without));
            }
        }
        return Optional.empty();
    }

    private String changes(int page, Map<String, Object> one, Map<String, Object> two) {
        List<String> changes = new ArrayList<>();
        for (Page earlier : space.wiring().document().pages().subList(0, page)) {
            earlier.questions().map(Question::code).filter(q -> !Objects.equals(one.get(q), two.get(q)))
                    .forEach(q -> changes.add(q + " is " + said(two.get(q)) + " instead of " + said(one.get(q))));
        }
        return String.join(", ", changes);
    }

    private static String said(Object value) {
        return switch (value) {
            case null -> "blank";
            case Boolean b -> b ? "yes" : "no";
            default -> value.toString();
        };
    }
}
