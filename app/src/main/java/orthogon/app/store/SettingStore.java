package orthogon.app.store;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What the workspace asks for. */
@Component
public class SettingStore {

    private final JdbcClient jdbc;

    public SettingStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public boolean isYes(String name) {
        return jdbc.sql("select setting_value from setting where name = :name").param("name", name).query(String.class).optional()
                .filter("yes"::equals).isPresent();
    }

    public void set(String name, boolean yes) {
        jdbc.sql("merge into setting (name, setting_value) key (name) values (:name, :value)").param("name", name)
                .param("value", yes ? "yes" : "no").update();
    }
}
