package orthogon.formats.document;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Writes a document file: members in the order of the design, one text per line, nothing that is empty. */
public final class DocumentWriter {

    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT)
            .enable(tools.jackson.core.StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
            .defaultPrettyPrinter(new DefaultPrettyPrinter().withArrayIndenter(DefaultIndenter.SYSTEM_LINEFEED_INSTANCE.withLinefeed("\n"))
                    .withObjectIndenter(DefaultIndenter.SYSTEM_LINEFEED_INSTANCE.withLinefeed("\n")))
            .build();

    private DocumentWriter() {}

    public static String write(Questionnaire document) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", DocumentReader.VERSION);
        json.put("code", document.code());
        json.put("title", document.title());
        json.put("sourceLanguage", document.sourceLanguage());
        json.put("languages", document.languages());
        put(json, "linkParameters", document.linkParameters().stream().map(p -> {
            Map<String, Object> parameter = object("code", p.code());
            put(parameter, "allowed", p.allowed());
            return parameter;
        }).toList());
        json.put("pages", document.pages().stream().map(DocumentWriter::page).toList());
        json.put("outcomes", document.outcomes().stream().map(o -> {
            Map<String, Object> outcome = object("code", o.code());
            outcome.put("label", o.label());
            put(outcome, "closing", o.closing());
            return outcome;
        }).toList());
        json.put("outcomeTable", document.outcomeTable().stream().map(r -> rule(r.when(), "outcome", r.outcome())).toList());
        put(json, "claims", document.claims().stream().map(c -> {
            Map<String, Object> claim = object("claim", c.code());
            claim.put("says", c.says().word());
            claim.put("that", c.that());
            return claim;
        }).toList());
        Map<String, Object> translations = new LinkedHashMap<>();
        document.translations().forEach((language, units) -> {
            Map<String, Object> ofLanguage = new LinkedHashMap<>();
            units.forEach((unit, t) -> {
                Map<String, Object> translation = object("text", t.text());
                translation.put("state", t.state());
                put(translation, "of", t.of());
                ofLanguage.put(unit, translation);
            });
            translations.put(language, ofLanguage);
        });
        put(json, "translations", translations);
        return MAPPER.writeValueAsString(json) + "\n";
    }

    private static Map<String, Object> object(String member, Object value) {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put(member, value);
        return object;
    }

    private static Map<String, Object> rule(String when, String member, String value) {
        Map<String, Object> rule = new LinkedHashMap<>();
        put(rule, "when", when);
        rule.put(member, value);
        return rule;
    }

    private static void put(Map<String, Object> json, String member, Object value) {
        boolean empty = value == null || value instanceof String s && s.isEmpty() || value instanceof Collection<?> c && c.isEmpty()
                || value instanceof Map<?, ?> m && m.isEmpty();
        if (!empty) {
            json.put(member, value);
        }
    }

    private static Map<String, Object> page(Page page) {
        Map<String, Object> json = object("code", page.code());
        put(json, "title", page.title());
        put(json, "introduction", page.introduction());
        put(json, "openWhen", page.openWhen());
        json.put("items", items(page.items()));
        put(json, "finish", page.finish().stream().map(f -> rule(f.when(), "outcome", f.outcome())).toList());
        put(json, "skip", page.skip().stream().map(s -> rule(s.when(), "to", s.to())).toList());
        return json;
    }

    private static List<Map<String, Object>> items(List<Item> items) {
        return items.stream().map(DocumentWriter::item).toList();
    }

    private static Map<String, Object> item(Item item) {
        return switch (item) {
            case Question q -> question(q);
            case Note n -> {
                Map<String, Object> json = object("note", n.code());
                put(json, "askWhen", n.askWhen());
                json.put("wording", n.wording());
                yield json;
            }
            case Section s -> {
                Map<String, Object> json = object("section", s.code());
                put(json, "title", s.title());
                put(json, "askWhen", s.askWhen());
                json.put("items", items(s.items()));
                yield json;
            }
            case Derived d -> {
                Map<String, Object> json = object("derived", d.code());
                json.put("derive", d.derive());
                yield json;
            }
        };
    }

    private static Map<String, Object> question(Question q) {
        Map<String, Object> json = object("question", q.code());
        json.put("wording", q.wording());
        put(json, "help", q.help());
        put(json, "askWhen", q.askWhen());
        json.put("answer", answer(q.answer()));
        put(json, "requireWhen", q.requireWhen());
        put(json, "lockWhen", q.lockWhen());
        put(json, "startWith", q.startWith());
        put(json, "accept", q.accept().stream().map(a -> {
            Map<String, Object> accept = object("when", a.when());
            put(accept, "message", a.message());
            return accept;
        }).toList());
        put(json, "reword", q.reword().stream().map(r -> {
            Map<String, Object> reword = object("when", r.when());
            put(reword, "wording", r.wording());
            put(reword, "help", r.help());
            return reword;
        }).toList());
        if (q.keepWhenHidden()) {
            json.put("keepWhenHidden", true);
        }
        return json;
    }

    private static Map<String, Object> answer(Answer answer) {
        Map<String, Object> json = object("type", answer.type());
        switch (answer) {
            case Answer.Text t -> {
                put(json, "least", t.least());
                put(json, "most", t.most());
            }
            case Answer.Numeric n -> {
                put(json, "least", n.least());
                put(json, "most", n.most());
                put(json, "decimals", n.decimals());
                put(json, "unit", n.unit());
            }
            case Answer.YesNo y -> {}
            case Answer.OneChoice c -> {
                if (c.dropDown()) {
                    json.put("shownAs", "dropDown");
                }
                json.put("options", options(c.options()));
            }
            case Answer.ManyChoices c -> {
                put(json, "least", c.least());
                put(json, "most", c.most());
                json.put("options", options(c.options()));
            }
            case Answer.DateAnswer d -> {
                put(json, "earliest", d.earliest() == null ? null : d.earliest().toString());
                put(json, "latest", d.latest() == null ? null : d.latest().toString());
            }
        }
        return json;
    }

    private static List<Map<String, Object>> options(List<Answer.Option> options) {
        return options.stream().map(o -> {
            Map<String, Object> json = object("code", o.code());
            json.put("label", o.label());
            BigDecimal score = o.score();
            put(json, "score", score);
            if (o.exclusive()) {
                json.put("exclusive", true);
            }
            put(json, "offerWhen", o.offerWhen());
            return json;
        }).toList();
    }
}
