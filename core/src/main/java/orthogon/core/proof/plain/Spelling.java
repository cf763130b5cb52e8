package orthogon.core.proof.plain;

import orthogon.core.answer.GridRow;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.lookup.ChosenRecord;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Spells out the rosters, grids and lookups of a document as plain questions, and keeps where each rule comes from. */
final class Spelling {

    /** What somebody reads whose record is not on offer; the words are Orthogon's own. */
    private static final String NOT_ON_OFFER = "not on offer";
    /** An answer without conditions of its own. */
    private static final Answer YES_NO = new YesNoAnswer();

    /** Place in the plain form to the place it comes from, where the two differ. */
    final Map<String, String> origin = new HashMap<>();
    /** Place in the plain form to its expression. */
    final Map<String, Expr> trees = new HashMap<>();
    /** Place whose expression could not be spelled out, to the reason. */
    final Map<String, Message> unclear = new LinkedHashMap<>();
    /** Sections that are one question for the analyst. */
    final Set<String> grids = new LinkedHashSet<>();
    /** The receipts of the records that lookups take. */
    final Set<String> receipts = new HashSet<>();
    /** What is shown of the record that a lookup takes: nobody is asked for it. */
    final Set<String> shownOfRecords = new HashSet<>();
    /** Places whose expression nobody wrote. */
    final Set<String> unsaid = new HashSet<>();
    /** Number of entries of a roster that needs some to the fewest of them. */
    final Map<String, BigDecimal> neverBlank = new LinkedHashMap<>();

    private final Wiring original;
    private final Map<String, Item> items;
    private final Runnable step;

    /** @param step runs before each expression is spelled out, and may end the work by what it throws */
    Spelling(Wiring original, Map<String, Item> items, Runnable step) {
        this.original = original;
        this.items = items;
        this.step = step;
    }

    /** The document in plain form; its rules stand in the trees, and its texts only tell one rule from another. */
    Questionnaire document() {
        Questionnaire document = original.document();
        Rewriter outside = new Rewriter(items, "", 0);
        Questionnaire rewritten = Places.apply(
                document.withPages(document.pages().stream().map(p -> p.withItems(List.of())).toList()),
                (place, text) -> text(place, place, text, rewriter(place, outside)));
        List<Page> pages = new ArrayList<>();
        for (int p = 0; p < document.pages().size(); p++) {
            List<Item> plainItems = new ArrayList<>();
            document.pages().get(p).items().forEach(i -> spell(i, "", 0, plainItems));
            pages.add(rewritten.pages().get(p).withItems(plainItems));
        }
        return rewritten.withPages(pages);
    }

    private Rewriter rewriter(String place, Rewriter outside) {
        return PlaceText.rule(place).filter(r -> r.family().isOfFollowUps()).flatMap(r -> original.document().followUp(r.row()))
                .filter(FollowUp::isForEachEntry).map(f -> new Rewriter(items, f.eachOf(), 1)).orElse(outside);
    }

    private String text(String from, String place, String text, Rewriter rewriter) {
        if (text.isEmpty()) {
            return text;
        }
        step.run();
        if (!from.equals(place)) {
            origin.put(place, from);
        }
        Optional<Expr> expr = original.at(from).flatMap(Wiring.Wire::expr);
        if (expr.isEmpty()) {
            // It has a fault, which is reported at the place it comes from; here it only has to stand for something.
            return text;
        }
        try {
            Expr rewritten = rewriter.rewrite(expr.get());
            trees.put(place, rewritten);
            return Printer.print(rewritten);
        } catch (Rewriter.Unclear e) {
            unclear.put(place, e.why());
            return PlaceText.rule(place).filter(r -> !r.family().isCondition()).isPresent() ? "null" : "true";
        }
    }

    private void spell(Item item, String roster, int entry, List<Item> into) {
        String code = entry == 0 ? item.code() : Names.inEntry(roster, entry, item.code());
        Rewriter rewriter = new Rewriter(items, roster, entry);
        switch (item) {
            case Question q when q.answer() instanceof GridAnswer grid -> into.add(spell(q, grid, code, rewriter));
            case Question q when q.answer() instanceof LookupAnswer lookup -> into.add(spell(q, lookup, code, rewriter));
            case Roster r -> spell(r, rewriter, into);
            case Section s -> {
                List<Item> inner = new ArrayList<>();
                s.items().forEach(i -> spell(i, roster, entry, inner));
                into.add(new Section(code, s.title(), text(s.code() + ".askWhen", code + ".askWhen", s.askWhen(), rewriter), inner));
            }
            case Question q -> into.add(withPlainConditions(q, code, rewriter));
            case Note n -> into.add(withPlainConditions(n, code, rewriter));
            case Derived d -> into.add(withPlainConditions(d, code, rewriter));
        }
    }

    private Item withPlainConditions(Item item, String code, Rewriter rewriter) {
        return Places.apply(item, (from, text) -> text(from, code + from.substring(item.code().length()), text, rewriter))
                .withCode(code);
    }

    private Section spell(Question q, GridAnswer grid, String code, Rewriter rewriter) {
        grids.add(code);
        List<Item> rows = new ArrayList<>();
        for (GridRow row : grid.rows()) {
            String rowCode = Names.row(code, row.code());
            Question one = (Question) withPlainConditions(q.withAskWhen("").withAnswer(grid.row()).withTexts(row.label(), ""), rowCode,
                    rewriter);
            rows.add(one.withAskWhen(text(q.code() + "." + row.code() + ".askWhen", rowCode + ".askWhen", row.askWhen(), rewriter)));
        }
        return new Section(code, q.wording(), text(q.code() + ".askWhen", code + ".askWhen", q.askWhen(), rewriter), rows);
    }

    /** The record is a question, and what is shown of it are questions that are asked once there is a record. */
    private Section spell(Question q, LookupAnswer lookup, String code, Rewriter rewriter) {
        grids.add(code);
        String receipt = Names.row(code, Domain.OneRecord.RECEIPT);
        Rewriter ofRecord = rewriter.ofRecord(code);
        origin.put(receipt, q.code());
        receipts.add(receipt);
        String every = receipt + "." + RuleFamily.EVERY_RECORD.key();
        unsaid.add(every);
        Answer answer = new ChosenRecord(lookup.questionnaire(),
                text(q.code() + "." + RuleFamily.EVERY_RECORD.key(), every, lookup.everyRecord(), ofRecord));
        Question chosen = ((Question) withPlainConditions(q.withAskWhen("").withAnswer(YES_NO), receipt, rewriter)).withAnswer(answer);
        List<Question.Accept> accept = new ArrayList<>(chosen.accept());
        if (!lookup.offerWhen().isEmpty()) {
            String place = receipt + "/accept/" + accept.size();
            String offer = text(q.code() + "." + RuleFamily.OFFER_WHEN.key(), place, lookup.offerWhen(), ofRecord);
            accept.add(new Question.Accept(within(place, offer, Spelling::onlyIfTrue), NOT_ON_OFFER));
        }
        List<Item> parts = new ArrayList<>(List.of(chosen.withAccept(accept)));
        for (RecordAnswer shown : lookup.shows()) {
            String part = Names.row(code, shown.code());
            shownOfRecords.add(part);
            trees.put(part + ".askWhen", Rewriter.isAnswered(new Expr.Name(receipt, Expr.Span.NONE)));
            parts.add(Question.of(part, shown.label(), shown.answer()).withAskWhen("answered(" + receipt + ")"));
        }
        return new Section(code, q.wording(), text(q.code() + ".askWhen", code + ".askWhen", q.askWhen(), rewriter), parts);
    }

    /** A record is offered where the condition is true, but an answer is accepted where it is not false. */
    private static Expr onlyIfTrue(Expr when) {
        return new Expr.If(when, new Expr.Literal(true, Expr.Span.NONE), new Expr.Literal(false, Expr.Span.NONE), Expr.Span.NONE);
    }

    private void spell(Roster r, Rewriter rewriter, List<Item> into) {
        if (r.least() > 0) {
            neverBlank.put(r.code(), BigDecimal.valueOf(r.least()));
        }
        into.add(number(r, rewriter));
        for (int e = 1; e <= r.most(); e++) {
            List<Item> inner = new ArrayList<>();
            for (Item item : r.items()) {
                spell(item, r.code(), e, inner);
            }
            into.add(new Section(Names.entry(r.code(), e), "", r.code() + " >= " + e, inner));
        }
    }

    /** How many entries there are is a question; nobody is asked for it where an expression says it. */
    private Question number(Roster r, Rewriter rewriter) {
        String code = r.code();
        Question number = Question
                .of(code, r.title(), new NumberAnswer(BigDecimal.valueOf(Math.max(1, r.least())), BigDecimal.valueOf(r.most()), 0, ""))
                .withAskWhen(text(code + ".askWhen", code + ".askWhen", r.askWhen(), rewriter))
                .withRequireWhen(r.least() > 0 ? "true" : count(r, RuleFamily.FEWEST, ".requireWhen", rewriter, EntryNumber::needed));
        if (r.count().isFixed()) {
            origin.put(code + ".lockWhen", code + "." + RuleFamily.AS_MANY.key());
            return number.withLockWhen("true")
                    .withStartWith(count(r, RuleFamily.AS_MANY, ".startWith", rewriter, said -> EntryNumber.fixed(r, said)));
        }
        List<Question.Accept> accept = new ArrayList<>();
        count(r, RuleFamily.FEWEST, ">=", rewriter, accept);
        count(r, RuleFamily.AT_MOST, "<=", rewriter, accept);
        return number.withAccept(accept);
    }

    private void count(Roster r, RuleFamily family, String comparison, Rewriter rewriter, List<Question.Accept> accept) {
        String when = count(r, family, "/accept/" + accept.size(), rewriter, said -> EntryNumber.compared(r, comparison, said));
        if (!when.isEmpty()) {
            accept.add(new Question.Accept(when, ""));
        }
    }

    /** An expression over one that says a number of entries, at a place of the question for that number; empty where there is none. */
    private String count(Roster r, RuleFamily family, String at, Rewriter rewriter, UnaryOperator<Expr> over) {
        String from = r.code() + "." + family.key();
        String said = original.at(from).map(Wiring.Wire::text).orElse("");
        return within(r.code() + at, text(from, r.code() + at, said, rewriter), over);
    }

    /**
     * The expression at a place with another one around it.
     *
     * @param text of the expression alone, which stays where it could not be read
     * @return the text of the whole, since a text must tell apart what is read from it
     */
    private String within(String place, String text, UnaryOperator<Expr> around) {
        Expr whole = trees.computeIfPresent(place, (p, expr) -> around.apply(expr));
        return whole == null ? text : Printer.print(whole);
    }
}
