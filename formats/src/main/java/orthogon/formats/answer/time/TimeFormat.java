package orthogon.formats.answer.time;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.time.TimeMaker;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Times of day in files. */
public final class TimeFormat implements AnswerFormat<TimeAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.TIME);
    }

    @Override
    public TimeAnswer read(AnswerKind kind, ReadObject json) {
        String earliest = json.text("earliest");
        String latest = json.text("latest");
        return new TimeAnswer(TimeMaker.limit("earliest", earliest), TimeMaker.limit("latest", latest));
    }

    @Override
    public void write(TimeAnswer t, WrittenObject json) {
        json.put("earliest", t.earliest() == null ? null : t.earliest().toString())
                .put("latest", t.latest() == null ? null : t.latest().toString());
    }

    @Override
    public List<PaperBlock> paper(TimeAnswer t, OwnWords words) {
        return List.of(new PaperBlock.Box("", ""));
    }
}
