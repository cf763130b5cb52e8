package orthogon.core.place;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** What an expression at a place does. */
public enum RuleFamily {

    OPEN_WHEN("openWhen", "Open when", false), ASK_WHEN("askWhen", "Ask when", false), OFFER_WHEN("offerWhen", "Offer when",
            false), EVERY_RECORD("everyRecord", "Every record", false), REQUIRE_WHEN("requireWhen", "Require when",
                    false), ACCEPT("accept", "Accept when", true), LOCK_WHEN("lockWhen",
                            "Lock when", false), REWORD("reword", "Reword when", true), START_WITH("startWith", "Start with",
                                    false), DERIVE("derive", "Derive", false), SKIP("skip", "Skip ahead", true), FINISH("finish",
                                            "Finish here",
                                            true), OUTCOME_ROW("outcomeTable", "Outcome when",
                                                    true), SEND_WHEN("sendWhen", "Send when", false), INCLUDE_WHEN("includeWhen",
                                                            "Include passage when", true), OPEN_FOLLOW_UP("openFollowUp",
                                                                    "Open follow-up when",
                                                                    false), AS_MANY("asMany", "As many as", false), FEWEST("fewest",
                                                                            "At least", false), AT_MOST("atMost", "At most", false), CARRY(
                                                                                    "carry", "Carry",
                                                                                    true), CLAIM("claims", "Own claim", true);

    private static final Map<String, RuleFamily> BY_KEY = Arrays.stream(values())
            .collect(Collectors.toUnmodifiableMap(RuleFamily::key, Function.identity()));

    private final String key;
    private final String words;
    private final boolean listed;

    RuleFamily(String key, String words, boolean listed) {
        this.key = key;
        this.words = words;
        this.listed = listed;
    }

    /** The family that the text form of a place names with this key; empty where there is none. */
    public static Optional<RuleFamily> of(String key) {
        return Optional.ofNullable(BY_KEY.get(key));
    }

    /** The family of this constant's name; empty where there is none. */
    public static Optional<RuleFamily> named(String name) {
        return Arrays.stream(values()).filter(f -> f.name().equals(name)).findFirst();
    }

    /** The name in the text form of a place, and of the property in a questionnaire file. */
    public String key() {
        return key;
    }

    /** The name that analysts read. */
    public String words() {
        return words;
    }

    /** Whether rules of this family form a list, so that each has a number. */
    public boolean isListed() {
        return listed;
    }

    /** Whether rules of this family stand in a list of the whole questionnaire, and not at a page or an item. */
    boolean isOfDocument() {
        return this == OUTCOME_ROW || this == CLAIM;
    }

    /** Whether rules of this family stand behind the last page, where all answers and the outcome are known. */
    public boolean isBehindTheEnd() {
        return isOfDispatch() || this == CLAIM;
    }

    /** Whether rules of this family stand at messages, passages and follow-ups. */
    public boolean isOfDispatch() {
        return this == SEND_WHEN || this == INCLUDE_WHEN || isOfFollowUps();
    }

    /** Whether rules of this family stand at follow-ups. */
    public boolean isOfFollowUps() {
        return this == OPEN_FOLLOW_UP || this == CARRY;
    }

    /** Whether a rule of this family at such an owner speaks of the records that a lookup may offer. */
    public boolean isOverRecords(Place owner) {
        return this == EVERY_RECORD || this == OFFER_WHEN && owner instanceof Place.Row;
    }

    /** Whether the expression is a number of entries of a roster. */
    public boolean isCount() {
        return this == AS_MANY || this == FEWEST || this == AT_MOST;
    }

    /** Whether the expression is true or false and governs what happens. */
    public boolean isCondition() {
        return this != START_WITH && this != DERIVE && this != CARRY && !isCount();
    }
}
