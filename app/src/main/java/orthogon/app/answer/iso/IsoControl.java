package orthogon.app.answer.iso;

import java.text.Collator;
import java.util.List;
import java.util.Locale;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.answer.iso.IsoNames;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;

/** Countries and languages in a drop-down, by their names in the respondent's language. */
public final class IsoControl implements AnswerControl<IsoAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.COUNTRY, AnswerKind.LANGUAGE);
    }

    @Override
    public String inShort(IsoAnswer c) {
        return c.type() + (c.offered().isEmpty() ? "" : " of " + c.offered().size());
    }

    @Override
    public List<Setting> settings(IsoAnswer c) {
        return List.of(Setting.mono("offered", "On offer", String.join(" ", c.offered()),
                "ISO codes such as " + (c.isLanguage() ? "en fr ar" : "GB FR PL") + "; empty for all."));
    }

    @Override
    public IsoAnswer set(IsoAnswer now, SettingsForm form) {
        return new IsoAnswer(now.isLanguage(), form.words("offered"));
    }

    @Override
    public DrawnControl drawn(IsoAnswer c, ShownAnswer shown) {
        Locale in = shown.words().locale().toLocale();
        List<Option> sorted = shown.item().offered().stream()
                .map(o -> o.withLabel(stretched(IsoNames.name(c.isLanguage(), o.code(), in), shown)))
                .sorted((a, b) -> Collator.getInstance(in).compare(a.label(), b.label())).toList();
        return DrawnControl.list("choice", "dropDown", shown.choices(sorted), "");
    }

    /** Names that the platform knows are stretched as well, so that they are no gap in the stretch language. */
    private static String stretched(String name, ShownAnswer shown) {
        return shown.texts().language().equals(Stretch.TAG) ? Stretch.of(name) : name;
    }

    @Override
    public Object given(IsoAnswer c, GivenFields fields) {
        return fields.typed(typed -> c.option(typed).isPresent() ? typed : new Unreadable(typed));
    }

    @Override
    public String inWords(IsoAnswer c, Object value, OwnWords words) {
        return c.option(value.toString()).map(o -> IsoNames.name(c.isLanguage(), o.code(), words.locale().toLocale()))
                .orElse(value.toString());
    }

    @Override
    public Object madeUp(IsoAnswer c, MadeUp how) {
        return how.option();
    }
}
