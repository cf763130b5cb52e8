package orthogon.app.answer.choice;

import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.OfferedChoice;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout.ShownAs;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** One option of a list, a drop-down, a list with search, or pictures. */
public final class OneChoiceControl implements AnswerControl<OneChoice> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.ONE_CHOICE);
    }

    @Override
    public String inShort(OneChoice c) {
        return "one of " + c.options().size() + switch (c.layout().shown()) {
            case RADIO -> "";
            case DROP_DOWN -> ", list";
            case SEARCH -> ", search";
            case PICTURES -> ", pictures";
        };
    }

    @Override
    public List<Setting> settings(OneChoice c) {
        return ChoiceLayouts.settings(c.layout(), true);
    }

    @Override
    public OneChoice set(OneChoice now, SettingsForm form) throws Refused {
        return new OneChoice(form.options().stream().map(o -> o.withExclusive(false)).toList(), ChoiceLayouts.read(form));
    }

    @Override
    public DrawnControl drawn(OneChoice c, ShownAnswer shown) {
        List<OfferedChoice> choices = shown.choices(ChoiceLayouts.ordered(c.layout(), shown));
        return switch (c.layout().shown()) {
            case DROP_DOWN -> DrawnControl.list("choice", "dropDown", choices, "");
            case SEARCH -> DrawnControl.list("choice", "search", choices, searched(choices, shown.value()));
            case RADIO, PICTURES -> DrawnControl.ofChoices("choice", "radio", choices);
        };
    }

    /** What stands in the box of a searchable list: the label of what was chosen, or what was typed. */
    private static String searched(List<OfferedChoice> choices, Object value) {
        return choices.stream().filter(OfferedChoice::chosen).map(OfferedChoice::label).findFirst().orElse(DrawnControl.typed(value));
    }

    /** What is on offer may hang on an answer of the same page, so that the interview decides it. */
    @Override
    public Object given(OneChoice c, GivenFields fields) {
        return fields.typed(typed -> c.option(typed).isPresent() ? typed : byLabel(c, typed));
    }

    /** In a searchable list what is typed is the label. */
    private static Object byLabel(OneChoice c, String typed) {
        return c.options().stream().filter(o -> c.layout().shown() == ShownAs.SEARCH && o.label().equalsIgnoreCase(typed))
                .<Object>map(Option::code).findFirst().orElse(new Unreadable(typed));
    }

    @Override
    public String inWords(OneChoice c, Object value, OwnWords words) {
        return ChoiceLayouts.label(c, value);
    }

    @Override
    public Object madeUp(OneChoice c, MadeUp how) {
        return how.option();
    }
}
