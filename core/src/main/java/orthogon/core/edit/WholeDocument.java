package orthogon.core.edit;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What keeps a document whole, shared by the edits. */
public final class WholeDocument {

    private WholeDocument() {}

    /** Every code of pages, items, messages, passages, follow-ups and link parameters. */
    public static Set<String> codes(Questionnaire document) {
        Set<String> codes = new HashSet<>();
        document.linkParameters().forEach(p -> codes.add(p.code()));
        document.pages().forEach(p -> codes.add(p.code()));
        document.items().forEach(i -> codes.add(i.code()));
        codes.addAll(document.dispatch().codes());
        return codes;
    }

    static Refused badCode(String code) {
        return new Refused(
                "“" + code
                        + "” is not a valid code: use small letters, digits and _ only, a letter first, and no word such as and, or, not.");
    }

    static Refused taken(String code) {
        return new Refused("The code " + code + " is used already; choose another.");
    }

    static Refused gone(String code) {
        return new Refused("There is no " + code + " any more.");
    }

    static void refuseTaken(Collection<String> fresh, Questionnaire document) throws Refused {
        Set<String> taken = codes(document);
        for (String code : fresh) {
            if (!Codes.isValid(code)) {
                throw badCode(code);
            }
            if (!taken.add(code)) {
                throw taken(code);
            }
        }
    }

    static int indexOf(List<Item> items, String code) {
        return items.stream().map(Item::code).toList().indexOf(code);
    }

    static List<Item> without(List<Item> items, Collection<String> codes) {
        return items.stream().filter(i -> !codes.contains(i.code()))
                .map(i -> i instanceof Group g ? g.withItems(without(g.items(), codes)) : i).toList();
    }

    static Questionnaire without(Questionnaire document, Collection<String> codes) {
        return document.withPages(document.pages().stream().map(p -> p.withItems(without(p.items(), codes))).toList());
    }

    /** Changes the items of a page, section or roster. */
    static Questionnaire inContainer(Questionnaire document, String container, UnaryOperator<List<Item>> change) throws Refused {
        if (document.page(container).isPresent()) {
            return document.withPage(container, p -> p.withItems(change.apply(p.items())));
        }
        if (document.item(container).orElse(null) instanceof Group) {
            return document.withItem(container, i -> ((Group) i).withItems(change.apply(((Group) i).items())));
        }
        throw gone(container);
    }

    /** The items with others put behind the one of that code; at the beginning for the container's own code, else at the end. */
    static List<Item> placed(List<Item> items, String after, List<Item> added) {
        List<Item> changed = new ArrayList<>(items);
        int at = indexOf(items, after);
        changed.addAll(at < 0 ? items.size() : at + 1, added);
        return changed;
    }

    /** A roster cannot stand in a roster, nor a hidden question, whose one value comes with the link. */
    static void refuseBadNesting(Questionnaire document) throws Refused {
        for (Item item : document.items().toList()) {
            if (item instanceof Roster roster) {
                for (Item inner : roster.withInner().skip(1).toList()) {
                    if (inner instanceof Roster) {
                        throw new Refused("The roster " + inner.code() + " cannot stand in the roster " + roster.code() + ".");
                    }
                    if (inner instanceof Question q && q.isHidden()) {
                        throw new Refused("The hidden question " + inner.code() + " cannot stand in the roster " + roster.code()
                                + ", since a link brings one value for all entries.");
                    }
                }
            }
        }
    }

    /** An expression with a fault is refused where it is typed; one that was there before, or that merely looks ahead, is not. */
    static void refuseNewFaults(Questionnaire before, Questionnaire after) throws Refused {
        Map<String, String> old = new LinkedHashMap<>();
        Wiring.of(before).wires().forEach(w -> old.put(w.place(), w.text()));
        for (Wiring.Wire wire : Wiring.of(after).wires()) {
            if (!wire.faults().isEmpty() && !wire.text().equals(old.get(wire.place()))) {
                ExpressionFault fault = wire.faults().getFirst();
                throw new Refused(wire.family().words() + " “" + wire.text() + "”, " + fault.withPlace() + ".");
            }
        }
        refuseLostAddresses(before, after);
        refuseBadNesting(after);
        for (Item item : after.items().toList()) {
            switch (item) {
                case Question q -> refuseBadQuestion(q);
                case Derived d when d.derive().isBlank() -> throw new Refused("The derived value " + d.code() + " needs an expression.");
                case Note n when n.wording().isBlank() -> throw new Refused("The note " + n.code() + " needs a text.");
                case Roster r when r.least() < 0 || r.most() < Math.max(1, r.least()) || r.most() > Roster.MOST_ENTRIES ->
                    throw new Refused("The roster " + r.code() + " takes from 0 to " + Roster.MOST_ENTRIES
                            + " entries, and at least one at most.");
                case Roster r when r.count().isContradictory() -> throw new Refused("The roster " + r.code()
                        + " has as many entries as “" + r.count().asMany()
                        + "” says. Take that out, or take out what stands at “At least” and “At most”.");
                default -> {}
            }
        }
    }

    /** A message or a link that goes to an answer needs the question to ask for an email address, also once the question is changed or moved. */
    private static void refuseLostAddresses(Questionnaire before, Questionnaire after) throws Refused {
        for (DispatchMessage message : after.messages()) {
            List<String> lost = message.withoutAddress(after);
            if (!lost.isEmpty() && !before.message(message.code()).map(m -> m.withoutAddress(before)).orElse(List.of()).containsAll(lost)) {
                throw new Refused(lost.getFirst() + " is no question for an email address outside of rosters, so " + message.code()
                        + " cannot go to its answer.");
            }
        }
        for (FollowUp followUp : after.followUps()) {
            String address = followUp.seat().address();
            if (!address.isEmpty() && !after.asksForAddress(address) && before.asksForAddress(address)) {
                throw new Refused(address + " is no question for an email address outside of rosters, so the link of " + followUp.code()
                        + " cannot go to its answer.");
            }
        }
    }

    private static void refuseBadQuestion(Question question) throws Refused {
        Answer answer = question.answer();
        if (answer.hasOwnOptions()) {
            refuseTwice(question.code(), "option", answer.options().stream().map(Option::code).toList());
            if (answer.options().isEmpty()) {
                throw new Refused(question.code() + " needs at least one option.");
            }
        }
        if (answer.domain() instanceof Domain.EachRow) {
            refuseTwice(question.code(), "row", answer.rows().stream().map(GridRow::code).toList());
            if (answer.rows().isEmpty()) {
                throw new Refused(question.code() + " needs at least one row.");
            }
        }
        boolean conditions = !(question.askWhen() + question.requireWhen() + question.lockWhen() + question.startWith()).isEmpty()
                || !question.accept().isEmpty() || !question.reword().isEmpty();
        if (question.isHidden() && conditions) {
            throw new Refused(question.code() + " is hidden: it takes its value from the link and is never asked, so it can have no "
                    + "conditions. Remove them, or choose another type.");
        }
    }

    private static void refuseTwice(String question, String what, List<String> codes) throws Refused {
        Set<String> seen = new HashSet<>();
        for (String code : codes) {
            if (!Codes.isValid(code)) {
                throw new Refused(Character.toUpperCase(what.charAt(0)) + what.substring(1) + " of " + question + ": "
                        + badCode(code).getMessage());
            }
            if (!seen.add(code)) {
                throw new Refused(question + " has two " + what + "s " + code + "; give one of them another code.");
            }
        }
    }

    static Questionnaire withPages(Questionnaire document, String after, List<Page> added) {
        List<Page> pages = new ArrayList<>(document.pages());
        int at = pages.stream().map(Page::code).toList().indexOf(after);
        pages.addAll(at < 0 ? pages.size() : at + 1, added);
        return document.withPages(pages);
    }
}
