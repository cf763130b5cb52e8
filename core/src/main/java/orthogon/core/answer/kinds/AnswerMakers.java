package orthogon.core.answer.kinds;

import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.agreement.AgreementMaker;
import orthogon.core.answer.choice.ChoiceMaker;
import orthogon.core.answer.contact.ContactMaker;
import orthogon.core.answer.date.DateMaker;
import orthogon.core.answer.file.FileMaker;
import orthogon.core.answer.grid.GridMaker;
import orthogon.core.answer.hidden.HiddenMaker;
import orthogon.core.answer.iso.IsoMaker;
import orthogon.core.answer.lookup.LookupMaker;
import orthogon.core.answer.number.NumberMaker;
import orthogon.core.answer.parts.PartsMaker;
import orthogon.core.answer.percentage.PercentageMaker;
import orthogon.core.answer.ranking.RankingMaker;
import orthogon.core.answer.scale.ScaleMaker;
import orthogon.core.answer.signature.SignatureMaker;
import orthogon.core.answer.text.TextMaker;
import orthogon.core.answer.time.TimeMaker;
import orthogon.core.answer.yesno.YesNoMaker;
import java.util.List;
import java.util.Optional;

/** What makes each kind of answer, in the order of the list of types. */
public final class AnswerMakers {

    private static final List<AnswerMaker> ALL = List.of(new TextMaker(), new ChoiceMaker(), new YesNoMaker(), new NumberMaker(),
            new PercentageMaker(),
            new ScaleMaker(), new DateMaker(), new TimeMaker(), new PartsMaker(), new ContactMaker(), new IsoMaker(), new GridMaker(),
            new RankingMaker(), new FileMaker(), new AgreementMaker(), new SignatureMaker(), new HiddenMaker(), new LookupMaker());

    private AnswerMakers() {}

    /** Every line of the list of types that is an answer. */
    public static List<AnswerMaker.TypedWords> lines() {
        return ALL.stream().flatMap(m -> m.lines().stream()).toList();
    }

    /**
     * The answer that words describe; empty where they describe none.
     *
     * @throws AnswerFault where they describe an answer that cannot be
     */
    public static Optional<Answer> typed(String words) {
        return ALL.stream().map(m -> m.typed(words)).flatMap(Optional::stream).findFirst();
    }

    /** A new answer of a kind, with those settings of another answer that it has too. */
    public static Answer from(AnswerKind kind, Answer other) {
        return ALL.stream().filter(m -> m.kinds().contains(kind)).findFirst().orElseThrow().from(kind, other);
    }
}
