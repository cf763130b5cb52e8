package orthogon.app.answer.text;

import java.time.LocalDate;
import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** Short texts in a box, long ones in a larger one. */
public final class TextControl implements AnswerControl<TextAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SHORT_TEXT, AnswerKind.LONG_TEXT);
    }

    @Override
    public String inShort(TextAnswer t) {
        return (t.isLong() ? "long text" : "text") + (t.content() == AllowedCharacters.ANY ? "" : ", " + t.content().word()) + characters(t)
                + (t.pattern().isEmpty() ? "" : ", pattern");
    }

    private static String characters(TextAnswer t) {
        if (t.least() != null && t.most() != null) {
            return " " + t.least() + ".." + t.most();
        }
        return (t.least() != null ? " ≥ " + t.least() : "") + (t.most() != null ? " ≤ " + t.most() : "");
    }

    @Override
    public List<Setting> settings(TextAnswer t) {
        return List.of(Setting.pair("Characters", "least", t.least(), "most", t.most(), ""),
                Setting.choose("only", "Only", t.content().word(),
                        Setting.words("any", "any characters", "letters", "letters", "digits", "digits")),
                Setting.mono("pattern", "Pattern", t.pattern(), "The whole text must match, as in [A-Z]{2}\\d{4}."),
                Setting.text("example", "Example", t.example(), "Shown where the pattern is not met."),
                Setting.mono("mask", "Mask", t.mask(), "Guides typing: A is a letter, 9 is a digit, * is either."),
                Setting.text("placeholder", "Placeholder", t.placeholder(), ""));
    }

    @Override
    public TextAnswer set(TextAnswer now, SettingsForm form) throws Refused {
        return new TextAnswer(now.isLong(), form.whole("least"), form.whole("most"),
                form.chosen("only", AllowedCharacters.values(), AllowedCharacters::word), form.text("pattern"), form.text("example"),
                form.text("mask"),
                form.text("placeholder"));
    }

    @Override
    public DrawnControl drawn(TextAnswer t, ShownAnswer shown) {
        return DrawnControl.box("text", t.isLong() ? "lines" : "line", shown.value());
    }

    @Override
    public Object given(TextAnswer t, GivenFields fields) {
        return fields.typed(typed -> typed);
    }

    @Override
    public String inWords(TextAnswer t, Object value, OwnWords words) {
        return value.toString();
    }

    @Override
    public String hint(TextAnswer t, LocalDate today, OwnWords words) {
        if (!t.example().isEmpty()) {
            return words.say("hint.example", t.example());
        }
        return t.most() == null ? "" : words.say("hint.characters", t.most());
    }

    @Override
    public Object madeUp(TextAnswer t, MadeUp how) {
        if (t.least() != null && t.most() != null && t.least() > t.most()) {
            return null;
        }
        if (how.texts().isEmpty() && t.content() == AllowedCharacters.DIGITS) {
            return "7".repeat(Math.max(t.least() == null ? 3 : t.least(), 1));
        }
        String text = ordinary(t, how);
        return text != null && t.most() != null && text.length() > t.most() ? text.substring(0, t.most()) : text;
    }

    private static String ordinary(TextAnswer t, MadeUp how) {
        if (!how.texts().isEmpty()) {
            return how.pick(how.texts());
        }
        if (!t.example().isEmpty()) {
            return t.example();
        }
        if (!how.required() && how.random().nextInt(3) != 0) {
            return null;
        }
        String words = t.content() == AllowedCharacters.LETTERS ? "Heron" : "It sat very still.";
        return t.least() == null ? words : words.repeat(1 + t.least() / words.length()).strip();
    }
}
