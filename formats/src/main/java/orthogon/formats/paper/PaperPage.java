package orthogon.formats.paper;

import java.util.List;

/**
 * The whole paper. Texts called {@code html} are safe to put on the page as they are.
 *
 * @param title without marks that are drawn
 * @param heading the same as it stands on the first page, as HTML
 */
public record PaperPage(String title, String heading, boolean rightToLeft, List<PaperPart> parts) {}
