package orthogon.core.answer.choice;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;

/**
 * Any number of options within the limits. An exclusive option stands alone, and alone satisfies {@code least}.
 *
 * @param least fewest options, 0 to 1,000; null for no limit
 * @param most most options, 0 to 1,000; null for no limit
 */
public record ManyChoices(List<Option> options, Integer least, Integer most, OptionLayout layout) implements Answer {

    public static final int MOST_LIMIT = 1_000;

    public ManyChoices {
        options = List.copyOf(options);
        AnswerFault.unlessBetween(least, 0, MOST_LIMIT, "least", "the fewest options go");
        AnswerFault.unlessBetween(most, 0, MOST_LIMIT, "most", "the most options go");
    }

    public ManyChoices(List<Option> options, Integer least, Integer most) {
        this(options, least, most, OptionLayout.PLAIN);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.MANY_CHOICES;
    }

    @Override
    public Domain domain() {
        return new Domain.Subset(options, least, most);
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
        return new ManyChoices(changed, least, most, layout);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return offer.hasAll(raw) ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof List<?> chosen) || new HashSet<>(chosen).size() != chosen.size()
                || chosen.stream().anyMatch(o -> !(o instanceof String s) || option(s).isEmpty())) {
            return AnswerRefusal.of("choose");
        }
        List<Option> options = chosen.stream().map(o -> option((String) o).orElseThrow()).toList();
        Optional<Option> alone = options.stream().filter(Option::exclusive).findFirst();
        if (alone.isPresent()) {
            return AnswerRefusal.unless(options.size() == 1, "alone", alone.get().label());
        }
        if (least != null && chosen.size() < least) {
            return AnswerRefusal.of("choose_least", least);
        }
        return AnswerRefusal.unless(most == null || chosen.size() <= most, "choose_most", most == null ? 0 : most);
    }

    @Override
    public List<String> settings() {
        List<String> settings = new ArrayList<>(OptionWords.settings(options));
        if (least != null || most != null) {
            settings.add("how many may be chosen");
        }
        return settings;
    }
}
