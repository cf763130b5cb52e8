package orthogon.app.prove;

import java.time.LocalDate;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Gates;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.app.work.WaiveClaim;
import orthogon.core.edit.ChangeBurden;
import orthogon.core.edit.Settle;
import orthogon.core.edit.Translate;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Mend;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate;
import jakarta.servlet.http.HttpServletResponse;
import java.math.BigInteger;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** Every claim, the selected one explained, the figures; and what is done about a claim: fixed, or waived. */
@Controller
@RequestMapping("/q/{code}/prove")
class ProveController {

    private static final int LONGEST_REASON = 1000;
    private static final int AT_A_TIME = 100;

    /** Which claims are listed; empty for any. */
    record Listed(String page, String weight, String verdict) {

        Listed {
            page = Objects.requireNonNullElse(page, "");
            weight = Objects.requireNonNullElse(weight, "");
            verdict = Objects.requireNonNullElse(verdict, "");
        }

        /** The claims that are listed. */
        List<Claim> of(Proof proof) {
            Questionnaire document = proof.document();
            Set<String> rows = new HashSet<>();
            document.items().forEach(i -> rows.add(i.code()));
            document.pages().forEach(p -> rows.add(p.code()));
            rows.addAll(document.dispatch().codes());
            Set<String> here = new HashSet<>(Set.of(page));
            document.page(page).ifPresent(p -> p.allItems().forEach(i -> here.add(i.code())));
            return proof.claims().stream()
                    .filter(c -> takes(c) && (page.isEmpty() || here.contains(Explained.owner(rows, c.at()))))
                    .toList();
        }

        private boolean takes(Claim claim) {
            return (weight.isEmpty() || weight.equals("blocking") == claim.blocking())
                    && (verdict.isEmpty() || verdict.equals(claim.verdict().word()));
        }
    }

    /**
     * One family with its claims.
     *
     * @param name of the family, as addresses carry it
     * @param open those to look at, listed
     * @param settled proved ones, and those that follow from another; folded
     */
    record FamilyView(String name, String title, String says, long proved, long refuted, long undecided, long advice, List<Claim> open,
            List<Claim> settled) {}

    /**
     * The claims that are listed, and the chosen one.
     *
     * @param lower address of the part below, behind that of the sheet
     */
    record ProveView(List<FamilyView> families, Listed listed, Gate gate, ClaimWords claimWords, String tab, String lower,
            Questionnaire document,
            boolean gone, Explained chosen, Claim later, String asked, String names) {}

    /** One claim, explained. */
    record OneClaim(String code, Gate gate, ClaimWords claimWords, boolean gone, String asked, int proofOf, Explained chosen) {}

    /** A part of the claims of a family that need no look. */
    record SettledClaims(String code, Gate gate, ClaimWords claimWords, Explained chosen, List<Claim> claims, String more) {}

    /** What is counted, in words. */
    record FiguresView(boolean counted, boolean stopped, Figures figures, String paths, String routes, String average, String notCounted,
            Map<String, String> byOutcome, int speed, Figures.WordsToRead reading, int proofOf, LocalDate holdsUntil, Burden burden) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Gates gates;
    private final WaiveClaim waiving;
    private final Editing editing;

    ProveController(Frame frame, Proofs proofs, Gates gates, WaiveClaim waiving, Editing editing) {
        this.frame = frame;
        this.proofs = proofs;
        this.gates = gates;
        this.waiving = waiving;
        this.editing = editing;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String claim, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "lanes") String tab, @ModelAttribute Listed listed,
            @ModelAttribute LanesController.WantedRoutes routes, @RequestHeader(name = "HX-Request", required = false) String part,
            Model model) {
        fill(code, claim, at, tab, tab.equals("lanes") ? "lanes?" + routes.query() : tab, listed, model);
        return part == null ? "prove" : "prove :: sheet";
    }

    private void fill(String code, String claim, String at, String tab, String lower, Listed listed, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.soon(draft);
        Gate gate = gates.of(draft, proof);
        frame.fill(model, draft, "prove");
        List<FamilyView> families = families(proof, gate, listed);
        Optional<Claim> selected = proof.claims().stream().filter(c -> c.id().equals(claim)).findFirst()
                .or(() -> proof.claims().stream().filter(c -> c.verdict() != Verdict.PROVED && about(c, at))
                        .min(Comparator.comparing(c -> !c.blocking())))
                .or(() -> proof.claims().stream().filter(c -> about(c, at)).findFirst())
                .or(() -> families.stream().flatMap(f -> f.open().stream()).filter(Claim::blocking).findFirst())
                .or(() -> proof.claims().stream().filter(c -> c.kind() == ClaimKind.ONE_OUTCOME).findFirst());
        // An explanation may take a while; the sheet comes without it, and asks for it then.
        boolean explained = selected.filter(Claim::isExplained).isPresent();
        Views.show(model,
                new ProveView(families, listed, gate, proof.words(), tab, lower, draft.document(),
                        !claim.isEmpty() && selected.filter(c -> c.id().equals(claim)).isEmpty(),
                        selected.filter(c -> explained).map(c -> Explained.of(proof, c, gate)).orElse(null),
                        selected.filter(c -> !explained).orElse(null), claim.isEmpty() ? selected.map(Claim::id).orElse("") : claim,
                        String.join(" ", proof.wiring().names(RuleFamily.CLAIM, ""))));
        figures(draft, proof, model);
    }

    /** One claim, explained. */
    @GetMapping("/claim")
    String one(@PathVariable String code, @RequestParam String claim, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        Gate gate = gates.of(draft, proof);
        Optional<Claim> selected = proof.claims().stream().filter(c -> c.id().equals(claim)).findFirst();
        Claim shown = selected.or(() -> proof.claims().stream().filter(c -> c.kind() == ClaimKind.ONE_OUTCOME).findFirst())
                .orElse(proof.claims().getFirst());
        Views.show(model,
                new OneClaim(code, gate, proof.words(), selected.isEmpty(), claim, draft.revision(), Explained.of(proof, shown, gate)));
        return "prove/chosen :: claim";
    }

    /** Claims of a family that need no look, a hundred at a time. */
    @GetMapping("/settled")
    String settled(@PathVariable String code, @RequestParam String family, @RequestParam(defaultValue = "0") int from,
            @ModelAttribute Listed listed, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        List<Claim> all = families(proof, gates.of(draft, proof), listed).stream().filter(f -> f.name().equals(family))
                .flatMap(f -> f.settled().stream()).toList();
        int first = Math.clamp(from, 0, all.size());
        int next = Math.min(all.size(), first + AT_A_TIME);
        Views.show(model,
                new SettledClaims(code, gates.of(draft, proof), proof.words(), null, all.subList(first, next),
                        next == all.size()
                                ? null
                                : UriComponentsBuilder.fromPath("/q/{code}/prove/settled").queryParam("family", family)
                                        .queryParam("from", next).queryParam("page", listed.page()).queryParam("weight", listed.weight())
                                        .queryParam("verdict", listed.verdict()).encode().buildAndExpand(code).toUriString()));
        return "prove/chosen :: settled(claims=${claims}, more=${more})";
    }

    private static List<FamilyView> families(Proof proof, Gate gate, Listed listed) {
        List<FamilyView> families = new ArrayList<>();
        List<Claim> all = listed.of(proof);
        for (Family family : Family.values()) {
            List<Claim> here = all.stream().filter(c -> c.family() == family).toList();
            if (!here.isEmpty()) {
                boolean every = listed.verdict().equals(Verdict.PROVED.word());
                List<Claim> open = here.stream().filter(c -> every || c.verdict() != Verdict.PROVED && c.follows().isEmpty())
                        .sorted(Comparator.comparing((Claim c) -> gate.waiver(c).isPresent()).thenComparing(c -> !c.blocking())).toList();
                Set<Claim> listedOpen = Set.copyOf(open);
                List<Claim> settled = here.stream().filter(c -> !listedOpen.contains(c)).toList();
                List<Claim> blocking = here.stream().filter(Claim::blocking).toList();
                long advice = here.stream().filter(c -> !c.blocking() && c.verdict() != Verdict.PROVED && c.follows().isEmpty()).count();
                families.add(new FamilyView(family.name(), family.title(), family.says(), count(here, Verdict.PROVED),
                        count(blocking, Verdict.REFUTED),
                        count(blocking, Verdict.UNDECIDED), advice, open, settled));
            }
        }
        families.sort(Comparator.comparing((FamilyView f) -> f.refuted() == 0).thenComparing(f -> f.undecided() == 0)
                .thenComparing(f -> f.advice() == 0));
        return families;
    }

    private void figures(Draft draft, Proof proof, Model model) {
        Optional<Figures> counted = proof.counted();
        Figures figures = counted.orElseGet(() -> Figures.pending());
        String none = counted.isPresent() ? "not counted" : "being counted";
        Map<String, String> byOutcome = new LinkedHashMap<>();
        figures.pathsByOutcome()
                .forEach((outcome, paths) -> byOutcome.put(RouteLanes.label(draft.document(), outcome), Frame.grouped(paths)));
        figures.everyRoute().ifPresent(routes -> {
            ends(routes, routes.shortest(), true).ifPresent(id -> model.addAttribute("shortestId", id));
            ends(routes, routes.longest(), false).ifPresent(id -> model.addAttribute("longestId", id));
        });
        Views.show(model,
                new FiguresView(counted.isPresent(), proofs.isStopped(draft), figures,
                        figures.answerPaths().map(Frame::grouped).orElse(none), figures.routes().map(Frame::grouped).orElse(none),
                        figures.everyRoute().flatMap(Routes::average).map(Object::toString).orElse(""),
                        figures.notCounted().map(proof.words()::said).orElse(""), byOutcome, Burden.WORDS_A_MINUTE,
                        figures.reading().orElse(null), draft.revision(), counted.isPresent() ? proof.holdsUntil() : null,
                        draft.document().burden()));
    }

    /** A route of that length, as the lanes name it. */
    private static Optional<String> ends(Routes routes, Optional<Integer> length, boolean shortest) {
        return length.flatMap(n -> {
            List<Routes.Route> found = routes.list(shortest
                    ? new Routes.Filter(Set.of(), Set.of(), Optional.empty(), -1, n + 1)
                    : new Routes.Filter(Set.of(), Set.of(), Optional.empty(), n - 1), BigInteger.ZERO, 1);
            return found.stream().findFirst().map(r -> r.outcome() + ".0");
        });
    }

    private static boolean about(Claim claim, String at) {
        return !at.isEmpty() && (claim.place().equals(at) || claim.kind() != ClaimKind.TRANSLATED && claim.at().row().equals(at));
    }

    private static long count(List<Claim> claims, Verdict verdict) {
        return claims.stream().filter(c -> c.verdict() == verdict).count();
    }

    /** Where an answer is drawn anew after something was done about a claim. */
    private String again(String code, String claim, Model model) {
        fill(code, claim, "", "lanes", "lanes", new Listed("", "", ""), model);
        return "prove :: sheet";
    }

    private Claim claim(Draft draft, String id) throws Refused {
        return proofs.of(draft).claims().stream().filter(c -> c.id().equals(id)).findFirst()
                .orElseThrow(() -> new Refused("This claim no longer exists; choose another."));
    }

    @PostMapping("/mend")
    String mend(@PathVariable String code, @RequestParam String claim, @RequestParam int revision, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            Mend mend = claim(draft, claim).finding().mend()
                    .orElseThrow(() -> new Refused("Orthogon no longer suggests a fix for this claim."));
            editing.make(code, revision, new Settle(mend.place(), mend.text()), who);
            return again(code, claim, model);
        });
    }

    @PostMapping("/waive")
    String waive(@PathVariable String code, @RequestParam String claim, @RequestParam(defaultValue = "") String reason, Principal who,
            Model model, HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            waiving.waive(draft, claim(draft, claim), reason, who.getName());
            return again(code, claim, model);
        });
    }

    @PostMapping("/unwaive")
    String takeBack(@PathVariable String code, @RequestParam String claim, Principal who, Model model, HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            waiving.takeBack(draft, claim(draft, claim), who.getName());
            return again(code, claim, model);
        });
    }

    @PostMapping("/burden")
    String burden(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String questions,
            @RequestParam(defaultValue = "") String words, @RequestParam(defaultValue = "") String minutes, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            editing.make(code, revision, new ChangeBurden(new Burden(limit(questions), limit(words), limit(minutes))), who);
            return again(code, "", model);
        });
    }

    /** A text that a claim misses, or that is older than its source. */
    @PostMapping("/translate")
    String translate(@PathVariable String code, @RequestParam String claim, @RequestParam String text, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            if (claim(draft, claim).at() instanceof Place.InLanguage at) {
                editing.make(code, draft.revision(), new Translate(at.language(), at.of().text(), text), who);
            }
            return again(code, claim, model);
        });
    }

    private static Integer limit(String typed) throws Refused {
        if (typed.isBlank()) {
            return null;
        }
        if (!typed.strip().matches("\\d{1,7}")) {
            throw new Refused("“" + typed.strip() + "” is not a limit: write a whole number, or leave the field empty.");
        }
        return Integer.valueOf(typed.strip());
    }

}
