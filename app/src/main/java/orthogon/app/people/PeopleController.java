package orthogon.app.people;

import orthogon.app.account.People;
import orthogon.app.account.Role;
import orthogon.app.account.SecondFactor;
import orthogon.app.account.SignedIn;
import orthogon.app.http.NotThere;
import orthogon.app.store.DraftStore;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.view.Views;
import orthogon.app.work.ManagePeople;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.contact.Contacts;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The sheet of people, for administrators. */
@Controller
@RequestMapping("/people")
class PeopleController {

    /**
     * One person as listed.
     *
     * @param state invited, active, or shut out
     * @param own codes of questionnaires with a role for that one, in words
     */
    record PersonRow(String name, String shown, String email, String role, boolean administrator, String state, boolean hasSecondFactor,
            boolean hasIdentity,
            int sessions, String own) {}

    /** Everybody who may sign in. */
    record PeopleView(List<PersonRow> rows, Role[] roles, boolean demanded) {}

    /** One person with the roles for single questionnaires. */
    record PersonView(PersonRow person, Map<String, String> own, Map<String, String> questionnaires, List<Role> roles) {}

    private final PersonStore store;
    private final People people;
    private final ManagePeople manage;
    private final SignedIn signedIn;
    private final SecondFactor secondFactor;
    private final DraftStore drafts;

    PeopleController(PersonStore store, People people, ManagePeople manage, SignedIn signedIn, SecondFactor secondFactor,
            DraftStore drafts) {
        this.store = store;
        this.people = people;
        this.manage = manage;
        this.signedIn = signedIn;
        this.secondFactor = secondFactor;
        this.drafts = drafts;
    }

    private interface PeopleAct {
        void done() throws Refused;
    }

    @GetMapping
    String list(Model model) {
        Views.show(model, new PeopleView(store.all().stream().map(this::row).toList(), Role.values(), secondFactor.isDemanded()));
        return "people";
    }

    private PersonRow row(Person p) {
        String own = String.join(", ", new TreeMap<>(p.roles()).entrySet().stream()
                .map(r -> r.getKey() + " (" + r.getValue().toLowerCase(Locale.ROOT) + ")").toList());
        return new PersonRow(p.name(), p.shown(), p.email(), p.role(), p.administrator(),
                p.disabled() ? "shut out" : p.hasJoined() ? "active" : "invited", !p.secondFactor().isEmpty(),
                !p.identity().isEmpty(),
                signedIn.of(p.name(), "").size(), own);
    }

    @GetMapping("/{name}")
    String one(@PathVariable String name, Model model) {
        Person person = people.find(name).orElseThrow(() -> new NotThere("There is nobody with the name “" + name + "”."));
        Map<String, String> questionnaires = new TreeMap<>();
        drafts.all().forEach(d -> questionnaires.put(d.code(), d.document().title()));
        Views.show(model, new PersonView(row(person), person.roles(), questionnaires, Arrays.asList(Role.values())));
        return "person";
    }

    @PostMapping
    String invite(@RequestParam String name, @RequestParam String shown, @RequestParam String email,
            @RequestParam(defaultValue = "") String role, @RequestParam(defaultValue = "false") boolean administrator, Principal who,
            Model model, HttpServletResponse response) {
        try {
            Optional<String> address = Contacts.read(new ContactAnswer(ContactAnswer.Standard.EMAIL, ""), email);
            if (address.isEmpty()) {
                throw new Refused("“" + email.strip() + "” is not an email address.");
            }
            manage.invite(name.strip(), shown, address.get(), role, administrator, who.getName());
            return "redirect:/people";
        } catch (Refused e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
            model.addAttribute("typed", List.of(name, shown, email));
            return list(model);
        }
    }

    private String done(String name, PeopleAct act, RedirectAttributes flash) {
        try {
            act.done();
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/people/" + name;
    }

    @PostMapping("/{name}/role")
    String role(@PathVariable String name, @RequestParam(defaultValue = "") String role,
            @RequestParam(defaultValue = "false") boolean administrator, Principal who, RedirectAttributes flash) {
        return done(name, () -> manage.setRole(name, role, administrator, who.getName()), flash);
    }

    @PostMapping("/{name}/own")
    String own(@PathVariable String name, @RequestParam String questionnaire, @RequestParam(defaultValue = "") String role, Principal who,
            RedirectAttributes flash) {
        return done(name, () -> manage.setRole(name, questionnaire, role, who.getName()), flash);
    }

    @PostMapping("/{name}/{act:disable|enable|reset|end|factor|identity}")
    String act(@PathVariable String name, @PathVariable String act, Principal who, RedirectAttributes flash) {
        return done(name, () -> {
            switch (act) {
                case "reset" -> manage.reset(name, who.getName());
                case "end" -> manage.endSessions(name, who.getName());
                case "identity" -> manage.dropIdentity(name, who.getName());
                case "factor" -> manage.dropSecondFactor(name, who.getName());
                default -> manage.disable(name, act.equals("disable"), who.getName());
            }
        }, flash);
    }

    @PostMapping("/second-factor")
    String demand(@RequestParam(defaultValue = "false") boolean demanded, Principal who) {
        if (demanded != secondFactor.isDemanded()) {
            manage.demandSecondFactor(demanded, who.getName());
        }
        return "redirect:/people";
    }
}
