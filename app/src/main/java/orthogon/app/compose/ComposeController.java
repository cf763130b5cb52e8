package orthogon.app.compose;

import orthogon.app.builder.SentenceBuilder;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.core.edit.Edit;
import orthogon.core.edit.Meant;
import orthogon.core.edit.References;
import orthogon.core.expression.BlankHints;
import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.ModelAttribute;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What the Compose sheet shows. */
@Controller
@RequestMapping("/q/{code}/compose")
class ComposeController {

    /** Number of the part of the ledger that a page shows, among what a request brings. */
    static final String SHOWN_PART = "shownPart";
    private static final int MOST_HISTORY = 200;

    /** The actions on several marked rows. */
    record MarkedView(String code, int revision, Questionnaire document, List<String> marked) {}

    /** What depends on rows that somebody wants to remove: each place with what stands there. */
    record DependentsView(String code, int revision, List<String> of, Map<String, String> places) {}

    /** The revisions, newest first. */
    record HistoryView(String code, int revision, List<DraftStore.HistoryLine> entries) {}

    /** What was found, and how many more there are. */
    record FoundView(String code, List<FoundRow> found, int more) {}

    private final Frame frame;
    private final Proofs proofs;
    private final DraftStore drafts;
    private final Sheet sheet;
    private final Folded folded;

    ComposeController(Frame frame, Proofs proofs, DraftStore drafts, Sheet sheet, Folded folded) {
        this.frame = frame;
        this.proofs = proofs;
        this.drafts = drafts;
        this.sheet = sheet;
        this.folded = folded;
    }

    @GetMapping
    String whole(@PathVariable String code, @RequestParam(defaultValue = "") String at, Model model) {
        Draft draft = frame.draft(code);
        if (draft.document().dispatch().has(at)) {
            // Whatever leads to the row of a condition or a claim leads to a message as well.
            return "redirect:/q/" + code + "/dispatch?at=" + at;
        }
        sheet.whole(draft, at, model);
        return "compose";
    }

    @GetMapping("/inspector")
    String inspector(@PathVariable String code, @RequestParam(defaultValue = "") String at, Model model) {
        sheet.inspector(frame.draft(code), at, model);
        return "compose/inspector :: inspector";
    }

    /** The claims about one row alone, once they are proved. */
    @GetMapping("/claims")
    String claims(@PathVariable String code, @RequestParam(defaultValue = "") String at, Model model) {
        sheet.inspector(frame.draft(code), at, model);
        return "compose/inspector :: claims";
    }

    /** The actions on several marked rows. */
    @GetMapping("/several")
    String several(@PathVariable String code, @RequestParam List<String> marked, Model model) {
        Draft draft = frame.draft(code);
        Questionnaire document = draft.document();
        Views.show(model,
                new MarkedView(code, draft.revision(), document, marked.stream().filter(m -> document.item(m).isPresent()).toList()));
        return "compose/inspector :: several";
    }

    /** What changed since the revision that the page shows. */
    @GetMapping("/changes")
    String changes(@PathVariable String code, @RequestParam int since, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "true") boolean inspector, @RequestParam(defaultValue = "0") int part, Model model) {
        sheet.changes(frame.draft(code), since, part, at, inspector, model);
        return "compose/ledger :: changes";
    }

    /** A page folded or opened; without a page, all of them. */
    @PostMapping("/fold")
    String fold(@PathVariable String code, @RequestParam(defaultValue = "") String page, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "0") int part, Model model) {
        Draft draft = frame.draft(code);
        if (page.isEmpty()) {
            folded.all(code, draft.document().pages().stream().map(Page::code).collect(Collectors.toSet()));
        } else {
            folded.turn(code, page);
        }
        sheet.changes(draft, 0, part, at, false, model);
        return "compose/ledger :: changes";
    }

    /** How every row stands, once it is proved. */
    @GetMapping("/signs")
    @ResponseBody
    Map<String, Object> signs(@PathVariable String code) {
        Draft draft = frame.draft(code);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("revision", draft.revision());
        Optional<Signs> signs = proofs.ready(draft).map(Signs::new);
        answer.put("signs", signs.map(Signs::all).orElse(Map.of()));
        answer.put("never", signs.map(Signs::never).orElse(java.util.Set.of()));
        return answer;
    }

    /** One condition as it is typed: what it says, what is wrong with it, what a blank does to it, what is meant by it where that is clear. */
    record Checked(String phrase, String fault, int from, int to, String nearest, List<String> hints, String meant) {}

    @GetMapping("/check")
    @ResponseBody
    Checked check(@PathVariable String code, @RequestParam String family, @RequestParam(defaultValue = "") String owner,
            @RequestParam(defaultValue = "") String text) {
        Wiring wiring = Wiring.of(frame.draft(code).document());
        Wiring.Wire wire = wiring.checked(family(family), owner, text);
        Optional<ExpressionFault> fault = wire.faults().stream().findFirst();
        List<String> hints = fault.isPresent() || !wire.family().isCondition()
                ? List.of()
                : wire.readable().map(BlankHints::of).orElse(List.of());
        return new Checked(fault.isPresent() ? "" : wire.readable().map(Phrase::of).orElse(""),
                fault.map(ExpressionFault::withPlace).orElse(""), fault.map(ExpressionFault::from).orElse(0),
                fault.map(ExpressionFault::to).orElse(0), fault.map(ExpressionFault::nearest).orElse(""), hints,
                fault.flatMap(f -> Meant.of(wiring, family(family), owner, text)).orElse(""));
    }

    private static RuleFamily family(String word) {
        return RuleFamily.named(word).orElse(RuleFamily.ASK_WHEN);
    }

    /** The sentence builder for a condition of the draft. */
    @PostMapping("/sentence")
    String sentence(@PathVariable String code, @ModelAttribute SentenceBuilder.Build build,
            @RequestParam MultiValueMap<String, String> form,
            Model model) {
        return SentenceBuilder.show("/q/" + code + "/compose/sentence", Wiring.of(frame.draft(code).document()), build, form, model);
    }

    /** What depends on a row, before it is removed. */
    @GetMapping("/dependents")
    String dependents(@PathVariable String code, @RequestParam List<String> of, Model model) {
        Draft draft = frame.draft(code);
        Wiring wiring = Wiring.of(draft.document());
        Map<String, String> places = new LinkedHashMap<>();
        Map<String, String> texts = Texts.all(draft.document());
        Set<String> going = References.going(draft.document(), Set.copyOf(of));
        References.dependents(draft.document(), Set.copyOf(of)).forEach(place -> places.put(place, wiring.at(place)
                .map(w -> w.family().words() + " " + w.readable().map(Phrase::of).orElse(w.text()))
                .orElseGet(() -> texts.containsKey(place)
                        ? "will read: “" + Piping.without(texts.get(place), going) + "”"
                        : "leads to it")));
        Views.show(model, new DependentsView(code, draft.revision(), of, places));
        return "compose/dialogs :: dependents";
    }

    @GetMapping("/history")
    String history(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Views.show(model, new HistoryView(code, draft.revision(), drafts.history(draft.id(), MOST_HISTORY)));
        return "compose/dialogs :: history";
    }

    /** One thing found. */
    record FoundRow(String kind, String code, String words, String at) {}

    @GetMapping("/find")
    String find(@PathVariable String code, @RequestParam(defaultValue = "") String text, Model model) {
        String wanted = text.strip().toLowerCase(java.util.Locale.ROOT);
        Questionnaire document = frame.draft(code).document();
        List<FoundRow> found = new ArrayList<>();
        document.pages().forEach(p -> {
            add(found, wanted, "page", p.code(), p.title() + " " + p.introduction(), p.code());
            p.allItems().forEach(i -> {
                add(found, wanted, i.kind(), i.code(), i.wording(), i.code());
                if (i instanceof orthogon.core.questionnaire.Question q && q.answer().hasOwnOptions()) {
                    q.answer().options().forEach(o -> add(found, wanted, "option of " + q.code(), o.code(), o.label(), q.code()));
                }
            });
        });
        document.outcomes().forEach(o -> add(found, wanted, "outcome", o.code(), o.label(), Edit.ENDING));
        Wiring.of(document).wires().stream().filter(w -> !wanted.isEmpty() && w.text().toLowerCase(java.util.Locale.ROOT).contains(wanted))
                .forEach(w -> found.add(new FoundRow(w.family().words().toLowerCase(java.util.Locale.ROOT), w.place(), w.text(),
                        isRow(document, w.owner()) ? w.owner() : Edit.ENDING)));
        Views.show(model, new FoundView(code, found.stream().limit(40).toList(), Math.max(0, found.size() - 40)));
        return "compose/dialogs :: found";
    }

    private static boolean isRow(Questionnaire document, String code) {
        return document.item(code).isPresent() || document.page(code).isPresent() || document.dispatch().has(code);
    }

    private static void add(List<FoundRow> found, String wanted, String kind, String code, String words, String at) {
        if (wanted.isEmpty() || code.contains(wanted) || words.toLowerCase(java.util.Locale.ROOT).contains(wanted)) {
            found.add(new FoundRow(kind, code, words, at));
        }
    }
}
