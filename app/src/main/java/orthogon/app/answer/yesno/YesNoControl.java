package orthogon.app.answer.yesno;

import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;

/** Yes or no, one below the other. */
public final class YesNoControl implements AnswerControl<YesNoAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.YES_NO);
    }

    @Override
    public String inShort(YesNoAnswer y) {
        return "yes / no";
    }

    @Override
    public List<Setting> settings(YesNoAnswer y) {
        return List.of(Setting.pair("Labels", "yes", y.yes(), "no", y.no(), "Empty for Yes and No."));
    }

    @Override
    public YesNoAnswer set(YesNoAnswer now, SettingsForm form) {
        return new YesNoAnswer(form.text("yes"), form.text("no"));
    }

    @Override
    public DrawnControl drawn(YesNoAnswer y, ShownAnswer shown) {
        return DrawnControl.ofChoices("choice", "radio",
                List.of(shown.choice("yes", shown.words().or(y.yes(), "yes"), Boolean.TRUE.equals(shown.value())),
                        shown.choice("no", shown.words().or(y.no(), "no"), Boolean.FALSE.equals(shown.value()))));
    }

    @Override
    public Object given(YesNoAnswer y, GivenFields fields) {
        return fields.typed(typed -> switch (typed) {
            case "yes" -> Boolean.TRUE;
            case "no" -> Boolean.FALSE;
            default -> new Unreadable(typed);
        });
    }

    @Override
    public String inWords(YesNoAnswer y, Object value, OwnWords words) {
        return value instanceof Boolean b ? b ? words.or(y.yes(), "yes") : words.or(y.no(), "no") : value.toString();
    }

    @Override
    public Object madeUp(YesNoAnswer y, MadeUp how) {
        return how.random().nextInt(100) < how.oftenYes();
    }
}
