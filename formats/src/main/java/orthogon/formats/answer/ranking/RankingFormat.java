package orthogon.formats.answer.ranking;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.answer.choice.OptionsJson;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;

/** Options put in order in files. */
public final class RankingFormat implements AnswerFormat<RankingAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RANKING);
    }

    @Override
    public RankingAnswer read(AnswerKind kind, ReadObject json) {
        List<Option> options = OptionsJson.read(json, "options");
        return new RankingAnswer(options, Optional.ofNullable(json.whole("places")).orElse(Math.max(1, options.size())));
    }

    @Override
    public void write(RankingAnswer r, WrittenObject json) {
        json.always("places", r.places());
        OptionsJson.write(json, "options", r.options());
    }

    @Override
    public List<PaperBlock> paper(RankingAnswer r, OwnWords words) {
        return List.of(new PaperBlock.Hint(words.say("hint.ranking", r.ranked())), new PaperBlock.NumberedOptions(r.options()));
    }
}
