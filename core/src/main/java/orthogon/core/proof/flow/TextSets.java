package orthogon.core.proof.flow;

import orthogon.core.answer.GridRow;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Who reads which text. */
public final class TextSets {

    /** Stands in place of a page for those at the end. */
    public static final int AT_END = -1;
    /** Stands in place of a page for what everybody reads who begins. */
    public static final int AT_START = -2;

    /** Stands in place of a page for what messages and passages say, which is read once the interview is sent. */
    public static final int IN_DISPATCH = -3;

    /**
     * Where a text is read.
     *
     * @param page index of its page, or {@link #AT_END}, {@link #AT_START} or {@link #IN_DISPATCH}
     * @param outcome whose text it is; empty for texts on pages
     * @param item code, in plain form, of the item that it belongs to; empty for others
     * @param set the states in which somebody who is there reads it
     */
    public record Met(int page, String outcome, String item, int set) {}

    private final Space space;
    private final Rules rules;
    private final List<PageSets> pages;
    private final Questionnaire document;
    private final PlainForm plainForm;
    private final Diagrams d;

    TextSets(Space space, Rules rules, List<PageSets> pages) {
        this.space = space;
        this.rules = rules;
        this.pages = pages;
        this.plainForm = space.plainForm();
        this.document = plainForm.original().document();
        this.d = space.diagrams();
    }

    /** Where the text of a unit of the document is read. What stands on every page counts as read at the start. */
    public Met of(String unit) {
        Place.Text at = PlaceText.unit(unit);
        String owner = at.row();
        for (PageSets sets : pages) {
            if (sets.page().code().equals(owner)) {
                return new Met(sets.index(), "", "", Diagrams.ALL);
            }
        }
        Item item = document.item(owner).orElse(null);
        if (item != null) {
            return ofItem(item, at);
        }
        boolean ofMessage = at.name().equals("subject") || at.name().equals("body");
        Optional<DispatchMessage> message = ofMessage ? document.message(owner) : Optional.empty();
        if (message.isPresent()) {
            return new Met(message.get().isBeforeAnswers() ? AT_START : IN_DISPATCH, "", "", Diagrams.ALL);
        }
        if (at.isOf(RuleFamily.INCLUDE_WHEN)) {
            return new Met(IN_DISPATCH, "", "", Diagrams.ALL);
        }
        boolean ofOutcome = document.outcome(owner).isPresent();
        return ofOutcome ? new Met(AT_END, owner, "", Diagrams.ALL) : new Met(AT_START, "", "", Diagrams.ALL);
    }

    private Met ofItem(Item item, Place.Text text) {
        String code = plainForm.first(item.code());
        List<GridRow> rows = item instanceof Question q ? q.answer().rows() : List.of();
        List<String> ruled = plainForm.ruledAs(item);
        PageSets sets = pages.stream().filter(p -> p.page().allItems().anyMatch(i -> i.code().equals(code))).findFirst().orElseThrow();
        int shown = sets.shown(code);
        if (text.owner() instanceof Place.Rule rule) {
            shown = rule.family() == RuleFamily.REWORD
                    ? d.and(shown, first(ruled, rule.number()))
                    : ruled.stream().map(owner -> refused(sets, owner, rule.number())).reduce(Diagrams.NONE, d::or);
        } else if (text.owner() instanceof Place.Part part) {
            if (rows.stream().anyMatch(r -> r.code().equals(part.code()))) {
                shown = sets.shown(plainForm.firstRow(item.code(), part.code()));
            } else if (rows.isEmpty()) {
                shown = d.and(shown, rules.holds(code + "." + part.code() + ".offerWhen", true));
                shown = d.minus(shown, reworded(item, ruled, r -> !r.labels().getOrDefault(part.code(), "").isEmpty()));
            }
        } else if (item instanceof Roster r && text.name().equals("entryTitle")) {
            shown = sets.shown(plainForm.entry(r.code(), 1));
        } else if (text.name().equals("wording")) {
            shown = d.minus(shown, reworded(item, ruled, r -> !r.wording().isEmpty()));
        } else if (text.name().equals("help")) {
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
