package orthogon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import orthogon.app.news.Live;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A sheet whose proof is not there yet says how far it is, opens by itself once it is there, and can stop it. */
@Controller
@ControllerAdvice
class ProvingController {

    private final Frame frame;
    private final Proofs proofs;
    private final Live live;
    private final Shown shown;

    ProvingController(Frame frame, Proofs proofs, Live live, Shown shown) {
        this.shown = shown;
        this.frame = frame;
        this.proofs = proofs;
        this.live = live;
    }

    /** How far the proof of a draft is. */
    record Going(int revision, String part, long seconds) {}

    @ExceptionHandler(Proofs.UnderWay.class)
    String underWay(HttpServletRequest request, Authentication who, Model model, HttpServletResponse response) {
        String[] path = request.getRequestURI().split("/");
        boolean page = request.getMethod().equals("GET") && request.getHeader("HX-Request") == null && path.length == 4;
        response.setStatus((page ? HttpStatus.ACCEPTED : HttpStatus.SERVICE_UNAVAILABLE).value());
        if (!page) {
            model.addAttribute("message", "The proof is still under way. Wait until the title block shows it, then try again.");
            model.addAttribute("status", response.getStatus());
            return "error";
        }
        Draft draft = frame.draft(path[2]);
        frame.fill(model, draft, path[3]);
        shown.fill(model, who);
        model.addAttribute("going", going(draft));
        return "proving";
    }

    private Going going(Draft draft) {
        long seconds = proofs.begun(draft).map(from -> Duration.between(from, Instant.now()).toSeconds()).orElse(0L);
        return new Going(draft.revision(), proofs.part(draft), seconds);
    }

    /** The line that says how far it is; the whole page is loaded again once the proof is there. */
    @GetMapping("/q/{code}/proving")
    String going(@PathVariable String code, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (proofs.ready(draft).isPresent()) {
            response.setHeader("HX-Refresh", "true");
        }
        model.addAttribute("code", code);
        model.addAttribute("going", going(draft));
        return "proving :: going";
    }

    @PostMapping("/q/{code}/proving/stop")
    String stop(@PathVariable String code, @RequestParam int revision) {
        Draft draft = frame.draft(code);
        if (draft.revision() == revision) {
            proofs.stop(draft);
        }
        return "redirect:/q/" + code + "/prove";
    }

    @PostMapping("/q/{code}/proving/again")
    String again(@PathVariable String code) {
        Draft draft = frame.draft(code);
        proofs.again(draft);
        live.announce(draft);
        return "redirect:/q/" + code + "/prove";
    }
}
