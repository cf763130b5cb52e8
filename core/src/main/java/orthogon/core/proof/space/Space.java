package orthogon.core.proof.space;

import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.plain.TextGaps;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The answer classes of a document as bits, and its conditions as sets over them. */
public final class Space {

    private final Diagrams diagrams;
    private final PlainForm plainForm;
    private final Wiring wiring;
    private final LocalDate today;
    private final Bits bits;
    private final Map<String, Question> questions = new HashMap<>();
    private final Map<String, Expr> usable = new LinkedHashMap<>();
    private final Conditions conditions;
    private final List<Fault> faults;
    private final Features features = new Features();
    private final Starts starts;
    private final Values values;
    private final Map<String, Truth> open = new HashMap<>();
    private final Map<Integer, Unknown> openBits = new LinkedHashMap<>();
    /** The questions that an open bit hangs on; none noted where it stands for a fault and may hang on anything. */
    private final Map<Integer, Set<String>> openOn = new HashMap<>();
    private final Map<String, Unknown> causes = new HashMap<>();
    private final List<TextGaps.TextGap> gaps;
    /** Codes of which something is said that was not said in the space before; empty where there was none, or nothing in it is certain. */
    private final Optional<Set<String>> changed;
    /** Conditions as sets, by their place. */
    private final Map<String, Truth> truths = new HashMap<>();

    /** @param faults the sound faults; an expression that rests on one becomes an open bit */
    public Space(PlainForm plainForm, List<Fault> faults, LocalDate today, Diagrams diagrams) {
        this(plainForm, faults, today, diagrams, List.of(), List.of(), BitLayout.IN_ORDER);
    }

    /**
     * @param besides comparisons that cells must not mix up, though no condition makes them; each of questions of this document
     * @param noted the same, but answer classes are not divided by them
     */
    public Space(PlainForm plainForm, List<Fault> faults, LocalDate today, Diagrams diagrams, List<Expr> besides, List<Expr> noted,
            BitLayout layout) {
        this(plainForm, faults, today, diagrams, besides, noted, layout, null);
    }

    /** The same over diagrams of its own, for what may take many nodes. */
    public Space over(Diagrams others) {
        return new Space(plainForm, faults, today, others);
    }

    /**
     * The space of a document that came of this one's by an edit, over the same diagrams, on the same day: what stayed the same keeps its
     * bits and its sets.
     */
    public Space after(PlainForm edited, List<Fault> editedFaults) {
        return new Space(edited, editedFaults, today, diagrams, List.of(), List.of(), BitLayout.IN_ORDER, this);
    }

    private Space(PlainForm plainForm, List<Fault> faults, LocalDate today, Diagrams diagrams, List<Expr> besides, List<Expr> noted,
            BitLayout layout, Space before) {
        this.plainForm = plainForm;
        this.wiring = plainForm.plain();
        this.today = today;
        this.diagrams = diagrams;
        this.values = new Values(this, features, questions);
        Questionnaire document = wiring.document();
        document.questions().forEach(q -> questions.putIfAbsent(q.code(), q));
        this.faults = faults;
        this.conditions = new Conditions(plainForm, faults, questions, before == null ? null : before.conditions);
        Map<String, List<String>> arriving = new HashMap<>();
        document.arriving().forEach(p -> arriving.putIfAbsent(p.code(), p.allowed()));
        this.starts = new Starts(questions, arriving, today);
        conditions.usable().forEach((place, condition) -> {
            diagrams.goOn();
            usable.put(place, condition.unfolded());
            if (!starts.takes(condition.wire(), condition.unfolded())) {
                features.add(condition.asks());
            }
        });
        causes.putAll(conditions.causes());
        this.gaps = TextGaps.of(plainForm);
        gaps.forEach(g -> g.blank().flatMap(wiring::unfolded).ifPresent(e -> features.add(Analysis.noted(e))));
        TextGaps.partsNamingPassages(plainForm).forEach(p -> wiring.unfolded(p).ifPresent(e -> features.add(Analysis.noted(e))));
        conditions.usable().values().forEach(c -> features.add(c.spoken()));
        besides.forEach(e -> features.add(Analysis.of(e, questions)));
        noted.forEach(e -> features.add(Analysis.noted(e)));
        document.questions().toList().reversed().forEach(q -> {
            diagrams.goOn();
            start(q);
        });
        this.bits = before == null
                ? new Bits(document, diagrams, features, today, layout)
                : before.bits.after(document, features);
        this.changed = before == null ? Optional.empty() : takenOver(before);
    }

    private void start(Question question) {
        String place = question.code() + ".startWith";
        Conditions.SpaceCondition condition = conditions.usable().get(place);
        if (condition != null && questions.get(question.code()) == question && starts.takes(condition.wire(), condition.unfolded())) {
            starts.add(place, question, condition.unfolded(), !question.lockWhen().isEmpty(), features);
        }
    }

    /** Takes over the sets of conditions that say the same of the same answers as before, and tells what is not among them. */
    private Optional<Set<String>> takenOver(Space before) {
        Set<String> others = new HashSet<>(bits.moved());
        conditions.usable().forEach((place, condition) -> {
            Expr expr = condition.unfolded();
            boolean same = expr.equals(before.usable.get(place)) && condition.asks().names().stream().noneMatch(bits.moved()::contains)
                    && !Analysis.usesAsked(expr);
            if (!same) {
                others.add(condition.wire().owner());
            } else if (before.truths.containsKey(place)) {
                truths.put(place, before.truths.get(place));
            }
        });
        return isCertain() && before.isCertain() ? Optional.of(others) : Optional.empty();
    }

    /** Whether every condition has its sets, and nothing is open. */
    public boolean isCertain() {
        return openBits.isEmpty() && whyNotExact().isEmpty();
    }

    /**
     * Whether whatever is said on a page of the document that this one came of by an edit, and that is the same in both, is said by the
     * same sets.
     */
    public boolean saysTheSameOn(Page page) {
        return changed.isPresent() && !changed.get().contains(page.code())
                && page.allItems().noneMatch(i -> changed.get().contains(i.code()));
    }

    public Diagrams diagrams() {
        return diagrams;
    }

    /** The document and its plain form. */
    public PlainForm plainForm() {
        return plainForm;
    }

    /** The plain form of the document. */
    public Wiring wiring() {
        return wiring;
    }

    public LocalDate today() {
        return today;
    }

    public Axis axis(String code) {
        return bits.axis(code);
    }

    /** How many bits each item takes, its asked bit among them, in the order in which they stand. */
    public Map<String, Integer> widths() {
        return bits.widths();
    }

    /** The conditions that can be read, in terms of questions and link parameters alone; of derived values, the comparisons in them. */
    public Collection<Expr> conditions() {
        List<Expr> all = new ArrayList<>();
        conditions.usable().forEach((place, condition) -> {
            if (condition.wire().family() == RuleFamily.DERIVE) {
                condition.asks().parts().stream().filter(Analysis.AnalysisPart::comparison).map(Analysis.AnalysisPart::expr)
                        .forEach(all::add);
                all.addAll(condition.asks().joint());
            } else if (starts.value(place).isEmpty()) {
                all.add(condition.unfolded());
            }
        });
        return all;
    }

    /** What answers are divided by so that the cells of start values are known. */
    public List<Expr> askedByStarts() {
        return starts.asks();
    }

    public Iterable<Axis> axes() {
        return bits.axes();
    }

    /** All that hangs on the day: where two days give the same, the proof says the same for both. */
    public List<Object> onDay(LocalDate day) {
        return new Days(features, usable, diagrams::goOn).on(day, bits.axes(), bits::allowed);
    }

    /** The bits that say which questions are on a route. */
    public BitSet askedOnRoutes() {
        BitSet asked = new BitSet();
        itemsOnRoutes().values().forEach(asked::set);
        return asked;
    }

    /** What makes up a route, in document order: questions and, as one, grids; each with the bit that says whether it is asked. */
    public Map<String, Integer> itemsOnRoutes() {
        Map<String, Integer> items = new LinkedHashMap<>();
        wiring.document().items().map(Item::code).filter(plainForm::isOnRoutes).filter(bits::isAskable)
                .forEach(code -> items.put(code, askedLevel(code)));
        return items;
    }

    /** The bits that stand for what came with the link. */
    public BitSet linkLevels() {
        return bits.ofLink();
    }

    /** The bit that says whether a question, note or section is asked. */
    public int askedLevel(String item) {
        return bits.asked(item);
    }

    /** Whether a usable expression stands at the place. */
    public Optional<Expr> expr(String place) {
        return Optional.ofNullable(usable.get(place));
    }

    /** Why the expression at this place cannot be used; empty where it can. */
    public Optional<Unknown> causeAt(String place) {
        return Optional.ofNullable(causes.get(place));
    }

    /** Places whose expression rests on a sound fault. */
    public Set<String> faultyPlaces() {
        return causes.keySet();
    }

    /** Why bits of the set are open, if any are. */
    public Optional<Unknown> openReason(int set) {
        BitSet support = diagrams.support(set);
        return openBits.entrySet().stream().filter(e -> support.get(e.getKey())).map(Map.Entry::getValue).findFirst();
    }

    /** Every open bit. */
    public BitSet openLevels() {
        BitSet levels = new BitSet();
        openBits.keySet().forEach(levels::set);
        return levels;
    }

    /** Whether some comparison or expression could not be brought into the space, so that counts would not be exact. */
    public Optional<Unknown> whyNotExact() {
        if (!causes.isEmpty()) {
            return Optional.of(causes.values().iterator().next());
        }
        return features.whyInexact().map(Unknown.Beyond::new);
    }

    /** Why it is not certain who goes where: whether any condition rests on a fault or is open that is more than words or an own claim. */
    public Optional<Unknown> whyNotDecided() {
        return wiring.wires().stream().filter(this::leads).flatMap(w -> whyOpen(w).stream()).findFirst();
    }

    private boolean leads(Wire wire) {
        return switch (wire.family()) {
            case CLAIM, SEND_WHEN, INCLUDE_WHEN, REWORD, DERIVE -> false;
            case START_WITH -> questions.containsKey(wire.owner()) && !questions.get(wire.owner()).lockWhen().isEmpty();
            default -> true;
        };
    }

    private Optional<Unknown> whyOpen(Wire wire) {
        String place = wire.place();
        if (causes.containsKey(place)) {
            return Optional.of(causes.get(place));
        }
        if (wire.family() == RuleFamily.START_WITH) {
            return whyNoStart(place).map(Unknown.Beyond::new);
        }
        Truth truth = truth(place, true);
        return openReason(diagrams.or(truth.holds(), truth.fails()));
    }

    /** Comparisons between several answers whose value is not given by the answer classes alone. */
    public List<Expr> jointComparisons() {
        return features.joint().stream().filter(e -> Analysis.mentioned(e).stream().allMatch(n -> bits.axis(n) != null))
                .filter(e -> Analysis.mentioned(e).stream().anyMatch(n -> bits.axis(n).isJoint())).toList();
    }

    /** The questions and link parameters that a joint comparison mentions. */
    public Set<String> namesIn(Expr jointComparison) {
        return Analysis.mentioned(jointComparison);
    }

    /** A fresh bit that may be either, whatever is known. */
    public int freshBit() {
        return diagrams.bit(freshLevel());
    }

    /** A fresh bit that is open: it stands for something that is not known. */
    private int openBit(Unknown why) {
        int level = freshLevel();
        openBits.put(level, why);
        return diagrams.bit(level);
    }

    public int freshLevel() {
        return bits.fresh();
    }

    /** The condition at a place as sets; {@code usual} where none is written; open where it rests on a fault. */
    public Truth truth(String place, boolean usual) {
        if (wiring.at(place).isEmpty()) {
            return usual ? Truth.ALWAYS : Truth.NEVER;
        }
        Expr expr = usable.get(place);
        if (expr == null) {
            return open.computeIfAbsent("at " + place, p -> open(causes.get(place)));
        }
        Truth known = truths.get(place);
        if (known == null) {
            known = truth(expr, Map.of());
            truths.put(place, known);
        }
        return known;
    }

    /** The condition at a place as the analyst wrote it; empty where it cannot be read. */
    public Optional<Expr> written(String place) {
        return plainForm.original().at(plainForm.origin(place)).flatMap(Wire::expr);
    }

    /** Each comparison of a condition as sets, and what in it may be blank unseen; none where it rests on a fault. */
    public List<Truth> comparisonTruths(String place) {
        if (causes.containsKey(place)) {
            return List.of();
        }
        List<Expr> asked = new ArrayList<>();
        written(place).ifPresent(e -> {
            asked.addAll(e.comparisons());
            asked.addAll(TextGaps.blankness(e));
        });
        return asked.stream().flatMap(e -> truthAt(place, e).stream()).toList();
    }

    /** Every part of a text that is a gap while an answer is blank. */
    public List<TextGaps.TextGap> gaps() {
        return gaps;
    }

    /** An expression of the plain form as sets; empty where something it uses has a fault. */
    public Optional<Truth> truthOf(Expr plain) {
        return wiring.unfolded(plain).map(e -> truth(e, Map.of()));
    }

    /** An expression of the analyst as sets, read at a place of the plain form; empty where it cannot be said. */
    public Optional<Truth> truthAt(String place, Expr written) {
        return plainForm.plain(place, written).flatMap(this::truthOf);
    }

    private Truth open(Unknown why) {
        int holds = openBit(why);
        return new Truth(holds, diagrams.minus(openBit(why), holds));
    }

    private Truth open(Unknown why, Set<String> on) {
        int from = bits.next();
        Truth truth = open(why);
        bits.since(from).stream().forEach(level -> openOn.put(level, on));
        return truth;
    }

    /** Those of the open bits that may hang on one of the questions. */
    public BitSet openOn(BitSet open, List<String> questionCodes) {
        BitSet found = new BitSet();
        open.stream().filter(l -> !openOn.containsKey(l) || openOn.get(l).stream().anyMatch(questionCodes::contains)).forEach(found::set);
        return found;
    }

    /** An unfolded condition as sets, where {@code asked(x)} and {@code outcome} have the given sets. */
    public Truth truth(Expr expr, Map<String, Integer> outcomes) {
        return switch (expr) {
            case And a -> {
                int holds = Diagrams.ALL;
                int fails = Diagrams.NONE;
                for (Expr part : a.parts()) {
                    Truth t = truth(part, outcomes);
                    holds = diagrams.and(holds, t.holds());
                    fails = diagrams.or(fails, t.fails());
                }
                yield new Truth(holds, fails);
            }
            case Or o -> {
                int holds = Diagrams.NONE;
                int fails = Diagrams.ALL;
                for (Expr part : o.parts()) {
                    Truth t = truth(part, outcomes);
                    holds = diagrams.or(holds, t.holds());
                    fails = diagrams.and(fails, t.fails());
                }
                yield new Truth(holds, fails);
            }
            case Not n -> {
                Truth t = truth(n.of(), outcomes);
                yield new Truth(t.fails(), t.holds());
            }
            case If i -> {
                int when = truth(i.when(), outcomes).holds();
                Truth then = truth(i.then(), outcomes);
                Truth otherwise = truth(i.otherwise(), outcomes);
                yield new Truth(choose(when, then.holds(), otherwise.holds()), choose(when, then.fails(), otherwise.fails()));
            }
            default -> {
                Guarded value = values.guarded(expr, outcomes);
                yield value == null
                        ? open.computeIfAbsent(Printer.print(expr),
                                t -> open(new Unknown.Beyond(features.reason(expr)), Analysis.mentioned(expr)))
                        : new Truth(value.parts().getOrDefault(true, Diagrams.NONE), value.parts().getOrDefault(false, Diagrams.NONE));
            }
        };
    }

    private int choose(int when, int then, int otherwise) {
        return diagrams.or(diagrams.and(when, then), diagrams.minus(otherwise, when));
    }

    /** Why the cell of a start value cannot be said exactly; empty where it can, or where its expression has a fault. */
    public Optional<Message> whyNoStart(String place) {
        Expr expr = usable.get(place);
        return expr == null || startValues(place).isPresent()
                ? Optional.empty()
                : Optional.of(starts.value(place).isPresent()
                        ? starts.whyNot(place, features).orElse(Message.of("inexact.combinations"))
                        : features.reason(expr));
    }

    /** The value of a start expression: one from each cell of the question with its states; empty where it cannot be said exactly. */
    public Optional<Map<Object, Integer>> startValues(String place) {
        Expr expr = usable.get(place);
        Guarded value = expr == null
                ? null
                : starts.value(place).isEmpty()
                        ? values.guarded(expr, Map.of())
                        : starts.whyNot(place, features).isEmpty() ? values.byCells(expr) : null;
        if (value == null) {
            return Optional.empty();
        }
        Map<Object, Integer> byValue = new LinkedHashMap<>();
        value.parts().forEach((key, set) -> byValue.put(Optional.ofNullable(Guarded.value(key)), set));
        return Optional.of(byValue);
    }

    /** The states in which the answer lies in the same cell as this value; none where the question's limits do not allow the value. */
    public int cellOf(Axis axis, Object value) {
        return new CellSearch(bits, features, diagrams, today).of(axis, value);
    }
}
