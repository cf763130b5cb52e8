package orthogon.formats.document;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import orthogon.formats.json.UnusableFile;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Whatever is typed or sent is read, or refused with its place; nothing crashes, hangs, or eats memory. */
class HostileInputTest {

    private static final int INPUTS = Integer.getInteger("orthogon.hostile", 5_000);
    private static final long MOST_BYTES = 200_000_000;
    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();

    private static final List<String> PARTS = List.of("group", "count", "alive", "nobody", "null", "true", "false", "today()", "\"bird\"",
            "\"",
            "1", "-1", "1e9", "99999999999999999999999999", "0.0000000001", "+", "-", "*", "/", "**", "=", "!=", "<", "<=", ">", ">=",
            "and",
            "or", "not(", "(", ")", "[", "]", "..", ",", "in", "between", "if", "then", "else", "some", "every", "satisfies", "x", "count(",
            "sum(", "list contains(", "matches(", "\"(a*)*b\"", "date(\"2026-02-30\")", "duration(\"P1Y\")", "years and months duration(",
            "score(", "answered(", "asked(", "outcome", ".", "{", "}", "\\", "\n", "\t", "\u0000", "\u202e", "é", "😀", "string join(",
            "floor(", "round half up(", ";", "//", "#", "@", "9 ** 9 ** 9");

    private static Questionnaire document(String condition) {
        Question group = Question.of("group", "Which?",
                new OneChoice(List.of(new Option("bird", "Bird", null, false, "")), false));
        Question count = Question.of("count", "How many?", new NumberAnswer(null, null, 0, "")).withAskWhen(condition);
        List<Item> items = List.of(group, Question.of("alive", "Alive?", new YesNoAnswer()), new Section("s", "S", "", List.of(count)));
        return Questionnaire.blank("hostile", "Hostile").withPages(List.of(new Page("p", "P", "", "", items, List.of(), List.of())));
    }

    private interface Reading {
        void run() throws UnusableFile;
    }

    private static boolean isRefused(String input, Reading reading) {
        long before = THREADS.getCurrentThreadAllocatedBytes();
        boolean refused = false;
        try {
            reading.run();
        } catch (UnusableFile e) {
            refused = true;
            assertFalse(e.faults().isEmpty(), "refused without a reason: " + input);
        } catch (RuntimeException | StackOverflowError e) {
            throw new AssertionError("crashed on: " + input, e);
        }
        long bytes = THREADS.getCurrentThreadAllocatedBytes() - before;
        assertTrue(bytes < MOST_BYTES, bytes + " bytes for: " + input);
        return refused;
    }

    @Test
    @Timeout(value = 5, unit = TimeUnit.MINUTES)
    void anyConditionIsReadOrRefusedWithItsPlace() {
        Random random = new Random(7);
        int faulty = 0;
        for (int n = 0; n < INPUTS; n++) {
            StringBuilder text = new StringBuilder();
            int parts = 1 + random.nextInt(n % 50 == 0 ? 3_000 : 14);
            String again = PARTS.get(random.nextInt(PARTS.size()));
            for (int i = 0; i < parts; i++) {
                text.append(n % 100 == 0 ? again : PARTS.get(random.nextInt(PARTS.size()))).append(random.nextInt(3) == 0 ? "" : " ");
            }
            String condition = text.toString();
            isRefused(condition, () -> Wiring.of(document(condition)));
            Wiring.Wire wire = Wiring.of(document(condition)).at("count.askWhen").orElse(null);
            if (wire != null && !wire.faults().isEmpty()) {
                faulty++;
                wire.faults().forEach(f -> assertTrue(f.from() >= 0 && f.to() <= condition.length() + 1
                        && !f.withPlace().isBlank(), condition + " " + f));
            }
        }
        assertTrue(faulty > INPUTS / 2, faulty + " were faulty");
    }

    @Test
    @Timeout(value = 5, unit = TimeUnit.MINUTES)
    void anyFileIsReadOrRefusedWithItsPointer() throws UnusableFile {
        String good = DocumentWriter.write(document("group = \"bird\""));
        DocumentReader.read(good);
        Random random = new Random(11);
        int refused = 0;
        for (int n = 0; n < INPUTS; n++) {
            String text = damaged(good, random, n);
            refused += isRefused(text, () -> DocumentReader.read(text)) ? 1 : 0;
        }
        assertTrue(refused > INPUTS / 2, refused + " were refused");
    }

    private static String damaged(String good, Random random, int n) {
        if (n % 500 == 0) {
            return "[".repeat(1 + random.nextInt(200_000));
        }
        if (n % 500 == 1) {
            return "{\"orthogon\":1,\"pages\":" + "[{\"items\":".repeat(1 + random.nextInt(20_000));
        }
        StringBuilder text = new StringBuilder(good);
        int damages = 1 + random.nextInt(4);
        for (int i = 0; i < damages && !text.isEmpty(); i++) {
            int at = random.nextInt(text.length());
            int to = Math.min(text.length(), at + random.nextInt(30));
            switch (random.nextInt(6)) {
                case 0 -> text.delete(at, to);
                case 1 -> text.insert(at, text.substring(at, to));
                case 2 -> text.setCharAt(at, "{}[],:\"\\0nt\u0000é".charAt(random.nextInt(13)));
                case 3 -> text.insert(at, PARTS.get(random.nextInt(PARTS.size())));
                case 4 -> {
                    int colon = text.indexOf(":", at);
                    if (colon > 0) {
                        text.insert(colon + 1,
                                List.of("null,\"x\":", "[],\"x\":", "1e999999999,\"x\":", "{},\"x\":").get(random.nextInt(4)));
                    }
                }
                default -> text.setLength(at + 1);
            }
        }
        return text.toString();
    }
}
