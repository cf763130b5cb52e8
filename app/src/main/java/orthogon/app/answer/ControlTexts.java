package orthogon.app.answer;

import orthogon.core.interview.Course;
import orthogon.core.language.OwnWords;

/** Texts of a questionnaire as they read to one respondent, with earlier answers put in. */
public interface ControlTexts {

    /** Without markup. */
    String plain(String text, Course.ShownItem at);

    /** One run of HTML. */
    String inline(String text, Course.ShownItem at);

    /** Paragraphs of HTML. */
    String block(String text, Course.ShownItem at);

    /** What Orthogon itself says in the language. */
    OwnWords ownWords();

    /** BCP 47 tag of the language in which the pages are. */
    String language();
}
