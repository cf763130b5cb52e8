package orthogon.core.edit;

import java.util.HashSet;
import java.util.Set;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;

/** What a follow-up must be, whatever its questionnaire is. */
final class FollowUpCheck {

    /** Names that mean something else of every follow-up. */
    private static final Set<String> OWN_NAMES = Set.of("state", "decision");

    private FollowUpCheck() {}

    static void refuse(Questionnaire document, FollowUp followUp) throws Refused {
        String code = followUp.code();
        if (!Codes.isValid(followUp.questionnaire())) {
            throw new Refused("Choose the questionnaire that " + code + " opens.");
        }
        if (followUp.questionnaire().equals(document.code())) {
            throw new Refused(code + " would open " + document.code() + " itself, and never end. Choose another questionnaire.");
        }
        if (Math.max(followUp.carries().size(), followUp.brings().size()) > FollowUp.MOST_VALUES) {
            throw new Refused(code + " carries and brings at most " + FollowUp.MOST_VALUES + " values each.");
        }
        refuseSeat(document, followUp);
        refuseValues(followUp);
        refuseDecision(followUp);
        refuseTimes(followUp);
        if (followUp.isForEachEntry() && !(document.item(followUp.eachOf()).orElse(null) instanceof Roster)) {
            throw new Refused(code + " is opened for each entry of " + followUp.eachOf() + ", which is no roster.");
        }
        ChangeDispatch.checkText(code, followUp.wording());
    }

    private static void refuseSeat(Questionnaire document, FollowUp followUp) throws Refused {
        if (followUp.seat().who() == Who.ADDRESS && !document.asksForAddress(followUp.seat().address())) {
            throw new Refused(followUp.code() + " goes to an address, so it needs a question for an email address outside of rosters.");
        }
        if (followUp.seat().who() == Who.PEOPLE && followUp.seat().people().isEmpty()) {
            throw new Refused(followUp.code() + " is answered by people of the workspace; choose at least one.");
        }
        if (Math.max(followUp.seat().people().size(), followUp.decision().by().size()) > FollowUp.MOST_CHOICES) {
            throw new Refused(followUp.code() + " takes at most " + FollowUp.MOST_CHOICES + " people.");
        }
    }

    private static void refuseValues(FollowUp followUp) throws Refused {
        Set<String> targets = new HashSet<>();
        for (Carried carried : followUp.carries()) {
            if (carried.value().isBlank()) {
                throw new Refused("Say what " + followUp.code() + " carries to " + carried.to() + ".");
            }
            if (!targets.add(carried.to())) {
                throw new Refused(followUp.code() + " carries two values to " + carried.to() + "; leave one of them out.");
            }
        }
        Set<String> names = new HashSet<>(OWN_NAMES);
        for (Brought brought : followUp.brings()) {
            if (!Codes.isValid(brought.name())) {
                throw WholeDocument.badCode(brought.name());
            }
            if (!names.add(brought.name())) {
                throw new Refused(OWN_NAMES.contains(brought.name())
                        ? brought.name() + " is the " + brought.name() + " of the follow-up itself; bring the answer under another name."
                        : followUp.code() + " brings two values as " + brought.name() + "; name one of them otherwise.");
            }
        }
    }

    private static void refuseDecision(FollowUp followUp) throws Refused {
        if (followUp.decision().isNone()) {
            if (!followUp.decision().by().isEmpty()) {
                throw new Refused("Say what can be decided about " + followUp.code() + ", or take out who decides.");
            }
            return;
        }
        if (followUp.decision().choices().size() > FollowUp.MOST_CHOICES) {
            throw new Refused("A decision takes at most " + FollowUp.MOST_CHOICES + " choices.");
        }
        Set<String> codes = new HashSet<>();
        for (DecisionChoice choice : followUp.decision().choices()) {
            if (!Codes.isValid(choice.code())) {
                throw WholeDocument.badCode(choice.code());
            }
            if (!codes.add(choice.code())) {
                throw new Refused("Two choices of the decision are called " + choice.code() + "; give one of them another code.");
            }
            ChangeDispatch.checkText(followUp.code(), choice.label());
        }
        if (followUp.decision().ends().isEmpty()) {
            throw new Refused("Every choice returns " + followUp.code() + ", so it would never end. Add one that settles it.");
        }
        if (followUp.decision().by().isEmpty()) {
            throw new Refused("Choose who decides about " + followUp.code() + ".");
        }
    }

    private static void refuseTimes(FollowUp followUp) throws Refused {
        int days = followUp.due().days();
        if (days < 0 || days > FollowUp.MOST_DAYS) {
            throw new Refused(followUp.code() + " is due within 1 to " + FollowUp.MOST_DAYS + " days.");
        }
        if (followUp.due().expires() && days == 0) {
            throw new Refused("Say after how many days " + followUp.code() + " expires.");
        }
    }
}
