package orthogon.formats.document;

import orthogon.core.answer.Answer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.EntryCount;
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
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.json.UnusableFile.FileFault;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;

/** Reads a document file. */
public final class DocumentReader {

    /** The version of the format that this reader knows. */
    public static final int VERSION = 1;
    private static final int LARGEST = 8 << 20;
    private static final int DEEPEST_SECTIONS = 8;
    static final ObjectMapper MAPPER = JsonMapper
            .builder(JsonFactory.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(60).build()).build())
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS).enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS).build();

    private final List<FileFault> faults = new ArrayList<>();

    private DocumentReader() {}

    public static Questionnaire read(byte[] file) throws UnusableFile {
        if (file.length > LARGEST) {
            throw new UnusableFile(List.of(new FileFault("", "the file is larger than 8 MB")));
        }
        return read(new String(file, StandardCharsets.UTF_8));
    }

    /** @throws UnusableFile with every fault found, each with its JSON Pointer */
    public static Questionnaire read(String text) throws UnusableFile {
        JsonNode node;
        try {
            node = MAPPER.readTree(text.startsWith("\ufeff") ? text.substring(1) : text);
        } catch (JacksonException e) {
            String place = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
            throw new UnusableFile(List.of(new FileFault("", "this is not JSON" + place + ": " + e.getOriginalMessage())));
        }
        if (node == null || !node.isObject()) {
            throw new UnusableFile(List.of(new FileFault("", "a document is one JSON object { }")));
        }
        JsonNode version = node.get("orthogon");
        if (version == null || !version.isInt()) {
            throw new UnusableFile(List.of(new FileFault("/orthogon", "the format's version is missing; it is \"orthogon\": " + VERSION)));
        }
        if (version.asInt() != VERSION) {
            throw new UnusableFile(List.of(new FileFault("/orthogon", version.asInt() > VERSION
                    ? "this file was written by a later Orthogon (format " + version.asInt() + "); this one reads format " + VERSION
                    : "there is no format " + version.asInt() + "; this Orthogon reads format " + VERSION)));
        }
        DocumentReader reader = new DocumentReader();
        ReadObject json = new ReadObject(node, "", reader.faults);
        json.number("orthogon");
        Questionnaire document = reader.document(json);
        json.close();
        if (!reader.faults.isEmpty()) {
            throw new UnusableFile(reader.faults);
        }
        return document;
    }

    private Questionnaire document(ReadObject json) {
        String code = json.code("code");
        String title = json.needed("title");
        String source = json.has("sourceLanguage") ? json.text("sourceLanguage") : "en";
        List<String> languages = json.has("languages") ? json.texts("languages") : List.of(source);
        if (!languages.contains(source)) {
            json.fault(json.has("languages") ? "languages" : "sourceLanguage",
                    "the source language " + source + " is not among the languages");
        }
        List<Questionnaire.LinkParameter> parameters = json.list("linkParameters",
                p -> new Questionnaire.LinkParameter(p.code("code"), p.texts("allowed")));
        List<Page> pages = json.list("pages", this::page);
        if (pages.isEmpty()) {
            json.fault("pages", "a questionnaire needs at least one page");
        }
        List<Questionnaire.Outcome> outcomes = json.list("outcomes",
                o -> new Questionnaire.Outcome(o.code("code"), o.needed("label"), o.text("closing"), o.text("redirect"),
                        carried(o, "carries"), o.text("takeAlong")));
        List<Questionnaire.OutcomeRow> table = json.list("outcomeTable",
                r -> new Questionnaire.OutcomeRow(r.text("when"), r.needed("outcome")));
        List<Questionnaire.OwnClaim> claims = json.list("claims", c -> {
            String name = c.code("claim");
            String says = c.needed("says");
            if (!says.isEmpty() && !says.equals("always") && !says.equals("never")) {
                c.fault("says", "\"always\" or \"never\" is needed here");
            }
            return new Questionnaire.OwnClaim(name, says.equals("never") ? Questionnaire.Says.NEVER : Questionnaire.Says.ALWAYS,
                    c.needed("that"));
        });
        return new Questionnaire(code, title, source, languages, parameters, pages, outcomes, table, claims, translations(json, languages),
                presentation(json.object("presentation")), burden(json.object("burdenLimit")), notes(json),
                DispatchReader.read(json));
    }

    /** Names of parameters to the codes that they take. */
    private static Map<String, String> carried(ReadObject json, String member) {
        Map<String, String> carried = new LinkedHashMap<>();
        ReadObject object = json.object(member);
        if (object != null) {
            object.names().forEach(name -> carried.put(name, object.needed(name)));
            object.close();
            if (carried.size() > Questionnaire.Outcome.MOST_CARRIED) {
                json.fault(member, "an address takes at most " + Questionnaire.Outcome.MOST_CARRIED + " answers");
            }
        }
        return carried;
    }

    private Map<String, Map<String, Questionnaire.Translation>> translations(ReadObject json, List<String> languages) {
        Map<String, Map<String, Questionnaire.Translation>> all = new LinkedHashMap<>();
        ReadObject object = json.object("translations");
        if (object == null) {
            return all;
        }
        for (String language : object.names()) {
            Map<String, Questionnaire.Translation> units = new LinkedHashMap<>();
            ReadObject ofLanguage = object.object(language);
            if (!languages.contains(language)) {
                object.fault(language, "this language is not among the languages of the document");
            }
            for (String unit : ofLanguage.names()) {
                ReadObject translation = ofLanguage.object(unit);
                String state = translation.has("state") ? translation.text("state") : "draft";
                if (!state.equals("draft") && !state.equals("reviewed")) {
                    translation.fault("state", "\"draft\" or \"reviewed\" is needed here");
                }
                units.put(unit, new Questionnaire.Translation(translation.needed("text"), state, translation.text("of")));
                translation.close();
            }
            all.put(language, units);
        }
        return all;
    }

    private static Map<String, String> notes(ReadObject json) {
        Map<String, String> notes = new LinkedHashMap<>();
        ReadObject object = json.object("translatorNotes");
        if (object != null) {
            object.names().forEach(unit -> notes.put(unit, object.text(unit)));
            object.close();
        }
        return notes;
    }

    private static Burden burden(ReadObject json) {
        if (json == null) {
            return Burden.ANY;
        }
        Burden burden = new Burden(json.whole("questions", 1, 100_000), json.whole("words", 1, 10_000_000),
                json.whole("minutes", 1, 100_000));
        json.close();
        return burden;
    }

    private static Presentation presentation(ReadObject json) {
        if (json == null) {
            return Presentation.PLAIN;
        }
        ReadObject welcome = json.object("welcome");
        ReadObject buttons = json.object("buttons");
        ReadObject messages = json.object("messages");
        ReadObject theme = json.object("theme");
        ReadObject navigation = json.object("navigation");
        Map<String, String> texts = new LinkedHashMap<>();
        if (messages != null) {
            for (String kind : Presentation.MESSAGES) {
                String text = messages.text(kind);
                if (!text.isEmpty()) {
                    texts.put(kind, text);
                }
            }
            messages.close();
        }
        Presentation presentation = new Presentation(
                welcome == null
                        ? Presentation.Welcome.NONE
                        : new Presentation.Welcome(welcome.text("heading"), welcome.text("text"), welcome.picture("picture")),
                buttons == null
                        ? Presentation.Buttons.USUAL
                        : new Presentation.Buttons(buttons.text("next"), buttons.text("back"), buttons.text("send")),
                texts, theme == null ? Presentation.Theme.PLAIN : theme(theme),
                navigation == null ? Presentation.Navigation.USUAL : navigation(navigation));
        for (ReadObject each : new ReadObject[]{welcome, buttons, theme, navigation, json}) {
            if (each != null) {
                each.close();
            }
        }
        return presentation;
    }

    private static Presentation.Theme theme(ReadObject theme) {
        Integer size = theme.whole("typeSize", 80, 160);
        return new Presentation.Theme(theme.colour("colour"), theme.colour("background"), theme.picture("logo"), size == null ? 100 : size,
                theme.oneOf("progress", Presentation.ProgressStyle.values(), Presentation.ProgressStyle::word,
                        Presentation.ProgressStyle.BAR),
                theme.truth("oneAtATime"));
    }

    private static Presentation.Navigation navigation(ReadObject navigation) {
        return new Presentation.Navigation(
                navigation.oneOf("steps", Presentation.StepLabel.values(), Presentation.StepLabel::word, Presentation.StepLabel.TITLE),
                navigation.oneOf("check", Presentation.Check.values(), Presentation.Check::word, Presentation.Check.PAGE),
                navigation.truth("reviewLeftOut"), navigation.truth("redirectAtOnce"));
    }

    private Page page(ReadObject json) {
        String code = json.code("code");
        return new Page(code, json.text("title"), json.text("introduction"), json.text("openWhen"), json.list("items", i -> item(i, 1)),
                json.list("finish", f -> new Page.Finish(f.text("when"), f.needed("outcome"))),
                json.list("skip", s -> new Page.Skip(s.text("when"), s.needed("to"))));
    }

    private Item item(ReadObject json, int depth) {
        if (depth > DEEPEST_SECTIONS) {
            json.fault("", "sections are nested deeper than " + DEEPEST_SECTIONS + " levels");
            return null;
        }
        if (json.has("question")) {
            return question(json);
        }
        if (json.has("note")) {
            return new Note(json.code("note"), json.needed("wording"), json.text("askWhen"), reword(json));
        }
        if (json.has("section")) {
            return new Section(json.code("section"), json.text("title"), json.text("askWhen"), json.list("items", i -> item(i, depth + 1)));
        }
        if (json.has("derived")) {
            return new Derived(json.code("derived"), json.needed("derive"));
        }
        if (json.has("roster")) {
            int[] entries = entries(json);
            return new Roster(json.code("roster"), json.text("title"), json.text("entryTitle"), json.text("askWhen"), entries[0],
                    entries[1], count(json), json.list("items", i -> entryItem(i, depth + 1)));
        }
        json.fault("", "an item is a \"question\", a \"note\", a \"section\", a \"roster\" or a \"derived\"");
        json.passOver();
        return null;
    }

    private static EntryCount count(ReadObject json) {
        EntryCount count = EntryCount.FREE.with((family, none) -> json.text(family));
        if (count.isContradictory()) {
            json.fault(RuleFamily.AS_MANY.key(),
                    "a roster with as many entries as an answer says has no other bounds worked out of answers");
        }
        return count;
    }

    /** A roster cannot stand in a roster, nor a hidden question, whose one value comes with the link. */
    private Item entryItem(ReadObject json, int depth) {
        Item item = item(json, depth);
        if (item != null && item.withInner().anyMatch(i -> i instanceof Roster)) {
            json.fault("", "a roster cannot stand in a roster");
        }
        if (item != null && item.withInner().anyMatch(i -> i instanceof Question q && q.isHidden())) {
            json.fault("", "a hidden question cannot stand in a roster");
        }
        return item;
    }

    private static List<Reword> reword(ReadObject json) {
        return json.list("reword", r -> {
            Map<String, String> labels = new LinkedHashMap<>();
            ReadObject object = r.object("labels");
            if (object != null) {
                object.names().forEach(option -> labels.put(option, object.text(option)));
                object.close();
            }
            return new Reword(r.needed("when"), r.text("wording"), r.text("help"), labels);
        });
    }

    private Question question(ReadObject json) {
        String code = json.code("question");
        ReadObject answerJson = json.object("answer");
        Answer answer = new TextAnswer(false, null, null);
        if (answerJson == null) {
            json.fault("", "the member \"answer\" is missing");
        } else if (answerJson.isObject()) {
            answer = AnswerFormats.read(answerJson);
            answerJson.close();
        }
        Question question = new Question(code, json.needed("wording"), json.text("help"), answer, json.text("askWhen"),
                json.text("requireWhen"), json.text("lockWhen"), json.text("startWith"),
                json.list("accept", a -> new Question.Accept(a.needed("when"), a.text("message"))), reword(json),
                json.truth("keepWhenHidden"), json.truth("personal"));
        if (question.isHidden() && question.ruleCount() + question.startWith().length() > 0) {
            json.fault("", "a hidden question takes its value from the link and can have no conditions");
        }
        return question;
    }

    /** Entries of a roster between its two limits. */
    private static int[] entries(ReadObject json) {
        int least = Optional.ofNullable(json.whole("least", 0, Roster.MOST_ENTRIES)).orElse(0);
        int most = Optional.ofNullable(json.whole("most", 1, Roster.MOST_ENTRIES)).orElse(Math.max(10, least));
        if (most < least) {
            json.fault("most", "the most entries are fewer than the least");
        }
        return new int[]{least, most};
    }
}
