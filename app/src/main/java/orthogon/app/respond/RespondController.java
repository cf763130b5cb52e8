package orthogon.app.respond;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PageModel;
import orthogon.app.questions.Said;
import orthogon.app.storage.AttachmentStore;
import orthogon.app.storage.InterviewStore;
import orthogon.app.storage.InterviewStore.Running;
import orthogon.app.storage.ReleaseStore;
import orthogon.app.storage.ReleaseStore.Release;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Questionnaire;
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

@Controller
class RespondController {

    /** One line of the review: a question and its answer in words. */
    record Line(String page, String pageTitle, String wording, String answer, boolean first) {}

    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final AttachmentStore attachments;

    RespondController(ReleaseStore releases, InterviewStore interviews, AttachmentStore attachments) {
        this.releases = releases;
        this.interviews = interviews;
        this.attachments = attachments;
    }

    @GetMapping("/to/{token}")
    String welcome(@PathVariable String token, @RequestParam Map<String, String> link, Model model, HttpServletResponse response) {
        Optional<Release> release = releases.withToken(token);
        if (release.isEmpty()) {
            return nothing(model, response);
        }
        model.addAttribute("title", release.get().document().title());
        model.addAttribute("token", token);
        Map<String, String> known = new LinkedHashMap<>();
        release.get().document().arriving().stream().filter(p -> link.containsKey(p.code()))
                .forEach(p -> known.put(p.code(), link.get(p.code())));
        model.addAttribute("link", known);
        model.addAttribute("questions", release.get().document().questions().count());
        model.addAttribute("presentation", release.get().document().presentation());
        return "respond/welcome";
    }

    private static String nothing(Model model, HttpServletResponse response) {
        response.setStatus(404);
        model.addAttribute("title", "Nothing here");
        return "respond/nothing";
    }

    @PostMapping("/to/{token}")
    String begin(@PathVariable String token, @RequestParam Map<String, String> link, Model model, HttpServletResponse response) {
        Optional<Release> release = releases.withToken(token);
        if (release.isEmpty()) {
            return nothing(model, response);
        }
        Interview interview = Interview.start(release.get().wiring(), LocalDate.now(), link);
        return "redirect:/i/" + interviews.begin(release.get(), interview, OffsetDateTime.now()).id();
    }

    @GetMapping("/i/{id}")
    String page(@PathVariable String id, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        if (running.get().receipt().isPresent()) {
            return "redirect:/i/" + id + "/receipt";
        }
        Course course = running.get().interview().course();
        return course.complete() ? "redirect:/i/" + id + "/review" : page(running.get(), course.current().orElseThrow(), false, "", model);
    }

    private String page(Running running, Course.PageView view, boolean withErrors, String notice, Model model) {
        model.addAttribute("title", running.release().document().title());
        model.addAttribute("id", running.id());
        model.addAttribute("action", "/i/" + running.id());
        model.addAttribute("page",
                PageModel.of(view, running.release().document().presentation(), running.interview().today(), withErrors));
        model.addAttribute("canGoBack", !running.interview().passed().isEmpty());
        model.addAttribute("notice", notice);
        return themed(running, model, "respond/page");
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
        String posted = Optional.ofNullable(form.getFirst("page")).orElse("");
        // A page posted again after the browser's own way back is taken as going back to it.
        Interview interview = running.interview().backTo(posted);
        Optional<Course.PageView> current = interview.course().current();
        if (current.isEmpty() || !current.get().page().code().equals(posted)) {
            if (current.isEmpty()) {
                return "redirect:/i/" + id + "/review";
            }
            response.setStatus(409);
            return page(running, current.get(), false, "That was not the page you are on, so nothing was changed. Please go on here.",
                    model);
        }
        Map<String, Object> given = PageForm.answers(current.get(), form, files(request), attachments::keep);
        if ("back".equals(form.getFirst("go"))) {
            interviews.keep(id, interview.keep(given).back(), Optional.empty());
            return "redirect:/i/" + id;
        }
        if (PageForm.changesEntries(form)) {
            Interview changed = interview.keep(given);
            interviews.keep(id, changed, Optional.empty());
            return page(new Running(id, running.release(), changed, OffsetDateTime.now(), Optional.empty()),
                    changed.course().current().orElseThrow(), false, "", model);
        }
        Interview.Step step = interview.leave(given);
        interviews.keep(id, step.interview(), step instanceof Interview.Step.Passed ? Optional.of(posted) : Optional.empty());
        Running now = new Running(id, running.release(), step.interview(), OffsetDateTime.now(), Optional.empty());
        return switch (step) {
            case Interview.Step.Passed p -> "redirect:/i/" + id;
            case Interview.Step.Appeared a -> page(now, step.interview().course().current().orElseThrow(), false,
                    a.slots().size() == 1
                            ? "Your answers lead to one more question on this page."
                            : "Your answers lead to " + a.slots().size() + " more questions on this page.",
                    model);
            case Interview.Step.Held h -> {
                response.setStatus(422);
                yield page(now, step.interview().course().current().orElseThrow(), true, "", model);
            }
        };
    }

    private static MultiValueMap<String, MultipartFile> files(HttpServletRequest request) {
        return request instanceof MultipartHttpServletRequest parts ? parts.getMultiFileMap() : new LinkedMultiValueMap<>();
    }

    private static String themed(Running running, Model model, String view) {
        model.addAttribute("presentation", running.release().document().presentation());
        return view;
    }

    @GetMapping("/i/{id}/review")
    String review(@PathVariable String id, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        Course course = running.get().interview().course();
        if (running.get().receipt().isPresent() || !course.complete()) {
            return "redirect:/i/" + id;
        }
        model.addAttribute("title", running.get().release().document().title());
        model.addAttribute("id", id);
        model.addAttribute("lines", lines(course));
        return themed(running.get(), model, "respond/review");
    }

    private static List<Line> lines(Course course) {
        List<Line> lines = new java.util.ArrayList<>();
        for (Course.PageView page : course.pages()) {
            boolean first = true;
            for (Course.Shown shown : page.shown()) {
                if (shown.question().isPresent()) {
                    String said = Said.of(shown.question().get(), course.value(shown)).orElse("no answer")
                            + (shown.other().isEmpty() ? "" : ": " + shown.other());
                    String entry = shown.entry() == 0 ? "" : " (" + shown.entry() + ")";
                    lines.add(new Line(page.page().code(), page.page().title(), shown.wording() + entry, said, first));
                    first = false;
                }
            }
        }
        return lines;
    }

    /** From the review back to a page. */
    @PostMapping("/i/{id}/back")
    String back(@PathVariable String id, @RequestParam String page, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        if (running.get().receipt().isEmpty()) {
            interviews.keep(id, running.get().interview().backTo(page), Optional.empty());
        }
        return "redirect:/i/" + id;
    }

    @PostMapping("/i/{id}/send")
    String send(@PathVariable String id, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        if (running.get().receipt().isEmpty() && !running.get().interview().course().complete()) {
            return "redirect:/i/" + id;
        }
        interviews.sendOnce(running.get(), OffsetDateTime.now());
        return "redirect:/i/" + id + "/receipt";
    }

    @GetMapping("/i/{id}/receipt")
    String receipt(@PathVariable String id, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(model, response);
        }
        if (running.get().receipt().isEmpty()) {
            return "redirect:/i/" + id;
        }
        Course course = running.get().interview().course();
        Questionnaire document = running.get().release().document();
        Optional<Questionnaire.Outcome> outcome = course.outcome().flatMap(document::outcome);
        model.addAttribute("title", document.title());
        model.addAttribute("receipt", running.get().receipt().get());
        model.addAttribute("heading", outcome.map(Questionnaire.Outcome::label).orElse("Sent"));
        model.addAttribute("closing", outcome.map(Questionnaire.Outcome::closing).filter(c -> !c.isEmpty())
                .orElse("Thank you. Your answers have been sent."));
        model.addAttribute("lines", lines(course));
        model.addAttribute("redirect", outcome.map(Questionnaire.Outcome::redirect).orElse(""));
        return themed(running.get(), model, "respond/receipt");
    }
}
