package orthogon.formats.answer.choice;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Options and how they are laid out, as members of an answer. */
public final class OptionsJson {

    private OptionsJson() {}

    /** The options under a name; a fault where there are none. */
    public static List<Option> read(ReadObject json, String member) {
        List<Option> options = json.list(member, o -> new Option(o.code("code"), o.needed("label"), o.number("score"), o.truth("exclusive"),
                o.text("offerWhen"), o.truth("other"), o.picture("picture")));
        if (options.isEmpty()) {
            json.fault(member, "a choice needs at least one option");
        }
        return options;
    }

    public static void write(WrittenObject json, String member, List<Option> options) {
        json.always(member, options.stream().map(o -> new WrittenObject().always("code", o.code()).always("label", o.label())
                .put("score", o.score()).put("exclusive", o.exclusive()).put("other", o.other()).put("picture", o.picture())
                .put("offerWhen", o.offerWhen()).members()).toList());
    }

    static OptionLayout layout(ReadObject json) {
        return new OptionLayout(
                json.oneOf("shownAs", OptionLayout.ShownAs.values(), OptionLayout.ShownAs::word, OptionLayout.ShownAs.RADIO),
                Optional.ofNullable(json.whole("columns")).orElse(1), json.truth("shuffle"));
    }

    static void layout(WrittenObject json, OptionLayout layout) {
        json.put("shownAs", layout.shown() == OptionLayout.ShownAs.RADIO ? "" : layout.shown().word())
                .put("columns", layout.columns() == 1 ? null : layout.columns()).put("shuffle", layout.shuffle());
    }
}
