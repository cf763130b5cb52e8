package orthogon.app.answer.signature;

import java.util.List;
import java.util.Map;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.PageBox;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.signature.SignatureAnswer;
import orthogon.core.language.OwnWords;

/** A box for the name and a field to draw in. */
public final class SignatureControl implements AnswerControl<SignatureAnswer> {

    private static final int LONGEST_PATH = 60_000;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SIGNATURE);
    }

    @Override
    public String inShort(SignatureAnswer s) {
        return "signature";
    }

    @Override
    public SignatureAnswer set(SignatureAnswer now, SettingsForm form) {
        return now;
    }

    @Override
    public DrawnControl drawn(SignatureAnswer s, ShownAnswer shown) {
        return DrawnControl.ofBoxes("signature", List.of(
                new PageBox(shown.field(SignatureAnswer.NAME), shown.words().say("full_name"), shown.part(SignatureAnswer.NAME), "name",
                        List.of()),
                new PageBox(shown.field(SignatureAnswer.PATH), shown.words().say("drawn_signature"), shown.part(SignatureAnswer.PATH),
                        "off",
                        List.of())));
    }

    @Override
    public Object given(SignatureAnswer s, GivenFields fields) {
        return fields.parts(List.of(SignatureAnswer.NAME, SignatureAnswer.PATH), LONGEST_PATH);
    }

    @Override
    public String inWords(SignatureAnswer s, Object value, OwnWords words) {
        Object name = value instanceof Map<?, ?> parts ? parts.get(SignatureAnswer.NAME) : value;
        return name == null ? words.say("drawn") : name.toString();
    }

    @Override
    public Object madeUp(SignatureAnswer s, MadeUp how) {
        return Map.of(SignatureAnswer.NAME, how.givenName() + " " + how.familyName());
    }
}
