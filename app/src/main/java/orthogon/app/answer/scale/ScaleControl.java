package orthogon.app.answer.scale;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.scale.StepSign;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** Steps in a row, as numbers or as signs. */
public final class ScaleControl implements AnswerControl<ScaleAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RATING, AnswerKind.LIKELIHOOD);
    }

    @Override
    public String inShort(ScaleAnswer s) {
        return s.kind().words() + " " + s.first() + "–" + s.last();
    }

    @Override
    public List<Setting> settings(ScaleAnswer s) {
        List<Setting> settings = new ArrayList<>();
        if (!s.isLikelihood()) {
            settings.add(Setting.text("steps", "Steps", s.last(), "From 1 to this, at most " + ScaleAnswer.MOST_STEPS + "."));
            settings.add(Setting.choose("sign", "Shown as", s.sign().word(),
                    Setting.words("numbers", "numbers", "squares", "squares", "stars", "stars")));
        }
        settings.add(Setting.pair("End labels", "lowLabel", s.lowLabel(), "highLabel", s.highLabel(), ""));
        return settings;
    }

    @Override
    public ScaleAnswer set(ScaleAnswer now, SettingsForm form) throws Refused {
        Integer steps = now.isLikelihood() ? Integer.valueOf(now.last()) : form.whole("steps");
        if (steps == null) {
            throw new Refused("A rating has 2 to " + ScaleAnswer.MOST_STEPS + " steps.");
        }
        return new ScaleAnswer(now.isLikelihood(), steps, form.text("lowLabel"), form.text("highLabel"),
                form.chosen("sign", StepSign.values(), StepSign::word));
    }

    @Override
    public DrawnControl drawn(ScaleAnswer s, ShownAnswer shown) {
        String typed = DrawnControl.typed(shown.value());
        return DrawnControl.ofChoices("scale", "scale", IntStream.rangeClosed(s.first(), s.last()).mapToObj(String::valueOf)
                .map(step -> shown.choice(step, step, typed.equals(step))).toList());
    }

    @Override
    public Object given(ScaleAnswer s, GivenFields fields) {
        return fields.number(0);
    }

    @Override
    public String inWords(ScaleAnswer s, Object value, OwnWords words) {
        return value instanceof BigDecimal d ? words.number(d) : value.toString();
    }

    @Override
    public Object madeUp(ScaleAnswer s, MadeUp how) {
        return BigDecimal.valueOf(s.first() + how.random().nextInt(s.last() - s.first() + 1));
    }
}
