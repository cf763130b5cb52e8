package orthogon.app.answer.agreement;

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
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;

/** A box to tick; a long text to agree to stands above it, in a box that scrolls. */
public final class AgreementControl implements AnswerControl<AgreementAnswer> {

    /** A text of more characters has a box of its own. */
    private static final int LONG_TERMS = 300;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.AGREEMENT);
    }

    @Override
    public String inShort(AgreementAnswer a) {
        return "agreement";
    }

    @Override
    public List<Setting> settings(AgreementAnswer a) {
        return List.of(Setting.text("agreement", "Agreed to", a.text(), "Never ticked beforehand."));
    }

    @Override
    public AgreementAnswer set(AgreementAnswer now, SettingsForm form) {
        return new AgreementAnswer(form.text("agreement"));
    }

    @Override
    public DrawnControl drawn(AgreementAnswer a, ShownAnswer shown) {
        boolean terms = a.text().length() > LONG_TERMS;
        String label = terms
                ? shown.texts().block(a.text(), shown.item())
                : shown.texts().inline(shown.words().or(a.text(), "i_agree"), shown.item());
        return DrawnControl.ofChoices("agreement", terms ? "terms" : "agreement", List.of(
                new OfferedChoice("yes", shown.words().say("i_agree"), label, Boolean.TRUE.equals(shown.value()), false, "")));
    }

    @Override
    public Object given(AgreementAnswer a, GivenFields fields) {
        return fields.typed(typed -> typed.equals("yes") ? Boolean.TRUE : new Unreadable(typed));
    }

    @Override
    public String inWords(AgreementAnswer a, Object value, OwnWords words) {
        return words.say(Boolean.TRUE.equals(value) ? "agreed" : "not_agreed");
    }

    @Override
    public Object madeUp(AgreementAnswer a, MadeUp how) {
        return true;
    }
}
