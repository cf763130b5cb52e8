package orthogon.app.view;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import org.springframework.ui.Model;

/** Puts what a page shows before its template. */
public final class Views {

    private Views() {}

    /** Each part of a page's model under its name. A part that is null is not there. */
    public static void show(Model model, Record view) {
        try {
            for (RecordComponent part : view.getClass().getRecordComponents()) {
                part.getAccessor().setAccessible(true);
                model.addAttribute(part.getName(), part.getAccessor().invoke(view));
            }
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(e);
        }
    }
}
