package orthogon.app.dispatch;

import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.DECIDED;
import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.OPENED;
import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.OVERDUE;
import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.REMINDER;
import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.RETURNED;
import static orthogon.core.questionnaire.MessageOccasion.MessageMoment.SENT;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.app.account.People;
import orthogon.app.opening.Openable;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.composed.FollowUpFaults;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import org.springframework.stereotype.Component;

/** What the sheet Dispatch shows of follow-ups. */
@Component
class FollowUpViews {

    private final Openable openable;
    private final People people;

    FollowUpViews(Openable openable, People people) {
        this.openable = openable;
        this.people = people;
    }

    /**
     * The chosen follow-up.
     *
     * @param opens title of the questionnaire that it opens; empty where there is none
     * @param standing of it, in words
     * @param targets what can be carried there, what is carried first
     * @param sources what can be brought here, what is brought first
     * @param fits kind to the names here that are of it
     * @param rosters for each of whose entries it can be opened, code to title
     * @param isFirst whether it stands first in its list
     */
    record FollowUpView(String opens, String standing, List<TargetRow> targets, List<SourceRow> sources, Map<String, List<String>> fits,
            Map<String, String> rosters, boolean isFirst) {

        /** Selectors of the signs of what is carried, each behind a comma. */
        public String signIds() {
            return targets.stream().filter(t -> !t.value().isEmpty()).map(t -> ",#sign-" + t.code()).collect(Collectors.joining());
        }
    }

    /**
     * @param kind of what it takes, in words; empty where it cannot be told
     * @param sign of the claim that what is carried fits; empty where nothing is carried, or proved yet
     */
    record TargetRow(String code, String wording, String kind, String value, boolean locked, String sign) {}

    record SourceRow(String code, String wording, String kind, String name) {}

    /** The questionnaires that a follow-up of this one can open, code to title. */
    Map<String, String> openable(String code) {
        return openable.titles(code);
    }

    /** What a follow-up does, in words. */
    String said(Wiring wiring, FollowUp followUp) {
        String when = followUp.openWhen().isBlank()
                ? "always"
                : "when "
                        + wiring.at(followUp.code() + "." + RuleFamily.OPEN_FOLLOW_UP.key()).flatMap(Wiring.Wire::readable).map(Phrase::of)
                                .orElse(followUp.openWhen());
        return when + " · opens " + followUp.questionnaire() + " · for " + followUp.seat().said(people::named);
    }

    /** The moments of each follow-up at which a message can be sent, and the one that is chosen. */
    Map<String, Map<String, String>> moments(Questionnaire document, TypedMessage typed) {
        Map<String, Map<String, String>> moments = new LinkedHashMap<>();
        if (typed == null) {
            return moments;
        }
        for (FollowUp followUp : document.followUps()) {
            Map<String, String> words = new LinkedHashMap<>();
            Stream.of(OPENED, REMINDER, OVERDUE, SENT, RETURNED, DECIDED).map(m -> new MessageOccasion(m, followUp.code(), 0))
                    .filter(o -> o.comesIn(followUp) || TypedMessage.on(o).equals(typed.on()))
                    .forEach(o -> words.put(TypedMessage.on(o), moment(followUp.code(), o)));
            moments.put(followUp.shown(), words);
        }
        return moments;
    }

    /** When a message is sent, in words. */
    String moment(Questionnaire document, MessageOccasion occasion) {
        return moment(document.followUp(occasion.followUp()).map(FollowUp::shown).orElse(occasion.followUp()), occasion);
    }

    private static String moment(String followUp, MessageOccasion occasion) {
        return switch (occasion.moment()) {
            case OPENED -> "once " + followUp + " is opened";
            case SENT -> "once " + followUp + " is sent";
            case RETURNED -> "once " + followUp + " goes back";
            case DECIDED -> "once " + followUp + " is decided";
            case OVERDUE -> "when " + followUp + " is overdue";
            case REMINDER -> occasion.afterDays() == 0
                    ? "while " + followUp + " is open"
                    : "when " + followUp + " is open for " + occasion.afterDays() + (occasion.afterDays() == 1 ? " day" : " days");
            case INVITED -> "";
        };
    }

    FollowUpView view(Questionnaire document, TypedFollowUp typed, Optional<Proof> proof) {
        Optional<FollowUp> kept = document.followUp(typed.was());
        Optional<Questionnaire> opened = kept.flatMap(f -> openable.of(document).find(f.questionnaire()));
        List<String> order = document.followUps().stream().map(FollowUp::code).toList();
        Map<String, String> rosters = new LinkedHashMap<>();
        document.items().filter(Roster.class::isInstance).forEach(r -> rosters.put(r.code(), r.wording()));
        return new FollowUpView(opened.map(Questionnaire::title).orElse(""), opened.map(this::standing).orElse(""),
                opened.map(o -> targets(o, typed, kept, proof)).orElse(List.of()), opened.map(o -> sources(o, typed)).orElse(List.of()),
                fits(document, typed), rosters, order.indexOf(typed.was()) <= 0);
    }

    private String standing(Questionnaire opened) {
        return openable.release(opened.code()).map(r -> "release " + r.number())
                .orElse("a draft still; release it before this questionnaire is released");
    }

    private static List<TargetRow> targets(Questionnaire opened, TypedFollowUp typed, Optional<FollowUp> kept, Optional<Proof> proof) {
        Wiring wiring = Wiring.of(opened);
        List<TargetRow> rows = new ArrayList<>();
        opened.linkParameters().forEach(p -> rows.add(target(p.code(), "arrives with the link", wiring, typed, kept, proof)));
        opened.questions().filter(q -> FollowUpFaults.takes(opened, q.code()))
                .forEach(q -> rows.add(target(q.code(), q.wording(), wiring, typed, kept, proof)));
        rows.sort(Comparator.comparing(r -> r.value().isEmpty()));
        return rows;
    }

    private static TargetRow target(String code, String wording, Wiring wiring, TypedFollowUp typed, Optional<FollowUp> kept,
            Optional<Proof> proof) {
        Optional<Carried> carried = typed.carriedTo(code);
        int number = kept.map(f -> f.carries().stream().map(Carried::to).toList().indexOf(code)).orElse(-1);
        String sign = number < 0
                ? ""
                : proof.flatMap(p -> p.claim(ClaimKind.CARRY_FITS, typed.was() + "/carry/" + number)).map(Claim::verdict)
                        .map(v -> v.word()).orElse("");
        return new TargetRow(code, wording, wiring.broughtAs(code).map(BroughtKind::word).orElse(""),
                carried.map(Carried::value).orElse(""), carried.map(Carried::locked).orElse(false), sign);
    }

    private static List<SourceRow> sources(Questionnaire opened, TypedFollowUp typed) {
        Wiring wiring = Wiring.of(opened);
        Map<String, String> names = typed.namesOf();
        List<SourceRow> rows = new ArrayList<>();
        opened.items().filter(i -> i instanceof Question || i instanceof Derived).map(Item::code).toList()
                .forEach(code -> wiring.broughtAs(code).ifPresent(kind -> rows.add(new SourceRow(code,
                        opened.item(code).filter(i -> !(i instanceof Derived)).map(Item::wording).orElse("a derived value"), kind.word(),
                        names.getOrDefault(code, "")))));
        rows.add(new SourceRow("outcome", "how it ends", BroughtKind.TEXT.word(), names.getOrDefault("outcome", "")));
        rows.sort(Comparator.comparing(r -> r.name().isEmpty()));
        return rows;
    }

    /** The names here that can be carried, by their kind. */
    private static Map<String, List<String>> fits(Questionnaire document, TypedFollowUp typed) {
        Wiring wiring = Wiring.of(document);
        Map<String, List<String>> fits = new TreeMap<>();
        for (String name : wiring.names(RuleFamily.CARRY, typed.was())) {
            wiring.broughtAs(name).ifPresent(kind -> fits.computeIfAbsent(kind.word(), k -> new ArrayList<>()).add(name));
        }
        document.followUps().stream().takeWhile(f -> !f.code().equals(typed.was()))
                .forEach(f -> f.brings().forEach(b -> fits.computeIfAbsent(b.kind().word(), k -> new ArrayList<>())
                        .add(f.code() + "." + b.name())));
        return fits;
    }
}
