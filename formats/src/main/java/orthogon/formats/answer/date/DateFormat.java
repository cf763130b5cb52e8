package orthogon.formats.answer.date;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.date.DateMaker;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Dates in files. */
public final class DateFormat implements AnswerFormat<DateAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.DATE);
    }

    @Override
    public DateAnswer read(AnswerKind kind, ReadObject json) {
        String earliest = json.text("earliest");
        String latest = json.text("latest");
        return new DateAnswer(DateMaker.limit("earliest", earliest), DateMaker.limit("latest", latest));
    }

    @Override
    public void write(DateAnswer d, WrittenObject json) {
        json.put("earliest", d.earliest() == null ? null : d.earliest().toString())
                .put("latest", d.latest() == null ? null : d.latest().toString());
    }

    @Override
    public List<PaperBlock> paper(DateAnswer d, OwnWords words) {
        return List.of(new PaperBlock.Box("", words.say("paper.day")));
    }
}
