package orthogon.formats.answer.signature;

import java.util.List;
import java.util.Map;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.signature.SignatureAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.answer.ValueSchema;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Signatures in files: the drawing is no column. */
public final class SignatureFormat implements AnswerFormat<SignatureAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SIGNATURE);
    }

    @Override
    public SignatureAnswer read(AnswerKind kind, ReadObject json) {
        return new SignatureAnswer();
    }

    @Override
    public void write(SignatureAnswer s, WrittenObject json) {}

    @Override
    public Map<String, Object> schema(SignatureAnswer s) {
        return ValueSchema.texts(List.of(SignatureAnswer.NAME, SignatureAnswer.PATH));
    }

    @Override
    public List<AnswerColumn> columns(SignatureAnswer s) {
        return List.of(new AnswerColumn(SignatureAnswer.NAME, "", s.type(), List.of(), true, ""));
    }

    @Override
    public List<PaperBlock> paper(SignatureAnswer s, OwnWords words) {
        return List.of(new PaperBlock.Lines(1));
    }
}
