package orthogon.core.responses;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import orthogon.core.answer.Domain;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.file.Attachment;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;

/** Responses with values that fit their questions, whatever the questionnaire would ask, and conditions over them. */
public final class RandomResponses {

    public static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final Map<String, String> STATES = Map.of("new", "New", "done", "Done");
    private static final Map<String, String> PEOPLE = Map.of("ines", "Ines", "jory", "Jory");

    private final ResponseDocument over;
    private final Random random;

    public RandomResponses(Questionnaire document, Random random) {
        this.over = ResponseDocument.of(document, Map.of("en", "English", "fr", "French"), STATES, PEOPLE);
        this.random = random;
    }

    public ResponseDocument over() {
        return over;
    }

    /** The answers of one response, by the names of questions, derived values, link parameters and rosters; blank ones are not there. */
    public Map<String, Object> answers(Questionnaire document) {
        Wiring wiring = Wiring.of(document);
        Map<String, Object> values = new LinkedHashMap<>();
        document.linkParameters().forEach(p -> put(values, p.code(), text(p.allowed())));
        document.pages().forEach(page -> page.items().forEach(item -> item(wiring, item, values)));
        return values;
    }

    /** What is known besides the answers, by fact. */
    public Map<ResponseFact, Object> facts(Questionnaire document) {
        Map<ResponseFact, Object> facts = new LinkedHashMap<>();
        facts.put(ResponseFact.RECEIPT, "ABC-" + (100 + random.nextInt(900)) + "-" + (10_000 + random.nextInt(90_000)));
        facts.put(ResponseFact.SENT, TODAY.minusDays(random.nextInt(20)));
        facts.put(ResponseFact.OUTCOME,
                document.outcomes().isEmpty() ? null : document.outcomes().get(random.nextInt(document.outcomes().size())).code());
        facts.put(ResponseFact.RELEASE, BigDecimal.valueOf(1 + random.nextInt(3)));
        facts.put(ResponseFact.LANGUAGE, pick(List.of("en", "fr")));
        facts.put(ResponseFact.STATE, pick(List.of("new", "done")));
        facts.put(ResponseFact.IN_CHARGE, pick(List.of("", "ines", "jory")));
        facts.values().removeIf(v -> v == null || v.equals(""));
        return facts;
    }

    /** Answers and facts by their names in conditions. */
    public Map<String, Object> named(Map<String, Object> answers, Map<ResponseFact, Object> facts) {
        Map<String, Object> named = new LinkedHashMap<>(answers);
        facts.forEach((fact, value) -> named.put(over.codes().get(fact), value));
        return named;
    }

    private void item(Wiring wiring, Item item, Map<String, Object> into) {
        switch (item) {
            case Question q -> {
                Object value = value(q.answer().domain());
                put(into, q.code(), value == null || q.answer().refusal(value, TODAY).isPresent() ? null : value);
            }
            case Derived d -> put(into, d.code(), wiring.type(d.code()).map(this::ofType).orElse(null));
            case Roster r -> {
                List<Map<String, Object>> entries = new ArrayList<>();
                for (int n = random.nextInt(r.most() + 1); n > 0; n--) {
                    Map<String, Object> entry = new LinkedHashMap<>();
                    r.items().forEach(i -> item(wiring, i, entry));
                    entries.add(entry);
                }
                put(into, r.code(), entries.isEmpty() ? null : entries);
            }
            case orthogon.core.questionnaire.Section s -> s.items().forEach(i -> item(wiring, i, into));
            default -> {}
        }
    }

    private void put(Map<String, Object> into, String code, Object value) {
        if (value != null && random.nextInt(4) > 0) {
            into.put(code, value);
        }
    }

    private Object ofType(Type type) {
        return switch (type.kind()) {
            case TRUTH -> random.nextBoolean();
            case NUMBER -> BigDecimal.valueOf(random.nextInt(8));
            case TEXT -> text(List.copyOf(type.options()));
            case DATE -> TODAY.minusDays(random.nextInt(4));
            default -> null;
        };
    }

    private Object value(Domain domain) {
        return switch (domain) {
            case Domain.Truths t -> t.onlyTrue() || random.nextBoolean();
            case Domain.OneOf o -> text(o.options().stream().map(Option::code).toList());
            case Domain.Subset s -> some(s.options());
            case Domain.Orders o -> some(o.options());
            case Domain.Numbers n -> number(n);
            case Domain.Steps s -> BigDecimal.valueOf(s.first() + random.nextInt(s.last() - s.first() + 1));
            case Domain.Dates d -> TODAY.plusDays(random.nextInt(9) - 4);
            case Domain.TimesOfDay t -> LocalTime.of(random.nextInt(24), random.nextInt(60));
            case Domain.FreeTexts t -> pick(List.of("a", "B", "bb", "A", "a%b_", "abab", "\\", "Zażółć"));
            case Domain.TextParts p -> {
                Map<String, Object> parts = new LinkedHashMap<>();
                p.parts().forEach(part -> put(parts, part, pick(List.of("W", "a", "Quill"))));
                yield parts.isEmpty() ? null : parts;
            }
            case Domain.Files f -> List.of(new Attachment("key", "wing.jpg", 10, "image/jpeg"));
            case Domain.Opaque o -> o.example();
            case Domain.EachRow r -> {
                Map<String, Object> rows = new LinkedHashMap<>();
                r.rows().stream().map(GridRow::code).forEach(row -> put(rows, row, value(r.row())));
                yield rows.isEmpty() ? null : rows;
            }
            case Domain.OneRecord r -> {
                Map<String, Object> parts = new LinkedHashMap<>(Map.of(Domain.OneRecord.RECEIPT, "R-" + random.nextInt(3)));
                r.shows().forEach((code, shown) -> put(parts, code, value(shown)));
                yield parts;
            }
            case Domain.Arriving a -> text(a.allowed());
        };
    }

    private Object number(Domain.Numbers n) {
        int least = n.least() == null ? 0 : n.least().intValue();
        int most = Math.max(least, n.most() == null ? least + 9 : Math.min(n.most().intValue(), least + 200));
        return BigDecimal.valueOf(least + random.nextInt(most - least + 1));
    }

    private Object some(List<Option> options) {
        List<String> codes = options.stream().map(Option::code).filter(c -> random.nextBoolean()).toList();
        return codes.isEmpty() ? null : codes;
    }

    private Object text(List<String> of) {
        return of.isEmpty() ? pick(List.of("a", "b")) : pick(of);
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** A condition that can be read; made of those of the document, of the facts, and of the values of its questions. */
    public String condition() {
        return condition(3);
    }

    private String condition(int depth) {
        return switch (depth == 0 ? 6 : random.nextInt(7)) {
            case 0 -> "not(" + condition(depth - 1) + ")";
            case 1, 2 -> "(" + condition(depth - 1) + " and " + condition(depth - 1) + ")";
            case 3 -> "(" + condition(depth - 1) + " or " + condition(depth - 1) + ")";
            case 4 -> random.nextInt(3) > 0 ? simple() : "(if " + simple() + " then " + simple() + " else " + simple() + ")";
            default -> simple();
        };
    }

    private String simple() {
        for (int tries = 0; tries < 50; tries++) {
            String text = random.nextInt(3) == 0 ? ofFacts() : random.nextBoolean() ? ofDocument() : ofQuestion();
            try {
                ResponseFilter.read(over, text, TODAY);
                return text;
            } catch (orthogon.core.questionnaire.Refused e) {
                // Another one.
            }
        }
        return "true";
    }

    private String ofDocument() {
        List<String> texts = Wiring.of(over.document()).wires().stream().filter(w -> w.family().isCondition()).map(Wiring.Wire::text)
                .toList();
        return texts.isEmpty() ? "release = 1" : pick(texts);
    }

    private String ofFacts() {
        return pick(List.of("outcome != \"kept\"", "release >= 2", "in_charge = null", "not(in_charge = \"ines\")", "state = \"new\"",
                "sent >= today() - duration(\"P7D\")", "sent between date(\"2026-11-10\") and today()", "language in (\"fr\", \"pl\")",
                "starts with(receipt, \"ABC-1\")", "answered(in_charge)", "\"jory\" = in_charge", "2 < release"));
    }

    private String ofQuestion() {
        List<Question> questions = over.document().questions().toList();
        String x = pick(questions).code();
        List<String> rosters = over.document().items().filter(Roster.class::isInstance).map(Item::code).toList();
        String list = rosters.isEmpty() ? x : pick(rosters);
        String option = pick(questions).answer().options().stream().findFirst().map(Option::code).orElse("a");
        return pick(List.of("answered(" + x + ")", x + " = null", x + " != null", x + " = \"" + option + "\"", x + " != \"" + option + "\"",
                x + " in (\"" + option + "\", \"bb\")", "list contains(" + x + ", \"" + option + "\")", "contains(" + x + ", \"a%\")",
                "ends with(" + x + ", \"b\")", "not(starts with(" + x + ", \"A\"))", x, x + " = true", x + " > 2", x + " <= 3",
                x + " between 1 and 4", x + " in (1..3]", x + " = 2", x + " >= date(\"2026-11-22\")", x + " < time(\"12:00\")",
                x + " < \"b\"", "string length(" + x + ") > 1", x + " + 1 > 3", "count(" + x + ") = 1", "count(" + x + ") < 2",
                "count(" + list + ") >= 1", "2 > count(" + list + ")", x + ".given = \"W\""));
    }
}
