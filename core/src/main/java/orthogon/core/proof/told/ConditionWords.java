package orthogon.core.proof.told;

import java.util.Locale;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.Place;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;

/** Says conditions in the analyst's words. */
final class ConditionWords {

    private final Wiring wiring;
    private final PlainForm plainForm;

    ConditionWords(PlainForm plainForm) {
        this.wiring = plainForm.original();
        this.plainForm = plainForm;
    }

    /** One condition as a sentence without a full stop: {@code age is asked when group is bird or mammal}. */
    String at(String plainPlace) {
        String place = plainForm.origin(plainPlace);
        Wire wire = wiring.at(place).orElse(null);
        if (wire == null) {
            return plainForm.isSaid(plainPlace) ? place : "there is " + plainForm.said(plainPlace.replaceFirst("\\..*$", ""));
        }
        String when = bare(wire);
        String owner = wire.owner();
        return switch (wire.family()) {
            case OPEN_WHEN -> "page " + owner + " is open when " + when;
            case ASK_WHEN -> owner + " is " + shown(owner) + " when " + when;
            case OFFER_WHEN -> "option " + ((Place.Part) wire.at().owner()).code() + " of " + owner + " is on offer when " + when;
            case REQUIRE_WHEN -> owner + (isTrue(wire) ? " must be answered" : " must be answered when " + when);
            case ACCEPT -> owner + " is accepted only when " + when;
            case LOCK_WHEN -> owner + (isTrue(wire) ? " is always locked" : " is locked when " + when);
            case REWORD -> owner + " is reworded when " + when;
            case START_WITH -> owner + " starts with " + when;
            case DERIVE -> owner + " is " + when;
            case SKIP -> "page " + owner + " is left for page " + page(owner).skip().get(wire.at().number()).to()
                    + (isTrue(wire) ? "" : " when " + when);
            case FINISH -> "after page " + owner + " the interview ends as " + page(owner).finish().get(wire.at().number()).outcome()
                    + (isTrue(wire) ? "" : " when " + when);
            case OUTCOME_ROW -> "row " + (wire.at().number() + 1) + " of the outcome table takes all for whom " + when;
            case CLAIM -> owner + " says: " + when;
        };
    }

    /** The expression at a place alone. */
    String bareAt(String plainPlace) {
        return wiring.at(plainForm.origin(plainPlace)).map(ConditionWords::bare).orElse("");
    }

    private static String bare(Wire wire) {
        return wire.readable().map(Phrase::of).orElse(wire.text());
    }

    /** A sentence as it begins: with a capital letter, unless its first word is a code. */
    String begun(String sentence) {
        String first = sentence.split("[\\s.:/]", 2)[0];
        boolean code = wiring.document().item(first).isPresent() || wiring.document().page(first).isPresent()
                || wiring.document().outcome(first).isPresent() || wiring.type(first).isPresent();
        return code ? sentence : sentence.substring(0, 1).toUpperCase(Locale.ROOT) + sentence.substring(1);
    }

    private static boolean isTrue(Wire wire) {
        return wire.expr().filter(e -> e instanceof Expr.Literal l && Boolean.TRUE.equals(l.value())).isPresent();
    }

    private Page page(String code) {
        return wiring.document().page(code).orElseThrow();
    }

    private String shown(String code) {
        Item item = wiring.document().item(code).orElse(null);
        return item instanceof Note || item instanceof Group ? "shown" : "asked";
    }
}
