package orthogon.formats.answer.grid;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.answer.choice.OptionsJson;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Grids in files: a column for each row. */
public final class GridFormat implements AnswerFormat<GridAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.GRID);
    }

    @Override
    public GridAnswer read(AnswerKind kind, ReadObject json) {
        String each = json.text("each");
        if (!each.isEmpty() && !each.equals("one") && !each.equals("many")) {
            json.fault("each", "\"one\" or \"many\" is needed here");
        }
        List<GridRow> rows = json.list("rows", r -> new GridRow(r.code("code"), r.needed("label"), r.text("askWhen")));
        if (rows.isEmpty()) {
            json.fault("rows", "a grid needs at least one row");
        }
        return new GridAnswer(each.equals("many"), rows, OptionsJson.read(json, "columns"));
    }

    @Override
    public void write(GridAnswer g, WrittenObject json) {
        json.put("each", g.many() ? "many" : "");
        json.always("rows", g.rows().stream().map(r -> new WrittenObject().always("code", r.code()).always("label", r.label())
                .put("askWhen", r.askWhen()).members()).toList());
        OptionsJson.write(json, "columns", g.options());
    }

    @Override
    public List<AnswerColumn> columns(GridAnswer g) {
        return g.rows().stream()
                .map(row -> new AnswerColumn(row.code(), row.label(), g.row().type(), g.options(), true, row.askWhen())).toList();
    }

    @Override
    public List<PaperBlock> paper(GridAnswer g, OwnWords words) {
        return List.of(new PaperBlock.CellTable(g.rows(), g.options(), !g.many()));
    }
}
