package orthogon.formats.answer.agreement;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Agreements in files. */
public final class AgreementFormat implements AnswerFormat<AgreementAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.AGREEMENT);
    }

    @Override
    public AgreementAnswer read(AnswerKind kind, ReadObject json) {
        return new AgreementAnswer(json.text("text"));
    }

    @Override
    public void write(AgreementAnswer a, WrittenObject json) {
        json.put("text", a.text());
    }

    @Override
    public List<PaperBlock> paper(AgreementAnswer a, OwnWords words) {
        return List.of(new PaperBlock.Choices(List.of(Option.of("yes", words.or(a.text(), "i_agree"))), false));
    }
}
