package orthogon.app.background;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Duration;
import orthogon.app.http.NotThere;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The page that tells how far long work is, and takes over when it is done. */
@Controller
@ControllerAdvice
class WorkController {

    private final Works works;

    WorkController(Works works) {
        this.works = works;
    }

    private Work work(String id, Principal who) {
        return works.find(id, who.getName())
                .orElseThrow(() -> new NotThere("This work is not kept any more. Go back and begin it again."));
    }

    private void fill(Work work, Model model) {
        model.addAttribute("work", work);
        model.addAttribute("refusal",
                work.state().equals("done") && work.result(Duration.ZERO).orElseThrow() instanceof Result.Refusal r ? r : null);
    }

    @GetMapping("/work/{id}")
    String page(@PathVariable String id, Principal who, Model model) {
        fill(work(id, who), model);
        return "work";
    }

    /** The lines that say how far it is; once it is done, they lead on by themselves. */
    @GetMapping("/work/{id}/going")
    String going(@PathVariable String id, Principal who, Model model) {
        fill(work(id, who), model);
        return "work :: going";
    }

    @GetMapping("/work/{id}/result")
    ResponseEntity<Object> result(@PathVariable String id, Principal who) {
        Work work = work(id, who);
        if (!work.state().equals("done")) {
            throw new NotThere("There is nothing here: the work is " + work.state() + ".");
        }
        return Works.answer(work, work.result(Duration.ZERO).orElseThrow());
    }

    @ExceptionHandler(Works.TooMany.class)
    String tooMany(Works.TooMany refused, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
        model.addAttribute("message", refused.getMessage());
        model.addAttribute("status", response.getStatus());
        return "error";
    }

    @PostMapping("/work/{id}/stop")
    String stop(@PathVariable String id, Principal who) {
        Work work = work(id, who);
        work.stop();
        return "redirect:" + work.back();
    }
}
