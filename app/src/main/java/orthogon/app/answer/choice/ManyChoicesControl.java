package orthogon.app.answer.choice;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.stream.Collectors;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** Any of several options, each with a box to tick. */
public final class ManyChoicesControl implements AnswerControl<ManyChoices> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.MANY_CHOICES);
    }

    @Override
    public String inShort(ManyChoices c) {
        return "many of " + c.options().size() + (c.most() != null ? ", ≤ " + c.most() : "");
    }

    @Override
    public List<Setting> settings(ManyChoices c) {
        List<Setting> settings = new ArrayList<>(List.of(Setting.pair("Chosen", "least", c.least(), "most", c.most(), "")));
        settings.addAll(ChoiceLayouts.settings(c.layout(), false));
        return settings;
    }

    @Override
    public ManyChoices set(ManyChoices now, SettingsForm form) throws Refused {
        return new ManyChoices(form.options(), form.whole("least"), form.whole("most"), ChoiceLayouts.read(form));
    }

    @Override
    public DrawnControl drawn(ManyChoices c, ShownAnswer shown) {
        return DrawnControl.ofChoices("choice", "checkbox", shown.choices(ChoiceLayouts.ordered(c.layout(), shown)));
    }

    @Override
    public Object given(ManyChoices c, GivenFields fields) {
        return given(c, fields.values());
    }

    /** The options that were ticked; null for none. */
    public static Object given(ManyChoices c, List<String> ticked) {
        if (ticked.isEmpty()) {
            return null;
        }
        return ticked.stream().allMatch(code -> c.option(code).isPresent())
                ? List.copyOf(new LinkedHashSet<>(ticked))
                : new Unreadable(String.join(", ", ticked));
    }

    @Override
    public String inWords(ManyChoices c, Object value, OwnWords words) {
        return value instanceof List<?> chosen
                ? chosen.stream().map(code -> ChoiceLayouts.label(c, code)).collect(Collectors.joining(", "))
                : ChoiceLayouts.label(c, value);
    }

    @Override
    public String hint(ManyChoices c, LocalDate today, OwnWords words) {
        return c.most() != null && c.most() < c.options().size() ? words.say("hint.choose_most", c.most()) : words.say("hint.choose_all");
    }

    @Override
    public Object madeUp(ManyChoices c, MadeUp how) {
        List<Option> alone = how.offered().stream().filter(Option::exclusive).toList();
        List<String> chosen = new ArrayList<>();
        how.offered().stream().filter(o -> !o.exclusive() && how.random().nextInt(3) == 0).forEach(o -> chosen.add(o.code()));
        if (chosen.isEmpty()) {
            List<Option> one = alone.isEmpty() ? how.offered() : alone;
            return one.isEmpty() ? null : List.of(one.getFirst().code());
        }
        return List.copyOf(chosen.subList(0, Math.min(chosen.size(), c.most() == null ? 3 : c.most())));
    }
}
