package orthogon.app.responses;

import orthogon.app.background.Result;
import orthogon.app.background.Works;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.questions.AnswersInWords;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Response;
import orthogon.app.store.KnownReleases;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Course;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.responses.ResponsesCsv;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
@RequestMapping("/q/{code}/responses")
class ResponsesController {

    private static final int COLUMNS = 6;
    private static final int PER_PAGE = 25;

    /** One response in the table. */
    record ResponseRow(String receipt, String sent, int release, String outcome, List<String> cells) {}

    /** One answer of one response. */
    record AnswerLine(String code, String wording, String answer, String page, boolean first, List<Attachment> files) {}

    /** The responses that are listed. */
    record ResponsesView(List<Question> columns, List<ResponseRow> rows, int count, int pageNumber, int pageCount, String wanted,
            Map<String, Long> byOutcome, Map<String, String> labels) {}

    /** One response with everything that was answered. */
    record ResponseView(ResponseRow row, Map<String, String> besides, List<AnswerLine> lines, int asked, long of) {}

    private final Frame frame;
    private final InterviewStore interviews;
    private final KnownReleases releases;
    private final AttachmentStore attachments;
    private final Works works;
    private final Acts acts;

    ResponsesController(Frame frame, InterviewStore interviews, KnownReleases releases, AttachmentStore attachments, Works works,
            Acts acts) {
        this.acts = acts;
        this.works = works;
        this.attachments = attachments;
        this.frame = frame;
        this.interviews = interviews;
        this.releases = releases;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "1") int page, @RequestParam(defaultValue = "") String outcome,
            Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        List<Response> all = interviews.responses(draft.id());
        List<Response> wanted = outcome.isEmpty() ? all : all.stream().filter(r -> r.outcome().equals(outcome)).toList();
        Questionnaire document = all.isEmpty() ? draft.document() : releases.get(all.getFirst().releaseId()).document();
        List<Question> columns = document.questions().limit(COLUMNS).toList();
        int pages = Math.max(1, (wanted.size() + PER_PAGE - 1) / PER_PAGE);
        int shown = Math.clamp(page, 1, pages);
        Map<String, Long> byOutcome = new LinkedHashMap<>();
        document.outcomes().forEach(o -> byOutcome.put(o.code(), all.stream().filter(r -> r.outcome().equals(o.code())).count()));
        Views.show(model,
                new ResponsesView(columns, wanted.stream().skip((shown - 1L) * PER_PAGE).limit(PER_PAGE).map(r -> row(r, columns)).toList(),
                        wanted.size(), shown, pages, outcome, byOutcome, labels(document)));
        return "responses";
    }

    private static Map<String, String> labels(Questionnaire document) {
        Map<String, String> labels = new LinkedHashMap<>();
        document.outcomes().forEach(o -> labels.put(o.code(), o.label()));
        return labels;
    }

    private ResponseRow row(Response r, List<Question> columns) {
        Questionnaire document = releases.get(r.releaseId()).document();
        List<String> cells = new ArrayList<>();
        columns.forEach(q -> cells.add(Cells.of(document, q.code(), r.answers())));
        return new ResponseRow(r.receipt(), Frame.when(r.sentAt()), r.release(),
                document.outcome(r.outcome()).map(o -> o.label()).orElse("none"),
                cells);
    }

    @GetMapping("/{receipt}")
    String one(@PathVariable String code, @PathVariable String receipt, Model model) {
        Draft draft = frame.draft(code);
        Response response = interviews.response(draft.id(), receipt)
                .orElseThrow(() -> new NotThere("There is no response " + receipt + "."));
        frame.fill(model, draft, "responses");
        Questionnaire document = releases.get(response.releaseId()).document();
        Optional<Course> course = interviews.find(response.interviewId()).map(r -> r.interview().course());
        List<AnswerLine> lines = new ArrayList<>();
        course.ifPresent(c -> c.pages().forEach(p -> {
            boolean first = true;
            for (Course.ShownItem shown : p.shown()) {
                if (shown.question().isPresent()) {
                    lines.add(new AnswerLine(shown.slot(), shown.wording(),
                            AnswersInWords.of(shown.question().get(), c.value(shown)).orElse("no answer")
                                    + (shown.other().isEmpty() ? "" : ": " + shown.other()),
                            p.page().title(), first, files(c.value(shown))));
                    first = false;
                }
            }
        }));
        Map<String, String> besides = new LinkedHashMap<>();
        Stream.concat(document.linkParameters().stream().map(Questionnaire.LinkParameter::code),
                document.items().filter(Derived.class::isInstance).map(Item::code)).filter(response.answers()::containsKey)
                .forEach(c -> besides.put(c, ResponsesCsv.cell(response.answers().get(c))));
        Views.show(model, new ResponseView(row(response, List.of()), besides, lines, lines.size(), document.questions().count()));
        return "response";
    }

    private static List<Attachment> files(Object value) {
        return value instanceof List<?> l
                ? l.stream().filter(Attachment.class::isInstance).map(Attachment.class::cast).toList()
                : List.of();
    }

    /** One file of one response; always saved, never shown, since a respondent sent it. */
    @GetMapping("/{receipt}/{key}")
    ResponseEntity<byte[]> attachment(@PathVariable String code, @PathVariable String receipt, @PathVariable String key,
            Principal who) {
        Response response = interviews.response(frame.draft(code).id(), receipt)
                .orElseThrow(() -> new NotThere("There is no response " + receipt + "."));
        Attachment file = response.answers().values().stream().flatMap(v -> files(v).stream()).filter(f -> f.key().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("There is no such file in the response " + receipt + "."));
        byte[] content = attachments.content(key).orElseThrow(() -> new NotThere("The file " + file.name() + " is not kept here."));
        acts.saved(who.getName(), code, "a file of response " + receipt);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(file.name(), StandardCharsets.UTF_8).build().toString())
                .body(content);
    }

    @GetMapping("/file.csv")
    ResponseEntity<byte[]> csv(@PathVariable String code, @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept,
            Principal who) {
        Draft draft = frame.draft(code);
        return works.file(accept, "The responses to " + draft.document().title(), "/q/" + code + "/responses", who.getName(), progress -> {
            progress.at("Reading the responses", 0, 0);
            List<Response> all = interviews.responses(draft.id());
            Questionnaire document = all.isEmpty() ? draft.document() : releases.get(all.getFirst().releaseId()).document();
            List<ResponsesCsv.ResponseLine> rows = all.stream().map(r -> new ResponsesCsv.ResponseLine(r.receipt(), r.release(),
                    DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(r.sentAt()), r.outcome(), r.answers())).toList();
            byte[] content = ResponsesCsv.write(document, rows, progress).getBytes(StandardCharsets.UTF_8);
            acts.saved(who.getName(), code, rows.size() + (rows.size() == 1 ? " response" : " responses") + " as CSV");
            return new Result.File(content,
                    new MediaType("text", "csv", StandardCharsets.UTF_8),
                    "attachment; filename=\"" + draft.code() + "-responses.csv\"");
        });
    }
}
