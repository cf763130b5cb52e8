package orthogon.core.answer.time;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** A time of day, in whole minutes; a limit may be null. */
public record TimeAnswer(LocalTime earliest, LocalTime latest) implements Answer {

    @Override
    public AnswerKind kind() {
        return AnswerKind.TIME;
    }

    @Override
    public Domain domain() {
        return new Domain.TimesOfDay(earliest, latest);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof LocalTime ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof LocalTime time)) {
            return AnswerRefusal.of("time");
        }
        if (earliest != null && time.isBefore(earliest)) {
            return AnswerRefusal.of("not_before", earliest);
        }
        return latest == null ? Optional.empty() : AnswerRefusal.unless(!time.isAfter(latest), "not_after", latest);
    }

    @Override
    public String unreadableMessage() {
        return "time";
    }
}
