package orthogon.app.answer.choice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.questionnaire.Refused;

/** What choices of one and of many share: layout, order, labels. */
public final class ChoiceLayouts {

    private ChoiceLayouts() {}

    static List<Setting> settings(OptionLayout layout, boolean one) {
        Map<String, String> shown = Setting.words("radio", "list");
        if (one) {
            shown.put("dropDown", "drop-down");
        }
        shown.put("search", "list with search");
        shown.put("pictures", "pictures");
        Map<String, String> columns = new LinkedHashMap<>();
        IntStream.rangeClosed(1, OptionLayout.MOST_COLUMNS).mapToObj(String::valueOf).forEach(n -> columns.put(n, n));
        return List.of(Setting.choose("shownAs", "Shown as", layout.shown().word(), shown),
                Setting.choose("columns", "Columns", String.valueOf(layout.columns()), columns),
                Setting.tick("shuffle", "Shuffle options", layout.shuffle()));
    }

    static OptionLayout read(SettingsForm form) throws Refused {
        return new OptionLayout(form.chosen("shownAs", OptionLayout.ShownAs.values(), OptionLayout.ShownAs::word),
                form.whole("columns") == null ? 1 : form.whole("columns"), form.ticked("shuffle"));
    }

    /** Shuffled for each respondent where the layout says so; what stands alone, and "other", stays last. */
    static List<Option> ordered(OptionLayout layout, ShownAnswer shown) {
        List<Option> offered = shown.item().offered();
        if (!layout.shuffle()) {
            return offered;
        }
        List<Option> mixed = new ArrayList<>(offered.stream().filter(o -> !o.exclusive() && !o.other()).toList());
        Collections.shuffle(mixed, new Random(shown.seed() * 31 + shown.slot().hashCode()));
        offered.stream().filter(o -> o.exclusive() || o.other()).forEach(mixed::add);
        return mixed;
    }

    /** The label of a chosen option, or what stands for it. */
    public static String label(Answer answer, Object code) {
        return answer.option(code.toString()).map(Option::label).orElse(code.toString());
    }
}
