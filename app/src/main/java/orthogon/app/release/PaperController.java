package orthogon.app.release;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.Locale;
import java.util.Set;
import orthogon.app.background.Result;
import orthogon.app.background.Works;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.work.Acts;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.dictionary.Dictionary;
import orthogon.formats.dictionary.ResponseSchema;
import orthogon.formats.paper.Paper;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The draft on paper, and what its answers look like. */
@Controller
@RequestMapping("/q/{code}/release")
class PaperController {

    private static final Set<String> KINDS = Set.of("csv", "json", "xlsx");

    private final Frame frame;
    private final Works works;
    private final Acts acts;

    PaperController(Frame frame, Works works, Acts acts) {
        this.acts = acts;
        this.frame = frame;
        this.works = works;
    }

    @GetMapping("/paper.pdf")
    ResponseEntity<Object> pdf(@PathVariable String code, @RequestParam(defaultValue = "") String language,
            @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept, Principal who) {
        Questionnaire document = frame.draft(code).document();
        String in = language.isEmpty() ? document.sourceLanguage() : language;
        if (!document.languages().contains(in)) {
            throw new NotThere("The questionnaire is not there in “" + in + "”.");
        }
        return works.file(accept, "The PDF of " + document.title(), "/q/" + code + "/release", who.getName(),
                progress -> {
                    byte[] paper = Paper.pdf(document, in, progress);
                    acts.saved(who.getName(), code, "the questionnaire in " + in + " as PDF");
                    return new Result.File(paper, MediaType.APPLICATION_PDF, "inline; filename=\"" + code + "-" + in + ".pdf\"");
                });
    }

    @GetMapping("/dictionary.{kind}")
    ResponseEntity<Object> dictionary(@PathVariable String code, @PathVariable String kind,
            @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept, Principal who) {
        Questionnaire document = frame.draft(code).document();
        if (!KINDS.contains(kind)) {
            throw new NotThere("There is no such kind of file: " + kind + ".");
        }
        return works.file(accept, "The dictionary of " + document.title(), "/q/" + code + "/release", who.getName(), progress -> {
            String name = code + "-dictionary." + kind;
            Result file = switch (kind) {
                case "csv" -> file(Dictionary.csv(document).getBytes(StandardCharsets.UTF_8), "text/csv;charset=UTF-8", name);
                case "json" -> file(Dictionary.json(document).getBytes(StandardCharsets.UTF_8), "application/json", name);
                default -> file(Dictionary.xlsx(document, progress),
                        "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", name);
            };
            acts.saved(who.getName(), code, "the dictionary as " + kind.toUpperCase(Locale.ROOT));
            return file;
        });
    }

    @GetMapping("/responses.schema.json")
    ResponseEntity<Object> schema(@PathVariable String code,
            @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept, Principal who) {
        Questionnaire document = frame.draft(code).document();
        return works.file(accept, "The schema of the responses of " + document.title(), "/q/" + code + "/release", who.getName(),
                progress -> {
                    byte[] schema = ResponseSchema.of(document).getBytes(StandardCharsets.UTF_8);
                    acts.saved(who.getName(), code, "the schema of its responses");
                    return file(schema, "application/schema+json", code + "-responses.schema.json");
                });
    }

    private static Result file(byte[] bytes, String type, String name) {
        return new Result.File(bytes, MediaType.valueOf(type), "attachment; filename=\"" + name + "\"");
    }
}
