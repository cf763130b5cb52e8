package orthogon.app.answer.ranking;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.PageBox;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.app.answer.choice.ChoiceLayouts;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/** A list of options for each place. */
public final class RankingControl implements AnswerControl<RankingAnswer> {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RANKING);
    }

    @Override
    public String inShort(RankingAnswer r) {
        return "rank " + r.ranked() + " of " + r.options().size();
    }

    @Override
    public List<Setting> settings(RankingAnswer r) {
        return List.of(Setting.text("places", "Places", r.places(), "How many are put in order."));
    }

    @Override
    public RankingAnswer set(RankingAnswer now, SettingsForm form) throws Refused {
        List<Option> options = form.options().stream().map(o -> o.withExclusive(false)).toList();
        return new RankingAnswer(options, form.whole("places") == null ? Math.max(1, now.options().size()) : form.whole("places"));
    }

    @Override
    public DrawnControl drawn(RankingAnswer r, ShownAnswer shown) {
        return DrawnControl.ofBoxes("ranking", IntStream.rangeClosed(1, r.ranked())
                .mapToObj(place -> new PageBox(shown.field(String.valueOf(place)), shown.words().say("place", place), "", "off",
                        shown.item().offered().stream()
                                .map(o -> shown.choice(o.code(), o.label(), isAt(shown.value(), place, o.code()))).toList()))
                .toList());
    }

    private static boolean isAt(Object value, int place, String code) {
        return value instanceof List<?> ranked && ranked.size() >= place && ranked.get(place - 1).equals(code);
    }

    @Override
    public Object given(RankingAnswer r, GivenFields fields) {
        List<String> ranked = IntStream.rangeClosed(1, r.ranked()).mapToObj(String::valueOf)
                .flatMap(place -> fields.values(place).stream().limit(1)).toList();
        return ranked.isEmpty() ? null : ranked;
    }

    @Override
    public String inWords(RankingAnswer r, Object value, OwnWords words) {
        if (!(value instanceof List<?> ranked)) {
            return value.toString();
        }
        return IntStream.range(0, ranked.size()).mapToObj(i -> (i + 1) + ". " + ChoiceLayouts.label(r, ranked.get(i)))
                .collect(Collectors.joining(", "));
    }

    @Override
    public String hint(RankingAnswer r, LocalDate today, OwnWords words) {
        return words.say("hint.ranking", r.ranked());
    }

    @Override
    public Object madeUp(RankingAnswer r, MadeUp how) {
        List<String> codes = new ArrayList<>(r.options().stream().map(Option::code).toList());
        Collections.shuffle(codes, how.random());
        return List.copyOf(codes.subList(0, r.ranked()));
    }
}
