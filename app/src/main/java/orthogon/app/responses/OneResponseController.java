package orthogon.app.responses;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.MessageStore;
import orthogon.app.questions.AnswersInWords;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.questions.ResponsePaper;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FigureStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.RecordLinkStore.LinkedResponse;
import orthogon.app.store.ResponseNoteStore;
import orthogon.app.store.ResponseNoteStore.ResponseNote;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.app.work.SendMessagesAgain;
import orthogon.app.work.WorkOnResponses;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Reasons;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.PersonalAnswers;
import orthogon.core.responses.TakenRoute;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** One response: what the respondent saw and answered, why it was asked, and what is done about it. */
@Controller
@RequestMapping("/q/{code}/responses/{receipt}")
class OneResponseController {

    /** Most responses that are told of those that chose this one. */
    private static final int MOST_CHOOSING = 50;

    /** One answer. */
    record AnswerLine(String slot, String wording, String answer, boolean blank, boolean hidden, List<Attachment> files) {}

    /** One item that was not asked, with the reason. */
    record LeftOut(String code, String because) {}

    /** A page that the respondent came to. */
    record AnsweredPage(String code, String title, List<AnswerLine> lines, List<LeftOut> leftOut) {}

    /**
     * A message that the response sent.
     *
     * @param at when it was made
     * @param state how far it is, in words
     */
    record SentMessage(long id, String name, String to, String at, String state) {}

    /**
     * A response of another questionnaire that this one chose, was chosen by, or was added for.
     *
     * @param says what it has to do with this one
     * @param code of its questionnaire; empty where the reader may not read it, or where it is erased
     * @param receipt empty where its interview is not sent yet
     */
    record RecordLine(String says, String code, String receipt) {}

    /** A note with the name of who wrote it. */
    record NoteLine(String author, String at, String text) {}

    /**
     * The page.
     *
     * @param endedBy the rule that ended the interview, in words
     * @param passedBy titles of pages that the respondent never came to
     * @param besides what came with the link, and what was derived
     * @param lane address of its lane in the proof; empty where personal answers are gone and the route cannot be told
     * @param onRoute how many responses took the same route, this one among them
     * @param messages that it sent; none for readers who may not read personal answers
     * @param records responses that it chose as records, that chose it, or that it was added for
     * @param ofCases whether its questionnaire opens follow-ups
     * @param previous receipt of the response before it in the table; empty where there is none
     */
    record ResponseView(Response response, String outcome, String sentAt, String languageName, String dir, String endedBy,
            List<AnsweredPage> pages, List<String> passedBy, int asked, long of, String lane, int onRoute, Map<String, String> besides,
            List<NoteLine> notes, List<SentMessage> messages, List<RecordLine> records, Map<String, String> states,
            Map<String, String> workers, String previous,
            String next, int place, int count, String back,
            boolean mayWork, boolean ofCases) {}

    private final Frame frame;
    private final ResponseSearch search;
    private final ResponseStore responses;
    private final ResponseNoteStore notes;
    private final InterviewStore interviews;
    private final AttachmentStore attachments;
    private final WorkOnResponses work;
    private final People people;
    private final Acts acts;
    private final ReadResponses reads;
    private final FigureStore figures;
    private final MessageStore messages;
    private final SendMessagesAgain again;
    private final RecordLinkStore records;

    OneResponseController(Frame frame, ResponseSearch search, ResponseStore responses, ResponseNoteStore notes, InterviewStore interviews,
            AttachmentStore attachments, WorkOnResponses work, People people, Acts acts, ReadResponses reads, FigureStore figures,
            MessageStore messages, SendMessagesAgain again, RecordLinkStore records) {
        this.records = records;
        this.messages = messages;
        this.again = again;
        this.figures = figures;
        this.frame = frame;
        this.search = search;
        this.responses = responses;
        this.notes = notes;
        this.interviews = interviews;
        this.attachments = attachments;
        this.work = work;
        this.people = people;
        this.acts = acts;
        this.reads = reads;
    }

    private Response find(Draft draft, String receipt) {
        return responses.find(draft.id(), receipt).orElseThrow(() -> new NotThere("There is no response " + receipt + "."));
    }

    @GetMapping
    String one(@PathVariable String code, @PathVariable String receipt, Principal who, Model model) {
        Draft draft = frame.draft(code);
        Response response = find(draft, receipt);
        boolean mayWork = people.may(who.getName(), Act.WORK_ON_RESPONSES, code);
        if (mayWork) {
            work.seen(draft, response);
            response = find(draft, receipt);
        }
        frame.fill(model, draft, "responses");
        Set<String> hidden = search.hidden(draft, who.getName());
        Interview interview = interview(response);
        Questionnaire document = interview.wiring().document();
        Course course = interview.course();
        OwnWords words = RespondentTexts.of(interview).ownWords();
        List<AnsweredPage> pages = course.pages().stream().map(p -> page(interview, course, p, words, hidden)).toList();
        List<String> visited = pages.stream().map(AnsweredPage::code).toList();
        ReadResponses.Neighbours around = reads.around(draft, who.getName(), response.number());
        Views.show(model, new ResponseView(response, document.outcome(response.outcome()).map(Questionnaire.Outcome::label).orElse("none"),
                Frame.when(response.sentAt()), OwnWords.name(response.language()), words.locale().isRightToLeft() ? "rtl" : "ltr",
                course.endedBy().map(Reasons::endedBy).orElse(""), pages,
                document.pages().stream().filter(p -> !visited.contains(p.code())).map(Page::title).toList(),
                pages.stream().mapToInt(p -> p.lines().size()).sum(), document.questions().count(),
                response.stripped() ? "" : ResponsesController.lane(code, TakenRoute.of(interview)), figures.onSameRoute(response.number()),
                besides(document, response, hidden),
                notes.of(response.number()).stream().map(this::line).toList(),
                people.may(who.getName(), Act.READ_PERSONAL, code) ? sent(draft.document(), response) : List.of(),
                records(response, who.getName()), search.states(),
                search.people(draft), around.previous(),
                around.next(), around.place(), around.count(), around.link(), mayWork,
                !document.followUps().isEmpty()));
        return "response";
    }

    private List<RecordLine> records(Response response, String who) {
        List<RecordLine> lines = new ArrayList<>();
        records.chosenIn(response.number()).forEach(r -> lines.add(r.questionnaire().isEmpty()
                ? new RecordLine(r.slot() + " was " + r.receipt() + ", which is erased", "", "")
                : line(r.slot() + " is a record of " + r.questionnaire(), r, who)));
        records.addedOutOf(response.interviewId())
                .ifPresent(r -> lines.add(line("added while somebody answered " + r.questionnaire(), r, who)));
        records.choosing(response.receipt(), MOST_CHOOSING)
                .forEach(r -> lines.add(line("chosen as " + r.slot() + " in " + r.questionnaire(), r, who)));
        return lines;
    }

    private RecordLine line(String says, LinkedResponse linked, String who) {
        boolean mayRead = people.may(who, Act.READ_RESPONSES, linked.questionnaire());
        return new RecordLine(says, mayRead ? linked.questionnaire() : "", linked.receipt());
    }

    private List<SentMessage> sent(Questionnaire document, Response response) {
        return messages.of(response.interviewId()).stream().map(m -> new SentMessage(m.id(),
                document.message(m.mail().code()).map(DispatchMessage::shown).orElse(m.mail().code()), m.to(), Frame.when(m.madeAt()),
                m.state() == MessageState.FAILED ? "not delivered" : m.state().word())).toList();
    }

    /** Sends one of its messages once more. */
    @PostMapping("/again")
    String again(@PathVariable String code, @PathVariable String receipt, @RequestParam long message, Principal who,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        try {
            again.one(draft, find(draft, receipt), message, who.getName());
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/q/" + code + "/responses/" + receipt + "#messages";
    }

    private Interview interview(Response response) {
        Interview kept = interviews.find(response.interviewId())
                .orElseThrow(() -> new NotThere("The interview of response " + response.receipt() + " is gone.")).interview();
        // What was required is gone where personal answers or a record were erased; the pages are shown all the same.
        return response.stripped() || !kept.course().complete() ? kept.unchecked() : kept;
    }

    /** The response as a PDF file, in the language in which it was answered. */
    @GetMapping("/paper.pdf")
    ResponseEntity<byte[]> paper(@PathVariable String code, @PathVariable String receipt, Principal who) {
        Draft draft = frame.draft(code);
        Response response = find(draft, receipt);
        byte[] pdf = ResponsePaper.pdf(interview(response), receipt, response.sentAt(), search.hidden(draft, who.getName()));
        acts.saved(who.getName(), code, "response " + receipt + " as PDF");
        return ResponsePaper.sent(receipt, pdf);
    }

    private NoteLine line(ResponseNote note) {
        return new NoteLine(people.shown(note.author()), Frame.when(note.at()), note.text());
    }

    private static AnsweredPage page(Interview interview, Course course, Course.PageView page, OwnWords words, Set<String> hidden) {
        RespondentTexts texts = RespondentTexts.of(interview);
        List<AnswerLine> lines = new ArrayList<>();
        for (Course.ShownItem shown : page.shown()) {
            if (shown.question().isPresent()) {
                Object value = course.value(shown);
                boolean isHidden = hidden.contains(shown.item().code());
                Optional<String> said = AnswersInWords.of(shown.question().get(), value, words);
                // A wording may name an earlier answer, so that it is shown as it was written where personal ones are hidden.
                String wording = hidden.isEmpty() ? texts.plain(shown.wording(), shown) : shown.question().get().wording();
                String answer = isHidden
                        ? ResponseCells.PERSONAL
                        : said.orElse("no answer") + (shown.other().isEmpty() ? "" : ": " + shown.other());
                lines.add(new AnswerLine(shown.slot(), wording, answer, said.isEmpty() && value == null, isHidden && value != null,
                        isHidden ? List.of() : files(value)));
            }
        }
        List<LeftOut> leftOut = Reasons.of(interview, page.page()).items().stream().filter(r -> !r.asked())
                .map(r -> new LeftOut(r.code(), hidden.isEmpty() ? r.because() : "not asked")).toList();
        return new AnsweredPage(page.page().code(), texts.plain(page.page().title()), lines, leftOut);
    }

    private static Map<String, String> besides(Questionnaire document, Response response, Set<String> hidden) {
        Map<String, String> besides = new LinkedHashMap<>();
        Stream.concat(document.linkParameters().stream().map(Questionnaire.LinkParameter::code),
                document.items().filter(Derived.class::isInstance).map(Item::code)).filter(response.answers()::containsKey)
                .filter(c -> !hidden.contains(c))
                .forEach(c -> besides.put(c, Reasons.said(response.answers().get(c))));
        return besides;
    }

    private static List<Attachment> files(Object value) {
        return value instanceof List<?> l
                ? l.stream().filter(Attachment.class::isInstance).map(Attachment.class::cast).toList()
                : List.of();
    }

    /** Sets the state of the response and who is in charge of it. */
    @PostMapping("/mark")
    String mark(@PathVariable String code, @PathVariable String receipt, @RequestParam String state, @RequestParam String person,
            Principal who, RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        Response response = find(draft, receipt);
        try {
            if (!state.equals(response.state())) {
                work.setState(draft, List.of(receipt), state, who.getName());
            }
            if (!person.equals(response.inCharge())) {
                if (!person.isEmpty() && !search.people(draft).containsKey(person)) {
                    throw new Refused("There is nobody called “" + person + "” who works on these responses.");
                }
                work.putInCharge(draft, List.of(receipt), person, who.getName());
            }
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/q/" + code + "/responses/" + receipt;
    }

    @PostMapping("/note")
    String note(@PathVariable String code, @PathVariable String receipt, @RequestParam String text, Principal who,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        try {
            work.note(draft, find(draft, receipt), text, who.getName());
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
            flash.addFlashAttribute("typed", text);
        }
        return "redirect:/q/" + code + "/responses/" + receipt + "#notes";
    }

    /** One file of one response; always saved, never shown, since a respondent sent it. */
    @GetMapping("/files/{key}")
    ResponseEntity<byte[]> attachment(@PathVariable String code, @PathVariable String receipt, @PathVariable String key, Principal who) {
        Draft draft = frame.draft(code);
        Response response = find(draft, receipt);
        Attachment file = PersonalAnswers.without(response.answers(), search.hidden(draft, who.getName())).values().stream()
                .flatMap(Attachment::within).filter(f -> f.key().equals(key))
                .findFirst().orElseThrow(() -> new NotThere("There is no such file in the response " + receipt + "."));
        byte[] content = attachments.content(key).orElseThrow(() -> new NotThere("The file " + file.name() + " is not kept here."));
        acts.saved(who.getName(), code, "a file of response " + receipt);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(file.name(), StandardCharsets.UTF_8).build().toString())
                .body(content);
    }
}
