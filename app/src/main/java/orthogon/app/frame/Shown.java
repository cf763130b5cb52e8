package orthogon.app.frame;

import orthogon.app.account.People;
import org.springframework.security.core.Authentication;
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

    /** Whether the person may write texts in other languages. */
    @ModelAttribute("mayTranslate")
    boolean mayTranslate(Authentication who) {
        return who != null && people.may(who, "TRANSLATE");
    }
}
