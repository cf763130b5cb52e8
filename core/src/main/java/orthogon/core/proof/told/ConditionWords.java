package orthogon.core.proof.told;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;

/** Says conditions in the analyst's words. */
final class ConditionWords {

    private final Wiring wiring;
    private final PlainForm plainForm;

    ConditionWords(PlainForm plainForm) {
        this.wiring = plainForm.asWritten();
        this.plainForm = plainForm;
    }

    /** One condition as a sentence without a full stop: {@code age is asked when group is bird or mammal}. */
    String at(String plainPlace) {
        String place = plainForm.origin(plainPlace);
        Wire wire = wiring.at(place).orElse(null);
        if (wire == null) {
            return plainForm.isSaid(plainPlace) || plainForm.isCount(plainPlace)
                    ? place
                    : MessagePatterns.format("condition.exists", Map.of("what", plainForm.said(plainPlace.replaceFirst("\\..*$", ""))));
        }
        if (plainForm.isComposed() && CaseNames.isAid(wire.owner())) {
            return ofAid(wire);
        }
        String owner = wire.owner();
        Map<String, Object> terms = new HashMap<>(Map.of("owner", owner, "when", bare(wire), "always", String.valueOf(isTrue(wire))));
        String key = switch (wire.family()) {
            case OPEN_WHEN -> "open";
            case ASK_WHEN -> isShown(owner) ? "show" : "ask";
            case EVERY_RECORD -> "every-record";
            case OFFER_WHEN -> {
                if (wire.at().owner() instanceof Place.Part option) {
                    terms.put("option", option.code());
                    yield "offer";
                }
                yield "offer-record";
            }
            case REQUIRE_WHEN -> "require";
            case ACCEPT -> "accept";
            case LOCK_WHEN -> "lock";
            case REWORD -> "reword";
            case START_WITH -> "start";
            case DERIVE -> "derive";
            case AS_MANY -> "as-many";
            case FEWEST -> "fewest";
            case AT_MOST -> "at-most";
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
            case OPEN_FOLLOW_UP -> "follow-up";
            case CARRY -> {
                terms.put("to", wiring.document().followUp(owner).orElseThrow().carries().get(wire.at().number()).to());
                yield "carry";
            }
            case CLAIM -> "own";
        };
        String said = MessagePatterns.format("condition." + key, terms);
        return plainForm.isComposed() ? plainForm.said(said) : said;
    }

    /** A condition that is there for the proof of a case alone, as what it stands for. */
    private String ofAid(Wire wire) {
        String owner = plainForm.said(CaseNames.part(wire.owner()));
        String when = plainForm.said(bare(wire));
        String always = String.valueOf(isTrue(wire));
        return wire.family() == RuleFamily.START_WITH
                ? MessagePatterns.format("condition.carry", Map.of("owner", owner, "when", when,
                        "to", wiring.document().question(wire.owner()).map(Question::wording).orElse("")))
                : MessagePatterns.format("condition.follow-up", Map.of("owner", owner, "when", when, "always", always));
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
