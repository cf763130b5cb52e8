package orthogon.app.answer.kinds;

import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.agreement.AgreementControl;
import orthogon.app.answer.choice.ManyChoicesControl;
import orthogon.app.answer.choice.OneChoiceControl;
import orthogon.app.answer.contact.ContactControl;
import orthogon.app.answer.date.DateControl;
import orthogon.app.answer.file.FileControl;
import orthogon.app.answer.grid.GridControl;
import orthogon.app.answer.hidden.HiddenControl;
import orthogon.app.answer.iso.IsoControl;
import orthogon.app.answer.lookup.LookupControl;
import orthogon.app.answer.number.NumberControl;
import orthogon.app.answer.parts.PartsControl;
import orthogon.app.answer.percentage.PercentageControl;
import orthogon.app.answer.ranking.RankingControl;
import orthogon.app.answer.scale.ScaleControl;
import orthogon.app.answer.signature.SignatureControl;
import orthogon.app.answer.text.TextControl;
import orthogon.app.answer.time.TimeControl;
import orthogon.app.answer.yesno.YesNoControl;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** How each kind of answer is set by analysts and given by respondents. */
public final class AnswerControls {

    private static final Map<AnswerKind, AnswerControl<?>> BY_KIND = new EnumMap<>(AnswerKind.class);

    static {
        List.of(new TextControl(), new OneChoiceControl(), new ManyChoicesControl(), new YesNoControl(), new NumberControl(),
                new PercentageControl(),
                new ScaleControl(), new DateControl(), new TimeControl(), new PartsControl(), new ContactControl(), new IsoControl(),
                new GridControl(), new RankingControl(), new FileControl(), new AgreementControl(), new SignatureControl(),
                new HiddenControl(), new LookupControl())
                .forEach(control -> control.kinds().forEach(kind -> BY_KIND.put(kind, control)));
    }

    private AnswerControls() {}

    /** The control of an answer. */
    @SuppressWarnings("unchecked")
    public static <A extends Answer> AnswerControl<A> of(A answer) {
        return (AnswerControl<A>) BY_KIND.get(answer.kind());
    }
}
