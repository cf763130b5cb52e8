package orthogon.core.proof.composed;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Texts;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;

/**
 * A questionnaire with everything that it opens as one document in plain form: the pages of the first, and behind them, for each follow-up,
 * a page on how it comes to its end, the values that it is opened with, its own pages, and a page on what is decided. A finish of
 * any of them becomes a skip to a page that notes the outcome, so that what comes behind knows it.
 */
public final class CaseDocument {

    /** Most questionnaires that open one another. */
    public static final int MOST_DEEP = 4;
    /** Most pages of a composed document. */
    public static final int MOST_PAGES = 1_000;

    /** That a composed document would have too many pages. */
    public static final class TooManyPages extends RuntimeException {
        TooManyPages() {
            super(null, null, false, false);
        }
    }

    private final KnownQuestionnaires others;
    private final Runnable step;
    private final List<Page> pages = new ArrayList<>();
    private final Map<String, Expr> trees = new HashMap<>();
    private final Map<String, BigDecimal> neverBlank = new LinkedHashMap<>();
    private final Set<String> grids = new LinkedHashSet<>();
    private final Map<String, CasePart> parts = new LinkedHashMap<>();
    private final CasePart first;
    private final PlainForm composed;

    /**
     * The composed document of a questionnaire that opens follow-ups, all of which are known and open nothing in a circle.
     *
     * @param step runs again and again, and may end the work by what it throws
     * @throws TooManyPages where it would have more than {@link #MOST_PAGES}
     */
    public CaseDocument(Wiring first, KnownQuestionnaires others, Runnable step) {
        this(first, others, step, false);
    }

    private CaseDocument(Wiring first, KnownQuestionnaires others, Runnable step, boolean withOutcomes) {
        this.others = others;
        this.step = step;
        this.first = part("", first, Optional.empty(), 0);
        add(this.first, Optional.empty());
        CaseRules rules = new CaseRules(this.first, trees);
        if (withOutcomes) {
            parts.values().forEach(rules::outcomes);
        }
        Questionnaire document = this.first.plain();
        Questionnaire whole = Texts.apply(
                new Questionnaire(document.code() + "X", document.title(), document.sourceLanguage(), List.of(document.sourceLanguage()),
                        document.linkParameters(), pages, List.of(new Outcome("done", "Done", "")), List.of(new OutcomeRow("", "done")),
                        rules.claims(), Map.of()),
                (unit, text) -> text.indexOf('{') < 0 ? text : unit);
        Questionnaire telling = whole.withMessages(rules.messages());
        this.composed = PlainForm.composed(Wiring.of(telling, trees, step), neverBlank, grids);
    }

    /**
     * The composed document with a claim for every outcome of each of its questionnaires, named as {@link CaseNames#ends}.
     *
     * @param step runs again and again, and may end the work by what it throws
     * @throws TooManyPages where it would have more than {@link #MOST_PAGES}
     */
    public static CaseDocument withOutcomes(Wiring first, KnownQuestionnaires others, Runnable step) {
        return new CaseDocument(first, others, step, true);
    }

    /** The document, which is its own plain form. */
    public PlainForm form() {
        return composed;
    }

    /** The first questionnaire. */
    public CasePart first() {
        return first;
    }

    /** Every questionnaire by the name of its follow-up in the composed document, in order; the first by the empty name. */
    public Map<String, CasePart> parts() {
        return parts;
    }

    /** Answers of the composed document as those of everybody in the case. */
    public CaseWitness witness(Map<String, Object> answers) {
        return CaseWitness.of(this, answers);
    }

    /** The place of the first questionnaire that a place of the composed document comes of; empty where it is of another. */
    public Optional<String> origin(String place) {
        String head = place.split("[./#]", 2)[0];
        for (FollowUp followUp : first.document().followUps()) {
            String name = first.opened(followUp.code());
            if (head.equals(CaseNames.ending(name))) {
                return Optional.of(followUp.code() + "." + RuleFamily.OPEN_FOLLOW_UP.key());
            }
            for (int i = 0; i < followUp.carries().size(); i++) {
                if (head.equals(CaseNames.taken(name, i)) || head.equals(CaseNames.taking(name, i))) {
                    return Optional.of(followUp.code() + "/" + RuleFamily.CARRY.key() + "/" + i);
                }
            }
        }
        return head.indexOf('X') < 0 && head.indexOf('Y') < 0 ? Optional.of(first.form().origin(place)) : Optional.empty();
    }

    private CasePart part(String name, Wiring wiring, Optional<FollowUp> by, int depth) {
        CasePart part = new CasePart(name, PlainForm.withFollowUps(wiring, step), by, depth);
        parts.put(name, part);
        part.form().neverBlank().forEach((code, least) -> neverBlank.put(part.inside(code), least));
        part.form().grids().forEach(code -> grids.add(part.inside(code)));
        return part;
    }

    private void addPage(Page page) {
        step.run();
        if (pages.size() >= MOST_PAGES) {
            throw new TooManyPages();
        }
        pages.add(page);
    }

    /** Keeps the tree of an expression, and gives the text that stands for it. */
    private String rule(String place, Expr tree) {
        return CaseRules.rule(trees, place, tree);
    }

    /** The expression of a part at another place; one with a fault names nothing that exists, so that it stays a fault. */
    private String rule(String place, CasePart part, String from) {
        return part.at(from).map(tree -> rule(place, tree)).orElse("faultX");
    }

    private String guarded(String place, CasePart part, Optional<Expr> guard, String from, String text) {
        if (text.isEmpty()) {
            return guard.map(g -> rule(place, g)).orElse("");
        }
        return part.at(from).map(tree -> rule(place, CasePart.both(guard, Optional.of(tree)))).orElse("faultX");
    }

    /** @param guard holds where the questionnaire is answered; empty for always */
    private void add(CasePart part, Optional<Expr> guard) {
        Questionnaire plain = part.plain();
        Map<String, Integer> carried = part.numbers();
        if (part.depth() > 0 && !plain.linkParameters().isEmpty()) {
            addPage(new Page(part.aid("arriving"), "", "", "",
                    plain.linkParameters().stream().<Item>map(p -> arriving(p.code(), part, carried)).toList(), List.of(), List.of()));
        }
        Set<String> finishes = new LinkedHashSet<>();
        plain.pages().forEach(p -> p.finish().forEach(f -> finishes.add(f.outcome())));
        String over = part.aid("over");
        for (Page page : plain.pages()) {
            String code = part.inside(page.code());
            List<Page.Skip> skips = new ArrayList<>();
            for (int i = 0; i < page.finish().size(); i++) {
                Page.Finish finish = page.finish().get(i);
                skips.add(new Page.Skip(skip(code, skips.size(), part, page.code() + "/finish/" + i, finish.when()),
                        part.aid("finish_" + finish.outcome())));
            }
            for (int i = 0; i < page.skip().size(); i++) {
                Page.Skip skip = page.skip().get(i);
                skips.add(new Page.Skip(skip(code, skips.size(), part, page.code() + "/skip/" + i, skip.when()), part.inside(skip.to())));
            }
            List<Item> items = page.items().stream().map(i -> inside(i, part, carried)).toList();
            addPage(new Page(code, page.title(), "",
                    guarded(code + ".openWhen", part, guard, page.code() + ".openWhen", page.openWhen()), items, List.of(), skips));
        }
        if (!finishes.isEmpty()) {
            String sent = part.aid("sent");
            noting(sent, new Note(part.aid("done"), "Sent", ""), guard, over);
            for (String outcome : finishes) {
                Question noted = Question.of(finished(part, outcome), outcome, new AgreementAnswer(outcome)).withRequireWhen("true");
                noting(part.aid("finish_" + outcome), noted, guard, over);
            }
        }
        String known = CaseNames.known(part.name(), "outcome");
        addPage(new Page(over, "", "", "", List.of(new Derived(known, rule(known + ".derive", outcome(part, finishes, guard)))), List.of(),
                List.of()));
        part.document().followUps().forEach(f -> follow(part, f, guard));
    }

    private String skip(String page, int number, CasePart part, String from, String text) {
        return text.isEmpty() ? "true" : rule(page + "/skip/" + number, part, from);
    }

    private void noting(String code, Item item, Optional<Expr> guard, String over) {
        addPage(new Page(code, "", "", guard.map(g -> rule(code + ".openWhen", g)).orElse(""), List.of(item), List.of(),
                List.of(new Page.Skip("true", over))));
    }

    private static String finished(CasePart part, String outcome) {
        return part.aid("finished_" + outcome);
    }

    /** The outcome of a questionnaire: that of the finish that was noted, else that of the first row that holds. */
    private static Expr outcome(CasePart part, Set<String> finishes, Optional<Expr> guard) {
        Expr outcome = new Literal(null, Span.NONE);
        List<OutcomeRow> table = part.plain().outcomeTable();
        for (int i = table.size() - 1; i >= 0; i--) {
            Expr found = new Literal(table.get(i).outcome(), Span.NONE);
            outcome = table.get(i).when().isEmpty()
                    ? found
                    : new If(part.at("outcomeTable/" + i).orElse(CasePart.named("faultX")), found, outcome, Span.NONE);
        }
        for (String finish : finishes) {
            outcome = new If(CasePart.filled(CasePart.named(finished(part, finish))), new Literal(finish, Span.NONE), outcome, Span.NONE);
        }
        Expr given = outcome;
        return guard.<Expr>map(g -> new If(g, given, new Literal(null, Span.NONE), Span.NONE)).orElse(outcome);
    }

    private void follow(CasePart part, FollowUp followUp, Optional<Expr> guard) {
        String name = part.opened(followUp.code());
        CasePart opened = part(name, Wiring.of(others.find(followUp.questionnaire()).orElseThrow()), Optional.of(followUp),
                part.depth() + 1);
        Expr.Name state = part.state(followUp.code());
        Optional<Expr> entry = followUp.isForEachEntry()
                ? Optional.of(new Expr.Compare(">=", CasePart.named(part.inside(followUp.eachOf())),
                        new Literal(BigDecimal.ONE, Span.NONE), Span.NONE))
                : Optional.empty();
        String ending = CaseNames.ending(name);
        Question ends = Question.of(state.name(), followUp.shown(), choice(followUp.ends())).withRequireWhen("true");
        Optional<Expr> there = guard.isPresent() || entry.isPresent() ? Optional.of(CasePart.both(guard, entry)) : Optional.empty();
        addPage(new Page(ending, "", "",
                followUp.openWhen().isEmpty()
                        ? ""
                        : rule(ending + ".openWhen", part, followUp.code() + "." + RuleFamily.OPEN_FOLLOW_UP.key()),
                List.of(there.map(t -> ends.withAskWhen(rule(state.name() + ".askWhen", t))).orElse(ends)), List.of(), List.of()));
        for (int i = 0; i < followUp.carries().size(); i++) {
            take(part, followUp, i, opened);
        }
        Expr answered = CasePart.equal(state, followUp.answeredState());
        add(opened, Optional.of(answered));
        close(part, followUp, opened, answered);
    }

    /** A page of its own for a value that is carried: nobody passes it with a value that its target refuses. */
    private void take(CasePart part, FollowUp followUp, int number, CasePart opened) {
        String name = opened.name();
        String page = CaseNames.taking(name, number);
        String code = CaseNames.taken(name, number);
        Question taken = Question.of(code, followUp.carries().get(number).to(), target(opened, followUp.carries().get(number).to()))
                .withLockWhen("true")
                .withStartWith(rule(code + ".startWith", part, followUp.code() + "/" + RuleFamily.CARRY.key() + "/" + number));
        addPage(new Page(page, "", "", rule(page + ".openWhen", CasePart.filled(part.state(followUp.code()))), List.of(taken), List.of(),
                List.of()));
    }

    /** What a target takes, whatever is on offer there. */
    private static Answer target(CasePart opened, String to) {
        Optional<Question> question = opened.plain().question(to).filter(q -> !q.isHidden());
        if (question.isEmpty()) {
            List<String> allowed = opened.document().arriving().stream().filter(p -> p.code().equals(to)).findFirst()
                    .map(LinkParameter::allowed).orElse(List.of());
            return allowed.isEmpty() ? new TextAnswer(false, null, null) : choice(allowed);
        }
        return whateverIsOnOffer(question.get().answer());
    }

    /** The answer with every option on offer. */
    public static Answer whateverIsOnOffer(Answer answer) {
        return answer.hasOwnOptions()
                ? answer.withOptions(answer.options().stream().map(o -> o.withOfferWhen("")).toList())
                : answer;
    }

    private static Answer choice(List<String> codes) {
        return new OneChoice(codes.stream().map(c -> Option.of(c, c)).toList(), false);
    }

    private void close(CasePart part, FollowUp followUp, CasePart opened, Expr answered) {
        String name = opened.name();
        if (!followUp.decision().isNone()) {
            String page = CaseNames.aid(name, "decide");
            Question decided = Question.of(CaseNames.known(name, "decision"), followUp.shown(), choice(followUp.decision().ends()))
                    .withRequireWhen("true");
            addPage(new Page(page, "", "", rule(page + ".openWhen", answered), List.of(decided), List.of(), List.of()));
        }
        List<Item> brought = new ArrayList<>();
        for (Brought b : followUp.brings()) {
            String code = CaseNames.known(name, b.name());
            Expr value = opened.translated(CasePart.named(b.of()));
            brought.add(new Derived(code,
                    rule(code + ".derive", new If(answered, value, new Literal(null, Span.NONE), Span.NONE))));
        }
        addPage(new Page(CaseNames.aid(name, "brought"), "", "", "", brought, List.of(), List.of()));
    }

    /** An item of a plain form as it stands in the composed document. */
    private Item inside(Item item, CasePart part, Map<String, Integer> carried) {
        return recoded(Places.apply(item, (from, text) -> text.isEmpty() ? "" : rule(part.inside(from), part, from)), part, carried);
    }

    /** @param carried target to the number of what is carried to it */
    private Item recoded(Item item, CasePart part, Map<String, Integer> carried) {
        String code = part.inside(item.code());
        return switch (item) {
            case Group g -> g.withItems(g.items().stream().map(i -> recoded(i, part, carried)).toList()).withCode(code);
            case Note n -> new Note(code, n.wording(), n.askWhen(), List.of());
            case Derived d -> d.withCode(code);
            case Question q when q.isHidden() && part.depth() > 0 -> arriving(q.code(), part, carried);
            case Question q -> {
                Question plain = q.withReword(List.of()).withCode(code);
                yield carried.containsKey(q.code()) ? started(plain, part, carried.get(q.code())) : plain;
            }
        };
    }

    /** A question with what is carried to it in the place of its own start value. */
    private Question started(Question question, CasePart part, int number) {
        Question started = question
                .withStartWith(rule(question.code() + ".startWith", CasePart.named(CaseNames.taken(part.name(), number))));
        if (!part.carried(number).locked()) {
            return started;
        }
        trees.remove(question.code() + ".lockWhen");
        return started.withLockWhen("true");
    }

    /** What arrives with a link: what is carried to it, else nothing. */
    private Derived arriving(String code, CasePart part, Map<String, Integer> carried) {
        String inside = part.inside(code);
        Expr value = carried.containsKey(code)
                ? CasePart.named(CaseNames.taken(part.name(), carried.get(code)))
                : new Literal(null, Span.NONE);
        return new Derived(inside, rule(inside + ".derive", value));
    }
}
