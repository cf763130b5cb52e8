package orthogon.app.dispatch;

import java.util.List;
import java.util.Map;
import orthogon.app.dispatch.FollowUpViews.FollowUpView;
import orthogon.app.questions.QuestionsPage;
import orthogon.core.questionnaire.Question;

/**
 * The sheet.
 *
 * @param typed settings of the chosen message; null where none is chosen
 * @param passage settings of the chosen passage; null where none is chosen
 * @param followUp settings of the chosen follow-up; null where none is chosen
 * @param follow the chosen follow-up with what it opens; null where none is chosen
 * @param openable questionnaires that a follow-up can open, code to title
 * @param arriving the chosen message as it arrives; null where none is
 * @param read the wordings of the chosen passage with where it is put in; null where none is chosen
 * @param wrong why what is typed was not kept; empty where it was
 * @param moments of each follow-up at which the chosen message can be sent, title to the moment and its words
 * @param emails questions for an email address, code to wording
 * @param people whom of the workspace a message can go to, in words
 * @param names codes that a text or a condition here may name
 */
record DispatchSheet(List<DispatchEntry> messages, List<DispatchEntry> passages, List<DispatchEntry> followUps, TypedMessage typed,
        TypedPassage passage, TypedFollowUp followUp, FollowUpView follow, Map<String, String> openable,
        Map<String, Map<String, String>> moments, ArrivingMessage arriving,
        ReadPassage read, List<ClaimLine> claims, String wrong, Map<String, String> emails,
        Map<String, String> people, List<Question> questions, Map<String, String> languages, String reading, int revision, String names) {

    /**
     * A message, a passage or a follow-up in its list.
     *
     * @param says what it is, in words
     * @param sign of its worst claim; empty where nothing is proved yet
     */
    record DispatchEntry(String code, String title, String says, String sign, boolean chosen) {}

    /**
     * The chosen message as it arrives.
     *
     * @param to addresses with the answers of the respondent shown
     * @param html its body, as a part of a page
     * @param told the questions that it tells, with their answers
     * @param files names of the files that come with it
     * @param completed whether it is completed with somebody's answers
     */
    record ArrivingMessage(List<String> to, String replyTo, String subject, String html, List<QuestionsPage.ReviewLine> told,
            List<String> files, String dir, String language,
            boolean completed) {}

    /**
     * The chosen passage.
     *
     * @param places texts that put it in, in words
     * @param wordings when each is taken and what it says, in the chosen language
     */
    record ReadPassage(List<String> places, List<ReadWording> wordings, String dir, String language) {}

    /**
     * @param when in words
     * @param html as it reads for a respondent who reads it, or as it is written
     * @param sign of the claim that somebody reads it; empty where nothing is proved yet
     */
    record ReadWording(String when, String html, String sign) {}

    /** A claim about what is chosen. */
    record ClaimLine(String id, String verdict, String says) {}
}
