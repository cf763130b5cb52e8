package orthogon.core.answer.grid;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.choice.OptionWords;

/** One choice, or many, for each row; the options are the columns. The answer maps each answered row to what was chosen. */
public record GridAnswer(boolean many, List<GridRow> rows, List<Option> options) implements Answer {

    public GridAnswer {
        rows = List.copyOf(rows);
        options = List.copyOf(options);
        if (!many) {
            OptionWords.refuseAlone(options, "columns");
        }
    }

    /** The answer of one row. */
    public Answer row() {
        return many ? new ManyChoices(options, null, null) : new OneChoice(options, OptionLayout.PLAIN);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.GRID;
    }

    @Override
    public Domain domain() {
        return new Domain.EachRow(rows, row().domain());
    }

    @Override
    public boolean hasOwnOptions() {
        return true;
    }

    @Override
    public Answer withOptions(List<Option> changed) {
        return new GridAnswer(many, rows, changed);
    }

    @Override
    public Answer withRows(List<GridRow> changed) {
        return new GridAnswer(many, changed, options);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        Map<String, Object> known = new LinkedHashMap<>();
        if (raw instanceof Map<?, ?> given) {
            for (String row : offer.rows()) {
                Object value = row().counting(given.get(row), offer);
                if (value != null) {
                    known.put(row, value);
                }
            }
        }
        return known.isEmpty() ? null : Collections.unmodifiableMap(known);
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return value instanceof Map<?, ?> given
                ? given.values().stream().map(v -> row().refusal(v, today)).flatMap(Optional::stream).findFirst()
                : AnswerRefusal.of("choose");
    }

    @Override
    public List<String> settings() {
        List<String> settings = new ArrayList<>(OptionWords.settings(options));
        settings.add("the rows of the grid");
        return settings;
    }
}
