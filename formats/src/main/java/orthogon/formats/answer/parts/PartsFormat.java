package orthogon.formats.answer.parts;

import java.util.List;
import java.util.stream.Stream;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Names and addresses in files: a column for each part. */
public final class PartsFormat implements AnswerFormat<PartsAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERSON_NAME, AnswerKind.POSTAL_ADDRESS);
    }

    /** Where only the parts are named, none of them is required. */
    @Override
    public PartsAnswer read(AnswerKind kind, ReadObject json) {
        boolean address = kind == AnswerKind.POSTAL_ADDRESS;
        PartsAnswer usual = address ? PartsAnswer.address() : PartsAnswer.name();
        List<String> parts = json.has("parts") ? json.texts("parts") : usual.parts();
        return new PartsAnswer(address, parts,
                json.has("required") ? json.texts("required") : json.has("parts") ? List.of() : usual.required());
    }

    @Override
    public void write(PartsAnswer p, WrittenObject json) {
        json.always("parts", p.parts()).put("required", p.required());
    }

    @Override
    public List<AnswerColumn> columns(PartsAnswer p) {
        return p.parts().stream().map(part -> new AnswerColumn(part, OwnWords.ENGLISH.say("part." + part), "text", List.of(),
                p.required().contains(part), "")).toList();
    }

    @Override
    public List<PaperBlock> paper(PartsAnswer p, OwnWords words) {
        return p.parts().stream()
                .<PaperBlock>flatMap(part -> Stream.of(new PaperBlock.Small(words.say("part." + part)), new PaperBlock.Lines(1))).toList();
    }
}
