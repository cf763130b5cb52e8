package orthogon.app.answer;

/** One choice of a question. */
public record OfferedChoice(String value, String label, String labelHtml, boolean chosen, boolean other, String picture) {}
