package orthogon.app.dispatch;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import orthogon.app.editing.Editing;
import orthogon.app.editing.Editing.EditConflict;
import orthogon.core.edit.WholeDocument;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Messages and passages: the lists, the chosen one as it arrives, its settings, and what the proof says of it. */
@Controller
@RequestMapping("/q/{code}/dispatch")
class DispatchController {

    private final Editing editing;
    private final DispatchPages pages;

    DispatchController(Editing editing, DispatchPages pages) {
        this.editing = editing;
        this.pages = pages;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "") String language,
            Model model) {
        return pages.show(code, at, language, model);
    }

    /** How many ways there are through a whole case, counted when somebody asks. */
    @GetMapping("/case-ways")
    String ways(@PathVariable String code, Model model) {
        model.addAttribute("ways", pages.caseWays(code));
        return "dispatch :: ways";
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, Principal who, Model model, HttpServletResponse response) {
        return pages.attempt(code, "", TypedEntry.NOTHING, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            String fresh = Codes.fresh("message", WholeDocument.codes(document)::contains);
            return messages(code, revision, fresh, who, with(document.messages(), new DispatchMessage(fresh, "", "", List.of(), List.of(),
                    document.title(), "", ToldAnswers.EVERYTHING, List.of())));
        });
    }

    /** Makes a second message of one that is kept. */
    @PostMapping("/copy")
    String copy(@PathVariable String code, @RequestParam int revision, @RequestParam String message, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, message, TypedEntry.NOTHING, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            DispatchMessage original = document.message(message).orElseThrow(() -> gone(message));
            String fresh = Codes.fresh(message, WholeDocument.codes(document)::contains);
            return messages(code, revision, fresh, who, with(document.messages(), original.withCode(fresh)));
        });
    }

    @PostMapping("/keep")
    String keep(@PathVariable String code, @RequestParam int revision, @ModelAttribute TypedMessage typed, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, typed.was(), TypedEntry.of(typed), model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            DispatchMessage written = typed.message();
            document.message(typed.was()).orElseThrow(() -> gone(typed.was()));
            return messages(code, revision, written.code(), who,
                    replaced(document.messages(), m -> m.code().equals(typed.was()) ? written : m));
        });
    }

    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam int revision, @RequestParam String message, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, message, TypedEntry.NOTHING, model, response, () -> messages(code, revision, "", who,
                editing.seen(code, revision).messages().stream().filter(m -> !m.code().equals(message)).toList()));
    }

    @PostMapping("/passages/add")
    String addPassage(@PathVariable String code, @RequestParam int revision, Principal who, Model model, HttpServletResponse response) {
        return pages.attempt(code, "", TypedEntry.NOTHING, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            String fresh = Codes.fresh("passage", WholeDocument.codes(document)::contains);
            return passages(code, revision, fresh, who, with(document.passages(),
                    new DispatchPassage(fresh, List.of(new DispatchPassage.PassageWording("", "…")))));
        });
    }

    /** Keeps a passage, with one of its wordings moved up where that is asked for. */
    @PostMapping("/passages/keep")
    String keepPassage(@PathVariable String code, @RequestParam int revision, @RequestParam MultiValueMap<String, String> form,
            @RequestParam(defaultValue = "0") int up, Principal who, Model model, HttpServletResponse response) {
        TypedPassage typed = TypedPassage.of(form).up(up);
        return pages.attempt(code, typed.was(), TypedEntry.of(typed), model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            document.passage(typed.was()).orElseThrow(() -> gone(typed.was()));
            return passages(code, revision, typed.code(), who,
                    replaced(document.passages(), p -> p.code().equals(typed.was()) ? typed.passage() : p));
        });
    }

    @PostMapping("/passages/strike")
    String strikePassage(@PathVariable String code, @RequestParam int revision, @RequestParam String passage, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, passage, TypedEntry.NOTHING, model, response, () -> passages(code, revision, "", who,
                editing.seen(code, revision).passages().stream().filter(p -> !p.code().equals(passage)).toList()));
    }

    static Refused gone(String code) {
        return new Refused("There is no " + code + " any more.");
    }

    static <T> List<T> with(List<T> before, T more) {
        List<T> all = new ArrayList<>(before);
        all.add(more);
        return all;
    }

    static <T> List<T> replaced(List<T> before, UnaryOperator<T> change) {
        return before.stream().map(change).toList();
    }

    private String messages(String code, int revision, String at, Principal who, List<DispatchMessage> changed)
            throws Refused, EditConflict {
        return pages.changed(code, revision, at, who, editing.seen(code, revision).dispatch().withMessages(changed));
    }

    private String passages(String code, int revision, String at, Principal who, List<DispatchPassage> changed)
            throws Refused, EditConflict {
        return pages.changed(code, revision, at, who, editing.seen(code, revision).dispatch().withPassages(changed));
    }
}
