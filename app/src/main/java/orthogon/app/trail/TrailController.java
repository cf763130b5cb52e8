package orthogon.app.trail;

import java.security.Principal;
import orthogon.app.store.AuditStore;
import orthogon.app.store.SignOffStore;
import orthogon.app.work.Acts;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class TrailController {

    private static final int MOST = 500;

    private final AuditStore audit;
    private final SignOffStore signOffs;
    private final Acts acts;

    TrailController(AuditStore audit, SignOffStore signOffs, Acts acts) {
        this.acts = acts;
        this.audit = audit;
        this.signOffs = signOffs;
    }

    @GetMapping("/trail")
    String trail(Model model) {
        model.addAttribute("lines", audit.newest(MOST));
        model.addAttribute("broken", audit.firstBroken(MOST));
        return "trail";
    }

    /** What the workspace asks for. */
    @PostMapping("/workspace")
    String workspace(@RequestParam(defaultValue = "false") boolean signOff, Principal who) {
        if (signOff != signOffs.isNeeded()) {
            acts.noted(who.getName(), Acts.WORKSPACE,
                    signOff ? "requires a second person's signature" : "no longer requires a second person's signature",
                    () -> signOffs.need(signOff));
        }
        return "redirect:/";
    }
}
