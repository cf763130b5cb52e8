package orthogon.formats.contact;

import orthogon.core.answer.contact.ContactAnswer;
import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.Phonenumber.PhoneNumber;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.validator.routines.EmailValidator;
import org.apache.commons.validator.routines.UrlValidator;

/** Reads what was typed; empty where it is of no such form. */
public final class Contacts {

    private static final EmailValidator EMAIL = EmailValidator.getInstance(false, false);
    private static final UrlValidator WEB = new UrlValidator(new String[]{"http", "https"});
    private static final int LONGEST = 2_000;

    private Contacts() {}

    public static Optional<String> read(ContactAnswer contact, String typed) {
        String text = typed.strip();
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        return switch (contact.standard()) {
            case EMAIL -> EMAIL.isValid(text) ? Optional.of(withSmallDomain(text)) : Optional.empty();
            case PHONE -> phone(text, contact.region());
            case WEB -> web(text);
        };
    }

    /** The part before the @ may tell capitals apart, the part behind it does not. */
    private static String withSmallDomain(String address) {
        int at = address.lastIndexOf('@');
        return address.substring(0, at) + address.substring(at).toLowerCase(Locale.ROOT);
    }

    /** As {@code +441632960961}. Numbers reserved for examples count, so only their length is looked at. */
    private static Optional<String> phone(String text, String region) {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        try {
            PhoneNumber number = numbers.parse(text, region.isEmpty() ? null : region);
            return numbers.isPossibleNumber(number)
                    ? Optional.of(numbers.format(number, PhoneNumberUtil.PhoneNumberFormat.E164))
                    : Optional.empty();
        } catch (NumberParseException e) {
            return Optional.empty();
        }
    }

    /** An address without its scheme is taken as https. */
    private static Optional<String> web(String text) {
        String whole = text.matches("(?i)https?://.*") ? text : "https://" + text;
        return WEB.isValid(whole) ? Optional.of(whole) : Optional.empty();
    }
}
