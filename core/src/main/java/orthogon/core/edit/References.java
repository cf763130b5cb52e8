package orthogon.core.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** Who refers to what, and how references follow a new code. */
public final class References {

    private References() {}

    /** Places outside the item or page of that code that refer to it or to anything in it, in document order. */
    public static List<String> dependents(Questionnaire document, String code) {
        Set<String> inside = new LinkedHashSet<>(Set.of(code));
        document.page(code).ifPresent(p -> p.allItems().forEach(i -> inside.add(i.code())));
        document.item(code).ifPresent(i -> i.withInner().forEach(inner -> inside.add(inner.code())));
        List<String> places = new ArrayList<>();
        for (Wiring.Wire wire : Wiring.of(document).wires()) {
            boolean refers = wire.readable().map(e -> e.references().stream().anyMatch(inside::contains)).orElse(false);
            boolean own = inside.contains(wire.owner()) && wire.family() != Wiring.Family.OUTCOME_ROW
                    && wire.family() != Wiring.Family.CLAIM;
            if (refers && !own) {
                places.add(wire.place());
            }
        }
        for (Page page : document.pages()) {
            for (int i = 0; i < page.skip().size(); i++) {
                if (page.skip().get(i).to().equals(code) && !page.code().equals(code)) {
                    places.add(page.code() + "/skip/" + i);
                }
            }
        }
        return places;
    }

    /** An expression with free names renamed, everything else as it was typed. A text that cannot be read stays as it is. */
    static String renamed(String expression, Map<String, String> codes) {
        if (expression.isBlank() || !(ExpressionReader.read(expression) instanceof ExpressionReader.Reading.Read read)) {
            return expression;
        }
        List<Expr.Name> names = new ArrayList<>();
        Expr.freeNames(read.expr(), Set.of(), names::add);
        names.sort(Comparator.comparingInt((Expr.Name n) -> n.span().from()).reversed());
        StringBuilder text = new StringBuilder(expression);
        for (Expr.Name name : names) {
            String to = codes.get(name.name());
            if (to != null) {
                int from = expression.offsetByCodePoints(0, name.span().from());
                text.replace(from, from + name.name().length(), to);
            }
        }
        return text.toString();
    }

    static Item renamed(Item item, Map<String, String> codes) {
        String code = codes.getOrDefault(item.code(), item.code());
        return switch (item) {
            case Note n -> new Note(code, n.wording(), renamed(n.askWhen(), codes));
            case Derived d -> new Derived(code, renamed(d.derive(), codes));
            case Section s -> new Section(code, s.title(), renamed(s.askWhen(), codes),
                    s.items().stream().map(i -> renamed(i, codes)).toList());
            case Question q -> new Question(code, q.wording(), q.help(), renamed(q.answer(), codes), renamed(q.askWhen(), codes),
                    renamed(q.requireWhen(), codes), renamed(q.lockWhen(), codes), renamed(q.startWith(), codes),
                    q.accept().stream().map(a -> new Question.Accept(renamed(a.when(), codes), a.message())).toList(),
                    q.reword().stream().map(r -> new Question.Reword(renamed(r.when(), codes), r.wording(), r.help())).toList(),
                    q.keepWhenHidden());
        };
    }

    private static Answer renamed(Answer answer, Map<String, String> codes) {
        List<Answer.Option> options = answer.options().stream()
                .map(o -> new Answer.Option(o.code(), o.label(), o.score(), o.exclusive(), renamed(o.offerWhen(), codes))).toList();
        return switch (answer) {
            case Answer.OneChoice c -> new Answer.OneChoice(options, c.dropDown());
            case Answer.ManyChoices c -> new Answer.ManyChoices(options, c.least(), c.most());
            default -> answer;
        };
    }

    static Questionnaire renamed(Questionnaire document, Map<String, String> codes) {
        List<Page> pages = document.pages().stream().map(p -> new Page(codes.getOrDefault(p.code(), p.code()), p.title(), p.introduction(),
                renamed(p.openWhen(), codes), p.items().stream().map(i -> renamed(i, codes)).toList(),
                p.finish().stream().map(f -> new Page.Finish(renamed(f.when(), codes), f.outcome())).toList(),
                p.skip().stream().map(s -> new Page.Skip(renamed(s.when(), codes), codes.getOrDefault(s.to(), s.to()))).toList())).toList();
        Map<String, Map<String, Questionnaire.Translation>> translations = new LinkedHashMap<>();
        document.translations().forEach((language, units) -> {
            Map<String, Questionnaire.Translation> renamed = new LinkedHashMap<>();
            units.forEach((unit, t) -> {
                int dot = unit.indexOf('.') < 0 ? unit.length() : unit.indexOf('.');
                String head = unit.substring(0, dot);
                renamed.put(codes.getOrDefault(head, head) + unit.substring(dot), t);
            });
            translations.put(language, renamed);
        });
        return new Questionnaire(document.code(), document.title(), document.sourceLanguage(), document.languages(),
                document.linkParameters(), pages, document.outcomes(),
                document.outcomeTable().stream().map(r -> new Questionnaire.OutcomeRow(renamed(r.when(), codes), r.outcome())).toList(),
                document.claims().stream().map(c -> new Questionnaire.OwnClaim(c.code(), c.says(), renamed(c.that(), codes))).toList(),
                translations);
    }
}
