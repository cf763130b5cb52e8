package orthogon.app.release;

import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.news.Live;
import orthogon.app.offering.Offering;
import orthogon.app.proving.Changes;
import orthogon.app.proving.Gates;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.OfferStore.Offer;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.app.store.RemarkStore;
import orthogon.app.store.RemarkStore.Remark;
import orthogon.app.store.SignOffStore;
import orthogon.app.store.SignOffStore.SignOff;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.app.work.ReleaseDraft;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Texts;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate;
import orthogon.core.release.Signing;
import orthogon.formats.document.DocumentWriter;
import orthogon.formats.report.KeptProof;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
    record ReleaseRow(int number, int revision, String when, String author, String signedBy, String notes, String languages, String token,
            int begun, int sent, String state, String message) {}

    /**
     * A language at the gate.
     *
     * @param lost whether the last release has it
     */
    record ReleasedLanguage(String tag, String name, boolean ready, int left, boolean lost) {}

    /** What the sheet shows beside the gate: releases and personal links. */
    record ReleaseView(int next, boolean unchanged, boolean textsAlone, Integer last, List<ReleaseRow> releases,
            List<Invitation> invitations, long unused, long sentByInvitation, long toRemind, List<Questionnaire.LinkParameter> parameters,
            Offer offer, List<String> documentLanguages) {}

    /** What the gate says of a draft. */
    record GateView(ClaimWords claimWords, boolean open, Gate gate, List<Claim> inTheWay, long consequences, long proved, int revision,
            List<ReleasedLanguage> tongues, boolean signNeeded, List<SignOff> signed, boolean maySign, boolean signedByOther,
            List<Remark> remarks) {}

    /** What changed since the last release; {@code change} is null while it is compared. */
    record ChangeView(String code, int last, ChangeSheet change) {}

    /** A release as it is kept, with its proof. */
    record KeptView(ReleaseRow release, List<String> waived, KeptProof proof) {}

    private final People people;
    private final Frame frame;
    private final Proofs proofs;
    private final ReleaseStore releases;
    private final KnownReleases knownReleases;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final Live live;
    private final Gates gates;
    private final SignOffStore signOffs;
    private final RemarkStore remarks;
    private final Changes changes;
    private final Offering offering;
    private final Acts acts;
    private final ReleaseDraft releasing;

    ReleaseController(Frame frame, Proofs proofs, ReleaseStore releases, KnownReleases knownReleases, InterviewStore interviews,
            InvitationStore invitations, Live live,
            Gates gates, SignOffStore signOffs, RemarkStore remarks, Changes changes, Offering offering, Acts acts, People people,
            ReleaseDraft releasing) {
        this.people = people;
        this.frame = frame;
        this.proofs = proofs;
        this.releases = releases;
        this.knownReleases = knownReleases;
        this.interviews = interviews;
        this.invitations = invitations;
        this.live = live;
        this.gates = gates;
        this.signOffs = signOffs;
        this.remarks = remarks;
        this.changes = changes;
        this.offering = offering;
        this.acts = acts;
        this.releasing = releasing;
    }

    @GetMapping
    String sheet(@PathVariable String code, Principal who, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.soon(draft);
        frame.fill(model, draft, "release");
        List<Release> all = knownReleases.of(draft.id());
        gate(draft, proof, all, who, model);
        List<Invitation> made = invitations.of(draft.id());
        Views.show(model,
                new ReleaseView(all.isEmpty() ? 1 : all.getFirst().number() + 1,
                        !all.isEmpty() && all.getFirst().document().equals(draft.document()),
                        !all.isEmpty() && Texts.alone(all.getFirst().document(), draft.document()),
                        all.isEmpty() ? null : all.getFirst().number(), all.stream().map(this::row).toList(), made,
                        made.stream().filter(i -> i.interview().isEmpty()).count(), made.stream().filter(Invitation::sent).count(),
                        made.stream().filter(i -> !i.email().isEmpty() && i.mailedAt().isPresent() && !i.sent()).count(),
                        draft.document().arriving(), offering.offer(draft.id()), draft.document().languages()));
        return "release";
    }

    private void gate(Draft draft, Proof proof, List<Release> all, Principal who, Model model) {
        Gate gate = gates.of(draft, proof);
        List<Claim> inTheWay = gate.inTheWay();
        List<SignOff> signed = signOffs.of(draft.id(), draft.revision());
        List<ReleasedLanguage> tongues = new ArrayList<>();
        gate.languages().forEach((tag, left) -> tongues.add(new ReleasedLanguage(tag, OwnWords.name(tag), left.isEmpty(), left.size(),
                all.stream().findFirst().filter(r -> r.languages().contains(tag)).isPresent())));
        Views.show(model,
                new GateView(proof.words(), gate.isOpen(), gate, inTheWay.stream().filter(c -> c.follows().isEmpty()).toList(),
                        inTheWay.stream().filter(c -> c.follows().isPresent()).count(), proof.count(Verdict.PROVED), draft.revision(),
                        tongues, signOffs.isNeeded(), signed,
                        Signing.isAllowed(who.getName(), draft.author(), signed.stream().map(SignOff::author).toList()),
                        releasing.signer(draft, who.getName()).isPresent(), remarks.open(draft.id())));
    }

    private ReleaseRow row(Release r) {
        InterviewStore.ResponseTally tally = interviews.tally(r.id());
        ReleaseStore.Availability standing = releases.standing(r.id());
        return new ReleaseRow(r.number(), r.revision(), Frame.when(r.at()), people.shown(r.author()),
                r.signedBy().isEmpty() ? "" : people.shown(r.signedBy()), r.notes(), String.join(", ", r.languages()), r.token(),
                tally.begun(), tally.sent(), standing.state().word(), standing.message());
    }

    /** What the draft changes for respondents against the last release. */
    @GetMapping("/change")
    String change(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Release last = knownReleases.of(draft.id()).stream().findFirst()
                .orElseThrow(() -> new NotThere("Nothing is released yet, so there is nothing to compare with."));
        Optional<Changes.FoundChange> found = changes.ready(last, draft);
        Views.show(model, new ChangeView(code, last.number(),
                found.map(f -> ChangeSheet.of(last.document(), draft.document(), f)).orElse(null)));
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
        return done(code, "", who, model, response, draft -> releasing.sign(draft, revision, note, who.getName()));
    }

    @PostMapping
    String release(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String notes,
            @RequestParam(required = false) List<String> languages, Principal who, Model model, HttpServletResponse response) {
        return done(code, "", who, model, response, draft -> {
            releasing.release(draft, revision, notes, languages == null ? List.of() : languages, who.getName());
            live.announce(draft);
        });
    }

    /** Closes, reopens or withdraws a release. */
    @PostMapping("/{number}/stand")
    String stand(@PathVariable String code, @PathVariable int number, @RequestParam String state,
            @RequestParam(defaultValue = "") String message, Principal who, Model model, HttpServletResponse response) {
        ReleaseState wanted = switch (state) {
            case "open" -> ReleaseState.OPEN;
            case "withdrawn" -> ReleaseState.WITHDRAWN;
            default -> ReleaseState.CLOSED;
        };
        return done(code, "#releases", who, model, response,
                draft -> releasing.setState(draft, number(draft, number), wanted, message, who.getName()));
    }

    private interface ReleaseAct {
        void on(Draft draft) throws Refused;
    }

    /** Leads back to a part of the sheet, or shows the sheet with the reason where the act is refused. */
    private String done(String code, String part, Principal who, Model model, HttpServletResponse response, ReleaseAct act) {
        try {
            act.on(frame.draft(code));
            return "redirect:/q/" + code + "/release" + part;
        } catch (Refused e) {
            response.setStatus(409);
            model.addAttribute("message", e.getMessage());
            return sheet(code, who, model);
        }
    }

    private Release number(Draft draft, int number) {
        return knownReleases.of(draft.id()).stream().filter(r -> r.number() == number).findFirst()
                .orElseThrow(() -> new NotThere("There is no release " + number + "."));
    }

    /** One release with the proof that it was released with. */
    @GetMapping("/{number:\\d+}")
    String one(@PathVariable String code, @PathVariable int number, Model model) {
        Draft draft = frame.draft(code);
        Release release = number(draft, number);
        frame.fill(model, draft, "release");
        KeptProof proof = KeptProof.read(releases.proof(release.id()));
        Views.show(model, new KeptView(row(release), release.waived(), proof));
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
}
