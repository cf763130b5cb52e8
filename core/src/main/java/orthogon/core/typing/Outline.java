package orthogon.core.typing;

import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionWords;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Section;
import orthogon.core.typing.AnswerWords;
import orthogon.core.typing.RowLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A pasted outline: headings are pages ({@code # Title}, or a title underlined with = or -), second headings ({@code ##}) are
 * sections, lines are questions, indented lines are the options of the question above. A line may say its kind behind a slash.
 *
 * @param lines every line of the text that is not empty, with what became of it
 */
public record Outline(List<Page> pages, List<OutlineLine> lines) {

    /** What became of a line. */
    public enum Became {
        PAGE, SECTION, ROW, OPTION,
        /** It became a row, of a kind that the line does not say. */
        ASSUMED,
        /** It was left out. */
        NOT_UNDERSTOOD
    }

    /**
     * One line.
     *
     * @param number from 1
     * @param says what it became, or why nothing
     */
    public record OutlineLine(int number, String text, Became became, String says) {}

    private static final int MOST_LINES = 3_000;
    private static final Pattern BULLET = Pattern.compile("^(?:[-*•–]|\\(\\s?\\)|\\[\\s?\\]|[○□☐]|\\d{1,3}[.)]|[a-zA-Z][.)])\\s+");
    private static final Pattern RULE = Pattern.compile("^(=+|-+)$");

    public long count(Became what) {
        return lines.stream().filter(l -> l.became() == what).count();
    }

    /**
     * @param taken codes that are in use
     * @throws Refused where the text is too long to be an outline
     */
    public static Outline read(String text, Predicate<String> taken) throws Refused {
        String[] raw = text.replace("\t", "    ").split("\\R");
        if (raw.length > MOST_LINES) {
            throw new Refused("The outline has " + raw.length + " lines; paste at most " + MOST_LINES + " at a time.");
        }
        OutlineReader reader = new OutlineReader(taken);
        for (int i = 0; i < raw.length; i++) {
            boolean underlined = i + 1 < raw.length && !raw[i].isBlank() && !raw[i].startsWith(" ")
                    && RULE.matcher(raw[i + 1].trim()).matches() && raw[i + 1].trim().length() > 2;
            reader.line(i + 1, raw[i], underlined);
            i += underlined ? 1 : 0;
        }
        reader.endQuestion();
        return new Outline(reader.builtPages(), List.copyOf(reader.lines));
    }

    private static final class OutlineReader {

        private final Predicate<String> taken;
        private final Set<String> codes = new HashSet<>();
        private final List<Page> pages = new ArrayList<>();
        private final List<OutlineLine> lines = new ArrayList<>();
        /** Items of the page under way, and of its open section. */
        private List<Item> items = new ArrayList<>();
        private List<Item> inSection;
        private Group section;
        private Page page;
        private Question question;
        private boolean ticks;
        private boolean kindSaid;
        private int questionLine;
        private final List<Option> options = new ArrayList<>();

        OutlineReader(Predicate<String> taken) {
            this.taken = taken;
        }

        private boolean isTaken(String code) {
            return taken.test(code) || codes.contains(code);
        }

        private String claimed(String code) {
            codes.add(code);
            return code;
        }

        void line(int number, String raw, boolean underlined) {
            String text = raw.trim();
            if (text.isEmpty()) {
                return;
            }
            Matcher heading = Pattern.compile("^(#{1,6})\\s*(.*)$").matcher(text);
            if (underlined || heading.matches() && heading.group(1).length() == 1) {
                endQuestion();
                heading(number, raw, underlined ? text : heading.group(2).trim());
            } else if (heading.matches()) {
                endQuestion();
                section(number, raw, heading.group(2).trim());
            } else if (raw.startsWith("  ")) {
                option(number, raw, text);
            } else {
                endQuestion();
                row(number, raw, BULLET.matcher(text).replaceFirst(""));
            }
        }

        private void heading(int number, String raw, String title) {
            if (title.isEmpty()) {
                lines.add(new OutlineLine(number, raw, Became.NOT_UNDERSTOOD, "a heading without words"));
                return;
            }
            endPage();
            page = Page.empty(claimed(Codes.from(title, "page", this::isTaken)), title);
            lines.add(new OutlineLine(number, raw, Became.PAGE, "page " + page.code()));
        }

        private void section(int number, String raw, String title) {
            endSection();
            startPage();
            section = new Section(claimed(Codes.from(title, "section", this::isTaken)), title, "", List.of());
            inSection = new ArrayList<>();
            lines.add(new OutlineLine(number, raw, Became.SECTION, "section " + section.code()));
        }

        private void row(int number, String raw, String text) {
            startPage();
            try {
                boolean star = !RowLine.saysItsKind(text) && text.endsWith("*");
                Item item = RowLine.read(star ? text.substring(0, text.length() - 1).trim() : text, this::isTaken);
                claimed(item.code());
                if (item instanceof Question q) {
                    question = star ? q.withRequireWhen("true") : q;
                    kindSaid = RowLine.saysItsKind(text);
                    questionLine = lines.size();
                    ticks = false;
                    lines.add(new OutlineLine(number, raw, Became.ROW, ""));
                } else {
                    if (item instanceof Group group) {
                        endSection();
                        section = group;
                        inSection = new ArrayList<>();
                    } else {
                        here().add(item);
                    }
                    lines.add(new OutlineLine(number, raw, item instanceof Group ? Became.SECTION : Became.ROW,
                            item.kind() + " " + item.code()));
                }
            } catch (Refused e) {
                lines.add(new OutlineLine(number, raw, Became.NOT_UNDERSTOOD, e.getMessage()));
            }
        }

        private void option(int number, String raw, String text) {
            if (question == null) {
                lines.add(new OutlineLine(number, raw, Became.NOT_UNDERSTOOD, "an indented line needs a question above it"));
                return;
            }
            ticks |= text.startsWith("[") || text.startsWith("□") || text.startsWith("☐");
            String label = BULLET.matcher(text).replaceFirst("");
            Option option = OptionWords.option(label, true, options);
            options.add(option);
            lines.add(new OutlineLine(number, raw, Became.OPTION, "option " + option.code() + " of " + question.code()));
        }

        void endQuestion() {
            if (question == null) {
                return;
            }
            Question done = question;
            boolean guessed = false;
            if (!options.isEmpty()) {
                boolean said = kindSaid && done.answer().hasOwnOptions();
                boolean many = said
                        ? done.answer() instanceof ManyChoices
                        : ticks
                                || options.stream().anyMatch(Option::exclusive)
                                || done.wording().toLowerCase(Locale.ROOT).matches(".*\\b(all that apply|several|choose any)\\b.*");
                List<String> labels = options.stream().map(o -> o.label().toLowerCase(Locale.ROOT)).toList();
                done = done.withAnswer(labels.equals(List.of("yes", "no"))
                        ? new YesNoAnswer()
                        : said
                                ? done.answer().withOptions(options)
                                : many
                                        ? new ManyChoices(options, null, null)
                                        : new OneChoice(options, options.size() > 12));
            } else if (!kindSaid) {
                guessed = true;
                done = done.withAnswer(likely(done.wording()));
            }
            here().add(done);
            OutlineLine line = lines.get(questionLine);
            lines.set(questionLine, new OutlineLine(line.number(), line.text(), guessed ? Became.ASSUMED : Became.ROW,
                    (guessed ? "taken as " : "") + words(done.answer()) + ", " + done.code()));
            question = null;
            options.clear();
        }

        /** What a wording most likely asks for, where nothing else says it. */
        private static Answer likely(String wording) {
            String text = wording.toLowerCase(Locale.ROOT);
            try {
                return AnswerWords.read(text.matches(".*\\be-?mail\\b.*")
                        ? "email"
                        : text.matches(".*\\b(phone|telephone)\\b.*")
                                ? "phone"
                                : text.matches(".*\\b(how many|number of|how old)\\b.*")
                                        ? "number 0.."
                                        : text.matches(".*\\b(date|which day|what day)\\b.*")
                                                ? "date"
                                                : text.matches(".*\\b(what time|at which time)\\b.*")
                                                        ? "time"
                                                        : text.matches(
                                                                "^(is|are|was|were|did|do|does|have|has|can|could|will|would)\\b.*\\?")
                                                                        ? "yes/no"
                                                                        : text.matches(".*\\b(describe|tell us|explain|anything else)\\b.*")
                                                                                ? "long text"
                                                                                : "text");
            } catch (Refused e) {
                throw new IllegalStateException(e);
            }
        }

        private static String words(Answer answer) {
            if (!answer.isChoice()) {
                return answer.kind().words();
            }
            return (answer.kind() == AnswerKind.ONE_CHOICE ? "one of " : "many of ") + answer.options().size();
        }

        private List<Item> here() {
            return section != null ? inSection : items;
        }

        private void startPage() {
            if (page == null) {
                page = Page.empty(claimed(Codes.fresh("page_1", this::isTaken)), "Page 1");
            }
        }

        private void endSection() {
            if (section != null) {
                items.add(section.withItems(inSection));
                section = null;
            }
        }

        private void endPage() {
            endSection();
            if (page != null) {
                pages.add(page.withItems(items));
                items = new ArrayList<>();
                page = null;
            }
        }

        List<Page> builtPages() {
            endPage();
            return List.copyOf(pages);
        }
    }
}
