package orthogon.app.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.questions.Said;
import orthogon.core.interview.Reasons;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Mend;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class ProveController {

    /** One family with its claims: the open ones listed, the proved ones folded. */
    record FamilyView(String title, String says, long proved, long refuted, long undecided, long advice, List<Claim> open,
            List<Claim> settled) {}

    /**
     * One answer of a witness.
     *
     * @param other the second respondent's answer; empty where there is none
     */
    record Given(String code, String wording, String answer, String other, boolean deciding) {}

    /** One member of a conflict core. */
    record Member(String place, String sentence) {}

    /** Everything about the claim that is selected. */
    record Chosen(Claim claim, String headline, String details, List<Member> core, List<Given> witness, boolean hasWitness,
            boolean ofTwo, Optional<Mend> mend, List<Claim> consequences, Optional<Claim> cause, String goTo) {}

    private final Frame frame;
    private final Proofs proofs;

    ProveController(Frame frame, Proofs proofs) {
        this.frame = frame;
        this.proofs = proofs;
    }

    @GetMapping("/q/{code}/prove")
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String claim, @RequestParam(defaultValue = "") String at,
            @RequestHeader(name = "HX-Request", required = false) String part, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        frame.fill(model, draft, "prove");
        List<FamilyView> families = new ArrayList<>();
        for (Family family : Family.values()) {
            List<Claim> here = proof.claims().stream().filter(c -> c.family() == family).toList();
            if (!here.isEmpty()) {
                List<Claim> open = here.stream().filter(c -> c.verdict() != Verdict.PROVED && c.follows().isEmpty()).toList();
                List<Claim> settled = here.stream().filter(c -> !open.contains(c)).toList();
                List<Claim> blocking = here.stream().filter(Claim::blocking).toList();
                long advice = here.stream().filter(c -> !c.blocking() && c.verdict() != Verdict.PROVED).count();
                families.add(new FamilyView(family.title(), family.says(), count(here, Verdict.PROVED), count(blocking, Verdict.REFUTED),
                        count(blocking, Verdict.UNDECIDED), advice, open, settled));
            }
        }
        families.sort(Comparator.comparing((FamilyView f) -> f.refuted() == 0).thenComparing(f -> f.undecided() == 0)
                .thenComparing(f -> f.advice() == 0));
        model.addAttribute("families", families);
        Optional<Claim> selected = proof.claims().stream().filter(c -> c.id().equals(claim)).findFirst()
                .or(() -> proof.claims().stream().filter(c -> c.verdict() != Verdict.PROVED && about(c, at))
                        .min(Comparator.comparing(c -> !c.blocking())))
                .or(() -> families.stream().flatMap(f -> f.open().stream()).filter(Claim::blocking).findFirst())
                .or(() -> families.stream().flatMap(f -> f.open().stream()).findFirst())
                .or(() -> proof.claims().stream().filter(c -> c.kind().equals("one-outcome")).findFirst());
        model.addAttribute("chosen", selected.map(c -> chosen(proof, c)).orElse(null));
        boolean counted = proof.counted().isPresent();
        Figures figures = proof.counted().orElseGet(() -> Figures.none(false, ""));
        model.addAttribute("counted", counted);
        Map<String, String> byOutcome = new LinkedHashMap<>();
        figures.pathsByOutcome().forEach((outcome, paths) -> byOutcome.put(outcome, Frame.grouped(paths)));
        model.addAttribute("figures", figures);
        model.addAttribute("paths", figures.answerPaths().map(Frame::grouped).orElse(counted ? "not counted" : "being counted"));
        model.addAttribute("routes", figures.routes().map(Frame::grouped).orElse(counted ? "not counted" : "being counted"));
        model.addAttribute("average", figures.everyRoute().flatMap(Routes::average).map(Object::toString).orElse(""));
        model.addAttribute("byOutcome", byOutcome);
        model.addAttribute("proofOf", draft.revision());
        return part == null ? "prove" : "prove :: sheet";
    }

    private static boolean about(Claim claim, String at) {
        return !at.isEmpty() && (claim.place().equals(at) || claim.place().startsWith(at + ".") || claim.place().startsWith(at + "/"));
    }

    private static long count(List<Claim> claims, Verdict verdict) {
        return claims.stream().filter(c -> c.verdict() == verdict).count();
    }

    private static Chosen chosen(Proof proof, Claim claim) {
        Claim.Explanation explanation = claim.explanation();
        Questionnaire document = proof.document();
        Set<String> deciding = new LinkedHashSet<>();
        proof.wiring().wires().stream().filter(w -> explanation.core().contains(w.place()) || w.place().equals(claim.place())
                || claim.kind().equals("own") && w.owner().equals(claim.place())
                || claim.kind().equals("one-outcome") && w.place().startsWith("outcomeTable/")
                || w.place().equals(claim.place() + ".askWhen"))
                .forEach(w -> w.readable().flatMap(proof.wiring()::unfolded).ifPresent(e -> deciding.addAll(e.references())));
        List<Given> given = new ArrayList<>();
        Map<String, Object> answers = explanation.witness().orElse(Map.of());
        Map<String, Object> others = explanation.other().orElse(Map.of());
        Set<String> codes = new LinkedHashSet<>();
        document.arriving().forEach(p -> codes.add(p.code()));
        document.items().forEach(i -> codes.add(i.code()));
        codes.removeIf(c -> !answers.containsKey(c) && !others.containsKey(c));
        for (String code : codes) {
            // The second respondent is told only as far as the page at which the two part.
            boolean told = !claim.kind().equals("answers-kept") || pageOf(document, code) < pageOf(document, claim.place());
            boolean decides = explanation.other().isEmpty()
                    ? deciding.contains(code)
                    : told && !Objects.equals(answers.get(code), others.get(code));
            given.add(new Given(code, document.item(code).map(Item::wording).orElse("link parameter"),
                    shown(document, code, answers.get(code)), told ? shown(document, code, others.get(code)) : "", decides));
        }
        given.sort(Comparator.comparing(g -> !g.deciding()));
        List<Claim> consequences = proof.claims().stream().filter(c -> c.follows().filter(claim.id()::equals).isPresent()).toList();
        Optional<Claim> cause = claim.follows().flatMap(f -> proof.claims().stream().filter(c -> c.id().equals(f)).findFirst());
        List<Member> core = explanation.core().stream().map(place -> new Member(place, proof.sentence(place))).toList();
        return new Chosen(claim, explanation.headline(), core.isEmpty() ? explanation.details() : intro(explanation.details()), core, given,
                explanation.witness().isPresent(), explanation.other().isPresent(), explanation.mend(), consequences, cause,
                owner(document, claim.place()));
    }

    private static int pageOf(Questionnaire document, String code) {
        return document.pageOf(code).map(document.pages()::indexOf).orElse(-1);
    }

    /** The words before the list, where the list itself is shown as one. */
    private static String intro(String details) {
        int colon = details.indexOf(": ");
        return colon < 0 ? details : details.substring(0, colon) + ":";
    }

    /** The row of the ledger that a claim is about. */
    private static String owner(Questionnaire document, String place) {
        String[] parts = place.split("[./#]");
        boolean ofLanguage = parts.length > 1 && document.languages().contains(parts[0]);
        String head = parts[ofLanguage ? 1 : 0];
        return document.item(head).isPresent() || document.page(head).isPresent() ? head : "ending";
    }

    private static String shown(Questionnaire document, String code, Object value) {
        if (value == null) {
            return "blank";
        }
        return document.question(code).flatMap(q -> Said.of(q, value)).orElseGet(() -> value instanceof List<?> entries
                ? entries.size() + (entries.size() == 1 ? " entry: " : " entries: ")
                        + String.join("; ", entries.stream().map(Reasons::said).toList())
                : Reasons.said(value));
    }
}
