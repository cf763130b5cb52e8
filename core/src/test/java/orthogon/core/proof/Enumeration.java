package orthogon.core.proof;

import java.util.stream.IntStream;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Texts;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.flow.Transition;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Tries every answer of a small document, one after the other, and notes what happens. Knows no diagrams and no interview. */
public final class Enumeration implements Situation {

    /** Thrown when a document is too large to be tried whole. */
    public static final class TooLarge extends RuntimeException {}

    private static final int MOST_STEPS = 60_000;

    final Map<String, Boolean> verdicts = new TreeMap<>();
    final Set<String> heldSomewhere = new HashSet<>();
    final Set<String> failedSomewhere = new HashSet<>();
    final Set<String> reached = new HashSet<>();
    final Map<String, Set<List<Object>>> paths = new LinkedHashMap<>();
    final Set<List<Object>> routes = new HashSet<>();
    /** Those who take each way: their paths and their routes. */
    final Map<Transition, Set<List<Object>>> pathsAlong = new HashMap<>();
    final Map<Transition, Set<List<Object>>> routesAlong = new HashMap<>();
    /** The ways taken so far; the last one is not known yet where a page was left without a rule. */
    private final List<Transition> taken = new ArrayList<>();
    private int leftFrom = -1;
    public final List<Ending> endings = new ArrayList<>();
    int shortest = Integer.MAX_VALUE;
    int longest = -1;

    public record Ending(Map<String, Object> answers, Set<String> asked, Set<String> locked, String outcome, Set<String> messages) {}

    private final Wiring wiring;
    private final Questionnaire document;
    private final Map<String, Object> values = new LinkedHashMap<>();
    private final Set<String> asked = new LinkedHashSet<>();
    private final Map<String, List<Expr>> single = new LinkedHashMap<>();
    private final List<Expr> joint = new ArrayList<>();
    private final Set<String> lockedOutside = new HashSet<>();
    /** The texts that are tried for a question, where they are the same for everybody. */
    private final Map<String, Collection<Object>> texts = new HashMap<>();
    private final Set<String> stuck = new HashSet<>();
    private final Set<String> ownBroken = new HashSet<>();
    private final Set<String> sent = new HashSet<>();
    private final Set<String> withoutAddress = new HashSet<>();
    private final Set<String> leavesOut = new HashSet<>();
    private final Set<String> appearing = new HashSet<>();
    private final List<Page> visited = new ArrayList<>();
    int mostWords;
    int leastWords = Integer.MAX_VALUE;
    private final Set<String> decides = new HashSet<>();
    private final Set<String> turned = new HashSet<>();
    private final Set<String> gaps = new HashSet<>();
    private final Set<String> met = new HashSet<>();
    private final Set<String> byDefault = new HashSet<>();
    /** Questions that nobody had to answer, sent with the answer that was there. */
    private final Set<String> leftAsItWas = new HashSet<>();
    /** Refuted claims of which only answers that may be left out are the reason. */
    final Set<String> advisory = new HashSet<>();
    private final Set<String> given = new HashSet<>();
    private final Set<String> excluded = new HashSet<>();
    private boolean withoutOutcome;
    private int steps;

    /** Somebody who went through another document before, and answers here the same. */
    private final Ending before;
    /** Who came to a page that nobody like them passes. */
    public final List<Held> held = new ArrayList<>();

    public record Held(String page, Map<String, Object> answers, Set<String> asked) {}

    public Enumeration(Wiring wiring) {
        this(wiring, List.of(), null);
    }

    /**
     * @param told further comparisons that texts and rankings are tried for
     * @param before somebody's way through another document; null for everybody
     */
    public Enumeration(Wiring wiring, List<Expr> told, Ending before) {
        this.wiring = wiring;
        this.document = wiring.document();
        this.before = before;
        told.forEach(e -> single.computeIfAbsent(e.references().iterator().next(), n -> new ArrayList<>()).add(e));
        for (Expr comparison : comparisons(wiring)) {
            Set<String> names = askedIn(document, comparison);
            if (names.size() == 1 && names.size() == comparison.references().size()) {
                single.computeIfAbsent(names.iterator().next(), n -> new ArrayList<>()).add(comparison);
            } else if (names.size() > 1) {
                joint.add(comparison);
            }
        }
        document.outcomes().forEach(o -> paths.put(o.code(), new HashSet<>()));
        paths.put("", new HashSet<>());
        links(0);
        conclude();
    }

    private static Set<String> askedIn(Questionnaire document, Expr expr) {
        Set<String> names = new LinkedHashSet<>(expr.references());
        names.retainAll(document.questions().map(Question::code).toList());
        return names;
    }

    /** The comparisons that divide answers: all that a document makes; of one about several answers, those inside of it as well. */
    public static List<Expr> comparisons(Wiring wiring) {
        List<Expr> all = new ArrayList<>();
        wiring.wires().forEach(w -> collect(wiring.document(), wiring.unfolded(w.expr().orElseThrow()).orElseThrow(), all));
        return all;
    }

    private static void collect(Questionnaire document, Expr expr, List<Expr> all) {
        if (expr instanceof Expr.Call c && c.function().equals("asked") || expr instanceof Expr.Literal) {
            return;
        }
        if (isComparison(document, expr)) {
            Set<String> names = askedIn(document, expr);
            all.add(expr);
            if (names.size() == 1 && names.size() == expr.references().size() || expr instanceof Expr.Quantified) {
                return;
            }
        }
        expr.children().forEach(c -> collect(document, c, all));
    }

    private static boolean isComparison(Questionnaire document, Expr expr) {
        return switch (expr) {
            case Expr.Compare c -> true;
            case Expr.InRange r -> true;
            case Expr.InList l -> true;
            case Expr.Quantified q -> true;
            case Expr.Name n -> document.question(n.name())
                    .filter(q -> q.answer() instanceof YesNoAnswer || q.answer() instanceof AgreementAnswer).isPresent();
            case Expr.Call c -> Set.of("answered", "list contains", "contains", "starts with", "ends with", "matches")
                    .contains(c.function());
            default -> false;
        };
    }

    private void links(int at) {
        if (at == document.linkParameters().size()) {
            comeTo(0);
            return;
        }
        Questionnaire.LinkParameter parameter = document.linkParameters().get(at);
        List<String> all = new ArrayList<>(parameter.allowed());
        all.add(null);
        if (before != null) {
            Object same = before.answers().get(parameter.code());
            all.removeIf(value -> !java.util.Objects.equals(value, same != null && parameter.allowed().contains(same) ? same : null));
        }
        for (String value : all) {
            values.put(parameter.code(), value);
            links(at + 1);
        }
        values.remove(parameter.code());
    }

    private boolean holds(String place, boolean usual) {
        return wiring.at(place).isEmpty() ? usual : Evaluator.holds(wiring.at(place).get().expr().orElseThrow(), this);
    }

    private void note(String place, boolean holds) {
        (holds ? heldSomewhere : failedSomewhere).add(place);
        Expr condition = wiring.at(place).flatMap(Wiring.Wire::expr).orElse(null);
        if (condition == null) {
            return;
        }
        int n = condition.comparisons().size();
        for (int c = 0; c < n; c++) {
            for (boolean literal : new boolean[]{true, false}) {
                if (passes(place, condition.with(c, literal)) != holds) {
                    decides.add(place + "#" + c + literal);
                }
            }
            Boolean plainly = PlainReading.of(condition, c, e -> Evaluator.value(e, this));
            if (plainly != null && passes(place, condition.with(c, plainly)) != holds) {
                turned.add(place + "#" + c);
            }
        }
    }

    private boolean passes(String place, Expr condition) {
        Object value = Evaluator.value(condition, this);
        return place.contains("/accept/") ? !Boolean.FALSE.equals(value) : Boolean.TRUE.equals(value);
    }

    private boolean tried(String place, boolean usual) {
        boolean holds = holds(place, usual);
        note(place, holds);
        return holds;
    }

    /** Whether the respondent who comes here has some way to pass the first page that is visited. */
    private void comeTo(int p) {
        if (p == document.pages().size()) {
            arrive(p, this::table);
            return;
        }
        Page page = document.pages().get(p);
        if (p == 0) {
            met.add("title");
        }
        if (!tried(page.code() + ".openWhen", true)) {
            exclude(p, p + 1);
            comeTo(p + 1);
            return;
        }
        List<Step> flat = new ArrayList<>();
        flatten(page.items(), List.of(), flat);
        boolean[] visitedAndPassed = new boolean[3];
        Held here = new Held(page.code(), new LinkedHashMap<>(values), new LinkedHashSet<>(asked));
        Set<String> possibleAround = possible;
        possible = new HashSet<>();
        walk(page, p, flat, 0, visitedAndPassed);
        page.questions().forEach(q -> keys(q).filter(k -> !possible.contains(k)).forEach(k -> excluded.add(link() + k)));
        possible = possibleAround;
        if (visitedAndPassed[0] && !visitedAndPassed[1]) {
            stuck.add(page.code());
        }
        if (!visitedAndPassed[1] && !visitedAndPassed[2]) {
            held.add(here);
        }
    }

    /** What can be answered on the page at hand, given the pages before. */
    private Set<String> possible = new HashSet<>();

    private String link() {
        return document.linkParameters().stream().map(l -> values.get(l.code())).toList().toString();
    }

    private static Stream<String> keys(Question q) {
        return Stream.concat(Stream.of(q.code()),
                isChoice(q) ? q.answer().options().stream().map(o -> q.code() + "." + o.code()) : Stream.of());
    }

    /** Pages that were gone past, so that nothing on them is asked. */
    private void exclude(int from, int to) {
        document.pages().subList(from, to).forEach(page -> page.questions()
                .forEach(q -> keys(q).forEach(k -> excluded.add(link() + k))));
    }

    private record Step(Item item, List<String> sections) {}

    private void flatten(List<Item> items, List<String> sections, List<Step> flat) {
        for (Item item : items) {
            flat.add(new Step(item, sections));
            if (item instanceof Section s) {
                List<String> inner = new ArrayList<>(sections);
                inner.add(s.code());
                flatten(s.items(), inner, flat);
            }
        }
    }

    private void walk(Page page, int p, List<Step> flat, int at, boolean[] visitedAndPassed) {
        if (++steps > MOST_STEPS) {
            throw new TooLarge();
        }
        if (at == flat.size()) {
            settled(page, p, flat, visitedAndPassed);
            return;
        }
        Item item = flat.get(at).item();
        if (item instanceof Derived || !asked.containsAll(flat.get(at).sections())) {
            walk(page, p, flat, at + 1, visitedAndPassed);
            return;
        }
        if (!tried(item.code() + ".askWhen", true)) {
            walk(page, p, flat, at + 1, visitedAndPassed);
            return;
        }
        asked.add(item.code());
        if (item instanceof Question q) {
            for (Object value : answers(q)) {
                values.put(q.code(), value);
                walk(page, p, flat, at + 1, visitedAndPassed);
            }
            values.remove(q.code());
        } else {
            walk(page, p, flat, at + 1, visitedAndPassed);
        }
        asked.remove(item.code());
    }

    /** Everything the question allows here; null is blank. */
    private List<Object> answers(Question q) {
        boolean again = before != null && before.asked().contains(q.code()) && !before.locked().contains(q.code())
                && !holds(q.code() + ".lockWhen", false);
        return again ? allowed(q).stream().filter(v -> java.util.Objects.equals(v, before.answers().get(q.code()))).toList() : allowed(q);
    }

    private List<Object> allowed(Question q) {
        List<String> offered = q.answer().options().stream().map(Option::code)
                .filter(o -> holds(q.code() + "." + o + ".offerWhen", true))
                .toList();
        List<Object> all = candidates(q).stream().filter(v -> v == null || v instanceof List<?> l && offered.containsAll(l)
                || !(v instanceof List<?>) && (!isChoice(q) || offered.contains(v))).toList();
        if (!holds(q.code() + ".lockWhen", false)) {
            return all;
        }
        Object start = q.startWith().isEmpty()
                ? null
                : Evaluator.value(wiring.at(q.code() + ".startWith").get().expr().orElseThrow(), this);
        boolean unoffered = isChoice(q) && start != null
                && !offered.containsAll(start instanceof List<?> l ? l : List.of(start));
        List<Object> only = new ArrayList<>();
        boolean unknown = isChoice(q) && start != null && !q.answer().options().stream().map(Option::code).toList()
                .containsAll(start instanceof List<?> l ? l : List.of(start));
        boolean outside = unknown || start != null && !unoffered && !fits(q.answer(), start);
        lockedOutside.remove(q.code());
        if (outside) {
            lockedOutside.add(q.code());
        }
        only.add(unoffered || outside ? null : start);
        return only;
    }

    private List<Object> candidates(Question q) {
        List<Object> all = new ArrayList<>();
        all.add(null);
        switch (q.answer()) {
            case YesNoAnswer y -> all.addAll(List.of(true, false));
            case AgreementAnswer a -> all.add(true);
            case ScaleAnswer scale -> List.of(0, 1, 2, 3, 4).forEach(i -> all.add(BigDecimal.valueOf(i)));
            case TimeAnswer t -> List.of("07:59", "08:00", "08:01", "08:02", "08:03").forEach(m -> all.add(LocalTime.parse(m)));
            case RankingAnswer r -> all.addAll(rankings(q, r));
            case OneChoice c -> c.options().forEach(o -> all.add(o.code()));
            case ManyChoices c -> {
                for (int set = 1; set < 1 << c.options().size(); set++) {
                    List<String> chosen = new ArrayList<>();
                    for (int i = 0; i < c.options().size(); i++) {
                        if ((set >> i & 1) == 1) {
                            chosen.add(c.options().get(i).code());
                        }
                    }
                    all.add(chosen);
                }
            }
            case PercentageAnswer p -> IntStream.rangeClosed(-1, 101).forEach(i -> all.add(BigDecimal.valueOf(i)));
            case NumberAnswer n -> List.of(0, 1, 2, 3, 9).forEach(i -> all.add(BigDecimal.valueOf(i)));
            case TextAnswer t -> all.addAll(texts(q, t));
            case DateAnswer d -> {
                for (int days = -6; days <= 1; days++) {
                    all.add(RandomDocument.TODAY.plusDays(days));
                }
            }
            default -> throw new IllegalStateException(q.answer().type());
        }
        boolean sampled = q.answer() instanceof TextAnswer || q.answer() instanceof RankingAnswer;
        if (sampled && start(q) != null && !all.contains(start(q))) {
            // Of texts and rankings only one of each kind is tried, but the start value is tried as it is.
            all.add(start(q));
        }
        return all.stream().filter(v -> v == null || fits(q.answer(), v)).toList();
    }

    /** Of all ways to rank two of the options, one for each way in which the comparisons about the question can turn out. */
    private Collection<Object> rankings(Question q, RankingAnswer r) {
        Map<List<Object>, Object> different = new LinkedHashMap<>();
        for (Option first : r.options()) {
            for (Option second : r.options()) {
                if (first != second) {
                    values.put(q.code(), List.of(first.code(), second.code()));
                    different.putIfAbsent(vector(q), values.get(q.code()));
                }
            }
        }
        values.remove(q.code());
        return different.values();
    }

    private static boolean isChoice(Question q) {
        return q.answer() instanceof OneChoice || q.answer() instanceof ManyChoices;
    }

    /** Of all short texts over five letters, one for each way in which the comparisons about the question can turn out. */
    private Collection<Object> texts(Question q, TextAnswer limits) {
        boolean startsOthers = wiring.wires().stream()
                .anyMatch(w -> w.family() == RuleFamily.START_WITH && w.uses().contains(q.code()));
        return startsOthers ? tried(q, limits) : texts.computeIfAbsent(q.code(), code -> tried(q, limits));
    }

    private Collection<Object> tried(Question q, TextAnswer limits) {
        Map<List<Object>, Object> different = new LinkedHashMap<>();
        List<String> last = List.of("");
        for (int length = 1; length <= 4; length++) {
            List<String> longer = new ArrayList<>();
            last.forEach(s -> List.of("a", "A", "b", "B", "z").forEach(c -> longer.add(s + c)));
            for (String text : longer) {
                if (fits(limits, text)) {
                    values.put(q.code(), text);
                    different.putIfAbsent(fine(q), text);
                }
            }
            last = longer;
        }
        values.remove(q.code());
        return different.values();
    }

    /** How everything that is said of the question turns out, and of those that start with its answer. */
    private List<Object> fine(Question q) {
        List<Object> vector = vector(q);
        if (values.get(q.code()) instanceof String text && joint.stream().anyMatch(j -> j.references().contains(q.code()))) {
            // Comparisons with other answers besides hang on whether it is one of the texts that they name.
            vector.add(RandomDocument.TEXTS.contains(text) ? text : "");
            vector.add(RandomDocument.TEXTS.contains(text.toUpperCase(Locale.ROOT)) ? text.toUpperCase(Locale.ROOT) : "");
        }
        document.questions().filter(t -> wiring.at(t.code() + ".startWith").map(w -> w.uses().contains(q.code())).orElse(false))
                .forEach(t -> {
                    Object value = start(t);
                    vector.add(value == null ? "" : fits(t.answer(), value));
                    if (value != null) {
                        values.put(t.code(), value);
                        vector.add(fine(t));
                        values.remove(t.code());
                    }
                });
        return vector;
    }

    private boolean fits(Answer answer, Object value) {
        return switch (answer) {
            case NumberAnswer n -> ((BigDecimal) value).compareTo(n.least()) >= 0 && ((BigDecimal) value).compareTo(n.most()) <= 0;
            case PercentageAnswer p -> ((BigDecimal) value).intValue() >= 0 && ((BigDecimal) value).intValue() <= 100;
            case TextAnswer t -> (t.least() == null || value.toString().length() >= t.least())
                    && (t.most() == null || value.toString().length() <= t.most());
            case DateAnswer d -> !((LocalDate) value).isBefore(d.earliest().on(today()))
                    && !((LocalDate) value).isAfter(d.latest().on(today()));
            case ScaleAnswer scale -> ((BigDecimal) value).intValue() >= 1 && ((BigDecimal) value).intValue() <= scale.last();
            case TimeAnswer t -> !((LocalTime) value).isBefore(t.earliest()) && !((LocalTime) value).isAfter(t.latest());
            case ManyChoices c -> {
                List<?> chosen = (List<?>) value;
                boolean exclusive = c.options().stream().anyMatch(o -> o.exclusive() && chosen.contains(o.code()));
                yield exclusive
                        ? chosen.size() == 1
                        : (c.least() == null || chosen.size() >= c.least()) && (c.most() == null || chosen.size() <= c.most());
            }
            default -> true;
        };
    }

    private void settled(Page page, int p, List<Step> flat, boolean[] visitedAndPassed) {
        boolean anything = flat.stream().anyMatch(s -> asked.contains(s.item().code()) && !(s.item() instanceof Section));
        if (!anything) {
            List<String> sections = flat.stream().map(s -> s.item().code()).filter(asked::contains).toList();
            sections.forEach(asked::remove);
            visitedAndPassed[2] = true;
            comeTo(p + 1);
            asked.addAll(sections);
            return;
        }
        visitedAndPassed[0] = true;
        reached.add("reach-page " + page.code());
        meets(page.code() + ".title", page.title());
        visited.add(page);
        arrive(p, () -> leave(page, p, flat, visitedAndPassed));
        visited.removeLast();
    }

    private void leave(Page page, int p, List<Step> flat, boolean[] visitedAndPassed) {
        boolean accepted = true;
        for (Step step : flat) {
            if (!asked.contains(step.item().code())) {
                continue;
            }
            String code = step.item().code();
            switch (step.item()) {
                case Question q -> {
                    reached.add("reach-question " + code);
                    accepted &= question(q);
                    read(q);
                }
                case Note n -> {
                    reached.add("reach-note " + code);
                    meets(code + ".wording", n.wording());
                }
                case Section s -> {
                    reached.add("reach-section " + code);
                    meets(code + ".title", s.title());
                }
                default -> throw new IllegalStateException();
            }
        }
        if (!accepted) {
            return;
        }
        visitedAndPassed[1] = true;
        page.questions().filter(q -> asked.contains(q.code())).forEach(this::passed);
        for (int i = 0; i < page.finish().size(); i++) {
            int number = i;
            String place = page.code() + "/finish/" + i;
            if (tried(place, true)) {
                reached.add("reach-finish " + place);
                exclude(p + 1, document.pages().size());
                along(new Transition(Transition.TransitionKind.FINISH, p, document.pages().size(), place), -1,
                        () -> end(page.finish().get(number).outcome()));
                return;
            }
        }
        for (int i = 0; i < page.skip().size(); i++) {
            String place = page.code() + "/skip/" + i;
            if (tried(place, true)) {
                reached.add("reach-skip " + place);
                String to = page.skip().get(i).to();
                int target = document.pages().stream().map(Page::code).toList().indexOf(to);
                exclude(p + 1, target);
                along(new Transition(Transition.TransitionKind.SKIP, p, target, place), -1, () -> comeTo(target));
                return;
            }
        }
        along(null, p, () -> comeTo(p + 1));
    }

    /** Goes on, having taken a way, or having left a page for whatever is visited next. */
    private void along(Transition way, int left, Runnable onward) {
        int before = leftFrom;
        leftFrom = left;
        if (way != null) {
            taken.add(way);
        }
        onward.run();
        if (way != null) {
            taken.removeLast();
        }
        leftFrom = before;
    }

    /** Comes to a page that is visited, or to the outcome table. */
    private void arrive(int at, Runnable onward) {
        along(leftFrom < 0 ? null : new Transition(Transition.TransitionKind.NEXT, leftFrom, at, ""), -1, onward);
    }

    /** A question that was answered or left blank, and passed. */
    private void passed(Question q) {
        Object value = values.get(q.code());
        List<?> chosen = value instanceof List<?> l ? l : value == null ? List.of() : List.of(value);
        if (isChoice(q)) {
            chosen.forEach(o -> reached.add("option-accepted " + q.code() + "." + o));
        } else if (value instanceof Boolean b) {
            reached.add("option-accepted " + q.code() + "." + (b ? "yes" : "no"));
        }
        if (value != null && !holds(q.code() + ".lockWhen", false)) {
            given.add(link() + q.code());
            if (isChoice(q)) {
                chosen.forEach(o -> given.add(link() + q.code() + "." + o));
            }
        }
        Object start = start(q);
        if (value != null) {
            reached.add("answer-accepted " + q.code());
        }
        if (start != null && start.equals(value) && !(q.answer() instanceof AgreementAnswer)) {
            if (holds(q.code() + ".requireWhen", false)) {
                byDefault.add(q.code());
            } else if (!holds(q.code() + ".lockWhen", false)) {
                leftAsItWas.add(q.code());
            }
        }
    }

    private Object start(Question q) {
        return q.startWith().isEmpty() ? null : Evaluator.value(wiring.at(q.code() + ".startWith").get().expr().orElseThrow(), this);
    }

    /** The texts of a question as they are read. */
    private void read(Question q) {
        String wording = q.code() + ".wording";
        String text = q.wording();
        for (int i = q.reword().size() - 1; i >= 0; i--) {
            if (holds(q.code() + "/reword/" + i, true) && !q.reword().get(i).wording().isEmpty()) {
                wording = q.code() + "/reword/" + i + ".wording";
                text = q.reword().get(i).wording();
            }
        }
        meets(wording, text);
        if (!q.answer().options().isEmpty()) {
            q.answer().options().stream().filter(o -> holds(q.code() + "." + o.code() + ".offerWhen", true))
                    .forEach(o -> meets(q.code() + "." + o.code() + ".label", o.label()));
        }
        if (q.answer() instanceof AgreementAnswer a) {
            meets(q.code() + ".text", a.text());
            if (Boolean.TRUE.equals(start(q))) {
                byDefault.add(q.code());
            }
        }
    }

    /** Reads a text: every argument of its own that is blank leaves a gap, which is found by reading it again with a word in its place. */
    private void meets(String unit, String text) {
        met.add(unit);
        reads(unit, text);
    }

    private void reads(String unit, String text) {
        Matcher arguments = ARGUMENT.matcher(text);
        while (arguments.find()) {
            String name = arguments.group(1);
            if (value(name) == null) {
                String marked = new StringBuilder(text).replace(arguments.start(), arguments.end(), "GAP").toString();
                String rest = ARGUMENT.matcher(marked).replaceAll("a word");
                Map<String, Object> keys = new LinkedHashMap<>();
                document.items().forEach(i -> keys.put(i.code(), key(value(i.code()))));
                if (new com.ibm.icu.text.MessageFormat(rest, Locale.ROOT).format(keys).contains("GAP")) {
                    gaps.add(unit + "/" + name);
                }
            }
        }
    }

    private static String key(Object value) {
        return value == null ? "blank" : value instanceof Boolean b ? b ? "yes" : "no" : value.toString();
    }

    private boolean question(Question q) {
        Object value = values.get(q.code());
        possible.add(q.code());
        for (Option option : q.answer().options()) {
            if (tried(q.code() + "." + option.code() + ".offerWhen", true)) {
                possible.add(q.code() + "." + option.code());
                reached.add("reach-option " + q.code() + "." + option.code());
            }
        }
        tried(q.code() + ".lockWhen", false);
        for (int i = 0; i < q.reword().size(); i++) {
            tried(q.code() + "/reword/" + i, true);
        }
        boolean required = tried(q.code() + ".requireWhen", false);
        if (value == null) {
            return !required && !(lockedOutside.contains(q.code()) && holds(q.code() + ".lockWhen", false));
        }
        boolean accepted = fits(q.answer(), value);
        for (int i = 0; i < q.accept().size(); i++) {
            Expr accept = wiring.at(q.code() + "/accept/" + i).get().expr().orElseThrow();
            boolean refuses = Boolean.FALSE.equals(Evaluator.value(accept, this));
            if (fits(q.answer(), value)) {
                note(q.code() + "/accept/" + i, !refuses);
            }
            accepted &= !refuses;
        }
        return accepted;
    }

    private void table() {
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            if (tried("outcomeTable/" + i, true)) {
                reached.add("reach-row outcomeTable/" + i);
                String with = document.outcomeTable().get(i).outcome();
                int end = document.pages().size();
                along(new Transition(Transition.TransitionKind.ROW, end, end, "outcomeTable/" + i), -1, () -> end(with));
                return;
            }
        }
        end("");
    }

    private static final Pattern ARGUMENT = Pattern.compile("\\{(x\\d+)\\}");
    /** What a translation must keep: answers and passages. */
    private static final Pattern KEPT = Pattern.compile("\\{([xg]\\d+)\\}");

    private String outcome = "";

    private void end(String with) {
        document.outcome(with).ifPresent(o -> {
            meets(with + ".label", o.label());
            meets(with + ".closing", o.closing());
        });
        outcome = with;
        withoutOutcome |= with.isEmpty();
        reached.add("reach-outcome " + with);
        List<Object> key = new ArrayList<>();
        document.linkParameters().forEach(p -> key.add(String.valueOf(values.get(p.code()))));
        List<Object> route = new ArrayList<>(List.of(with));
        document.questions().filter(q -> asked.contains(q.code())).forEach(q -> {
            route.add(q.code());
            key.add(q.code());
            key.add(classOf(q));
        });
        joint.forEach(j -> key.add(String.valueOf(Evaluator.value(j, this))));
        paths.get(with).add(key);
        routes.add(route);
        taken.forEach(way -> {
            pathsAlong.computeIfAbsent(way, k -> new HashSet<>()).add(key);
            routesAlong.computeIfAbsent(way, k -> new HashSet<>()).add(route);
        });
        int words = visited.stream().mapToInt(Burden::words).sum()
                + document.items().filter(i -> asked.contains(i.code())).mapToInt(Burden::words).sum();
        mostWords = Math.max(mostWords, words);
        leastWords = Math.min(leastWords, words);
        shortest = Math.min(shortest, route.size() - 1);
        longest = Math.max(longest, route.size() - 1);
        for (int i = 0; i < document.claims().size(); i++) {
            boolean holds = holds("claims/" + i, true);
            if (holds != (document.claims().get(i).says() == Questionnaire.Says.ALWAYS)) {
                ownBroken.add(document.claims().get(i).code());
            }
        }
        Set<String> passages = new LinkedHashSet<>();
        Set<String> passagesInLanguage = new HashSet<>();
        document.outcome(with).ifPresent(o -> {
            passages.addAll(passagesIn(o.closing()));
            passagesInLanguage.addAll(passagesIn(o.closing()));
        });
        for (DispatchMessage message : document.messages()) {
            if (tried(message.code() + ".sendWhen", true)) {
                sends(message, passages, passagesInLanguage);
            }
        }
        // Later ones may name earlier ones.
        for (DispatchPassage passage : document.passages().reversed()) {
            if (passages.contains(passage.code())) {
                reads(passage, passages, passagesInLanguage);
            }
        }
        endings.add(new Ending(new LinkedHashMap<>(values), new LinkedHashSet<>(asked),
                document.questions().map(Question::code).filter(asked::contains).filter(q -> holds(q + ".lockWhen", false))
                        .collect(java.util.stream.Collectors.toSet()),
                with, sentOrOpened()));
        outcome = "";
    }

    /** The codes of the messages that are sent, and of the follow-ups that are opened. */
    private Set<String> sentOrOpened() {
        Set<String> codes = new LinkedHashSet<>();
        document.messages().stream().map(DispatchMessage::code).filter(this::sends).forEach(codes::add);
        document.followUps().stream().map(FollowUp::code).filter(f -> holds(f + ".openFollowUp", true)).forEach(codes::add);
        return codes;
    }

    private void sends(DispatchMessage message, Set<String> passages, Set<String> passagesInLanguage) {
        sent.add(message.code());
        Map<String, String> texts = Map.of(message.code() + ".subject", message.subject(), message.code() + ".body", message.body());
        texts.forEach(this::reads);
        texts.values().forEach(text -> passages.addAll(passagesIn(text)));
        if (message.answers().stream().anyMatch(a -> values.get(a) != null)) {
            // Read in the language of the interview.
            met.addAll(texts.keySet());
            texts.values().forEach(text -> passagesInLanguage.addAll(passagesIn(text)));
        }
        if (message.addresses().isEmpty() && message.answers().stream().allMatch(a -> values.get(a) == null)) {
            withoutAddress.add(message.code());
        }
        if (document.questions().map(Question::code).anyMatch(q -> asked.contains(q) && !message.tells(q))) {
            leavesOut.add(message.code());
        }
    }

    private void reads(DispatchPassage passage, Set<String> passages, Set<String> passagesInLanguage) {
        for (int i = 0; i < passage.wordings().size(); i++) {
            String place = passage.code() + "/includeWhen/" + i;
            if (tried(place, true)) {
                String text = passage.wordings().get(i).text();
                appearing.add(place);
                reads(place + ".text", text);
                passages.addAll(passagesIn(text));
                if (passagesInLanguage.contains(passage.code())) {
                    met.add(place + ".text");
                    passagesInLanguage.addAll(passagesIn(text));
                }
                return;
            }
        }
    }

    /** The passages that are put into a text as it is read. */
    private Set<String> passagesIn(String text) {
        Set<String> found = new LinkedHashSet<>();
        String rest = ARGUMENT.matcher(text).replaceAll("a word");
        Map<String, Object> keys = new LinkedHashMap<>();
        document.items().forEach(i -> keys.put(i.code(), key(value(i.code()))));
        document.passages().forEach(p -> keys.put(p.code(), "PUT IN " + p.code() + "."));
        String read = new com.ibm.icu.text.MessageFormat(rest, Locale.ROOT).format(keys);
        document.passages().stream().map(DispatchPassage::code).filter(c -> read.contains("PUT IN " + c + ".")).forEach(found::add);
        return found;
    }

    private Object classOf(Question q) {
        Object value = values.get(q.code());
        boolean each = value == null || q.answer() instanceof YesNoAnswer || q.answer() instanceof AgreementAnswer || isChoice(q);
        if (each) {
            return String.valueOf(value);
        }
        return vector(q);
    }

    private List<Object> vector(Question q) {
        List<Object> vector = new ArrayList<>();
        single.getOrDefault(q.code(), List.of()).forEach(c -> vector.add(String.valueOf(Evaluator.value(c, this))));
        return vector;
    }

    private void conclude() {
        for (Page page : document.pages()) {
            verdicts.put("page-passable " + page.code(), !stuck.contains(page.code()));
            reach("reach-page " + page.code());
            page.allItems().forEach(item -> {
                switch (item) {
                    case Question q -> {
                        reach("reach-question " + q.code());
                        (isChoice(q) ? q.answer().options() : List.<Option>of())
                                .forEach(o -> {
                                    reach("reach-option " + q.code() + "." + o.code());
                                    reach("option-accepted " + q.code() + "." + o.code());
                                });
                        if (q.answer() instanceof YesNoAnswer && !q.requireWhen().isEmpty()) {
                            reach("option-accepted " + q.code() + ".yes");
                            reach("option-accepted " + q.code() + ".no");
                        }
                        verdicts.put("limits-leave-answer " + q.code(), candidates(q).size() > 1);
                        verdicts.put("nothing-by-default " + q.code(), !byDefault.contains(q.code()) && !leftAsItWas.contains(q.code()));
                        if (!byDefault.contains(q.code()) && leftAsItWas.contains(q.code())) {
                            advisory.add("nothing-by-default " + q.code());
                        }
                        reach("answer-accepted " + q.code());
                        for (int i = 0; i < q.accept().size(); i++) {
                            String place = q.code() + "/accept/" + i;
                            if (q.accept().get(i).message().isEmpty()) {
                                verdicts.put("refusal-explained " + place, !failedSomewhere.contains(place));
                            }
                        }
                        verdicts.put("answers-kept " + q.code(), q.keepWhenHidden() || given.stream()
                                .noneMatch(g -> excluded.contains(g) && keys(q).anyMatch(k -> g.endsWith("]" + k))));
                    }
                    case Note n -> reach("reach-note " + n.code());
                    case Section s -> reach("reach-section " + s.code());
                    case Derived d -> {}
                    case Roster r -> throw new IllegalStateException("a roster");
                }
            });
            for (int i = 0; i < page.finish().size(); i++) {
                reach("reach-finish " + page.code() + "/finish/" + i);
            }
            for (int i = 0; i < page.skip().size(); i++) {
                reach("reach-skip " + page.code() + "/skip/" + i);
            }
        }
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            reach("reach-row outcomeTable/" + i);
        }
        document.outcomes().forEach(o -> reach("reach-outcome " + o.code()));
        Burden limit = document.burden();
        if (!limit.equals(Burden.ANY)) {
            boolean within = (limit.questions() == null || longest <= limit.questions())
                    && (limit.words() == null || mostWords <= limit.words())
                    && (limit.minutes() == null || mostWords <= limit.minutes() * Burden.WORDS_A_MINUTE);
            verdicts.put("burden-within " + document.code(), within);
        }
        verdicts.put("one-outcome " + document.code(), !withoutOutcome);
        document.claims().forEach(c -> verdicts.put("own " + c.code(), !ownBroken.contains(c.code())));
        document.messages().forEach(m -> {
            verdicts.put("message-sent " + m.code(), sent.contains(m.code()));
            verdicts.put("recipient-filled " + m.code(), !withoutAddress.contains(m.code()));
            if (m.with().nothingLeftOut()) {
                verdicts.put("message-complete " + m.code(), !leavesOut.contains(m.code()));
            }
        });
        document.passages().forEach(p -> {
            for (int i = 0; i < p.wordings().size(); i++) {
                String place = p.code() + "/includeWhen/" + i;
                verdicts.put("passage-appears " + place, appearing.contains(place));
            }
        });
        for (Wiring.Wire wire : wiring.wires()) {
            boolean condition = wire.family().isCondition() && wire.family() != RuleFamily.CLAIM;
            if (condition && !wire.expr().orElseThrow().comparisons().isEmpty()) {
                verdicts.put("condition-varies " + wire.place(),
                        heldSomewhere.contains(wire.place()) && failedSomewhere.contains(wire.place()));
                for (int c = 0; c < wire.expr().orElseThrow().comparisons().size(); c++) {
                    String place = wire.place() + "#" + c;
                    verdicts.put("comparison-matters " + place, decides.contains(place + true) && decides.contains(place + false));
                    if (!wire.family().isBehindTheEnd()) {
                        verdicts.put("blank-reading " + place, !turned.contains(place));
                    }
                }
            }
        }
        Texts.all(document).forEach((unit, text) -> {
            Matcher arguments = ARGUMENT.matcher(text);
            while (arguments.find()) {
                verdicts.put("text-filled " + unit + "/" + arguments.group(1), !gaps.contains(unit + "/" + arguments.group(1)));
            }
            document.languages().stream().filter(l -> !l.equals("en")).forEach(l -> {
                Questionnaire.Translation t = document.translations().getOrDefault(l, Map.of()).get(unit);
                boolean current = t != null && t.of().equals(text) && kept(t.text()).equals(kept(text));
                verdicts.put("translated " + l + "/" + unit, current || !met.contains(unit));
            });
        });
    }

    private static Set<String> kept(String text) {
        Set<String> names = new HashSet<>();
        KEPT.matcher(text).results().forEach(r -> names.add(r.group(1)));
        return names;
    }

    private void reach(String claim) {
        verdicts.put(claim, reached.contains(claim));
    }

    BigInteger answerPaths() {
        return BigInteger.valueOf(paths.values().stream().mapToLong(Set::size).sum());
    }

    @Override
    public Object value(String name) {
        if (name.equals("outcome")) {
            return outcome.isEmpty() ? null : outcome;
        }
        if (values.containsKey(name)) {
            return values.get(name);
        }
        return wiring.at(name + ".derive").map(w -> Evaluator.value(w.expr().orElseThrow(), this)).orElse(null);
    }

    @Override
    public BigDecimal score(String question) {
        Object value = values.get(question);
        if (value == null) {
            return BigDecimal.ZERO;
        }
        List<?> chosen = value instanceof List<?> l ? l : List.of(value);
        BigDecimal sum = BigDecimal.ZERO;
        for (Object code : chosen) {
            sum = sum.add(document.question(question).orElseThrow().answer().option((String) code).orElseThrow().scoreOrZero());
        }
        return sum;
    }

    @Override
    public LocalDate today() {
        return RandomDocument.TODAY;
    }

    @Override
    public boolean asked(String item) {
        return asked.contains(item);
    }

    @Override
    public boolean sends(String message) {
        DispatchMessage m = document.message(message).orElseThrow();
        return holds(message + ".sendWhen", true)
                && (!m.addresses().isEmpty() || m.answers().stream().anyMatch(a -> values.get(a) != null));
    }
}
