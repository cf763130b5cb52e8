package orthogon.app.cases;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.outbox.MessageStore;
import orthogon.app.questions.AnswersInWords;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ResponseNoteStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.expression.Expr;
import orthogon.core.interview.Reasons;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import org.springframework.stereotype.Component;

/** What the pages of cases show. */
@Component
class CaseViews {

    private static final String PERSONAL = "personal";

    /** One case in the table. */
    record CaseRow(String receipt, String outcome, String sentAt, List<StateLine> followUps, String waitsFor, boolean over) {}

    /** A follow-up with its state, in words. */
    record StateLine(String title, String state) {}

    /** @param more whether there are older ones */
    record CasesView(List<CaseRow> rows, int from, boolean more, String only) {}

    /**
     * A follow-up of a case.
     *
     * @param opens title of what it opens
     * @param waitsFor who is waited for, in words; empty where it is over
     * @param due until when, in words; empty for no time
     * @param note of whoever decided, returned it or took it back
     * @param decision in words; empty where nothing is decided
     * @param response address of what was sent; empty where nothing was, or it may not be read
     * @param link for whoever answers it; empty where people of the workspace do, and where it is not open
     * @param choices of the decision; none where nothing is to be decided now, or others decide
     * @param mayOpenAgain whether it is the last of its kind, and another one may be opened
     */
    record FollowUpCard(long id, String code, String title, String opens, String state, String waitsFor, String due, boolean late,
            String note,
            String by, String decision, String response, String link, List<CaseValue> carried, List<CaseValue> brought,
            List<DecisionChoice> choices, boolean mayAnswer, boolean mayWithdraw, boolean mayOpenAgain) {}

    /**
     * Something that a follow-up was opened with, or brought back.
     *
     * @param wording of the question there; empty where it is none
     */
    record CaseValue(String code, String wording, String value) {}

    /** Something that happened. */
    record CaseEvent(String at, String what) {}

    /** A follow-up that was not opened. */
    record NotOpened(String code, String title, boolean mayOpen) {}

    /** @param state of the case, in words */
    record CaseView(String receipt, String outcome, String sentAt, String state, List<FollowUpCard> followUps, List<NotOpened> notOpened,
            List<CaseEvent> events, boolean mayWork) {}

    private record Happened(OffsetDateTime at, String what) {}

    private final FollowUpStore followUps;
    private final InterviewStore interviews;
    private final KnownReleases releases;
    private final FollowUpLinks links;
    private final WorkOnFollowUps work;
    private final People people;
    private final MessageStore messages;
    private final ResponseNoteStore notes;

    CaseViews(FollowUpStore followUps, InterviewStore interviews, KnownReleases releases, FollowUpLinks links, WorkOnFollowUps work,
            People people, MessageStore messages, ResponseNoteStore notes) {
        this.followUps = followUps;
        this.interviews = interviews;
        this.releases = releases;
        this.links = links;
        this.work = work;
        this.people = people;
        this.messages = messages;
        this.notes = notes;
    }

    CaseRow row(Response response) {
        Questionnaire document = releases.get(response.releaseId()).document();
        List<KeptFollowUp> kept = followUps.of(response.interviewId());
        List<String> waiting = kept.stream().map(k -> waitsFor(document, k)).filter(w -> !w.isEmpty()).distinct().toList();
        return new CaseRow(response.receipt(), document.outcome(response.outcome()).map(Outcome::label).orElse(""),
                Frame.when(response.sentAt()),
                kept.stream().map(k -> new StateLine(title(document, k), state(document, k))).toList(), String.join("; ", waiting),
                waiting.isEmpty());
    }

    private static String title(Questionnaire document, KeptFollowUp kept) {
        return document.followUp(kept.code()).map(FollowUp::shown).orElse(kept.code()) + (kept.entry() > 0 ? " " + kept.entry() : "");
    }

    private static String state(Questionnaire document, KeptFollowUp kept) {
        if (kept.progress() == FollowUpProgress.DECIDED) {
            return decision(document, kept);
        }
        boolean late = kept.progress().isOpen() && kept.dueAt().filter(d -> d.isBefore(OffsetDateTime.now())).isPresent();
        return late ? "overdue" : kept.progress().word();
    }

    private static String decision(Questionnaire document, KeptFollowUp kept) {
        return document.followUp(kept.code()).flatMap(f -> f.decision().choice(kept.decision())).map(DecisionChoice::label)
                .filter(l -> !l.isEmpty()).orElse(kept.decision());
    }

    /** Who is waited for, in words; empty where the follow-up is over. */
    private String waitsFor(Questionnaire document, KeptFollowUp kept) {
        Optional<FollowUp> followUp = document.followUp(kept.code());
        if (followUp.isEmpty() || kept.progress().isEnd(followUp.get())) {
            return "";
        }
        if (kept.progress() == FollowUpProgress.SENT) {
            return named(followUp.get().decision().by()) + " to decide";
        }
        return followUp.get().seat().said(people::named);
    }

    private String named(List<String> wanted) {
        return String.join(" or ", wanted.stream().map(people::named).toList());
    }

    CaseView view(Draft draft, Response response, String who) {
        Running running = interviews.find(response.interviewId()).orElseThrow();
        Questionnaire document = running.release().document();
        List<KeptFollowUp> kept = followUps.of(response.interviewId());
        boolean mayWork = people.may(who, Act.WORK_ON_RESPONSES, draft.code());
        boolean mayRead = people.may(who, Act.READ_PERSONAL, draft.code());
        List<String> there = kept.stream().map(KeptFollowUp::code).toList();
        List<FollowUpCard> cards = kept.stream().map(k -> card(draft.code(), document, k, kept, who, mayWork, mayRead)).toList();
        boolean waits = cards.stream().anyMatch(c -> !c.waitsFor().isEmpty());
        return new CaseView(response.receipt(), document.outcome(response.outcome()).map(Outcome::label).orElse("none"),
                Frame.when(response.sentAt()), waits ? "open" : "over", cards,
                document.followUps().stream().filter(f -> !there.contains(f.code()))
                        .map(f -> new NotOpened(f.code(), f.shown(), mayWork && !f.isForEachEntry())).toList(),
                events(document, response, kept, mayRead), mayWork);
    }

    private FollowUpCard card(String code, Questionnaire document, KeptFollowUp kept, List<KeptFollowUp> all, String who, boolean mayWork,
            boolean mayRead) {
        FollowUp followUp = document.followUp(kept.code()).orElseThrow();
        Questionnaire opened = releases.get(kept.releaseId()).document();
        Optional<Running> child = kept.child().flatMap(interviews::find);
        boolean decides = kept.progress() == FollowUpProgress.SENT && work.mayDecide(who, code, followUp);
        String response = child.flatMap(Running::receipt).filter(r -> people.may(who, Act.READ_RESPONSES, opened.code()))
                .map(r -> "/q/" + opened.code() + "/responses/" + r).orElse("");
        boolean byPeople = followUp.seat().who() == Who.PEOPLE;
        return new FollowUpCard(kept.id(), kept.code(), title(document, kept), opened.title(), state(document, kept),
                waitsFor(document, kept), kept.dueAt().filter(d -> kept.progress().isOpen()).map(Frame::when).orElse(""),
                state(document, kept).equals("overdue"), kept.note(), kept.decidedBy().isEmpty() ? "" : people.shown(kept.decidedBy()),
                kept.progress() == FollowUpProgress.DECIDED ? decision(document, kept) : "", response,
                byPeople || !kept.progress().isOpen() || !mayWork ? "" : links.address(kept.token()),
                carried(opened, followUps.with(kept.id(), opened), mayRead),
                child.filter(c -> c.receipt().isPresent()).map(c -> brought(followUp, opened, c, mayRead)).orElse(List.of()),
                decides ? followUp.decision().choices() : List.of(),
                byPeople && kept.progress().isOpen() && work.mayAnswer(who, code, followUp), mayWork && kept.progress().isOpen(),
                mayWork && mayOpenAgain(followUp, kept, all));
    }

    private static boolean mayOpenAgain(FollowUp followUp, KeptFollowUp kept, List<KeptFollowUp> all) {
        List<KeptFollowUp> times = all.stream().filter(k -> k.code().equals(kept.code())).toList();
        return times.getLast().id() == kept.id()
                && WorkOnFollowUps.mayOpenAgain(followUp, times.stream().map(KeptFollowUp::progress).toList());
    }

    private static List<CaseValue> carried(Questionnaire opened, OpenedWith with, boolean mayRead) {
        return with.targets().keySet().stream().filter(with.values()::containsKey)
                .map(to -> new CaseValue(to, wording(opened, to), said(opened, to, with.values().get(to), mayRead))).toList();
    }

    private static String wording(Questionnaire opened, String code) {
        return opened.question(code).map(Question::wording).orElse("");
    }

    private static String said(Questionnaire opened, String code, Object value, boolean mayRead) {
        boolean hidden = !mayRead && opened.question(code).filter(Question::personal).isPresent();
        return value == null
                ? "–"
                : hidden
                        ? PERSONAL
                        : opened.question(code).flatMap(q -> AnswersInWords.of(q, value)).orElseGet(() -> Reasons.said(value));
    }

    private static List<CaseValue> brought(FollowUp followUp, Questionnaire opened, Running child, boolean mayRead) {
        List<CaseValue> brought = new ArrayList<>();
        for (Brought each : followUp.brings()) {
            Object value = child.interview().value(new Expr.Name(each.of(), Expr.Span.NONE));
            brought.add(new CaseValue(followUp.code() + "." + each.name(), wording(opened, each.of()),
                    said(opened, each.of(), value, mayRead)));
        }
        return brought;
    }

    private List<CaseEvent> events(Questionnaire document, Response response, List<KeptFollowUp> kept, boolean mayRead) {
        List<Happened> all = new ArrayList<>();
        all.add(new Happened(response.sentAt(), "The response was sent."));
        for (KeptFollowUp each : kept) {
            String title = title(document, each);
            all.add(new Happened(each.openedAt(), title + " was opened."));
            each.sentAt().ifPresent(at -> all.add(new Happened(at, title + " was sent.")));
            String by = each.decidedBy().isEmpty() ? "" : " by " + people.shown(each.decidedBy());
            each.endedAt().ifPresent(at -> all.add(new Happened(at, each.progress() == FollowUpProgress.DECIDED
                    ? title + " was decided" + by + ": " + decision(document, each) + "."
                    : title + (each.progress() == FollowUpProgress.EXPIRED ? " expired." : " was withdrawn" + by + "."))));
        }
        if (mayRead) {
            messages.of(response.interviewId()).forEach(m -> all.add(new Happened(m.madeAt(), "Message "
                    + document.message(m.mail().code()).map(DispatchMessage::shown).orElse(m.subject()) + " went to " + m.to() + ".")));
        }
        notes.of(response.number()).forEach(n -> all.add(new Happened(n.at(), people.shown(n.author()) + " noted: " + n.text())));
        return all.stream().sorted(Comparator.comparing(Happened::at)).map(h -> new CaseEvent(Frame.when(h.at()), h.what())).toList();
    }
}
