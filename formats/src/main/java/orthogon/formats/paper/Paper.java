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
import orthogon.formats.progress.ProgressListener;
import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.TextDirection;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A questionnaire as a printable document (PDF, A4). */
public final class Paper {

    private static final Map<String, String> FONTS = Map.of("atkinson-hyperlegible-next-latin", "Latin",
            "atkinson-hyperlegible-next-latin-ext", "LatinMore", "ibm-plex-sans-arabic-arabic", "Arabic");

    private final Questionnaire document;
    private final Directions directions;
    private final OwnWords words;
    private final boolean rightToLeft;
    private final StringBuilder html = new StringBuilder();
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
        String html = paper.html(progress);
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useUnicodeLineBreaker(new WatchedLines(html, progress));
        builder.useFastMode();
        FONTS.forEach((file, family) -> {
            builder.useFont(() -> font(file + "-400-normal.ttf"), family, 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font(file + "-700-normal.ttf"), family, 700, FontStyle.NORMAL, true);
        });
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.defaultTextDirection(paper.rightToLeft ? TextDirection.RTL : TextDirection.LTR);
        DefaultObjectDrawerFactory drawers = new DefaultObjectDrawerFactory();
        drawers.registerDrawer(VowelledWords.TYPE, new VowelledWords());
        builder.useObjectDrawerFactory(drawers);
        builder.withHtmlContent(html, null);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        builder.toStream(bytes);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static InputStream font(String name) {
        return Paper.class.getResourceAsStream(name);
    }

    private static String style(boolean rightToLeft) {
        String start = rightToLeft ? "right" : "left";
        String end = rightToLeft ? "left" : "right";
        return """
                @page { size: A4; margin: 18mm 16mm 20mm 16mm; @bottom-center { content: counter(page) " / " counter(pages); font-family: Latin; font-size: 8pt; } }
                body { font-family: Latin, LatinMore, Arabic; font-size: 10pt; line-height: 1.35; color: #1E2530; text-align: START; }
                h1 { font-size: 18pt; margin: 0 0 2mm 0; } h2 { font-size: 12.5pt; border-bottom: 0.6pt solid #1E2530; margin: 7mm 0 2mm 0; padding-bottom: 1mm; page-break-after: avoid; }
                h3 { font-size: 11pt; margin: 5mm 0 2mm 0; page-break-after: avoid; }
                .question { margin: 0 0 4.5mm 0; page-break-inside: avoid; } .ask { font-weight: 700; margin: 0 0 1mm 0; } .number { font-family: Latin; }
                .help, .hint { color: #57606C; font-size: 9pt; margin: 0 0 1mm 0; } .direction { border: 0.6pt solid #0E5A68; color: #0E5A68; padding: 1mm 2.5mm; margin: 0 0 3mm 0; font-size: 9pt; page-break-after: avoid; } .after { page-break-after: auto; }
                .note { border-START: 2pt solid #0E5A68; padding: 1mm 3mm; margin: 0 0 4mm 0; } object { display: inline-block; } .tick { display: inline-block; width: 3mm; height: 3mm; border: 0.8pt solid #1E2530; margin-END: 2.2mm; } .round { border-radius: 1.5mm; }
                .choice { margin: 0 0 0.8mm 0; } .line { border-bottom: 0.6pt solid #57606C; height: 7mm; margin: 0 0 0.5mm 0; } .box { display: inline-block; border: 0.6pt solid #1E2530; width: 42mm; height: 7mm; } .short { width: 16mm; height: 5mm; } .small { color: #57606C; font-size: 8.5pt; }
                table { border-collapse: collapse; width: 100%; } th, td { border: 0.5pt solid #D6D1C4; padding: 1.2mm 2mm; font-weight: 400; text-align: START; } td.cell { text-align: center; } .scale span.point { display: inline-block; border: 0.6pt solid #1E2530; padding: 0.8mm 2mm; margin-END: 1.5mm; }
                .entry { border-START: 1.5pt solid #D6D1C4; padding: 0 0 0 0; padding-START: 4mm; }
                """
                .replace("padding-START", "padding-" + start).replace("border-START", "border-" + start)
                .replace("margin-END", "margin-" + end)
                .replace("START", start);
    }

    private String html(ProgressListener progress) {
        html.append("<html><head><meta charset=\"UTF-8\"/><title>").append(VowelledWords.without(plain(document.title())))
                .append("</title><style>")
                .append(style(rightToLeft)).append("</style></head><body dir=\"").append(rightToLeft ? "rtl" : "ltr").append("\">");
        element("h1", "", document.title());
        if (!document.presentation().welcome().text().isEmpty()) {
            element("p", "", document.presentation().welcome().text());
        }
        for (int p = 0; p < document.pages().size(); p++) {
            progress.at("Writing the pages", p, document.pages().size());
            page(p);
        }
        outcomes();
        return html.append("</body></html>").toString();
    }

    private void element(String name, String classes, String content) {
        html.append('<').append(name).append(classes.isEmpty() ? "" : " class=\"" + classes + "\"").append('>')
                .append(VowelledWords.drawn(plain(content), name.startsWith("h"))).append("</")
                .append(name).append('>');
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
        element("h2", "", page.title().isEmpty() ? page.code() : page.title());
        if (!page.openWhen().isEmpty()) {
            // What was answered before the page counts also for those who leave the page out.
            page.items().stream().filter(i -> i instanceof Derived && !directions.uses(i.code(), page))
                    .forEach(i -> workedOut((Derived) i));
        }
        direction(page.code() + ".openWhen", after(p + 1));
        if (!page.introduction().isEmpty()) {
            element("p", "", page.introduction());
        }
        items(page.items(), after(p + 1));
        for (int i = 0; i < page.finish().size(); i++) {
            String label = document.outcome(page.finish().get(i).outcome()).map(Questionnaire.Outcome::label)
                    .orElse(page.finish().get(i).outcome());
            directions.when(page.code() + "/finish/" + i)
                    .ifPresent(when -> element("div", "direction after", words.say("paper.then_stop", when, label)));
        }
        for (int i = 0; i < page.skip().size(); i++) {
            String to = page.skip().get(i).to();
            String place = document.page(to).map(this::reference).orElse(to);
            directions.when(page.code() + "/skip/" + i)
                    .ifPresent(when -> element("div", "direction after", words.say("paper.then_skip", when, place)));
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
        directions.when(place).ifPresent(when -> element("div", "direction",
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
        directions.workedOut(derived.code()).ifPresent(how -> html.append("<div class=\"direction after\">").append(text(how))
                .append("&#160;&#160;<span class=\"box short\"></span></div>"));
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
            case Note n -> element("div", "note", n.wording());
            case Section s -> {
                if (!s.title().isEmpty()) {
                    element("h3", "", s.title());
                }
                items(s.items(), after);
            }
            case Roster r -> {
                element("h3", "", r.title());
                element("div", "direction", words.say("paper.each", words.or(r.entryTitle(), "entry"), r.most()));
                html.append("<div class=\"entry\">");
                items(r.items(), after);
                html.append("</div>");
            }
            case Question q -> question(q);
        }
    }

    private void question(Question q) {
        html.append("<div class=\"question\"><div class=\"ask\"><span class=\"number\">").append(directions.number(q.code()).orElse(0))
                .append("</span>&#160;&#160;").append(VowelledWords.drawn(plain(q.wording()), true)).append("</div>");
        if (!q.help().isEmpty()) {
            element("div", "help", q.help());
        }
        answer(q);
        html.append("</div>");
    }

    private void answer(Question q) {
        AnswerFormats.of(q.answer()).paper(q.answer(), words).forEach(block -> block(q, block));
    }

    private void block(Question q, PaperBlock block) {
        switch (block) {
            case PaperBlock.Lines l -> lines(l.count());
            case PaperBlock.Small s -> element("div", "small", s.text());
            case PaperBlock.Hint h -> element("div", "hint", h.text());
            case PaperBlock.Box b -> box(b);
            case PaperBlock.Choices c -> choices(q, c.options(), c.one());
            case PaperBlock.NumberedOptions p -> p.options().forEach(
                    o -> html.append("<div class=\"choice\"><span class=\"tick\"></span>").append(text(o.label())).append("</div>"));
            case PaperBlock.CellTable c -> cells(c);
            case PaperBlock.Points p -> points(p);
        }
    }

    private void box(PaperBlock.Box box) {
        html.append("<div><span class=\"box\"></span> ").append(text(box.unit())).append(' ');
        if (!box.small().isEmpty()) {
            html.append("<span class=\"small\">").append(text(box.small())).append("</span>");
        }
        html.append("</div>");
    }

    private void lines(int count) {
        html.append("<div class=\"line\"></div>".repeat(count));
    }

    private void choices(Question q, List<Option> options, boolean one) {
        boolean scored = directions.isScored(q.code());
        for (Option option : options) {
            html.append("<div class=\"choice\"><span class=\"tick").append(one ? " round" : "").append("\"></span>")
                    .append(text(option.label()));
            directions.when(q.code() + "." + option.code() + ".offerWhen").ifPresent(when -> html.append(" <span class=\"small\">(")
                    .append(text(words.say("paper.only_option", when))).append(")</span>"));
            if (scored && option.score() != null) {
                html.append(" <span class=\"small\">(").append(text(words.say("paper.points", option.score()))).append(")</span>");
            }
            html.append("</div>");
            if (option.other()) {
                lines(1);
            }
        }
    }

    private void cells(PaperBlock.CellTable grid) {
        html.append("<table><tr><th></th>");
        grid.options().forEach(o -> element("th", "", o.label()));
        html.append("</tr>");
        grid.rows().forEach(r -> {
            html.append("<tr>");
            element("th", "", r.label());
            html.append(("<td class=\"cell\"><span class=\"tick" + (grid.one() ? " round" : "") + "\"></span></td>")
                    .repeat(grid.options().size()))
                    .append("</tr>");
        });
        html.append("</table>");
    }

    private void points(PaperBlock.Points points) {
        html.append("<div class=\"scale\">").append(text(points.low())).append(' ');
        for (int i = points.first(); i <= points.last(); i++) {
            html.append("<span class=\"point\">").append(i).append("</span>");
        }
        html.append(' ').append(text(points.high())).append("</div>");
    }

    private void outcomes() {
        if (document.outcomeTable().isEmpty()) {
            return;
        }
        element("h2", "", words.say("paper.outcomes"));
        List<String> rows = new ArrayList<>();
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            String code = document.outcomeTable().get(i).outcome();
            String label = document.outcome(code).map(Questionnaire.Outcome::label).orElse(code);
            rows.add(directions.when("outcomeTable/" + i).map(when -> words.say("paper.then_stop", when, label))
                    .orElseGet(() -> words.say("paper.otherwise", label)));
        }
        rows.forEach(r -> element("p", "", r));
    }
}
