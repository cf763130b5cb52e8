package orthogon.core.answer.grid;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OptionWords;

/** {@code grid: first row; second row | fine; hurt} and {@code grid many: …}. */
public final class GridMaker implements AnswerMaker {

    private static final Pattern GRID = Pattern.compile("grid( many)?:([^|]*)\\|(.*)", Pattern.DOTALL);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.GRID);
    }

    @Override
    public List<TypedWords> lines() {
        return List
                .of(new TypedWords("grid: first row; second row | fine; hurt", "grid", "one choice for each row; grid many: for several"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher grid = GRID.matcher(words);
        if (!grid.matches()) {
            return Optional.empty();
        }
        boolean many = grid.group(1) != null;
        List<GridRow> rows = OptionWords.options(grid.group(2), false).stream().map(o -> new GridRow(o.code(), o.label(), "")).toList();
        return Optional.of(new GridAnswer(many, rows, OptionWords.options(grid.group(3), many)));
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        boolean many = other instanceof ManyChoices;
        return new GridAnswer(many, List.of(new GridRow("first", "First row", ""), new GridRow("second", "Second row", "")),
                OptionWords.of(other, many));
    }
}
