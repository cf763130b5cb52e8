package orthogon.app.account;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who there is and what they may do, as it is now: what is changed holds for whoever is signed in as well. */
@Component("people")
public class People {

    private static final Pattern OF_QUESTIONNAIRE = Pattern.compile("/(?:q|desk)/([^/]+)(/.*)?");
    /** After this long the database is asked again, in case another program changed it. */
    private static final Duration KEPT = Duration.ofSeconds(5);

    private final PersonStore store;
    private volatile Known known;

    private record Known(Map<String, Person> byName, Instant at) {}

    public People(PersonStore store) {
        this.store = store;
    }

    private Map<String, Person> all() {
        Known now = known;
        if (now == null || now.at().plus(KEPT).isBefore(Instant.now())) {
            now = new Known(store.all().stream().collect(Collectors.toUnmodifiableMap(Person::name, Function.identity())), Instant.now());
            known = now;
        }
        return now.byName();
    }

    /** Forgets what is known, since somebody was changed. */
    public void changed() {
        known = null;
    }

    /** Whether nobody was ever added, so that the first administrator is still to come. */
    public boolean isEmpty() {
        return all().isEmpty();
    }

    public Optional<Person> find(String name) {
        return Optional.ofNullable(all().get(name));
    }

    /** The full name of a person, or the name itself where nobody is known by it. */
    public String shown(String name) {
        return find(name).map(Person::shown).orElse(name);
    }

    /** Whether somebody may do something where they are: to the questionnaire of the address, else to every one. */
    public boolean may(Authentication who, String act) {
        String path = RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? request.getRequest().getRequestURI()
                : "";
        return may(who.getName(), Act.valueOf(act), questionnaire(path));
    }

    /** Whether somebody may do something to a questionnaire. */
    public boolean mayIn(Authentication who, String questionnaire, String act) {
        return may(who.getName(), Act.valueOf(act), questionnaire);
    }

    /** The code of the questionnaire that an address belongs to; empty for none. */
    public static String questionnaire(String path) {
        Matcher matcher = OF_QUESTIONNAIRE.matcher(path);
        return matcher.matches() ? matcher.group(1) : "";
    }

    /** @param questionnaire code; empty for what is about none, or about every one */
    public boolean may(String name, Act act, String questionnaire) {
        Person person = find(name).filter(p -> !p.disabled()).orElse(null);
        if (person == null) {
            return false;
        }
        return switch (act) {
            case BE_HERE -> true;
            case ADMINISTER -> person.administrator();
            default -> Role.named(person.role()).filter(r -> r.may(act)).isPresent()
                    || Role.named(person.roles().getOrDefault(questionnaire, "")).filter(r -> r.may(act)).isPresent();
        };
    }
}
