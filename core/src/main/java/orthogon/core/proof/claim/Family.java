package orthogon.core.proof.claim;

/** The families in which claims are listed. */
public enum Family {
    SOUND("Sound", "every code, reference and type fits"), REACH("Reach", "every page, question, option and outcome"), SENSE("Sense",
            "no condition is idle"), PASSAGE("Passage", "nobody can get stuck"), ENDING("Ending",
                    "one outcome on every path"), OWN("Own claims", "written for this questionnaire");

    private final String title;
    private final String says;

    Family(String title, String says) {
        this.title = title;
        this.says = says;
    }

    public String title() {
        return title;
    }

    public String says() {
        return says;
    }
}
