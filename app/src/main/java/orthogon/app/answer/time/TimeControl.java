package orthogon.app.answer.time;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.time.TimeMaker;
import orthogon.core.language.OwnWords;

/** Times of day in the browser's own field. */
public final class TimeControl implements AnswerControl<TimeAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.TIME);
    }

    @Override
    public String inShort(TimeAnswer t) {
        return "time" + (t.earliest() != null ? " ≥ " + t.earliest() : "") + (t.latest() != null ? " ≤ " + t.latest() : "");
    }

    @Override
    public List<Setting> settings(TimeAnswer t) {
        return List.of(Setting.pair("Limits", "earliest", t.earliest(), "latest", t.latest(), "A time as 14:30."));
    }

    @Override
    public TimeAnswer set(TimeAnswer now, SettingsForm form) {
        return new TimeAnswer(TimeMaker.limit("earliest", form.text("earliest")), TimeMaker.limit("latest", form.text("latest")));
    }

    @Override
    public DrawnControl drawn(TimeAnswer t, ShownAnswer shown) {
        return DrawnControl.box("date", "time", shown.value());
    }

    @Override
    public Object given(TimeAnswer t, GivenFields fields) {
        return fields.moment(typed -> LocalTime.parse(typed).withSecond(0).withNano(0));
    }

    @Override
    public String inWords(TimeAnswer t, Object value, OwnWords words) {
        return value.toString();
    }

    @Override
    public String hint(TimeAnswer t, LocalDate today, OwnWords words) {
        return t.earliest() == null || t.latest() == null ? "" : words.say("hint.from_to", t.earliest(), t.latest());
    }

    @Override
    public Object madeUp(TimeAnswer t, MadeUp how) {
        return LocalTime.of(7 + how.random().nextInt(12), how.random().nextInt(4) * 15);
    }
}
