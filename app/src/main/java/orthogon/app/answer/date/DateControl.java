package orthogon.app.answer.date;

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
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.date.DateMaker;
import orthogon.core.language.OwnWords;

/** Dates in the browser's own field. */
public final class DateControl implements AnswerControl<DateAnswer> {

    /** An answer that may lie further back is most likely a birthday. */
    private static final int YEARS_OF_BIRTHDAYS = 30;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.DATE);
    }

    @Override
    public String inShort(DateAnswer d) {
        if (d.earliest() != null && d.latest() != null) {
            return d.earliest() + " … " + d.latest();
        }
        return "date" + (d.earliest() != null ? " ≥ " + d.earliest() : "") + (d.latest() != null ? " ≤ " + d.latest() : "");
    }

    @Override
    public List<Setting> settings(DateAnswer d) {
        return List.of(Setting.pair("Limits", "earliest", d.earliest(), "latest", d.latest(),
                "A date like 2026-11-30, or today, today - 30."));
    }

    @Override
    public DateAnswer set(DateAnswer now, SettingsForm form) {
        return new DateAnswer(DateMaker.limit("earliest", form.text("earliest")), DateMaker.limit("latest", form.text("latest")));
    }

    @Override
    public DrawnControl drawn(DateAnswer d, ShownAnswer shown) {
        return DrawnControl.box("date", "date", shown.value());
    }

    @Override
    public Object given(DateAnswer d, GivenFields fields) {
        return fields.moment(LocalDate::parse);
    }

    @Override
    public String inWords(DateAnswer d, Object value, OwnWords words) {
        return value instanceof LocalDate day ? words.day(day) : value.toString();
    }

    @Override
    public String hint(DateAnswer d, LocalDate today, OwnWords words) {
        return d.earliest() == null || d.latest() == null
                ? ""
                : words.say("hint.from_to", words.day(d.earliest().on(today)), words.day(d.latest().on(today)));
    }

    @Override
    public Object madeUp(DateAnswer d, MadeUp how) {
        LocalDate from = d.earliest() == null ? how.today().minusDays(3) : d.earliest().on(how.today());
        LocalDate to = d.latest() == null ? from.plusDays(20) : d.latest().on(how.today());
        if (from.plusYears(YEARS_OF_BIRTHDAYS).isBefore(to)) {
            return to.minusYears(19 + how.random().nextInt(10)).minusDays(how.random().nextInt(365));
        }
        return d.latest() != null && !to.isAfter(how.today())
                ? to.minusDays(Math.min(how.random().nextInt(3), Math.max(0, from.until(to).getDays())))
                : from.plusDays(how.random().nextInt(14));
    }
}
