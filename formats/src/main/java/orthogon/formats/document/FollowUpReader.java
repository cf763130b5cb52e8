package orthogon.formats.document;

import java.util.List;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.Repeats;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.formats.json.ReadObject;

/** Reads what a questionnaire file says of a follow-up. */
final class FollowUpReader {

    private FollowUpReader() {}

    static FollowUp read(ReadObject json) {
        FollowUp followUp = new FollowUp(json.code("code"), json.text("title"), json.code("questionnaire"), json.text("openWhen"),
                json.text("wording"), seat(json),
                json.list("carries", c -> new Carried(c.code("to"), c.needed("value"), c.truth("locked"))),
                json.list("brings", b -> new Brought(b.code("name"), b.code("of"),
                        b.oneOf("kind", BroughtKind.values(), BroughtKind::word, BroughtKind.TEXT))),
                new FollowUpDecision(json.texts("decidedBy"),
                        json.list("decision", c -> new DecisionChoice(c.code("code"), c.text("label"), c.truth("returns")))),
                new DueTime(days(json, "dueAfterDays"), json.truth("expires")),
                new Repeats(json.text("eachOf"), json.truth("againByHand")));
        most(json, "carries", followUp.carries(), FollowUp.MOST_VALUES);
        most(json, "brings", followUp.brings(), FollowUp.MOST_VALUES);
        most(json, "decision", followUp.decision().choices(), FollowUp.MOST_CHOICES);
        if (!followUp.decision().isNone() && followUp.decision().ends().isEmpty()) {
            json.fault("decision", "one choice at least must settle it, and not return it");
        }
        if (followUp.isForEachEntry() && followUp.repeats().byHand()) {
            json.fault("againByHand", "what is opened for each entry is not opened again by hand");
        }
        return followUp;
    }

    private static FollowUpSeat seat(ReadObject json) {
        FollowUpSeat seat = new FollowUpSeat(json.oneOf("for", Who.values(), Who::word, Who.RESPONDENT), json.text("address"),
                json.texts("people"));
        boolean whole = switch (seat.who()) {
            case RESPONDENT -> seat.address().isEmpty() && seat.people().isEmpty();
            case ADDRESS -> !seat.address().isEmpty() && seat.people().isEmpty();
            case PEOPLE -> seat.address().isEmpty() && !seat.people().isEmpty();
        };
        if (!whole) {
            json.fault("for", "an address goes with \"address\" alone, and people with \"people\" alone");
        }
        most(json, "people", seat.people(), FollowUp.MOST_CHOICES);
        return seat;
    }

    private static int days(ReadObject json, String member) {
        Integer days = json.whole(member, 0, FollowUp.MOST_DAYS);
        return days == null ? 0 : days;
    }

    private static void most(ReadObject json, String member, List<?> read, int most) {
        if (read.size() > most) {
            json.fault(member, "a follow-up takes at most " + most + " here");
        }
    }
}
