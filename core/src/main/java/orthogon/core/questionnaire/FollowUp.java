package orthogon.core.questionnaire;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Another questionnaire of the workspace that is opened for a response. Its condition is tried once: when the interview is sent, or,
 * where it speaks of follow-ups before it, when all of these have come to their end.
 *
 * @param code its own, among those of pages and items
 * @param title what analysts and staff call it; may be empty
 * @param questionnaire code of the questionnaire that is opened
 * @param openWhen condition over all answers, the outcome, and follow-ups before this one; empty for always
 * @param wording what the respondent reads before the link; may be empty
 * @param seat who answers it
 * @param carries what it is opened with
 * @param brings what is known here once it is sent
 * @param decision what is decided about it once it is sent; no choices for no decision
 * @param due until when it is to be sent
 * @param repeats whether it is opened more than once
 */
public record FollowUp(String code, String title, String questionnaire, String openWhen, String wording, FollowUpSeat seat,
        List<Carried> carries, List<Brought> brings, FollowUpDecision decision, DueTime due, Repeats repeats) {

    /** Most follow-ups of a questionnaire. */
    public static final int MOST = 20;
    /** Most values that one is opened with, and most that it brings. */
    public static final int MOST_VALUES = 100;
    /** Most choices of a decision. */
    public static final int MOST_CHOICES = 20;
    /** Most times that one is opened for a response by hand. */
    public static final int MOST_TIMES = 20;
    /** Most days until one is due. */
    public static final int MOST_DAYS = 3650;

    public FollowUp {
        carries = List.copyOf(carries);
        brings = List.copyOf(brings);
    }

    /**
     * A value that a follow-up is opened with.
     *
     * @param to code of a question or a link parameter of its questionnaire
     * @param value expression over this questionnaire
     * @param locked whether whoever answers it cannot change the value
     */
    public record Carried(String to, String value, boolean locked) {}

    /**
     * A name for something of a follow-up once it is sent.
     *
     * @param name as in {@code handover.arrival}
     * @param of code of a question or derived value of its questionnaire, or {@code outcome}
     */
    public record Brought(String name, String of, BroughtKind kind) {}

    /** What a value that is brought is, so that conditions over it can be checked. */
    public enum BroughtKind {
        YES_NO("yes or no"), NUMBER("number"), TEXT("text"), DATE("date"), TIME("time"), LIST("list");

        private final String word;

        BroughtKind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * What is decided about what was sent.
     *
     * @param by people of the workspace, or whole roles, such as {@code role:reviewer}
     * @param choices in order; none for no decision
     */
    public record FollowUpDecision(List<String> by, List<DecisionChoice> choices) {

        public static final FollowUpDecision NONE = new FollowUpDecision(List.of(), List.of());

        public FollowUpDecision {
            by = List.copyOf(by);
            choices = List.copyOf(choices);
        }

        public boolean isNone() {
            return choices.isEmpty();
        }

        public Optional<DecisionChoice> choice(String code) {
            return choices.stream().filter(c -> c.code().equals(code)).findFirst();
        }

        /** Codes of the choices after which nothing more is done about it. */
        public List<String> ends() {
            return choices.stream().filter(c -> !c.returns()).map(DecisionChoice::code).toList();
        }
    }

    /** @param returns whether it goes back, with a note, to whoever answered it */
    public record DecisionChoice(String code, String label, boolean returns) {}

    /**
     * @param days after it is opened until when it is to be sent; 0 for no time
     * @param expires whether it cannot be sent any more then
     */
    public record DueTime(int days, boolean expires) {

        public static final DueTime NONE = new DueTime(0, false);

        public boolean isLimited() {
            return days > 0 && expires;
        }
    }

    /**
     * Whether a follow-up is opened more than once.
     *
     * @param eachOf code of the roster for each of whose entries it is opened; empty for once
     * @param byHand whether somebody of the workspace may open it again once it is over. Conditions speak of the first one alone, so that
     *     what is proved holds however often it is opened
     */
    public record Repeats(String eachOf, boolean byHand) {
        public static final Repeats ONCE = new Repeats("", false);
    }

    /** A follow-up that is opened for the respondent, carries nothing and brings nothing. */
    public static FollowUp of(String code, String questionnaire, String openWhen) {
        return new FollowUp(code, "", questionnaire, openWhen, "", FollowUpSeat.RESPONDENT, List.of(), List.of(), FollowUpDecision.NONE,
                DueTime.NONE, Repeats.ONCE);
    }

    /** What analysts read: the title, or else the code. */
    public String shown() {
        return title.isEmpty() ? code : title;
    }

    /** How it can come to its end, in the words of conditions: sent or decided first, then without an answer. */
    public List<String> ends() {
        List<String> ends = new ArrayList<>(List.of(answeredState()));
        if (due.isLimited()) {
            ends.add("expired");
        }
        ends.add("withdrawn");
        return ends;
    }

    /** The state of one that was sent and about which everything is decided. */
    public String answeredState() {
        return decision.isNone() ? "sent" : "decided";
    }

    public boolean isForEachEntry() {
        return !eachOf().isEmpty();
    }

    /** Code of the roster for each of whose entries it is opened; empty for once. */
    public String eachOf() {
        return repeats.eachOf();
    }

    public FollowUp withOpenWhen(String changed) {
        return new FollowUp(code, title, questionnaire, changed, wording, seat, carries, brings, decision, due, repeats);
    }

    public FollowUp withCarries(List<Carried> changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, changed, brings, decision, due, repeats);
    }

    public FollowUp withBrings(List<Brought> changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, carries, changed, decision, due, repeats);
    }

    public FollowUp withDecision(FollowUpDecision changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, carries, brings, changed, due, repeats);
    }

    public FollowUp withSeat(FollowUpSeat changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, changed, carries, brings, decision, due, repeats);
    }

    public FollowUp withDue(DueTime changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, carries, brings, decision, changed, repeats);
    }

    public FollowUp withEachOf(String changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, carries, brings, decision, due,
                new Repeats(changed, repeats.byHand()));
    }

    public FollowUp withRepeats(Repeats changed) {
        return new FollowUp(code, title, questionnaire, openWhen, wording, seat, carries, brings, decision, due, changed);
    }

    public FollowUp withCode(String changed) {
        return new FollowUp(changed, title, questionnaire, openWhen, wording, seat, carries, brings, decision, due, repeats);
    }

    /** The same with each of its texts changed, by its unit. */
    public FollowUp withTexts(TextChange change) {
        List<DecisionChoice> choices = decision.choices().stream()
                .map(c -> new DecisionChoice(c.code(), change.of(code + "." + c.code() + ".label", c.label()), c.returns())).toList();
        return new FollowUp(code, title, questionnaire, openWhen, change.of(code + ".wording", wording), seat, carries, brings,
                new FollowUpDecision(decision.by(), choices), due, repeats);
    }

    /** A change of a text. */
    public interface TextChange {
        String of(String unit, String text);
    }

    /** The same with each of its expressions changed, by its place. */
    public FollowUp withExpressions(TextChange change) {
        List<Carried> changed = new ArrayList<>();
        for (Carried c : carries) {
            changed.add(new Carried(c.to(), change.of(code + "/carry/" + changed.size(), c.value()), c.locked()));
        }
        return withOpenWhen(change.of(code + ".openFollowUp", openWhen)).withCarries(changed);
    }

    /** The same with other codes for itself and for what it names in this questionnaire. */
    public FollowUp withCodes(Map<String, String> codes) {
        return withCode(codes.getOrDefault(code, code)).withEachOf(codes.getOrDefault(eachOf(), eachOf()))
                .withSeat(seat.withAddress(c -> codes.getOrDefault(c, c)));
    }

    /** The same without what is gone: once where the roster is, for the respondent where the address is. */
    public FollowUp without(Set<String> gone) {
        return withEachOf(gone.contains(eachOf()) ? "" : eachOf()).withSeat(gone.contains(seat.address()) ? FollowUpSeat.RESPONDENT : seat);
    }

    /** Code of the target to what it is opened with. */
    public Map<String, Carried> carriedTo() {
        Map<String, Carried> to = new LinkedHashMap<>();
        carries.forEach(c -> to.putIfAbsent(c.to(), c));
        return to;
    }
}
