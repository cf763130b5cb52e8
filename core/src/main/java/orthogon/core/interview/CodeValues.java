package orthogon.core.interview;

/** What every code means as an interview stands: for texts that speak of earlier answers. Not safe for several threads. */
public final class CodeValues {

    private final Walk walk;
    private final Course course;

    private CodeValues(Walk walk, Course course) {
        this.walk = walk;
        this.course = course;
    }

    public static CodeValues of(Interview interview) {
        Walk walk = new Walk(interview);
        return new CodeValues(walk, walk.walk());
    }

    public Course course() {
        return course;
    }

    /** The value outside of rosters; null for blank. */
    public Object value(String code) {
        return value(code, "", 0);
    }

    /**
     * The value in an entry, where names of its roster mean this entry; null for blank.
     *
     * @param entry number of the entry in its roster, from 1
     */
    public Object value(String code, String roster, int entry) {
        walk.stand(roster, entry);
        Object value = walk.value(code);
        walk.stand("", 0);
        return value;
    }
}
