package orthogon.app.answer.grid;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.GridLine;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.app.answer.choice.ChoiceLayouts;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** A table with a row for each line and a column for each option. */
public final class GridControl implements AnswerControl<GridAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.GRID);
    }

    @Override
    public String inShort(GridAnswer g) {
        return (g.many() ? "many" : "one") + " of " + g.options().size() + " × " + g.rows().size() + " rows";
    }

    @Override
    public List<Setting> settings(GridAnswer g) {
        return List.of(Setting.choose("each", "Each row", g.many() ? "many" : "one",
                Setting.words("one", "one choice", "many", "many choices")));
    }

    @Override
    public GridAnswer set(GridAnswer now, SettingsForm form) throws Refused {
        boolean many = form.text("each").equals("many");
        List<Option> options = form.options().stream().map(o -> many ? o : o.withExclusive(false)).toList();
        return new GridAnswer(many, form.gridRows(), options);
    }

    @Override
    public DrawnControl drawn(GridAnswer g, ShownAnswer shown) {
        List<GridLine> rows = g.rows().stream().filter(r -> shown.item().rows().contains(r.code()))
                .map(r -> new GridLine(shown.field(r.code()), shown.texts().plain(r.label(), shown.item()),
                        shown.item().offered().stream().map(o -> shown.choice(o, chosen(shown.value(), r))).toList()))
                .toList();
        return DrawnControl.ofRows("grid", shown.choices(), rows);
    }

    private static Object chosen(Object value, GridRow row) {
        return value instanceof Map<?, ?> rows ? rows.get(row.code()) : null;
    }

    /** What is none of the columns is left out. */
    @Override
    public Object given(GridAnswer g, GivenFields fields) {
        Map<String, Object> given = new LinkedHashMap<>();
        for (GridRow row : g.rows()) {
            List<String> codes = fields.values(row.code()).stream().filter(code -> g.option(code).isPresent()).distinct().toList();
            if (!codes.isEmpty()) {
                given.put(row.code(), g.many() ? codes : codes.getFirst());
            }
        }
        return given.isEmpty() ? null : given;
    }

    @Override
    public String inWords(GridAnswer g, Object value, OwnWords words) {
        if (!(value instanceof Map<?, ?> given)) {
            return value.toString();
        }
        return g.rows().stream().filter(r -> given.containsKey(r.code())).map(r -> r.label() + ": " + labels(g, given.get(r.code())))
                .collect(Collectors.joining("; "));
    }

    private static String labels(GridAnswer g, Object chosen) {
        return chosen instanceof List<?> codes
                ? codes.stream().map(code -> ChoiceLayouts.label(g, code)).collect(Collectors.joining(", "))
                : ChoiceLayouts.label(g, chosen);
    }

    @Override
    public Object madeUp(GridAnswer g, MadeUp how) {
        Map<String, Object> rows = new LinkedHashMap<>();
        how.rows().forEach(row -> rows.put(row, g.many() ? List.of(how.option()) : how.option()));
        return rows;
    }
}
