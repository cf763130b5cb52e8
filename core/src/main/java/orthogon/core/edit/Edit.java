package orthogon.core.edit;

import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Set;

/** One change that an analyst makes. */
public sealed interface Edit
        permits
        Add,
        AddPages,
        Annotate,
        ChangeItem,
        ChangePage,
        ChangeBurden,
        ChangeEnding,
        ChangeLanguages,
        ChangeDispatch,
        ChangePresentation,
        ImportTexts,
        Retitle,
        Step,
        Shift,
        PlaceRows,
        PlacePage,
        Copy,
        Remove,
        Rename,
        RenameOption,
        RenameOutcome,
        SetConditions,
        Settle,
        SplitPage,
        StepAll,
        Strike,
        TakeRecords,
        Translate {

    /** What {@link #about()} says of the outcomes, the outcome table and the own claims. */
    String ENDING = "Outcomes";
    /** What it says of the messages that are sent once an interview is. */
    String MESSAGES = "Messages";
    /** What it says of the list of languages. */
    String LANGUAGES = "Languages";
    /** What it says of a translation begins with this; the language, a slash and the unit follow. */
    String TRANSLATION = "translation ";
    /** What it says of a note to translators begins with this; the unit follows. */
    String NOTE = "note to ";
    /** What it says of the limit of burden. */
    String BURDEN = "Burden";
    /** What it says of the welcome page, buttons, messages, theme, link parameters and title. */
    String PRESENTATION = "Presentation";

    /** @throws Refused where the document does not allow it; nothing is changed then */
    Questionnaire apply(Questionnaire document) throws Refused;

    /** What the history says about it. */
    String says();

    /** What it is about: items, pages, {@link #ENDING}, {@link #PRESENTATION}, {@link #BURDEN}; edits about different things do not disturb each other. */
    Set<String> about();
}
