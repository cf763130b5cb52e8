package orthogon.formats.answer.kinds;

import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.agreement.AgreementFormat;
import orthogon.formats.answer.choice.ManyChoicesFormat;
import orthogon.formats.answer.choice.OneChoiceFormat;
import orthogon.formats.answer.contact.ContactFormat;
import orthogon.formats.answer.date.DateFormat;
import orthogon.formats.answer.file.FileFormat;
import orthogon.formats.answer.grid.GridFormat;
import orthogon.formats.answer.hidden.HiddenFormat;
import orthogon.formats.answer.iso.IsoFormat;
import orthogon.formats.answer.lookup.LookupFormat;
import orthogon.formats.answer.number.NumberFormat;
import orthogon.formats.answer.parts.PartsFormat;
import orthogon.formats.answer.percentage.PercentageFormat;
import orthogon.formats.answer.ranking.RankingFormat;
import orthogon.formats.answer.scale.ScaleFormat;
import orthogon.formats.answer.signature.SignatureFormat;
import orthogon.formats.answer.text.TextFormat;
import orthogon.formats.answer.time.TimeFormat;
import orthogon.formats.answer.yesno.YesNoFormat;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.WrittenObject;
import java.time.DateTimeException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** How each kind of answer stands in files. */
public final class AnswerFormats {

    private static final Map<AnswerKind, AnswerFormat<?>> BY_KIND = new EnumMap<>(AnswerKind.class);

    static {
        List.of(new TextFormat(), new OneChoiceFormat(), new ManyChoicesFormat(), new YesNoFormat(), new NumberFormat(),
                new PercentageFormat(), new ScaleFormat(),
                new DateFormat(), new TimeFormat(), new PartsFormat(), new ContactFormat(), new IsoFormat(), new GridFormat(),
                new RankingFormat(), new FileFormat(), new AgreementFormat(), new SignatureFormat(), new HiddenFormat(), new LookupFormat())
                .forEach(format -> format.kinds().forEach(kind -> BY_KIND.put(kind, format)));
    }

    private AnswerFormats() {}

    /** The format of an answer. */
    @SuppressWarnings("unchecked")
    public static <A extends Answer> AnswerFormat<A> of(A answer) {
        return (AnswerFormat<A>) BY_KIND.get(answer.kind());
    }

    /** Reads the member {@code answer} of a question; a short text where it is at fault. */
    public static Answer read(ReadObject json) {
        String type = json.needed("type");
        Optional<AnswerKind> kind = AnswerKind.of(type);
        if (kind.isEmpty()) {
            if (!type.isEmpty()) {
                json.fault("type", "there is no answer type \"" + type + "\"");
            }
            json.passOver();
            return new TextAnswer(false, null, null);
        }
        try {
            return BY_KIND.get(kind.get()).read(kind.get(), json);
        } catch (AnswerFault e) {
            json.faultInside(e.setting(), e.getMessage());
            return new TextAnswer(false, null, null);
        }
    }

    public static Map<String, Object> write(Answer answer) {
        WrittenObject json = new WrittenObject().always("type", answer.type());
        of(answer).write(answer, json);
        return json.members();
    }

    /** The value that a JSON value stands for; {@link Unreadable} where it is of another type. */
    public static Object value(Answer answer, JsonNode json) {
        try {
            return of(answer).value(answer, json);
        } catch (DateTimeException | JacksonException e) {
            return new Unreadable(json.toString());
        }
    }
}
