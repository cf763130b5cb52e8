package orthogon.core.answer.contact;

import java.time.LocalDate;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.iso.IsoNames;

/**
 * A text of a form that a standard fixes, brought into its usual form when it is read.
 *
 * @param region ISO country whose national phone numbers are understood; empty for international numbers only
 */
public record ContactAnswer(Standard standard, String region) implements Answer {

    /** An email address (RFC 5322), a phone number (E.164) or an address in the web (RFC 3986). */
    public enum Standard {
        EMAIL, PHONE, WEB
    }

    public ContactAnswer {
        if (!region.isEmpty() && !IsoNames.isKnown(false, region)) {
            throw new AnswerFault("region", "\"" + region + "\" is not the ISO code of a country");
        }
    }

    @Override
    public AnswerKind kind() {
        return switch (standard) {
            case EMAIL -> AnswerKind.EMAIL;
            case PHONE -> AnswerKind.PHONE;
            case WEB -> AnswerKind.WEB_ADDRESS;
        };
    }

    /** The examples are of the ranges that are reserved for examples. */
    @Override
    public Domain domain() {
        return switch (standard) {
            case EMAIL -> new Domain.Opaque("wren@example.org", "the form of email addresses");
            case PHONE -> new Domain.Opaque("+441632960961", "the form of phone numbers");
            case WEB -> new Domain.Opaque("https://example.org/", "the form of web addresses");
        };
    }

    @Override
    public boolean isLike(Answer other) {
        return other.kind() == kind();
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof String ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return Optional.empty();
    }

    @Override
    public String unreadableMessage() {
        return switch (standard) {
            case EMAIL -> "email";
            case PHONE -> "phone";
            case WEB -> "web_address";
        };
    }
}
