package orthogon.core.answer.contact;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code email}, {@code phone} and {@code web address}. */
public final class ContactMaker implements AnswerMaker {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.EMAIL, AnswerKind.PHONE, AnswerKind.WEB_ADDRESS);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("email", "email", "checked and put in its usual form"),
                new TypedWords("phone", "phone", "checked and put in its usual form"),
                new TypedWords("web address", "web address", "checked"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        return kinds().stream().filter(k -> k.words().equals(words)).findFirst().map(k -> from(k, null));
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new ContactAnswer(switch (kind) {
            case EMAIL -> ContactAnswer.Standard.EMAIL;
            case PHONE -> ContactAnswer.Standard.PHONE;
            default -> ContactAnswer.Standard.WEB;
        }, "");
    }
}
