package orthogon.app.responses;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import orthogon.app.background.Result;
import orthogon.app.background.Works;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ResponseStore;
import orthogon.app.work.Acts;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.PersonalAnswers;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.responses.ExportForm;
import orthogon.formats.responses.ResponseLine;
import orthogon.formats.responses.ResponseTables;
import orthogon.formats.responses.ResponsesCsv;
import orthogon.formats.responses.ResponsesJson;
import orthogon.formats.responses.ResponsesXlsx;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;

/** Responses as files: all of them, those in the table, or those that were chosen. */
@Controller
@RequestMapping("/q/{code}/responses")
class ExportController {

    /**
     * What is wanted.
     *
     * @param of {@code table} for what the filter and the search let through, {@code chosen} for the receipts, or else all
     * @param labels whether options are written by their labels
     * @param several whether many choices have a column for each option
     * @param within whether entries of rosters are columns, and not rows of their own
     * @param mark whether CSV begins with a byte order mark
     */
    record Export(String of, List<String> receipt, Boolean labels, Boolean several, Boolean within, Boolean mark) {

        ExportForm form() {
            return new ExportForm(isTicked(labels), isTicked(several), !isTicked(within));
        }
    }

    /** What is not ticked does not come with a form. */
    private static boolean isTicked(Boolean box) {
        return Boolean.TRUE.equals(box);
    }

    private interface Writing {
        void write(OutputStream to, ProgressListener progress) throws IOException;
    }

    private final Frame frame;
    private final ResponseSearch search;
    private final ReadResponses reads;
    private final ResponseStore responses;
    private final Works works;
    private final Acts acts;

    ExportController(Frame frame, ResponseSearch search, ReadResponses reads, ResponseStore responses, Works works, Acts acts) {
        this.frame = frame;
        this.search = search;
        this.reads = reads;
        this.responses = responses;
        this.works = works;
        this.acts = acts;
    }

    /** @param kind the ending of the file's name */
    @RequestMapping(path = "/file.{kind:csv|xlsx|json}", method = {RequestMethod.GET, RequestMethod.POST})
    ResponseEntity<Object> file(@PathVariable String code, @PathVariable String kind, @ModelAttribute Export export,
            @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept, Principal who) throws Refused {
        Draft draft = frame.draft(code);
        List<Long> numbers = numbers(draft, export, who);
        Questionnaire document = search.document(draft);
        ResponseTables tables = ResponseTables.of(document, export.form());
        Iterable<ResponseLine> lines = lines(numbers, search.hidden(draft, who.getName()));
        int count = numbers.size();
        return switch (kind) {
            case "xlsx" -> made(draft, accept, who, count, kind,
                    MediaType.valueOf("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
                    (to, progress) -> ResponsesXlsx.write(document, tables, lines, count, to, progress));
            case "json" -> made(draft, accept, who, count, kind, MediaType.APPLICATION_JSON,
                    (to, progress) -> ResponsesJson.write(document, lines, count, to, progress));
            default -> {
                boolean zip = tables.tables().size() > 1;
                yield made(draft, accept, who, count, zip ? "zip" : kind,
                        zip ? MediaType.valueOf("application/zip") : new MediaType("text", "csv", StandardCharsets.UTF_8),
                        (to, progress) -> ResponsesCsv.write(tables, lines, count, isTicked(export.mark()), to, progress));
            }
        };
    }

    private List<Long> numbers(Draft draft, Export export, Principal who) throws Refused {
        return switch (export.of() == null ? "" : export.of()) {
            case "table" -> reads.numbers(draft, who.getName());
            case "chosen" -> responses.numbers(draft.id(), export.receipt() == null ? List.of() : export.receipt());
            default -> responses.numbers(draft.id());
        };
    }

    private Iterable<ResponseLine> lines(List<Long> numbers, Set<String> hidden) {
        return () -> responses.each(numbers).map(r -> new ResponseLine(r.receipt(), r.release(), r.sentAt(), r.outcome(), r.language(),
                r.state(), r.inCharge(), PersonalAnswers.without(r.answers(), hidden))).iterator();
    }

    private ResponseEntity<Object> made(Draft draft, String accept, Principal who, int count, String kind, MediaType type,
            Writing writing) {
        String title = "The responses to " + draft.document().title();
        return works.file(accept, title, "/q/" + draft.code() + "/responses", who.getName(), progress -> {
            Path file = Works.newFile();
            try (OutputStream out = Files.newOutputStream(file)) {
                writing.write(out, progress);
            }
            acts.saved(who.getName(), draft.code(),
                    count + (count == 1 ? " response" : " responses") + " as " + kind.toUpperCase(Locale.ROOT));
            return new Result.SavedFile(file, type, "attachment; filename=\"" + draft.code() + "-responses." + kind + "\"");
        });
    }
}
