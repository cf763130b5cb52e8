package orthogon.app.questions;

import orthogon.app.answer.AnswerControl;
import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.ShownAnswer;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.app.questions.PageModel.EntryHead;
import orthogon.app.questions.PageModel.EntryInShort;
import orthogon.app.questions.PageModel.RosterEntry;
import orthogon.core.answer.Answer;
import orthogon.core.interview.Course;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.time.LocalDate;
import java.util.List;

/** Makes the entry of one shown item. */
final class Entries {

    private final RespondentTexts voice;
    private final LocalDate today;
    private final long seed;
    private final PageRecords records;

    Entries(RespondentTexts voice, LocalDate today, long seed, PageRecords records) {
        this.records = records;
        this.voice = voice;
        this.today = today;
        this.seed = seed;
    }

    RosterEntry of(Course.ShownItem shown, List<String> errors, EntryHead head, List<EntryInShort> entries) {
        return switch (shown.item()) {
            case Question q -> question(q, shown, errors, head);
            case Roster r ->
                plain("roster", shown, entry(r),
                        !shown.locked() && ((List<?>) shown.value()).size() < r.most(), errors, head, entries);
            default -> plain(shown.item().kind(), shown, "", false, errors, head, List.of());
        };
    }

    /** What an entry is called, in the letters in which it was written. */
    private String entry(Roster roster) {
        boolean plain = !roster.entryTitle().isEmpty() && Piping.names(roster.entryTitle()).isEmpty();
        return plain ? voice.plain(roster.entryTitle()) : voice.say("entry");
    }

    private RosterEntry plain(String kind, Course.ShownItem shown, String value, boolean more, List<String> errors, EntryHead head,
            List<EntryInShort> entries) {
        String words = shown.wording();
        return new RosterEntry(kind, shown.slot(), voice.plain(words, shown),
                kind.equals("note") ? voice.block(words, shown) : voice.inline(words, shown), "", more, false, null,
                DrawnControl.list("", "", List.of(), value), "", "", errors, "", head, entryOf(shown), entries);
    }

    private static String entryOf(Course.ShownItem shown) {
        return shown.roster().isEmpty() ? "" : PageModel.of(shown.roster(), shown.entry());
    }

    static RosterEntry further(RosterEntry roster) {
        return new RosterEntry("further", roster.slot(), "", "", "", roster.required(), false, null, roster.control(), "", "", List.of(),
                "", null, "", roster.entries());
    }

    private RosterEntry question(Question q, Course.ShownItem shown, List<String> errors, EntryHead head) {
        AnswerControl<Answer> control = AnswerControls.of(q.answer());
        return new RosterEntry("question", shown.slot(), voice.plain(shown.wording(), shown), voice.inline(shown.wording(), shown),
                voice.block(shown.help(), shown), shown.required(), shown.locked(), q.answer(),
                control.drawn(q.answer(), new ShownAnswer(shown, voice, seed, records)), shown.other(),
                control.hint(q.answer(), today, voice.ownWords()), errors,
                AnswersInWords.of(q, shown.value(), voice.ownWords()).orElse(voice.say("no_answer")), head,
                entryOf(shown), List.of());
    }
}
