package orthogon.formats.answer.percentage;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Percentages in files: the number without its sign. */
public final class PercentageFormat implements AnswerFormat<PercentageAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERCENTAGE);
    }

    @Override
    public PercentageAnswer read(AnswerKind kind, ReadObject json) {
        return new PercentageAnswer(Optional.ofNullable(json.whole("decimals")).orElse(0), json.truth("slider"));
    }

    @Override
    public void write(PercentageAnswer p, WrittenObject json) {
        json.put("decimals", p.decimals() == 0 ? null : p.decimals()).put("slider", p.slider());
    }

    @Override
    public String unit(PercentageAnswer p) {
        return "%";
    }

    @Override
    public List<PaperBlock> paper(PercentageAnswer p, OwnWords words) {
        return List.of(new PaperBlock.Box("%", ""));
    }
}
