package orthogon.formats.answer.contact;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.contact.Contacts;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;
import tools.jackson.databind.JsonNode;

/** Email addresses, phone numbers and web addresses in files. */
public final class ContactFormat implements AnswerFormat<ContactAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.EMAIL, AnswerKind.PHONE, AnswerKind.WEB_ADDRESS);
    }

    @Override
    public ContactAnswer read(AnswerKind kind, ReadObject json) {
        return switch (kind) {
            case PHONE -> new ContactAnswer(ContactAnswer.Standard.PHONE, json.text("region"));
            case EMAIL -> new ContactAnswer(ContactAnswer.Standard.EMAIL, "");
            default -> new ContactAnswer(ContactAnswer.Standard.WEB, "");
        };
    }

    @Override
    public void write(ContactAnswer c, WrittenObject json) {
        json.put("region", c.region());
    }

    @Override
    public Object value(ContactAnswer c, JsonNode json) {
        return json.isString()
                ? Contacts.read(c, json.asString()).<Object>map(x -> x).orElseGet(() -> new Unreadable(json.asString()))
                : new Unreadable(json.toString());
    }

    @Override
    public List<PaperBlock> paper(ContactAnswer c, OwnWords words) {
        return List.of(new PaperBlock.Lines(1));
    }
}
