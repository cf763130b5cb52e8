package orthogon.formats.dictionary;

import java.math.BigDecimal;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.kinds.AnswerFormats;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

    /**
     * In document order: the link parameters, then a variable for each column of the responses, see
     * {@link orthogon.formats.responses.ResponsesCsv}, with the derived values where they stand. The condition of a variable is all that must
     * hold for it to be asked: of its page, its section or roster, its question and its row.
     */
    public static List<Variable> of(Questionnaire document) {
        List<Variable> variables = new ArrayList<>();
        document.linkParameters().forEach(p -> variables.add(new Variable(p.code(), "", "", "", "link", "", "", "",
                p.allowed().stream().collect(Collectors.toMap(a -> a, a -> a, (a, b) -> a, LinkedHashMap::new)), "", "", "")));
        for (Page page : document.pages()) {
            DictionaryPlace place = new DictionaryPlace(page.code(), "", "", all(List.of(page.openWhen())));
            page.items().forEach(item -> add(item, place, variables));
        }
        return variables;
    }

    /**
     * Where a variable stands.
     *
     * @param prefix of its name: the roster and the number of the entry
     * @param when what must hold for anything here to be asked
     */
    private record DictionaryPlace(String page, String roster, String prefix, List<String> when) {

        private DictionaryPlace within(String condition) {
            return new DictionaryPlace(page, roster, prefix, all(when, condition));
        }
    }

    private static List<String> all(List<String> conditions, String... more) {
        return Stream.concat(conditions.stream(), Arrays.stream(more)).filter(c -> !c.isEmpty()).toList();
    }

    private static String joined(List<String> conditions) {
        return conditions.size() < 2 ? String.join("", conditions) : "(" + String.join(") and (", conditions) + ")";
    }

    private static void add(Item item, DictionaryPlace place, List<Variable> into) {
        switch (item) {
            case Derived d ->
                into.add(new Variable(place.prefix + d.code(), place.page, place.roster, "", "derived", "", "", "", Map.of(), "",
                        joined(place.when), d.derive()));
            case Question q -> add(q, place.within(q.askWhen()), into);
            case Section s -> s.items().forEach(i -> add(i, place.within(s.askWhen()), into));
            case Roster r -> {
                for (int entry = 1; entry <= r.most(); entry++) {
                    DictionaryPlace within = new DictionaryPlace(place.page, r.code(), r.code() + "." + entry + ".",
                            all(place.when, r.askWhen()));
                    r.items().forEach(i -> add(i, within, into));
                }
            }
            default -> {}
        }
    }

    private static void add(Question q, DictionaryPlace place, List<Variable> into) {
        String name = place.prefix + q.code();
        AnswerFormat<Answer> format = AnswerFormats.of(q.answer());
        for (AnswerColumn column : format.columns(q.answer())) {
            into.add(new Variable(name + "." + column.part(), place.page, place.roster,
                    q.wording() + (column.label().isEmpty() ? "" : " – " + column.label()), column.type(), "", "", "",
                    labels(column.options()), column.always() ? q.requireWhen() : "", joined(all(place.when, column.askWhen())), ""));
        }
        if (format.columns(q.answer()).isEmpty()) {
            into.add(new Variable(name, place.page, place.roster, q.wording(), q.answer().type(), format.unit(q.answer()),
                    limit(q.answer(), true), limit(q.answer(), false), values(q.answer()), q.requireWhen(), joined(place.when), ""));
        }
        if (q.answer().hasOwnOptions()) {
            q.answer().options().stream().filter(Option::other).findFirst().ifPresent(o -> into.add(new Variable(name + ".other",
                    place.page, place.roster, q.wording() + " – " + o.label(), "text", "", "", "", Map.of(), "", joined(place.when), "")));
        }
    }

    private static Map<String, String> values(Answer answer) {
        return answer.domain() instanceof Domain.Truths
                ? labels(List.of(Option.of("yes", "yes"), Option.of("no", "no")))
                : labels(answer.hasOwnOptions() ? answer.options() : List.of());
    }

    private static Map<String, String> labels(List<Option> options) {
        Map<String, String> labels = new LinkedHashMap<>();
        options.forEach(o -> labels.put(o.code(), o.label()));
        return labels;
    }

    private static String limit(Answer answer, boolean least) {
        Object limit = switch (answer.domain()) {
            case Domain.Numbers n -> least ? n.least() : n.most();
            case Domain.Steps s -> least ? s.first() : s.last();
            case Domain.FreeTexts t -> least ? t.least() : t.most();
            case Domain.Subset s -> least ? s.least() : s.most();
            case Domain.Dates d -> least ? d.earliest() : d.latest();
            case Domain.TimesOfDay t -> least ? t.earliest() : t.latest();
            case Domain.Files f -> least ? null : f.most();
            case Domain.Truths t -> null;
            case Domain.OneOf o -> null;
            case Domain.Orders o -> null;
            case Domain.TextParts p -> null;
            case Domain.Opaque o -> null;
            case Domain.EachRow r -> null;
            case Domain.OneRecord r -> null;
            case Domain.Arriving a -> null;
        };
        return limit == null ? "" : limit instanceof BigDecimal d ? d.toPlainString() : limit.toString();
    }

    /** One row for each variable. */
    public static Table table(Questionnaire document) {
        return new Table(COLUMNS, of(document).stream().map(Variable::cells).toList());
    }

    public static String csv(Questionnaire document) {
        return table(document).csv();
    }

    public static byte[] xlsx(Questionnaire document, ProgressListener progress) {
        return table(document).xlsx("variables", progress);
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
