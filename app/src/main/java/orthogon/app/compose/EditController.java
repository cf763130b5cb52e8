package orthogon.app.compose;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.records.LookupSources;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.edit.Add;
import orthogon.core.edit.AddPages;
import orthogon.core.edit.Copy;
import orthogon.core.edit.Edit;
import orthogon.core.edit.PlacePage;
import orthogon.core.edit.PlaceRows;
import orthogon.core.edit.Remove;
import orthogon.core.edit.Rename;
import orthogon.core.edit.RenameOption;
import orthogon.core.edit.RenameOutcome;
import orthogon.core.edit.Retyped;
import orthogon.core.edit.SetConditions;
import orthogon.core.edit.Shift;
import orthogon.core.edit.SplitPage;
import orthogon.core.edit.Step;
import orthogon.core.edit.StepAll;
import orthogon.core.edit.WholeDocument;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Section;
import orthogon.core.typing.Outline;
import orthogon.core.typing.RowLine;
import orthogon.core.typing.Sentence;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Every edit of the Compose sheet. The answer to an edit is what changed on the page since the revision that it shows. */
@Controller
@RequestMapping("/q/{code}/compose")
class EditController {

    private static final int LONGEST_LINE = 10_000;
    /** The fields that say where a lookup finds its records, and what it shows of them. */
    private static final String RECORDS = "records";

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;
    private final Sheet sheet;
    private final LookupSources lookups;

    EditController(Frame frame, Proofs proofs, Editing editing, Sheet sheet, LookupSources lookups) {
        this.lookups = lookups;
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
        this.sheet = sheet;
    }

    /** The part of the ledger that the page shows, for all that follows. */
    @ModelAttribute(ComposeController.SHOWN_PART)
    int shownPart(@RequestParam(defaultValue = "0") int part) {
        return part;
    }

    /** What came of an edit: the row to look at, and what the analyst should know. */
    private record MadeRows(String at, String notice) {}

    /** An edit, or why it cannot be made. */
    private interface EditAttempt {
        MadeRows made() throws Refused, Editing.EditConflict;
    }

    private String attempt(String code, int shows, Model model, HttpServletResponse response, EditAttempt attempt) {
        int part = (int) model.getAttribute(ComposeController.SHOWN_PART);
        return Editing.attempt(model, response, () -> {
            MadeRows made = attempt.made();
            Draft draft = frame.draft(code);
            // Small drafts are proved in a blink; then the answer to the edit carries the verdicts already.
            proofs.awhile(draft);
            sheet.changes(draft, shows, part, made.at(), true, model);
            model.addAttribute("notice", made.notice());
            return "compose/ledger :: changes";
        });
    }

    private static String first(List<String> codes) throws Refused {
        if (codes.isEmpty()) {
            throw new Refused("No row was named: mark one or more rows first.");
        }
        return codes.getFirst();
    }

    private static MadeRows at(String code) {
        return new MadeRows(code, "");
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, @RequestParam String line, @RequestParam(defaultValue = "") String at,
            Principal who, Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            if (line.length() > LONGEST_LINE) {
                throw new Refused(
                        "The line has " + line.length() + " characters; at most " + LONGEST_LINE + " are read. Paste it as an outline.");
            }
            Set<String> taken = WholeDocument.codes(document);
            if (line.strip().startsWith("##")) {
                return section(code, revision, document, line.strip().substring(2).strip(), at, who);
            }
            if (line.strip().startsWith("#")) {
                String title = line.strip().replaceFirst("^#+\\s*", "");
                if (title.isEmpty()) {
                    throw new Refused("Write the page's title after the #.");
                }
                Page page = Page.empty(Codes.from(title, "page", taken::contains), title);
                String after = document.page(at).or(() -> document.pageOf(at)).map(Page::code).orElse("");
                editing.make(code, revision, new AddPages(after, List.of(page)), who);
                return at(page.code());
            }
            Item item = RowLine.read(line, taken::contains);
            editing.make(code, revision, behind(document, at, List.of(item)), who);
            return at(item.code());
        });
    }

    /** A section begun by typing its title; without one, the section at hand is left. */
    private MadeRows section(String code, int revision, Questionnaire document, String title, String at, Principal who)
            throws Refused, Editing.EditConflict {
        Optional<Page> page = document.page(at).or(() -> document.pageOf(at));
        if (title.isEmpty()) {
            return new MadeRows(page.map(Page::code).orElse(at), "New rows go to the end of the page now.");
        }
        Section section = new Section(Codes.from(title, "section", WholeDocument.codes(document)::contains), title, "", List.of());
        String place = document.item(at).orElse(null) instanceof Section ? page.map(Page::code).orElse(at) : at;
        editing.make(code, revision, behind(document, place, List.of(section)), who);
        return new MadeRows(section.code(), "New rows go into this section. Type ## to leave it.");
    }

    /** Behind the selected row; into a selected section or roster; to the end of a selected page, or of the last. */
    private static Edit behind(Questionnaire document, String at, List<Item> items) {
        if (document.item(at).orElse(null) instanceof Group) {
            return new Add(at, "", items);
        }
        Optional<String> container = document.containerOf(at);
        return container.isPresent()
                ? new Add(container.get(), at, items)
                : new Add(document.page(at).map(Page::code).orElse(document.pages().getLast().code()), "", items);
    }

    /** A pasted outline: shown first with what was understood, then brought in behind the selected row's page. */
    @PostMapping("/outline")
    String outline(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String at,
            @RequestParam String outline, @RequestParam(defaultValue = "false") boolean bring, Principal who, Model model,
            HttpServletResponse response) {
        if (bring) {
            return attempt(code, revision, model, response, () -> {
                Questionnaire document = editing.seen(code, revision);
                Outline read = Outline.read(outline, WholeDocument.codes(document)::contains);
                if (read.pages().isEmpty()) {
                    throw new Refused("The outline has no line that was understood.");
                }
                String after = document.page(at).or(() -> document.pageOf(at)).map(Page::code).orElse("");
                // A draft that only has the empty page it began with takes the outline's pages in its place.
                boolean blank = document.pages().size() == 1 && document.pages().getFirst().items().isEmpty();
                editing.make(code, revision, new AddPages(after, read.pages(), blank), who);
                long left = read.count(Outline.Became.NOT_UNDERSTOOD);
                return new MadeRows(read.pages().getFirst().code(),
                        left == 0 ? "" : left + (left == 1 ? " line of the outline is" : " lines of the outline are") + " left out.");
            });
        }
        try {
            Draft draft = frame.draft(code);
            model.addAttribute("code", code);
            model.addAttribute("outline", outline);
            model.addAttribute("read", Outline.read(outline, WholeDocument.codes(draft.document())::contains));
            return "compose/dialogs :: understood";
        } catch (Refused e) {
            return Editing.refused(e.getMessage(), 422, model, response);
        }
    }

    @PostMapping("/change")
    String change(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "0") int shows,
            @RequestParam String at, @RequestParam(defaultValue = "") List<String> field,
            @RequestParam MultiValueMap<String, String> form, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, shows == 0 ? revision : shows, model, response, () -> {
            Questionnaire before = editing.seen(code, revision);
            String newCode = form.getFirst("code") == null ? at : form.getFirst("code").strip();
            if (!newCode.equals(at)) {
                editing.make(code, revision, new Rename(at, newCode), who);
                return at(newCode);
            }
            Optional<String[]> option = before.item(at).orElse(null) instanceof Question q
                    ? new Forms(form).renamedOption(q.answer())
                    : Optional.empty();
            if (option.isPresent()) {
                editing.make(code, revision, new RenameOption(at, option.get()[0], option.get()[1]), who);
                return at(at);
            }
            Optional<RenameOutcome> outcome = at.equals(Edit.ENDING) && (field.isEmpty() || field.contains("outcomes"))
                    ? RenameOutcome.between(before.outcomes(), new Forms(form).outcomes())
                    : Optional.empty();
            if (outcome.isPresent()) {
                editing.make(code, revision, outcome.get(), who);
                return at(at);
            }
            if (field.contains(RECORDS)) {
                String source = form.getFirst("lookupSource") == null ? "" : form.getFirst("lookupSource");
                // The ticks say all that is shown, so that they stand for what was ticked a moment before as well.
                editing.make(code, Math.max(revision, shows), lookups.taking(at, source, form.getOrDefault("lookupShows", List.of())), who);
                return at(at);
            }
            Set<String> groups = field.isEmpty()
                    ? form.keySet().stream().map(Fields::group).collect(Collectors.toSet())
                    : Set.copyOf(field);
            Draft made = editing.make(code, revision, new FieldEdit(at, groups, form), who);
            Optional<Item> item = before.item(at);
            Optional<Item> changed = made.document().item(at);
            if (item.isPresent() && changed.isPresent()) {
                model.addAttribute("renames", RenameOption.proposals(item.get(), changed.get()));
            } else if (at.equals(Edit.ENDING)) {
                model.addAttribute("renames", RenameOutcome.proposals(before, made.document()));
            }
            return new MadeRows(at, item.isPresent() && changed.isPresent() ? retyped(code, item.get(), changed.get()) : "");
        });
    }

    /** Another code for an option of a row, or for an outcome. */
    @PostMapping("/rename-option")
    String renameOption(@PathVariable String code, @RequestParam int revision, @RequestParam String of, @RequestParam String from,
            @RequestParam String to, @RequestParam(defaultValue = "") String at, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            editing.make(code, revision, of.equals(Edit.ENDING) ? new RenameOutcome(from, to) : new RenameOption(of, from, to), who);
            return at(at.isEmpty() ? of : at);
        });
    }

    /** What a change of type could not keep, and which conditions no longer fit. */
    private String retyped(String code, Item before, Item after) throws Refused {
        if (!(before instanceof Question a && after instanceof Question b && !a.answer().type().equals(b.answer().type()))) {
            return "";
        }
        List<String> lost = new ArrayList<>(Retyped.to(a.answer(), b.answer().type()).lost());
        List<String> unfit = Wiring.of(frame.draft(code).document()).wires().stream()
                .filter(w -> !w.faults().isEmpty() && (w.uses().contains(b.code()) || w.owner().equals(b.code())))
                .map(Wiring.Wire::place).toList();
        String words = lost.isEmpty() ? "" : "Not kept by the change of type: " + String.join(", ", lost) + ".";
        return unfit.isEmpty() ? words : (words + " These conditions no longer fit: " + String.join(", ", unfit) + ".").strip();
    }

    @PostMapping("/move")
    String move(@PathVariable String code, @RequestParam int revision, @RequestParam String at, @RequestParam boolean up,
            @RequestParam(defaultValue = "") List<String> marked, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            editing.make(code, revision, marked.isEmpty() ? new Step(at, up) : new StepAll(marked, up), who);
            return new MadeRows(at, lookingAhead(code));
        });
    }

    @PostMapping("/split")
    String split(@PathVariable String code, @RequestParam int revision, @RequestParam String at, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            Draft made = editing.make(code, revision, new SplitPage(at), who);
            return new MadeRows(made.document().pageOf(at).orElseThrow().code(), "The page is split. Give the new page a title.");
        });
    }

    @PostMapping("/shift")
    String shift(@PathVariable String code, @RequestParam int revision, @RequestParam String at, @RequestParam boolean in, Principal who,
            Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            editing.make(code, revision, new Shift(at, in), who);
            return new MadeRows(at, lookingAhead(code));
        });
    }

    /** Rows dragged behind another row, or moved to a page, section or roster. */
    @PostMapping("/place")
    String place(@PathVariable String code, @RequestParam int revision, @RequestParam List<String> codes,
            @RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "") String container, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            String first = first(codes);
            if (document.page(first).isPresent()) {
                String page = document.page(after).or(() -> document.pageOf(after)).map(Page::code).orElse("");
                editing.make(code, revision, new PlacePage(first, page), who);
            } else if (!container.isEmpty()) {
                editing.make(code, revision, new PlaceRows(codes, container, ""), who);
            } else if (document.page(after).isPresent() || document.item(after).orElse(null) instanceof Group) {
                editing.make(code, revision, new PlaceRows(codes, after, after), who);
            } else {
                String into = document.containerOf(after)
                        .orElseThrow(() -> new Refused("Rows belong on pages: put it below a page's heading."));
                editing.make(code, revision, new PlaceRows(codes, into, after), who);
            }
            return new MadeRows(first, lookingAhead(code));
        });
    }

    /** Conditions that use something later since the last move, so that a move is never silently wrong. */
    private String lookingAhead(String code) {
        List<String> places = orthogon.core.proof.fault.Faults.of(Wiring.of(frame.draft(code).document())).stream()
                .filter(f -> f.kind() == orthogon.core.proof.fault.Fault.SoundClaim.LOOKS_AHEAD).map(f -> f.place()).toList();
        return places.isEmpty() ? "" : "Looks ahead now: " + String.join(", ", places) + ".";
    }

    @PostMapping("/copy")
    String copy(@PathVariable String code, @RequestParam int revision, @RequestParam List<String> at, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            String original = first(at);
            Copy copy = new Copy(at);
            String fresh = copy.fresh(editing.seen(code, revision)).get(original);
            editing.make(code, revision, copy, who);
            return at(fresh);
        });
    }

    @PostMapping("/remove")
    String remove(@PathVariable String code, @RequestParam int revision, @RequestParam List<String> at,
            @RequestParam(defaultValue = "false") boolean withDependents, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            List<String> codes = editing.seen(code, revision).items().map(Item::code).toList();
            int before = codes.indexOf(first(at)) - 1;
            editing.make(code, revision, new Remove(at, withDependents), who);
            return at(before >= 0 ? codes.get(before) : "");
        });
    }

    /** One condition for several rows. */
    @PostMapping("/condition")
    String condition(@PathVariable String code, @RequestParam int revision, @RequestParam List<String> at, @RequestParam String family,
            @RequestParam(defaultValue = "") String text, @RequestParam(defaultValue = "instead") String join, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            String shown = first(at);
            Questionnaire document = editing.seen(code, revision);
            Map<String, String> now = Places.all(document);
            Map<String, String> texts = new LinkedHashMap<>();
            for (String each : at) {
                String place = each + "." + family;
                String before = now.getOrDefault(place, "");
                texts.put(place, join.equals("instead") || text.isBlank()
                        ? text.strip()
                        : Sentence.joined(before, text.strip(),
                                join.equals("all")));
            }
            editing.make(code, revision, new SetConditions(texts), who);
            return at(shown);
        });
    }

    @PostMapping("/undo")
    String undo(@PathVariable String code, @RequestParam(defaultValue = "") String at, @RequestParam int revision,
            @RequestParam(defaultValue = "false") boolean redo, @RequestParam(defaultValue = "false") boolean anyway, Principal who,
            Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            return new MadeRows(at, editing.undo(code, redo, anyway, who));
        });
    }

    @PostMapping("/restore")
    String restore(@PathVariable String code, @RequestParam int to, @RequestParam(defaultValue = "") String at, @RequestParam int revision,
            Principal who, Model model, HttpServletResponse response) {
        return attempt(code, revision, model, response, () -> {
            editing.restore(code, to, who);
            return new MadeRows(at, "Revision " + to + " is restored; what came after it stays in the history.");
        });
    }
}
