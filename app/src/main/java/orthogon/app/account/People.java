package orthogon.app.account;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageRecipients;
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

    /**
     * The addresses of people who are named or have a role, each once. A message may tell any answer, so that whoever may not read
     * personal ones is left out.
     *
     * @param wanted names that they sign in with, and roles as {@code role:reviewer}
     */
    public List<String> addresses(List<String> wanted, String questionnaire) {
        return all().values().stream().filter(p -> wanted.contains(p.name()) || wanted.contains(roleIn(p, questionnaire)))
                .filter(p -> may(p.name(), Act.READ_PERSONAL, questionnaire)).sorted(Comparator.comparing(Person::name))
                .map(Person::email).filter(DispatchMessage::isAddress).distinct().toList();
    }

    /** Those who may read personal answers of a questionnaire, one by one and by role, as a message names them, with their words. */
    public Map<String, String> readers(String questionnaire) {
        Map<String, String> readers = new LinkedHashMap<>();
        Arrays.stream(Role.values()).filter(r -> r.may(Act.READ_PERSONAL))
                .forEach(r -> readers.put(MessageRecipients.ROLE + r.word(), named(MessageRecipients.ROLE + r.word())));
        all().values().stream().filter(p -> may(p.name(), Act.READ_PERSONAL, questionnaire)).sorted(Comparator.comparing(Person::shown))
                .forEach(p -> readers.put(p.name(), p.shown()));
        return readers;
    }

    /** Whether somebody is named, or has a role that is. */
    public boolean isAmong(String name, List<String> wanted, String questionnaire) {
        return find(name).filter(p -> wanted.contains(name) || wanted.contains(roleIn(p, questionnaire))).isPresent();
    }

    /** Somebody whom a message names, or everybody of a role, in words. */
    public String named(String wanted) {
        return wanted.startsWith(MessageRecipients.ROLE) ? "every " + wanted.substring(MessageRecipients.ROLE.length()) : shown(wanted);
    }

    private static String roleIn(Person person, String questionnaire) {
        return MessageRecipients.ROLE + person.roles().getOrDefault(questionnaire, person.role()).toLowerCase(Locale.ROOT);
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
