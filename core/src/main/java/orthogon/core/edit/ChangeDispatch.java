package orthogon.core.edit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;

/** Other messages, passages and follow-ups. Where the code of one of them is all that is new in its place, whatever names it follows. */
public record ChangeDispatch(Dispatch dispatch) implements Edit {

    /** Longest text of a message or a passage, in characters. */
    public static final int LONGEST = 20_000;

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (dispatch.messages().size() > DispatchMessage.MOST) {
            throw new Refused("A questionnaire takes at most " + DispatchMessage.MOST + " messages.");
        }
        if (dispatch.passages().size() > DispatchPassage.MOST) {
            throw new Refused("A questionnaire takes at most " + DispatchPassage.MOST + " passages.");
        }
        if (dispatch.followUps().size() > FollowUp.MOST) {
            throw new Refused("A questionnaire takes at most " + FollowUp.MOST + " follow-ups.");
        }
        WholeDocument.refuseTaken(dispatch.codes(), document.withDispatch(Dispatch.NOTHING));
        for (DispatchMessage message : dispatch.messages()) {
            check(document, message);
        }
        for (DispatchPassage passage : dispatch.passages()) {
            check(passage);
        }
        for (FollowUp followUp : dispatch.followUps()) {
            FollowUpCheck.refuse(document, followUp);
        }
        Questionnaire written = document.withDispatch(dispatch);
        if (renamed(document.followUps(), dispatch.followUps(), FollowUp::code).isEmpty()) {
            for (DispatchMessage message : dispatch.messages()) {
                refuseMoment(written, message);
            }
        }
        Questionnaire followed = followed(document);
        refuseNamed(document, followed);
        Questionnaire changed = Meant.understood(document, followed);
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    /** What is taken away must not be named by what stays. */
    private static void refuseNamed(Questionnaire before, Questionnaire after) throws Refused {
        Set<String> gone = new HashSet<>(WholeDocument.codes(before));
        gone.removeAll(WholeDocument.codes(after));
        List<String> places = new ArrayList<>();
        Wiring.of(after).wires().stream().filter(w -> w.uses().stream().anyMatch(gone::contains)).map(Wiring.Wire::place)
                .forEach(places::add);
        Texts.all(after).forEach((unit, text) -> {
            if (Piping.codes(text).stream().anyMatch(gone::contains)) {
                places.add(unit);
            }
        });
        if (!places.isEmpty()) {
            throw new Refused(String.join(", ", gone) + " is named in " + String.join(", ", places) + ". Change or remove that first.");
        }
    }

    private Questionnaire followed(Questionnaire document) {
        Map<String, String> codes = renamed(document.messages(), dispatch.messages(), DispatchMessage::code);
        Map<String, String> passages = renamed(document.passages(), dispatch.passages(), DispatchPassage::code);
        Map<String, String> followUps = renamed(document.followUps(), dispatch.followUps(), FollowUp::code);
        if (codes.isEmpty() && passages.isEmpty() && followUps.isEmpty()) {
            return document.withDispatch(dispatch);
        }
        Map<String, String> back = new HashMap<>();
        codes.forEach((from, to) -> back.put(to, from));
        passages.forEach((from, to) -> back.put(to, from));
        followUps.forEach((from, to) -> back.put(to, from));
        Map<String, String> all = new HashMap<>(codes);
        all.putAll(passages);
        all.putAll(followUps);
        Dispatch before = new Dispatch(
                dispatch.messages().stream().map(m -> back.containsKey(m.code()) ? m.withCodes(Map.of(m.code(), back.get(m.code()))) : m)
                        .toList(),
                dispatch.passages().stream().map(p -> p.withCode(back.getOrDefault(p.code(), p.code()))).toList(),
                dispatch.followUps().stream().map(f -> f.withCode(back.getOrDefault(f.code(), f.code()))).toList());
        return References.renamed(document.withDispatch(before), all);
    }

    /** The one code that is new in a list of as many entries, by the code before. */
    private static <T> Map<String, String> renamed(List<T> before, List<T> after, Function<T, String> code) {
        List<String> old = before.stream().map(code).toList();
        List<String> now = after.stream().map(code).toList();
        List<Integer> other = new ArrayList<>();
        for (int i = 0; i < Math.min(old.size(), now.size()); i++) {
            if (!old.get(i).equals(now.get(i))) {
                other.add(i);
            }
        }
        return old.size() == now.size() && other.size() == 1 ? Map.of(old.get(other.getFirst()), now.get(other.getFirst())) : Map.of();
    }

    private static void check(Questionnaire document, DispatchMessage message) throws Refused {
        for (String address : message.addresses()) {
            refuseNoAddress(address);
        }
        String replyTo = message.to().replyTo();
        if (!replyTo.isEmpty() && !Codes.isValid(replyTo)) {
            refuseNoAddress(replyTo);
        }
        if (Math.max(message.addresses().size(),
                Math.max(message.answers().size(), message.to().people().size())) > DispatchMessage.MOST_ADDRESSES) {
            throw new Refused(message.code() + " goes to at most " + DispatchMessage.MOST_ADDRESSES + " addresses of each kind.");
        }
        for (String told : message.with().told()) {
            if (document.item(told).isEmpty()) {
                throw new Refused(message.code() + " tells " + told + ", and there is no such question.");
            }
        }
        if (message.subject().isBlank()) {
            throw new Refused(message.code() + " needs a subject.");
        }
        checkOccasion(message);
        if (message.isBeforeAnswers()) {
            checkBeforeAnswers(message);
        }
        checkText(message.code(), message.subject());
        checkText(message.code(), message.body());
    }

    private static void checkOccasion(DispatchMessage message) throws Refused {
        boolean reminds = message.on() == MessageMoment.REMINDER;
        if (!message.occasion().isPossible()) {
            throw new Refused("Choose when " + message.code() + " is sent.");
        }
        if (message.afterDays() < 0 || message.afterDays() > DispatchMessage.MOST_DAYS || message.afterDays() > 0 && !reminds) {
            throw new Refused(message.code() + " is sent by itself 1 to " + DispatchMessage.MOST_DAYS
                    + " days after the invitation, where it is a reminder.");
        }
        if (message.isOfFollowUp() && reminds && message.afterDays() == 0) {
            throw new Refused("Say after how many days " + message.code() + " reminds of " + message.occasion().followUp() + ".");
        }
    }

    private static void refuseMoment(Questionnaire document, DispatchMessage message) throws Refused {
        if (!message.isOfFollowUp()) {
            return;
        }
        FollowUp followUp = document.followUp(message.occasion().followUp()).orElseThrow(() -> new Refused(
                message.code() + " is sent at a moment of " + message.occasion().followUp() + ". Change or remove that message first."));
        if (!message.occasion().comesIn(followUp)) {
            throw new Refused(switch (message.on()) {
                case DECIDED -> "Nothing is decided about ";
                case RETURNED -> "No choice sends it back to whoever answered ";
                default -> "There is no time until when somebody is to send ";
            } + followUp.shown() + ", so " + message.code() + " would never be sent.");
        }
    }

    private static void refuseNoAddress(String address) throws Refused {
        if (!DispatchMessage.isAddress(address)) {
            throw new Refused("“" + address + "” is not an email address; write it like office@example.org.");
        }
    }

    /** Before there are answers nothing can hang on them, and whoever is invited is the one who is written to. */
    private static void checkBeforeAnswers(DispatchMessage message) throws Refused {
        boolean plain = message.sendWhen().isBlank() && message.answers().isEmpty() && message.addresses().isEmpty()
                && message.to().people().isEmpty() && !message.with().paper() && !message.with().files()
                && message.with().tells() == ToldAnswers.NOTHING && !Codes.isValid(message.to().replyTo());
        if (!plain) {
            throw new Refused(message.code() + " goes to whoever is invited, before there are answers. It takes no condition and no "
                    + "recipients, tells nothing besides and attaches nothing.");
        }
    }

    private static void check(DispatchPassage passage) throws Refused {
        if (passage.wordings().isEmpty() || passage.wordings().size() > DispatchPassage.MOST_WORDINGS) {
            throw new Refused(passage.code() + " takes 1 to " + DispatchPassage.MOST_WORDINGS + " wordings.");
        }
        for (DispatchPassage.PassageWording wording : passage.wordings()) {
            checkText(passage.code(), wording.text());
        }
    }

    static void checkText(String code, String text) throws Refused {
        if (text.length() > LONGEST) {
            throw new Refused("A text of " + code + " has " + text.length() + " characters; at most " + LONGEST + " fit.");
        }
        if (Piping.fault(text).isPresent()) {
            throw new Refused("The text of " + code + " cannot be read: " + Piping.fault(text).get() + ".");
        }
    }

    @Override
    public String says() {
        return "changed messages, passages and follow-ups";
    }

    @Override
    public Set<String> about() {
        return Set.of(MESSAGES);
    }
}
