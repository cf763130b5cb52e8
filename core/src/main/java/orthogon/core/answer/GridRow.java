package orthogon.core.answer;

/** One line of a grid; an empty {@code askWhen} means always. */
public record GridRow(String code, String label, String askWhen) {

    public GridRow withLabel(String changed) {
        return new GridRow(code, changed, askWhen);
    }

    public GridRow withAskWhen(String changed) {
        return new GridRow(code, label, changed);
    }
}
