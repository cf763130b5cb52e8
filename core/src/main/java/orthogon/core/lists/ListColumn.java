package orthogon.core.lists;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import orthogon.core.answer.Answer;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Codes;

/** One column of a table: which type its cells have, and what each says. */
final class ListColumn {

    /** Most different texts that make a choice of a column. */
    static final int MOST_OPTIONS = 40;
    private static final int LONGEST_LABEL = 60;
    /** In so many rows each of the options stands on average, or else they are names rather than choices. */
    private static final int ROWS_PER_OPTION = 2;
    private static final Pattern NUMBER = Pattern.compile("-?(0|[1-9]\\d{0,14})(\\.\\d{1,6})?");
    private static final Map<String, Boolean> TRUTHS = Map.of("yes", true, "true", true, "no", false, "false", false);

    private ListColumn() {}

    /**
     * The type that all cells of a column have: yes or no, a date, a number, one of a few texts that come again, or else a text.
     *
     * @param cells without blanks
     */
    static Answer typeOf(List<String> cells) {
        if (cells.isEmpty()) {
            return new TextAnswer(false, null, null);
        }
        if (all(cells, ListColumn::truth)) {
            return new YesNoAnswer();
        }
        if (all(cells, ListColumn::date)) {
            return new DateAnswer(null, null);
        }
        if (all(cells, ListColumn::number)) {
            List<BigDecimal> numbers = cells.stream().map(c -> number(c).orElseThrow()).toList();
            return new NumberAnswer(numbers.stream().min(Comparator.naturalOrder()).orElseThrow(),
                    numbers.stream().max(Comparator.naturalOrder()).orElseThrow(),
                    Math.max(0, numbers.stream().mapToInt(n -> n.stripTrailingZeros().scale()).max().orElse(0)), "");
        }
        Set<String> different = cells.stream().sorted().collect(Collectors.toCollection(LinkedHashSet::new));
        boolean few = different.size() > 1 && different.size() <= MOST_OPTIONS && cells.size() >= ROWS_PER_OPTION * different.size()
                && different.stream().allMatch(d -> d.length() <= LONGEST_LABEL);
        return few ? new OneChoice(options(different), false) : new TextAnswer(cells.stream().anyMatch(c -> c.contains("\n")), null, null);
    }

    private static List<Option> options(Set<String> labels) {
        List<Option> options = new ArrayList<>();
        labels.forEach(label -> options.add(Option.of(
                Codes.from(label, "option", code -> options.stream().anyMatch(o -> o.code().equals(code))), label)));
        return options;
    }

    private static boolean all(List<String> cells, Function<String, Optional<?>> read) {
        return cells.stream().allMatch(c -> read.apply(c).isPresent());
    }

    /**
     * What a cell says, as a value of this type; empty where it says nothing of it.
     *
     * @param today by which limits of dates are told
     */
    static Optional<Object> read(Answer answer, String cell, LocalDate today) {
        Optional<?> value = switch (answer) {
            case YesNoAnswer y -> truth(cell);
            case DateAnswer d -> date(cell);
            case NumberAnswer n -> number(cell);
            case OneChoice c -> c.options().stream().filter(o -> o.label().equals(cell)).map(Option::code).findFirst();
            case TextAnswer t -> Optional.of(cell);
            default -> Optional.empty();
        };
        return value.map(v -> answer.counting(v, new OnOffer(answer.options(), List.of()))).filter(Objects::nonNull)
                .filter(v -> answer.refusal(v, today).isEmpty()).map(Object.class::cast);
    }

    private static Optional<Boolean> truth(String cell) {
        return Optional.ofNullable(TRUTHS.get(cell.toLowerCase(Locale.ROOT)));
    }

    private static Optional<LocalDate> date(String cell) {
        try {
            return cell.length() == 10 ? Optional.of(LocalDate.parse(cell)) : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    private static Optional<BigDecimal> number(String cell) {
        return NUMBER.matcher(cell).matches() ? Optional.of(new BigDecimal(cell).stripTrailingZeros()) : Optional.empty();
    }
}
