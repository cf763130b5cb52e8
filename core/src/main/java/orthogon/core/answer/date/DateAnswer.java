package orthogon.core.answer.date;

import java.time.LocalDate;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** A calendar date; a limit is {@code null}, an ISO date, {@code today}, or {@code today} plus or minus whole days. */
public record DateAnswer(DateLimit earliest, DateLimit latest) implements Answer {

    @Override
    public AnswerKind kind() {
        return AnswerKind.DATE;
    }

    @Override
    public Domain domain() {
        return new Domain.Dates(earliest, latest);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof LocalDate ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof LocalDate day)) {
            return AnswerRefusal.of("date");
        }
        if (earliest != null && day.isBefore(earliest.on(today))) {
            return AnswerRefusal.of("from", earliest.on(today));
        }
        return latest == null ? Optional.empty() : AnswerRefusal.unless(!day.isAfter(latest.on(today)), "until", latest.on(today));
    }

    @Override
    public String unreadableMessage() {
        return "date";
    }
}
