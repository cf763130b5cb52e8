package orthogon.formats.answer.number;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Numbers in files. */
public final class NumberFormat implements AnswerFormat<NumberAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.NUMBER);
    }

    @Override
    public NumberAnswer read(AnswerKind kind, ReadObject json) {
        return new NumberAnswer(json.number("least"), json.number("most"), json.whole("decimals"), json.text("unit"), json.truth("slider"));
    }

    @Override
    public void write(NumberAnswer n, WrittenObject json) {
        json.put("least", n.least()).put("most", n.most()).put("decimals", n.decimals()).put("unit", n.unit()).put("slider", n.slider());
    }

    @Override
    public String unit(NumberAnswer n) {
        return n.unit();
    }

    @Override
    public List<PaperBlock> paper(NumberAnswer n, OwnWords words) {
        boolean limited = n.least() != null && n.most() != null;
        return List.of(new PaperBlock.Box(n.unit(), limited
                ? words.say("hint.from_to", words.number(n.least()), words.number(n.most()))
                : ""));
    }
}
