package orthogon.core.answer.iso;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;

/** A country or a language by its ISO code; all of them where none is offered by name. */
public record IsoAnswer(boolean isLanguage, List<String> offered) implements Answer {

    public IsoAnswer {
        offered = List.copyOf(offered);
        for (String code : offered) {
            if (!IsoNames.isKnown(isLanguage, code)) {
                throw new AnswerFault("offered", "\"" + code + "\" is not the ISO code of a " + (isLanguage ? "language" : "country"));
            }
        }
    }

    @Override
    public AnswerKind kind() {
        return isLanguage ? AnswerKind.LANGUAGE : AnswerKind.COUNTRY;
    }

    @Override
    public Domain domain() {
        return new Domain.OneOf(options());
    }

    @Override
    public List<Option> options() {
        return IsoNames.options(isLanguage, offered);
    }

    @Override
    public boolean isLike(Answer other) {
        return other.kind() == kind();
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return offer.has(raw) ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return AnswerRefusal.unless(value instanceof String s && option(s).isPresent(), "choose");
    }

    @Override
    public List<String> settings() {
        return offered.isEmpty() ? List.of() : List.of(options().size() + " options");
    }
}
