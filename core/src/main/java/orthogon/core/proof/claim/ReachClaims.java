package orthogon.core.proof.claim;

import orthogon.core.answer.Option;
import orthogon.core.interview.Interview;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;

/** Every page, question, section, note, option, skip, finish, outcome row and outcome is reached by somebody. */
final class ReachClaims implements PageByPage {

    private final ClaimDecider decider;
    private final Diagrams d;
    private final Questionnaire document;
    private List<Claim> claims = new ArrayList<>();

    ReachClaims(ClaimDecider decider) {
        this.decider = decider;
        this.d = decider.d;
        this.document = decider.space.wiring().document();
    }

    @Override
    public List<Claim> on(int page) {
        claims = new ArrayList<>();
        page(page);
        return claims;
    }

    @Override
    public List<Claim> atEnd() {
        claims = new ArrayList<>();
        endings();
        return claims;
    }

    private Claim add(ClaimKind kind, String place, Message statement, ClaimDecider.Sought sought, Optional<ClaimId> follows,
            Message impossible, List<String> about, ToIntFunction<Flow> target) {
        return add(kind, place, statement, sought, follows, impossible, Message.of("core.alone"), about, target);
    }

    /** @param otherwise what is told where no conditions exclude it */
    private Claim add(ClaimKind kind, String place, Message statement, ClaimDecider.Sought sought, Optional<ClaimId> follows,
            Message impossible, Message otherwise, List<String> about, ToIntFunction<Flow> target) {
        Claim claim = decider.some(kind, place, statement, sought, follows, kind.message("proved"), () -> {
            if (follows.isPresent()) {
                return new Finding.Fact(impossible);
            }
            int pages = sought.ending() == null && sought.page() >= 0 ? sought.page() + 1 : document.pages().size();
            Cores.Core core = Cores.smallest(decider.space, pages, about, target);
            return new Finding.Conflict(impossible, core.excluding(otherwise));
        });
        claims.add(claim);
        return claim;
    }

    private static int arrived(Flow flow, int page) {
        return flow.stages().get(page).present();
    }

    private int and(Flow flow, int a, int b) {
        return flow.space().diagrams().and(a, b);
    }

    private void page(int p) {
        Page page = document.pages().get(p);
        String open = page.code() + ".openWhen";
        List<String> rules = rulesBefore(p);
        Claim pageClaim = add(ClaimKind.REACH_PAGE, page.code(), ClaimKind.REACH_PAGE.message("claim").code("page", page.code()),
                decider.at(p, arrived(decider.flow, p), false, i -> isAt(i, page)), Optional.empty(),
                ClaimKind.REACH_PAGE.message("refuted").text("page", page.title(), page.code()),
                with(rules, with(List.of(open), page.allItems().map(i -> i.code() + ".askWhen").toList())), f -> arrived(f, p));
        Optional<ClaimId> cause = refuted(pageClaim);
        items(page.items(), p, cause, rules);
        for (int i = 0; i < page.finish().size(); i++) {
            rule(ClaimKind.REACH_FINISH, Rule.at(page.code(), RuleFamily.FINISH, i), page, p, cause, rules);
        }
        for (int i = 0; i < page.skip().size(); i++) {
            rule(ClaimKind.REACH_SKIP, Rule.at(page.code(), RuleFamily.SKIP, i), page, p, cause, rules);
        }
    }

    private static int exitSet(Flow flow, int page, String place) {
        return flow.stages().get(page).exits().stream().filter(e -> e.place().equals(place)).map(Flow.Exit::set).findFirst()
                .orElse(Diagrams.NONE);
    }

    private static Optional<ClaimId> refuted(Claim claim) {
        return claim.verdict() == Verdict.REFUTED ? claim.follows().or(() -> Optional.of(claim.identity())) : Optional.empty();
    }

    /** Whoever skips past a page, ends before it or is stuck before it may be part of the reason. */
    private List<String> rulesBefore(int page) {
        Set<String> places = new LinkedHashSet<>();
        for (Page earlier : document.pages().subList(0, page)) {
            for (int i = 0; i < earlier.finish().size(); i++) {
                places.add(earlier.code() + "/finish/" + i);
            }
            for (int i = 0; i < earlier.skip().size(); i++) {
                places.add(earlier.code() + "/skip/" + i);
            }
        }
        return List.copyOf(places);
    }

    private static List<String> with(List<String> first, List<String> second) {
        List<String> all = new ArrayList<>(second);
        all.addAll(first);
        return all;
    }

    private static boolean isAt(Interview interview, Page page) {
        return interview.course().current().filter(v -> v.page().code().equals(page.code())).isPresent();
    }

    private void items(List<Item> items, int p, Optional<ClaimId> cause, List<String> rules) {
        Page page = document.pages().get(p);
        for (Item item : items) {
            if (item instanceof Derived || item instanceof Question q && q.isHidden()) {
                continue;
            }
            String code = item.code();
            ClaimKind kind = switch (item) {
                case Question q -> ClaimKind.REACH_QUESTION;
                case Note n -> ClaimKind.REACH_NOTE;
                default -> ClaimKind.REACH_SECTION;
            };
            List<String> about = with(rules, with(List.of(page.code() + ".openWhen"), List.of(code + ".askWhen")));
            ToIntFunction<Flow> shown = f -> and(f, arrived(f, p), f.stages().get(p).sets().shown(code));
            Claim claim = add(kind, code, kind.message("claim").code("code", code),
                    decider.at(p, shown.applyAsInt(decider.flow), true, i -> isAt(i, page) && isAsked(i, item)), cause,
                    kind.message("refuted").text("wording", item.wording(), code), about, shown);
            Optional<ClaimId> inner = refuted(claim);
            if (item instanceof Section section) {
                items(section.items(), p, inner, with(rules, about));
            }
            if (item instanceof Question question
                    && question.answer().isChoice()) {
                for (Option option : question.answer().options()) {
                    String place = code + "." + option.code();
                    ToIntFunction<Flow> offered = f -> and(f, shown.applyAsInt(f), f.truth(place + ".offerWhen", true).holds());
                    add(ClaimKind.REACH_OPTION, place,
                            ClaimKind.REACH_OPTION.message("claim").text("option", option.code()).code("code", code),
                            decider.at(p, offered.applyAsInt(decider.flow), true, i -> isAt(i, page) && isOffered(i, code, option.code())),
                            inner,
                            ClaimKind.REACH_OPTION.message("refuted").text("option", option.label(), option.code()).code("code", code),
                            with(about, List.of(place + ".offerWhen")), offered);
                }
            }
        }
    }

    private boolean isAsked(Interview interview, Item item) {
        Set<String> asked = interview.course().asked();
        return item instanceof Section grid && decider.space.plainForm().grids().contains(grid.code())
                ? grid.items().stream().map(Item::code).anyMatch(asked::contains)
                : asked.contains(item.code());
    }

    static boolean isOffered(Interview interview, String code, String option) {
        return interview.course().pages().getLast().shown(code)
                .filter(s -> s.offered().stream().anyMatch(o -> o.code().equals(option))).isPresent();
    }

    private void rule(ClaimKind kind, Rule at, Page page, int p, Optional<ClaimId> cause, List<String> rules) {
        String place = at.text();
        ToIntFunction<Flow> taken = f -> exitSet(f, p, place);
        Message statement = kind.message("claim").code("page", page.code());
        List<String> own = new ArrayList<>();
        for (int i = 0; i < page.finish().size(); i++) {
            own.add(page.code() + "/finish/" + i);
        }
        for (int i = 0; i < page.skip().size(); i++) {
            own.add(page.code() + "/skip/" + i);
        }
        Optional<Unknown> bad = decider.space.causeAt(place)
                .or(() -> decider.flow.lostAt().filter(l -> l instanceof Unknown.Unsound fault && fault.place().equals(place)));
        if (bad.isPresent()) {
            claims.add(ClaimDecider.undecided(kind, place, statement, bad.get()));
            return;
        }
        add(kind, place, statement, leaving(p, taken, at), cause, kind.message("refuted"), with(rules, own), taken);
    }

    private ClaimDecider.Sought leaving(int p, ToIntFunction<Flow> taken, Rule rule) {
        int set = taken.applyAsInt(decider.flow);
        Flow.Exit exit = decider.flow.stages().get(p).exits().stream().filter(e -> e.place().equals(rule.text())).findFirst()
                .orElse(null);
        return exit == null || set == Diagrams.NONE
                ? decider.at(p, Diagrams.NONE, true, i -> false)
                : new ClaimDecider.Sought(p, exit, exit.remembered(), true, i -> i.course().taken().contains(rule));
    }

    private void endings() {
        for (int row = 0; row < document.outcomeTable().size(); row++) {
            int r = row;
            Rule at = Rule.outcomeRow(row);
            String place = at.text();
            ToIntFunction<Flow> held = f -> and(f, f.rowReached(r), f.rowHolds(r));
            int set = held.applyAsInt(decider.flow);
            List<String> rows = new ArrayList<>();
            for (int i = 0; i <= row; i++) {
                rows.add(Rule.outcomeRow(i).text());
            }
            int above = IntStream.range(0, row).filter(i -> document.outcomeTable().get(i).when().isBlank()).findFirst().orElse(-1);
            String number = String.valueOf(row + 1);
            add(ClaimKind.REACH_ROW, place, ClaimKind.REACH_ROW.message("claim").text("row", number),
                    decider.atEnd(e -> e.kind() == Flow.ExitKind.FINISH ? Diagrams.NONE : set,
                            i -> i.course().endedBy().filter(at::equals).isPresent()),
                    Optional.empty(), ClaimKind.REACH_ROW.message("refuted").text("row", number),
                    above < 0 ? Message.of("core.alone") : Message.of("core.row-above").text("row", String.valueOf(above + 1)),
                    rows, held);
        }
        for (Questionnaire.Outcome outcome : document.outcomes()) {
            ToIntFunction<Flow> ends = f -> f.byOutcome().get(outcome.code());
            int set = ends.applyAsInt(decider.flow);
            List<String> about = new ArrayList<>(rulesBefore(document.pages().size()));
            for (int i = 0; i < document.outcomeTable().size(); i++) {
                about.add(Rule.outcomeRow(i).text());
            }
            add(ClaimKind.REACH_OUTCOME, outcome.code(), ClaimKind.REACH_OUTCOME.message("claim").text("outcome", outcome.code()),
                    decider.atEnd(e -> atEnding(e, outcome.code(), set),
                            i -> i.course().outcome().filter(outcome.code()::equals).isPresent()),
                    Optional.empty(), ClaimKind.REACH_OUTCOME.message(isNamed(outcome.code()) ? "refuted" : "refuted.unnamed")
                            .text("outcome", outcome.label(), outcome.code()),
                    about, ends);
        }
    }

    private boolean isNamed(String outcome) {
        return document.outcomeTable().stream().anyMatch(r -> r.outcome().equals(outcome))
                || document.pages().stream().flatMap(p -> p.finish().stream()).anyMatch(f -> f.outcome().equals(outcome));
    }

    private int atEnding(Flow.Exit ending, String outcome, int set) {
        if (ending.kind() != Flow.ExitKind.FINISH) {
            return decider.reads.endsAs(outcome);
        }
        return decider.flow.outcomeOf(ending).equals(outcome) ? set : Diagrams.NONE;
    }
}
