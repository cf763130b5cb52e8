package orthogon.app.rehearse;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PageModel;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Reasons;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Attachment;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartHttpServletRequest;

@Controller
@RequestMapping("/q/{code}/rehearse")
class RehearseController {

    /** One line of the walk so far. */
    record Walked(String page, String title, String answers) {}

    private record Rehearsal(int revision, Interview interview) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Map<String, Rehearsal> rehearsals = new ConcurrentHashMap<>();

    RehearseController(Frame frame, Proofs proofs) {
        this.frame = frame;
        this.proofs = proofs;
    }

    private static String key(String code, Principal who) {
        return who.getName() + "/" + code;
    }

    /** The rehearsal that is running; when the draft was edited since, the same answers walk through the new revision. */
    private Rehearsal current(Draft draft, Principal who) {
        return rehearsals.compute(key(draft.code(), who), (k, known) -> {
            if (known != null && known.revision() == draft.revision()) {
                return known;
            }
            Wiring wiring = Wiring.of(draft.document());
            Interview begun = Interview.start(wiring, LocalDate.now(), known == null ? Map.of() : known.interview().link());
            if (known == null) {
                return new Rehearsal(draft.revision(), begun);
            }
            return new Rehearsal(draft.revision(), new Interview(wiring, begun.today(), begun.link(), known.interview().raw(),
                    known.interview().started(), known.interview().passed()));
        });
    }

    @GetMapping
    String sheet(@PathVariable String code, Principal who, Model model) {
        Draft draft = frame.draft(code);
        return show(draft, current(draft, who).interview(), false, "", model);
    }

    private String show(Draft draft, Interview interview, boolean withErrors, String notice, Model model) {
        frame.fill(model, draft, "rehearse");
        Course course = interview.course();
        model.addAttribute("action", "/q/" + draft.code() + "/rehearse");
        model.addAttribute("canGoBack", !interview.passed().isEmpty());
        model.addAttribute("notice", notice);
        model.addAttribute("complete", course.complete());
        model.addAttribute("outcome", course.outcome().flatMap(draft.document()::outcome).orElse(null));
        model.addAttribute("endedBy", course.endedBy().orElse(""));
        model.addAttribute("walked", course.pages().stream().filter(p -> interview.passed().contains(p.page().code()))
                .map(p -> new Walked(p.page().code(), p.page().title(), String.join(" · ", p.shown().stream()
                        .filter(s -> s.question().isPresent())
                        .map(s -> s.slot() + " " + Reasons.said(course.value(s)))
                        .toList())))
                .toList());
        course.current().ifPresent(view -> {
            model.addAttribute("page", PageModel.of(view, draft.document().presentation(), interview.today(), withErrors));
            model.addAttribute("reasons", Reasons.of(interview, view.page()));
        });
        if (course.complete() && !course.pages().isEmpty()) {
            model.addAttribute("reasons", Reasons.of(interview, course.pages().getLast().page()));
        }
        return "rehearse";
    }

    @PostMapping
    String answer(@PathVariable String code, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Principal who,
            Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        Interview interview = current(draft, who).interview();
        String go = Optional.ofNullable(form.getFirst("go")).orElse("next");
        Optional<Course.PageView> current = interview.course().current();
        if (go.equals("again")) {
            rehearsals.remove(key(code, who));
            return "redirect:/q/" + code + "/rehearse";
        }
        if (go.startsWith("to:")) {
            return keep(draft, who, interview.backTo(go.substring(3)));
        }
        if (current.isEmpty() || !current.get().page().code().equals(form.getFirst("page"))) {
            return go.equals("back") ? keep(draft, who, interview.back()) : "redirect:/q/" + code + "/rehearse";
        }
        Map<String, Object> given = PageForm.answers(current.get(), form,
                request instanceof MultipartHttpServletRequest parts ? parts.getMultiFileMap() : new LinkedMultiValueMap<>(),
                file -> new Attachment("rehearsed-" + UUID.randomUUID(), String.valueOf(file.getOriginalFilename()), file.getSize(),
                        String.valueOf(file.getContentType())));
        if (go.equals("back")) {
            return keep(draft, who, interview.keep(given).back());
        }
        if (PageForm.changesEntries(form)) {
            return keep(draft, who, interview.keep(given));
        }
        Interview.Step step = interview.leave(given);
        rehearsals.put(key(code, who), new Rehearsal(draft.revision(), step.interview()));
        return switch (step) {
            case Interview.Step.Passed p -> "redirect:/q/" + code + "/rehearse";
            case Interview.Step.Appeared a ->
                show(draft, step.interview(), false, "These appeared: " + String.join(", ", a.slots()) + ".",
                        model);
            case Interview.Step.Held h -> {
                response.setStatus(422);
                yield show(draft, step.interview(), true, "", model);
            }
        };
    }

    private String keep(Draft draft, Principal who, Interview interview) {
        rehearsals.put(key(draft.code(), who), new Rehearsal(draft.revision(), interview));
        return "redirect:/q/" + draft.code() + "/rehearse";
    }

    /** Begins a rehearsal with the respondent that a claim shows. */
    @PostMapping("/witness")
    String witness(@PathVariable String code, @RequestParam String claim, Principal who) {
        Draft draft = frame.draft(code);
        Optional<Claim> found = proofs.of(draft).claims().stream().filter(c -> c.id().equals(claim)).findFirst();
        Optional<Map<String, Object>> answers = found.flatMap(c -> c.explanation().witness());
        if (answers.isPresent()) {
            Wiring wiring = Wiring.of(draft.document());
            Interview replayed = Replay.of(wiring, LocalDate.now(), answers.get(), stop(draft, found.get()));
            Map<String, Object> raw = new LinkedHashMap<>(replayed.raw());
            rehearsals.put(key(code, who), new Rehearsal(draft.revision(),
                    new Interview(wiring, replayed.today(), replayed.link(), raw, replayed.started(), replayed.passed())));
        }
        return "redirect:/q/" + code + "/rehearse";
    }

    /** The page that the claim is about, where it is about one, so that the rehearsal stops there. */
    private static String stop(Draft draft, Claim claim) {
        String head = claim.place().split("[./]")[0];
        boolean leaves = List.of("reach-skip", "reach-finish", "own", "one-outcome", "reach-outcome", "reach-row").contains(claim.kind());
        return leaves ? "" : draft.document().page(head).or(() -> draft.document().pageOf(head)).map(p -> p.code()).orElse("");
    }
}
