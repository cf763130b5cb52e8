package orthogon.app.respond;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orthogon.app.proving.Ahead;
import orthogon.app.questions.Drawn;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.Turn;
import orthogon.app.questions.Voice;
import orthogon.app.storage.AttachmentStore;
import orthogon.app.storage.InterviewStore;
import orthogon.app.storage.InterviewStore.Running;
import orthogon.app.storage.InvitationStore;
import orthogon.app.storage.InvitationStore.Invitation;
import orthogon.app.storage.ReleaseStore;
import orthogon.app.storage.ReleaseStore.Release;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;

/** From the link to the last page. */
@Controller
class RespondController {

    /** A box that people do not see; whoever fills it in is none. */
    private static final String TRAP = "~website";
    private static final String REVIEW = "review";

    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final AttachmentStore attachments;
    private final Ahead ahead;
    private final Pace pace;

    RespondController(ReleaseStore releases, InterviewStore interviews, InvitationStore invitations, AttachmentStore attachments,
            Ahead ahead, Pace pace) {
        this.releases = releases;
        this.interviews = interviews;
        this.invitations = invitations;
        this.attachments = attachments;
        this.ahead = ahead;
        this.pace = pace;
    }

    /** The release that a link leads to: its own, or the newest where the link is an invitation. */
    private Optional<Release> release(String token, Optional<Invitation> invitation) {
        return invitation.isPresent()
                ? releases.of(invitation.get().questionnaireId()).stream().findFirst()
                : releases.withToken(token);
    }

    @GetMapping("/to/{token}")
    String welcome(@PathVariable String token, @RequestParam Map<String, String> link, Model model, HttpServletResponse response) {
        Optional<Invitation> invitation = invitations.withToken(token);
        if (invitation.flatMap(Invitation::interview).isPresent()) {
            return "redirect:/i/" + invitation.get().interview().get();
        }
        Optional<Release> release = release(token, invitation);
        return release.isEmpty() ? nothing(model, response) : welcome(release.get(), token, link, "", model);
    }

    private String welcome(Release release, String token, Map<String, String> link, String message, Model model) {
        ahead.prepare(release.wiring(), LocalDate.now());
        Map<String, String> known = new LinkedHashMap<>();
        release.document().arriving().stream().filter(p -> link.containsKey(p.code()))
                .forEach(p -> known.put(p.code(), link.get(p.code())));
        Voice voice = Voice.of(Interview.start(release.wiring(), LocalDate.now(), known));
        var presentation = release.document().presentation();
        model.addAttribute("title", voice.plain(release.document().title()));
        model.addAttribute("heading", voice.inline(presentation.welcome().heading()));
        model.addAttribute("text", voice.block(presentation.welcome().text()));
        model.addAttribute("token", token);
        model.addAttribute("link", known);
        model.addAttribute("message", message);
        model.addAttribute("presentation", presentation);
        model.addAttribute("lang", voice.language());
        model.addAttribute("dir", voice.direction());
        return "respond/welcome";
    }

    static String nothing(Model model, HttpServletResponse response) {
        response.setStatus(404);
        model.addAttribute("title", "Nothing here");
        return "respond/nothing";
    }

    @PostMapping("/to/{token}")
    String begin(@PathVariable String token, @RequestParam Map<String, String> link, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Invitation> invitation = invitations.withToken(token);
        if (invitation.flatMap(Invitation::interview).isPresent()) {
            return "redirect:/i/" + invitation.get().interview().get();
        }
        Optional<Release> release = release(token, invitation);
        if (release.isEmpty()) {
            return nothing(model, response);
        }
        if (!link.getOrDefault(TRAP, "").isBlank()) {
            response.setStatus(422);
            return welcome(release.get(), token, link, "A box that should stay empty was filled in. Please press the button again.", model);
        }
        if (!pace.mayBegin(request.getRemoteAddr())) {
            response.setStatus(429);
            response.setHeader("Retry-After", "60");
            return welcome(release.get(), token, link, "Many people began from your address just now. Please try again in a minute.",
                    model);
        }
        Interview interview = Interview.start(release.get().wiring(), LocalDate.now(), link);
        String id = interviews.begin(release.get(), interview, OffsetDateTime.now()).id();
        if (invitation.isPresent() && !invitations.use(token, id)) {
            return "redirect:/to/" + token;
        }
        return "redirect:/i/" + id;
    }

    @GetMapping("/i/{id}")
    String page(@PathVariable String id, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String from, Model model, HttpServletResponse response) {
        model.addAttribute("from", from.equals(REVIEW) ? REVIEW : "");
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        if (running.get().receipt().isPresent()) {
            return "redirect:/i/" + id + "/receipt";
        }
        return running.get().interview().course().complete() ? "redirect:/i/" + id + "/review" : draw(running.get(), at, false, "", model);
    }

    private String draw(Running running, String at, boolean withErrors, String notice, Model model) {
        interviews.reached(running, fill(running, at, withErrors, notice, model));
        return "respond/page";
    }

    private int fill(Running running, String at, boolean withErrors, String notice, Model model) {
        Interview interview = running.interview();
        model.addAttribute("title", running.release().document().title());
        model.addAttribute("id", running.id());
        model.addAttribute("presentation", running.release().document().presentation());
        model.addAttribute("withLater", true);
        return Drawn.page(interview, "/i/" + running.id(), at, withErrors, notice, seed(running.id()), running.furthest(),
                ahead.of(interview), model);
    }

    private static long seed(String id) {
        return id.hashCode();
    }

    private static Running with(Running running, Interview interview) {
        return new Running(running.id(), running.release(), interview, OffsetDateTime.now(), Optional.empty(), running.furthest());
    }

    @PostMapping("/i/{id}")
    String answer(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Running> found = interviews.find(id);
        if (found.isEmpty()) {
            return nothing(model, response);
        }
        Running running = found.get();
        if (running.receipt().isPresent()) {
            return "redirect:/i/" + id + "/receipt";
        }
        String posted = Optional.ofNullable(form.getFirst(PageForm.PAGE)).orElse("");
        // A page posted again after the browser's own way back is taken as going back to it.
        Interview interview = running.interview().backTo(posted);
        Optional<Course.PageView> current = interview.course().current();
        if (current.isEmpty() || !current.get().page().code().equals(posted)) {
            if (current.isEmpty()) {
                return "redirect:/i/" + id + "/review";
            }
            response.setStatus(409);
            return draw(with(running, interview), "", false, "That was not the page you are on, so nothing was changed. Please go on here.",
                    model);
        }
        Map<String, Object> given = PageForm.answers(current.get(), form, files(request), attachments::keep);
        if ("later".equals(form.getFirst(PageForm.GO))) {
            interviews.keep(id, interview.keep(given), Optional.empty());
            return "redirect:/i/" + id + "/later";
        }
        boolean fromReview = REVIEW.equals(form.getFirst(PageForm.FROM));
        model.addAttribute("from", fromReview ? REVIEW : "");
        Turn turn = Turn.of(interview, given, form);
        if (fromReview && turn instanceof Turn.Moved m && m.passed().isPresent()) {
            turn = new Turn.Moved(m.interview().asFarAsMet(), m.passed(), "");
        }
        if (!(turn instanceof Turn.Warned)) {
            interviews.keep(id, turn.interview(), turn instanceof Turn.Moved m ? m.passed() : Optional.empty());
        }
        return switch (turn) {
            case Turn.Moved m -> "redirect:/i/" + id + (m.at().isEmpty() ? "" : "?at=" + m.at());
            case Turn.Again a -> {
                response.setStatus(a.refused() ? 422 : 200);
                yield draw(with(running, a.interview()), a.at(), a.refused(), a.notice(), model);
            }
            case Turn.Warned w -> {
                response.setStatus(409);
                Drawn.warned(w, interview, Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next"), model);
                fill(with(running, w.interview()), w.at(), false, "", model);
                yield "respond/page";
            }
        };
    }

    /** The page as it would be with what is on it now; nothing is kept. */
    @PostMapping("/i/{id}/live")
    String live(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id).filter(r -> r.receipt().isEmpty());
        String posted = Optional.ofNullable(form.getFirst(PageForm.PAGE)).orElse("");
        Optional<Interview> interview = running.map(r -> r.interview().backTo(posted));
        Optional<Course.PageView> current = interview.flatMap(i -> i.course().current()).filter(p -> p.page().code().equals(posted));
        if (current.isEmpty()) {
            response.setStatus(409);
            return "respond/nothing";
        }
        model.addAttribute("from", Optional.ofNullable(form.getFirst(PageForm.FROM)).filter(REVIEW::equals).orElse(""));
        Map<String, Object> given = PageForm.soFar(current.get(), form);
        fill(with(running.get(), interview.get().keep(given)), Optional.ofNullable(form.getFirst(PageForm.AT)).orElse(""), false, "",
                model);
        return "questions :: page";
    }

    private static MultiValueMap<String, MultipartFile> files(HttpServletRequest request) {
        return request instanceof MultipartHttpServletRequest parts ? parts.getMultiFileMap() : new LinkedMultiValueMap<>();
    }
}
