package orthogon.app.store;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What the workspace asks for. */
@Component
public class SettingStore {

    /** Name of the setting with the labels of the states of responses. */
    public static final String RESPONSE_STATES = "response-states";

    static final String MERGE = """
            merge into setting using (select cast(:name as varchar(64)) as name) as given on setting.name = given.name
            when matched then update set setting_value = :value
            when not matched then insert (name, setting_value) values (:name, :value)
            """;

    private final JdbcClient jdbc;

    public SettingStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public boolean isYes(String name) {
        return jdbc.sql("select setting_value from setting where name = :name").param("name", name).query(String.class).optional()
                .filter("yes"::equals).isPresent();
    }

    /** The setting as a text; empty where it was never set. */
    public String text(String name) {
        return jdbc.sql("select setting_value from setting where name = :name").param("name", name).query(String.class).optional()
                .orElse("");
    }

    public void set(String name, boolean yes) {
        set(name, yes ? "yes" : "no");
    }

    /** @param value of at most 400 characters */
    public void set(String name, String value) {
        jdbc.sql(MERGE).param("name", name).param("value", value).update();
    }
}
