package orthogon.core.release;

import java.util.Collection;
import java.util.Optional;

/** Who may sign a revision, and whose signature lets somebody release it: always a second person. */
public final class Signing {

    private Signing() {}

    /**
     * Whether somebody may sign a revision.
     *
     * @param author of the revision
     * @param signed who signed it so far
     */
    public static boolean isAllowed(String person, String author, Collection<String> signed) {
        return !person.equals(author) && !signed.contains(person);
    }

    /**
     * The signature that counts when somebody releases a revision: of neither its author nor whoever releases it.
     *
     * @param signed who signed it, the earliest first
     */
    public static Optional<String> counting(String releasing, String author, Collection<String> signed) {
        return signed.stream().filter(s -> !s.equals(releasing) && !s.equals(author)).findFirst();
    }
}
