package orthogon.formats.answer.file;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Files that respondents give, in files. */
public final class FileFormat implements AnswerFormat<FileAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.FILE);
    }

    @Override
    public FileAnswer read(AnswerKind kind, ReadObject json) {
        Integer largest = json.whole("largest");
        return new FileAnswer(Optional.ofNullable(json.whole("most")).orElse(1), largest == null ? FileAnswer.USUAL_BYTES : largest,
                json.texts("mediaTypes"));
    }

    @Override
    public void write(FileAnswer f, WrittenObject json) {
        json.always("most", f.most()).always("largest", f.largest()).put("mediaTypes", f.mediaTypes());
    }

    @Override
    public List<PaperBlock> paper(FileAnswer f, OwnWords words) {
        return List.of(new PaperBlock.Small(words.say("paper.attach")));
    }
}
