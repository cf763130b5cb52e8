package orthogon.formats.answer.lookup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.language.OwnWords;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.AnswerFormat;
import orthogon.formats.answer.PaperBlock;
import orthogon.formats.answer.kinds.AnswerFormats;
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
        String questionnaire = json.code("questionnaire");
        int release = Optional.ofNullable(json.whole("release")).orElse(0);
        List<RecordAnswer> shows = json.list("shows", LookupFormat::shown).stream().filter(Objects::nonNull).toList();
        return new LookupAnswer(questionnaire, release, shows, json.text("everyRecord"), json.text("offerWhen"), json.text("order"),
                json.truth("mayAdd"));
    }

    /** Null where the answer is missing or cannot be shown; the fault is noted. */
    private static RecordAnswer shown(ReadObject json) {
        String code = json.code("code");
        String label = json.text("label");
        ReadObject settings = json.object("answer");
        if (settings == null || !settings.isObject()) {
            json.fault("answer", "the type of the answer that is shown is missing");
            return null;
        }
        Answer answer = AnswerFormats.read(settings);
        settings.close();
        try {
            return new RecordAnswer(code, label, answer);
        } catch (AnswerFault e) {
            json.fault("answer", e.getMessage());
            return null;
        }
    }

    @Override
    public void write(LookupAnswer l, WrittenObject json) {
        json.always("questionnaire", l.questionnaire()).put("release", l.release() == 0 ? null : l.release())
                .put("shows", l.shows().stream().map(LookupFormat::written).toList()).put("everyRecord", l.everyRecord())
                .put("offerWhen", l.offerWhen()).put("order", l.order()).put("mayAdd", l.mayAdd());
    }

    private static Map<String, Object> written(RecordAnswer shown) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("code", shown.code());
        WrittenObject.put(json, "label", shown.label());
        json.put("answer", AnswerFormats.write(shown.answer()));
        return json;
    }

    @Override
    public List<AnswerColumn> columns(LookupAnswer l) {
        List<AnswerColumn> columns = new ArrayList<>(
                List.of(new AnswerColumn(Domain.OneRecord.RECEIPT, "record", "text", List.of(), true, "")));
        l.shows().forEach(s -> columns.addAll(columns(s)));
        return columns;
    }

    private static List<AnswerColumn> columns(RecordAnswer shown) {
        List<AnswerColumn> parts = AnswerFormats.of(shown.answer()).columns(shown.answer());
        return parts.isEmpty()
                ? List.of(new AnswerColumn(shown.code(), shown.label(), shown.answer().type(), shown.answer().options(), false, ""))
                : parts.stream().map(p -> new AnswerColumn(shown.code() + "." + p.part(), shown.label() + ": " + p.label(), p.type(),
                        p.options(), false, "")).toList();
    }

    @Override
    public List<PaperBlock> paper(LookupAnswer l, OwnWords words) {
        return List.of(new PaperBlock.Lines(1));
    }
}
