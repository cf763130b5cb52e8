package orthogon.core.expression;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr.*;
import orthogon.core.place.Place;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Every expression of a document, read and typed at its place. Places are written as in the proof report: {@code seen.askWhen},
 * {@code group.bat.offerWhen}, {@code count/accept/0}, {@code animal/skip/0}, {@code outcomeTable/0}, {@code claims/0}.
 */
public final class Wiring {

    /**
     * One expression.
     *
     * @param at where it stands
     * @param place the text form of where it stands
     * @param owner code of the item, page or claim it belongs to; for an outcome row the outcome
     * @param expr empty where the text has a fault
     * @param readable the tree also where only names or types are at fault
     * @param uses codes of the items and link parameters it speaks of, in reading order; of {@code animals.urgency} both
     * @param options where it names an option of a choice question
     */
    public record Wire(Rule at, String place, String owner, String text, Optional<Expr> expr, Optional<Expr> readable, Type type,
            List<ExpressionFault> faults, Set<String> uses, List<OptionUse> options) {

        /** What the expression does. */
        public RuleFamily family() {
            return at.family();
        }
    }

    /** An option named by its code in quotes, at a place in the text. */
    public record OptionUse(String question, String option, Expr.Span at) {}

    private final Questionnaire document;
    private final Map<String, Wire> wires = new LinkedHashMap<>();
    private final Map<String, Type> types = new HashMap<>();
    private final Map<String, Item> items = new HashMap<>();
    private final Set<String> typing = new HashSet<>();
    private final Set<String> askable = new LinkedHashSet<>();
    /** The roster that an item stands in. */
    private final Map<String, String> rosterOf = new HashMap<>();

    /** What a name means: expressions that stood in a document of the same names read the same here. */
    private record NamesOfDocument(Map<String, Type> given, Map<String, String> rosterOf, Map<String, String> kinds,
            Set<String> outcomes) {}

    private final NamesOfDocument names;
    private final Unfolding unfolding = new Unfolding(name -> items.get(name) instanceof Derived,
            name -> at(name + ".derive").flatMap(Wire::expr), this::sent);
    /** This document without follow-ups, once it was asked for. */
    private Wiring alone;
    /** Wires of an earlier document of the same names, by place. */
    private Map<String, Wire> earlier = Map.of();

    /** Place to the tree of its expression, where that is not to be read from the text. */
    private final Map<String, Expr> trees;
    /** Runs before each expression is read. */
    private Runnable step;

    private Wiring(Questionnaire document, Map<String, Expr> trees, List<Wiring> known, Runnable step) {
        this.document = document;
        this.trees = trees;
        this.step = step;
        document.linkParameters().forEach(p -> types.put(p.code(), AnswerTypes.arriving(p.code(), p.allowed())));
        document.items().forEach(item -> {
            items.putIfAbsent(item.code(), item);
            if (item instanceof Question q) {
                types.putIfAbsent(q.code(), AnswerTypes.of(q));
            }
            if (item instanceof Roster roster) {
                roster.withInner().skip(1).forEach(i -> rosterOf.putIfAbsent(i.code(), roster.code()));
            }
        });
        items.values().stream().filter(i -> !(i instanceof Derived) && !rosterOf.containsKey(i.code()))
                .filter(i -> !(i instanceof Question q && q.isHidden())).forEach(i -> askable.add(i.code()));
        Map<String, String> kinds = new HashMap<>();
        items.forEach((code, item) -> kinds.put(code, switch (item) {
            case Derived d -> "derived " + d.derive();
            case Question q -> q.answer().type();
            default -> item.kind();
        }));
        document.messages().stream().filter(DispatchMessage::isAfterAnswers).forEach(m -> kinds.putIfAbsent(m.code(), "message"));
        for (FollowUp followUp : document.followUps()) {
            // What a follow-up may speak of hangs on those before it and on the roster that it is opened for.
            kinds.putIfAbsent(followUp.code(), "follow-up " + document.followUps().indexOf(followUp) + " of " + followUp.eachOf() + " "
                    + FollowUpTypes.of(followUp));
        }
        Set<String> outcomes = new LinkedHashSet<>();
        document.outcomes().forEach(o -> outcomes.add(o.code()));
        names = new NamesOfDocument(Map.copyOf(types), rosterOf, kinds, outcomes);
        known.stream().filter(k -> k.names.equals(names)).findFirst().ifPresent(k -> earlier = k.wires);
        document.items().filter(Derived.class::isInstance).forEach(d -> derivedType((Derived) d));
        PlacedExpression.all(document).forEach(e -> {
            if (e.at().family() == RuleFamily.DERIVE) {
                // Read early, since others need its type, but listed in document order.
                Optional.ofNullable(wires.remove(e.at().text())).ifPresent(w -> wires.put(w.place(), w));
            } else {
                wires.computeIfAbsent(e.at().text(), place -> read(e.at(), place, e.owner(), e.text()));
            }
        });
    }

    /** Wirings of the documents that were asked for last; an edit asks several times for the same two. */
    private static final Deque<Wiring> KNOWN = new ArrayDeque<>();
    private static final int KEPT = 12;
    private static final Runnable NO_STEP = () -> {};

    /** The expressions of a document. */
    public static Wiring of(Questionnaire document) {
        return of(document, NO_STEP);
    }

    /**
     * The expressions of a document.
     *
     * @param step runs before each expression is read, and may end the work by what it throws
     */
    public static Wiring of(Questionnaire document, Runnable step) {
        return of(document, Map.of(), step);
    }

    /**
     * The expressions of a document of which some are at hand as trees.
     *
     * @param trees place to tree; the document's text there only tells one tree from another, and is not read
     * @param step runs before each expression is read, and may end the work by what it throws
     */
    public static Wiring of(Questionnaire document, Map<String, Expr> trees, Runnable step) {
        synchronized (KNOWN) {
            for (Wiring known : KNOWN) {
                if (known.document == document) {
                    return known;
                }
            }
        }
        List<Wiring> alike;
        synchronized (KNOWN) {
            alike = KNOWN.stream().filter(k -> k.document.code().equals(document.code())).toList();
        }
        Wiring made = new Wiring(document, trees, alike, step);
        made.earlier = Map.of();
        made.step = NO_STEP;
        synchronized (KNOWN) {
            KNOWN.addFirst(made);
            if (KNOWN.size() > KEPT) {
                KNOWN.removeLast();
            }
        }
        return made;
    }

    /** The same document with the conditions at some places settled once for all, whatever stands there. */
    public Wiring assuming(Map<String, Boolean> settled) {
        Wiring assuming = new Wiring(document, trees, List.of(), NO_STEP);
        settled.forEach((place, holds) -> assuming.wires.computeIfPresent(place, (p, w) -> {
            Expr literal = new Literal(holds, Span.NONE);
            return new Wire(w.at(), p, w.owner(), w.text(), Optional.of(literal), Optional.of(literal), Type.TRUTH, List.of(),
                    Set.of(), List.of());
        }));
        return assuming;
    }

    public Questionnaire document() {
        return document;
    }

    /** In document order. Places without an expression are not among them. */
    public Collection<Wire> wires() {
        return wires.values();
    }

    public Optional<Wire> at(String place) {
        return Optional.ofNullable(wires.get(place));
    }

    /** The readable expression at a place; {@code usual} where none is written; empty where it has a fault. */
    public Optional<Expr> expr(String place, boolean usual) {
        Wire wire = wires.get(place);
        return wire == null ? Optional.of(new Literal(usual, Span.NONE)) : wire.expr();
    }

    /** The first item of each code. */
    public Map<String, Item> items() {
        return Collections.unmodifiableMap(items);
    }

    /** The type of what a text speaks of: a name, or a part of it as {@code driver.name}; empty where there is none. */
    public Optional<Type> typeOf(String path) {
        String[] names = path.split("\\.");
        Optional<Type> type = type(names[0]);
        for (int i = 1; i < names.length; i++) {
            String part = names[i];
            type = type.map(t -> t.parts().get(part));
        }
        return type;
    }

    /** The type a name has in an expression. */
    public Optional<Type> type(String name) {
        return items.get(name) instanceof Roster roster
                ? Optional.of(Type.listOf(Type.parts(name, entryParts(roster))))
                : Optional.ofNullable(types.get(name));
    }

    private Map<String, Type> entryParts(Roster roster) {
        Map<String, Type> parts = new LinkedHashMap<>();
        roster.withInner().skip(1).map(Item::code).filter(types::containsKey).forEach(code -> parts.putIfAbsent(code, types.get(code)));
        return parts;
    }

    /** The kind as which a follow-up brings the value of this code; empty where it cannot bring it. */
    public Optional<BroughtKind> broughtAs(String code) {
        if (code.equals("outcome") && !items.containsKey(code)) {
            return Optional.of(BroughtKind.TEXT);
        }
        return rosterOf.containsKey(code) ? Optional.empty() : type(code).flatMap(FollowUpTypes::kind);
    }

    /** The roster that an item stands in; empty for all others. */
    public Optional<String> rosterOf(String item) {
        return Optional.ofNullable(rosterOf.get(item));
    }

    /** Reads a text as if it stood at that place, to check it before it is kept. */
    public Wire checked(RuleFamily family, String owner, String text) {
        Rule at = new Rule(family == RuleFamily.OUTCOME_ROW || family == RuleFamily.CLAIM ? new Place.Whole() : new Place.Row(owner),
                family, 0);
        return text.isBlank()
                ? new Wire(at, "", owner, "", Optional.empty(), Optional.empty(), Type.NOTHING, List.of(), Set.of(), List.of())
                : read(at, "", owner, text);
    }

    /** Names that an expression of that family at that item may use, for completion. */
    public List<String> names(RuleFamily family, String owner) {
        return scope(family, owner).names().stream().sorted().toList();
    }

    /**
     * Whether a message is sent to somebody, which is true or false for everybody; empty where its condition has a fault.
     *
     * @param code of a message that is sent with the interview
     */
    public Optional<Expr> sent(String code) {
        return document.message(code).flatMap(message -> expr(code + ".sendWhen", true).map(when -> {
            List<Expr> given = new ArrayList<>(message.answers().stream()
                    .<Expr>map(a -> new Expr.Call("answered", List.of(new Name(a, Span.NONE)), Span.NONE)).toList());
            given.add(new Literal(message.hasRecipientAlways(), Span.NONE));
            return new Expr.If(when, new Expr.Or(given, Span.NONE), new Literal(false, Span.NONE), Span.NONE);
        }));
    }

    /**
     * The same document without follow-ups, as far as it is decided without them: own claims that speak of them say nothing. The wiring
     * itself where there are none.
     */
    public synchronized Wiring standingAlone() {
        if (alone == null && document.followUps().isEmpty()) {
            alone = this;
        } else if (alone == null) {
            Map<String, Expr> guarded = new HashMap<>(trees);
            document.messages().stream().filter(DispatchMessage::isOfFollowUp)
                    .forEach(m -> guarded.put(m.code() + ".sendWhen", FollowUpTypes.guard(this, m)));
            alone = of(FollowUpTypes.without(document, wires.values().stream().filter(this::isOfCase).toList(), guarded), guarded, NO_STEP);
        }
        return alone;
    }

    /** Whether an expression speaks of follow-ups, so that only a case decides it. */
    public boolean isOfCase(Wire wire) {
        return wire.family().isOfFollowUps() || wire.readable().filter(this::namesFollowUps).isPresent();
    }

    /** Codes of the follow-ups that a follow-up speaks of; with those that these speak of, and so on, all of them are over when it is opened. */
    public Set<String> restsOn(String followUp) {
        Set<String> rests = new LinkedHashSet<>();
        wires.values().stream().filter(w -> w.family().isOfFollowUps() && w.owner().equals(followUp)).flatMap(w -> w.uses().stream())
                .filter(c -> !items.containsKey(c) && document.followUp(c).isPresent() && !c.equals(followUp)).forEach(rests::add);
        return rests;
    }

    boolean namesFollowUps(Expr expr) {
        return !document.followUps().isEmpty()
                && expr.references().stream().anyMatch(n -> document.followUp(n).isPresent() && !items.containsKey(n));
    }

    /** What each derived value is computed from, by its code. */
    public Map<String, String> derivations() {
        Map<String, String> derivations = new HashMap<>();
        items.forEach((code, item) -> {
            if (item instanceof Derived d) {
                derivations.put(code, d.derive());
            }
        });
        return derivations;
    }

    /**
     * The expression with every derived value replaced by what it is computed from; empty where one of them has a fault or a cycle, and
     * where it is too long then.
     */
    public Optional<Expr> unfolded(Expr expr) {
        return unfolding.of(expr);
    }

    /** Whether an expression has too many parts once every derived value is replaced by what it is computed from. */
    public boolean isTooLong(Expr expr) {
        return unfolding.isTooLong(expr);
    }

    private Wire read(Rule at, String place, String owner, String text) {
        step.run();
        RuleFamily family = at.family();
        // What such a message may speak of hangs on more than the names of the document.
        boolean ofFollowUp = family == RuleFamily.SEND_WHEN && document.message(owner).filter(DispatchMessage::isOfFollowUp).isPresent();
        Wire before = ofFollowUp ? null : earlier.get(place);
        if (before != null && before.family() == family && before.owner().equals(owner) && before.text().equals(text)) {
            return before;
        }
        return switch (tree(place, text)) {
            case ExpressionReader.Reading.UnreadableText u -> new Wire(at, place, owner, text, Optional.empty(), Optional.empty(),
                    Type.NOTHING, List.of(u.fault()), Set.of(), List.of());
            case ExpressionReader.Reading.Read r -> {
                Typer.Typing typing = Typer.type(r.expr(), scope(family, owner));
                Set<String> uses = new LinkedHashSet<>(new Uses(items, rosterOf).of(r.expr()));
                if (family.isOverRecords(at.owner())) {
                    uses.remove(Domain.OneRecord.RECEIPT);
                }
                List<ExpressionFault> faults = new ArrayList<>(typing.faults());
                if (faults.isEmpty()) {
                    RuleTypes.fault(family, items.get(owner), r.expr(), typing.type(), scope(family, owner)).ifPresent(faults::add);
                }
                yield new Wire(at, place, owner, text, faults.isEmpty() ? Optional.of(r.expr()) : Optional.empty(),
                        Optional.of(r.expr()),
                        typing.type(), List.copyOf(faults), Collections.unmodifiableSet(uses), typing.options());
            }
        };
    }

    private ExpressionReader.Reading tree(String place, String text) {
        Expr given = trees.get(place);
        return given == null ? ExpressionReader.read(text) : new ExpressionReader.Reading.Read(given);
    }

    private void derivedType(Derived d) {
        Rule at = Rule.at(new Place.Row(d.code()), RuleFamily.DERIVE);
        String place = at.text();
        if (wires.containsKey(place) || items.get(d.code()) != d || !typing.add(d.code())) {
            return;
        }
        if (!(tree(place, d.derive()) instanceof ExpressionReader.Reading.Read r)) {
            types.put(d.code(), Type.NOTHING);
            wires.put(place, read(at, place, d.code(), d.derive()));
            return;
        }
        for (String name : r.expr().references()) {
            if (items.get(name) instanceof Derived inner) {
                derivedType(inner);
            } else if (items.get(name) instanceof Roster roster) {
                roster.withInner().filter(Derived.class::isInstance).forEach(i -> derivedType((Derived) i));
            }
        }
        types.putIfAbsent(d.code(), Type.NOTHING);
        Wire wire = read(at, place, d.code(), d.derive());
        types.put(d.code(), wire.faults().isEmpty() ? wire.type() : Type.NOTHING);
        wires.put(place, wire);
    }

    private Typer.Scope scope(RuleFamily family, String owner) {
        return new NamesInScope(this, types, askable, family, owner);
    }
}
