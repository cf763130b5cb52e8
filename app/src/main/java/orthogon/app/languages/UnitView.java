package orthogon.app.languages;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.app.frame.Frame;
import orthogon.core.expression.Phrase;
import orthogon.core.language.Marks;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.language.TextDifference;
import orthogon.core.language.Units;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.proof.flow.TextRoutes;
import orthogon.core.questionnaire.Questionnaire;

/**
 * One text, ready to be translated.
 *
 * @param pieces of the source, with what must stay
 * @param marks what the translation must keep; each can be put in by a key
 * @param forms plural forms that the language asks for; none where the text goes by no number
 * @param difference from the source that a stale translation was made of
 * @param memory translations of the same source that are there already
 * @param met on how many routes, in words
 * @param shownWhen condition of the text's item in words; empty for always
 * @param note what translators should know
 * @param arms what is read in which case, where the text chooses
 */
record UnitView(Units.Unit unit, String place, List<Marks.Piece> pieces, List<Marks.Mark> marks, List<String> forms,
        List<TextDifference.Run> difference, List<String> memory, String met, String shownWhen, String note, boolean readOnly,
        List<Marks.Arm> arms) {

    static UnitView of(Questionnaire document, Proof proof, String language, Units.Unit unit) {
        String source = unit.source();
        List<Marks.Mark> marks = Marks.of(source).stream().filter(m -> m.kind() != Marks.MarkKind.MARKUP).toList();
        boolean counts = marks.stream().anyMatch(m -> m.kind() == Marks.MarkKind.PLURAL);
        List<String> memory = new ArrayList<>(Units.remembered(document, language, source));
        memory.remove(unit.text());
        return new UnitView(unit, Units.place(document, unit.unit()), Marks.pieces(source), marks,
                counts ? Marks.pluralForms(language) : List.of(),
                unit.state() == Units.TextState.STALE ? TextDifference.of(unit.of(), source) : List.of(), memory,
                met(document, proof, unit.unit()),
                shownWhen(proof, document, unit.unit()), document.notes().getOrDefault(unit.unit(), ""), language.equals(Stretch.TAG),
                Marks.arms(unit.text()));
    }

    private static String met(Questionnaire document, Proof proof, String unit) {
        if (unit.startsWith(OwnWords.UNIT)) {
            return "met by everybody";
        }
        Optional<Routes> routes = proof.counted().flatMap(Figures::everyRoute);
        if (routes.isEmpty()) {
            return proof.counted().isPresent() ? "the routes are not counted" : "the routes are being counted";
        }
        BigInteger met = TextRoutes.routes(document, routes.get(), unit);
        BigInteger all = routes.get().count();
        return met.equals(all)
                ? all.equals(BigInteger.ONE) ? "met on the only route" : "met on all " + Frame.grouped(all) + " routes"
                : Frame.grouped(met) + " of " + Frame.grouped(all) + " routes meet this text";
    }

    private static String shownWhen(Proof proof, Questionnaire document, String unit) {
        Place.Text text = PlaceText.unit(unit);
        String owner = text.row();
        List<String> places = new ArrayList<>();
        if (text.owner() instanceof Place.Rule rule) {
            places.add(rule.text());
        } else if (text.owner() instanceof Place.Part option) {
            places.add(Place.Rule.at(option, RuleFamily.OFFER_WHEN).text());
        }
        places.add(owner + ".askWhen");
        document.pageOf(owner).ifPresent(p -> places.add(p.code() + ".openWhen"));
        places.add(owner + ".openWhen");
        List<String> words = new ArrayList<>();
        for (String place : places) {
            proof.wiring().at(place).ifPresent(w -> w.readable()
                    .ifPresent(e -> words.add((w.family() == RuleFamily.ACCEPT ? "unless " : "") + Phrase.of(e))));
        }
        return String.join(", and ", words);
    }

    /** Length beside the source, in percent. */
    public int length() {
        return unit.text().isEmpty() ? 0 : (int) Math.round(100.0 * unit.text().length() / Math.max(1, unit.source().length()));
    }

    /** A first text with all forms, to be filled in. */
    public String skeleton() {
        return marks.stream().filter(m -> m.kind() == Marks.MarkKind.PLURAL).findFirst().map(m -> {
            String name = m.shown().substring(1, m.shown().indexOf(','));
            StringBuilder text = new StringBuilder("{" + name + ", plural,");
            forms.forEach(f -> text.append(' ').append(f).append(" {# …}"));
            return text.append('}').toString();
        }).orElse("");
    }
}
