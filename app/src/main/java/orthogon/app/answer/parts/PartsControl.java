package orthogon.app.answer.parts;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.GivenFields;
import orthogon.app.answer.MadeUp;
import orthogon.app.answer.PageBox;
import orthogon.app.answer.Setting;
import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.ShownAnswer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.language.OwnWords;

/** Names and addresses, a box for each part. */
public final class PartsControl implements AnswerControl<PartsAnswer> {

    /** The part to the name that browsers fill in by themselves. */
    private static final Map<String, String> AUTOCOMPLETE = Map.of("title", "honorific-prefix", "given", "given-name", "middle",
            "additional-name", "family", "family-name", "line_1", "address-line1", "line_2", "address-line2", "town", "address-level2",
            "region", "address-level1", "postcode", "postal-code", "country", "country-name");
    private static final List<String> STREETS = List.of("3 Mill Lane", "12 Heron Row", "The Weir House", "7 Alder Close", "Old Harbour 2");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERSON_NAME, AnswerKind.POSTAL_ADDRESS);
    }

    @Override
    public String inShort(PartsAnswer p) {
        return (p.isAddress() ? "address" : "name") + " in " + p.parts().size() + " parts";
    }

    @Override
    public List<Setting> settings(PartsAnswer p) {
        Map<String, String> parts = new LinkedHashMap<>();
        p.known().forEach(part -> parts.put(part, part.replace('_', ' ')));
        return List.of(Setting.ticks("parts", "Parts", parts, p.parts()), Setting.ticks("requiredParts", "Needed", parts, p.required()));
    }

    @Override
    public PartsAnswer set(PartsAnswer now, SettingsForm form) {
        List<String> parts = now.known().stream().filter(form.all("parts")::contains).toList();
        return new PartsAnswer(now.isAddress(), parts, parts.stream().filter(form.all("requiredParts")::contains).toList());
    }

    @Override
    public DrawnControl drawn(PartsAnswer p, ShownAnswer shown) {
        return DrawnControl.ofBoxes("parts", p.parts().stream()
                .map(part -> new PageBox(shown.field(part), label(p, part, shown.words()), shown.part(part),
                        AUTOCOMPLETE.getOrDefault(part, "off"), List.of()))
                .toList());
    }

    private static String label(PartsAnswer p, String part, OwnWords words) {
        return words.say("part." + part) + (p.required().contains(part) ? "" : " " + words.say("optional"));
    }

    @Override
    public Object given(PartsAnswer p, GivenFields fields) {
        return fields.parts(p.parts(), GivenFields.LONGEST);
    }

    @Override
    public String inWords(PartsAnswer p, Object value, OwnWords words) {
        if (!(value instanceof Map<?, ?> given)) {
            return value.toString();
        }
        return p.parts().stream().filter(given::containsKey).map(given::get).map(String::valueOf)
                .collect(Collectors.joining(p.isAddress() ? ", " : " "));
    }

    @Override
    public Object madeUp(PartsAnswer p, MadeUp how) {
        Map<String, Object> parts = new LinkedHashMap<>();
        p.parts().forEach(part -> parts.put(part, switch (part) {
            case "given", "middle" -> how.givenName();
            case "family" -> how.familyName();
            case "line_1" -> how.pick(STREETS);
            case "town" -> "Quillmere";
            case "postcode" -> "QM" + (1 + how.random().nextInt(9)) + " 2AB";
            case "title" -> "Dr";
            default -> "Fenland";
        }));
        return parts;
    }
}
