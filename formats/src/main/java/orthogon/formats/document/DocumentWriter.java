package orthogon.formats.document;

import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.formats.answer.kinds.AnswerFormats;
import static orthogon.formats.json.WrittenObject.put;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
            put(outcome, "redirect", o.redirect());
            put(outcome, "carries", new LinkedHashMap<String, Object>(o.carries()));
            put(outcome, "takeAlong", o.takeAlong());
            return outcome;
        }).toList());
        json.put("outcomeTable", document.outcomeTable().stream().map(r -> rule(r.when(), "outcome", r.outcome())).toList());
        put(json, "claims", document.claims().stream().map(c -> {
            Map<String, Object> claim = object("claim", c.code());
            claim.put("says", c.says().word());
            claim.put("that", c.that());
            return claim;
        }).toList());
        put(json, "messages", document.messages().stream().map(DispatchWriter::message).toList());
        put(json, "passages", document.passages().stream().map(DispatchWriter::passage).toList());
        put(json, "followUps", document.followUps().stream().map(DispatchWriter::followUp).toList());
        put(json, "presentation", presentation(document.presentation()));
        put(json, "burdenLimit", burden(document.burden()));
        if (!document.notes().isEmpty()) {
            json.put("translatorNotes", document.notes());
        }
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

    static Map<String, Object> object(String member, Object value) {
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
                put(json, "reword", reword(n.reword()));
                yield json;
            }
            case Roster r -> {
                Map<String, Object> json = object("roster", r.code());
                put(json, "title", r.title());
                put(json, "entryTitle", r.entryTitle());
                put(json, "askWhen", r.askWhen());
                json.put("least", r.least());
                json.put("most", r.most());
                r.count().each((family, text) -> put(json, family, text));
                json.put("items", items(r.items()));
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
        json.put("answer", AnswerFormats.write(q.answer()));
        put(json, "requireWhen", q.requireWhen());
        put(json, "lockWhen", q.lockWhen());
        put(json, "startWith", q.startWith());
        put(json, "accept", q.accept().stream().map(a -> {
            Map<String, Object> accept = object("when", a.when());
            put(accept, "message", a.message());
            return accept;
        }).toList());
        put(json, "reword", reword(q.reword()));
        if (q.keepWhenHidden()) {
            json.put("keepWhenHidden", true);
        }
        if (q.personal()) {
            json.put("personal", true);
        }
        return json;
    }

    private static List<Map<String, Object>> reword(List<Reword> rewords) {
        return rewords.stream().map(r -> {
            Map<String, Object> reword = object("when", r.when());
            put(reword, "wording", r.wording());
            put(reword, "help", r.help());
            put(reword, "labels", r.labels());
            return reword;
        }).toList();
    }

    private static Map<String, Object> burden(Burden limit) {
        Map<String, Object> json = new LinkedHashMap<>();
        put(json, "questions", limit.questions());
        put(json, "words", limit.words());
        put(json, "minutes", limit.minutes());
        return json;
    }

    private static Map<String, Object> presentation(Presentation p) {
        Map<String, Object> json = new LinkedHashMap<>();
        Map<String, Object> welcome = new LinkedHashMap<>();
        put(welcome, "heading", p.welcome().heading());
        put(welcome, "text", p.welcome().text());
        put(welcome, "picture", p.welcome().picture());
        put(json, "welcome", welcome);
        Map<String, Object> buttons = new LinkedHashMap<>();
        put(buttons, "next", p.buttons().next());
        put(buttons, "back", p.buttons().back());
        put(buttons, "send", p.buttons().send());
        put(json, "buttons", buttons);
        put(json, "messages", p.messages());
        Presentation.Theme t = p.theme();
        Map<String, Object> theme = new LinkedHashMap<>();
        put(theme, "colour", t.colour());
        put(theme, "background", t.background());
        put(theme, "logo", t.logo());
        put(theme, "typeSize", t.typeSize() == 100 ? null : t.typeSize());
        put(theme, "progress", t.progress() == Presentation.ProgressStyle.BAR ? "" : t.progress().word());
        put(theme, "oneAtATime", t.oneAtATime());
        put(json, "theme", theme);
        Presentation.Navigation n = p.navigation();
        Map<String, Object> navigation = new LinkedHashMap<>();
        put(navigation, "steps", n.steps() == Presentation.StepLabel.TITLE ? "" : n.steps().word());
        put(navigation, "check", n.check() == Presentation.Check.PAGE ? "" : n.check().word());
        put(navigation, "reviewLeftOut", n.reviewLeftOut());
        put(navigation, "redirectAtOnce", n.redirectAtOnce());
        put(json, "navigation", navigation);
        return json;
    }
}
