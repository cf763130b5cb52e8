package orthogon.app.dispatch;

import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;

/** What is typed about one entry of the sheet; two of the three are null, and all where nothing is typed. */
record TypedEntry(TypedMessage message, TypedPassage passage, TypedFollowUp followUp) {

    static final TypedEntry NOTHING = new TypedEntry(null, null, null);

    static TypedEntry of(TypedMessage message) {
        return new TypedEntry(message, null, null);
    }

    static TypedEntry of(TypedPassage passage) {
        return new TypedEntry(null, passage, null);
    }

    static TypedEntry of(TypedFollowUp followUp) {
        return new TypedEntry(null, null, followUp);
    }

    /** What is kept of an entry; of the first message where there is no entry of that code. */
    static TypedEntry kept(Questionnaire document, String code) {
        Optional<TypedEntry> found = document.followUp(code).map(TypedFollowUp::of).map(TypedEntry::of)
                .or(() -> document.passage(code).map(TypedPassage::of).map(TypedEntry::of));
        return found.or(() -> document.message(code).or(() -> document.messages().stream().findFirst()).map(TypedMessage::of)
                .map(TypedEntry::of)).orElse(NOTHING);
    }

    /** The code that the entry has so far; empty for none. */
    String was() {
        String was = message != null ? message.was() : passage != null ? passage.was() : followUp != null ? followUp.was() : "";
        return was == null ? "" : was;
    }

    boolean isNothing() {
        return was().isEmpty();
    }
}
