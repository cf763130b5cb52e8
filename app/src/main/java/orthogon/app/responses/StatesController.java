package orthogon.app.responses;

import java.security.Principal;
import java.util.List;
import orthogon.app.work.NameStates;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the workspace calls the states of responses. */
@Controller
class StatesController {

    private final NameStates naming;

    StatesController(NameStates naming) {
        this.naming = naming;
    }

    @PostMapping("/workspace/states")
    String name(@RequestParam(defaultValue = "") List<String> label, Principal who, RedirectAttributes flash) {
        try {
            naming.name(label, who.getName());
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/";
    }
}
