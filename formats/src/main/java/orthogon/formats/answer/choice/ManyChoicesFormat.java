package orthogon.formats.answer.choice;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Any of several options in files. */
public final class ManyChoicesFormat implements AnswerFormat<ManyChoices> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.MANY_CHOICES);
    }

    @Override
    public ManyChoices read(AnswerKind kind, ReadObject json) {
        return new ManyChoices(OptionsJson.read(json, "options"), json.whole("least"), json.whole("most"), OptionsJson.layout(json));
    }

    @Override
    public void write(ManyChoices c, WrittenObject json) {
        json.put("least", c.least()).put("most", c.most());
        OptionsJson.layout(json, c.layout());
        OptionsJson.write(json, "options", c.options());
    }

    @Override
    public List<PaperBlock> paper(ManyChoices c, OwnWords words) {
        boolean limited = c.most() != null && c.most() < c.options().size();
        return List.of(new PaperBlock.Hint(limited ? words.say("hint.choose_most", c.most()) : words.say("hint.choose_all")),
                new PaperBlock.Choices(c.options(), false));
    }
}
