package orthogon.core.expression;

import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The names that an expression may use at its place. Inside a roster, names mean the entry at hand; what stands behind the last page knows the outcome. */
final class NamesInScope implements Typer.Scope {

    private static final String OUTCOME = "outcome";
    private static final String RECORD = Domain.OneRecord.RECEIPT;

    private final Wiring wiring;
    private final Map<String, Type> types;
    private final Set<String> askable;
    private final boolean behind;
    private final boolean claims;
    private final boolean ofFollowUps;
    private final String here;
    /** The lookup whose records the name {@code record} stands for; empty for none. */
    private final Optional<LookupAnswer> lookup;
    private final boolean recordsAlone;
    /** Follow-ups whose state, decision and values are known where the expression stands. */
    private final Map<String, Type> followUps = new LinkedHashMap<>();

    /**
     * @param types of all names so far; may still grow
     * @param askable names of what {@code asked} can be about
     * @param owner the item, page or claim at which the expression stands
     */
    NamesInScope(Wiring wiring, Map<String, Type> types, Set<String> askable, RuleFamily family, String owner) {
        this.wiring = wiring;
        this.types = types;
        this.askable = askable;
        this.behind = family.isBehindTheEnd();
        Optional<DispatchMessage> message = family == RuleFamily.SEND_WHEN
                ? wiring.document().message(owner).filter(DispatchMessage::isOfFollowUp)
                : Optional.empty();
        this.ofFollowUps = family.isOfFollowUps() || message.isPresent();
        this.claims = family == RuleFamily.CLAIM;
        this.lookup = family == RuleFamily.OFFER_WHEN || family == RuleFamily.EVERY_RECORD
                ? wiring.document().question(owner).map(Question::answer).filter(LookupAnswer.class::isInstance)
                        .map(LookupAnswer.class::cast)
                : Optional.empty();
        this.recordsAlone = family == RuleFamily.EVERY_RECORD && lookup.isPresent();
        this.here = family.isOfFollowUps()
                ? wiring.document().followUp(owner).map(FollowUp::eachOf).orElse("")
                : behind || family == RuleFamily.OUTCOME_ROW ? "" : wiring.rosterOf(owner).orElse("");
        if (claims || family.isOfFollowUps()) {
            wiring.document().followUps().stream().takeWhile(f -> claims || !f.code().equals(owner)).filter(this::isNamed)
                    .forEach(f -> followUps.put(f.code(), FollowUpTypes.of(f)));
        }
        message.ifPresent(m -> knownAt(m.occasion()));
    }

    private boolean isNamed(FollowUp followUp) {
        return !followUp.isForEachEntry() && !wiring.items().containsKey(followUp.code());
    }

    /** What is known at a moment of a follow-up: what it brings and how it is decided once it is, and what it rests on, which is over. */
    private void knownAt(MessageOccasion at) {
        Deque<String> open = new ArrayDeque<>(wiring.restsOn(at.followUp()));
        while (!open.isEmpty()) {
            Optional<FollowUp> over = wiring.document().followUp(open.pop()).filter(this::isNamed);
            if (over.isPresent() && followUps.putIfAbsent(over.get().code(), FollowUpTypes.of(over.get())) == null) {
                open.addAll(wiring.restsOn(over.get().code()));
            }
        }
        if (at.isAfterFollowUp()) {
            wiring.document().followUp(at.followUp()).filter(this::isNamed).ifPresent(f -> followUps.put(f.code(),
                    at.moment() == MessageMoment.DECIDED ? FollowUpTypes.of(f) : FollowUpTypes.sent(f)));
        }
    }

    private boolean elsewhere(String name) {
        return wiring.rosterOf(name).filter(roster -> !roster.equals(here)).isPresent();
    }

    @Override
    public Optional<Type> type(String name) {
        if (lookup.isPresent() && name.equals(RECORD)) {
            return Optional.of(AnswerTypes.ofRecord(lookup.get()));
        }
        if (recordsAlone) {
            return Optional.empty();
        }
        if (behind && name.equals(OUTCOME)) {
            Set<String> outcomes = new LinkedHashSet<>();
            wiring.document().outcomes().forEach(o -> outcomes.add(o.code()));
            return Optional.of(Type.choice(OUTCOME, outcomes));
        }
        if (followUps.containsKey(name)) {
            return Optional.of(followUps.get(name));
        }
        if (elsewhere(name)) {
            return Optional.empty();
        }
        return wiring.items().get(name) instanceof Derived && !types.containsKey(name) ? Optional.of(Type.NOTHING) : wiring.type(name);
    }

    @Override
    public Collection<String> names() {
        Set<String> names = new LinkedHashSet<>();
        if (lookup.isPresent()) {
            names.add(RECORD);
        }
        if (recordsAlone) {
            return names;
        }
        types.keySet().stream().filter(n -> !elsewhere(n)).forEach(names::add);
        wiring.items().values().stream().filter(Roster.class::isInstance).forEach(r -> names.add(r.code()));
        if (behind) {
            names.add(OUTCOME);
        }
        names.addAll(followUps.keySet());
        return names;
    }

    @Override
    public Optional<String> otherwise(String name) {
        if (name.equals(OUTCOME) && !wiring.items().containsKey(name)) {
            return Optional.of("outcome is known only at the end; own claims and messages may use it");
        }
        if (elsewhere(name)) {
            return Optional.of(name + " is answered once for each entry; write " + wiring.rosterOf(name).orElseThrow() + "." + name
                    + " for all of them");
        }
        Optional<FollowUp> followUp = wiring.document().followUp(name);
        if (followUp.isPresent() && !wiring.items().containsKey(name)) {
            return Optional.of(followUp.get().isForEachEntry()
                    ? name + " is opened once for each entry, so nothing can hang on it"
                    : name + " is a follow-up; own claims may use it, the follow-ups behind it, and messages once it is over");
        }
        return Optional.ofNullable(wiring.items().get(name)).map(i -> name + " is a " + i.kind() + " and has no answer");
    }

    @Override
    public Collection<String> askable() {
        return behind && here.isEmpty() && !ofFollowUps ? askable : Set.of();
    }

    @Override
    public Collection<String> sendable() {
        return claims
                ? wiring.document().messages().stream().filter(DispatchMessage::isAfterAnswers).map(DispatchMessage::code).toList()
                : Set.of();
    }

    @Override
    public Collection<String> openable() {
        return claims ? wiring.document().followUps().stream().map(FollowUp::code).toList() : Set.of();
    }

    @Override
    public boolean hasScore(String name) {
        return !elsewhere(name) && wiring.items().get(name) instanceof Question q
                && q.answer().isChoice();
    }
}
