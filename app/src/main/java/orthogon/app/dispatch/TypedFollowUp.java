package orthogon.app.dispatch;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import orthogon.core.expression.Wiring;
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
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.util.MultiValueMap;

/**
 * What is typed about a follow-up.
 *
 * @param was its code so far
 * @param seat word of who answers it
 * @param carries in order; without a value where nothing is carried
 * @param brings in order; without a name where nothing is brought
 * @param choices of the decision, in order
 * @param days until it is due; empty for no time
 * @param eachOf code of a roster; empty for once; a plus for once, and again by hand
 */
record TypedFollowUp(String was, String code, String title, String questionnaire, String openWhen, String wording, String seat,
        String address, List<String> people, List<Carried> carries, List<Brought> brings, List<String> decidedBy,
        List<DecisionChoice> choices, String days, boolean expires, String eachOf) {

    private static final String BY_HAND = "+";

    static TypedFollowUp of(FollowUp f) {
        return new TypedFollowUp(f.code(), f.code(), f.title(), f.questionnaire(), f.openWhen(), f.wording(), f.seat().who().word(),
                f.seat().address(), f.seat().people(), f.carries(), f.brings(), f.decision().by(), f.decision().choices(),
                days(f.due().days()), f.due().expires(), f.repeats().byHand() ? BY_HAND : f.eachOf());
    }

    private static String days(int days) {
        return days == 0 ? "" : String.valueOf(days);
    }

    static TypedFollowUp of(MultiValueMap<String, String> form) {
        List<String> locked = form.getOrDefault("locked", List.of());
        List<String> returns = form.getOrDefault("returns", List.of());
        List<Carried> carries = rows(form, "to").mapToObj(i -> {
            String to = at(form, "to", i);
            return new Carried(to, at(form, "value", i), locked.contains(to));
        }).filter(c -> !c.value().isEmpty()).toList();
        List<Brought> brings = rows(form, "of")
                .mapToObj(i -> new Brought(at(form, "name", i), at(form, "of", i), BroughtKind.TEXT)).filter(b -> !b.name().isEmpty())
                .toList();
        List<DecisionChoice> choices = rows(form, "choice")
                .mapToObj(i -> new DecisionChoice(at(form, "choice", i), at(form, "label", i), returns.contains(String.valueOf(i))))
                .filter(c -> !(c.code() + c.label()).isEmpty()).toList();
        return new TypedFollowUp(at(form, "was", 0), at(form, "code", 0), at(form, "title", 0), at(form, "questionnaire", 0),
                at(form, "openWhen", 0), at(form, "wording", 0), at(form, "seat", 0), at(form, "address", 0),
                List.copyOf(form.getOrDefault("people", List.of())), carries, brings,
                List.copyOf(form.getOrDefault("decidedBy", List.of())), choices, at(form, "days", 0),
                form.containsKey("expires"), at(form, "eachOf", 0));
    }

    private static IntStream rows(MultiValueMap<String, String> form, String name) {
        return IntStream.range(0, form.getOrDefault(name, List.of()).size());
    }

    private static String at(MultiValueMap<String, String> form, String name, int row) {
        List<String> values = form.getOrDefault(name, List.of());
        return row < values.size() && values.get(row) != null ? values.get(row).strip() : "";
    }

    /**
     * The follow-up.
     *
     * @param opened what it opens, which says of what kind each value is that it brings
     */
    FollowUp followUp(Optional<Questionnaire> opened) throws Refused {
        Who who = List.of(Who.values()).stream().filter(w -> w.word().equals(seat)).findFirst()
                .orElseThrow(() -> new Refused("Choose who answers the follow-up."));
        FollowUpSeat seatOf = switch (who) {
            case RESPONDENT -> FollowUpSeat.RESPONDENT;
            case ADDRESS -> new FollowUpSeat(who, address, List.of());
            case PEOPLE -> new FollowUpSeat(who, "", people);
        };
        List<Brought> typed = new ArrayList<>();
        Optional<Wiring> wiring = opened.map(Wiring::of);
        for (Brought brought : brings) {
            BroughtKind kind = wiring.flatMap(w -> w.broughtAs(brought.of()))
                    .orElseThrow(() -> new Refused(brought.of() + " of " + questionnaire + " cannot be brought here."));
            typed.add(new Brought(brought.name(), brought.of(), kind));
        }
        return new FollowUp(code, title, questionnaire, openWhen, wording, seatOf, carries, typed,
                new FollowUpDecision(choices.isEmpty() ? List.of() : decidedBy, choices),
                new DueTime(number(days), expires),
                eachOf.equals(BY_HAND) ? new Repeats("", true) : new Repeats(eachOf, false));
    }

    private static int number(String days) throws Refused {
        if (days.isEmpty()) {
            return 0;
        }
        if (!days.matches("\\d{1,4}")) {
            throw new Refused("“" + days + "” is no number of days. Write a whole number, or leave it empty.");
        }
        return Integer.parseInt(days);
    }

    /** What is carried to a target; empty for nothing. */
    Optional<Carried> carriedTo(String to) {
        return carries.stream().filter(c -> c.to().equals(to)).findFirst();
    }

    /** Code of an answer to the name it is brought under. */
    Map<String, String> namesOf() {
        return brings.stream().collect(Collectors.toMap(Brought::of, Brought::name, (one, another) -> one));
    }
}
