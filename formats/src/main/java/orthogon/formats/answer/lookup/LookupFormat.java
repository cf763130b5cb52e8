package orthogon.formats.answer.lookup;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Lookups in files. */
public final class LookupFormat implements AnswerFormat<LookupAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.LOOKUP);
    }

    @Override
    public LookupAnswer read(AnswerKind kind, ReadObject json) {
        return new LookupAnswer(json.code("questionnaire"), Optional.ofNullable(json.whole("release")).orElse(0), json.texts("shows"),
                json.truth("mayAdd"));
    }

    @Override
    public void write(LookupAnswer l, WrittenObject json) {
        json.always("questionnaire", l.questionnaire()).put("release", l.release() == 0 ? null : l.release()).put("shows", l.shows())
                .put("mayAdd", l.mayAdd());
    }

    @Override
    public List<PaperBlock> paper(LookupAnswer l, OwnWords words) {
        return List.of(new PaperBlock.Lines(1));
    }
}
