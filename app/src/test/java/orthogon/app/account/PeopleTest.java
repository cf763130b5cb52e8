package orthogon.app.account;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Map;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import org.junit.jupiter.api.Test;

class PeopleTest {

    private static Person person(String name, Role role, boolean disabled, Map<String, String> roles) {
        return new Person(name, name, name + "@example.org", "hash", role.name(), false, disabled, "", 0, "", roles);
    }

    /** A message may tell any answer. */
    @Test
    void onlyWhoMayReadPersonalAnswersIsWrittenTo() {
        PersonStore store = mock(PersonStore.class);
        when(store.all()).thenReturn(List.of(person("ines", Role.ANALYST, false, Map.of()), person("mirja", Role.REVIEWER, false, Map.of()),
                person("gone", Role.REVIEWER, true, Map.of()), person("osk", Role.VIEWER, false, Map.of()),
                person("safi", Role.TRANSLATOR, false, Map.of("herons", "REVIEWER"))));
        People people = new People(store);
        assertEquals(List.of("mirja@example.org", "safi@example.org"), people.addresses(List.of("role:reviewer"), "herons"));
        assertEquals(List.of("mirja@example.org"), people.addresses(List.of("role:reviewer"), "otters"));
        assertEquals(List.of("ines@example.org", "mirja@example.org"),
                people.addresses(List.of("mirja", "ines", "osk", "gone", "nobody", "role:reviewer"), "otters"));
        assertEquals(List.of(), people.addresses(List.of("role:viewer", "safi"), "otters"));
        assertEquals(List.of("role:analyst", "role:reviewer", "ines", "mirja", "safi"), List.copyOf(people.readers("herons").keySet()));
    }
}
