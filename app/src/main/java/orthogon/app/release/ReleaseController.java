package orthogon.app.release;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.offering.Offering;
import orthogon.app.proving.Changes;
import orthogon.app.proving.Gates;
import orthogon.app.proving.Live;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.State;
import orthogon.app.store.RemarkStore;
import orthogon.app.store.SignOffStore;
import orthogon.app.store.SignOffStore.SignOff;
import orthogon.app.work.Acts;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Texts;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.release.Gate;
import orthogon.core.proof.claim.Verdict;
import orthogon.formats.document.DocumentWriter;
import orthogon.formats.report.KeptProof;
import orthogon.formats.report.ProofReport;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The gate, what a release would change, and the releases there are. */
@Controller
@RequestMapping("/q/{code}/release")
class ReleaseController {

    /** One release in the list. */
    record Row(int number, int revision, String when, String author, String signedBy, String notes, String languages, String token,
            int begun, int sent, String state, String message) {}

    /**
     * A language at the gate.
     *
     * @param lost whether the last release has it
     */
    record ReleasedLanguage(String tag, String name, boolean ready, int left, boolean lost) {}

    private final People people;
    private final Frame frame;
    private final Proofs proofs;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final Live live;
    private final Gates gates;
    private final SignOffStore signOffs;
    private final RemarkStore remarks;
    private final Changes changes;
    private final Offering offering;
    private final Acts acts;

    ReleaseController(Frame frame, Proofs proofs, ReleaseStore releases, InterviewStore interviews, InvitationStore invitations, Live live,
            Gates gates, SignOffStore signOffs, RemarkStore remarks, Changes changes, Offering offering, Acts acts, People people) {
        this.people = people;
        this.frame = frame;
        this.proofs = proofs;
        this.releases = releases;
        this.interviews = interviews;
        this.invitations = invitations;
        this.live = live;
        this.gates = gates;
        this.signOffs = signOffs;
        this.remarks = remarks;
        this.changes = changes;
        this.offering = offering;
        this.acts = acts;
    }

    @GetMapping
    String sheet(@PathVariable String code, Principal who, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.soon(draft);
        frame.fill(model, draft, "release");
        List<Release> all = releases.of(draft.id());
        gate(draft, proof, all, who, model);
        model.addAttribute("next", all.isEmpty() ? 1 : all.getFirst().number() + 1);
        model.addAttribute("unchanged", !all.isEmpty() && all.getFirst().document().equals(draft.document()));
        model.addAttribute("textsAlone", !all.isEmpty() && Texts.alone(all.getFirst().document(), draft.document()));
        model.addAttribute("last", all.isEmpty() ? null : all.getFirst().number());
        model.addAttribute("releases", all.stream().map(this::row).toList());
        List<Invitation> made = invitations.of(draft.id());
        model.addAttribute("invitations", made);
        model.addAttribute("unused", made.stream().filter(i -> i.interview().isEmpty()).count());
        model.addAttribute("sentByInvitation", made.stream().filter(Invitation::sent).count());
        model.addAttribute("toRemind", made.stream().filter(i -> !i.email().isEmpty() && i.mailedAt().isPresent() && !i.sent()).count());
        model.addAttribute("parameters", draft.document().arriving());
        model.addAttribute("offer", offering.offer(draft.id()));
        model.addAttribute("documentLanguages", draft.document().languages());
        return "release";
    }

    private void gate(Draft draft, Proof proof, List<Release> all, Principal who, Model model) {
        Gate gate = gates.of(draft, proof);
        model.addAttribute("claimWords", proof.words());
        List<Claim> inTheWay = gate.inTheWay();
        List<SignOff> signed = signOffs.of(draft.id(), draft.revision());
        model.addAttribute("open", gate.isOpen());
        model.addAttribute("gate", gate);
        model.addAttribute("inTheWay", inTheWay.stream().filter(c -> c.follows().isEmpty()).toList());
        model.addAttribute("consequences", inTheWay.stream().filter(c -> c.follows().isPresent()).count());
        model.addAttribute("proved", proof.count(Verdict.PROVED));
        model.addAttribute("revision", draft.revision());
        List<ReleasedLanguage> tongues = new ArrayList<>();
        gate.languages().forEach((tag, left) -> tongues.add(new ReleasedLanguage(tag, OwnWords.name(tag), left.isEmpty(), left.size(),
                all.stream().findFirst().filter(r -> r.languages().contains(tag)).isPresent())));
        model.addAttribute("tongues", tongues);
        model.addAttribute("signNeeded", signOffs.isNeeded());
        model.addAttribute("signed", signed);
        model.addAttribute("maySign", !draft.author().equals(who.getName())
                && signed.stream().noneMatch(s -> s.author().equals(who.getName())));
        model.addAttribute("signedByOther", signer(draft, who.getName()).isPresent());
        model.addAttribute("remarks", remarks.open(draft.id()));
    }

    /** A person who signed the revision, is not its author and is not the one who releases it. */
    private Optional<String> signer(Draft draft, String releasing) {
        return signOffs.of(draft.id(), draft.revision()).stream().map(SignOff::author)
                .filter(s -> !s.equals(releasing) && !s.equals(draft.author())).findFirst();
    }

    private Row row(Release r) {
        InterviewStore.Tally tally = interviews.tally(r.id());
        ReleaseStore.Availability standing = releases.standing(r.id());
        return new Row(r.number(), r.revision(), Frame.when(r.at()), people.shown(r.author()),
                r.signedBy().isEmpty() ? "" : people.shown(r.signedBy()), r.notes(), String.join(", ", r.languages()), r.token(),
                tally.begun(), tally.sent(), standing.state().word(), standing.message());
    }

    /** What the draft changes for respondents against the last release. */
    @GetMapping("/change")
    String change(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Release last = releases.of(draft.id()).stream().findFirst()
                .orElseThrow(() -> new NotThere("Nothing is released yet, so there is nothing to compare with."));
        Optional<Changes.Found> found = changes.ready(last, draft);
        model.addAttribute("code", code);
        model.addAttribute("last", last.number());
        model.addAttribute("change", found.map(f -> ChangeSheet.of(last.document(), draft.document(), f)).orElse(null));
        return "release :: change";
    }

    @PostMapping("/change/stop")
    String stopComparing(@PathVariable String code, Model model) {
        changes.stop(frame.draft(code));
        return change(code, model);
    }

    @PostMapping("/change/again")
    String compareAgain(@PathVariable String code, Model model) {
        changes.again(frame.draft(code));
        return change(code, model);
    }

    @PostMapping("/sign")
    String sign(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String note, Principal who,
            Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (draft.revision() != revision) {
            return refused(code, overtaken(draft, revision), who, model, response);
        }
        if (draft.author().equals(who.getName())) {
            return refused(code, "You made this revision, so somebody else must sign it.", who, model, response);
        }
        acts.noted(who.getName(), code, "signed revision " + revision + (note.isBlank() ? "" : ": " + note),
                () -> signOffs.sign(draft.id(), revision, who.getName(), cut(note, 1000)));
        return "redirect:/q/" + code + "/release";
    }

    private static String overtaken(Draft draft, int revision) {
        return "The draft is at revision " + draft.revision() + " now; you looked at revision " + revision
                + ". Look at what changed, then continue.";
    }

    private static String cut(String text, int most) {
        return text.length() > most ? text.substring(0, most) : text.strip();
    }

    @PostMapping
    String release(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String notes,
            @RequestParam(required = false) List<String> languages, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (draft.revision() != revision) {
            return refused(code, overtaken(draft, revision), who, model, response);
        }
        Proof proof = proofs.of(draft);
        Gate gate = gates.of(draft, proof);
        if (!gate.isOpen()) {
            return refused(code, "The gate is shut: not every blocking claim is proved or waived.", who, model, response);
        }
        List<String> wanted = languages == null ? List.of() : languages;
        Optional<String> unready = wanted.stream().filter(l -> !gate.ready().contains(l)).findFirst();
        if (unready.isPresent()) {
            return refused(code,
                    "Not everything in " + unready.get() + " is translated and current; release without it, or finish it first.",
                    who, model, response);
        }
        Optional<String> signer = signer(draft, who.getName());
        if (signOffs.isNeeded() && signer.isEmpty()) {
            return refused(code,
                    "This workspace requires a second person: somebody other than you, and other than the author of revision " + revision
                            + ", must sign it first.",
                    who, model, response);
        }
        List<String> waived = gate.waived().entrySet().stream().map(w -> proof.words().statement(w.getKey()) + " – waived by "
                + people.shown(w.getValue().author()) + ": " + w.getValue().reason().replaceAll("\\s+", " ")).toList();
        ReleaseStore.Made made = new ReleaseStore.Made(ProofReport.json(proof), cut(notes, 2000), who.getName(), wanted, waived,
                signer.orElse(""));
        try {
            acts.noted(who.getName(), code, () -> releases.create(draft, made), release -> "released " + release.number() + " of revision "
                    + revision + " in " + String.join(", ", release.languages())
                    + signer.map(s -> ", signed by " + people.shown(s)).orElse(""));
        } catch (DuplicateKeyException e) {
            return refused(code, "Somebody released at the same moment. Look at their release first.", who, model, response);
        }
        live.announce(draft);
        return "redirect:/q/" + code + "/release";
    }

    /** Closes, reopens or withdraws a release. */
    @PostMapping("/{number}/stand")
    String stand(@PathVariable String code, @PathVariable int number, @RequestParam String state,
            @RequestParam(defaultValue = "") String message, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        Release release = number(draft, number);
        State wanted = switch (state) {
            case "open" -> State.OPEN;
            case "withdrawn" -> State.WITHDRAWN;
            default -> State.CLOSED;
        };
        if (wanted == State.WITHDRAWN && message.isBlank()) {
            return refused(code, "Tell the respondents of release " + number + " why it is withdrawn; they read it where they left off.",
                    who,
                    model, response);
        }
        acts.noted(who.getName(), code, (wanted == State.OPEN ? "reopened" : wanted.word()) + " release " + number
                + (message.isBlank() ? "" : ": " + cut(message, 1000)),
                () -> releases.stand(release.id(), wanted, wanted == State.OPEN ? "" : cut(message, 1000)));
        return "redirect:/q/" + code + "/release#releases";
    }

    private Release number(Draft draft, int number) {
        return releases.of(draft.id()).stream().filter(r -> r.number() == number).findFirst()
                .orElseThrow(() -> new NotThere("There is no release " + number + "."));
    }

    /** One release with the proof that it was released with. */
    @GetMapping("/{number:\\d+}")
    String one(@PathVariable String code, @PathVariable int number, Model model) {
        Draft draft = frame.draft(code);
        Release release = number(draft, number);
        frame.fill(model, draft, "release");
        KeptProof proof = KeptProof.read(releases.proof(release.id()));
        model.addAttribute("release", row(release));
        model.addAttribute("waived", release.waived());
        model.addAttribute("proof", proof);
        return "kept";
    }

    @GetMapping("/{number:\\d+}/file")
    ResponseEntity<String> file(@PathVariable String code, @PathVariable int number, Principal who) {
        Release release = number(frame.draft(code), number);
        acts.saved(who.getName(), code, "release " + number + " as a file");
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).header(HttpHeaders.CONTENT_DISPOSITION,
                "attachment; filename=\"" + code + "-release-" + number + ".orthogon.json\"")
                .body(DocumentWriter.write(release.document()));
    }

    @GetMapping("/{number:\\d+}/proof")
    ResponseEntity<String> proof(@PathVariable String code, @PathVariable int number, Principal who) {
        Release release = number(frame.draft(code), number);
        acts.saved(who.getName(), code, "the proof of release " + number);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).header(HttpHeaders.CONTENT_DISPOSITION,
                "attachment; filename=\"" + code + "-release-" + number + ".proof.json\"").body(releases.proof(release.id()));
    }

    private String refused(String code, String message, Principal who, Model model, HttpServletResponse response) {
        response.setStatus(409);
        model.addAttribute("message", message);
        return sheet(code, who, model);
    }
}
