package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Who may sign in, what they may do, and the links by which they choose a password. */
@Component
public class PersonStore {

    private static final String SELECT = """
            select name, shown, email, password, role, administrator, disabled, second_factor, used_step, identity from person
            """;
    private static final String ROLES = """
            select r.person, q.code, r.role from person_role r join questionnaire q on q.id = r.questionnaire_id
            """;
    private static final String INSERT = """
            insert into person (name, shown, email, password, role, administrator, disabled, second_factor, used_step, made_at)
            values (:name, :shown, :email, :password, :role, :administrator, false, '', 0, :at)
            """;
    private static final String SET_ROLE = """
            insert into person_role (person, questionnaire_id, role) select :name, id, :role from questionnaire where code = :code
            """;
    private static final String LINK = "insert into person_link (digest, person, made_at, ends_at) values (:digest, :person, :at, :ends)";
    private static final String LINKED = "select person from person_link where digest = :digest and ends_at > :now";

    /**
     * @param name that they sign in with: small letters, digits, dots and the like
     * @param password hashed; empty until they have chosen one
     * @param role for every questionnaire; empty for none
     * @param secondFactor key of the codes; empty where there is none
     * @param identity account of an identity service; empty where they have used none
     * @param roles questionnaire code to role, besides that for every one
     */
    public record Person(String name, String shown, String email, String password, String role, boolean administrator, boolean disabled,
            String secondFactor, long usedStep, String identity, Map<String, String> roles) {

        /** Whether they have a way to prove who they are. */
        public boolean hasJoined() {
            return !password.isEmpty() || !identity.isEmpty();
        }
    }

    private final JdbcClient jdbc;

    public PersonStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public List<Person> all() {
        Map<String, Map<String, String>> roles = new HashMap<>();
        jdbc.sql(ROLES).query(row -> {
            roles.computeIfAbsent(row.getString("person"), n -> new HashMap<>()).put(row.getString("code"), row.getString("role"));
        });
        return jdbc.sql(SELECT + " order by shown, name").query((row, n) -> person(row, roles)).list();
    }

    private static Person person(ResultSet row, Map<String, Map<String, String>> roles) throws SQLException {
        String name = row.getString("name");
        return new Person(name, row.getString("shown"), row.getString("email"), row.getString("password"), row.getString("role"),
                row.getBoolean("administrator"), row.getBoolean("disabled"), row.getString("second_factor"), row.getLong("used_step"),
                row.getString("identity"), Map.copyOf(roles.getOrDefault(name, Map.of())));
    }

    /** @throws org.springframework.dao.DuplicateKeyException where the name is taken */
    public void add(String name, String shown, String email, String password, String role, boolean administrator) {
        jdbc.sql(INSERT).param("name", name).param("shown", shown).param("email", email).param("password", password).param("role", role)
                .param("administrator", administrator).param("at", OffsetDateTime.now()).update();
    }

    public void setRole(String name, String role, boolean administrator) {
        jdbc.sql("update person set role = :role, administrator = :administrator where name = :name").param("role", role)
                .param("administrator", administrator).param("name", name).update();
    }

    /** @param role empty for none but that for every questionnaire */
    public void setRole(String name, String questionnaire, String role) {
        jdbc.sql("delete from person_role where person = :name and questionnaire_id = (select id from questionnaire where code = :code)")
                .param("name", name).param("code", questionnaire).update();
        if (!role.isEmpty()) {
            jdbc.sql(SET_ROLE).param("name", name).param("role", role).param("code", questionnaire).update();
        }
    }

    public void disable(String name, boolean disabled) {
        jdbc.sql("update person set disabled = :disabled where name = :name").param("disabled", disabled).param("name", name).update();
    }

    /** Sets a password and uses up every link by which one could be chosen. */
    public void setPassword(String name, String hashed) {
        jdbc.sql("update person set password = :password where name = :name").param("password", hashed).param("name", name).update();
        jdbc.sql("delete from person_link where person = :name").param("name", name).update();
    }

    public void setSecondFactor(String name, String key) {
        jdbc.sql("update person set second_factor = :key, used_step = 0 where name = :name").param("key", key).param("name", name).update();
    }

    /** @param identity account of an identity service; empty for none */
    public void setIdentity(String name, String identity) {
        jdbc.sql("update person set identity = :identity where name = :name").param("identity", identity).param("name", name).update();
    }

    /** Uses the code of a half minute; false where that or a later one was used before. */
    public boolean useStep(String name, long step) {
        return jdbc.sql("update person set used_step = :step where name = :name and used_step < :step").param("step", step)
                .param("name", name).update() == 1;
    }

    /** A new link for choosing a password; it takes the place of earlier ones. Returns its last part. */
    public String link(String name, Duration good) {
        String token = RandomNames.hex(24);
        jdbc.sql("delete from person_link where person = :name").param("name", name).update();
        jdbc.sql(LINK).param("digest", Digests.plain(token)).param("person", name).param("at", OffsetDateTime.now())
                .param("ends", OffsetDateTime.now().plus(good)).update();
        return token;
    }

    /** The name of the person whom a link is for; empty where it was used or is too old. */
    public Optional<String> linked(String token) {
        return jdbc.sql(LINKED).param("digest", Digests.plain(token)).param("now", OffsetDateTime.now()).query(String.class).optional();
    }
}
