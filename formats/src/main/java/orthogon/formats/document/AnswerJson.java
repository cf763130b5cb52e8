package orthogon.formats.document;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.DateLimit;
import orthogon.core.questionnaire.IsoNames;
import orthogon.core.questionnaire.Roster;

/** The member {@code answer} of a question, both ways. */
final class AnswerJson {

    private static final long LARGEST_FILE = 1_000_000_000L;

    private AnswerJson() {}

    static Answer read(Json json) {
        String type = json.needed("type");
        return switch (type) {
            case "shortText", "longText" -> text(json, type.equals("longText"));
            case "personName", "postalAddress" -> parts(json, type.equals("postalAddress"));
            case "email" -> new Answer.Contact(Answer.Contact.Kind.EMAIL, "");
            case "phone" -> new Answer.Contact(Answer.Contact.Kind.PHONE, region(json));
            case "webAddress" -> new Answer.Contact(Answer.Contact.Kind.WEB, "");
            case "number" -> new Answer.Numeric(json.number("least"), json.number("most"), json.whole("decimals", 0, 9), json.text("unit"),
                    json.truth("slider"));
            case "rating" -> new Answer.Scale(false, Optional.ofNullable(json.whole("steps", 2, Answer.Scale.MOST_STEPS)).orElse(5),
                    json.text("lowLabel"), json.text("highLabel"),
                    json.oneOf("sign", Answer.StepSign.values(), Answer.StepSign::word, Answer.StepSign.NUMBERS));
            case "likelihood" -> new Answer.Scale(true, 10, json.text("lowLabel"), json.text("highLabel"));
            case "date" -> new Answer.DateAnswer(day(json, "earliest"), day(json, "latest"));
            case "time" -> new Answer.TimeAnswer(time(json, "earliest"), time(json, "latest"));
            case "yesNo" -> new Answer.YesNo(json.text("yes"), json.text("no"));
            case "agreement" -> new Answer.Agreement(json.text("text"));
            case "oneChoice" -> new Answer.OneChoice(options(json, "options", false), layout(json));
            case "manyChoices" -> new Answer.ManyChoices(options(json, "options", true), json.whole("least", 0, 1000),
                    json.whole("most", 0, 1000), layout(json));
            case "grid" -> grid(json);
            case "ranking" -> ranking(json);
            case "file" -> new Answer.FileAnswer(Optional.ofNullable(json.whole("most", 1, 100)).orElse(1), largest(json),
                    json.texts("mediaTypes"));
            case "country", "language" -> iso(json, type.equals("language"));
            case "lookup" -> new Answer.Lookup(json.code("questionnaire"),
                    Optional.ofNullable(json.whole("release", 0, 100_000)).orElse(0), json.texts("shows"), json.truth("mayAdd"));
            case "signature" -> new Answer.Signature();
            case "hidden" -> new Answer.Hidden(json.texts("allowed"));
            default -> {
                if (!type.isEmpty()) {
                    json.fault("type", "there is no answer type \"" + type + "\"");
                }
                json.passOver();
                yield new Answer.TextAnswer(false, null, null);
            }
        };
    }

    private static Answer text(Json json, boolean isLong) {
        Answer.Content content = json.oneOf("only", Answer.Content.values(), Answer.Content::word, Answer.Content.ANY);
        String pattern = json.text("pattern");
        if (!pattern.isEmpty()) {
            try {
                orthogon.core.expression.TextPattern.whole(pattern);
            } catch (IllegalArgumentException e) {
                json.fault("pattern", e.getMessage());
                pattern = "";
            }
        }
        return new Answer.TextAnswer(isLong, json.whole("least", 0, 100_000), json.whole("most", 0, 100_000), content, pattern,
                json.text("example"), json.text("mask"), json.text("placeholder"));
    }

    private static Answer parts(Json json, boolean address) {
        Answer.Parts usual = address ? Answer.Parts.address() : Answer.Parts.name();
        List<String> parts = json.has("parts") ? json.texts("parts") : usual.parts();
        List<String> required = json.has("required") ? json.texts("required") : json.has("parts") ? List.of() : usual.required();
        parts.stream().filter(p -> !usual.known().contains(p))
                .forEach(p -> json.fault("parts", "there is no part \"" + p + "\"; there are " + String.join(", ", usual.known())));
        required.stream().filter(p -> !parts.contains(p))
                .forEach(p -> json.fault("required", "\"" + p + "\" is not among the parts"));
        if (parts.isEmpty()) {
            json.fault("parts", "at least one part is needed");
        }
        return new Answer.Parts(address, parts, required);
    }

    private static String region(Json json) {
        String region = json.text("region");
        if (!region.isEmpty() && !IsoNames.isKnown(false, region)) {
            json.fault("region", "\"" + region + "\" is not the ISO code of a country");
        }
        return region;
    }

    private static Answer grid(Json json) {
        String each = json.text("each");
        if (!each.isEmpty() && !each.equals("one") && !each.equals("many")) {
            json.fault("each", "\"one\" or \"many\" is needed here");
        }
        List<Answer.Grid.GridRow> rows = json.list("rows",
                r -> new Answer.Grid.GridRow(r.code("code"), r.needed("label"), r.text("askWhen")));
        if (rows.isEmpty()) {
            json.fault("rows", "a grid needs at least one row");
        }
        return new Answer.Grid(each.equals("many"), rows, options(json, "columns", each.equals("many")));
    }

    private static Answer ranking(Json json) {
        List<Answer.Option> options = options(json, "options", false);
        options.stream().filter(o -> !o.offerWhen().isEmpty()).findFirst()
                .ifPresent(o -> json.fault("options", "ranked options are always offered; remove \"offerWhen\""));
        return new Answer.Ranking(options, Optional.ofNullable(json.whole("places", 1, 1000)).orElse(Math.max(1, options.size())));
    }

    private static long largest(Json json) {
        Integer bytes = json.whole("largest", 1, (int) LARGEST_FILE);
        return bytes == null ? 5_000_000 : bytes;
    }

    private static Answer iso(Json json, boolean language) {
        List<String> offered = json.texts("offered");
        offered.stream().filter(c -> !IsoNames.isKnown(language, c)).forEach(
                c -> json.fault("offered", "\"" + c + "\" is not the ISO code of a " + (language ? "language" : "country")));
        return new Answer.IsoCode(language, offered);
    }

    private static Answer.Layout layout(Json json) {
        Answer.ShownAs shown = json.oneOf("shownAs", Answer.ShownAs.values(), Answer.ShownAs::word, Answer.ShownAs.RADIO);
        return new Answer.Layout(shown, Optional.ofNullable(json.whole("columns", 1, 4)).orElse(1), json.truth("shuffle"));
    }

    private static DateLimit day(Json json, String member) {
        String text = json.text(member);
        try {
            return text.isEmpty() ? null : DateLimit.parse(text);
        } catch (IllegalArgumentException e) {
            json.fault(member, e.getMessage());
            return null;
        }
    }

    private static LocalTime time(Json json, String member) {
        String text = json.text(member);
        try {
            return text.isEmpty() ? null : LocalTime.parse(text);
        } catch (DateTimeException e) {
            json.fault(member, "\"" + text + "\" is not a time of day: write it as 14:30");
            return null;
        }
    }

    private static List<Answer.Option> options(Json json, String member, boolean many) {
        List<Answer.Option> options = json.list(member, o -> {
            Answer.Option option = new Answer.Option(o.code("code"), o.needed("label"), o.number("score"), o.truth("exclusive"),
                    o.text("offerWhen"), o.truth("other"), o.picture("picture"));
            if (option.exclusive() && !many) {
                o.fault("exclusive", "only options of many choices can be exclusive");
            }
            return option;
        });
        if (options.isEmpty()) {
            json.fault(member, "a choice needs at least one option");
        }
        return options;
    }

    /** Entries of a roster between its two limits. */
    static int[] entries(Json json) {
        int least = Optional.ofNullable(json.whole("least", 0, Roster.MOST_ENTRIES)).orElse(0);
        int most = Optional.ofNullable(json.whole("most", 1, Roster.MOST_ENTRIES)).orElse(Math.max(10, least));
        if (most < least) {
            json.fault("most", "the most entries are fewer than the least");
        }
        return new int[]{least, most};
    }

    static Map<String, Object> write(Answer answer) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("type", answer.type());
        switch (answer) {
            case Answer.TextAnswer t -> {
                put(json, "least", t.least());
                put(json, "most", t.most());
                put(json, "only", t.content() == Answer.Content.ANY ? "" : t.content().word());
                put(json, "pattern", t.pattern());
                put(json, "example", t.example());
                put(json, "mask", t.mask());
                put(json, "placeholder", t.placeholder());
            }
            case Answer.Parts p -> {
                json.put("parts", p.parts());
                put(json, "required", p.required());
            }
            case Answer.Contact c -> put(json, "region", c.region());
            case Answer.Numeric n -> {
                put(json, "least", n.least());
                put(json, "most", n.most());
                put(json, "decimals", n.decimals());
                put(json, "unit", n.unit());
                put(json, "slider", n.slider());
            }
            case Answer.Scale s -> {
                put(json, "steps", s.isLikelihood() ? null : s.last());
                put(json, "lowLabel", s.lowLabel());
                put(json, "highLabel", s.highLabel());
                put(json, "sign", s.sign() == Answer.StepSign.NUMBERS ? "" : s.sign().word());
            }
            case Answer.YesNo y -> {
                put(json, "yes", y.yes());
                put(json, "no", y.no());
            }
            case Answer.Agreement a -> put(json, "text", a.text());
            case Answer.OneChoice c -> {
                layout(json, c.layout());
                json.put("options", options(c.options()));
            }
            case Answer.ManyChoices c -> {
                put(json, "least", c.least());
                put(json, "most", c.most());
                layout(json, c.layout());
                json.put("options", options(c.options()));
            }
            case Answer.Grid g -> {
                put(json, "each", g.many() ? "many" : "");
                json.put("rows", g.rows().stream().map(r -> {
                    Map<String, Object> row = new LinkedHashMap<>();
                    row.put("code", r.code());
                    row.put("label", r.label());
                    put(row, "askWhen", r.askWhen());
                    return row;
                }).toList());
                json.put("columns", options(g.options()));
            }
            case Answer.Ranking r -> {
                json.put("places", r.places());
                json.put("options", options(r.options()));
            }
            case Answer.DateAnswer d -> {
                put(json, "earliest", d.earliest() == null ? null : d.earliest().toString());
                put(json, "latest", d.latest() == null ? null : d.latest().toString());
            }
            case Answer.TimeAnswer t -> {
                put(json, "earliest", t.earliest() == null ? null : t.earliest().toString());
                put(json, "latest", t.latest() == null ? null : t.latest().toString());
            }
            case Answer.FileAnswer f -> {
                json.put("most", f.most());
                json.put("largest", f.largest());
                put(json, "mediaTypes", f.mediaTypes());
            }
            case Answer.IsoCode c -> put(json, "offered", c.offered());
            case Answer.Lookup l -> {
                json.put("questionnaire", l.questionnaire());
                put(json, "release", l.release() == 0 ? null : l.release());
                put(json, "shows", l.shows());
                put(json, "mayAdd", l.mayAdd());
            }
            case Answer.Signature s -> {}
            case Answer.Hidden h -> put(json, "allowed", h.allowed());
        }
        return json;
    }

    private static void layout(Map<String, Object> json, Answer.Layout layout) {
        put(json, "shownAs", layout.shown() == Answer.ShownAs.RADIO ? "" : layout.shown().word());
        put(json, "columns", layout.columns() == 1 ? null : layout.columns());
        put(json, "shuffle", layout.shuffle());
    }

    private static List<Map<String, Object>> options(List<Answer.Option> options) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (Answer.Option o : options) {
            Map<String, Object> json = new LinkedHashMap<>();
            json.put("code", o.code());
            json.put("label", o.label());
            put(json, "score", o.score());
            put(json, "exclusive", o.exclusive());
            put(json, "other", o.other());
            put(json, "picture", o.picture());
            put(json, "offerWhen", o.offerWhen());
            all.add(json);
        }
        return all;
    }

    /** Puts what is neither null, false nor empty. */
    static void put(Map<String, Object> json, String member, Object value) {
        boolean empty = switch (value) {
            case null -> true;
            case Boolean b -> !b;
            case String s -> s.isEmpty();
            case List<?> l -> l.isEmpty();
            case Map<?, ?> m -> m.isEmpty();
            default -> false;
        };
        if (!empty) {
            json.put(member, value);
        }
    }
}
