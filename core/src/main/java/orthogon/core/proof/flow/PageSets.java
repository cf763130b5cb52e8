package orthogon.core.proof.flow;

import orthogon.core.answer.Option;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Section;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What one page says about states, whoever arrives at it. A state holds effective values: a question that is not asked is blank.
 */
public final class PageSets {

    private final Page page;
    private final int index;
    private final Space space;
    private final Rules rules;
    private final Diagrams d;
    private final int open;
    private final Map<String, Integer> around;
    private final Map<String, Integer> shown;
    private final Map<String, Integer> problems;
    private final BitSet levels;
    /** The bits that conditions, limits and obstacles on this page mention; worked out when first asked for. */
    private BitSet mentioned;
    private int answers = Diagrams.ALL;
    private int visited = Diagrams.NONE;
    private int accepted = -1;
    private int answerable = -1;

    PageSets(Page page, int index, Space space, Rules rules, BitSet asked) {
        this.page = page;
        this.index = index;
        this.space = space;
        this.rules = rules;
        this.d = space.diagrams();
        this.around = new LinkedHashMap<>();
        this.shown = new LinkedHashMap<>();
        this.problems = new LinkedHashMap<>();
        this.levels = new BitSet();
        this.open = rules.holds(page.code() + ".openWhen", true);
        items(page.items(), open);
        Set<String> sections = page.allItems().filter(Section.class::isInstance).map(Item::code).collect(Collectors.toSet());
        for (Map.Entry<String, Integer> e : shown.entrySet()) {
            int level = space.askedLevel(e.getKey());
            if (asked.get(level)) {
                boolean section = sections.contains(e.getKey());
                answers = d.and(answers, d.same(d.bit(level), section ? d.and(e.getValue(), visited) : e.getValue()));
                levels.set(level);
            }
        }
        // Of several questions with one code only the first counts.
        Set<String> seen = new HashSet<>();
        page.questions().filter(q -> seen.add(q.code()) && !q.isHidden()).forEach(this::check);
    }

    /** The same page of the document before an edit, on which everything is said by the same sets. */
    PageSets(PageSets same, Space space, Rules rules) {
        this.page = same.page;
        this.index = same.index;
        this.space = space;
        this.rules = rules;
        this.d = space.diagrams();
        this.around = same.around;
        this.shown = same.shown;
        this.problems = same.problems;
        this.levels = same.levels;
        this.open = same.open;
        this.mentioned = same.mentioned;
        this.answers = same.answers;
        this.visited = same.visited;
        this.accepted = same.accepted;
        this.answerable = same.answerable;
    }

    private void items(List<Item> items, int surrounding) {
        for (Item item : items) {
            boolean hidden = item instanceof Question q && q.isHidden();
            if (item instanceof Derived || hidden || shown.containsKey(item.code())) {
                continue;
            }
            int here = d.and(surrounding, rules.holds(item.code() + ".askWhen", true));
            around.put(item.code(), surrounding);
            shown.put(item.code(), here);
            if (item instanceof Section section) {
                items(section.items(), here);
                if (space.plainForm().grids().contains(section.code())) {
                    // A grid none of whose rows is asked is not asked.
                    shown.put(section.code(), d.any(section.items().stream().map(Item::code).map(shown::get).toList()));
                }
                continue;
            }
            visited = d.or(visited, here);
            if (item instanceof Question question) {
                answer(question, here);
            }
        }
    }

    /** Asked: any answer within the limits and on offer. Not asked: blank. Locked: the start value. */
    private void answer(Question question, int asked) {
        Axis axis = space.axis(question.code());
        levels.or(axis.levels());
        int given = axis.domain();
        boolean choice = question.answer().isChoice();
        for (Option option : choice ? question.answer().options() : List.<Option>of()) {
            given = d.and(given, d.implies(axis.option(option.code()), offered(question, option)));
        }
        // A record is one that its respondents can give.
        given = d.and(given, d.or(axis.blank(), rules.holds(question.code() + ".everyRecord", true)));
        if (space.plainForm().isNeverBlank(question.code())) {
            given = d.minus(given, axis.blank());
        }
        int locked = locked(question.code());
        if (locked != Diagrams.NONE) {
            given = d.or(d.minus(given, locked), d.and(locked, following(question, axis, given, locked)));
        }
        answers = d.and(answers, d.or(d.and(asked, given), d.minus(axis.blank(), asked)));
    }

    /** States in which a question is asked and its answer is not the respondent's to change. */
    public int locked(String question) {
        return d.and(shown.get(question), rules.holds(question + ".lockWhen", false));
    }

    /** The start value where it is within the limits and on offer, else blank; outside the limits it holds the page back for good. */
    private int following(Question question, Axis axis, int given, int locked) {
        if (question.startWith().isEmpty()) {
            return axis.blank();
        }
        String place = question.code() + ".startWith";
        Optional<Map<Object, Integer>> values = space.startValues(place);
        if (values.isEmpty()) {
            return given;
        }
        int set = Diagrams.NONE;
        for (Map.Entry<Object, Integer> e : values.get().entrySet()) {
            Object value = ((Optional<?>) e.getKey()).orElse(null);
            int cell = d.and(space.cellOf(axis, value), axis.domain());
            int allowed = d.and(e.getValue(), d.and(cell, given));
            int refused = d.minus(e.getValue(), d.exists(allowed, d.cube(axis.levels())));
            set = d.or(set, d.or(allowed, d.and(refused, axis.blank())));
            if (cell == Diagrams.NONE) {
                problems.merge(place, d.and(d.and(locked, e.getValue()), allOffered(question, value)), d::or);
            }
        }
        return set;
    }

    /** Where every option of a choice is on offer; an option that is not is blank and no obstacle by itself. */
    private int allOffered(Question question, Object value) {
        int set = Diagrams.ALL;
        for (Option option : question.answer().options()) {
            if (value instanceof List<?> chosen && chosen.contains(option.code())) {
                set = d.and(set, offered(question, option));
            }
        }
        return set;
    }

    private int offered(Question question, Option option) {
        return rules.holds(question.code() + "." + option.code() + ".offerWhen", true);
    }

    private void check(Question question) {
        d.goOn();
        int asked = shown.get(question.code());
        int blank = space.axis(question.code()).blank();
        int required = d.and(asked, rules.holds(question.code() + ".requireWhen", false));
        problems.merge(question.code() + ".requireWhen", d.and(required, blank), d::or);
        for (int i = 0; i < question.accept().size(); i++) {
            String place = question.code() + "/accept/" + i;
            problems.put(place, d.minus(d.and(asked, rules.refuses(place)), blank));
        }
    }

    /** The bits that anything on this page mentions, the conditions at these places among them. */
    BitSet mentioned(List<String> places) {
        if (mentioned == null) {
            mentioned = d.support(answers);
            problems.values().forEach(p -> mentioned.or(d.support(p)));
            for (String place : places) {
                mention(rules.at(place, true));
                // What a comparison hangs on may cancel out in the whole condition, and is still asked about.
                space.comparisonTruths(place).forEach(this::mention);
            }
        }
        return mentioned;
    }

    private void mention(Truth truth) {
        mentioned.or(d.support(truth.holds()));
        mentioned.or(d.support(truth.fails()));
    }

    public Page page() {
        return page;
    }

    public int index() {
        return index;
    }

    /** The bits that stand for what is on this page. */
    public BitSet levels() {
        return levels;
    }

    /** States in which the sections around an item are shown. */
    public int around(String item) {
        return around.get(item);
    }

    /** Whether the item can be shown at all: derived values and hidden questions cannot. */
    boolean isShown(String item) {
        return shown.containsKey(item);
    }

    /** States in which an item is shown, given that the page is arrived at. */
    public int shown(String item) {
        return shown.get(item);
    }

    /** States that are possible on this page: what is asked has an answer within its limits, what is not asked is blank. */
    public int answers() {
        return answers;
    }

    /** States of earlier pages in which some answers are possible on this page at all. */
    public int answerable() {
        if (answerable < 0) {
            answerable = d.exists(answers, d.cube(levels));
        }
        return answerable;
    }

    /** Possible states in which the page is visited. */
    public int visited() {
        return d.and(answers, visited);
    }

    /** Possible states in which the page is passed by: closed, or with nothing to show. */
    public int passedBy() {
        return d.minus(answers, visited);
    }

    /** Possible states in which the page is visited and everything on it is accepted. */
    public int accepted() {
        if (accepted < 0) {
            accepted = visited();
            problems.values().forEach(problem -> accepted = d.minus(accepted, problem));
        }
        return accepted;
    }

    /** The states that each requirement and each accept condition holds back, by place. */
    public Map<String, Integer> problems() {
        return problems;
    }

    /** Where the finish or skip at this place holds. */
    public int ruleHolds(String place) {
        return rules.holds(place, true);
    }

    public List<String> questionCodes() {
        return new ArrayList<>(page.questions().filter(q -> !q.isHidden()).map(Question::code).distinct().toList());
    }
}
