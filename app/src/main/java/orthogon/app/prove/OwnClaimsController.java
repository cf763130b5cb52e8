package orthogon.app.prove;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.dispatch.ReadyClaim;
import orthogon.core.edit.ChangeEnding;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The analyst's own claims: written, changed, removed. */
@Controller
@RequestMapping("/q/{code}/prove/own")
class OwnClaimsController {

    /** One own claim with what the proof says of it. */
    record OwnClaimRow(int number, String code, boolean always, String text, String phrase, String verdict, String claim) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;

    OwnClaimsController(Frame frame, Proofs proofs, Editing editing) {
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
    }

    @GetMapping
    String list(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        List<OwnClaimRow> rows = new ArrayList<>();
        for (OwnClaim own : draft.document().claims()) {
            String phrase = proof.wiring().at("claims/" + rows.size()).flatMap(Wiring.Wire::readable).map(Phrase::of).orElse("");
            rows.add(new OwnClaimRow(rows.size(), own.code(), own.says() == Says.ALWAYS, own.that(), phrase,
                    proof.claim("own", own.code()).map(c -> c.verdict().word()).orElse("unchecked"), "own " + own.code()));
        }
        model.addAttribute("code", code);
        model.addAttribute("revision", draft.revision());
        model.addAttribute("own", rows);
        model.addAttribute("ready", ReadyClaim.of(draft.document()));
        return "prove/lower :: own";
    }

    /** @param number of the claim to change; as many as there are for a new one */
    @PostMapping
    String write(@PathVariable String code, @RequestParam int revision, @RequestParam int number, @RequestParam String name,
            @RequestParam boolean always, @RequestParam String that, Principal who, Model model, HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            List<OwnClaim> claims = new ArrayList<>(document.claims());
            String claim = name.strip();
            if (!Codes.isValid(claim)) {
                throw new Refused(
                        "“" + claim + "” is not a valid name for a claim: begin with a small letter and use small letters, digits and _.");
            }
            if (that.isBlank()) {
                throw new Refused("Write what " + claim + " says, as in: not(asked(weight)) or age >= 18.");
            }
            boolean taken = false;
            for (int i = 0; i < claims.size(); i++) {
                taken |= i != number && claims.get(i).code().equals(claim);
            }
            if (taken) {
                throw new Refused("There is a claim " + claim + " already; give this one another name.");
            }
            OwnClaim written = new OwnClaim(claim, always ? Says.ALWAYS : Says.NEVER, that.strip());
            if (number >= 0 && number < claims.size()) {
                claims.set(number, written);
            } else {
                claims.add(written);
            }
            editing.make(code, revision, new ChangeEnding(document.outcomes(), document.outcomeTable(), claims), who);
            return list(code, model);
        });
    }

    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam int revision, @RequestParam int number, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            if (number < 0 || number >= document.claims().size()) {
                throw new Refused("There is no such claim any more.");
            }
            List<OwnClaim> claims = new ArrayList<>(document.claims());
            claims.remove(number);
            editing.make(code, revision, new ChangeEnding(document.outcomes(), document.outcomeTable(), claims), who);
            return list(code, model);
        });
    }
}
