package orthogon.core.place;

import java.util.Optional;
import orthogon.core.place.Place.Comparison;
import orthogon.core.place.Place.Mention;
import orthogon.core.place.Place.Part;
import orthogon.core.place.Place.Row;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.Place.Whole;

/**
 * Reads the text form of a place: {@code seen}, {@code group.bat}, {@code seen.askWhen}, {@code group.bat.offerWhen},
 * {@code count/accept/0}, {@code outcomeTable/0}, {@code seen.askWhen#1}. A name behind a dot that is a family of rules is no option.
 */
public final class PlaceText {

    private PlaceText() {}

    /** Empty for a text that no place has. */
    public static Optional<Place> read(String text) {
        int hash = text.indexOf('#');
        if (hash >= 0) {
            Optional<Integer> number = number(text.substring(hash + 1));
            return rule(text.substring(0, hash)).flatMap(r -> number.map(n -> new Comparison(r, n)));
        }
        Optional<Rule> rule = rule(text);
        return rule.isPresent() ? rule.map(r -> r) : row(text);
    }

    /** Empty for a text that is not the place of an expression. */
    public static Optional<Rule> rule(String text) {
        String[] parts = text.split("/", -1);
        if (parts.length == 1) {
            int dot = text.lastIndexOf('.');
            return dot < 0
                    ? Optional.empty()
                    : RuleFamily.of(text.substring(dot + 1)).filter(f -> !f.isListed())
                            .flatMap(f -> row(text.substring(0, dot)).map(owner -> Rule.at(owner, f)));
        }
        boolean ofDocument = parts.length == 2;
        Optional<RuleFamily> family = RuleFamily.of(parts[parts.length - 2])
                .filter(f -> f.isListed() && f.isOfDocument() == ofDocument);
        Optional<Place> owner = ofDocument ? Optional.of(new Whole()) : parts.length == 3 ? row(parts[0]) : Optional.empty();
        return family.flatMap(f -> owner.flatMap(o -> number(parts[parts.length - 1]).map(n -> new Rule(o, f, n))));
    }

    /** The page, item, outcome or option of this text. */
    public static Optional<Place> row(String text) {
        String[] codes = text.split("\\.", -1);
        for (String code : codes) {
            if (code.isEmpty() || code.indexOf('/') >= 0) {
                return Optional.empty();
            }
        }
        return switch (codes.length) {
            case 1 -> Optional.of(new Row(codes[0]));
            case 2 -> Optional.of(new Part(codes[0], codes[1]));
            default -> Optional.empty();
        };
    }

    /**
     * The text of a unit: {@code seen.wording}, {@code group.bat.label}, {@code seen/reword/0.help}, {@code count/accept/0.message},
     * {@code title}. Every word is some unit's, whether a document has it or not.
     */
    public static Place.Text unit(String unit) {
        int slash = unit.lastIndexOf('/');
        int dot = unit.indexOf('.', slash + 1);
        if (dot < 0) {
            return new Place.Text(new Whole(), unit);
        }
        if (slash >= 0) {
            Optional<Rule> rule = rule(unit.substring(0, dot));
            return rule.map(r -> new Place.Text(r, unit.substring(dot + 1))).orElseGet(() -> new Place.Text(new Whole(), unit));
        }
        int last = unit.lastIndexOf('.');
        Place owner = row(unit.substring(0, last)).orElse(null);
        return owner == null
                ? new Place.Text(new Row(unit.substring(0, dot)), unit.substring(dot + 1))
                : new Place.Text(owner, unit.substring(last + 1));
    }

    /** A text in a language, as {@code fr/seen.wording}; empty where the text has no language before it. */
    public static Optional<Place.InLanguage> translation(String text) {
        int slash = text.indexOf('/');
        return slash < 0
                ? Optional.empty()
                : Optional.of(new Place.InLanguage(text.substring(0, slash), unit(text.substring(slash + 1))));
    }

    /** What a text says of something, as {@code seen.wording/count}; empty where the text names nothing. */
    public static Optional<Mention> mention(String text) {
        int slash = text.lastIndexOf('/');
        return slash < 0
                ? Optional.empty()
                : Optional.of(new Mention(unit(text.substring(0, slash)), text.substring(slash + 1)));
    }

    private static Optional<Integer> number(String digits) {
        return digits.matches("0|[1-9][0-9]{0,5}") ? Optional.of(Integer.valueOf(digits)) : Optional.empty();
    }
}
