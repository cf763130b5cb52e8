package orthogon.core.questionnaire;

import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;

/**
 * Who answers a follow-up.
 *
 * @param address code of the email question whose answer says where the link goes; empty unless it goes to an address
 * @param people of the workspace, or whole roles, such as {@code role:reviewer}; none unless people answer it
 */
public record FollowUpSeat(Who who, String address, List<String> people) {

    /** Who it is, in the words of a questionnaire file. */
    public enum Who {
        /** The respondent of the first interview, by a link on the closing page and in messages. */
        RESPONDENT,
        /** Whoever reads the address that an answer gave. */
        ADDRESS,
        /** People of the workspace, who find it where their work waits. */
        PEOPLE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public static final FollowUpSeat RESPONDENT = new FollowUpSeat(Who.RESPONDENT, "", List.of());

    public FollowUpSeat {
        people = List.copyOf(people);
    }

    /**
     * Who it is, for people to read.
     *
     * @param named the name of a person or a role
     */
    public String said(UnaryOperator<String> named) {
        return switch (who) {
            case RESPONDENT -> "the respondent";
            case ADDRESS -> "whoever reads the answer of " + address;
            case PEOPLE -> String.join(" or ", people.stream().map(named).toList());
        };
    }

    FollowUpSeat withAddress(UnaryOperator<String> change) {
        return new FollowUpSeat(who, change.apply(address), people);
    }
}
