package orthogon.app.demo;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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

    /** Full name of each person by the name that they sign in with. */
    public static Map<String, String> names() {
        return PEOPLE.stream().collect(Collectors.toMap(Person::name, Person::shown, (a, b) -> a, LinkedHashMap::new));
    }

    /** The address of one of them. */
    public static String email(String name) {
        return name + "@example.org";
    }

    /** Adds them where there is nobody. */
    public void come() {
        if (store.all().isEmpty()) {
            String hashed = passwords.hash("quillmere");
            PEOPLE.forEach(p -> store.add(p.name(), p.shown(), email(p.name()), hashed, p.role().name(), p.administrator()));
            people.changed();
        }
    }
}
