package orthogon.core.proof.claim;

import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.proof.message.Message;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Every kind of claim, family by family, in the order in which claims are listed. */
public enum ClaimKind {

    CODE_UNIQUE(Family.SOUND, ClaimScope.ROW), REFERENCE_EXISTS(Family.SOUND, ClaimScope.RULE), TYPE_FITS(Family.SOUND,
            ClaimScope.RULE), LOOKS_AHEAD(
                    Family.SOUND, ClaimScope.RULE), DEPENDS_ON_ITSELF(Family.SOUND, ClaimScope.RULE),
    /** Some respondent comes to a page. */
    REACH_PAGE(Family.REACH, ClaimScope.ROW), REACH_QUESTION(Family.REACH, ClaimScope.ROW), REACH_NOTE(Family.REACH,
            ClaimScope.ROW), REACH_SECTION(
                    Family.REACH, ClaimScope.ROW), REACH_OPTION(Family.REACH, ClaimScope.ROW), REACH_SKIP(Family.REACH,
                            ClaimScope.RULE), REACH_FINISH(Family.REACH, ClaimScope.RULE), REACH_ROW(Family.REACH,
                                    ClaimScope.ENDING), REACH_OUTCOME(
                                            Family.REACH, ClaimScope.ENDING),
    /** A condition holds for some respondents and not for others. */
    CONDITION_VARIES(Family.SENSE, ClaimScope.RULE), COMPARISON_MATTERS(Family.SENSE, ClaimScope.RULE),
    /** What a condition says of a blank answer makes no unnoticed difference. */
    BLANK_READING(Family.BLANK, ClaimScope.RULE),
    /** Some answers get everybody past a page. */
    PAGE_PASSABLE(Family.PASSAGE, ClaimScope.ROW), ANSWER_ACCEPTED(Family.PASSAGE, ClaimScope.ROW), OPTION_ACCEPTED(Family.PASSAGE,
            ClaimScope.ROW), REFUSAL_EXPLAINED(Family.PASSAGE, ClaimScope.RULE),
    /** The limits of a question allow some answer. */
    LIMITS_LEAVE_ANSWER(Family.LIMITS, ClaimScope.ROW),
    /** Every respondent gets an outcome. */
    ONE_OUTCOME(Family.ENDING, ClaimScope.ENDING),
    /** No text has a hole where an answer is missing. */
    TEXT_FILLED(Family.TEXT, ClaimScope.TEXT), TEXT_WHOLE(Family.TEXT, ClaimScope.TEXT),
    /** No answer is sent that nobody gave. */
    NOTHING_BY_DEFAULT(Family.DEFAULT, ClaimScope.ROW),
    /** No answer is lost by changing another. */
    ANSWERS_KEPT(Family.KEEPING, ClaimScope.ROW),
    /** A text is there in a language and up to date. */
    TRANSLATED(Family.LANGUAGE, ClaimScope.TEXT),
    /** No route asks more than the most that is set. */
    BURDEN_WITHIN(Family.BURDEN, ClaimScope.DOCUMENT),
    /** Some respondent makes a message be sent; whenever it is, it has an address. */
    MESSAGE_SENT(Family.DISPATCH, ClaimScope.ROW), RECIPIENT_FILLED(Family.DISPATCH, ClaimScope.ROW),
    /** A message that is to leave nothing out tells whatever was asked. */
    MESSAGE_COMPLETE(Family.DISPATCH, ClaimScope.ROW),
    /** Somebody reads a wording of a passage. */
    PASSAGE_APPEARS(Family.DISPATCH, ClaimScope.RULE),
    /** What a lookup shows of each record may be read by whoever opens the questionnaire. */
    LOOKUP_DISCLOSES(Family.LOOKUP, ClaimScope.ROW),
    /** Nobody needs a record where there may be none; it is known which records there can be. */
    LOOKUP_NEVER_EMPTY(Family.LOOKUP, ClaimScope.ROW), LOOKUP_KNOWN(Family.LOOKUP, ClaimScope.ROW),
    /** What a follow-up opens is there, with what it carries and brings. */
    FOLLOW_UP_KNOWN(Family.FOLLOW_UP, ClaimScope.ROW),
    /** Some respondent opens a follow-up; nobody opens it with a value that it refuses. */
    FOLLOW_UP_OPENED(Family.FOLLOW_UP, ClaimScope.ROW), CARRY_FITS(Family.FOLLOW_UP, ClaimScope.RULE),
    /** With what is carried nobody gets stuck in a follow-up. */
    FOLLOW_UP_PASSABLE(Family.FOLLOW_UP, ClaimScope.ROW),
    /** Somebody in some case comes to everything in a follow-up; what it brings is there once it is sent. */
    FOLLOW_UP_REACH(Family.FOLLOW_UP, ClaimScope.ROW), BRINGS_FILLED(Family.FOLLOW_UP, ClaimScope.ROW),
    /** An own claim holds. */
    OWN(Family.OWN, ClaimScope.ENDING),

    /** Stands for all claims of a family that could not be looked at. */
    REACH(Family.REACH, ClaimScope.DOCUMENT), SENSE(Family.SENSE, ClaimScope.DOCUMENT), BLANK(Family.BLANK, ClaimScope.DOCUMENT), PASSAGE(
            Family.PASSAGE,
            ClaimScope.DOCUMENT), LIMITS(Family.LIMITS, ClaimScope.DOCUMENT), ENDING(Family.ENDING, ClaimScope.DOCUMENT), TEXT(Family.TEXT,
                    ClaimScope.DOCUMENT), DEFAULT(Family.DEFAULT, ClaimScope.DOCUMENT), KEEPING(Family.KEEPING,
                            ClaimScope.DOCUMENT), LANGUAGE(Family.LANGUAGE,
                                    ClaimScope.DOCUMENT), BURDEN(Family.BURDEN,
                                            ClaimScope.DOCUMENT), DISPATCH(Family.DISPATCH,
                                                    ClaimScope.DOCUMENT), LOOKUP(Family.LOOKUP,
                                                            ClaimScope.DOCUMENT), FOLLOW_UP(Family.FOLLOW_UP, ClaimScope.DOCUMENT);

    /** What the place of a claim is. */
    public enum ClaimScope {
        /** A page, an item or an option. */
        ROW,
        /** An expression, or a comparison in it. */
        RULE,
        /** A text, in a language where it is a translation. */
        TEXT,
        /** An outcome, a row of the outcome table, or what holds at the end. */
        ENDING,
        /** The whole questionnaire. */
        DOCUMENT
    }

    private static final Map<String, ClaimKind> BY_WORD = Arrays.stream(values())
            .collect(Collectors.toUnmodifiableMap(ClaimKind::word, Function.identity()));

    private final Family family;
    private final ClaimScope scope;
    private final String word;

    ClaimKind(Family family, ClaimScope scope) {
        this.family = family;
        this.scope = scope;
        this.word = name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The kind that a proof report names with this word. */
    public static Optional<ClaimKind> of(String word) {
        return Optional.ofNullable(BY_WORD.get(word));
    }

    /** The kind that stands for all claims of a family; for own claims their only kind. */
    static ClaimKind whole(Family family) {
        return valueOf(family.name());
    }

    public Family family() {
        return family;
    }

    public ClaimScope scope() {
        return scope;
    }

    /** The word of the proof report, as {@code reach-page}. */
    public String word() {
        return word;
    }

    /** The message of this name that claims of this kind have, with nothing in it yet. */
    Message message(String part) {
        return Message.of(word + "." + part);
    }

    /**
     * Where a claim of this kind stands.
     *
     * @param place as the proof report writes it
     */
    public Place at(String place) {
        return switch (this) {
            case OWN -> new Place.Own(place);
            case TRANSLATED -> PlaceText.translation(place).<Place>map(t -> t).orElseGet(() -> new Place.Row(place));
            case TEXT_FILLED -> PlaceText.mention(place).<Place>map(m -> m).orElseGet(() -> new Place.Row(place));
            case TEXT_WHOLE -> PlaceText.unit(place);
            case ONE_OUTCOME -> new Place.Whole();
            default -> scope == ClaimScope.DOCUMENT
                    ? new Place.Whole()
                    : PlaceText.read(place).orElseGet(() -> PlaceText.unit(place));
        };
    }

    /** Whether the claim says that some respondent comes to or takes what stands at its place. */
    public boolean isReach() {
        return family == Family.REACH && scope != ClaimScope.DOCUMENT;
    }

    /** Kind and place as the proof report writes them. */
    public String id(String place) {
        return word + " " + place;
    }
}
