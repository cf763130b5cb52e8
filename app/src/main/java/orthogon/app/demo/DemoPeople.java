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

    private record DemoPerson(String name, String shown, Role role, boolean administrator) {}

    private static final List<DemoPerson> PEOPLE = List.of(new DemoPerson("ines", "Ines Tallow", Role.ANALYST, true),
            new DemoPerson("jory", "Jory Penhale", Role.ANALYST, false), new DemoPerson("mirja", "Mirja Oland", Role.REVIEWER, false),
            new DemoPerson("safi", "Safi Thorne", Role.TRANSLATOR, false), new DemoPerson("osk", "Osk Verrin", Role.VIEWER, false));

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
        return PEOPLE.stream().collect(Collectors.toMap(DemoPerson::name, DemoPerson::shown, (a, b) -> a, LinkedHashMap::new));
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
