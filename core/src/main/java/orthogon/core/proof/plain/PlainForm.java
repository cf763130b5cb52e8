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
import orthogon.core.proof.fault.Fault;
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
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A document in plain form, and the way back to what the analyst wrote. */
public final class PlainForm {

    private static final Pattern RECEIPT = Pattern.compile("([a-z][A-Za-z0-9_]*Z" + Domain.OneRecord.RECEIPT + ")(/accept/\\d+)?");

    private final Wiring asWritten;
    private final Wiring original;
    /** Whether the document was made of plain forms, so that its codes stay as they are. */
    private final boolean composed;
    private final Runnable step;
    private final Wiring plain;
    private final Map<String, Item> items = new HashMap<>();
    /** Place in the plain form to the place it comes from, where the two differ. */
    private final Map<String, String> origin = new HashMap<>();
    /** Place in the plain form to its expression. */
    private final Map<String, Expr> trees = new HashMap<>();
    private final Map<String, Message> unclear = new LinkedHashMap<>();
    private final Set<String> grids = new LinkedHashSet<>();
    /** The receipts of the records that lookups take, in plain form. */
    private final Set<String> receipts = new HashSet<>();
    /** What is shown of the record that a lookup takes, in plain form: nobody is asked for it. */
    private final Set<String> shownOfRecords = new HashSet<>();
    /** Places whose expression nobody wrote. */
    private final Set<String> unsaid = new HashSet<>();
    /** Number of entries of a roster that needs some to the fewest of them. */
    private final Map<String, BigDecimal> neverBlank = new LinkedHashMap<>();

    /** What somebody reads whose record is not on offer; the words are Orthogon's own. */
    private static final String NOT_ON_OFFER = "not on offer";
    /** An answer without conditions of its own. */
    private static final Answer YES_NO = new YesNoAnswer();

    private PlainForm(Wiring asWritten, Wiring original, Runnable step) {
        this.asWritten = asWritten;
        this.original = original;
        this.step = step;
        this.composed = false;
        Questionnaire document = original.document();
        document.items().forEach(i -> items.putIfAbsent(i.code(), i));
        boolean simple = items.values().stream()
                .noneMatch(i -> i instanceof Roster
                        || i instanceof Question q && (q.answer() instanceof GridAnswer || q.answer() instanceof LookupAnswer));
        this.plain = simple ? original : Wiring.of(plainForm(document), trees, step);
    }

    public static PlainForm of(Wiring original) {
        return of(original, () -> {});
    }

    /** @param step runs before each expression is read, and may end the work by what it throws */
    public static PlainForm of(Wiring original, Runnable step) {
        return new PlainForm(original, original.standingAlone(), step);
    }

    /** The plain form with its follow-ups; of one that is opened for each entry of a roster, the first entry's. */
    public static PlainForm withFollowUps(Wiring original, Runnable step) {
        return new PlainForm(original, original, step);
    }

    /**
     * A document that was made of plain forms and is one itself.
     *
     * @param neverBlank code of a question that has an answer whenever it is asked, to that answer where nothing is said of it
     * @param grids sections that are one question for the analyst
     */
    public static PlainForm composed(Wiring wiring, Map<String, BigDecimal> neverBlank, Set<String> grids) {
        return new PlainForm(wiring, neverBlank, grids);
    }

    private PlainForm(Wiring composed, Map<String, BigDecimal> neverBlank, Set<String> grids) {
        this.asWritten = composed;
        this.original = composed;
        this.step = () -> {};
        this.composed = true;
        this.plain = composed;
        composed.document().items().forEach(i -> items.putIfAbsent(i.code(), i));
        this.neverBlank.putAll(neverBlank);
        this.grids.addAll(grids);
    }

    /** The document with its follow-ups, which are no part of {@link #original()}. */
    public Wiring asWritten() {
        return asWritten;
    }

    /** The document as far as it is decided without follow-ups. */
    public Wiring original() {
        return original;
    }

    /** The document in plain form; the document itself where it has neither rosters nor grids. */
    public Wiring plain() {
        return plain;
    }

    /** Whether the document was made of plain forms. */
    public boolean isComposed() {
        return composed;
    }

    /** Whether the plain form differs from the document. */
    public boolean differs() {
        return plain != original;
    }

    /** Places of the plain form whose expression could not be spelled out, with the reason. */
    public Map<String, Message> unclear() {
        return unclear;
    }

    /** Questions of the plain form that have an answer whenever they are asked: the number of entries of a roster that needs some. */
    public boolean isNeverBlank(String code) {
        return neverBlank.containsKey(code);
    }

    /** Whether a question of the plain form is for the number of a roster's entries. */
    public boolean isEntryNumber(String code) {
        return items.get(code) instanceof Roster;
    }

    /** Answers of the plain form with the fewest entries where nothing is said of them, as an interview has them too. */
    public Map<String, Object> settled(Map<String, Object> plainAnswers) {
        Map<String, Object> settled = new LinkedHashMap<>(plainAnswers);
        neverBlank.forEach(settled::putIfAbsent);
        return settled;
    }

    /** Questions of the plain form that have an answer whenever they are asked, to that answer where nothing is said of it. */
    public Map<String, BigDecimal> neverBlank() {
        return neverBlank;
    }

    /** Whether a question or section of the plain form counts as a question on a route. */
    public boolean isOnRoutes(String code) {
        return grids.contains(code) && Names.entryOf(code) == 0
                || !Names.isOfPlainForm(code) && items.get(code) instanceof Question q && !grids.contains(code)
                || items.get(code) instanceof Roster;
    }

    /** Sections of the plain form that are one question for the analyst, asked where one of its rows is. */
    public Set<String> grids() {
        return grids;
    }

    /** The faults of the document at their places in the plain form. */
    public List<Fault> faults(List<Fault> faults) {
        List<Fault> own = faults.stream().filter(f -> asWritten.at(f.place()).filter(asWritten::isOfCase).isEmpty()).toList();
        if (!differs()) {
            return own;
        }
        List<Fault> all = new ArrayList<>();
        for (Fault fault : own) {
            all.add(fault);
            origin.forEach((place, from) -> {
                if (from.equals(fault.place())) {
                    all.add(new Fault(fault.kind(), place, fault.because()));
                }
            });
        }
        return all;
    }

    /**
     * An expression of the analyst in plain form, as it reads at a place of the plain form; empty where it cannot be spelled out.
     */
    public Optional<Expr> plain(String plainPlace, Expr expr) {
        if (!differs()) {
            return Optional.of(expr);
        }
        String head = plainPlace.split("[./#]", 2)[0];
        int entry = Names.entryOf(head);
        Rewriter rewriter = new Rewriter(items, entry == 0 ? "" : head.substring(0, head.indexOf('Z')), entry);
        try {
            return Optional.of((isOverRecords(origin(plainPlace)) ? rewriter.ofRecord(Names.lookup(head)) : rewriter).rewrite(expr));
        } catch (Rewriter.Unclear e) {
            return Optional.empty();
        }
    }

    /** Whether the expression at a place of the document speaks of the records that a lookup may offer. */
    public boolean isOverRecords(String place) {
        return PlaceText.rule(place.split("#", 2)[0]).filter(r -> r.family().isOverRecords(r.owner())).isPresent();
    }

    /** The code in plain form; inside a roster, that of the first entry. */
    public String first(String code) {
        return original.rosterOf(code).map(r -> Names.inEntry(r, 1, code)).orElse(code);
    }

    /** Where the interview keeps the answer to a question of the plain form. */
    public String slot(String plainCode) {
        return plainCode.replace('Z', '.');
    }

    /** The section in plain form that an entry of a roster is. */
    public String entry(String roster, int entry) {
        return Names.entry(roster, entry);
    }

    /** A row of a grid in plain form; inside a roster, that of the first entry. */
    public String firstRow(String grid, String row) {
        return Names.row(first(grid), row);
    }

    /** Under which codes of the plain form the rules of an item stand; inside a roster, those of the first entry. */
    public List<String> ruledAs(Item item) {
        if (item instanceof Question q && q.answer() instanceof LookupAnswer) {
            return List.of(Names.row(first(q.code()), Domain.OneRecord.RECEIPT));
        }
        List<GridRow> rows = item instanceof Question q ? q.answer().rows() : List.of();
        return rows.isEmpty() ? List.of(first(item.code())) : rows.stream().map(r -> firstRow(item.code(), r.code())).toList();
    }

    /** Where a place of the plain form comes from. */
    public String origin(String place) {
        if (composed) {
            return place;
        }
        int hash = place.indexOf('#');
        String bare = hash < 0 ? place : place.substring(0, hash);
        if (origin.containsKey(bare)) {
            return origin.get(bare) + (hash < 0 ? "" : place.substring(hash));
        }
        if (!Names.isOfPlainForm(place)) {
            return place;
        }
        String head = place.split("[./#]", 2)[0];
        return Names.plain(head) + place.substring(head.length());
    }

    /** The page, item or outcome that a place of the plain form comes from, by its code. */
    public String originalRow(String place) {
        String from = origin(place);
        return PlaceText.read(from).map(Place::row).orElseGet(() -> PlaceText.unit(from).row());
    }

    /** Whether what is said at this place is said for the analyst: not of an entry as such, and only of the first of all entries. */
    public boolean isSaid(String place) {
        if (composed) {
            return true;
        }
        String head = place.split("[./#]", 2)[0];
        if (shownOfRecords.contains(head) || unsaid.contains(place.split("#", 2)[0]) || isCount(place)) {
            return false;
        }
        return !Names.isOfPlainForm(head) || !Names.isEntry(head) && Names.entryOf(head) <= 1;
    }

    /** Whether a place of the plain form holds what a rule about the number of a roster's entries comes to there. */
    public boolean isCount(String place) {
        return Optional.ofNullable(origin.get(place.split("#", 2)[0])).flatMap(PlaceText::rule).filter(r -> r.family().isCount())
                .isPresent();
    }

    /** A text for people with the analyst's own codes. */
    public String said(String text) {
        return composed ? CaseNames.said(text) : differs() ? Names.said(receipts.isEmpty() ? text : withLookups(text)) : text;
    }

    /** The text with lookups in place of the receipts of their records. */
    private String withLookups(String text) {
        return RECEIPT.matcher(text).replaceAll(m -> {
            String receipt = m.group(1);
            if (!receipts.contains(receipt)) {
                return Matcher.quoteReplacement(m.group());
            }
            int entry = Names.entryOf(receipt);
            String rule = m.group(2) == null ? "" : m.group(2);
            return Matcher.quoteReplacement(origin(receipt + rule) + (entry > 1 && rule.isEmpty() ? " of entry " + entry : ""));
        });
    }

    /** Answers of the plain form as they are sent: entries in a list, rows in a map. */
    public Map<String, Object> answers(Map<String, Object> plainAnswers) {
        if (!differs()) {
            return plainAnswers;
        }
        Map<String, Object> answers = new LinkedHashMap<>();
        for (Map.Entry<String, Object> e : plainAnswers.entrySet()) {
            String code = e.getKey();
            if (items.get(code) instanceof Roster) {
                answers.put(code, entries(code, ((BigDecimal) e.getValue()).intValue(), plainAnswers));
            } else if (!Names.isOfPlainForm(code)) {
                answers.put(code, e.getValue());
            } else if (Names.entryOf(code) == 0) {
                put(answers, code, e.getValue());
            }
        }
        return answers;
    }

    /** Answers as they are sent, brought into plain form: the other way round. */
    public Map<String, Object> plainAnswers(Map<String, Object> answers) {
        if (!differs()) {
            return answers;
        }
        Map<String, Object> plainAnswers = new LinkedHashMap<>();
        answers.forEach((code, value) -> spell("", code, value, plainAnswers));
        return plainAnswers;
    }

    private void spell(String prefix, String code, Object value, Map<String, Object> into) {
        if (items.get(code) instanceof Roster && value instanceof List<?> entries) {
            into.put(code, BigDecimal.valueOf(entries.size()));
            for (int n = 1; n <= entries.size(); n++) {
                String inEntry = Names.inEntry(code, n, "");
                ((Map<?, ?>) entries.get(n - 1)).forEach((inner, given) -> spell(inEntry, (String) inner, given, into));
            }
        } else
            if (value instanceof Map<?, ?> rows && items.get(code) instanceof Question q
                    && (q.answer() instanceof GridAnswer || q.answer() instanceof LookupAnswer)) {
                        rows.forEach((row, given) -> into.put(Names.row(prefix + code, (String) row), given));
                    } else {
                        into.put(prefix + code, value);
                    }
    }

    private static List<Map<String, Object>> entries(String roster, int count, Map<String, Object> plainAnswers) {
        List<Map<String, Object>> entries = new ArrayList<>();
        for (int n = 1; n <= count; n++) {
            Map<String, Object> entry = new LinkedHashMap<>();
            String prefix = Names.inEntry(roster, n, "");
            plainAnswers.forEach((code, value) -> {
                if (code.startsWith(prefix)) {
                    put(entry, code.substring(prefix.length()), value);
                }
            });
            entries.add(entry);
        }
        return entries;
    }

    @SuppressWarnings("unchecked")
    private static void put(Map<String, Object> answers, String code, Object value) {
        int row = code.indexOf('Z');
        if (row < 0) {
            answers.put(code, value);
        } else {
            ((Map<String, Object>) answers.computeIfAbsent(code.substring(0, row), g -> new LinkedHashMap<String, Object>()))
                    .put(code.substring(row + 1), value);
        }
    }

    private Questionnaire plainForm(Questionnaire document) {
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
            accept.add(new Question.Accept(within(place, offer, PlainForm::onlyIfTrue), NOT_ON_OFFER));
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
