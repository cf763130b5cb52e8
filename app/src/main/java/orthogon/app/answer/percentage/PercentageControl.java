package orthogon.app.answer.percentage;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Pattern;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** A number with its sign in a box, with a slider beside it where one is wanted. */
public final class PercentageControl implements AnswerControl<PercentageAnswer> {

    private static final Pattern SIGN = Pattern.compile("[%\u066A\u200E\u200F\u061C\\s]+$|^[%\u066A\u200E\u200F\u061C\\s]+");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERCENTAGE);
    }

    @Override
    public String inShort(PercentageAnswer p) {
        return "0–100 %" + (p.slider() ? ", slider" : "");
    }

    @Override
    public List<Setting> settings(PercentageAnswer p) {
        return List.of(Setting.text("decimals", "Decimals", p.decimals(), "Most decimal places."),
                Setting.tick("slider", "Shown as a slider, which starts unanswered", p.slider()));
    }

    @Override
    public PercentageAnswer set(PercentageAnswer now, SettingsForm form) throws Refused {
        return new PercentageAnswer(form.whole("decimals") == null ? 0 : form.whole("decimals"), form.ticked("slider"));
    }

    @Override
    public DrawnControl drawn(PercentageAnswer p, ShownAnswer shown) {
        return DrawnControl.box("percentage", "percentage", shown.value());
    }

    /** The sign may be typed too, in front or behind, as may be the marks of direction that come with it in Arabic. */
    @Override
    public Object given(PercentageAnswer p, GivenFields fields) {
        return fields.number(p.decimals(), typed -> SIGN.matcher(typed).replaceAll(""));
    }

    @Override
    public String inWords(PercentageAnswer p, Object value, OwnWords words) {
        return value instanceof BigDecimal d ? words.percentage(d) : value.toString();
    }

    @Override
    public String hint(PercentageAnswer p, LocalDate today, OwnWords words) {
        return words.say("hint.from_to", words.number(PercentageAnswer.LEAST), words.number(PercentageAnswer.MOST));
    }

    @Override
    public Object madeUp(PercentageAnswer p, MadeUp how) {
        return BigDecimal.valueOf(how.random().nextDouble() * 100).setScale(p.decimals(), RoundingMode.FLOOR);
    }
}
