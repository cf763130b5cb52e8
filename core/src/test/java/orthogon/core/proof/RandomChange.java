package orthogon.core.proof;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Random;

/** A few changes of a random document, drawn from a seed; some of them leave faults. */
public final class RandomChange {

    private final Random random;

    public RandomChange(long seed) {
        random = new Random(seed * 31 + 7);
    }

    public Questionnaire of(Questionnaire document) {
        Questionnaire changed = document;
        int changes = 1 + random.nextInt(3);
        for (int i = 0; i < changes; i++) {
            changed = once(changed);
        }
        return changed.messages().isEmpty() || random.nextBoolean() ? changed : withOtherMessages(changed);
    }

    /** With up to two follow-ups that answers alone decide. */
    public Questionnaire opening(Questionnaire document) {
        List<FollowUp> followUps = new ArrayList<>();
        for (String code : List.of("f0", "f1")) {
            if (random.nextBoolean()) {
                followUps.add(FollowUp.of(code, "elsewhere", anyCondition(document.pages(), document.pages().size())));
            }
        }
        return document.withFollowUps(followUps);
    }

    /** With a message gone, or sent to others or by another condition. */
    private Questionnaire withOtherMessages(Questionnaire document) {
        List<DispatchMessage> messages = new ArrayList<>(document.messages());
        boolean named = document.claims().stream().anyMatch(c -> c.that().contains("sends("));
        int at = random.nextInt(messages.size());
        DispatchMessage message = messages.get(at);
        switch (random.nextInt(3)) {
            case 0 -> messages.set(at, message.withSendWhen(anyCondition(document.pages(), document.pages().size())));
            case 1 -> messages.set(at, message.withTo(MessageRecipients.NOBODY));
            default -> {
                if (!named) {
                    messages.remove(at);
                }
            }
        }
        return document.withMessages(messages);
    }

    private Questionnaire once(Questionnaire document) {
        List<Page> pages = new ArrayList<>(document.pages());
        int at = random.nextInt(pages.size());
        Page page = pages.get(at);
        List<OutcomeRow> rows = new ArrayList<>(document.outcomeTable());
        switch (random.nextInt(9)) {
            case 0 -> pages.set(at, new Page(page.code(), page.title(), "", random.nextBoolean() ? "" : anyCondition(pages, at),
                    page.items(), page.finish(), page.skip()));
            case 1 -> pages.set(at, new Page(page.code(), page.title(), "", page.openWhen(), page.items(), List.of(), page.skip()));
            case 2 -> pages.set(at, new Page(page.code(), page.title(), "", page.openWhen(), page.items(), page.finish(), List.of()));
            case 3 -> {
                int row = random.nextInt(rows.size());
                rows.set(row, new OutcomeRow(rows.get(row).when(), document.outcomes().getFirst().code()));
            }
            case 4 -> {
                pages.remove(at);
                pages.add(Math.max(0, at - 1), page);
            }
            default -> pages.set(at, page.withItems(items(page.items(), pages, at)));
        }
        return document.withPages(pages).withEnding(document.outcomes(), rows);
    }

    private String anyCondition(List<Page> pages, int before) {
        List<String> conditions = new ArrayList<>(List.of("", "1 > 2"));
        pages.subList(0, before).stream().flatMap(Page::allItems).forEach(i -> {
            if (i instanceof Question q) {
                conditions.addAll(List.of(q.askWhen(), q.requireWhen(), "answered(" + q.code() + ")", q.code() + " = null"));
            }
        });
        return conditions.get(random.nextInt(conditions.size()));
    }

    private List<Item> items(List<Item> items, List<Page> pages, int at) {
        List<Item> changed = new ArrayList<>(items);
        if (items.isEmpty()) {
            return changed;
        }
        int i = random.nextInt(items.size());
        if (items.get(i) instanceof Section s) {
            changed.set(i, new Section(s.code(), s.title(), s.askWhen(), items(s.items(), pages, at)));
            return changed;
        }
        if (items.get(i) instanceof Derived d) {
            boolean number = d.derive().matches(".*(if|sum|score|\\+|\\*).*");
            changed.set(i, new Derived(d.code(), number ? "(" + d.derive() + ") + 1" : "not(" + d.derive() + ")"));
            return changed;
        }
        if (!(items.get(i) instanceof Question q)) {
            return changed;
        }
        String condition = anyCondition(pages, at);
        Question other = switch (random.nextInt(8)) {
            case 0, 1 -> with(q, condition, q.requireWhen(), q.answer(), q.accept());
            case 2 -> with(q, q.askWhen(), condition.isEmpty() ? "true" : condition, q.answer(), q.accept());
            case 3 -> with(q, q.askWhen(), "", q.answer(), q.accept());
            case 4 -> with(q, q.askWhen(), q.requireWhen(), q.answer(), List.of());
            case 5 -> with(q, q.askWhen(), q.requireWhen(), q.answer(),
                    List.of(new Question.Accept(condition.isEmpty() ? "answered(" + q.code() + ")" : condition, "")));
            default -> with(q, q.askWhen(), q.requireWhen(), limited(q.answer()), q.accept());
        };
        if (random.nextInt(8) == 0) {
            changed.remove(i);
        } else if (random.nextInt(8) == 0) {
            changed.add(i, Question.of("added" + random.nextInt(1000), "Added", new YesNoAnswer()).withRequireWhen(condition));
        } else {
            changed.set(i, other);
        }
        return changed;
    }

    private Answer limited(Answer answer) {
        return switch (answer) {
            case NumberAnswer n -> new NumberAnswer(n.least(), new BigDecimal(n.most().intValue() == 3 ? 2 : 3), 0, "");
            case TextAnswer t -> new TextAnswer(false, t.least(), t.most() == null ? 3 : null);
            case OneChoice c -> {
                List<Option> options = new ArrayList<>(c.options());
                options.add(new Option("d", "Option", null, false, ""));
                yield random.nextBoolean() ? c.withOptions(options) : c.withOptions(options.subList(0, options.size() - 2));
            }
            case ManyChoices c -> {
                List<Option> options = new ArrayList<>(c.options());
                options.add(0, new Option("d", "Option", null, random.nextBoolean(), ""));
                yield random.nextBoolean() ? c.withOptions(options) : new ManyChoices(c.options(), 1, 1);
            }
            default -> answer;
        };
    }

    private static Question with(Question q, String ask, String require, Answer answer, Collection<Question.Accept> accept) {
        return new Question(q.code(), q.wording(), q.help(), answer, ask, require, q.lockWhen(), q.startWith(), List.copyOf(accept),
                q.reword(), q.keepWhenHidden());
    }
}
