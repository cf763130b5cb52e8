package orthogon.app.people;

import java.util.List;
import orthogon.app.account.Passwords;
import orthogon.app.account.People;
import orthogon.app.account.SecondFactor;
import orthogon.app.account.SignedIn;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.view.Views;
import orthogon.app.work.ManagePeople;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.link.QrCode;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import java.time.ZoneId;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One's own account: password, second factor, sessions. */
@Controller
@RequestMapping("/me")
class OwnAccountController {

    /** One session as listed. */
    record SessionLine(String key, String address, String browser, String since, String last, boolean isThis) {}

    /** The key of a second factor that is offered and not yet taken. */
    private static final String OFFERED = "offered-key";

    /** One's own account. */
    record AccountView(Person person, int least, boolean demanded, List<SessionLine> sessions) {}

    private final People people;
    private final ManagePeople manage;
    private final SignedIn signedIn;
    private final SecondFactor secondFactor;

    OwnAccountController(People people, ManagePeople manage, SignedIn signedIn, SecondFactor secondFactor) {
        this.people = people;
        this.manage = manage;
        this.signedIn = signedIn;
        this.secondFactor = secondFactor;
    }

    private interface OwnAct {
        void done() throws Refused;
    }

    @GetMapping
    String account(Principal who, HttpSession session, Model model) {
        Person person = people.find(who.getName()).orElseThrow(() -> new NotThere("This account is gone."));
        Views.show(model,
                new AccountView(person, Passwords.LEAST, secondFactor.isDemanded(),
                        signedIn.of(who.getName(), session.getId()).stream()
                                .map(s -> new SessionLine(s.key(), s.address(), s.browser(),
                                        Frame.when(s.since().atZone(ZoneId.systemDefault()).toOffsetDateTime()),
                                        Frame.when(s.last().atZone(ZoneId.systemDefault()).toOffsetDateTime()), s.isThis()))
                                .toList()));
        if (person.secondFactor().isEmpty()) {
            String key = session.getAttribute(OFFERED) instanceof String offered ? offered : SecondFactor.newKey();
            session.setAttribute(OFFERED, key);
            model.addAttribute("key", key.replaceAll("(.{4})", "$1 ").strip());
            model.addAttribute("qr", QrCode.of(SecondFactor.address(key, who.getName())).svg());
        }
        return "me";
    }

    private String done(OwnAct act, String done, Principal who, HttpSession session, Model model, HttpServletResponse response) {
        try {
            act.done();
            model.addAttribute("done", done);
        } catch (Refused e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
        }
        return account(who, session, model);
    }

    @PostMapping("/password")
    String password(@RequestParam String now, @RequestParam String password, @RequestParam String again, Principal who,
            HttpSession session, Model model, HttpServletResponse response) {
        return done(() -> manage.changePassword(who.getName(), now, password, again, session.getId()),
                "Your password is changed, and your other sessions are ended.", who, session, model, response);
    }

    @PostMapping("/second-factor")
    String add(@RequestParam String code, Principal who, HttpSession session, Model model, HttpServletResponse response) {
        return done(() -> {
            if (!(session.getAttribute(OFFERED) instanceof String key)) {
                throw new Refused("The page was open too long. Scan the code that is shown now.");
            }
            manage.addSecondFactor(who.getName(), key, code);
            session.removeAttribute(OFFERED);
        }, "From now on you are asked for a code as well when you sign in.", who, session, model, response);
    }

    @PostMapping("/second-factor/remove")
    String remove(@RequestParam String password, Principal who, HttpSession session, Model model, HttpServletResponse response) {
        return done(() -> manage.removeSecondFactor(who.getName(), password), "Your second factor is removed.", who, session, model,
                response);
    }

    @PostMapping("/sessions/{key}/end")
    String end(@PathVariable String key, Principal who) {
        signedIn.end(who.getName(), key);
        return "redirect:/me";
    }
}
