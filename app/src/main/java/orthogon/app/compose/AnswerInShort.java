package orthogon.app.compose;

import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;

/** A row in the few words of the ledger: {@code note}, {@code roster of 1–12}, {@code one of 4 *}. */
final class AnswerInShort {

    private AnswerInShort() {}

    static String of(Item item) {
        return switch (item) {
            case Note n -> "note";
            case Section s -> "section of " + s.items().size();
            case Roster r -> "roster of " + (r.count().isFixed() ? r.count().asMany() : r.least() + "–" + r.most());
            case Derived d -> "derived";
            case Question q -> AnswerControls.of(q.answer()).inShort(q.answer()) + (q.requireWhen().isEmpty() ? "" : " *");
        };
    }
}
