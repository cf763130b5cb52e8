package orthogon.app.frame;

import orthogon.app.account.People;
import org.springframework.security.core.Authentication;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every sheet knows of the person before it. */
@ControllerAdvice
class Shown {

    private final People people;

    Shown(People people) {
        this.people = people;
    }

    /** Whether the person may change drafts; fields are shut for all others. */
    @ModelAttribute("mayEdit")
    boolean mayEdit(Authentication who) {
        return who != null && people.may(who, "EDIT");
    }

    /** The same for the page of an error, whose model begins empty. */
    void fill(Model model, Authentication who) {
        model.addAttribute("mayEdit", mayEdit(who));
        model.addAttribute("mayTranslate", mayTranslate(who));
    }

    /** Whether the person may write texts in other languages. */
    @ModelAttribute("mayTranslate")
    boolean mayTranslate(Authentication who) {
        return who != null && people.may(who, "TRANSLATE");
    }
}
