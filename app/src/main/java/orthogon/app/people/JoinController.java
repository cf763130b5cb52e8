package orthogon.app.people;

import jakarta.servlet.http.HttpServletResponse;
import java.security.MessageDigest;
import java.util.Optional;
import orthogon.app.account.Passwords;
import orthogon.app.account.People;
import orthogon.app.http.NotThere;
import orthogon.app.store.PersonStore;
import orthogon.app.work.ManagePeople;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The first administrator, by the address that the log shows; and everybody who was sent a link for choosing a password. */
@Controller
class JoinController {

    private final ManagePeople manage;
    private final PersonStore store;
    private final People people;
    private final FirstStart firstStart;

    JoinController(ManagePeople manage, PersonStore store, People people, FirstStart firstStart) {
        this.manage = manage;
        this.store = store;
        this.people = people;
        this.firstStart = firstStart;
    }

    private void isFirst(String token) {
        boolean right = people.isEmpty() && MessageDigest.isEqual(token.getBytes(), firstStart.token().getBytes());
        if (!right) {
            throw new NotThere("This address was used, or Orthogon was started again since. Look for the newest one in the log.");
        }
    }

    @GetMapping("/first/{token}")
    String first(@PathVariable String token, Model model) {
        isFirst(token);
        model.addAttribute("least", Passwords.LEAST);
        return "first";
    }

    @PostMapping("/first/{token}")
    String first(@PathVariable String token, @RequestParam String name, @RequestParam String shown, @RequestParam String password,
            @RequestParam String again, Model model, HttpServletResponse response) {
        isFirst(token);
        try {
            manage.first(name.strip(), shown, password, again);
            return "redirect:/login?joined";
        } catch (Refused e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
            model.addAttribute("name", name);
            model.addAttribute("shown", shown);
            return first(token, model);
        }
    }

    @GetMapping("/join/{token}")
    String join(@PathVariable String token, Model model) {
        Optional<String> name = store.linked(token);
        model.addAttribute("name", name.orElseThrow(() -> new NotThere("This link was used or is too old. Ask for another.")));
        model.addAttribute("least", Passwords.LEAST);
        return "join";
    }

    @PostMapping("/join/{token}")
    String join(@PathVariable String token, @RequestParam String password, @RequestParam String again, Model model,
            HttpServletResponse response) {
        try {
            manage.join(token, password, again);
            return "redirect:/login?joined";
        } catch (Refused e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
            return join(token, model);
        }
    }
}
