package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.stream.Collectors;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.language.OwnWords;

/** Tells respondents in their language why a value is not within its limits. */
record Refusals(OwnWords words) {

    String said(AnswerRefusal refusal) {
        return words.say(refusal.message(), refusal.about().stream().map(this::said).toArray());
    }

    private Object said(Object about) {
        return switch (about) {
            case BigDecimal d -> words.number(d);
            case LocalDate d -> words.day(d);
            case AnswerRefusal.Measure m -> words.number(m.number()) + (m.unit().isEmpty() ? "" : " " + m.unit());
            case AnswerRefusal.PartNames p -> p.parts().stream().map(part -> words.say("part." + part)).collect(Collectors.joining(", "));
            default -> about;
        };
    }
}
