package orthogon.core.interview;

import orthogon.core.answer.GridRow;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Walks an interview from its first page as far as its passed pages carry it. */
final class Walk implements Situation {

    private final Interview interview;
    private final Wiring wiring;
    private final Questionnaire document;
    private final Checks checks;
    private final Map<String, Object> effective = new LinkedHashMap<>();
    private final Set<String> asked = new LinkedHashSet<>();
    private final Map<String, Item> items;
    private final Set<String> deriving = new LinkedHashSet<>();
    /** What is known while one value is worked out, since it may use another in many ways; by code and number of the entry. */
    private final Map<String, Object> known = new HashMap<>();
    /** The entries of every roster that is asked. */
    private final Map<String, List<WalkEntry>> entries = new HashMap<>();
    /** The entry that names mean now; null outside of rosters. */
    private WalkEntry entry;
    /** Known once the interview is complete; only own claims ask for it. */
    private String outcome;

    /** Whether problems hold nobody back and every page counts as left. */
    private final boolean throughout;

    Walk(Interview interview) {
        this(interview, false);
    }

    Walk(Interview interview, boolean throughout) {
        this.interview = interview;
        this.throughout = throughout;
        this.wiring = interview.wiring();
        this.document = wiring.document();
        this.checks = new Checks(wiring);
        this.items = wiring.items();
    }

    /** One entry of a roster while what it holds is shown or asked about. */
    private record WalkEntry(String roster, String number, int index, Map<String, Object> effective) {}

    @Override
    public Object value(String name) {
        Question question = items.get(name) instanceof Question q ? q : null;
        boolean inEntry = entry != null && wiring.rosterOf(name).filter(entry.roster()::equals).isPresent();
        if (question != null && !question.isHidden()) {
            return inEntry ? entry.effective().get(name) : effective.get(name);
        }
        if (name.equals("outcome") && !items.containsKey(name)) {
            return outcome;
        }
        if (interview.link().containsKey(name)) {
            return interview.link().get(name);
        }
        if (entries.containsKey(name)) {
            List<Map<String, Object>> all = entries.get(name).stream().map(this::whole).toList();
            return all.isEmpty() ? null : all;
        }
        return derived(name, inEntry ? entry : null);
    }

    /** The answers of an entry and the values derived from them, blank where nothing is. */
    private Map<String, Object> whole(WalkEntry of) {
        Map<String, Object> whole = new HashMap<>(of.effective());
        ((Roster) items.get(of.roster())).withInner().filter(Derived.class::isInstance)
                .forEach(d -> whole.put(d.code(), derived(d.code(), of)));
        return whole;
    }

    /** Every derived value that is not blank; of a roster, its entries with the values derived in them. */
    Map<String, Object> derived() {
        Map<String, Object> values = new LinkedHashMap<>();
        items.forEach((code, item) -> {
            Object value = switch (item) {
                case Derived d when wiring.rosterOf(code).isEmpty() -> value(code);
                case Roster r when entries.containsKey(code) -> value(code);
                default -> null;
            };
            if (value != null) {
                values.put(code, value);
            }
        });
        return values;
    }

    private Object derived(String name, WalkEntry of) {
        String key = of == null ? name : name + " " + of.number();
        if (known.containsKey(key)) {
            return known.get(key);
        }
        Optional<Expr> derive = wiring.at(name + ".derive").flatMap(Wiring.Wire::expr);
        if (derive.isEmpty() || !deriving.add(name)) {
            return null;
        }
        WalkEntry before = entry;
        entry = of;
        Object value = Evaluator.value(derive.get(), this);
        entry = before;
        deriving.remove(name);
        known.put(key, value);
        if (deriving.isEmpty()) {
            known.clear();
        }
        return value;
    }

    @Override
    public BigDecimal score(String question) {
        return ((Question) items.get(question)).answer().score(value(question));
    }

    @Override
    public LocalDate today() {
        return interview.today();
    }

    @Override
    public boolean asked(String item) {
        return asked.contains(item);
    }

    @Override
    public boolean sends(String message) {
        return wiring.sent(message).map(e -> Evaluator.holds(e, this)).orElse(false);
    }

    private boolean holds(String place, boolean usual) {
        return wiring.expr(place, usual).map(e -> Evaluator.holds(e, this)).orElse(false);
    }

    /** The value that a shown question starts with; blank where it has none. */
    Object startValue(Course.ShownItem shown) {
        entry = shown.roster().isEmpty() ? null : entries.get(shown.roster()).get(shown.entry() - 1);
        Object value = startValue(shown.item().code());
        entry = null;
        return value;
    }

    private Object startValue(String code) {
        return wiring.at(code + ".startWith").flatMap(Wiring.Wire::expr).map(e -> Evaluator.value(e, this)).orElse(null);
    }

    /** From now on names mean that entry; none outside of rosters. */
    void stand(String roster, int at) {
        entry = roster.isEmpty() ? null : entries.get(roster).get(at - 1);
    }

    /** Whether a lookup offers a record where the names stand now. */
    boolean offers(Question lookup, Map<String, Object> oneRecord) {
        return checks.isPossible(lookup, oneRecord, this) && checks.isOnOffer(lookup, oneRecord, this);
    }

    Course walk() {
        Course course = pages();
        outcome = course.outcome().orElse(null);
        return course;
    }

    private Course pages() {
        List<Course.PageView> views = new ArrayList<>();
        List<Rule> taken = new ArrayList<>();
        int next = 0;
        int passed = 0;
        while (next < document.pages().size()) {
            Page page = document.pages().get(next);
            Optional<Course.PageView> visited = visit(page);
            next++;
            if (visited.isEmpty()) {
                continue;
            }
            views.add(visited.get());
            boolean leftBehind = passed < interview.passed().size() && interview.passed().get(passed).equals(page.code())
                    && (interview.openEnded() || visited.get().problems().isEmpty());
            if (!leftBehind && !throughout) {
                return new Course(views, false, Optional.empty(), Optional.empty(), taken, effective, asked);
            }
            passed++;
            for (int i = 0; i < page.finish().size(); i++) {
                Rule finish = Rule.at(page.code(), RuleFamily.FINISH, i);
                if (holds(finish.text(), true)) {
                    taken.add(finish);
                    String end = page.finish().get(i).outcome();
                    return new Course(views, true, document.outcome(end).map(o -> end), Optional.of(finish), taken, effective,
                            asked);
                }
            }
            for (int i = 0; i < page.skip().size(); i++) {
                Rule skip = Rule.at(page.code(), RuleFamily.SKIP, i);
                int target = pageIndex(page.skip().get(i).to());
                if (target >= next && holds(skip.text(), true)) {
                    taken.add(skip);
                    next = target;
                    break;
                }
            }
        }
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            Rule row = Rule.outcomeRow(i);
            if (holds(row.text(), true)) {
                String end = document.outcomeTable().get(i).outcome();
                return new Course(views, true, document.outcome(end).map(o -> end), Optional.of(row), taken, effective, asked);
            }
        }
        return new Course(views, true, Optional.empty(), Optional.empty(), taken, effective, asked);
    }

    private int pageIndex(String code) {
        for (int i = 0; i < document.pages().size(); i++) {
            if (document.pages().get(i).code().equals(code)) {
                return i;
            }
        }
        return -1;
    }

    /** The page as it stands; empty when it is not visited. */
    private Optional<Course.PageView> visit(Page page) {
        if (!holds(page.code() + ".openWhen", true)) {
            return Optional.empty();
        }
        List<Course.ShownItem> shown = new ArrayList<>();
        show(page.items(), shown);
        boolean anything = shown.stream().anyMatch(s -> !(s.item() instanceof Section));
        if (!anything) {
            shown.forEach(s -> asked.remove(s.item().code()));
            return Optional.empty();
        }
        List<Problem> problems = new ArrayList<>();
        for (Course.ShownItem item : shown) {
            entry = item.roster().isEmpty() ? null : entries.get(item.roster()).get(item.entry() - 1);
            switch (item.item()) {
                case Question q -> checks.check(q, item, this, problems);
                case Roster r -> checks.count(r, entries.get(r.code()).size(), this).ifPresent(problems::add);
                default -> {}
            }
        }
        entry = null;
        return Optional.of(new Course.PageView(page, List.copyOf(shown), List.copyOf(problems)));
    }

    private void show(List<Item> items, List<Course.ShownItem> shown) {
        for (Item item : items) {
            boolean shows = !(item instanceof Derived) && !(item instanceof Question q && q.isHidden())
                    && holds(item.code() + ".askWhen", true);
            // A grid none of whose rows is asked is not asked.
            if (!shows || item instanceof Question q && !q.answer().rows().isEmpty() && rows(q).isEmpty()) {
                continue;
            }
            asked.add(item.code());
            switch (item) {
                case Question question -> shown.add(ask(question));
                case Roster roster -> {
                    List<String> numbers = entries(roster);
                    shown.add(plain(roster, numbers));
                    enter(roster, numbers, shown);
                }
                case Section section -> {
                    shown.add(plain(section, null));
                    show(section.items(), shown);
                }
                default -> shown.add(plain(item, null));
            }
        }
    }

    /** The entries that there are: those that were given, or as many as an expression says. */
    private List<String> entries(Roster roster) {
        List<String> given = Slots.entries(roster, interview.raw());
        return roster.count().isFixed()
                ? Slots.exactly(roster.fixedAt(checks.number(roster, RuleFamily.AS_MANY, this).orElse(null)), given)
                : given;
    }

    private void enter(Roster roster, List<String> numbers, List<Course.ShownItem> shown) {
        List<WalkEntry> all = new ArrayList<>();
        entries.put(roster.code(), all);
        List<Map<String, Object>> answers = new ArrayList<>();
        if (!numbers.isEmpty()) {
            effective.put(roster.code(), answers);
        }
        for (String number : numbers) {
            entry = new WalkEntry(roster.code(), number, all.size() + 1, new LinkedHashMap<>());
            all.add(entry);
            answers.add(entry.effective());
            show(roster.items(), shown);
        }
        entry = null;
    }

    private Course.ShownItem plain(Item item, Object value) {
        Reword words = reworded(item.code(), item.wording(), "", item instanceof Note n ? n.reword() : List.of());
        return new Course.ShownItem(item, slot(item), entry == null ? "" : entry.roster(), entry == null ? 0 : entry.index(),
                words.wording(),
                words.help(), false, item instanceof Roster r && r.count().isFixed(), List.of(), List.of(), value, "");
    }

    private String slot(Item item) {
        return entry == null ? item.code() : Slots.of(entry.roster(), entry.number(), item.code());
    }

    /** The texts as they stand: those of the first rewording that holds, where it has any. */
    private Reword reworded(String code, String wording, String help, List<Reword> rewords) {
        for (int i = 0; i < rewords.size(); i++) {
            if (holds(code + "/reword/" + i, true)) {
                Reword reword = rewords.get(i);
                return new Reword("", reword.wording().isEmpty() ? wording : reword.wording(),
                        reword.help().isEmpty() ? help : reword.help(), reword.labels());
            }
        }
        return new Reword("", wording, help);
    }

    private List<String> rows(Question question) {
        return question.answer().rows().stream().map(GridRow::code).filter(r -> holds(question.code() + "." + r + ".askWhen", true))
                .toList();
    }

    private Course.ShownItem ask(Question question) {
        String code = question.code();
        String slot = slot(question);
        Reword words = reworded(code, question.wording(), question.help(), question.reword());
        List<Option> offered = question.answer().options().stream()
                .filter(o -> !question.answer().hasOwnOptions() || holds(code + "." + o.code() + ".offerWhen", true))
                .map(o -> words.labels().getOrDefault(o.code(), "").isEmpty()
                        ? o
                        : o.withLabel(words.labels().get(o.code())))
                .toList();
        List<String> rows = rows(question);
        boolean required = holds(code + ".requireWhen", false);
        boolean locked = holds(code + ".lockWhen", false);
        boolean follows = locked && wiring.at(code + ".startWith").isPresent();
        Object raw = follows ? startValue(code) : interview.raw().get(slot);
        Object counts = question.answer().counting(raw, new OnOffer(offered, rows));
        if (counts != null && question.answer() instanceof LookupAnswer && !checks.isPossible(question, counts, this)) {
            counts = null;
        }
        if (counts != null && !(follows && checks.refusal(question.answer(), counts, this).isPresent())) {
            (entry == null ? effective : entry.effective()).put(code, counts);
        }
        String other = interview.raw().get(Slots.other(slot)) instanceof String s
                && (counts instanceof List<?> l ? l : java.util.Collections.singletonList(counts)).stream()
                        .anyMatch(c -> question.answer().options().stream().anyMatch(o -> o.other() && o.code().equals(c))) ? s : "";
        return new Course.ShownItem(question, slot, entry == null ? "" : entry.roster(), entry == null ? 0 : entry.index(), words.wording(),
                words.help(), required, locked, offered, rows, raw, other);
    }
}
