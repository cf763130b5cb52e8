package orthogon.formats.answer.choice;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** One of several options in files. */
public final class OneChoiceFormat implements AnswerFormat<OneChoice> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.ONE_CHOICE);
    }

    @Override
    public OneChoice read(AnswerKind kind, ReadObject json) {
        return new OneChoice(OptionsJson.read(json, "options"), OptionsJson.layout(json));
    }

    @Override
    public void write(OneChoice c, WrittenObject json) {
        OptionsJson.layout(json, c.layout());
        OptionsJson.write(json, "options", c.options());
    }

    @Override
    public List<PaperBlock> paper(OneChoice c, OwnWords words) {
        return List.of(new PaperBlock.Choices(c.options(), true));
    }
}
