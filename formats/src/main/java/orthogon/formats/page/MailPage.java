package orthogon.formats.page;

import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A message as a page for mail programs: it reads without pictures, in light and dark, at any width.
 *
 * @param html safe HTML; empty where paragraphs stand for it
 * @param told questions with their answers, behind the rest
 */
public record MailPage(String title, String html, List<MailParagraph> paragraphs, List<ToldAnswer> told, String language,
        boolean rightToLeft) {

    private static final Pattern LINK = Pattern.compile("https?://\\S+");

    /** The lines of a paragraph. */
    public record MailParagraph(List<MailLine> lines) {}

    public record MailLine(List<MailPiece> pieces) {}

    /** @param link an address; empty for text alone */
    public record MailPiece(String text, String link) {}

    /** A question with its answer. */
    public record ToldAnswer(String wording, String answer) {}

    /**
     * The page of a plain text.
     *
     * @param text in paragraphs with an empty line between them; addresses of pages become links
     * @param language its BCP 47 tag
     */
    public static MailPage of(String title, String text, String language) {
        List<MailParagraph> paragraphs = Arrays.stream(text.strip().split("\\R\\s*\\R"))
                .map(p -> new MailParagraph(p.lines().map(MailPage::line).toList())).toList();
        return new MailPage(title, "", paragraphs, List.of(), language, ULocale.forLanguageTag(language).isRightToLeft());
    }

    /**
     * The page of a text with markup.
     *
     * @param html safe HTML
     * @param language its BCP 47 tag
     */
    public static MailPage of(String title, String html, List<ToldAnswer> told, String language) {
        return new MailPage(title, html, List.of(), told, language, ULocale.forLanguageTag(language).isRightToLeft());
    }

    /** The same with a plain text behind its HTML. */
    public MailPage with(String text) {
        return new MailPage(title, html, of(title, text, language).paragraphs(), told, language, rightToLeft);
    }

    private static MailLine line(String text) {
        List<MailPiece> pieces = new ArrayList<>();
        Matcher link = LINK.matcher(text);
        int from = 0;
        while (link.find()) {
            if (link.start() > from) {
                pieces.add(new MailPiece(text.substring(from, link.start()), ""));
            }
            pieces.add(new MailPiece(link.group(), link.group()));
            from = link.end();
        }
        if (from < text.length()) {
            pieces.add(new MailPiece(text.substring(from), ""));
        }
        return new MailLine(pieces);
    }
}
