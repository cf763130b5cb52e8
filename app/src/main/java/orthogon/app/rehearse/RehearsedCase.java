package orthogon.app.rehearse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import orthogon.app.questions.MessageTexts;
import orthogon.app.questions.RespondentTexts;
import orthogon.core.dispatch.CaseRun;
import orthogon.core.dispatch.CaseRun.RunFollowUp;
import orthogon.core.dispatch.CaseRun.RunStep;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Reasons;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A rehearsed case, as its sheet shows it.
 *
 * @param first title of the questionnaire that begins the case
 * @param outcome of that interview
 * @param seats of those who answer, in the order in which the follow-ups were opened
 * @param unopened title of a follow-up that is not opened, to why
 * @param happened what happened so far, the first first
 * @param chosen number of the seat that is taken; -1 for none
 * @param at the chosen seat; null for none
 */
record RehearsedCase(String first, String outcome, List<Seat> seats, Map<String, String> unopened, List<Happening> happened, int chosen,
        ChosenSeat at) {

    /**
     * A seat that one can take.
     *
     * @param who answers it, in words
     * @param state of the follow-up, in words
     * @param brought what it brought, name to value
     */
    record Seat(String title, String who, String state, Map<String, String> brought) {}

    /** @param messages that are sent then */
    record Happening(String words, List<SentThen> messages) {}

    record SentThen(String subject, List<String> to, String text) {}

    /**
     * The seat that is taken.
     *
     * @param opens title of what is answered here
     * @param answers whether somebody answers it now
     * @param complete whether all of it is answered
     * @param decides who decides about it now, in words; empty where nobody does
     * @param choices code of each choice to its words; with those that send it back
     * @param lateWords what letting the time pass does, in words; empty where nothing comes of it
     * @param withdraws whether it can be taken back
     */
    record ChosenSeat(String opens, boolean answers, boolean complete, String decides, Map<String, String> choices, String lateWords,
            boolean withdraws, String lang, String dir, Presentation.Theme theme, Map<String, String> carried) {}

    /**
     * @param source the questionnaire that begins the case, in its source language
     * @param people the words for people and roles
     */
    static RehearsedCase of(CaseRun run, int chosen, Wiring source, UnaryOperator<String> people) {
        List<OpenedFollowUp> known = run.known();
        List<Seat> seats = new ArrayList<>();
        for (int i = 0; i < run.followUps().size(); i++) {
            RunFollowUp each = run.followUps().get(i);
            Map<String, String> brought = new LinkedHashMap<>();
            known.get(i).brought().forEach((name, value) -> brought.put(name, Reasons.said(value)));
            seats.add(new Seat(titled(each), each.followUp().seat().said(people), state(each), brought));
        }
        Map<String, String> unopened = new LinkedHashMap<>();
        RehearsedFollowUp.all(source.document(), run.first(), known).stream().filter(f -> !f.because().isEmpty())
                .filter(f -> run.unopened().stream().anyMatch(u -> u.code().equals(f.code())))
                .forEach(f -> unopened.put(f.title(), f.because()));
        return new RehearsedCase(source.document().title(),
                run.first().course().outcome().flatMap(source.document()::outcome).map(Questionnaire.Outcome::label).orElse("no outcome"),
                seats, unopened, run.steps().stream().map(s -> happening(run, s, source, people)).toList(), chosen,
                chosen < 0 ? null : at(run.followUps().get(chosen), people));
    }

    private static String titled(RunFollowUp run) {
        return run.followUp().shown() + (run.due().entry() == 0 ? "" : " (" + run.due().entry() + ")");
    }

    private static String state(RunFollowUp run) {
        String decided = run.followUp().decision().choice(run.decision()).map(c -> c.label().isEmpty() ? c.code() : c.label()).orElse("");
        return decided.isEmpty() ? run.progress().word() : run.progress().word() + ": " + decided;
    }

    private static ChosenSeat at(RunFollowUp run, UnaryOperator<String> people) {
        FollowUp followUp = run.followUp();
        Interview interview = run.interview();
        RespondentTexts voice = RespondentTexts.of(interview);
        Map<String, String> choices = new LinkedHashMap<>();
        if (run.isToDecide()) {
            followUp.decision().choices().forEach(c -> choices.put(c.code(),
                    (c.label().isEmpty() ? c.code() : c.label()) + (c.returns() ? " (sends it back)" : "")));
        }
        Map<String, String> carried = new LinkedHashMap<>();
        run.due().carried().forEach((to, value) -> carried.put(to, Reasons.said(value)));
        boolean open = run.progress().isOpen();
        String late = !open
                ? ""
                : followUp.due().isLimited() ? "Let its time run out" : followUp.due().days() > 0 ? "Let it be overdue" : "Let days pass";
        return new ChosenSeat(voice.plain(interview.wiring().document().title()), open, interview.course().complete(),
                run.isToDecide() ? String.join(", ", followUp.decision().by().stream().map(people).toList()) : "", choices, late, open,
                voice.language(), voice.direction(), interview.wiring().document().presentation().theme(), carried);
    }

    private static Happening happening(CaseRun run, RunStep step, Wiring source, UnaryOperator<String> people) {
        String title = titled(run.followUps().get(step.number()));
        String words = switch (step.moment()) {
            case OPENED -> title + " is opened";
            case SENT -> title + " is sent";
            case RETURNED -> title + " goes back";
            case DECIDED -> title + " is decided";
            case REMINDER -> "days go by, and " + title + " is open";
            case OVERDUE -> title + " is overdue";
            case INVITED -> "";
        };
        return new Happening(words, step.messages().stream().map(m -> sent(m, run.first(), source, people)).toList());
    }

    private static SentThen sent(DispatchMessage message, Interview first, Wiring source, UnaryOperator<String> people) {
        List<DueMessage> due = DueMessage.of(first, message);
        Interview reading = !due.isEmpty() && due.getFirst().ofRespondent() ? first : first.with(source);
        MessageTexts texts = MessageTexts.of(reading, message.code());
        List<String> to = new ArrayList<>(due.stream().map(DueMessage::address).toList());
        message.to().people().stream().map(people).forEach(to::add);
        return new SentThen(texts.subject(), to, texts.text());
    }
}
