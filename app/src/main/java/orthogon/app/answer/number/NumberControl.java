package orthogon.app.answer.number;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** Numbers in a box, with a slider beside it where one is wanted. */
public final class NumberControl implements AnswerControl<NumberAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.NUMBER);
    }

    @Override
    public String inShort(NumberAnswer n) {
        String unit = n.unit().isEmpty() ? "" : " " + n.unit();
        if (n.least() != null && n.most() != null) {
            return n.least().toPlainString() + "–" + n.most().toPlainString() + unit;
        }
        return "number" + (n.least() != null ? " ≥ " + n.least().toPlainString() : "")
                + (n.most() != null ? " ≤ " + n.most().toPlainString() : "") + unit;
    }

    @Override
    public List<Setting> settings(NumberAnswer n) {
        return List.of(Setting.pair("Limits", "least", n.least(), "most", n.most(), ""),
                Setting.text("decimals", "Decimals", n.decimals(), "Most decimal places; empty for any number."),
                Setting.text("unit", "Unit", n.unit(), ""),
                Setting.tick("slider", "Shown as a slider, which starts unanswered", n.slider()));
    }

    @Override
    public NumberAnswer set(NumberAnswer now, SettingsForm form) throws Refused {
        return new NumberAnswer(form.decimal("least"), form.decimal("most"), form.whole("decimals"), form.text("unit"),
                form.ticked("slider"));
    }

    @Override
    public DrawnControl drawn(NumberAnswer n, ShownAnswer shown) {
        return DrawnControl.box("number", "number", shown.value());
    }

    @Override
    public Object given(NumberAnswer n, GivenFields fields) {
        return fields.number(n.decimals());
    }

    @Override
    public String inWords(NumberAnswer n, Object value, OwnWords words) {
        return value instanceof BigDecimal d ? words.number(d) + (n.unit().isEmpty() ? "" : " " + n.unit()) : value.toString();
    }

    @Override
    public String hint(NumberAnswer n, LocalDate today, OwnWords words) {
        if (n.least() != null && n.most() != null) {
            return words.say("hint.from_to", words.number(n.least()), words.number(n.most()));
        }
        return n.least() != null
                ? words.say("hint.at_least", words.number(n.least()))
                : n.most() != null ? words.say("hint.at_most", words.number(n.most())) : "";
    }

    @Override
    public Object madeUp(NumberAnswer n, MadeUp how) {
        BigDecimal least = n.least() == null ? BigDecimal.ZERO : n.least();
        BigDecimal most = n.most() == null ? least.add(BigDecimal.TEN) : n.most();
        BigDecimal part = most.subtract(least).multiply(BigDecimal.valueOf(how.random().nextDouble() * how.random().nextDouble()));
        return least.add(part).setScale(n.decimals() == null ? 1 : n.decimals(), RoundingMode.FLOOR).max(least);
    }
}
