package orthogon.app.release;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import orthogon.app.account.Accounts;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Gates;
import orthogon.app.proving.Live;
import orthogon.app.proving.Proofs;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.storage.InterviewStore;
import orthogon.app.storage.InvitationStore;
import orthogon.app.storage.InvitationStore.Invitation;
import orthogon.app.storage.ReleaseStore;
import orthogon.app.storage.ReleaseStore.Release;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Gate;
import orthogon.core.proof.claim.Verdict;
import orthogon.formats.report.ProofReport;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
@RequestMapping("/q/{code}/release")
class ReleaseController {

    /** One release in the list. */
    record Row(int number, int revision, String when, String author, String notes, String token, int begun, int sent) {}

    private static final int MOST_INVITATIONS = 500;

    private final Frame frame;
    private final Proofs proofs;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final Live live;
    private final Gates gates;

    ReleaseController(Frame frame, Proofs proofs, ReleaseStore releases, InterviewStore interviews,
            InvitationStore invitations, Live live, Gates gates) {
        this.gates = gates;
        this.invitations = invitations;
        this.frame = frame;
        this.proofs = proofs;
        this.releases = releases;
        this.interviews = interviews;
        this.live = live;
    }

    @GetMapping
    String sheet(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        frame.fill(model, draft, "release");
        List<Release> all = releases.of(draft.id());
        Gate gate = gates.of(draft, proof);
        List<Claim> inTheWay = gate.inTheWay();
        model.addAttribute("open", gate.isOpen());
        model.addAttribute("gate", gate);
        model.addAttribute("inTheWay", inTheWay.stream().filter(c -> c.follows().isEmpty()).toList());
        model.addAttribute("consequences", inTheWay.stream().filter(c -> c.follows().isPresent()).count());
        model.addAttribute("proved", proof.count(Verdict.PROVED));
        model.addAttribute("next", all.isEmpty() ? 1 : all.getFirst().number() + 1);
        model.addAttribute("revision", draft.revision());
        model.addAttribute("unchanged", !all.isEmpty() && all.getFirst().document().equals(draft.document()));
        model.addAttribute("releases", all.stream().map(r -> {
            InterviewStore.Tally tally = interviews.tally(r.id());
            return new Row(r.number(), r.revision(), Frame.when(r.at()), Accounts.shown(r.author()), r.notes(), r.token(), tally.begun(),
                    tally.sent());
        }).toList());
        List<Invitation> made = invitations.of(draft.id());
        model.addAttribute("invitations", made);
        model.addAttribute("unused", made.stream().filter(i -> i.interview().isEmpty()).count());
        model.addAttribute("sentByInvitation", made.stream().filter(Invitation::sent).count());
        model.addAttribute("parameters", draft.document().arriving());
        return "release";
    }

    /** Links that one person uses once. */
    @PostMapping("/invitations")
    String invite(@PathVariable String code, @RequestParam(defaultValue = "0") int count, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (releases.of(draft.id()).isEmpty()) {
            return refused(code, "Nothing is released yet, so a link would lead nowhere. Release first.", model, response);
        }
        if (count < 1 || count > MOST_INVITATIONS) {
            return refused(code, "Ask for 1 to " + MOST_INVITATIONS + " links at a time.", model, response);
        }
        invitations.make(draft.id(), count);
        return "redirect:/q/" + code + "/release#invitations";
    }

    @PostMapping
    String release(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String notes, Principal who,
            Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (draft.revision() != revision) {
            return refused(code, "The draft is at revision " + draft.revision() + " by now; you looked at revision " + revision
                    + ". Look at what changed, then release it.", model, response);
        }
        Proof proof = proofs.of(draft);
        if (!gates.of(draft, proof).isOpen()) {
            return refused(code, "The gate is shut: not every blocking claim is proved or waived.", model, response);
        }
        try {
            releases.create(draft, new ReleaseStore.Made(ProofReport.json(proof), notes.length() > 2000 ? notes.substring(0, 2000) : notes,
                    who.getName(), gates.of(draft, proof).ready(), List.of(), ""));
        } catch (DuplicateKeyException e) {
            return refused(code, "Somebody released at the same moment. Look at their release first.", model, response);
        }
        live.announce(draft);
        return "redirect:/q/" + code + "/release";
    }

    private String refused(String code, String message, Model model, HttpServletResponse response) {
        response.setStatus(409);
        model.addAttribute("message", message);
        return sheet(code, model);
    }
}
