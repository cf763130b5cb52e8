package orthogon.core.edit;

import orthogon.core.answer.Answer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.core.typing.Outline;
import orthogon.core.typing.RowLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Edits chosen by chance, many of which the document will refuse. */
public final class RandomEdits {

    private static final List<String> LINES = List.of("How many? / number 1..20 kg", "Which? / one: first; second; third",
            "When? / date ..today",
            "Signs? / grid: wing; leg | fine; hurt", "Each / roster 1..3 One", "Part / section", "Name? / name",
            "Order? / rank 2: a thing; b thing; c",
            "Hidden / hidden: north; south", "Photos? / files 2", "Sum / derive: 1 + 1", "Agree? / agree: So be it. *", "Land? / country");
    private static final List<String> TYPES = List.of("shortText", "number", "yesNo", "oneChoice", "manyChoices", "date", "grid", "ranking",
            "personName", "email", "time", "rating", "likelihood", "file", "country", "agreement", "signature", "longText");

    private final Random random;
    private int step;

    public RandomEdits(long seed) {
        random = new Random(seed);
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** @throws Refused where the edit cannot even be put together for this document */
    public Edit next(Questionnaire document) throws Refused {
        step++;
        List<String> items = document.items().map(Item::code).toList();
        List<String> pages = document.pages().stream().map(Page::code).toList();
        List<String> groups = new ArrayList<>(pages);
        document.items().filter(Group.class::isInstance).forEach(g -> groups.add(g.code()));
        String item = items.isEmpty() ? pages.getFirst() : pick(items);
        String either = random.nextInt(6) == 0 ? pick(pages) : item;
        List<String> several = items.isEmpty() ? List.of(item) : List.of(item, pick(items)).stream().distinct().toList();
        List<String> places = List.copyOf(Places.all(document).keySet());
        return switch (random.nextInt(26)) {
            case 0 -> new Step(either, random.nextBoolean());
            case 1 -> new Shift(item, random.nextBoolean());
            case 2 -> new PlaceRows(several, pick(groups), random.nextBoolean() ? "" : item);
            case 3 -> new PlacePage(pick(pages), random.nextInt(3) == 0 ? "" : pick(pages));
            case 4 -> new Copy(random.nextInt(4) == 0 ? List.of(pick(pages)) : several);
            case 5, 6 -> new Remove(random.nextInt(5) == 0 ? List.of(pick(pages)) : several, random.nextBoolean());
            case 7 -> new Rename(either, "renamed_" + step);
            case 8, 9, 10 -> new Add(pick(groups), item, RowLine.read(pick(LINES), WholeDocument.codes(document)::contains));
            case 11 -> new AddPages(pick(pages), Outline.read("# Added " + step + "\nHow? / yes/no\nWhy?\n  because\n  so",
                    WholeDocument.codes(document)::contains).pages());
            case 12 -> retyped(document, item);
            case 13 -> option(document, item);
            case 14 ->
                new SetConditions(Map.of(item + ".askWhen", pick(List.of("", "true", "answered(" + pick(items.isEmpty() ? pages : items)
                        + ")", "nonsense ="))));
            case 15 -> places.isEmpty() ? new Retitle("Title " + step) : new Strike(List.of(pick(places)));
            case 16 ->
                new ChangePresentation(new Presentation(new Presentation.Welcome("Heading " + step, "", ""), Presentation.Buttons.USUAL,
                        Map.of("required", "Needed " + step), Presentation.Theme.PLAIN), document.linkParameters());
            case 17 -> new ChangePage(document.page(pick(pages)).orElseThrow().withTexts("Page " + step, "About it."), "the texts");
            case 20 -> new ChangeBurden(new Burden(random.nextBoolean() ? null : 40, null, 1 + random.nextInt(9)));
            case 23 -> new Annotate(pick(List.copyOf(Texts.all(document).keySet())), pick(List.of("Mind this.", "")));
            case 22 ->
                random.nextBoolean()
                        ? translate(document)
                        : new ChangeLanguages(pick(List.of(List.of("fr"), List.of("fr", "AR"), List.of("nonsense"), List.of())));
            case 21 -> settled(document, item);
            case 24 -> new ChangeDispatch(dispatch(document));
            case 18 -> new ChangeEnding(document.outcomes(), document.outcomeTable().reversed(), document.claims());
            default -> document.item(item).orElse(null) instanceof Note n
                    ? new ChangeItem(new Note(n.code(), "Note " + step, n.askWhen(), n.reword()), "wording")
                    : new Retitle("Title " + step);
        };
    }

    /** Another code, condition, text or order of messages, passages and follow-ups, or one more or less of them. */
    private Dispatch dispatch(Questionnaire document) {
        List<DispatchMessage> messages = new ArrayList<>(document.messages());
        List<DispatchPassage> passages = new ArrayList<>(document.passages());
        List<FollowUp> followUps = new ArrayList<>(document.followUps());
        switch (random.nextInt(9)) {
            case 6 -> followUps.add(FollowUp.of("follow_" + step, "other", followUps.isEmpty()
                    ? ""
                    : followUps.getLast().code() + ".state = \"sent\""));
            case 7 -> followUps.stream().findFirst().ifPresent(f -> followUps.set(0, f.withCode("opened_" + step)));
            case 8 -> document.questions().findFirst().filter(q -> document.rosterOf(q.code()).isEmpty())
                    .ifPresent(q -> followUps.replaceAll(f -> f.withOpenWhen("answered(" + q.code() + ")")
                            .withCarries(List.of(new FollowUp.Carried("there", q.code(), step % 2 == 0)))));
            case 0 -> messages.add(new DispatchMessage("message_" + step, "", "", List.of("office@quillmere.example"), List.of(),
                    "Subject " + step, "", ToldAnswers.EVERYTHING, List.of()));
            case 1 -> passages.add(new DispatchPassage("passage_" + step, List.of(new PassageWording("", "Text " + step))));
            case 2 -> messages.replaceAll(m -> m.withTexts("Subject " + step, passages.isEmpty() ? "" : "{" + pick(passages).code() + "}"));
            case 3 -> messages.stream().findFirst().ifPresent(m -> messages.set(0, m.withCode("sent_" + step)));
            case 4 -> passages.stream().findFirst().ifPresent(p -> passages.set(0, p.withCode("said_" + step)));
            default -> {
                if (!messages.isEmpty()) {
                    messages.removeLast();
                }
            }
        }
        return new Dispatch(messages, passages, followUps);
    }

    private Edit translate(Questionnaire document) {
        Translate one = new Translate(document.languages().getLast(), pick(List.copyOf(Texts.all(document).keySet())),
                pick(List.of("Texte", " ")));
        return random.nextBoolean() ? one : new ImportTexts(List.of(one, one));
    }

    private Edit settled(Questionnaire document, String code) {
        List<String> units = List.copyOf(Texts.all(document).keySet());
        return switch (random.nextInt(3)) {
            case 0 -> new Settle(code + ".keepWhenHidden", "true");
            case 1 -> new Settle(pick(units), "Settled " + step);
            default -> new Settle(code + ".startWith", "");
        };
    }

    private Edit retyped(Questionnaire document, String code) throws Refused {
        return switch (document.item(code).orElse(null)) {
            case Question q -> new ChangeItem(q.withAnswer(Retyped.to(q.answer(), pick(TYPES)).answer()), "the answer");
            case Section s -> new ChangeItem(new Section(s.code(), "Section " + step, s.askWhen(), List.of()), "the title");
            case Roster r ->
                new ChangeItem(new Roster(r.code(), "Roster " + step, r.entryTitle(), r.askWhen(), 0, 5, List.of()), "the entries");
            case null, default -> new Retitle("Title " + step);
        };
    }

    private Edit option(Questionnaire document, String code) {
        if (!document.outcomes().isEmpty() && random.nextInt(4) == 0) {
            return new RenameOutcome(pick(document.outcomes()).code(), "outcome_" + step);
        }
        Answer answer = document.question(code).map(Question::answer).orElse(new YesNoAnswer());
        return answer.hasOwnOptions()
                ? new RenameOption(code, pick(answer.options()).code(), "option_" + step)
                : new Rename(code, "again_" + step);
    }
}
