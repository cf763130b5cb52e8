package orthogon.formats.answer.iso;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Countries and languages in files. */
public final class IsoFormat implements AnswerFormat<IsoAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.COUNTRY, AnswerKind.LANGUAGE);
    }

    @Override
    public IsoAnswer read(AnswerKind kind, ReadObject json) {
        return new IsoAnswer(kind == AnswerKind.LANGUAGE, json.texts("offered"));
    }

    @Override
    public void write(IsoAnswer c, WrittenObject json) {
        json.put("offered", c.offered());
    }

    @Override
    public List<PaperBlock> paper(IsoAnswer c, OwnWords words) {
        return List.of(new PaperBlock.Lines(1));
    }
}
