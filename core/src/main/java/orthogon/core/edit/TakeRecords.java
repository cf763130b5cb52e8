package orthogon.core.edit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.answer.Answer;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import orthogon.core.questionnaire.Refused;

/**
 * Where a lookup finds its records, and what it shows of them, as another questionnaire has it. Translations come along where both
 * questionnaires are in the same language.
 *
 * @param code of the question that is a lookup
 * @param source the other questionnaire, as its release or its draft is
 * @param release number of that release; 0 for the draft
 * @param shows codes of questions there, in the order in which they are shown
 * @param everyRecord what all records meet, as {@link LookupAnswer#everyRecord()}
 */
public record TakeRecords(String code, Questionnaire source, int release, List<String> shows, String everyRecord) implements Edit {

    /** The questions whose answers a lookup can show: outside of rosters, and of a type that can be shown. */
    public static List<Question> showable(Questionnaire source) {
        return source.questions().filter(q -> source.rosterOf(q.code()).isEmpty() && RecordAnswer.canShow(q.answer())
                && !q.code().equals(Domain.OneRecord.RECEIPT)).toList();
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Question question = document.question(code).orElseThrow(() -> WholeDocument.gone(code));
        if (!(question.answer() instanceof LookupAnswer now)) {
            throw new Refused(code + " is no lookup any more.");
        }
        if (shows.size() > LookupAnswer.MOST_SHOWN) {
            throw new Refused("At most " + LookupAnswer.MOST_SHOWN + " answers are shown of a record.");
        }
        List<RecordAnswer> shown = showable(source).stream().filter(q -> shows.contains(q.code()))
                .map(q -> new RecordAnswer(q.code(), label(now, q), asShown(q.answer()))).toList();
        LookupAnswer other = now.questionnaire().equals(source.code()) ? now : LookupAnswer.in(source.code());
        Questionnaire after = Meant.understood(document,
                document.withItem(code, i -> question.withAnswer(other.withShows(release, shown, everyRecord))));
        WholeDocument.refuseNewFaults(document, after);
        return translated(after);
    }

    /** The label that the analyst gave, or else the wording there. */
    private String label(LookupAnswer now, Question there) {
        return now.questionnaire().equals(source.code())
                ? now.shown(there.code()).map(RecordAnswer::label).filter(l -> !l.isEmpty()).orElse(there.wording())
                : there.wording();
    }

    /** Without what only whoever answers there has to keep: conditions of options, and limits that move with the day. */
    private static Answer asShown(Answer answer) {
        if (answer instanceof DateAnswer d) {
            return new DateAnswer(fixed(d.earliest()), fixed(d.latest()));
        }
        return !answer.hasOwnOptions()
                ? answer
                : answer.withOptions(
                        answer.options().stream().map(o -> new Option(o.code(), o.label(), o.score(), o.exclusive(), "")).toList());
    }

    private static DateLimit fixed(DateLimit limit) {
        return limit instanceof DateLimit.Fixed ? limit : null;
    }

    /** The document with translations from there of the texts that read the same here, but for those that are translated already. */
    private Questionnaire translated(Questionnaire document) {
        Map<String, String> texts = Texts.all(document);
        Map<String, String> there = Texts.all(source);
        List<String> taken = texts.keySet().stream().filter(unit -> shows.stream().anyMatch(s -> unit.startsWith(code + "." + s + ".")))
                .filter(unit -> texts.get(unit).equals(there.get(unitThere(unit)))).toList();
        Map<String, Map<String, Translation>> all = new LinkedHashMap<>(document.translations());
        for (String language : document.languages()) {
            Map<String, Translation> known = source.translations().getOrDefault(language, Map.of());
            Map<String, Translation> own = new LinkedHashMap<>(all.getOrDefault(language, Map.of()));
            taken.forEach(unit -> Optional.ofNullable(known.get(unitThere(unit))).filter(t -> t.of().equals(texts.get(unit)))
                    .ifPresent(t -> own.putIfAbsent(unit, t)));
            if (!own.isEmpty()) {
                all.put(language, own);
            }
        }
        return document.withTranslations(all);
    }

    /** Where a text of what is shown stands in the other questionnaire. */
    private String unitThere(String unit) {
        String inside = unit.substring(code.length() + 1);
        return shows.stream().anyMatch(s -> inside.equals(s + ".label")) ? inside.substring(0, inside.indexOf('.')) + ".wording" : inside;
    }

    @Override
    public String says() {
        return "chose what " + code + " shows of " + source.code();
    }

    @Override
    public Set<String> about() {
        return Set.of(code);
    }
}
