package orthogon.core.proof.plain;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.BlankHints;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.language.PipedNames;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.questionnaire.Questionnaire;

/** What texts and conditions say of blank answers, as expressions. */
public final class TextGaps {

    private TextGaps() {}

    /**
     * A part of a text that is a gap while an answer is blank.
     *
     * @param unit of the text
     * @param name the answer's code, as the analyst wrote it
     * @param blank holds where the answer is blank and the part is read; empty where that cannot be said
     */
    public record TextGap(String unit, String name, Optional<Expr> blank) {}

    /** For every answer that a text speaks of, once for each unit, where it leaves a gap; nowhere, where the text says what to show. */
    public static List<TextGap> of(PlainForm plainForm) {
        Wiring wiring = plainForm.original();
        Map<String, List<Optional<Expr>>> found = new LinkedHashMap<>();
        Map<String, String[]> parts = new LinkedHashMap<>();
        Texts.all(wiring.document()).forEach((unit, text) -> {
            Set<String> names = Piping.names(text);
            if (names.isEmpty()) {
                return;
            }
            String place = placeOf(plainForm, unit);
            for (String name : names) {
                if (isReadable(plainForm, place, name)) {
                    parts.put(unit + "/" + name, new String[]{unit, name});
                    found.put(unit + "/" + name, new ArrayList<>());
                }
            }
            for (Piping.Gap gap : Piping.gaps(text)) {
                if (isReadable(plainForm, place, gap.name())) {
                    found.get(unit + "/" + gap.name()).add(blank(wiring, gap).flatMap(e -> plainForm.plain(place, e)));
                }
            }
        });
        List<TextGap> gaps = new ArrayList<>();
        found.forEach((key, blanks) -> {
            boolean said = blanks.stream().allMatch(Optional::isPresent);
            gaps.add(new TextGap(parts.get(key)[0], parts.get(key)[1],
                    said ? Optional.of(any(blanks.stream().map(Optional::get).toList())) : Optional.empty()));
        });
        return gaps;
    }

    /** For every part of a text that puts a passage in, whether that part is read; without those of which that cannot be said. */
    public static List<Expr> partsNamingPassages(PlainForm plainForm) {
        Questionnaire document = plainForm.original().document();
        return document.passages().isEmpty()
                ? List.of()
                : Texts.all(document).values().stream().flatMap(text -> document.passages().stream()
                        .flatMap(p -> partsNaming(plainForm, text, p.code()).flatMap(part -> part).stream())).toList();
    }

    /**
     * Whether a part of a text is read that names a passage bare; nothing where none does. Empty inside where that cannot be said.
     *
     * @param name of the passage
     */
    public static Optional<Optional<Expr>> partsNaming(PlainForm plainForm, String text, String name) {
        if (!Piping.names(text).contains(name)) {
            return Optional.empty();
        }
        List<Expr> parts = new ArrayList<>();
        for (Piping.Gap gap : Piping.gaps(text)) {
            if (gap.name().equals(name)) {
                List<Expr> arms = new ArrayList<>();
                for (Piping.PipedArm arm : gap.arms()) {
                    Optional<Expr> taken = taken(plainForm.original(), arm).flatMap(e -> plainForm.plain("", e));
                    if (taken.isEmpty()) {
                        return Optional.of(Optional.empty());
                    }
                    arms.add(taken.get());
                }
                parts.add(arms.isEmpty() ? new Literal(true, Span.NONE) : arms.size() == 1 ? arms.getFirst() : new And(arms, Span.NONE));
            }
        }
        return Optional.of(Optional.of(any(parts)));
    }

    /** Whether there is one answer of this name at the place; what is answered for each entry of a roster has none outside of it. */
    private static boolean isReadable(PlainForm plainForm, String place, String name) {
        Wiring wiring = plainForm.original();
        String code = PipedNames.code(name);
        return wiring.typeOf(name).isPresent()
                && (wiring.rosterOf(code).isEmpty() || place.startsWith(plainForm.entry(wiring.rosterOf(code).get(), 1)));
    }

    /** Where a unit is read: the code of its page, item, outcome, or the kind of text, in plain form. */
    private static String placeOf(PlainForm plainForm, String unit) {
        Place.Text at = PlaceText.unit(unit);
        return at.name().equals("entryTitle") ? plainForm.entry(at.row(), 1) : plainForm.first(at.row());
    }

    /** For every comparison of a condition that a blank answer could turn unseen, whether what it hangs on is answered. */
    public static List<Expr> blankness(Expr condition) {
        List<Expr> all = new ArrayList<>();
        for (BlankHints.Slip slip : BlankHints.slips(condition)) {
            if (!slip.isQuantified()) {
                slip.names().forEach(name -> all.add(answered(name)));
                slip.comparison().children().stream().filter(side -> !side.references().isEmpty()).forEach(side -> all.add(isBlank(side)));
            }
        }
        return all;
    }

    /** Whether a value is blank. */
    public static Expr isBlank(Expr value) {
        return value instanceof Name || value instanceof PartOf
                ? new Not(answered(value), Span.NONE)
                : new Compare("=", value, new Literal(null, Span.NONE), Span.NONE);
    }

    /** Whether a name or a part of one has a value. */
    public static Expr answered(Expr value) {
        return new Call("answered", List.of(value), Span.NONE);
    }

    /** What a text speaks of: a name, or a part of it. */
    private static Expr value(String path) {
        String[] names = path.split("\\.");
        Expr value = new Name(names[0], Span.NONE);
        for (int i = 1; i < names.length; i++) {
            value = new PartOf(value, names[i], Span.NONE);
        }
        return value;
    }

    private static Expr answered(String name) {
        return answered(value(name));
    }

    private static Expr any(List<Expr> parts) {
        return parts.isEmpty() ? new Literal(false, Span.NONE) : parts.size() == 1 ? parts.getFirst() : new Or(parts, Span.NONE);
    }

    private static Optional<Expr> blank(Wiring wiring, Piping.Gap gap) {
        List<Expr> all = new ArrayList<>(List.of(new Not(answered(gap.name()), Span.NONE)));
        for (Piping.PipedArm arm : gap.arms()) {
            Optional<Expr> taken = taken(wiring, arm);
            if (taken.isEmpty()) {
                return Optional.empty();
            }
            all.add(taken.get());
        }
        return Optional.of(all.size() == 1 ? all.getFirst() : new And(all, Span.NONE));
    }

    private static Optional<Expr> taken(Wiring wiring, Piping.PipedArm arm) {
        if (arm.plural()) {
            return Optional.empty();
        }
        if (!arm.key().equals("other")) {
            return is(wiring, arm.name(), arm.key());
        }
        List<Expr> named = new ArrayList<>();
        for (String key : arm.keys()) {
            if (!key.equals("other")) {
                Optional<Expr> is = is(wiring, arm.name(), key);
                if (is.isEmpty()) {
                    return Optional.empty();
                }
                named.add(is.get());
            }
        }
        return Optional.of(named.isEmpty() ? new Literal(true, Span.NONE) : new Not(any(named), Span.NONE));
    }

    private static Optional<Expr> is(Wiring wiring, String name, String key) {
        if (key.equals("blank")) {
            return Optional.of(new Not(answered(name), Span.NONE));
        }
        Object value = switch (wiring.typeOf(name).map(Type::kind).orElse(Type.TypeKind.NOTHING)) {
            case TRUTH -> key.equals("yes") ? Boolean.TRUE : key.equals("no") ? Boolean.FALSE : null;
            case NUMBER -> key.matches("-?\\d{1,9}") ? new BigDecimal(key) : null;
            case TEXT -> key;
            default -> null;
        };
        return value == null
                ? Optional.empty()
                : Optional.of(new Compare("=", value(name), new Literal(value, Span.NONE), Span.NONE));
    }
}
