package orthogon.app.answer.contact;

import java.time.LocalDate;
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
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.formats.contact.Contacts;

/** Email addresses, phone numbers and web addresses in a box. */
public final class ContactControl implements AnswerControl<ContactAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.EMAIL, AnswerKind.PHONE, AnswerKind.WEB_ADDRESS);
    }

    @Override
    public String inShort(ContactAnswer c) {
        return c.kind().words();
    }

    @Override
    public List<Setting> settings(ContactAnswer c) {
        return c.standard() != ContactAnswer.Standard.PHONE
                ? List.of()
                : List.of(Setting.mono("region", "Country", c.region(),
                        "ISO code such as GB: its national numbers are understood. Empty: only with + and country code."));
    }

    @Override
    public ContactAnswer set(ContactAnswer now, SettingsForm form) {
        return new ContactAnswer(now.standard(), form.text("region").toUpperCase(Locale.ROOT));
    }

    @Override
    public DrawnControl drawn(ContactAnswer c, ShownAnswer shown) {
        return DrawnControl.box("contact", switch (c.standard()) {
            case EMAIL -> "email";
            case PHONE -> "tel";
            case WEB -> "url";
        }, shown.value());
    }

    @Override
    public Object given(ContactAnswer c, GivenFields fields) {
        return fields.typed(typed -> Contacts.read(c, typed).<Object>map(x -> x).orElseGet(() -> new Unreadable(typed)));
    }

    @Override
    public String inWords(ContactAnswer c, Object value, OwnWords words) {
        return value.toString();
    }

    @Override
    public String hint(ContactAnswer c, LocalDate today, OwnWords words) {
        return switch (c.standard()) {
            case PHONE -> c.region().isEmpty() ? words.say("hint.phone") : "";
            case EMAIL -> words.say("hint.email");
            case WEB -> "";
        };
    }

    @Override
    public Object madeUp(ContactAnswer c, MadeUp how) {
        return switch (c.standard()) {
            case EMAIL -> how.givenName().toLowerCase(Locale.ROOT) + how.random().nextInt(90) + "@example.org";
            case PHONE -> "+441632960" + (100 + how.random().nextInt(900));
            case WEB -> "https://example.org/" + how.random().nextInt(90);
        };
    }
}
