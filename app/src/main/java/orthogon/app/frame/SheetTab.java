package orthogon.app.frame;

import java.util.List;
import java.util.function.Predicate;
import orthogon.app.account.Act;
import orthogon.app.store.DraftStore.Draft;

/**
 * A sheet of a questionnaire, as its own package registers it. The tabs, the keys, the scripts, the tip and the door to it follow from this.
 *
 * @param key digit that leads to it; the tabs stand in this order
 * @param name last part of its address, and the name of its template
 * @param title that people read
 * @param act that somebody must be allowed to do to open it
 * @param scripts paths of what it runs besides what every sheet runs
 * @param tip what it is for, said at a first visit
 * @param isEmpty whether it has nothing to show of a draft yet; it then gives its tip
 */
public record SheetTab(int key, String name, String title, Act act, List<String> scripts, String tip, Predicate<Draft> isEmpty) {

    /** A sheet that whoever may look at a questionnaire may open, and that is empty while no question is there. */
    public static SheetTab of(int key, String name, String title, String tip) {
        return new SheetTab(key, name, title, Act.LOOK, List.of(), tip, draft -> draft.document().questions().findAny().isEmpty());
    }

    public SheetTab behind(Act needed) {
        return new SheetTab(key, name, title, needed, scripts, tip, isEmpty);
    }

    public SheetTab running(String... paths) {
        return new SheetTab(key, name, title, act, List.of(paths), tip, isEmpty);
    }

    public SheetTab emptyWhen(Predicate<Draft> empty) {
        return new SheetTab(key, name, title, act, scripts, tip, empty);
    }
}
