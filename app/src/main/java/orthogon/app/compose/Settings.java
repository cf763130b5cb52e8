package orthogon.app.compose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Answer;

/** The settings of an answer type, as fields of the inspector. */
final class Settings {

    /**
     * One field.
     *
     * @param kind {@code text}, {@code mono}, {@code pair}, {@code choose}, {@code tick}, {@code ticks} or {@code lines}
     * @param second the second name of a pair
     * @param choices value to words, for {@code choose} and {@code ticks}
     * @param chosen values that are ticked
     */
    record Setting(String kind, String name, String label, String value, String second, String secondValue, Map<String, String> choices,
            List<String> chosen, String hint) {

        static Setting text(String name, String label, Object value, String hint) {
            return new Setting("text", name, label, shown(value), "", "", Map.of(), List.of(), hint);
        }

        static Setting mono(String name, String label, Object value, String hint) {
            return new Setting("mono", name, label, shown(value), "", "", Map.of(), List.of(), hint);
        }

        static Setting pair(String label, String name, Object value, String second, Object secondValue, String hint) {
            return new Setting("pair", name, label, shown(value), second, shown(secondValue), Map.of(), List.of(), hint);
        }

        static Setting choose(String name, String label, String value, Map<String, String> choices) {
            return new Setting("choose", name, label, value, "", "", choices, List.of(), "");
        }

        static Setting tick(String name, String label, boolean ticked) {
            return new Setting("tick", name, label, ticked ? "true" : "", "", "", Map.of(), List.of(), "");
        }

        static Setting ticks(String name, String label, Map<String, String> choices, List<String> chosen) {
            return new Setting("ticks", name, label, "", "", "", choices, chosen, "");
        }

        private static String shown(Object value) {
            return switch (value) {
                case null -> "";
                case java.math.BigDecimal d -> d.toPlainString();
                default -> value.toString();
            };
        }
    }

    /** Every answer type with its words, for the list in the inspector. */
    static final Map<String, String> TYPES = types();

    private Settings() {}

    private static Map<String, String> types() {
        Map<String, String> types = new LinkedHashMap<>();
        String[] words = {"shortText", "short text", "longText", "long text", "oneChoice", "one choice", "manyChoices", "many choices",
                "yesNo",
                "yes / no", "number", "number", "date", "date", "time", "time", "rating", "rating", "likelihood", "likelihood", "grid",
                "grid",
                "ranking", "ranking", "personName", "person name", "postalAddress", "postal address", "email", "email", "phone", "phone",
                "webAddress", "web address", "country", "country", "language", "language", "file", "file", "agreement", "agreement",
                "signature", "signature", "hidden", "hidden", "lookup", "lookup"};
        for (int i = 0; i < words.length; i += 2) {
            types.put(words[i], words[i + 1]);
        }
        return types;
    }

    private static Map<String, String> words(String... words) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < words.length; i += 2) {
            map.put(words[i], words[i + 1]);
        }
        return map;
    }

    static List<Setting> of(Answer answer) {
        List<Setting> all = new ArrayList<>();
        switch (answer) {
            case Answer.TextAnswer t -> {
                all.add(Setting.pair("Characters", "least", t.least(), "most", t.most(), ""));
                all.add(Setting.choose("only", "Only", t.content().word(),
                        words("any", "any characters", "letters", "letters", "digits", "digits")));
                all.add(Setting.mono("pattern", "Pattern", t.pattern(), "The whole text must match, as in [A-Z]{2}\\d{4}."));
                all.add(Setting.text("example", "Example", t.example(), "Shown where the pattern is not met."));
                all.add(Setting.mono("mask", "Mask", t.mask(), "Guides typing: A is a letter, 9 is a digit, * is either."));
                all.add(Setting.text("placeholder", "Placeholder", t.placeholder(), ""));
            }
            case Answer.Parts p -> {
                Map<String, String> parts = new LinkedHashMap<>();
                p.known().forEach(part -> parts.put(part, part.replace('_', ' ')));
                all.add(Setting.ticks("parts", "Parts", parts, p.parts()));
                all.add(Setting.ticks("requiredParts", "Needed", parts, p.required()));
            }
            case Answer.Contact c when c.kind() == Answer.Contact.Kind.PHONE -> all.add(Setting.mono("region", "Country", c.region(),
                    "ISO code such as GB: its national numbers are understood. Empty: only with + and country code."));
            case Answer.Contact c -> {}
            case Answer.Numeric n -> {
                all.add(Setting.pair("Limits", "least", n.least(), "most", n.most(), ""));
                all.add(Setting.text("decimals", "Decimals", n.decimals(), "Most decimal places; empty for any number."));
                all.add(Setting.text("unit", "Unit", n.unit(), ""));
                all.add(Setting.tick("slider", "Shown as a slider, which starts unanswered", n.slider()));
            }
            case Answer.Scale s -> {
                if (!s.isLikelihood()) {
                    all.add(Setting.text("steps", "Steps", s.last(), "From 1 to this, at most " + Answer.Scale.MOST_STEPS + "."));
                    all.add(Setting.choose("sign", "Shown as", s.sign().word(),
                            words("numbers", "numbers", "squares", "squares", "stars", "stars")));
                }
                all.add(Setting.pair("End labels", "lowLabel", s.lowLabel(), "highLabel", s.highLabel(), ""));
            }
            case Answer.YesNo y -> all.add(Setting.pair("Labels", "yes", y.yes(), "no", y.no(), "Empty for Yes and No."));
            case Answer.Agreement a -> all.add(Setting.text("agreement", "Agreed to", a.text(), "Never ticked beforehand."));
            case Answer.OneChoice c -> layout(all, c.layout(), true);
            case Answer.ManyChoices c -> {
                all.add(Setting.pair("Chosen", "least", c.least(), "most", c.most(), ""));
                layout(all, c.layout(), false);
            }
            case Answer.Grid g -> all.add(Setting.choose("each", "Each row", g.many() ? "many" : "one", words("one", "one choice", "many",
                    "many choices")));
            case Answer.Ranking r -> all.add(Setting.text("places", "Places", r.places(), "How many are put in order."));
            case Answer.DateAnswer d -> all.add(Setting.pair("Limits", "earliest", d.earliest(), "latest", d.latest(),
                    "A date like 2026-11-30, or today, today - 30."));
            case Answer.TimeAnswer t -> all.add(Setting.pair("Limits", "earliest", t.earliest(), "latest", t.latest(), "A time as 14:30."));
            case Answer.FileAnswer f -> {
                all.add(Setting.text("most", "Most files", f.most(), ""));
                all.add(Setting.text("largest", "Each at most", new java.math.BigDecimal(f.largest()).movePointLeft(6).stripTrailingZeros()
                        .toPlainString(), "In megabytes."));
                all.add(Setting.mono("mediaTypes", "Kinds", String.join(" ", f.mediaTypes()),
                        "Media types such as image/* or application/pdf; empty for any."));
            }
            case Answer.IsoCode c -> all.add(Setting.mono("offered", "On offer", String.join(" ", c.offered()),
                    "ISO codes such as " + (c.isLanguage() ? "en fr ar" : "GB FR PL") + "; empty for all."));
            case Answer.Lookup l -> {
                all.add(Setting.mono("questionnaire", "Records of", l.questionnaire(), "Code of the other questionnaire."));
                all.add(Setting.text("release", "Release", l.release() == 0 ? "" : l.release(), "Empty for its newest."));
                all.add(Setting.mono("shows", "Shows", String.join(" ", l.shows()), "Codes of the answers that are shown."));
                all.add(Setting.tick("mayAdd", "May add a new record", l.mayAdd()));
            }
            case Answer.Signature s -> {}
            case Answer.Hidden h -> all.add(Setting.mono("allowed", "Allowed", String.join(" ", h.allowed()),
                    "Values that the link may bring, like ?code=value; empty for any."));
        }
        return all;
    }

    private static void layout(List<Setting> all, Answer.Layout layout, boolean one) {
        Map<String, String> shown = words("radio", "list");
        if (one) {
            shown.put("dropDown", "drop-down");
        }
        shown.put("search", "list with search");
        shown.put("pictures", "pictures");
        all.add(Setting.choose("shownAs", "Shown as", layout.shown().word(), shown));
        Map<String, String> columns = new LinkedHashMap<>();
        Arrays.asList("1", "2", "3", "4").forEach(n -> columns.put(n, n));
        all.add(Setting.choose("columns", "Columns", String.valueOf(layout.columns()), columns));
        all.add(Setting.tick("shuffle", "Shuffle options", layout.shuffle()));
    }
}
