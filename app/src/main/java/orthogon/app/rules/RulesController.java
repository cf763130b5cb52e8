package orthogon.app.rules;

import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.rules.RuleRows.RuleRow;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.core.edit.ChangeEnding;
import orthogon.core.edit.Edit;
import orthogon.core.edit.SetConditions;
import orthogon.core.edit.Strike;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Refused;
import orthogon.core.typing.Sentence;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
@RequestMapping("/q/{code}/rules")
class RulesController {

    /** What the sheet is narrowed to. */
    record RuleFilter(String question, String page, String family) {

        /** @param pages page of every item and of every page, by code */
        boolean takes(RuleRow row, Map<String, String> pages) {
            boolean ofQuestion = question.isEmpty() || row.uses().contains(question)
                    || row.governs().stream().anyMatch(g -> g.at().equals(question));
            boolean ofPage = page.isEmpty() || row.governs().stream().anyMatch(g -> page.equals(pages.get(g.at())));
            return ofQuestion && ofPage && (family.isEmpty() || row.governs().stream().anyMatch(g -> g.family().name().equals(family)));
        }
    }

    /** Conditions that are listed at once. */
    private static final int MOST_LISTED = 500;
    /** Longest questionnaire whose questions are all offered at once; of a longer one, those of the chosen page. */
    private static final int MOST_OFFERED = 2_000;

    /** The rules that are listed, the one that is chosen, and the outcome table. */
    record RulesView(Questionnaire document, int revision, String names, RuleFilter filter, RuleFamily[] families, List<RuleRow> rules,
            int taken, List<String> questions, boolean offersAll, int count, RuleRow chosen, List<RuleRows.Named> named,
            List<String> inputs, List<RuleRows.RuleDecision> decisions, Map<String, List<Claim>> margin, ClaimWords claimWords,
            Map<String, Map<String, String>> targets) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;

    RulesController(Frame frame, Proofs proofs, Editing editing) {
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String rule, @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "") String page, @RequestParam(defaultValue = "") String family,
            @RequestHeader(name = "HX-Request", required = false) String part, Model model) {
        show(frame.draft(code), rule, new RuleFilter(question, page, family), model);
        return part == null ? "rules" : "rules :: sheet";
    }

    private void show(Draft draft, String key, RuleFilter filter, Model model) {
        Questionnaire document = draft.document();
        Wiring wiring = Wiring.of(document);
        RuleRows rules = new RuleRows(wiring);
        List<RuleRow> all = rules.all();
        frame.fill(model, draft, "rules");
        Map<String, String> pages = new HashMap<>();
        document.pages().forEach(p -> {
            pages.put(p.code(), p.code());
            p.allItems().forEach(i -> pages.put(i.code(), p.code()));
        });
        List<RuleRow> taken = all.stream().filter(r -> filter.takes(r, pages)).toList();
        List<Page> offered = pages.size() <= MOST_OFFERED
                ? document.pages()
                : document.page(filter.page()).map(List::of).orElse(List.of());
        Optional<Proof> proof = proofs.ready(draft);
        Map<String, List<Claim>> margin = new LinkedHashMap<>();
        proof.ifPresent(p -> p.claims().forEach(c -> {
            if (c.at().isOf(RuleFamily.OUTCOME_ROW) && c.family() != Family.SOUND) {
                String row = c.at() instanceof Place.Comparison comparison ? comparison.rule().text() : c.place();
                margin.computeIfAbsent(row, k -> new ArrayList<>()).add(c);
            } else if (c.kind() == ClaimKind.ONE_OUTCOME) {
                margin.computeIfAbsent("", k -> new ArrayList<>()).add(c);
            }
        }));
        Views.show(model,
                new RulesView(document, draft.revision(), String.join(" ", wiring.names(RuleFamily.OUTCOME_ROW, "")), filter,
                        RuleFamily.values(), taken.subList(0, Math.min(MOST_LISTED, taken.size())), taken.size(),
                        Stream.concat(Stream.of(filter.question()).filter(pages::containsKey),
                                offered.stream().flatMap(Page::allItems).map(Item::code)).distinct().toList(),
                        pages.size() <= MOST_OFFERED, all.size(), all.stream().filter(r -> r.key().equals(key)).findFirst().orElse(null),
                        rules.named(), rules.inputs(), rules.decisions(), margin, proof.map(Proof::words).orElse(null), targets(offered)));
    }

    /** What a rule can be given to: place to words, page by page. */
    private static Map<String, Map<String, String>> targets(List<Page> pages) {
        Map<String, Map<String, String>> targets = new LinkedHashMap<>();
        pages.forEach(p -> {
            Map<String, String> items = new LinkedHashMap<>();
            items.put(p.code(), "the whole page");
            p.allItems().filter(i -> i.shownWhen().isPresent()).forEach(i -> items.put(i.code(), i.wording()));
            targets.put(p.title(), items);
        });
        return targets;
    }

    private interface RuleAttempt {
        /** The condition to show then. */
        String key() throws Refused, Editing.EditConflict;
    }

    private String attempt(String code, Model model, HttpServletResponse response, RuleAttempt attempt) {
        return Editing.attempt(model, response, () -> {
            String key = attempt.key();
            Draft draft = frame.draft(code);
            proofs.awhile(draft);
            show(draft, key, new RuleFilter("", "", ""), model);
            return "rules :: sheet";
        });
    }

    private List<String> places(String code, int revision, String rule) throws Refused {
        return new RuleRows(Wiring.of(editing.seen(code, revision))).all().stream().filter(r -> r.key().equals(rule)).findFirst()
                .orElseThrow(() -> new Refused("There is no such rule any more. Reload to see the rules as they are now.")).governs()
                .stream().map(RuleRows.Governed::place).toList();
    }

    /** Another condition for all that it governs. */
    @PostMapping("/change")
    String change(@PathVariable String code, @RequestParam int revision, @RequestParam String rule, @RequestParam String text,
            Principal who,
            Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            if (text.isBlank()) {
                throw new Refused("Write the condition, or remove what it governs one by one.");
            }
            Map<String, String> texts = new LinkedHashMap<>();
            places(code, revision, rule).forEach(place -> texts.put(place, text.strip()));
            editing.make(code, revision, new SetConditions(texts), who);
            return keyAt(code, texts.keySet().iterator().next());
        });
    }

    private String keyAt(String code, String place) {
        return Wiring.of(frame.draft(code).document()).at(place).map(RuleRows::key).orElse("");
    }

    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam int revision, @RequestParam String place,
            @RequestParam(defaultValue = "") String rule,
            Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            editing.make(code, revision, new Strike(List.of(place)), who);
            return rule;
        });
    }

    /** A condition given to several targets at once; where one stands already, both must hold. */
    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, @RequestParam String text,
            @RequestParam(defaultValue = "askWhen") String family, @RequestParam(defaultValue = "") List<String> target,
            @RequestParam(defaultValue = "instead") String join, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            if (text.isBlank() || target.isEmpty()) {
                throw new Refused(text.isBlank() ? "Write the condition first." : "Pick at least one target.");
            }
            Questionnaire document = editing.seen(code, revision);
            Map<String, String> now = Places.all(document);
            Map<String, String> texts = new LinkedHashMap<>();
            for (String each : target) {
                String place = each + "." + (document.page(each).isPresent() ? "openWhen" : family);
                String before = now.getOrDefault(place, "");
                texts.put(place, join.equals("instead") ? text.strip() : Sentence.joined(before, text.strip(), join.equals("all")));
            }
            editing.make(code, revision, new SetConditions(texts), who);
            return keyAt(code, texts.keySet().iterator().next());
        });
    }

    /** The outcome table: a row moved, its outcome changed, or a row added. */
    @PostMapping("/table")
    String table(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "-1") int row,
            @RequestParam(defaultValue = "") String outcome, @RequestParam(defaultValue = "") String act,
            @RequestParam(defaultValue = "") String when, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            List<OutcomeRow> table = new ArrayList<>(document.outcomeTable());
            if (!act.equals("add") && (row < 0 || row >= table.size())) {
                throw new Refused("There is no row " + (row + 1) + " of the outcome table any more. Reload the sheet.");
            }
            switch (act) {
                case "up" -> {
                    if (row > 0) {
                        table.add(row - 1, table.remove(row));
                    }
                }
                case "down" -> {
                    if (row + 1 < table.size()) {
                        table.add(row + 1, table.remove(row));
                    }
                }
                case "add" -> table.add(Math.max(0, table.isEmpty() || !table.getLast().when().isEmpty() ? table.size() : table.size() - 1),
                        new OutcomeRow(when.strip(), outcome));
                default -> table.set(row, new OutcomeRow(table.get(row).when(), outcome));
            }
            Edit edit = new ChangeEnding(document.outcomes(), table, document.claims());
            editing.make(code, revision, edit, who);
            return "";
        });
    }

    @PostMapping("/undo")
    String undo(@PathVariable String code, @RequestParam(defaultValue = "false") boolean redo,
            @RequestParam(defaultValue = "false") boolean anyway, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, model, response, () -> {
            model.addAttribute("notice", editing.undo(code, redo, anyway, who));
            return "";
        });
    }
}
