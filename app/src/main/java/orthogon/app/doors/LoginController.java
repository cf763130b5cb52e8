package orthogon.app.doors;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The page on which people sign in. */
@Controller
class LoginController {

    private final IdentityServices services;

    LoginController(IdentityServices services) {
        this.services = services;
    }

    @GetMapping("/login")
    String login(Model model) {
        model.addAttribute("services", services.names());
        return "login";
    }
}
