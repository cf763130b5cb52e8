package orthogon.app.answer.hidden;

import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.hidden.HiddenAnswer;
import orthogon.core.language.OwnWords;

/** Values that come with the link: set by analysts, never shown to respondents. */
public final class HiddenControl implements AnswerControl<HiddenAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.HIDDEN);
    }

    @Override
    public String inShort(HiddenAnswer h) {
        return "hidden" + (h.allowed().isEmpty() ? "" : ", one of " + h.allowed().size());
    }

    @Override
    public List<Setting> settings(HiddenAnswer h) {
        return List.of(Setting.mono("allowed", "Allowed", String.join(" ", h.allowed()),
                "Values that the link may bring, like ?code=value; empty for any."));
    }

    @Override
    public HiddenAnswer set(HiddenAnswer now, SettingsForm form) {
        return new HiddenAnswer(form.words("allowed"));
    }

    @Override
    public DrawnControl drawn(HiddenAnswer h, ShownAnswer shown) {
        throw new IllegalStateException("a hidden question is not shown");
    }

    @Override
    public Object given(HiddenAnswer h, GivenFields fields) {
        return null;
    }

    @Override
    public String inWords(HiddenAnswer h, Object value, OwnWords words) {
        return value.toString();
    }

    @Override
    public Object madeUp(HiddenAnswer h, MadeUp how) {
        return null;
    }
}
