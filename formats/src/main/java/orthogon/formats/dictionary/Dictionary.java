package orthogon.formats.dictionary;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.table.Table;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Every variable of a questionnaire, one a row. */
public final class Dictionary {

    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    private static final List<String> COLUMNS = List.of("variable", "page", "roster", "wording", "type", "unit", "least", "most", "values",
            "required",
            "asked when", "derived from");

    /**
     * One variable.
     *
     * @param roster that it is answered in, once for each entry; empty for none
     * @param values code to label; empty where any value is possible
     * @param required condition under which a blank answer is refused; empty for never
     */
    public record Variable(String code, String page, String roster, String wording, String type, String unit, String least, String most,
            Map<String, String> values, String required, String askedWhen, String derivedFrom) {

        private List<String> cells() {
            return List.of(code, page, roster, wording, type, unit, least, most,
                    values.entrySet().stream().map(v -> v.getKey() + " = " + v.getValue()).collect(Collectors.joining("; ")), required,
                    askedWhen,
                    derivedFrom);
        }
    }

    private Dictionary() {}

    /** In document order; a grid is a variable for each of its rows. */
    public static List<Variable> of(Questionnaire document) {
        List<Variable> variables = new ArrayList<>();
        document.linkParameters().forEach(p -> variables.add(new Variable(p.code(), "", "", "", "link", "", "", "",
                p.allowed().stream().collect(Collectors.toMap(a -> a, a -> a, (a, b) -> a, LinkedHashMap::new)), "", "", "")));
        for (Page page : document.pages()) {
            page.allItems().forEach(item -> add(document, page, item, variables));
        }
        return variables;
    }

    private static void add(Questionnaire document, Page page, Item item, List<Variable> variables) {
        String roster = document.rosterOf(item.code()).map(Roster::code).orElse("");
        switch (item) {
            case Derived d ->
                variables.add(new Variable(d.code(), page.code(), roster, "", "derived", "", "", "", Map.of(), "", "", d.derive()));
            case Question q when q.answer() instanceof Answer.Grid grid -> grid.rows().forEach(row -> variables.add(new Variable(
                    q.code() + "." + row.code(), page.code(), roster, q.wording() + " – " + row.label(), grid.row().type(), "", "", "",
                    values(grid.row()), q.requireWhen(), both(q.askWhen(), row.askWhen()), "")));
            case Question q -> variables.add(new Variable(q.code(), page.code(), roster, q.wording(), q.answer().type(),
                    q.answer() instanceof Answer.Numeric n ? n.unit() : "", limit(q.answer(), true), limit(q.answer(), false),
                    values(q.answer()),
                    q.requireWhen(), q.askWhen(), ""));
            default -> {}
        }
    }

    private static String both(String one, String other) {
        return one.isEmpty() ? other : other.isEmpty() ? one : "(" + one + ") and (" + other + ")";
    }

    private static Map<String, String> values(Answer answer) {
        Map<String, String> values = new LinkedHashMap<>();
        if (answer instanceof Answer.YesNo) {
            values.put("true", "yes");
            values.put("false", "no");
        } else if (answer.hasOwnOptions()) {
            answer.options().forEach(o -> values.put(o.code(), o.label()));
        }
        return values;
    }

    private static String limit(Answer answer, boolean least) {
        Object limit = switch (answer) {
            case Answer.Numeric n -> least ? n.least() : n.most();
            case Answer.Scale s -> least ? s.first() : s.last();
            case Answer.Text t -> least ? t.least() : t.most();
            case Answer.ManyChoices c -> least ? c.least() : c.most();
            case Answer.DateAnswer d -> least ? d.earliest() : d.latest();
            case Answer.TimeAnswer t -> least ? t.earliest() : t.latest();
            case Answer.FileAnswer f -> least ? null : f.most();
            default -> null;
        };
        return limit == null ? "" : limit instanceof java.math.BigDecimal d ? d.toPlainString() : limit.toString();
    }

    private static Table table(Questionnaire document) {
        return new Table(COLUMNS, of(document).stream().map(Variable::cells).toList());
    }

    public static String csv(Questionnaire document) {
        return table(document).csv();
    }

    public static byte[] xlsx(Questionnaire document) {
        return table(document).xlsx("variables");
    }

    public static String json(Questionnaire document) {
        List<Map<String, Object>> variables = new ArrayList<>();
        for (Variable each : of(document)) {
            Map<String, Object> json = new LinkedHashMap<>();
            List<String> cells = each.cells();
            for (int i = 0; i < COLUMNS.size(); i++) {
                if (!cells.get(i).isEmpty()) {
                    json.put(COLUMNS.get(i), COLUMNS.get(i).equals("values") ? each.values() : cells.get(i));
                }
            }
            variables.add(json);
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("questionnaire", document.code());
        all.put("title", document.title());
        all.put("variables", variables);
        return MAPPER.writeValueAsString(all);
    }
}
