package orthogon.app.doors;

import orthogon.app.account.Act;
import orthogon.app.frame.SheetTab;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.springframework.http.HttpMethod;

/**
 * What is behind an address: the first door that fits counts. An address that no door fits is open to nobody.
 *
 * @param method empty for any
 * @param path as Spring's path patterns
 */
public record Door(HttpMethod method, String path, Act act) {

    /** Every door, in the order in which they are tried. */
    public static List<Door> all(Collection<SheetTab> sheets) {
        List<Door> doors = new ArrayList<>();
        sheets.stream().filter(s -> s.act() != Act.LOOK)
                .forEach(s -> get(doors, s.act(), "/q/*/" + s.name() + "/**", "/q/*/" + s.name()));
        get(doors, Act.READ_TRAIL, "/outbox", "/outbox/*/html", "/outbox/*/files/*", "/trail");
        get(doors, Act.RELEASE, "/q/*/release/invitations/file.csv");
        get(doors, Act.BE_HERE, "/");
        get(doors, Act.LOOK, "/q/**");
        get(doors, Act.BE_HERE, "/work/*", "/work/*/going", "/work/*/result");
        post(doors, Act.BE_HERE, "/work/*/stop");
        post(doors, Act.REHEARSE, "/q/*/rehearse/**", "/q/*/rehearse", "/q/*/compose/fold");
        post(doors, Act.TRANSLATE, "/q/*/languages/keep", "/q/*/languages/check", "/q/*/languages/note", "/q/*/languages/replace",
                "/q/*/languages/import", "/q/*/languages/take");
        post(doors, Act.EDIT, "/q/*/languages/add", "/q/*/languages/strike", "/q/*/compose/**", "/q/*/dispatch/**", "/q/*/rules/**",
                "/q/*/prove/**",
                "/q/*/proving/*");
        post(doors, Act.BEGIN, "/new", "/starter", "/open");
        get(doors, Act.ADMINISTER, "/people", "/people/*");
        post(doors, Act.ADMINISTER, "/people", "/people/**");
        get(doors, Act.BE_HERE, "/me", "/me/**");
        post(doors, Act.BE_HERE, "/me/**", "/logout");
        post(doors, Act.RELEASE, "/desk/*/archive", "/desk/*/remove");
        post(doors, Act.READ_RESPONSES, "/q/*/responses/sentence", "/q/*/responses/file.*", "/q/*/responses/columns",
                "/q/*/responses/views",
                "/q/*/responses/views/remove");
        post(doors, Act.ERASE_RESPONSES, "/q/*/responses/erase", "/q/*/responses/keeping");
        post(doors, Act.WORK_ON_RESPONSES, "/q/*/responses/chosen", "/q/*/responses/*/mark", "/q/*/responses/*/note",
                "/q/*/responses/*/again");
        post(doors, Act.WORK_ON_RESPONSES, "/q/*/responses/cases/*/withdraw", "/q/*/responses/cases/*/open");
        // Who of them answers and decides is said by the follow-up.
        post(doors, Act.READ_RESPONSES, "/q/*/responses/cases/*/decide", "/q/*/responses/cases/*/answer");
        post(doors, Act.REMARK, "/q/*/remarks/**", "/q/*/remarks");
        post(doors, Act.SIGN, "/q/*/release/sign");
        post(doors, Act.RELEASE, "/q/*/release/**", "/q/*/release", "/q/*/responses/rows");
        post(doors, Act.SET_UP, "/workspace", "/workspace/states", "/outbox/*/again");
        return List.copyOf(doors);
    }

    private static void get(List<Door> doors, Act act, String... paths) {
        for (String path : paths) {
            doors.add(new Door(HttpMethod.GET, path, act));
        }
    }

    private static void post(List<Door> doors, Act act, String... paths) {
        for (String path : paths) {
            doors.add(new Door(HttpMethod.POST, path, act));
        }
    }
}
