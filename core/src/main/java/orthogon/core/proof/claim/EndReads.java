package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.ToIntFunction;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.dispatch.Passages;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.language.Texts;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.TextGaps;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;

/** Who is sent a message, who reads a text behind the last page, and for whom the conditions there are tried. */
final class EndReads {

    /**
     * A text that puts a passage in.
     *
     * @param part holds where the part of the text is read that does; empty where that cannot be said
     */
    private record PutIn(String unit, Optional<Expr> part) {}

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final Questionnaire document;
    private final List<String> passages;
    private final Map<String, List<PutIn>> putIn = new HashMap<>();
    private final Map<List<Object>, Integer> known = new HashMap<>();

    EndReads(Flow flow) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.document = space.plainForm().original().document();
        this.passages = document.passages().stream().map(DispatchPassage::code).toList();
        if (!passages.isEmpty()) {
            Texts.all(document).forEach((unit, text) -> passages.forEach(p -> TextGaps.partsNaming(space.plainForm(), text, p)
                    .ifPresent(part -> putIn.computeIfAbsent(p, c -> new ArrayList<>()).add(new PutIn(unit, part)))));
        }
    }

    /** For one way of ending, the states in which each outcome is reached. */
    Map<String, Integer> outcomesAt(Flow.Exit ending) {
        Map<String, Integer> outcomes = new LinkedHashMap<>();
        boolean finish = ending.kind() == Flow.ExitKind.FINISH;
        for (Outcome outcome : document.outcomes()) {
            outcomes.put(outcome.code(), !finish
                    ? endsAs(outcome.code())
                    : flow.outcomeOf(ending).equals(outcome.code()) ? Diagrams.ALL : Diagrams.NONE);
        }
        return outcomes;
    }

    /** States at the outcome table in which its first row that holds gives the outcome; the empty code where none holds. */
    int endsAs(String outcome) {
        int found = Diagrams.NONE;
        int rest = Diagrams.ALL;
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            if (document.outcomeTable().get(i).outcome().equals(outcome)) {
                found = d.or(found, d.and(rest, flow.rowHolds(i)));
            }
            rest = d.minus(rest, flow.rowHolds(i));
        }
        return outcome.isEmpty() ? rest : found;
    }

    /** The states of all endings that a set is met in. */
    int over(ToIntFunction<Flow.Exit> setAt) {
        int all = Diagrams.NONE;
        for (Flow.Exit ending : flow.endings()) {
            all = d.or(all, d.and(ending.remembered(), setAt.applyAsInt(ending)));
        }
        return all;
    }

    private DispatchMessage message(String code) {
        return document.message(code).orElseThrow();
    }

    /** Whether a unit is a text of a message, by its code. */
    private Optional<DispatchMessage> messageOf(Place.Text at) {
        boolean named = at.name().equals("subject") || at.name().equals("body");
        return named && at.owner() instanceof Place.Row ? document.message(at.row()) : Optional.empty();
    }

    private static Optional<Place.Rule> wordingOf(Place.Text at) {
        return at.owner() instanceof Place.Rule rule && rule.family() == RuleFamily.INCLUDE_WHEN ? Optional.of(rule) : Optional.empty();
    }

    /** Why it is not known who reads a text of a message, a closing text or a wording of a passage; empty where it is. */
    Optional<Unknown> open(String unit) {
        Place.Text at = PlaceText.unit(unit);
        Optional<Place.Rule> wording = wordingOf(at);
        if (wording.isPresent()) {
            return openConditions(wording.get()).or(() -> openPassage(wording.get().row()));
        }
        return messageOf(at).flatMap(m -> openMessage(m.code()));
    }

    /** Why it is not known who is sent a message; empty where it is. */
    Optional<Unknown> openMessage(String code) {
        if (message(code).answers().stream().anyMatch(a -> space.axis(a) == null)) {
            return Optional.of(new Unknown.Unsound(Fault.SoundClaim.REFERENCE_EXISTS, code));
        }
        return openAt(code + ".sendWhen");
    }

    private Optional<Unknown> openConditions(Place.Rule wording) {
        for (int i = 0; i <= wording.number(); i++) {
            Optional<Unknown> open = openAt(includeWhen(wording.row(), i));
            if (open.isPresent()) {
                return open;
            }
        }
        return Optional.empty();
    }

    /** Why it is not known who comes to a passage. */
    private Optional<Unknown> openPassage(String passage) {
        for (PutIn in : into(passage)) {
            Optional<Unknown> open = in.part().isEmpty()
                    ? Optional.of(new Unknown.Beyond(Message.of("open.text").code("name", passage)))
                    : open(in.unit());
            if (open.isPresent()) {
                return open;
            }
        }
        return Optional.empty();
    }

    private Optional<Unknown> openAt(String place) {
        return space.wiring().at(place).isEmpty() || space.expr(place).isPresent()
                ? Optional.empty()
                : Optional.of(space.causeAt(place).orElse(new Unknown.Unsound(Fault.SoundClaim.TYPE_FITS, place)));
    }

    /** Why it is not known who tries a condition behind the end; empty where it is. */
    Optional<Unknown> openTrying(Wire wire) {
        if (wire.family() == RuleFamily.SEND_WHEN) {
            return openAt(wire.place());
        }
        return openConditions(wire.at()).or(() -> openPassage(wire.owner()));
    }

    private static String includeWhen(String passage, int number) {
        return Place.Rule.at(passage, RuleFamily.INCLUDE_WHEN, number).text();
    }

    /** The texts that are read at all and put a passage in; of passages, later ones. */
    private List<PutIn> into(String passage) {
        return putIn.getOrDefault(passage, List.of()).stream().filter(in -> {
            Place.Text at = PlaceText.unit(in.unit());
            return wordingOf(at).map(w -> passages.indexOf(w.row()) > passages.indexOf(passage))
                    .orElseGet(() -> messageOf(at).map(m -> !m.isBeforeAnswers()).orElse(isClosing(at)));
        }).toList();
    }

    private boolean isClosing(Place.Text at) {
        boolean named = at.name().equals("closing") || at.name().equals("takeAlong");
        return named && at.owner() instanceof Place.Row && document.outcome(at.row()).isPresent();
    }

    /** The states of an ending in which the condition holds. */
    int holds(String place, Flow.Exit ending) {
        return space.expr(place).map(e -> space.truth(e, outcomesAt(ending)).holds()).orElse(Diagrams.ALL);
    }

    /** The states of an ending in which the interview sends a message. */
    int sentAt(String message, Flow.Exit ending) {
        return holds(message + ".sendWhen", ending);
    }

    /** The states of a set in which every answer that a message goes to is blank. */
    int blank(String message, int set) {
        return message(message).answers().stream().map(a -> space.axis(a).blank()).reduce(set, d::and);
    }

    /** The states of an ending in which somebody reads a text of a message, a closing text or a wording of a passage. */
    int at(String unit, Flow.Exit ending) {
        Place.Text at = PlaceText.unit(unit);
        Optional<Place.Rule> wording = wordingOf(at);
        if (wording.isPresent()) {
            return d.and(comesTo(wording.get(), ending), holds(wording.get().text(), ending));
        }
        return messageOf(at).map(m -> sentAt(m.code(), ending))
                .orElseGet(() -> outcomesAt(ending).getOrDefault(at.row(), Diagrams.NONE));
    }

    /** The states of an ending in which the respondent reads the text in the language of the interview. */
    int byRespondent(String unit, Flow.Exit ending) {
        Place.Text at = PlaceText.unit(unit);
        Optional<Place.Rule> wording = wordingOf(at);
        if (wording.isPresent()) {
            int read = Diagrams.NONE;
            for (PutIn in : into(wording.get().row())) {
                read = d.or(read, d.and(byRespondent(in.unit(), ending), part(in, ending)));
            }
            return d.and(read, d.and(comesTo(wording.get(), ending), holds(wording.get().text(), ending)));
        }
        return messageOf(at).map(m -> d.and(sentAt(m.code(), ending), d.not(blank(m.code(), Diagrams.ALL))))
                .orElseGet(() -> at(unit, ending));
    }

    /** The states of an ending in which a condition behind the end is tried. */
    int tried(Wire wire, Flow.Exit ending) {
        return wire.family() == RuleFamily.SEND_WHEN ? Diagrams.ALL : comesTo(wire.at(), ending);
    }

    /** The states of an ending in which a condition behind the end is tried and holds. */
    int triedAndHolding(Wire wire, Flow.Exit ending) {
        return d.and(tried(wire, ending), holds(wire.place(), ending));
    }

    /** The states of an ending in which a condition behind the end is tried and does not hold. */
    int triedAndFailing(Wire wire, Flow.Exit ending) {
        return d.minus(tried(wire, ending), holds(wire.place(), ending));
    }

    /** Where a passage is put in and no wording before this one is taken. */
    private int comesTo(Place.Rule wording, Flow.Exit ending) {
        int set = passage(wording.row(), ending);
        for (int i = 0; i < wording.number(); i++) {
            set = d.minus(set, holds(includeWhen(wording.row(), i), ending));
        }
        return set;
    }

    private int passage(String passage, Flow.Exit ending) {
        List<Object> key = List.of(passage, ending);
        if (!known.containsKey(key)) {
            int set = Diagrams.NONE;
            for (PutIn in : into(passage)) {
                set = d.or(set, d.and(at(in.unit(), ending), part(in, ending)));
            }
            known.put(key, set);
        }
        return known.get(key);
    }

    private int part(PutIn in, Flow.Exit ending) {
        return in.part().flatMap(space.wiring()::unfolded).map(e -> space.truth(e, outcomesAt(ending)).holds()).orElse(Diagrams.ALL);
    }

    /** Whether a complete interview, replayed, shows that somebody reads a text. */
    boolean isRead(String unit, Interview interview) {
        Place.Text at = PlaceText.unit(unit);
        Optional<Place.Rule> wording = wordingOf(at);
        if (wording.isPresent()) {
            DispatchPassage passage = document.passage(wording.get().row()).orElseThrow();
            return Passages.chosen(interview, passage).equals(OptionalInt.of(wording.get().number()))
                    && isPutIn(passage.code(), interview);
        }
        return interview.course().complete() && messageOf(at).map(m -> !m.isBeforeAnswers() && DueMessage.holds(interview, m))
                .orElseGet(() -> interview.course().outcome().filter(at.row()::equals).isPresent());
    }

    /** Whether a complete interview, replayed, shows that the respondent reads a text in the language of the interview. */
    boolean isReadByRespondent(String unit, Interview interview) {
        Place.Text at = PlaceText.unit(unit);
        Optional<Place.Rule> wording = wordingOf(at);
        if (wording.isPresent()) {
            return isRead(unit, interview) && into(wording.get().row()).stream()
                    .anyMatch(in -> isReadByRespondent(in.unit(), interview) && isPartRead(in, interview));
        }
        return isRead(unit, interview) && messageOf(at)
                .map(m -> m.answers().stream().anyMatch(a -> interview.course().effective().get(a) != null)).orElse(true);
    }

    private boolean isPutIn(String passage, Interview interview) {
        return into(passage).stream().anyMatch(in -> isRead(in.unit(), interview) && isPartRead(in, interview));
    }

    private static boolean isPartRead(PutIn in, Interview interview) {
        return in.part().filter(e -> Boolean.TRUE.equals(interview.truth(e))).isPresent();
    }

    /** Whether a complete interview, replayed, tries a condition behind the end. */
    boolean isTried(Wire wire, Interview interview) {
        if (wire.family() == RuleFamily.SEND_WHEN) {
            return interview.course().complete();
        }
        for (int i = 0; i < wire.at().number(); i++) {
            if (Boolean.TRUE.equals(interview.truth(includeWhen(wire.owner(), i)))) {
                return false;
            }
        }
        return isPutIn(wire.owner(), interview);
    }
}
