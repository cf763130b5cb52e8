package orthogon.core.proof.claim;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;

/** Walks everybody in a case through interviews of their own, as the application does, knowing nothing of the composed document. */
public final class CaseWalk {

    /**
     * A follow-up that was opened.
     *
     * @param interview of whoever answers it; empty where nobody does
     */
    public record CaseStep(DueFollowUp due, OpenedFollowUp opened, Optional<Interview> interview) {}

    private final KnownQuestionnaires others;
    private final LocalDate today;
    private final CaseWitness witness;
    private final Map<String, CaseStep> steps = new LinkedHashMap<>();
    private final Interview first;
    private List<OpenedFollowUp> known = List.of();

    private CaseWalk(Wiring first, KnownQuestionnaires others, LocalDate today, CaseWitness witness) {
        this.others = others;
        this.today = today;
        this.witness = witness;
        this.first = Replay.of(first, today, witness.answers(), "");
        if (this.first.course().complete()) {
            this.known = walk("", this.first);
        }
    }

    /** The case of a witness; follow-ups of which it says nothing stay open. */
    public static CaseWalk of(Wiring first, KnownQuestionnaires others, LocalDate today, CaseWitness witness) {
        return new CaseWalk(first, others, today, witness);
    }

    /** The interview of the first respondent. */
    public Interview first() {
        return first;
    }

    /** Whether the first interview is sent, and every follow-up that is opened has come to its end. */
    public boolean isOver() {
        return first.course().complete() && steps.values().stream().allMatch(s -> s.opened().progress().isEnd(s.due().followUp()));
    }

    /** Whether all of it happens as the witness says: what it says of is opened, and nothing else. */
    public boolean agrees() {
        return isOver() && steps.keySet().stream().allMatch(name -> witness.of(name).isPresent())
                && witness.followed().stream().allMatch(f -> steps.containsKey(f.name()));
    }

    /** The follow-up of that name, of one that is opened for each entry the first. */
    public Optional<CaseStep> step(String name) {
        return Optional.ofNullable(steps.get(name));
    }

    /** The names of the follow-ups that are opened, those that a follow-up opens behind it. */
    public Set<String> names() {
        return steps.keySet();
    }

    /** The codes of the messages of follow-ups that are sent in it, in document order. */
    public List<String> sends() {
        return first.wiring().document().messages().stream().filter(m -> m.isOfFollowUp() && sends(m)).map(DispatchMessage::code).toList();
    }

    /** The value of an own claim over the first interview and its follow-ups. */
    public Object value(Expr claim) {
        Map<String, Object> parts = new HashMap<>();
        first.wiring().document().followUps().forEach(f -> parts.put(f.code(), null));
        known.forEach(o -> parts.put(o.code(), o.parts()));
        return first.values(parts, "", 0).apply(claim);
    }

    /** Whether a message of a follow-up is sent, at whatever moment of it. */
    public boolean sends(DispatchMessage message) {
        boolean there = known.stream().anyMatch(o -> o.code().equals(message.occasion().followUp()) && o.entry() <= 1
                && (!message.occasion().isAfterFollowUp() || o.progress() == FollowUpProgress.SENT
                        || o.progress() == FollowUpProgress.DECIDED));
        Optional<Expr> when = first.wiring().expr(message.code() + ".sendWhen", true);
        return isOver() && there && when.filter(e -> Boolean.TRUE.equals(value(e))).isPresent();
    }

    /** Opens whatever is to be opened until nothing is left. */
    private List<OpenedFollowUp> walk(String name, Interview sent) {
        List<OpenedFollowUp> opened = new ArrayList<>();
        List<DueFollowUp> due = DueFollowUp.of(sent, opened);
        while (!due.isEmpty()) {
            for (DueFollowUp next : due) {
                opened.add(open(CaseNames.inside(name, next.followUp().code()), next));
            }
            due = DueFollowUp.of(sent, opened);
        }
        return opened;
    }

    private OpenedFollowUp open(String name, DueFollowUp due) {
        FollowUp followUp = due.followUp();
        Optional<FollowedUp> said = due.entry() <= 1 ? witness.of(name) : Optional.empty();
        boolean answered = said.filter(s -> s.state().equals(followUp.answeredState())).isPresent();
        Optional<Interview> interview = answered ? Optional.of(answer(due, said.get().answers())) : Optional.empty();
        boolean sent = interview.filter(i -> i.course().complete()).isPresent();
        FollowUpProgress progress = said.filter(s -> !answered)
                .map(s -> FollowUpProgress.of(s.state()))
                .orElse(!sent ? FollowUpProgress.OPEN : followUp.decision().isNone() ? FollowUpProgress.SENT : FollowUpProgress.DECIDED);
        Map<String, Object> brought = sent ? OpenedFollowUp.brought(followUp, interview.get()) : Map.of();
        OpenedFollowUp opened = new OpenedFollowUp(followUp.code(), due.entry(), progress,
                progress == FollowUpProgress.DECIDED ? said.orElseThrow().decision() : "", brought);
        steps.putIfAbsent(name, new CaseStep(due, opened, interview));
        interview.filter(i -> sent).ifPresent(i -> walk(name, i));
        return opened;
    }

    private Interview answer(DueFollowUp due, Map<String, Object> given) {
        Questionnaire document = others.find(due.followUp().questionnaire()).orElseThrow();
        Map<String, Object> answers = new LinkedHashMap<>(given);
        OpenedWith with = OpenedWith.of(due);
        answers.putAll(with.link(document));
        return Replay.of(Wiring.of(with.in(document)), today, answers, "");
    }
}
