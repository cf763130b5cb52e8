package orthogon.core.proof.claim;

/** The families in which claims are listed. */
public enum Family {
    SOUND("Sound", "every code, reference and type fits"), REACH("Reach", "every page, question, option and outcome"), SENSE("Sense",
            "every condition makes a difference"), BLANK("Blank", "no condition depends on a blank answer unnoticed"), PASSAGE("Passage",
                    "nobody can get stuck"), LIMITS("Limits", "the settings of each answer allow some answer"), ENDING("Ending",
                            "one outcome on every path"), TEXT("Text", "no text shows a gap"), DEFAULT("Preset answers",
                                    "no answer is sent that nobody gave"), KEEPING("Lost answers",
                                            "no answer is lost by changing another"), LANGUAGE(
                                                    "Languages", "every text is translated and current"), BURDEN("Burden",
                                                            "no route asks too much"), DISPATCH("Dispatch",
                                                                    "every message has somebody to go to"), LOOKUP("Lookups",
                                                                            "records are found, and no more of them is shown"), FOLLOW_UP(
                                                                                    "Follow-ups",
                                                                                    "every case can be brought to its end"), OWN(
                                                                                            "Own claims",
                                                                                            "written for this questionnaire");

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
