package orthogon.app.compose;

import orthogon.app.answer.Setting;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.app.compose.Ledger.LedgerRow;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.records.LookupSources;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownDrafts;
import orthogon.app.view.ListPart;
import orthogon.app.view.Views;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.GridRow;
import orthogon.core.edit.Edit;
import orthogon.core.edit.SplitPage;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Group;
import orthogon.core.edit.References;
import orthogon.core.place.PlaceText;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.typing.AnswerWords;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Fills the Compose sheet and its parts. */
@Component
class Sheet {

    /** The rows that are listed, of a long ledger. */
    record LedgerPart(ListPart<LedgerRow> part, String before, String after, long questionsBefore) {}

    /** Which revision the sheet shows, and at which row. */
    record DraftState(String code, int revision, String at, boolean canUndo, boolean canRedo) {}

    /** What changed on a sheet that is open. */
    record SheetUpdate(SheetChanges changes, WiringLanes wiring, Map<String, Signs.Sign> signs, String names, boolean withInspector,
            Frame.TitleBlock block) {}

    /**
     * The settings of the answer of a question.
     *
     * @param lookup where a lookup finds its records; null for other answers
     */
    record AnswerPart(List<Setting> settings, AnswerKind[] types, String optionsOf, boolean hasLimits, List<GridRow> gridRows,
            LookupSources.LookupChoices lookup) {}

    /** The row that is at hand, with everything about it. */
    record Inspector(Questionnaire document, LedgerRow row, Item item, Page page, String place, Map<String, String> outcomeChoices,
            Map<String, String> pageChoices, boolean splits, Set<String> decides, List<String> decidedBy, List<String> dispatch,
            List<Claim> claims,
            ClaimWords claimWords, Phrases phrases, Map<String, String> messageKinds) {}

    private final Frame frame;
    private final Proofs proofs;
    private final KnownDrafts drafts;
    private final Folded folded;
    private final LookupSources lookups;

    Sheet(Frame frame, Proofs proofs, KnownDrafts drafts, Folded folded, LookupSources lookups) {
        this.lookups = lookups;
        this.frame = frame;
        this.proofs = proofs;
        this.drafts = drafts;
        this.folded = folded;
    }

    /** The row that is asked for, or the one to begin with where there is no such row. */
    static String at(Questionnaire document, String wanted) {
        boolean there = Set.of(Edit.ENDING, Edit.PRESENTATION).contains(wanted)
                || wanted.equals(Edit.MESSAGES) && !document.dispatch().isEmpty()
                || document.item(wanted).isPresent()
                || document.page(wanted).isPresent();
        return there ? wanted : document.items().findFirst().map(Item::code).orElse(document.pages().getFirst().code());
    }

    /** Everything. */
    void whole(Draft draft, String wanted, Model model) {
        frame.fill(model, draft, "compose");
        String at = at(draft.document(), wanted);
        Wiring wiring = Wiring.of(draft.document());
        Ledger ledger = new Ledger(wiring, folded.of(draft.code()));
        Optional<Signs> signs = proofs.ready(draft).map(Signs::new);
        ListPart<LedgerRow> part = ListPart.around(ledger.rows(), isShownAs(draft, at));
        part(part, ledger, model);
        model.addAttribute("signs", signs.map(Signs::all).orElse(Map.of()));
        model.addAttribute("kinds", AnswerWords.KINDS);
        model.addAttribute("names", String.join(" ", wiring.names(RuleFamily.OUTCOME_ROW, "")));
        state(draft, at, model);
        model.addAttribute("wiring", wiring(part, ledger, signs));
        inspector(draft, wiring, ledger, signs, at, model);
    }

    /** Finds the row by which another is shown: its page, where that is folded. */
    private Predicate<LedgerRow> isShownAs(Draft draft, String at) {
        String code = draft.document().pageOf(at).map(Page::code).filter(folded.of(draft.code())::contains).orElse(at);
        return row -> row.code().equals(code);
    }

    private static void part(ListPart<LedgerRow> part, Ledger ledger, Model model) {
        Views.show(model, new LedgerPart(part, part.before().map(LedgerRow::code).orElse(""), part.after().map(LedgerRow::code).orElse(""),
                ledger.rows().subList(0, part.first()).stream().filter(LedgerRow::isQuestion).count()));
    }

    private void state(Draft draft, String at, Model model) {
        Views.show(model, new DraftState(draft.code(), draft.revision(), at, draft.undoTo().isPresent(), draft.redoTo().isPresent()));
    }

    private static WiringLanes wiring(ListPart<LedgerRow> part, Ledger ledger, Optional<Signs> signs) {
        return new WiringLanes(part.shown(), ledger.decisions(), signs.map(Signs::never).orElse(Set.of()));
    }

    /**
     * What changed since a revision that a page shows.
     *
     * @param shown number of the part of the ledger that the page shows
     */
    void changes(Draft draft, int since, int shown, String wanted, boolean withInspector, Model model) {
        String at = at(draft.document(), wanted);
        Wiring wiring = Wiring.of(draft.document());
        Ledger ledger = new Ledger(wiring, folded.of(draft.code()));
        Optional<Ledger> before = drafts.at(draft.id(), since).map(d -> d.revision() == draft.revision()
                ? ledger
                : new Ledger(Wiring.of(d.document()), folded.of(draft.code())));
        Optional<Signs> signs = proofs.ready(draft).map(Signs::new);
        ListPart<LedgerRow> part = ListPart.of(ledger.rows(), shown).with(ledger.rows(), isShownAs(draft, at));
        SheetChanges changes = SheetChanges.between(
                before.map(b -> ListPart.of(b.rows(), shown)).filter(b -> b.number() == part.number()).map(ListPart::shown)
                        .orElse(List.of()),
                part.shown());
        // Most edits leave the wiring as it is; then it is not sent again.
        boolean rewired = changes.all().isPresent() || !changes.removed().isEmpty() || !changes.added().isEmpty()
                || !ledger.hasSameRules(before.orElseThrow());
        part(part, ledger, model);
        Views.show(model, new SheetUpdate(changes, rewired ? wiring(part, ledger, signs) : null, signs.map(Signs::all).orElse(Map.of()),
                String.join(" ", wiring.names(RuleFamily.OUTCOME_ROW, "")), withInspector, frame.block(draft)));
        state(draft, at, model);
        inspector(draft, wiring, ledger, signs, at, model);
    }

    /** The inspector of one row alone. */
    void inspector(Draft draft, String wanted, Model model) {
        String at = at(draft.document(), wanted);
        Wiring wiring = Wiring.of(draft.document());
        Ledger ledger = new Ledger(wiring, Set.of());
        state(draft, at, model);
        model.addAttribute("block", frame.block(draft));
        inspector(draft, wiring, ledger, proofs.ready(draft).map(Signs::new), at, model);
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

    private void inspector(Draft draft, Wiring wiring, Ledger ledger, Optional<Signs> signs, String at, Model model) {
        Questionnaire document = draft.document();
        Optional<Item> item = document.item(at);
        Optional<Page> page = document.page(at);
        Ledger whole = ledger.row(at).isPresent() ? ledger : new Ledger(wiring, Set.of());
        item.filter(Question.class::isInstance).map(i -> ((Question) i).answer()).ifPresent(answer -> {
            Views.show(model, new AnswerPart(AnswerControls.of(answer).settings(answer), AnswerKind.values(),
                    answer.hasOwnOptions() ? optionsOf(answer.domain()) : "", hasLimits(answer.domain()), answer.rows(),
                    answer instanceof LookupAnswer l ? lookups.choices(document.code(), l) : null));
        });
        Map<String, String> outcomes = new LinkedHashMap<>();
        document.outcomes().forEach(o -> outcomes.put(o.code(), o.label()));
        Map<String, String> pages = new LinkedHashMap<>();
        document.pages().forEach(p -> pages.put(p.code(), p.title()));
        Map<String, Set<String>> decides = new LinkedHashMap<>();
        whole.decisions().forEach(d -> decides.computeIfAbsent(d.from(), f -> new TreeSet<>()).add(d.to()));
        Map<String, String> kinds = new LinkedHashMap<>();
        Presentation.MESSAGES.forEach(kind -> kinds.put(kind, orthogon.core.language.OwnWords.english().get("message." + kind)));
        Views.show(model,
                new Inspector(document, whole.row(at).orElseThrow(), item.orElse(null), page.orElse(null), place(document, at, item, page),
                        outcomes, pages, SplitPage.isPossible(document, at), decides.getOrDefault(at, Set.of()),
                        decides.entrySet().stream().filter(e -> e.getValue().contains(at)).map(Map.Entry::getKey).toList(),
                        dispatched(document, at),
                        signs.map(s -> s.at(at)).orElse(List.of()), signs.map(Signs::words).orElse(null), new Phrases(wiring), kinds));
    }

    /** The messages and passages that hang on a row, or say something of it. */
    private static List<String> dispatched(Questionnaire document, String at) {
        if (document.dispatch().isEmpty()) {
            return List.of();
        }
        return References.dependents(document, at).stream().map(place -> PlaceText.read(place).orElseGet(() -> PlaceText.unit(place)).row())
                .filter(document.dispatch()::has).distinct().toList();
    }

    /** Which table of options the inspector shows. */
    private static String optionsOf(Domain domain) {
        return switch (domain) {
            case Domain.EachRow r -> optionsOf(r.row());
            case Domain.Subset s -> "many";
            case Domain.Orders o -> "rank";
            case Domain.OneOf o -> "one";
            case Domain.Steps s -> "one";
            case Domain.Arriving a -> "one";
            case Domain.Truths t -> "";
            case Domain.Numbers n -> "";
            case Domain.Dates d -> "";
            case Domain.TimesOfDay t -> "";
            case Domain.FreeTexts t -> "";
            case Domain.TextParts t -> "";
            case Domain.OneRecord r -> "";
            case Domain.Files f -> "";
            case Domain.Opaque o -> "";
        };
    }

    /** Whether a condition can set other limits for a while. */
    private static boolean hasLimits(Domain domain) {
        return domain instanceof Domain.Numbers || domain instanceof Domain.Steps || domain instanceof Domain.Dates
                || domain instanceof Domain.TimesOfDay;
    }

    private static String place(Questionnaire document, String at, Optional<Item> item, Optional<Page> page) {
        if (page.isPresent()) {
            return "page " + (document.pages().indexOf(page.get()) + 1) + " of " + document.pages().size();
        }
        if (item.isEmpty()) {
            return switch (at) {
                case Edit.ENDING -> "what comes after the last page";
                case Edit.MESSAGES -> "what goes out once an interview is sent";
                default -> "what stands around the questions";
            };
        }
        Page on = document.pageOf(at).orElseThrow();
        String container = document.containerOf(at).orElseThrow();
        String words = item.get().kind() + (item.get() instanceof Group g ? " of " + g.items().size() : "") + " on page "
                + (document.pages().indexOf(on) + 1);
        return container.equals(on.code()) ? words : words + ", in " + container;
    }
}
