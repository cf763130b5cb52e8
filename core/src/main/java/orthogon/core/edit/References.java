package orthogon.core.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Roster;

/** Who refers to what, and how references follow a new code. */
public final class References {

    private References() {}

    /** Places outside the item or page of that code that refer to it or to anything in it, in document order. */
    public static List<String> dependents(Questionnaire document, String code) {
        return dependents(document, Set.of(code));
    }

    /** The items or pages and everything in them. */
    public static Set<String> going(Questionnaire document, Set<String> codes) {
        Set<String> inside = new LinkedHashSet<>(codes);
        for (String code : codes) {
            document.page(code).ifPresent(p -> p.allItems().forEach(i -> inside.add(i.code())));
            document.item(code).ifPresent(i -> i.withInner().forEach(inner -> inside.add(inner.code())));
        }
        return inside;
    }

    /** Places outside these items or pages that refer to one of them or to anything in them, in document order. */
    public static List<String> dependents(Questionnaire document, Set<String> codes) {
        Set<String> inside = going(document, codes);
        List<String> places = new ArrayList<>();
        for (Wiring.Wire wire : Wiring.of(document).wires()) {
            boolean own = inside.contains(wire.owner()) && wire.family() != RuleFamily.OUTCOME_ROW
                    && wire.family() != RuleFamily.CLAIM;
            if (wire.uses().stream().anyMatch(inside::contains) && !own) {
                places.add(wire.place());
            }
        }
        for (Page page : document.pages()) {
            for (int i = 0; i < page.skip().size(); i++) {
                if (codes.contains(page.skip().get(i).to()) && !codes.contains(page.code())) {
                    places.add(page.code() + "/skip/" + i);
                }
            }
        }
        document.messages().stream().filter(m -> !m.without(inside).equals(m)).map(DispatchMessage::code).forEach(places::add);
        document.followUps().stream().filter(f -> !f.without(inside).equals(f)).map(FollowUp::code).forEach(places::add);
        document.outcomes().stream().filter(o -> !o.without(inside).equals(o)).map(Outcome::code)
                .forEach(places::add);
        Texts.all(document).forEach((unit, text) -> {
            if (!inside.contains(PlaceText.unit(unit).row()) && Piping.codes(text).stream().anyMatch(inside::contains)) {
                places.add(unit);
            }
        });
        return places.stream().distinct().toList();
    }

    private record Token(int from, String name) {}

    /** An expression with names renamed, everything else as it was typed. A text that cannot be read stays as it is. */
    private static String renamed(String expression, Map<String, String> codes, Set<String> rosters) {
        if (expression.isBlank() || !(ExpressionReader.read(expression) instanceof ExpressionReader.Reading.Read read)) {
            return expression;
        }
        List<Token> tokens = new ArrayList<>();
        collect(read.expr(), Map.of(), rosters, tokens);
        StringBuilder text = new StringBuilder(expression);
        tokens.stream().distinct().sorted(Comparator.comparingInt(Token::from).reversed()).forEach(token -> {
            String to = codes.get(token.name());
            if (to != null) {
                int from = expression.offsetByCodePoints(0, token.from());
                text.replace(from, from + token.name().length(), to);
            }
        });
        return text.toString();
    }

    /** @param bound name that a quantifier binds, to whether it stands for an entry of a roster */
    private static void collect(Expr expr, Map<String, Boolean> bound, Set<String> rosters, List<Token> into) {
        switch (expr) {
            case Expr.Name n when !bound.containsKey(n.name()) -> into.add(new Token(n.span().from(), n.name()));
            case Expr.PartOf p -> {
                collect(p.of(), bound, rosters, into);
                if (p.of() instanceof Expr.Name n && bound.getOrDefault(n.name(), rosters.contains(n.name()))) {
                    into.add(new Token(p.span().to() - p.part().length(), p.part()));
                }
            }
            case Expr.Quantified q -> {
                Map<String, Boolean> inner = new HashMap<>(bound);
                for (Expr.Binding b : q.bindings()) {
                    collect(b.in(), inner, rosters, into);
                    inner.put(b.name(), b.in() instanceof Expr.Name n && rosters.contains(n.name()));
                }
                collect(q.satisfies(), inner, rosters, into);
            }
            default -> expr.children().forEach(c -> collect(c, bound, rosters, into));
        }
    }

    private static Set<String> rosters(Questionnaire document) {
        return document.items().filter(Roster.class::isInstance).map(Item::code).collect(Collectors.toSet());
    }

    static Item renamed(Item item, Map<String, String> codes, Questionnaire document) {
        Set<String> rosters = rosters(document);
        Item followed = Places.apply(item, (place, text) -> renamed(text, codes, rosters));
        return recoded(Texts.apply(followed, (unit, text) -> Piping.renamed(text, codes)), codes);
    }

    static Page renamed(Page page, Map<String, String> codes, Questionnaire document) {
        Questionnaire alone = document.withPages(List.of(page)).withEnding(List.of(), List.of()).withClaims(List.of())
                .withDispatch(Dispatch.NOTHING);
        Set<String> rosters = rosters(document);
        Questionnaire followed = Places.apply(alone, (place, text) -> renamed(text, codes, rosters));
        return recoded(Texts.apply(followed, (unit, text) -> Piping.renamed(text, codes)).pages().getFirst(), codes);
    }

    private static Page recoded(Page page, Map<String, String> codes) {
        return page.withCode(codes.getOrDefault(page.code(), page.code()))
                .withItems(page.items().stream().map(i -> recoded(i, codes)).toList())
                .withRules(page.finish(),
                        page.skip().stream().map(s -> new Page.Skip(s.when(), codes.getOrDefault(s.to(), s.to()))).toList());
    }

    private static Item recoded(Item item, Map<String, String> codes) {
        Item inner = item instanceof Group g ? g.withItems(g.items().stream().map(i -> recoded(i, codes)).toList()) : item;
        return inner.withCode(codes.getOrDefault(item.code(), item.code()));
    }

    static Questionnaire renamed(Questionnaire document, Map<String, String> codes) {
        Set<String> rosters = rosters(document);
        Questionnaire followed = atUnits(inTexts(Places.apply(document, (place, text) -> renamed(text, codes, rosters)),
                text -> Piping.renamed(text, codes)), unit -> unit(unit, codes));
        return followed.withPages(followed.pages().stream().map(p -> recoded(p, codes)).toList())
                .withEnding(followed.outcomes().stream().map(o -> carrying(o, codes)).toList(), followed.outcomeTable())
                .withDispatch(new Dispatch(followed.messages().stream().map(m -> m.withCodes(codes)).toList(), followed.passages().stream()
                        .map(p -> p.withCode(codes.getOrDefault(p.code(), p.code()))).toList(),
                        followed.followUps().stream().map(f -> f.withCodes(codes)).toList()));
    }

    private static Outcome carrying(Outcome outcome, Map<String, String> codes) {
        Map<String, String> carries = new LinkedHashMap<>();
        outcome.carries().forEach((parameter, code) -> carries.put(parameter, codes.getOrDefault(code, code)));
        return outcome.withCarries(carries);
    }

    /** The document with every text changed, in all languages. */
    static Questionnaire inTexts(Questionnaire document, UnaryOperator<String> change) {
        Map<String, Map<String, Questionnaire.Translation>> translations = new LinkedHashMap<>();
        document.translations().forEach((language, units) -> {
            Map<String, Questionnaire.Translation> changed = new LinkedHashMap<>();
            units.forEach((unit, t) -> changed.put(unit,
                    new Questionnaire.Translation(change.apply(t.text()), t.state(), change.apply(t.of()))));
            translations.put(language, changed);
        });
        return Texts.apply(document, (unit, text) -> change.apply(text)).withTranslations(translations);
    }

    /**
     * The document with another code for something that is chosen, in conditions and in texts.
     *
     * @param owner the question that it is an option of, or {@code outcome}
     */
    static Questionnaire choice(Questionnaire document, String owner, String from, String to) {
        Map<String, String> changed = new LinkedHashMap<>();
        for (Wiring.Wire wire : Wiring.of(document).wires()) {
            StringBuilder text = new StringBuilder(wire.text());
            wire.options().stream().filter(o -> o.question().equals(owner) && o.option().equals(from))
                    .sorted((a, b) -> Integer.compare(b.at().from(), a.at().from())).forEach(o -> {
                        int start = wire.text().offsetByCodePoints(0, o.at().from());
                        int end = wire.text().offsetByCodePoints(0, o.at().to());
                        text.replace(start, end, Printer.literal(to));
                    });
            if (!text.toString().equals(wire.text())) {
                changed.put(wire.place(), text.toString());
            }
        }
        return inTexts(Places.with(document, changed), text -> Piping.renamedChoice(text, owner, from, to));
    }

    /** The document with its translations and notes standing at other units. */
    static Questionnaire atUnits(Questionnaire document, UnaryOperator<String> change) {
        Map<String, Map<String, Questionnaire.Translation>> translations = new LinkedHashMap<>();
        document.translations().forEach((language, units) -> {
            Map<String, Questionnaire.Translation> moved = new LinkedHashMap<>();
            units.forEach((unit, t) -> moved.put(change.apply(unit), t));
            translations.put(language, moved);
        });
        Map<String, String> notes = new LinkedHashMap<>();
        document.notes().forEach((unit, note) -> notes.put(change.apply(unit), note));
        return document.withTranslations(translations).withNotes(notes);
    }

    private static String unit(String unit, Map<String, String> codes) {
        String row = PlaceText.unit(unit).row();
        return codes.getOrDefault(row, row) + unit.substring(row.length());
    }
}
