package orthogon.app.rehearse;

import orthogon.core.language.Translated;
import orthogon.core.questionnaire.Questionnaire;

/** What is read in a rehearsal, in the language that it is rehearsed in. */
final class SpokenDocument {

    private SpokenDocument() {}

    /** The document in a language, or as it is written where it is not translated into that. */
    static Questionnaire in(Questionnaire document, String language) {
        return document.languages().contains(language) ? Translated.into(document, language) : document;
    }
}
