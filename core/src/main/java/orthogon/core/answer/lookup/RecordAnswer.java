package orthogon.core.answer.lookup;

import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.Domain;

/**
 * An answer of the other questionnaire that a lookup shows of each record.
 *
 * @param code of the question there
 * @param label the words that stand beside the answer
 * @param answer what the question there takes
 */
public record RecordAnswer(String code, String label, Answer answer) {

    public RecordAnswer {
        if (!canShow(answer)) {
            throw new AnswerFault("shows", "a lookup cannot show " + code + ", since it is a " + answer.kind().words());
        }
        if (code.equals(Domain.OneRecord.RECEIPT)) {
            throw new AnswerFault("shows",
                    "a lookup cannot show an answer of the code \"" + code + "\", which stands for the record itself");
        }
    }

    /** Whether a lookup can show answers like this one. */
    public static boolean canShow(Answer answer) {
        return switch (answer.kind()) {
            case SHORT_TEXT, LONG_TEXT, ONE_CHOICE, MANY_CHOICES, YES_NO, NUMBER, PERCENTAGE, DATE, TIME, RATING, LIKELIHOOD, PERSON_NAME,
                    POSTAL_ADDRESS, EMAIL, PHONE, WEB_ADDRESS, COUNTRY, LANGUAGE ->
                true;
            case GRID, RANKING, FILE, AGREEMENT, SIGNATURE, HIDDEN, LOOKUP -> false;
        };
    }
}
