package orthogon.app.account;

/** What people do. */
public enum Act {
    /** Open every sheet and every file of a questionnaire, responses aside. */
    LOOK,
    /** Walk through a draft, and save walks as drills. */
    REHEARSE,
    /** Change a draft: pages, questions, rules, settings, waivers. */
    EDIT,
    /** Write texts in other languages, and notes to translators. */
    TRANSLATE,
    /** Say something about a row. */
    REMARK,
    /** Sign a revision that is to be released. */
    SIGN,
    /** Release, close, withdraw, and give out links. */
    RELEASE,
    /** Read what respondents answered. */
    READ_RESPONSES,
    /** Read the answers that are about a person. */
    READ_PERSONAL,
    /** Set the state of responses, put people in charge of them, and write notes about them. */
    WORK_ON_RESPONSES,
    /** Erase responses for good. */
    ERASE_RESPONSES,
    /** Read messages that were sent, and who did what. */
    READ_TRAIL,
    /** Begin a questionnaire: blank, from a starter or from a file. */
    BEGIN,
    /** Change what the workspace asks of everybody. */
    SET_UP,
    /** Invite people, and say what they may do. */
    ADMINISTER,
    /** What everybody does who is signed in: leave, and see to an account of one's own. */
    BE_HERE
}
