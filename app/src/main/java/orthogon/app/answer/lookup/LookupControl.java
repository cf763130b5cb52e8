package orthogon.app.answer.lookup;

import java.util.List;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Refused;

/** The key of a record, in a box. */
public final class LookupControl implements AnswerControl<LookupAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.LOOKUP);
    }

    @Override
    public String inShort(LookupAnswer l) {
        return "lookup in " + l.questionnaire();
    }

    @Override
    public List<Setting> settings(LookupAnswer l) {
        return List.of(Setting.mono("questionnaire", "Records of", l.questionnaire(), "Code of the other questionnaire."),
                Setting.text("release", "Release", l.release() == 0 ? "" : l.release(), "Empty for its newest."),
                Setting.mono("shows", "Shows", String.join(" ", l.shows()), "Codes of the answers that are shown."),
                Setting.tick("mayAdd", "May add a new record", l.mayAdd()));
    }

    @Override
    public LookupAnswer set(LookupAnswer now, SettingsForm form) throws Refused {
        if (!Codes.isValid(form.text("questionnaire"))) {
            throw new AnswerFault("questionnaire", "“" + form.text("questionnaire") + "” is not the code of a questionnaire");
        }
        return new LookupAnswer(form.text("questionnaire"), form.whole("release") == null ? 0 : form.whole("release"), form.words("shows"),
                form.ticked("mayAdd"));
    }

    @Override
    public DrawnControl drawn(LookupAnswer l, ShownAnswer shown) {
        return DrawnControl.box("lookup", "lookup", shown.value());
    }

    @Override
    public Object given(LookupAnswer l, GivenFields fields) {
        return fields.typed(typed -> typed);
    }

    @Override
    public String inWords(LookupAnswer l, Object value, OwnWords words) {
        return value.toString();
    }

    /** Made-up respondents choose no record. */
    @Override
    public Object madeUp(LookupAnswer l, MadeUp how) {
        return null;
    }
}
