package orthogon.core.typing;

import orthogon.core.answer.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EntryCount;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.util.List;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One typed line that makes a row: {@code How many animals? / number 1..20 animals}, {@code What did you see? / many: blood; a hanging
 * wing; none of these!}. Behind the last slash stands what kind of row it is; without one it is a question for a short text. A star at
 * the end makes the question required.
 */
public final class RowLine {

    private static final Pattern ROSTER = Pattern
            .compile("roster(?:\\s+(\\d{1,2})\\s*\\.\\.\\s*(\\d{1,2}))?(?:\\s+as many as ([a-z][A-Za-z0-9_.]*))?(?:\\s+(\\S.*))?");

    private RowLine() {}

    /**
     * @param taken codes that are in use
     * @throws Refused where the line says no kind of row
     */
    public static Item read(String line, Predicate<String> taken) throws Refused {
        int slash = slash(line);
        String wording = (slash < 0 ? line : line.substring(0, slash)).trim();
        String kind = slash < 0 ? "text" : line.substring(slash + 1).trim();
        if (wording.isEmpty()) {
            throw new Refused("The line has no wording before the slash.");
        }
        String code = Codes.from(wording, "item", taken);
        boolean required = kind.endsWith("*");
        kind = required ? kind.substring(0, kind.length() - 1).trim() : kind;
        Matcher roster = ROSTER.matcher(kind);
        if (kind.equals("note")) {
            return new Note(code, wording, "");
        }
        if (kind.equals("section")) {
            return new Section(code, wording, "", List.of());
        }
        if (roster.matches()) {
            return new Roster(code, wording, roster.group(4) == null ? "" : roster.group(4).trim(), "",
                    roster.group(1) == null ? 0 : Integer.parseInt(roster.group(1)),
                    roster.group(2) == null ? 10 : Integer.parseInt(roster.group(2)),
                    new EntryCount(roster.group(3) == null ? "" : roster.group(3), "", ""), List.of());
        }
        if (kind.startsWith("derive:")) {
            return new Derived(code, kind.substring(7).trim());
        }
        Answer answer = AnswerWords.read(kind);
        Question question = Question.of(code, wording, answer).withPersonal(answer.kind().isPersonal());
        return required ? question.withRequireWhen("true") : question;
    }

    /** Whether the line says what kind of row it is. */
    static boolean saysItsKind(String line) {
        return slash(line) >= 0;
    }

    /** The last slash that stands between blanks, so that {@code and/or} and {@code yes/no} are left alone. */
    private static int slash(String line) {
        int at = line.lastIndexOf(" / ");
        return at < 0 ? -1 : at + 1;
    }
}
