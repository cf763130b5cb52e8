package orthogon.core.proof.flow;

import java.util.List;
import java.util.function.Predicate;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.spelled.Spelled;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;

/** Who reads which text. */
public final class TextSets {

    /** Stands in place of a page for those at the end. */
    public static final int AT_END = -1;
    /** Stands in place of a page for what everybody reads who begins. */
    public static final int AT_START = -2;

    /**
     * Where a text is read.
     *
     * @param page index of its page, or {@link #AT_END}, or {@link #AT_START}
     * @param outcome whose text it is; empty for texts on pages
     * @param item code, in plain form, of the item that it belongs to; empty for others
     * @param set the states in which somebody who is there reads it
     */
    public record Met(int page, String outcome, String item, int set) {}

    private final Space space;
    private final Rules rules;
    private final List<PageSets> pages;
    private final Questionnaire document;
    private final Spelled spelled;
    private final Diagrams d;

    TextSets(Space space, Rules rules, List<PageSets> pages) {
        this.space = space;
        this.rules = rules;
        this.pages = pages;
        this.spelled = space.spelled();
        this.document = spelled.original().document();
        this.d = space.diagrams();
    }

    /** Where the text of a unit of the document is read. What stands on every page counts as read at the start. */
    public Met of(String unit) {
        String owner = unit.split("[./]", 2)[0];
        for (PageSets sets : pages) {
            if (sets.page().code().equals(owner)) {
                return new Met(sets.index(), "", "", Diagrams.ALL);
            }
        }
        Item item = document.item(owner).orElse(null);
        if (item != null) {
            return ofItem(item, unit.substring(owner.length()));
        }
        boolean ofOutcome = document.outcome(owner).isPresent();
        return ofOutcome ? new Met(AT_END, owner, "", Diagrams.ALL) : new Met(AT_START, "", "", Diagrams.ALL);
    }

    private Met ofItem(Item item, String rest) {
        String code = spelled.first(item.code());
        Answer.Grid grid = item instanceof Question q && q.answer() instanceof Answer.Grid g ? g : null;
        List<String> ruled = grid == null
                ? List.of(code)
                : grid.rows().stream().map(r -> spelled.firstRow(item.code(), r.code())).toList();
        PageSets sets = pages.stream().filter(p -> p.page().allItems().anyMatch(i -> i.code().equals(code))).findFirst().orElseThrow();
        int shown = sets.shown(code);
        String[] words = rest.substring(1).split("[./]");
        if (item instanceof Roster r && rest.equals(".entryTitle")) {
            shown = sets.shown(spelled.entry(r.code(), 1));
        } else if (rest.startsWith("/reword/")) {
            shown = d.and(shown, first(ruled, Integer.parseInt(words[1])));
        } else if (rest.startsWith("/accept/")) {
            shown = ruled.stream().map(owner -> refused(sets, owner, Integer.parseInt(words[1]))).reduce(Diagrams.NONE, d::or);
        } else if (grid != null && grid.rows().stream().anyMatch(r -> rest.equals("." + r.code() + ".label"))) {
            shown = sets.shown(spelled.firstRow(item.code(), words[0]));
        } else if (words.length == 2 && grid == null) {
            shown = d.and(shown, rules.holds(code + "." + words[0] + ".offerWhen", true));
            shown = d.minus(shown, reworded(item, ruled, r -> !r.labels().getOrDefault(words[0], "").isEmpty()));
        } else if (rest.equals(".wording")) {
            shown = d.minus(shown, reworded(item, ruled, r -> !r.wording().isEmpty()));
        } else if (rest.equals(".help")) {
            shown = d.minus(shown, reworded(item, ruled, r -> !r.help().isEmpty()));
        }
        return new Met(sets.index(), "", code, shown);
    }

    private int refused(PageSets sets, String owner, int accept) {
        return d.minus(d.and(sets.shown(owner), rules.refuses(owner + "/accept/" + accept)), space.axis(owner).blank());
    }

    /** Where this rewording is the first that holds. */
    private int first(List<String> ruled, int reword) {
        int set = rules.holds(ruled.getFirst() + "/reword/" + reword, true);
        for (int i = 0; i < reword; i++) {
            set = d.minus(set, rules.holds(ruled.getFirst() + "/reword/" + i, true));
        }
        return set;
    }

    private int reworded(Item item, List<String> ruled, Predicate<Reword> puts) {
        List<Reword> rewords = switch (item) {
            case Question q -> q.reword();
            case Note n -> n.reword();
            default -> List.of();
        };
        int set = Diagrams.NONE;
        for (int i = 0; i < rewords.size(); i++) {
            if (puts.test(rewords.get(i))) {
                set = d.or(set, first(ruled, i));
            }
        }
        return set;
    }
}
