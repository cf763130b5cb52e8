package orthogon.app.desk;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.storage.DraftStore;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.storage.InterviewStore;
import orthogon.app.storage.ReleaseStore;
import orthogon.app.storage.SignOffStore;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.DocumentWriter;
import orthogon.formats.document.UnusableFile;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

@Controller
class DeskController {

    /** One questionnaire on the Desk. */
    record Row(String code, String title, int revision, String when, int pages, long questions, String sign, String proof, String languages,
            String release, int thisWeek) {}

    private final DraftStore drafts;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final Proofs proofs;
    private final Frame frame;
    private final Starters starters;
    private final SignOffStore signOffs;

    DeskController(DraftStore drafts, ReleaseStore releases, InterviewStore interviews, Proofs proofs, Frame frame, Starters starters,
            SignOffStore signOffs) {
        this.signOffs = signOffs;
        this.drafts = drafts;
        this.releases = releases;
        this.interviews = interviews;
        this.proofs = proofs;
        this.frame = frame;
        this.starters = starters;
    }

    @GetMapping("/")
    String desk(@RequestParam(defaultValue = "") String starter, Model model) {
        model.addAttribute("rows", drafts.all().stream().map(this::row).toList());
        model.addAttribute("starters", starters.about(starter));
        model.addAttribute("wanted", starter);
        model.addAttribute("signNeeded", signOffs.isNeeded());
        return "desk";
    }

    private Row row(Draft draft) {
        Optional<Proof> proof = proofs.ready(draft);
        long refuted = proof.map(p -> p.count(Verdict.REFUTED)).orElse(0L);
        long undecided = proof.map(p -> p.count(Verdict.UNDECIDED)).orElse(0L);
        String sign = proof.isEmpty() ? "unchecked" : refuted > 0 ? "refuted" : undecided > 0 ? "undecided" : "proved";
        String words = proof.isEmpty()
                ? "being proved"
                : refuted > 0
                        ? refuted + " refuted"
                        : undecided > 0
                                ? undecided + " undecided"
                                : proof.get().count(Verdict.PROVED) + " proved";
        List<ReleaseStore.Release> all = releases.of(draft.id());
        return new Row(draft.code(), draft.document().title(), draft.revision(), Frame.when(draft.at()), draft.document().pages().size(),
                draft.document().questions().count(), sign, words, String.join(", ", draft.document().languages()),
                all.isEmpty() ? "none yet" : "release " + all.getFirst().number(),
                interviews.count(draft.id(), OffsetDateTime.now().minusDays(7)));
    }

    @PostMapping("/new")
    String blank(@RequestParam String title, Principal who, Model model, HttpServletResponse response) {
        if (title.isBlank() || title.trim().length() > 200) {
            return refused("Give the questionnaire a title of at most 200 characters.", model, response);
        }
        String code = Codes.from(title, "questionnaire", drafts::exists);
        drafts.create(Questionnaire.blank(code, title.trim()), who.getName(), "began a blank questionnaire");
        return "redirect:/q/" + code + "/compose";
    }

    @PostMapping("/starter")
    String starter(@RequestParam String starter, Principal who, Model model, HttpServletResponse response) {
        Optional<Questionnaire> chosen = starters.get(starter);
        if (chosen.isEmpty()) {
            return refused("There is no starter " + starter + ".", model, response);
        }
        String code = Codes.fresh(starter, drafts::exists);
        drafts.create(chosen.get().withCode(code), who.getName(), "began with the starter " + chosen.get().title());
        return "redirect:/q/" + code + "/compose";
    }

    @PostMapping("/open")
    String open(@RequestParam MultipartFile file, Principal who, Model model, HttpServletResponse response) throws IOException {
        try {
            Questionnaire document = DocumentReader.read(file.getBytes());
            String code = Codes.fresh(document.code(), drafts::exists);
            drafts.create(document.withCode(code), who.getName(), "opened the file " + file.getOriginalFilename());
            return "redirect:/q/" + code + "/compose";
        } catch (UnusableFile e) {
            model.addAttribute("faults", e.faults());
            return refused("“" + file.getOriginalFilename() + "” cannot be used as a questionnaire. Fix what is listed and open it again.",
                    model, response);
        }
    }

    private String refused(String message, Model model, HttpServletResponse response) {
        response.setStatus(422);
        model.addAttribute("message", message);
        return desk("", model);
    }

    @GetMapping("/q/{code}/file")
    ResponseEntity<String> file(@PathVariable String code) {
        Draft draft = frame.draft(code);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + draft.code() + ".orthogon.json\"")
                .body(DocumentWriter.write(draft.document()));
    }
}
