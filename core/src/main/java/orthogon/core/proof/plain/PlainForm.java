package orthogon.core.proof.plain;

import orthogon.core.answer.GridRow;
import orthogon.core.answer.Domain;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A document in plain form, and the way back to what the analyst wrote. */
public final class PlainForm {

    private static final Pattern RECEIPT = Pattern.compile("([a-z][A-Za-z0-9_]*Z" + Domain.OneRecord.RECEIPT + ")(/accept/\\d+)?");

    private final Wiring asWritten;
    private final Wiring original;
    /** Whether the document was made of plain forms, so that its codes stay as they are. */
    private final boolean composed;
    private final Wiring plain;
    private final Map<String, Item> items = new HashMap<>();
    private final Spelling spelled;

    private PlainForm(Wiring asWritten, Wiring original, Runnable step) {
        this.asWritten = asWritten;
        this.original = original;
        this.composed = false;
        Questionnaire document = original.document();
        document.items().forEach(i -> items.putIfAbsent(i.code(), i));
        boolean simple = items.values().stream()
                .noneMatch(i -> i instanceof Roster
                        || i instanceof Question q && (q.answer() instanceof GridAnswer || q.answer() instanceof LookupAnswer));
        this.spelled = new Spelling(original, items, step);
        this.plain = simple ? original : Wiring.of(spelled.document(), spelled.trees, step);
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
        this.composed = true;
        this.plain = composed;
        composed.document().items().forEach(i -> items.putIfAbsent(i.code(), i));
        this.spelled = new Spelling(composed, items, () -> {});
        spelled.neverBlank.putAll(neverBlank);
        spelled.grids.addAll(grids);
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
        return spelled.unclear;
    }

    /** Questions of the plain form that have an answer whenever they are asked: the number of entries of a roster that needs some. */
    public boolean isNeverBlank(String code) {
        return spelled.neverBlank.containsKey(code);
    }

    /** Whether a question of the plain form is for the number of a roster's entries. */
    public boolean isEntryNumber(String code) {
        return items.get(code) instanceof Roster;
    }

    /** Answers of the plain form with the fewest entries where nothing is said of them, as an interview has them too. */
    public Map<String, Object> settled(Map<String, Object> plainAnswers) {
        Map<String, Object> settled = new LinkedHashMap<>(plainAnswers);
        spelled.neverBlank.forEach(settled::putIfAbsent);
        return settled;
    }

    /** Questions of the plain form that have an answer whenever they are asked, to that answer where nothing is said of it. */
    public Map<String, BigDecimal> neverBlank() {
        return spelled.neverBlank;
    }

    /** Whether a question or section of the plain form counts as a question on a route. */
    public boolean isOnRoutes(String code) {
        return spelled.grids.contains(code) && Names.entryOf(code) == 0
                || !Names.isOfPlainForm(code) && items.get(code) instanceof Question q && !spelled.grids.contains(code)
                || items.get(code) instanceof Roster;
    }

    /** Sections of the plain form that are one question for the analyst, asked where one of its rows is. */
    public Set<String> grids() {
        return spelled.grids;
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
            spelled.origin.forEach((place, from) -> {
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
        if (spelled.origin.containsKey(bare)) {
            return spelled.origin.get(bare) + (hash < 0 ? "" : place.substring(hash));
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
        if (spelled.shownOfRecords.contains(head) || spelled.unsaid.contains(place.split("#", 2)[0]) || isCount(place)) {
            return false;
        }
        return !Names.isOfPlainForm(head) || !Names.isEntry(head) && Names.entryOf(head) <= 1;
    }

    /** Whether a place of the plain form holds what a rule about the number of a roster's entries comes to there. */
    public boolean isCount(String place) {
        return Optional.ofNullable(spelled.origin.get(place.split("#", 2)[0])).flatMap(PlaceText::rule).filter(r -> r.family().isCount())
                .isPresent();
    }

    /** A text for people with the analyst's own codes. */
    public String said(String text) {
        return composed ? CaseNames.said(text) : differs() ? Names.said(spelled.receipts.isEmpty() ? text : withLookups(text)) : text;
    }

    /** The text with lookups in place of the receipts of their records. */
    private String withLookups(String text) {
        return RECEIPT.matcher(text).replaceAll(m -> {
            String receipt = m.group(1);
            if (!spelled.receipts.contains(receipt)) {
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
}
