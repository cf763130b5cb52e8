package orthogon.core.edit;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.questionnaire.Answer;

/**
 * An answer turned into another type.
 *
 * @param lost settings that the new type does not have, in words
 */
public record Retyped(Answer answer, List<String> lost) {

    /** @throws Refused where there is no such type */
    public static Retyped to(Answer now, String type) throws Refused {
        List<String> lost = new ArrayList<>();
        List<Answer.Option> options = now.hasOwnOptions()
                ? now.options()
                : now instanceof Answer.IsoCode iso && !iso.offered().isEmpty()
                        ? iso.options().stream()
                                .map(o -> Answer.Option.of(o.code().toLowerCase(java.util.Locale.ROOT), o.label())).toList()
                        : List.of();
        List<Answer.Option> kept = options.isEmpty()
                ? List.of(Answer.Option.of("first", "First option"), Answer.Option.of("second", "Second option"))
                : options;
        Integer least = null;
        Integer most = null;
        if (now instanceof Answer.ManyChoices m) {
            least = m.least();
            most = m.most();
        }
        BigDecimal from = now instanceof Answer.Numeric n
                ? n.least()
                : now instanceof Answer.Scale s ? BigDecimal.valueOf(s.first()) : null;
        BigDecimal to = now instanceof Answer.Numeric n ? n.most() : now instanceof Answer.Scale s ? BigDecimal.valueOf(s.last()) : null;
        Answer.Layout layout = now instanceof Answer.OneChoice c
                ? c.layout()
                : now instanceof Answer.ManyChoices m
                        ? m.layout()
                        : Answer.Layout.PLAIN;
        Answer changed = switch (type) {
            case "shortText", "longText" -> now instanceof Answer.TextAnswer t
                    ? new Answer.TextAnswer(type.equals("longText"), t.least(), t.most(), t.content(), t.pattern(), t.example(), t.mask(),
                            t.placeholder())
                    : new Answer.TextAnswer(type.equals("longText"), null, null);
            case "personName" -> Answer.Parts.name();
            case "postalAddress" -> Answer.Parts.address();
            case "email" -> new Answer.Contact(Answer.Contact.Kind.EMAIL, "");
            case "phone" -> new Answer.Contact(Answer.Contact.Kind.PHONE, "");
            case "webAddress" -> new Answer.Contact(Answer.Contact.Kind.WEB, "");
            case "number" -> new Answer.Numeric(from, to, 0, "");
            case "rating" -> Answer.Scale.rating(to == null ? 5 : Math.clamp(to.longValue(), 2, Answer.Scale.MOST_STEPS));
            case "likelihood" -> Answer.Scale.likelihood();
            case "yesNo" -> new Answer.YesNo();
            case "agreement" -> new Answer.Agreement("");
            case "oneChoice" -> new Answer.OneChoice(kept.stream().map(o -> alone(o, false)).toList(),
                    layout);
            case "manyChoices" ->
                new Answer.ManyChoices(kept, least, most, layout.shown() == Answer.ShownAs.DROP_DOWN ? Answer.Layout.PLAIN : layout);
            case "grid" -> new Answer.Grid(now instanceof Answer.ManyChoices,
                    List.of(new Answer.Grid.GridRow("first", "First row", ""), new Answer.Grid.GridRow("second", "Second row", "")),
                    kept.stream().map(o -> alone(o, now instanceof Answer.ManyChoices && o.exclusive())).toList());
            case "ranking" -> new Answer.Ranking(kept.stream().map(o -> alone(o, false).withOfferWhen("")).toList(), kept.size());
            case "date" -> new Answer.DateAnswer(null, null);
            case "time" -> new Answer.TimeAnswer(null, null);
            case "file" -> new Answer.FileAnswer(1, 5_000_000, List.of());
            case "country" -> new Answer.IsoCode(false, List.of());
            case "language" -> new Answer.IsoCode(true, List.of());
            case "lookup" -> new Answer.Lookup("other_questionnaire", 0, List.of(), false);
            case "signature" -> new Answer.Signature();
            case "hidden" -> new Answer.Hidden(List.of());
            default -> throw new Refused("There is no answer type “" + type + "”.");
        };
        if (!options.isEmpty() && !changed.hasOwnOptions()) {
            lost.add(options.size() + " options");
        } else
            if (options.stream().anyMatch(Answer.Option::exclusive) && !(changed instanceof Answer.ManyChoices)
                    && !(changed instanceof Answer.Grid)) {
                        lost.add("which options stand alone");
                    }
        if ((least != null || most != null) && !(changed instanceof Answer.ManyChoices)) {
            lost.add("how many may be chosen");
        }
        if ((from != null || to != null) && now instanceof Answer.Numeric && !(changed instanceof Answer.Numeric)) {
            lost.add("the limits");
        }
        if (now instanceof Answer.TextAnswer t && (t.most() != null || t.least() != null || !t.pattern().isEmpty())
                && !(changed instanceof Answer.TextAnswer)) {
            lost.add("the limits of the text");
        }
        if (now instanceof Answer.Grid && !(changed instanceof Answer.Grid)) {
            lost.add("the rows of the grid");
        }
        return new Retyped(changed, List.copyOf(lost));
    }

    private static Answer.Option alone(Answer.Option o, boolean exclusive) {
        return new Answer.Option(o.code(), o.label(), o.score(), exclusive, o.offerWhen(), o.other(), o.picture());
    }
}
