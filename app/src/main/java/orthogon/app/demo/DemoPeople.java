package orthogon.app.demo;

import java.util.List;
import orthogon.app.account.Passwords;
import orthogon.app.account.People;
import orthogon.app.account.Role;
import orthogon.app.store.PersonStore;
import org.springframework.stereotype.Component;

/** The made-up people of Quillmere Wildlife Station. Everybody's password is {@code quillmere}, in the demo and nowhere else. */
@Component
public class DemoPeople {

    private record Person(String name, String shown, Role role, boolean administrator) {}

    private static final List<Person> PEOPLE = List.of(new Person("ines", "Ines Tallow", Role.ANALYST, true),
            new Person("jory", "Jory Penhale", Role.ANALYST, false), new Person("mirja", "Mirja Oland", Role.REVIEWER, false),
            new Person("safi", "Safi Thorne", Role.TRANSLATOR, false), new Person("osk", "Osk Verrin", Role.VIEWER, false));

    private final PersonStore store;
    private final Passwords passwords;
    private final People people;

    DemoPeople(PersonStore store, Passwords passwords, People people) {
        this.people = people;
        this.store = store;
        this.passwords = passwords;
    }

    /** Adds them where there is nobody. */
    public void come() {
        if (store.all().isEmpty()) {
            String hashed = passwords.hash("quillmere");
            PEOPLE.forEach(p -> store.add(p.name(), p.shown(), p.name() + "@example.org", hashed, p.role().name(), p.administrator()));
            people.changed();
        }
    }
}
