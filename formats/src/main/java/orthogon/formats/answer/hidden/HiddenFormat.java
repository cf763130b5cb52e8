package orthogon.formats.answer.hidden;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.hidden.HiddenAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Values of the respondent's link in files. Nobody fills them in. */
public final class HiddenFormat implements AnswerFormat<HiddenAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.HIDDEN);
    }

    @Override
    public HiddenAnswer read(AnswerKind kind, ReadObject json) {
        return new HiddenAnswer(json.texts("allowed"));
    }

    @Override
    public void write(HiddenAnswer h, WrittenObject json) {
        json.put("allowed", h.allowed());
    }

    @Override
    public List<PaperBlock> paper(HiddenAnswer h, OwnWords words) {
        return List.of();
    }
}
