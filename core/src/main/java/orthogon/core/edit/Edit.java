package orthogon.core.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** One change that an analyst makes. */
public sealed interface Edit {

    /** @throws Refused where the document does not allow it; nothing is changed then */
    Questionnaire apply(Questionnaire document) throws Refused;

    /** What the history says about it. */
    String says();

    /** What it is about: an item, page, or {@code ending}; two edits about different things do not disturb each other. */
    String about();

    /** An item put after another one, or at the end of a page or section. */
    record Add(String container, Optional<String> after, Item item) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            Set<String> taken = codes(document);
            for (Item inner : item.withInner().toList()) {
                if (!Codes.isValid(inner.code())) {
                    throw new Refused(badCode(inner.code()));
                }
                if (taken.contains(inner.code())) {
                    throw new Refused("The code " + inner.code() + " is used already; choose another.");
                }
            }
            return inContainer(document, container, items -> {
                List<Item> changed = new ArrayList<>(items);
                int at = after.map(code -> indexOf(items, code) + 1).filter(i -> i > 0).orElse(items.size());
                changed.add(at, item);
                return changed;
            });
        }

        @Override
        public String says() {
            return "added " + item.code();
        }

        @Override
        public String about() {
            return item.code();
        }
    }

    /** Another version of an item, under the same code. */
    record Change(Item item, String what) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            Item now = document.item(item.code()).orElseThrow(() -> gone(item.code()));
            if (!now.getClass().equals(item.getClass())) {
                throw new Refused(item.code() + " is something else by now.");
            }
            Questionnaire changed = document.withItem(item.code(), i -> item);
            refuseNewFaults(document, changed);
            return changed;
        }

        @Override
        public String says() {
            return "changed " + what + " of " + item.code();
        }

        @Override
        public String about() {
            return item.code();
        }
    }

    /** A page after another one, or at the end. */
    record AddPage(Optional<String> after, Page page) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            if (!Codes.isValid(page.code())) {
                throw new Refused(badCode(page.code()));
            }
            if (codes(document).contains(page.code())) {
                throw new Refused("The code " + page.code() + " is used already; choose another.");
            }
            List<Page> pages = new ArrayList<>(document.pages());
            int at = after.map(code -> document.pages().stream().map(Page::code).toList().indexOf(code) + 1).filter(i -> i > 0)
                    .orElse(pages.size());
            pages.add(at, page);
            return document.withPages(pages);
        }

        @Override
        public String says() {
            return "added page " + page.code();
        }

        @Override
        public String about() {
            return page.code();
        }
    }

    /** Another version of a page's own texts and rules; its items stay as they are. */
    record ChangePage(Page page, String what) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            document.page(page.code()).orElseThrow(() -> gone(page.code()));
            Questionnaire changed = document.withPage(page.code(), p -> page.withItems(p.items()));
            refuseNewFaults(document, changed);
            return changed;
        }

        @Override
        public String says() {
            return "changed " + what + " of page " + page.code();
        }

        @Override
        public String about() {
            return page.code();
        }
    }

    /** Other outcomes, another outcome table, other own claims. */
    record ChangeEnding(List<Questionnaire.Outcome> outcomes, List<Questionnaire.OutcomeRow> table, List<Questionnaire.OwnClaim> claims)
            implements
                Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            Set<String> seen = new HashSet<>();
            for (Questionnaire.Outcome outcome : outcomes) {
                if (!Codes.isValid(outcome.code())) {
                    throw new Refused(badCode(outcome.code()));
                }
                if (!seen.add(outcome.code())) {
                    throw new Refused("There are two outcomes " + outcome.code() + "; give one of them another code.");
                }
            }
            Questionnaire changed = document.withEnding(outcomes, table).withClaims(claims);
            refuseNewFaults(document, changed);
            return changed;
        }

        @Override
        public String says() {
            return "changed the outcomes";
        }

        @Override
        public String about() {
            return "ending";
        }
    }

    /** Another title. */
    record Retitle(String title) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            if (title.isBlank()) {
                throw new Refused("A questionnaire needs a title.");
            }
            return document.withTitle(title.trim());
        }

        @Override
        public String says() {
            return "changed the title";
        }

        @Override
        public String about() {
            return "title";
        }
    }

    /** An item one place up or down, over the edge of a section or page where it stands there. */
    record Move(String code, boolean up) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            if (document.page(code).isPresent()) {
                List<Page> pages = new ArrayList<>(document.pages());
                int at = pages.indexOf(document.page(code).get());
                swapped(pages, at, up, "page " + code);
                return document.withPages(pages);
            }
            Item item = document.item(code).orElseThrow(() -> gone(code));
            for (Page page : document.pages()) {
                Optional<List<Item>> moved = within(page.items(), item);
                if (moved.isPresent()) {
                    return document.withPage(page.code(), p -> p.withItems(moved.get()));
                }
            }
            return overThePageEdge(document, item);
        }

        /** Moved among its neighbours or out of its section; empty where it stands at the edge of the page. */
        private Optional<List<Item>> within(List<Item> items, Item item) {
            int at = items.indexOf(item);
            List<Item> changed = new ArrayList<>(items);
            if (at >= 0) {
                int to = up ? at - 1 : at + 1;
                if (to < 0 || to >= items.size()) {
                    return Optional.empty();
                }
                changed.remove(at);
                changed.add(to, item);
                return Optional.of(changed);
            }
            for (int i = 0; i < items.size(); i++) {
                if (items.get(i) instanceof Section section && section.withInner().anyMatch(item::equals)) {
                    Optional<List<Item>> inner = within(section.items(), item);
                    if (inner.isPresent()) {
                        changed.set(i, section.withItems(inner.get()));
                    } else {
                        changed.set(i, section.withItems(without(section.items(), item.code())));
                        changed.add(up ? i : i + 1, item);
                    }
                    return Optional.of(changed);
                }
            }
            return Optional.empty();
        }

        private Questionnaire overThePageEdge(Questionnaire document, Item item) throws Refused {
            int from = document.pages().indexOf(document.pageOf(code).orElseThrow());
            int to = up ? from - 1 : from + 1;
            if (to < 0 || to >= document.pages().size()) {
                throw new Refused(code + " stands at the " + (up ? "beginning" : "end") + " already.");
            }
            List<Page> pages = new ArrayList<>(document.pages());
            pages.set(from, pages.get(from).withItems(without(pages.get(from).items(), code)));
            List<Item> there = new ArrayList<>(pages.get(to).items());
            there.add(up ? there.size() : 0, item);
            pages.set(to, pages.get(to).withItems(there));
            return document.withPages(pages);
        }

        @Override
        public String says() {
            return "moved " + code + (up ? " up" : " down");
        }

        @Override
        public String about() {
            return code;
        }
    }

    /** A copy behind the original, with fresh codes; references inside the copy point at the copy. */
    record Copy(String code) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            Item item = document.item(code).orElseThrow(() -> gone(code));
            Set<String> taken = codes(document);
            Map<String, String> fresh = new LinkedHashMap<>();
            for (Item inner : item.withInner().toList()) {
                String copy = Codes.fresh(inner.code(), c -> taken.contains(c) || fresh.containsValue(c));
                fresh.put(inner.code(), copy);
            }
            Item copy = References.renamed(item, fresh);
            return document.withPages(document.pages().stream().map(p -> p.withItems(withCopy(p.items(), item, copy))).toList());
        }

        private static List<Item> withCopy(List<Item> items, Item original, Item copy) {
            List<Item> changed = new ArrayList<>();
            for (Item item : items) {
                changed.add(item instanceof Section s && !s.equals(original) ? s.withItems(withCopy(s.items(), original, copy)) : item);
                if (item.equals(original)) {
                    changed.add(copy);
                }
            }
            return changed;
        }

        @Override
        public String says() {
            return "copied " + code;
        }

        @Override
        public String about() {
            return code;
        }
    }

    /** An item or page taken out. Refused while something outside it refers to it. */
    record Remove(String code) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            List<String> dependents = References.dependents(document, code);
            if (!dependents.isEmpty()) {
                throw new Refused("These depend on " + code + ": " + String.join(", ", dependents) + ". Change or remove them first.");
            }
            if (document.page(code).isPresent()) {
                if (document.pages().size() == 1) {
                    throw new Refused("A questionnaire needs at least one page.");
                }
                return document.withPages(document.pages().stream().filter(p -> !p.code().equals(code)).toList());
            }
            document.item(code).orElseThrow(() -> gone(code));
            return document.withPages(document.pages().stream().map(p -> p.withItems(without(p.items(), code))).toList());
        }

        @Override
        public String says() {
            return "removed " + code;
        }

        @Override
        public String about() {
            return code;
        }
    }

    /** Another code for an item or page, followed by every reference to it. */
    record Rename(String from, String to) implements Edit {
        @Override
        public Questionnaire apply(Questionnaire document) throws Refused {
            if (!Codes.isValid(to)) {
                throw new Refused(badCode(to));
            }
            if (codes(document).contains(to)) {
                throw new Refused("The code " + to + " is used already; choose another.");
            }
            if (!codes(document).contains(from)) {
                throw gone(from);
            }
            return References.renamed(document, Map.of(from, to));
        }

        @Override
        public String says() {
            return "renamed " + from + " to " + to;
        }

        @Override
        public String about() {
            return from;
        }
    }

    /** Every code of pages, items and link parameters. */
    static Set<String> codes(Questionnaire document) {
        Set<String> codes = new HashSet<>();
        document.linkParameters().forEach(p -> codes.add(p.code()));
        document.pages().forEach(p -> codes.add(p.code()));
        document.items().forEach(i -> codes.add(i.code()));
        return codes;
    }

    private static String badCode(String code) {
        return "“" + code + "” is no code: use small letters, digits and _ only, a letter first, and no word such as and, or, not.";
    }

    private static Refused gone(String code) {
        return new Refused("There is no " + code + " any more.");
    }

    private static int indexOf(List<Item> items, String code) {
        return items.stream().map(Item::code).toList().indexOf(code);
    }

    private static <T> void swapped(List<T> list, int at, boolean up, String what) throws Refused {
        int to = up ? at - 1 : at + 1;
        if (to < 0 || to >= list.size()) {
            throw new Refused(what + " stands at the " + (up ? "beginning" : "end") + " already.");
        }
        list.add(to, list.remove(at));
    }

    private static List<Item> without(List<Item> items, String code) {
        return items.stream().filter(i -> !i.code().equals(code))
                .map(i -> i instanceof Section s ? s.withItems(without(s.items(), code)) : i).toList();
    }

    /** Changes the items of a page or section. */
    private static Questionnaire inContainer(Questionnaire document, String container, java.util.function.UnaryOperator<List<Item>> change)
            throws Refused {
        if (document.page(container).isPresent()) {
            return document.withPage(container, p -> p.withItems(change.apply(p.items())));
        }
        if (document.item(container).orElse(null) instanceof Section) {
            return document.withItem(container, i -> ((Section) i).withItems(change.apply(((Section) i).items())));
        }
        throw gone(container);
    }

    /** An expression with a fault is refused where it is typed; one that was there before, or that merely looks ahead, is not. */
    private static void refuseNewFaults(Questionnaire before, Questionnaire after) throws Refused {
        Map<String, String> old = new LinkedHashMap<>();
        Wiring.of(before).wires().forEach(w -> old.put(w.place(), w.text()));
        for (Wiring.Wire wire : Wiring.of(after).wires()) {
            if (!wire.faults().isEmpty() && !wire.text().equals(old.get(wire.place()))) {
                ExpressionFault fault = wire.faults().getFirst();
                throw new Refused(wire.family().words() + " “" + wire.text() + "”, " + fault.withPlace() + ".");
            }
        }
        for (Question question : after.questions().toList()) {
            refuseBadAnswer(question);
        }
        for (Item item : after.items().toList()) {
            if (item instanceof Derived d && d.derive().isBlank()) {
                throw new Refused("The derived value " + d.code() + " needs an expression.");
            }
            if (item instanceof Note n && n.wording().isBlank()) {
                throw new Refused("The note " + n.code() + " needs a text.");
            }
        }
    }

    private static void refuseBadAnswer(Question question) throws Refused {
        Answer answer = question.answer();
        Set<String> seen = new HashSet<>();
        for (Answer.Option option : answer.options()) {
            if (!Codes.isValid(option.code())) {
                throw new Refused("Option of " + question.code() + ": " + badCode(option.code()));
            }
            if (!seen.add(option.code())) {
                throw new Refused(question.code() + " has two options " + option.code() + "; give one of them another code.");
            }
        }
        boolean choice = answer instanceof Answer.OneChoice || answer instanceof Answer.ManyChoices;
        if (choice && answer.options().isEmpty()) {
            throw new Refused(question.code() + " needs at least one option.");
        }
    }
}
