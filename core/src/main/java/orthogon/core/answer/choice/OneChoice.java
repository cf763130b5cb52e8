package orthogon.core.answer.choice;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;

/** One option; none of them stands alone, since only one is chosen. */
public record OneChoice(List<Option> options, OptionLayout layout) implements Answer {

    public OneChoice {
        options = List.copyOf(options);
        OptionWords.refuseAlone(options, "options");
    }

    public OneChoice(List<Option> options, boolean dropDown) {
        this(options, dropDown ? OptionLayout.DROP_DOWN : OptionLayout.PLAIN);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.ONE_CHOICE;
    }

    @Override
    public Domain domain() {
        return new Domain.OneOf(options);
    }

    @Override
    public boolean hasOwnOptions() {
        return true;
    }

    @Override
    public boolean isChoice() {
        return true;
    }

    @Override
    public Answer withOptions(List<Option> changed) {
        return new OneChoice(changed, layout);
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
        return OptionWords.settings(options);
    }
}
