package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A case that one person walks from seat to seat: what is sent opens what it opens, and nothing of it is kept. Every step gives another
 * run; the one before stays as it is.
 */
public final class CaseRun {

    /**
     * A follow-up that is opened.
     *
     * @param interview of whoever answers it
     * @param decision code of the choice; empty where nothing is decided
     */
    public record RunFollowUp(DueFollowUp due, FollowUpProgress progress, String decision, Interview interview) {

        public FollowUp followUp() {
            return due.followUp();
        }

        /** Whether it is still to be decided. */
        public boolean isToDecide() {
            return progress == FollowUpProgress.SENT && !followUp().decision().isNone();
        }

        private RunFollowUp with(FollowUpProgress changed, String decided, Interview answered) {
            return new RunFollowUp(due, changed, decided, answered);
        }
    }

    /**
     * What happens at one moment.
     *
     * @param number of the follow-up in {@link #followUps()}
     * @param messages that are sent then, in order
     */
    public record RunStep(int number, MessageMoment moment, List<DispatchMessage> messages) {}

    private final Interview first;
    private final Function<String, Optional<Questionnaire>> others;
    private final List<RunFollowUp> followUps;
    private final List<RunStep> steps;

    private CaseRun(Interview first, Function<String, Optional<Questionnaire>> others, List<RunFollowUp> followUps, List<RunStep> steps) {
        this.first = first;
        this.others = others;
        this.followUps = List.copyOf(followUps);
        this.steps = List.copyOf(steps);
    }

    /**
     * The case that a complete interview begins.
     *
     * @param others the questionnaires that follow-ups open, by their codes; a follow-up of one that is not given is left out
     */
    public static CaseRun of(Interview first, Function<String, Optional<Questionnaire>> others) {
        return new CaseRun(first, others, List.of(), List.of()).opened();
    }

    public Interview first() {
        return first;
    }

    /** In the order in which they were opened. */
    public List<RunFollowUp> followUps() {
        return followUps;
    }

    /** What happened so far, in order. */
    public List<RunStep> steps() {
        return steps;
    }

    /** Follow-ups that are not opened, in order. */
    public List<FollowUp> unopened() {
        return first.wiring().document().followUps().stream()
                .filter(f -> followUps.stream().noneMatch(r -> r.followUp().code().equals(f.code()))).toList();
    }

    /** What is known of the follow-ups now. */
    public List<OpenedFollowUp> known() {
        return followUps.stream().map(CaseRun::known).toList();
    }

    private static OpenedFollowUp known(RunFollowUp run) {
        boolean sent = run.progress() == FollowUpProgress.SENT || run.progress() == FollowUpProgress.DECIDED;
        Map<String, Object> brought = sent ? OpenedFollowUp.brought(run.followUp(), run.interview()) : Map.of();
        return new OpenedFollowUp(run.followUp().code(), run.due().entry(), run.progress(), run.decision(), brought);
    }

    /** Opens whatever is due until nothing more is. */
    private CaseRun opened() {
        CaseRun run = this;
        while (true) {
            Optional<DueFollowUp> due = DueFollowUp.of(run.first, run.known()).stream()
                    .filter(d -> others.apply(d.followUp().questionnaire()).isPresent()).findFirst();
            if (due.isEmpty()) {
                return run;
            }
            OpenedWith with = OpenedWith.of(due.get());
            Questionnaire document = others.apply(due.get().followUp().questionnaire()).orElseThrow();
            Interview begun = Interview.start(Wiring.of(with.in(document)), first.today(), with.link(document));
            List<RunFollowUp> more = new ArrayList<>(run.followUps);
            more.add(new RunFollowUp(due.get(), FollowUpProgress.OPEN, "", begun));
            run = new CaseRun(first, others, more, run.steps).noted(more.size() - 1, MessageMoment.OPENED);
        }
    }

    private CaseRun noted(int number, MessageMoment moment) {
        return noted(number, moment, known());
    }

    private CaseRun noted(int number, MessageMoment moment, List<OpenedFollowUp> then) {
        List<RunStep> more = new ArrayList<>(steps);
        more.add(new RunStep(number, moment, DueMessage.at(first, then, followUps.get(number).followUp().code(), moment)));
        return new CaseRun(first, others, followUps, more);
    }

    private CaseRun with(int number, RunFollowUp changed) {
        List<RunFollowUp> all = new ArrayList<>(followUps);
        all.set(number, changed);
        return new CaseRun(first, others, all, steps);
    }

    private RunFollowUp open(int number) {
        RunFollowUp run = followUps.get(number);
        if (!run.progress().isOpen()) {
            throw new IllegalStateException(run.followUp().code() + " is " + run.progress().word());
        }
        return run;
    }

    /**
     * The same with other answers of whoever answers a follow-up.
     *
     * @throws IllegalStateException where it cannot be answered
     */
    public CaseRun answering(int number, Interview answered) {
        RunFollowUp run = open(number);
        return with(number, run.with(run.progress(), "", answered));
    }

    /**
     * Sends a follow-up, and opens what comes of it.
     *
     * @throws IllegalStateException where it cannot be answered, or is not complete
     */
    public CaseRun sent(int number) {
        RunFollowUp run = open(number);
        if (!run.interview().course().acceptable()) {
            throw new IllegalStateException(run.followUp().code() + " is not complete");
        }
        return with(number, run.with(FollowUpProgress.SENT, "", run.interview())).noted(number, MessageMoment.SENT).opened();
    }

    /**
     * Decides about a follow-up that was sent, or sends it back, and opens what comes of it.
     *
     * @throws IllegalStateException where there is nothing to decide, or no such choice
     */
    public CaseRun decided(int number, String choice) {
        RunFollowUp run = followUps.get(number);
        DecisionChoice chosen = run.followUp().decision().choice(choice).filter(c -> run.isToDecide())
                .orElseThrow(() -> new IllegalStateException(run.followUp().code() + " cannot be decided like that"));
        if (!chosen.returns()) {
            return with(number, run.with(FollowUpProgress.DECIDED, choice, run.interview())).noted(number, MessageMoment.DECIDED).opened();
        }
        Interview answered = run.interview();
        Interview again = new Interview(answered.wiring(), answered.today(), answered.link(), answered.raw(), answered.started(), List.of(),
                answered.openEnded());
        // What was sent is known until it is answered again.
        return with(number, run.with(FollowUpProgress.RETURNED, "", again)).noted(number, MessageMoment.RETURNED, known());
    }

    /**
     * Ends a follow-up that nobody answers, and opens what comes of it.
     *
     * @throws IllegalStateException where it is not open
     */
    public CaseRun withdrawn(int number) {
        RunFollowUp run = open(number);
        return with(number, run.with(FollowUpProgress.WITHDRAWN, "", run.interview())).opened();
    }

    /**
     * Lets the time of a follow-up pass: reminders go out, and where it has a time, it is overdue then, and expires where it does so.
     *
     * @throws IllegalStateException where it is not open
     */
    public CaseRun late(int number) {
        RunFollowUp run = open(number);
        CaseRun reminded = noted(number, MessageMoment.REMINDER);
        if (run.followUp().due().days() == 0) {
            return reminded;
        }
        CaseRun late = reminded.noted(number, MessageMoment.OVERDUE);
        return run.followUp().due().isLimited()
                ? late.with(number, run.with(FollowUpProgress.EXPIRED, "", run.interview())).opened()
                : late;
    }
}
