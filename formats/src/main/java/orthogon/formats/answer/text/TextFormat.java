package orthogon.formats.answer.text;

import java.util.List;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Short and long texts in files. */
public final class TextFormat implements AnswerFormat<TextAnswer> {

    private static final int LINES_OF_LONG_TEXT = 4;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SHORT_TEXT, AnswerKind.LONG_TEXT);
    }

    @Override
    public TextAnswer read(AnswerKind kind, ReadObject json) {
        return new TextAnswer(kind == AnswerKind.LONG_TEXT, json.whole("least"), json.whole("most"),
                json.oneOf("only", AllowedCharacters.values(), AllowedCharacters::word, AllowedCharacters.ANY), json.text("pattern"),
                json.text("example"),
                json.text("mask"), json.text("placeholder"));
    }

    @Override
    public void write(TextAnswer t, WrittenObject json) {
        json.put("least", t.least()).put("most", t.most()).put("only", t.content() == AllowedCharacters.ANY ? "" : t.content().word())
                .put("pattern", t.pattern()).put("example", t.example()).put("mask", t.mask()).put("placeholder", t.placeholder());
    }

    @Override
    public List<PaperBlock> paper(TextAnswer t, OwnWords words) {
        return List.of(new PaperBlock.Lines(t.isLong() ? LINES_OF_LONG_TEXT : 1));
    }
}
