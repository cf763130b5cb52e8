package orthogon.formats.paper;

import orthogon.core.answer.Option;
import orthogon.core.language.CleanText;
import orthogon.core.language.OwnWords;
import orthogon.core.language.PaperText;
import orthogon.core.language.Translated;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.answer.kinds.AnswerFormats;
import orthogon.formats.page.PageTemplates;
import orthogon.formats.progress.ProgressListener;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A questionnaire as a printable document (PDF, A4). */
public final class Paper {

    private final Questionnaire document;
    private final Directions directions;
    private final OwnWords words;
    private final boolean rightToLeft;
    private List<PaperPart> parts = new ArrayList<>();
    private final Set<String> told = new HashSet<>();

    private Paper(Questionnaire document) {
        this.document = document;
        this.directions = new Directions(document);
        this.words = directions.words();
        this.rightToLeft = words.locale().isRightToLeft();
    }

    /**
     * A questionnaire as a file.
     *
     * @param language one of the document's; what is not translated stands in the source language
     * @param progress is told of how many words are set, and may end the work
     */
    public static byte[] pdf(Questionnaire document, String language, ProgressListener progress) {
        Paper paper = new Paper(Translated.into(document, language));
        String html = PageTemplates.filled("paper", paper.filled(progress));
        return PaperPdf.of(html, paper.rightToLeft, progress);
    }

    private PaperPage filled(ProgressListener progress) {
        if (!document.presentation().welcome().text().isEmpty()) {
            add("paragraph", document.presentation().welcome().text());
        }
        for (int p = 0; p < document.pages().size(); p++) {
            progress.at("Writing the pages", p, document.pages().size());
            page(p);
        }
        outcomes();
        return new PaperPage(VowelledWords.without(plain(document.title())), heading(document.title()), rightToLeft, parts);
    }

    private void add(String kind, String content) {
        parts.add(PaperPart.of(kind, kind.equals("page") || kind.equals("section") ? heading(content) : text(content)));
    }

    private String heading(String content) {
        return VowelledWords.drawn(plain(content), true);
    }

    private String text(String content) {
        return VowelledWords.drawn(plain(content), false);
    }

    /** Without markup; where the text speaks of an earlier answer, it refers to its question. */
    private String plain(String content) {
        return PaperText.of(CleanText.of(content), directions::answer).replaceAll("\\*\\*|__|`", "")
                .replaceAll("\\[([^\\]]*)\\]\\(([^)]*)\\)", "$1 ($2)")
                .replaceAll("(?m)^#+ ", "").replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;")
                .replace("\"", "&quot;").replace("\n", "<br/>");
    }

    private void page(int p) {
        Page page = document.pages().get(p);
        if (page.allItems().allMatch(i -> i instanceof Derived || i instanceof Question q && q.isHidden())) {
            page.allItems().filter(Derived.class::isInstance).forEach(d -> workedOut((Derived) d));
            return;
        }
        add("page", page.title().isEmpty() ? page.code() : page.title());
        if (!page.openWhen().isEmpty()) {
            // What was answered before the page counts also for those who leave the page out.
            page.items().stream().filter(i -> i instanceof Derived && !directions.uses(i.code(), page))
                    .forEach(i -> workedOut((Derived) i));
        }
        direction(page.code() + ".openWhen", after(p + 1));
        if (!page.introduction().isEmpty()) {
            add("paragraph", page.introduction());
        }
        items(page.items(), after(p + 1));
        for (int i = 0; i < page.finish().size(); i++) {
            String label = document.outcome(page.finish().get(i).outcome()).map(Questionnaire.Outcome::label)
                    .orElse(page.finish().get(i).outcome());
            directions.when(page.code() + "/finish/" + i)
                    .ifPresent(when -> add("after", words.say("paper.then_stop", when, label)));
        }
        for (int i = 0; i < page.skip().size(); i++) {
            String to = page.skip().get(i).to();
            String place = document.page(to).map(this::reference).orElse(to);
            directions.when(page.code() + "/skip/" + i)
                    .ifPresent(when -> add("after", words.say("paper.then_skip", when, place)));
        }
    }

    /** Where one goes on from a page; empty for the end. */
    private Optional<String> after(int p) {
        return document.pages().stream().skip(p).flatMap(Page::allItems).map(i -> directions.number(i.code())).flatMap(Optional::stream)
                .findFirst().map(n -> words.say("rule.question", n));
    }

    private String reference(Page page) {
        return page.allItems().map(i -> directions.number(i.code())).flatMap(Optional::stream).findFirst()
                .map(n -> words.say("rule.question", n)).orElseGet(() -> words.say("paper.page", page.title()));
    }

    private void direction(String place, Optional<String> otherwise) {
        directions.when(place).ifPresent(when -> add("before",
                otherwise.map(to -> words.say("paper.only_if", when, to)).orElseGet(() -> words.say("paper.only_if_end", when))));
    }

    /** Items that share a condition share a direction, which says where to go on otherwise. */
    private void items(List<Item> items, Optional<String> after) {
        String said = "";
        for (int i = 0; i < items.size(); i++) {
            Item item = items.get(i);
            if (item instanceof Derived d) {
                workedOut(d);
            }
            if (item instanceof Derived || item instanceof Question q && q.isHidden()) {
                continue;
            }
            String when = item.shownWhen().orElse("");
            if (!when.equals(said) && !when.isEmpty()) {
                direction(item.code() + ".askWhen", next(items, i, when).or(() -> after));
            }
            said = when;
            item(item, next(items, i, when).or(() -> after));
        }
    }

    /** How a value is worked out that a later direction speaks of, with room to write it down. */
    private void workedOut(Derived derived) {
        if (!told.add(derived.code())) {
            return;
        }
        directions.workedOut(derived.code()).ifPresent(how -> add("value", how));
    }

    /** The first question behind the items that have the same condition. */
    private Optional<String> next(List<Item> items, int from, String when) {
        return items.stream().skip(from).dropWhile(i -> i instanceof Derived || i.shownWhen().orElse("").equals(when))
                .flatMap(Item::withInner).map(i -> directions.number(i.code())).flatMap(Optional::stream).findFirst()
                .map(n -> words.say("rule.question", n));
    }

    private void item(Item item, Optional<String> after) {
        switch (item) {
            case Derived d -> {}
            case Note n -> add("note", n.wording());
            case Section s -> {
                if (!s.title().isEmpty()) {
                    add("section", s.title());
                }
                items(s.items(), after);
            }
            case Roster r -> {
                add("section", r.title());
                add("before", words.say("paper.each", words.or(r.entryTitle(), "entry"), r.most()));
                List<PaperPart> before = parts;
                parts = new ArrayList<>();
                items(r.items(), after);
                before.add(PaperPart.entry(parts));
                parts = before;
            }
            case Question q -> question(q);
        }
    }

    private void question(Question q) {
        List<PaperField> blocks = AnswerFormats.of(q.answer()).paper(q.answer(), words).stream().map(block -> field(q, block)).toList();
        parts.add(
                new PaperPart("question", heading(q.wording()), directions.number(q.code()).orElse(0), text(q.help()), blocks, List.of()));
    }

    private PaperField field(Question q, PaperBlock block) {
        return switch (block) {
            case PaperBlock.Lines l -> PaperField.lines(l.count());
            case PaperBlock.Small s -> PaperField.words("small", text(s.text()), "");
            case PaperBlock.Hint h -> PaperField.words("hint", text(h.text()), "");
            case PaperBlock.Box b -> PaperField.words("box", text(b.unit()), text(b.small()));
            case PaperBlock.Choices c -> PaperField.choices(c.options().stream().map(o -> choice(q, o)).toList(), c.one());
            case PaperBlock.NumberedOptions n -> PaperField.choices(n.options().stream().map(this::plainChoice).toList(), false);
            case PaperBlock.CellTable c -> PaperField.cells(c.options().stream().map(this::plainChoice).toList(),
                    c.rows().stream().map(r -> text(r.label())).toList(), c.one());
            case PaperBlock.Points p -> PaperField.points(text(p.low()), text(p.high()), p.first(), p.last());
        };
    }

    private PaperField.PaperChoice plainChoice(Option option) {
        return new PaperField.PaperChoice(text(option.label()), List.of(), false);
    }

    private PaperField.PaperChoice choice(Question q, Option option) {
        List<String> notes = new ArrayList<>();
        directions.when(q.code() + "." + option.code() + ".offerWhen")
                .ifPresent(when -> notes.add(text(words.say("paper.only_option", when))));
        if (directions.isScored(q.code()) && option.score() != null) {
            notes.add(text(words.say("paper.points", option.score())));
        }
        return new PaperField.PaperChoice(text(option.label()), notes, option.other());
    }

    private void outcomes() {
        if (document.outcomeTable().isEmpty()) {
            return;
        }
        add("page", words.say("paper.outcomes"));
        List<String> rows = new ArrayList<>();
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            String code = document.outcomeTable().get(i).outcome();
            String label = document.outcome(code).map(Questionnaire.Outcome::label).orElse(code);
            rows.add(directions.when("outcomeTable/" + i).map(when -> words.say("paper.then_stop", when, label))
                    .orElseGet(() -> words.say("paper.otherwise", label)));
        }
        rows.forEach(r -> add("paragraph", r));
    }
}
