package orthogon.formats.answer.scale;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.scale.StepSign;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Ratings and likelihoods in files. */
public final class ScaleFormat implements AnswerFormat<ScaleAnswer> {

    private static final int USUAL_STEPS = 5;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RATING, AnswerKind.LIKELIHOOD);
    }

    @Override
    public ScaleAnswer read(AnswerKind kind, ReadObject json) {
        return kind == AnswerKind.LIKELIHOOD
                ? new ScaleAnswer(true, 10, json.text("lowLabel"), json.text("highLabel"))
                : new ScaleAnswer(false, Optional.ofNullable(json.whole("steps")).orElse(USUAL_STEPS), json.text("lowLabel"),
                        json.text("highLabel"), json.oneOf("sign", StepSign.values(), StepSign::word, StepSign.NUMBERS));
    }

    @Override
    public void write(ScaleAnswer s, WrittenObject json) {
        json.put("steps", s.isLikelihood() ? null : s.last()).put("lowLabel", s.lowLabel()).put("highLabel", s.highLabel())
                .put("sign", s.sign() == StepSign.NUMBERS ? "" : s.sign().word());
    }

    @Override
    public List<PaperBlock> paper(ScaleAnswer s, OwnWords words) {
        return List.of(new PaperBlock.Points(s.lowLabel(), s.first(), s.last(), s.highLabel()));
    }
}
