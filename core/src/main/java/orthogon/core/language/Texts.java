package orthogon.core.language;

import orthogon.core.answer.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;

/**
 * Every text that a respondent can meet, by its unit: {@code animal.title}, {@code species.wording}, {@code species.bat.label},
 * {@code species/reword/0.help}, {@code count/accept/0.message}, {@code bring.closing}.
 */
public final class Texts {

    private Texts() {}

    /** Every unit with its text, in document order, empty ones left out. */
    public static Map<String, String> all(Questionnaire document) {
        Map<String, String> all = new LinkedHashMap<>();
        apply(document, (unit, text) -> {
            if (!text.isEmpty()) {
                all.putIfAbsent(unit, text);
            }
            return text;
        });
        return all;
    }

    /** Whether two documents differ, and in nothing but texts, translations and languages. */
    public static boolean alone(Questionnaire before, Questionnaire after) {
        return !before.equals(after) && bare(before).equals(bare(after));
    }

    private static Questionnaire bare(Questionnaire document) {
        return apply(document, (unit, text) -> "").withTranslations(Map.of()).withNotes(Map.of())
                .withLanguages(List.of(document.sourceLanguage()));
    }

    /** The document with every text replaced by what {@code change} makes of it. */
    public static Questionnaire apply(Questionnaire document, BiFunction<String, String, String> change) {
        String title = change.apply("title", document.title());
        Presentation before = document.presentation();
        Map<String, String> messages = new LinkedHashMap<>();
        before.messages().forEach((kind, text) -> messages.put(kind, change.apply("message." + kind, text)));
        Presentation presentation = new Presentation(
                new Presentation.Welcome(change.apply("welcome.heading", before.welcome().heading()),
                        change.apply("welcome.text", before.welcome().text()), before.welcome().picture()),
                new Presentation.Buttons(change.apply("button.next", before.buttons().next()),
                        change.apply("button.back", before.buttons().back()), change.apply("button.send", before.buttons().send())),
                messages, before.theme(), before.navigation());
        List<Page> pages = document.pages().stream().map(p -> p
                .withTexts(change.apply(p.code() + ".title", p.title()), change.apply(p.code() + ".introduction", p.introduction()))
                .withItems(p.items().stream().map(i -> apply(i, change)).toList())).toList();
        List<Questionnaire.Outcome> outcomes = document.outcomes().stream().map(o -> o.withTexts(
                change.apply(o.code() + ".label", o.label()), change.apply(o.code() + ".closing", o.closing()),
                change.apply(o.code() + ".takeAlong", o.takeAlong()))).toList();
        List<DispatchMessage> sent = document.messages().stream().map(m -> m.withTexts(change.apply(m.code() + ".subject", m.subject()),
                change.apply(m.code() + ".body", m.body()))).toList();
        List<DispatchPassage> passages = document.passages().stream().map(p -> p.with((n, w) -> new DispatchPassage.PassageWording(
                w.when(), change.apply(p.code() + "/includeWhen/" + n + ".text", w.text())))).toList();
        return document.withTitle(title).withPages(pages).withEnding(outcomes, document.outcomeTable()).withPresentation(presentation)
                .withDispatch(new Dispatch(sent, passages, document.followUps().stream().map(f -> f.withTexts(change::apply)).toList()));
    }

    /** The item with its own texts, and those of what it holds, replaced. */
    public static Item apply(Item item, BiFunction<String, String, String> change) {
        String code = item.code();
        return switch (item) {
            case Derived d -> d;
            case Note n -> new Note(code, change.apply(code + ".wording", n.wording()), n.askWhen(), rewords(code, n.reword(), change));
            case Section s -> new Section(code, change.apply(code + ".title", s.title()), s.askWhen(), inner(s.items(), change));
            case Roster r -> new Roster(code, change.apply(code + ".title", r.title()), change.apply(code + ".entryTitle", r.entryTitle()),
                    r.askWhen(), r.least(), r.most(), r.count(), inner(r.items(), change));
            case Question q -> {
                List<Question.Accept> accept = new ArrayList<>();
                for (Question.Accept a : q.accept()) {
                    accept.add(new Question.Accept(a.when(), change.apply(code + "/accept/" + accept.size() + ".message", a.message())));
                }
                yield q.withTexts(change.apply(code + ".wording", q.wording()), change.apply(code + ".help", q.help()))
                        .withAnswer(answer(code, q.answer(), change)).withAccept(accept).withReword(rewords(code, q.reword(), change));
            }
        };
    }

    private static List<Item> inner(List<Item> items, BiFunction<String, String, String> change) {
        return items.stream().map(i -> apply(i, change)).toList();
    }

    private static List<Reword> rewords(String code, List<Reword> rewords, BiFunction<String, String, String> change) {
        List<Reword> changed = new ArrayList<>();
        for (Reword r : rewords) {
            String at = code + "/reword/" + changed.size() + ".";
            Map<String, String> labels = new LinkedHashMap<>();
            r.labels().forEach((option, label) -> labels.put(option, change.apply(at + option + ".label", label)));
            changed.add(new Reword(r.when(), change.apply(at + "wording", r.wording()), change.apply(at + "help", r.help()), labels));
        }
        return changed;
    }

    private static Answer answer(String code, Answer answer, BiFunction<String, String, String> change) {
        Answer changed = answer.withTexts((name, text) -> change.apply(code + "." + name, text));
        if (!answer.hasOwnOptions()) {
            return changed;
        }
        Answer labelled = changed.withOptions(changed.options().stream()
                .map(o -> o.withLabel(change.apply(code + "." + o.code() + ".label", o.label()))).toList());
        return labelled.rows().isEmpty()
                ? labelled
                : labelled.withRows(labelled.rows().stream()
                        .map(r -> r.withLabel(change.apply(code + "." + r.code() + ".label", r.label()))).toList());
    }
}
