package orthogon.formats.answer.yesno;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Yes or no in files. */
public final class YesNoFormat implements AnswerFormat<YesNoAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.YES_NO);
    }

    @Override
    public YesNoAnswer read(AnswerKind kind, ReadObject json) {
        return new YesNoAnswer(json.text("yes"), json.text("no"));
    }

    @Override
    public void write(YesNoAnswer y, WrittenObject json) {
        json.put("yes", y.yes()).put("no", y.no());
    }

    @Override
    public List<PaperBlock> paper(YesNoAnswer y, OwnWords words) {
        return List.of(new PaperBlock.Choices(
                List.of(Option.of("yes", words.or(y.yes(), "yes")), Option.of("no", words.or(y.no(), "no"))), true));
    }
}
