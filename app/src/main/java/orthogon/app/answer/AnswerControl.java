package orthogon.app.answer;

import java.time.LocalDate;
import java.util.List;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Refused;

/**
 * How answers of one kind, or of a few that share their settings, are set by analysts and given by respondents.
 *
 * @param <A> the record of the settings
 */
public interface AnswerControl<A extends Answer> {

    /** The kinds that it knows. */
    List<AnswerKind> kinds();

    /** The answer in the few words of the ledger: {@code one of 4}, {@code 0–120 years}, {@code text ≤ 40}. */
    String inShort(A answer);

    /** The settings as fields of the inspector; options and rows of a grid have tables of their own. */
    default List<Setting> settings(A answer) {
        return List.of();
    }

    /**
     * Reads the settings from the inspector; throws {@link orthogon.core.answer.AnswerFault} where they cannot be.
     *
     * @throws Refused where a field is not what it must be
     */
    A set(A now, SettingsForm form) throws Refused;

    /** How it is drawn for the respondent. */
    DrawnControl drawn(A answer, ShownAnswer shown);

    /** The value that a page brings; null for blank, {@link orthogon.core.interview.Unreadable} for what is none. */
    Object given(A answer, GivenFields fields);

    /** A value in words. */
    String inWords(A answer, Object value, OwnWords words);

    /** The limits in a sentence for the respondent; empty where there is nothing to say. */
    default String hint(A answer, LocalDate today, OwnWords words) {
        return "";
    }

    /** A plausible made-up value; null for blank. */
    Object madeUp(A answer, MadeUp how);
}
