package orthogon.app.compose;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.core.edit.Edit;
import orthogon.core.edit.Refused;
import orthogon.core.edit.RowLine;
import orthogon.core.edit.SimpleSentence;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

@Controller
@RequestMapping("/q/{code}/compose")
class ComposeController {

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;

    ComposeController(Frame frame, Proofs proofs, Editing editing) {
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String at,
            @RequestHeader(name = "HX-Request", required = false) String part, Model model) {
        show(frame.draft(code), at, model);
        return part == null ? "compose" : "compose :: sheet";
    }

    @GetMapping("/ledger")
    String ledger(@PathVariable String code, @RequestParam(defaultValue = "") String at, Model model) {
        show(frame.draft(code), at, model);
        return "compose :: refresh";
    }

    private void show(Draft draft, String wanted, Model model) {
        Questionnaire document = draft.document();
        Optional<orthogon.core.proof.Proof> proof = proofs.ready(draft);
        Wiring wiring = Wiring.of(document);
        boolean there = wanted.equals("ending") || document.item(wanted).isPresent() || document.page(wanted).isPresent();
        String at = there ? wanted : document.items().findFirst().map(Item::code).orElse(document.pages().getFirst().code());
        Ledger ledger = new Ledger(wiring, proof, at);
        frame.fill(model, draft, "compose");
        model.addAttribute("rows", ledger.rows());
        model.addAttribute("wires", ledger.wires());
        model.addAttribute("height", ledger.height());
        model.addAttribute("gutter", Ledger.GUTTER);
        model.addAttribute("at", at);
        model.addAttribute("revision", draft.revision());
        model.addAttribute("canUndo", draft.undoTo().isPresent());
        model.addAttribute("canRedo", draft.redoTo().isPresent());
        model.addAttribute("document", document);
        model.addAttribute("kinds", RowLine.KINDS);
        model.addAttribute("names", String.join(" ", wiring.names(Wiring.Family.OUTCOME_ROW)));
        Ledger.Row row = ledger.rows().stream().filter(Ledger.Row::selected).findFirst().orElseThrow();
        model.addAttribute("row", row);
        model.addAttribute("item", document.item(at).orElse(null));
        model.addAttribute("page", document.page(at).orElse(null));
        document.pageOf(at).ifPresent(p -> model.addAttribute("place", "page " + (document.pages().indexOf(p) + 1)
                + (row.number() > 0 ? ", question " + row.number() : "")));
        document.page(at).ifPresent(p -> model.addAttribute("place", "page " + (document.pages().indexOf(p) + 1)));
        if (at.equals("ending")) {
            model.addAttribute("place", "what comes after the last page");
        }
        model.addAttribute("decides", ledger.decides().getOrDefault(at, Set.of()));
        model.addAttribute("decidedBy",
                ledger.decides().entrySet().stream().filter(e -> e.getValue().contains(at)).map(e -> e.getKey()).toList());
        model.addAttribute("claims", proof.map(p -> Ledger.claimsAt(p, row.kind(), at)).orElse(List.of()));
        model.addAttribute("phrases", new Phrases(wiring));
        model.addAttribute("earlier", document.questions().filter(q -> !q.code().equals(at)).toList());
    }

    /** Conditions in words, for the inspector. */
    record Phrases(Wiring wiring) {
        public String at(String place) {
            return wiring.at(place).map(w -> w.readable().map(Phrase::of).orElse("")).orElse("");
        }

        public String fault(String place) {
            return wiring.at(place).filter(w -> !w.faults().isEmpty()).map(w -> w.faults().getFirst().withPlace()).orElse("");
        }
    }

    /** An edit, or why it cannot be made. */
    private interface Step {
        String at() throws Refused, Editing.Conflict;
    }

    private String attempt(String code, Model model, HttpServletResponse response, Step step) {
        boolean part = currentRequest().getHeader("HX-Request") != null;
        try {
            String at = step.at();
            if (!part) {
                return "redirect:/q/" + code + "/compose?at=" + at;
            }
            Draft draft = frame.draft(code);
            // Small drafts are proved in a blink; then the answer to the edit carries the verdicts already.
            proofs.awhile(draft);
            show(draft, at, model);
            return "compose :: sheet";
        } catch (Refused e) {
            return message(code, part, e.getMessage(), 422, model, response);
        } catch (Editing.Conflict e) {
            return message(code, part, e.getMessage(), 409, model, response);
        }
    }

    private static HttpServletRequest currentRequest() {
        return ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
    }

    private String message(String code, boolean part, String message, int status, Model model, HttpServletResponse response) {
        response.setStatus(status);
        model.addAttribute("message", message);
        if (!part) {
            show(frame.draft(code), Optional.ofNullable(currentRequest().getParameter("at")).orElse(""), model);
            return "compose";
        }
        response.setHeader("HX-Retarget", "#message");
        response.setHeader("HX-Reswap", "innerHTML");
        return "compose :: message";
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, @RequestParam String line, @RequestParam(defaultValue = "") String at,
            Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            if (line.length() > 2000) {
                throw new Refused("The line is longer than 2 000 characters.");
            }
            Set<String> taken = Edit.codes(document);
            if (line.strip().startsWith("#")) {
                String title = line.strip().replaceFirst("^#+\\s*", "");
                if (title.isEmpty()) {
                    throw new Refused("Write the page's title after the #.");
                }
                Page page = Page.empty(Codes.from(title, "page", taken::contains), title);
                Optional<String> after = document.page(at).or(() -> document.pageOf(at)).map(Page::code);
                editing.make(code, revision, new Edit.AddPage(after, page), who);
                return page.code();
            }
            Item item = RowLine.read(line, taken::contains);
            editing.make(code, revision, place(document, at, item), who);
            return item.code();
        });
    }

    /** Behind the selected row; into a selected section; to the end of a selected page, or of the last. */
    private static Edit place(Questionnaire document, String at, Item item) {
        if (document.item(at).orElse(null) instanceof Section) {
            return new Edit.Add(at, Optional.empty(), item);
        }
        if (document.item(at).isPresent()) {
            String container = document.items().filter(Section.class::isInstance).map(Section.class::cast)
                    .filter(s -> s.items().stream().anyMatch(i -> i.code().equals(at))).map(Section::code).findFirst()
                    .orElseGet(() -> document.pageOf(at).orElseThrow().code());
            return new Edit.Add(container, Optional.of(at), item);
        }
        return new Edit.Add(document.page(at).map(Page::code).orElse(document.pages().getLast().code()), Optional.empty(), item);
    }

    @PostMapping("/change")
    String change(@PathVariable String code, @RequestParam int revision, @RequestParam String at,
            @RequestParam MultiValueMap<String, String> form, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            Forms forms = new Forms(form);
            String newCode = form.getFirst("code") == null ? at : form.getFirst("code").strip();
            if (at.equals("ending")) {
                editing.make(code, revision, new Edit.ChangeEnding(forms.outcomes(), forms.table(), forms.claims()), who);
                return at;
            }
            if (!newCode.equals(at)) {
                editing.make(code, revision, new Edit.Rename(at, newCode), who);
                return newCode;
            }
            Optional<Page> page = document.page(at);
            if (page.isPresent()) {
                editing.make(code, revision, new Edit.ChangePage(forms.page(page.get()), "the texts or rules"), who);
                return at;
            }
            Item item = document.item(at).orElseThrow(() -> new Refused("There is no " + at + " any more."));
            Item changed = forms.item(item);
            editing.make(code, revision, new Edit.Change(changed, Forms.difference(item, changed)), who);
            return at;
        });
    }

    @PostMapping("/move")
    String move(@PathVariable String code, @RequestParam int revision, @RequestParam String at, @RequestParam boolean up, Principal who,
            Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            editing.make(code, revision, new Edit.Move(at, up), who);
            return at;
        });
    }

    @PostMapping("/copy")
    String copy(@PathVariable String code, @RequestParam int revision, @RequestParam String at, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            Draft made = editing.make(code, revision, new Edit.Copy(at), who);
            List<String> codes = made.document().items().map(Item::code).toList();
            int original = codes.indexOf(at);
            int width = (int) made.document().item(at).orElseThrow().withInner().count();
            return codes.get(original + width);
        });
    }

    @PostMapping("/remove")
    String remove(@PathVariable String code, @RequestParam int revision, @RequestParam String at, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            List<String> codes = editing.seen(code, revision).items().map(Item::code).toList();
            editing.make(code, revision, new Edit.Remove(at), who);
            int before = codes.indexOf(at) - 1;
            return before >= 0 ? codes.get(before) : "";
        });
    }

    @PostMapping("/undo")
    String undo(@PathVariable String code, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "false") boolean redo,
            Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            editing.undo(code, redo, who);
            return at;
        });
    }

    /** The rest of a simple sentence, once its question is chosen. */
    @GetMapping("/sentence")
    String sentence(@PathVariable String code, @RequestParam(defaultValue = "") String question, Model model) {
        Question chosen = frame.draft(code).document().question(question).orElse(null);
        model.addAttribute("chosen", chosen);
        model.addAttribute("comparisons", chosen == null ? java.util.Map.of() : SimpleSentence.comparisons(chosen));
        model.addAttribute("values", chosen == null ? java.util.Map.of() : SimpleSentence.values(chosen));
        return "compose :: sentence-rest";
    }

    /** Puts a simple sentence to the ask-when, require-when or open-when condition of the selected row. */
    @PostMapping("/sentence")
    String say(@PathVariable String code, @RequestParam int revision, @RequestParam String at, @RequestParam String family,
            @RequestParam(defaultValue = "") String question, @RequestParam(defaultValue = "") String comparison,
            @RequestParam(defaultValue = "") String value, @RequestParam(defaultValue = "all") String join, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            Question about = document.question(question).orElseThrow(() -> new Refused("Choose the question that decides."));
            String sentence = SimpleSentence.text(about, comparison, value);
            boolean all = join.equals("all");
            Optional<Page> page = document.page(at);
            if (page.isPresent()) {
                Page changed = page.get().withOpenWhen(SimpleSentence.joined(page.get().openWhen(), sentence, all));
                editing.make(code, revision, new Edit.ChangePage(changed, "open when"), who);
                return at;
            }
            Item item = document.item(at).orElseThrow(() -> new Refused("There is no " + at + " any more."));
            boolean require = family.equals("requireWhen");
            Item changed = switch (item) {
                case Question q when require -> q.withRequireWhen(SimpleSentence.joined(q.requireWhen(), sentence, all));
                case Question q -> q.withAskWhen(SimpleSentence.joined(q.askWhen(), sentence, all));
                case Note n -> new Note(n.code(), n.wording(), SimpleSentence.joined(n.askWhen(), sentence, all));
                case Section s -> new Section(s.code(), s.title(), SimpleSentence.joined(s.askWhen(), sentence, all), s.items());
                case Derived d -> throw new Refused("A derived value has no condition.");
            };
            editing.make(code, revision, new Edit.Change(changed, require ? "require when" : "ask when"), who);
            return at;
        });
    }
}
