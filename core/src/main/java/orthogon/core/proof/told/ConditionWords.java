package orthogon.core.proof.told;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
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
            return plainForm.isSaid(plainPlace)
                    ? place
                    : MessagePatterns.format("condition.exists", Map.of("what", plainForm.said(plainPlace.replaceFirst("\\..*$", ""))));
        }
        String owner = wire.owner();
        Map<String, Object> terms = new HashMap<>(Map.of("owner", owner, "when", bare(wire), "always", String.valueOf(isTrue(wire))));
        String key = switch (wire.family()) {
            case OPEN_WHEN -> "open";
            case ASK_WHEN -> isShown(owner) ? "show" : "ask";
            case OFFER_WHEN -> {
                terms.put("option", ((Place.Part) wire.at().owner()).code());
                yield "offer";
            }
            case REQUIRE_WHEN -> "require";
            case ACCEPT -> "accept";
            case LOCK_WHEN -> "lock";
            case REWORD -> "reword";
            case START_WITH -> "start";
            case DERIVE -> "derive";
            case SKIP -> {
                terms.put("to", page(owner).skip().get(wire.at().number()).to());
                yield "skip";
            }
            case FINISH -> {
                terms.put("outcome", page(owner).finish().get(wire.at().number()).outcome());
                yield "finish";
            }
            case OUTCOME_ROW -> {
                terms.put("row", wire.at().number() + 1);
                yield "row";
            }
            case SEND_WHEN -> "send";
            case INCLUDE_WHEN -> {
                terms.put("number", wire.at().number() + 1);
                yield "include";
            }
            case CLAIM -> "own";
        };
        return MessagePatterns.format("condition." + key, terms);
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

    private boolean isShown(String code) {
        Item item = wiring.document().item(code).orElse(null);
        return item instanceof Note || item instanceof Group;
    }
}
