package orthogon.app.languages;

import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.ListPart;
import orthogon.app.view.Views;
import orthogon.core.edit.Annotate;
import orthogon.core.edit.ChangeLanguages;
import orthogon.core.edit.Translate;
import orthogon.core.language.Marks;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.language.TextPlaces;
import orthogon.core.language.Units;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.TextRoutes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The texts of a questionnaire in one of its languages, unit after unit. */
@Controller
@RequestMapping("/q/{code}/languages")
class LanguagesController {

    /**
     * What is listed; addresses carry it.
     *
     * @param to language; the first one where empty
     * @param show {@code missing}, {@code draft}, {@code reviewed}, {@code stale}, {@code damaged}, {@code left} (all that keeps the
     *            language from going out), {@code unmet}; anything else for all
     * @param find words that stand in the unit, its source or its translation
     * @param unit that is open; the first one listed where empty
     */
    record WantedTexts(String to, String show, String find, String unit) {

        WantedTexts {
            to = Objects.requireNonNullElse(to, "");
            show = Objects.requireNonNullElse(show, "");
            find = Objects.requireNonNullElse(find, "");
            unit = Objects.requireNonNullElse(unit, "");
        }

        boolean takes(Units.Unit u, boolean met) {
            boolean shown = switch (show) {
                case "missing", "draft", "reviewed", "stale" -> u.state().word().equals(show);
                case "damaged" -> !u.faults().isEmpty();
                case "left" -> !u.isFit();
                case "unmet" -> !met;
                default -> true;
            };
            String sought = find.toLowerCase(Locale.ROOT);
            return shown && (sought.isEmpty() || Stream.of(u.unit(), u.source(), u.text())
                    .anyMatch(t -> t.toLowerCase(Locale.ROOT).contains(sought)));
        }
    }

    /** One line of the list. */
    record UnitRow(Units.Unit unit, String state, String place) {}

    /** Lines of one page or outcome. */
    record TextGroup(String title, List<UnitRow> rows) {}

    /** A language with how far it is. */
    record LanguageProgress(String tag, String name, String direction, int percent, long left, boolean current) {}

    private static final Map<String, String> SHOWN = shown();

    /** The texts that are listed. */
    record LanguagesView(WantedTexts wanted, Map<String, String> shown, List<LanguageProgress> tongues, int count, boolean stretch,
            String sourceName, String toName, String toDir, int revision, ListPart<Units.Unit> part, List<TextGroup> groups) {}

    /** One text with its translation. */
    record TextView(String code, WantedTexts wanted, String toName, String toDir, String sourceName) {}

    /** The text that is open, with the claim about it where that is not proved; both may be null. */
    record OpenText(UnitView open, String machine, Claim claim) {}

    /** A text that was just kept, and how far each language is. */
    record KeptText(UnitRow kept, List<LanguageProgress> tongues) {}

    /** What would be replaced: unit, text before, text after, and whether that is damaged. */
    record ReplacedTexts(List<String[]> replacing, String sought, String by) {}

    /** What a text lacks, its plural forms, and its length in percent of the source. */
    record CheckView(List<String> faults, List<Marks.Arm> arms, int length) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;
    private final Machine machine;

    LanguagesController(Frame frame, Proofs proofs, Editing editing, Machine machine) {
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
        this.machine = machine;
    }

    private static Map<String, String> shown() {
        Map<String, String> shown = new LinkedHashMap<>();
        shown.put("", "all texts");
        shown.put("left", "still to do");
        shown.put("missing", "missing");
        shown.put("stale", "stale");
        shown.put("draft", "drafts");
        shown.put("reviewed", "reviewed");
        shown.put("damaged", "damaged");
        shown.put("unmet", "met on no route");
        return shown;
    }

    @GetMapping
    String sheet(@PathVariable String code, @ModelAttribute WantedTexts wanted, Model model) {
        Draft draft = frame.draft(code);
        fill(draft, wanted, model);
        return "languages";
    }

    private void fill(Draft draft, WantedTexts asked, Model model) {
        Questionnaire document = draft.document();
        frame.fill(model, draft, "languages");
        List<String> tags = targets(document);
        String to = tags.contains(asked.to()) || asked.to().equals(Stretch.TAG)
                ? asked.to()
                : tags.isEmpty() ? Stretch.TAG : tags.getFirst();
        WantedTexts wanted = new WantedTexts(to, asked.show(), asked.find(), asked.unit());
        Proof proof = proofs.soon(draft);
        List<Units.Unit> listed = listed(document, proof, wanted);
        Optional<Units.Unit> open = listed.stream().filter(u -> u.unit().equals(wanted.unit())).findFirst()
                .or(() -> unit(document, to, wanted.unit())).or(() -> listed.stream().findFirst());
        ListPart<Units.Unit> part = ListPart.around(listed, open.<Predicate<Units.Unit>>map(o -> o::equals).orElse(u -> false));
        Views.show(model,
                new LanguagesView(wanted, SHOWN, tongues(document, to), listed.size(), to.equals(Stretch.TAG),
                        OwnWords.name(document.sourceLanguage()), OwnWords.name(to), OwnWords.locale(to).isRightToLeft() ? "rtl" : "ltr",
                        draft.revision(), part, groups(document, part.shown())));
        open(draft, proof, to, open, model);
    }

    private void open(Draft draft, Proof proof, String to, Optional<Units.Unit> open, Model model) {
        Optional<Claim> claim = open.flatMap(u -> proof.claim(ClaimKind.TRANSLATED, to + "/" + u.unit()));
        Views.show(model, new OpenText(open.map(u -> UnitView.of(draft.document(), proof, to, u)).orElse(null), machine.name(),
                claim.filter(c -> c.verdict() != Verdict.PROVED).orElse(null)));
        open.ifPresent(u -> Preview.fill(draft.document(), proof, to, u.unit(), model));
    }

    private static List<String> targets(Questionnaire document) {
        return document.languages().stream().filter(l -> !l.equals(document.sourceLanguage())).toList();
    }

    /** The texts of a language; those of the stretch language are made from the source. */
    private static List<Units.Unit> units(Questionnaire document, String to) {
        if (!to.equals(Stretch.TAG)) {
            return Units.in(document, to);
        }
        List<Units.Unit> units = new ArrayList<>();
        Units.sources(document, document.sourceLanguage()).forEach((unit, source) -> units
                .add(new Units.Unit(unit, source, Stretch.of(source), Units.TextState.REVIEWED, source, List.of())));
        return units;
    }

    private static Optional<Units.Unit> unit(Questionnaire document, String to, String unit) {
        return units(document, to).stream().filter(u -> u.unit().equals(unit)).findFirst();
    }

    private static List<Units.Unit> listed(Questionnaire document, Proof proof, WantedTexts wanted) {
        boolean asks = wanted.show().equals("unmet");
        return units(document, wanted.to()).stream().filter(u -> wanted.takes(u, !asks || isMet(document, proof, u.unit()))).toList();
    }

    private static boolean isMet(Questionnaire document, Proof proof, String unit) {
        return unit.startsWith(OwnWords.UNIT) || proof.counted().flatMap(Figures::everyRoute)
                .map(r -> TextRoutes.routes(document, r, unit).signum() > 0).orElse(true);
    }

    private static List<LanguageProgress> tongues(Questionnaire document, String current) {
        List<LanguageProgress> tongues = new ArrayList<>();
        for (String tag : targets(document)) {
            List<Units.Unit> units = Units.in(document, tag);
            long fit = units.stream().filter(Units.Unit::isFit).count();
            tongues.add(new LanguageProgress(tag, OwnWords.name(tag), OwnWords.locale(tag).isRightToLeft() ? "rtl" : "ltr",
                    units.isEmpty() ? 100 : (int) (100 * fit / units.size()), units.size() - fit, tag.equals(current)));
        }
        return tongues;
    }

    private static List<TextGroup> groups(Questionnaire document, List<Units.Unit> units) {
        Map<String, List<UnitRow>> groups = new LinkedHashMap<>();
        TextPlaces places = new TextPlaces(document);
        for (Units.Unit unit : units) {
            String place = places.of(unit.unit());
            String title = place.contains("”") ? place.substring(0, place.indexOf('”') + 1) : place;
            String rest = place.length() > title.length() ? place.substring(title.length()).replaceFirst("^[,:] ?", "") : "";
            groups.computeIfAbsent(title, t -> new ArrayList<>()).add(new UnitRow(unit, state(unit), rest));
        }
        return groups.entrySet().stream().map(e -> new TextGroup(e.getKey(), e.getValue())).toList();
    }

    private static String state(Units.Unit unit) {
        return unit.faults().isEmpty() ? unit.state().word() : "damaged";
    }

    @GetMapping("/unit")
    String unit(@PathVariable String code, @ModelAttribute WantedTexts wanted, Model model) {
        Draft draft = frame.draft(code);
        Units.Unit unit = unit(draft.document(), wanted.to(), wanted.unit()).orElseThrow(() -> new NotThere("There is no such text."));
        fillUnit(draft, wanted, Optional.of(unit), model);
        return "languages :: unit";
    }

    private void fillUnit(Draft draft, WantedTexts wanted, Optional<Units.Unit> unit, Model model) {
        Views.show(model, new TextView(draft.code(), wanted, OwnWords.name(wanted.to()),
                OwnWords.locale(wanted.to()).isRightToLeft() ? "rtl" : "ltr", OwnWords.name(draft.document().sourceLanguage())));
        open(draft, proofs.of(draft), wanted.to(), unit, model);
    }

    /** Keeps a text and opens the next one of the list. */
    @PostMapping("/keep")
    String keep(@PathVariable String code, @ModelAttribute WantedTexts wanted, @RequestParam String text, @RequestParam String of,
            @RequestParam(defaultValue = Translate.DRAFT) String state, @RequestParam(defaultValue = "") String next, Principal who,
            Model model, HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft seen = frame.draft(code);
            Units.Unit before = Units.one(seen.document(), wanted.to(), wanted.unit())
                    .orElseThrow(() -> new Refused("This text is gone; reload the sheet."));
            if (!before.source().equals(of)) {
                throw new Refused("The source was changed in the meantime and reads “" + before.source() + "” now. Look at it, then keep "
                        + "your text again.");
            }
            boolean reviewed = state.equals(Translate.REVIEWED);
            List<String> faults = Marks.faults(of, text, wanted.to());
            if (reviewed && !faults.isEmpty()) {
                throw new Refused("A text with a fault cannot be reviewed: " + String.join("; ", faults) + ".");
            }
            Draft draft = editing.make(code, seen.revision(), new Translate(wanted.to(),
                    List.of(new Translate.TranslatedText(wanted.unit(), text, reviewed ? Translate.REVIEWED : Translate.DRAFT))), who);
            Units.Unit kept = Units.one(draft.document(), wanted.to(), wanted.unit()).orElseThrow();
            Optional<Units.Unit> after = next.isEmpty() ? Optional.of(kept) : unit(draft.document(), wanted.to(), next);
            Views.show(model, new KeptText(new UnitRow(kept, state(kept), Units.place(draft.document(), kept.unit())),
                    tongues(draft.document(), wanted.to())));
            fillUnit(draft, new WantedTexts(wanted.to(), wanted.show(), wanted.find(), after.map(Units.Unit::unit).orElse("")), after,
                    model);
            return "languages :: kept";
        });
    }

    /** What a text that is being written lacks. */
    @PostMapping("/check")
    String check(@PathVariable String code, @RequestParam String to, @RequestParam String of, @RequestParam String text, Model model) {
        Views.show(model, new CheckView(text.isBlank() ? List.of() : Marks.faults(of, text, to), Marks.arms(text),
                (int) Math.round(100.0 * text.length() / Math.max(1, of.length()))));
        return "languages :: check";
    }

    @GetMapping(path = "/machine", produces = "text/plain;charset=UTF-8")
    ResponseEntity<String> machine(@PathVariable String code, @RequestParam String to, @RequestParam String unit) {
        Questionnaire document = frame.draft(code).document();
        String source = Units.sources(document, to).get(unit);
        if (source == null) {
            throw new NotThere("There is no such text.");
        }
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/plain;charset=UTF-8"))
                .body(machine.draft(source, document.sourceLanguage(), to));
    }

    @PostMapping("/note")
    String note(@PathVariable String code, @ModelAttribute WantedTexts wanted, @RequestParam String note, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = editing.make(code, frame.draft(code).revision(), new Annotate(wanted.unit(), note), who);
            fillUnit(draft, wanted, unit(draft.document(), wanted.to(), wanted.unit()), model);
            return "languages :: unit";
        });
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam String tag, Principal who, Model model, HttpServletResponse response) {
        return languages(code, model, response, who, document -> {
            List<String> all = new ArrayList<>(document.languages());
            all.add(tag);
            return all;
        });
    }

    /** A language is no longer wanted; its texts stay in the history. */
    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam String tag, Principal who, Model model, HttpServletResponse response) {
        return languages(code, model, response, who, document -> document.languages().stream().filter(l -> !l.equals(tag)).toList());
    }

    private String languages(String code, Model model, HttpServletResponse response, Principal who,
            java.util.function.Function<Questionnaire, List<String>> change) {
        Draft draft = frame.draft(code);
        List<String> wanted = change.apply(draft.document());
        try {
            Draft made = editing.make(code, draft.revision(), new ChangeLanguages(wanted), who);
            String added = made.document().languages().getLast();
            return "redirect:/q/" + code + "/languages" + (wanted.size() > draft.document().languages().size() ? "?to=" + added : "");
        } catch (Refused | Editing.EditConflict e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
            return sheet(code, new WantedTexts("", "", "", ""), model);
        }
    }

    /** Writes other words in every translation of a language; what is changed is a draft again. */
    @PostMapping("/replace")
    String replace(@PathVariable String code, @RequestParam String to, @RequestParam String words, @RequestParam String by,
            @RequestParam(defaultValue = "") String go, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        List<Translate.TranslatedText> changed = words.isEmpty()
                ? List.of()
                : Units.in(draft.document(), to).stream().filter(u -> u.text().contains(words))
                        .map(u -> new Translate.TranslatedText(u.unit(), u.text().replace(words, by), Translate.DRAFT, u.of())).toList();
        List<String> damaged = changed.stream()
                .filter(t -> !Marks.faults(t.of(), t.text(), to).isEmpty() || t.text().isBlank()).map(Translate.TranslatedText::unit)
                .toList();
        if (go.equals("replace") && !changed.isEmpty()) {
            try {
                if (!damaged.isEmpty()) {
                    throw new Refused("Nothing was replaced: it would damage " + String.join(", ", damaged) + ".");
                }
                editing.make(code, draft.revision(), new Translate(to, changed), who);
                return "redirect:/q/" + code + "/languages?to=" + to;
            } catch (Refused | Editing.EditConflict e) {
                response.setStatus(422);
                model.addAttribute("message", e.getMessage());
            }
        }
        Views.show(model, new ReplacedTexts(changed.stream().map(t -> new String[]{t.unit(),
                Units.one(draft.document(), to, t.unit()).orElseThrow().text(), t.text(), damaged.contains(t.unit()) ? "damaged" : ""})
                .toList(), words, by));
        fill(draft, new WantedTexts(to, "", "", ""), model);
        return "languages";
    }
}
