package orthogon.app.respond;

import java.util.List;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.language.OwnWords;

/**
 * A language that a release can be read in.
 *
 * @param tag BCP 47
 * @param name in the language itself
 */
public record ReadableLanguage(String tag, String name, String direction, boolean spoken) {

    /** All of them; none where there is no choice. */
    static List<ReadableLanguage> of(Release release, String spoken) {
        return release.languages().size() < 2
                ? List.of()
                : release.languages().stream().map(tag -> new ReadableLanguage(tag, OwnWords.name(tag),
                        OwnWords.locale(tag).isRightToLeft() ? "rtl" : "ltr", tag.equals(spoken))).toList();
    }
}
