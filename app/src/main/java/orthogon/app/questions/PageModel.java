package orthogon.app.questions;

import orthogon.app.answer.DrawnControl;
import orthogon.app.answer.PageRecords;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.interview.Course;
import orthogon.core.interview.Problem;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Roster;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * One page of questions, ready for the template. Texts that end in {@code Html} are safe to put on the page as they are.
 *
 * @param forward what the main button says: to go on, or to look over everything and send it, as the answers stand
 * @param words what Orthogon itself says
 */
public record PageModel(String code, String title, String introductionHtml, List<RosterEntry> entries, List<PageMessage> messages,
        boolean hasFiles,
        String forward, String back, OwnWords words, String language, String direction) {

    /** Most answers of an entry that stand in the list of all entries. */
    private static final int MOST_IN_SHORT = 3;

    /** One message at the top of the page, leading to its question. */
    public record PageMessage(String slot, String wording, String text) {}

    /** One entry of a roster, at whose beginning it stands. */
    public record EntryHead(String roster, String number, String title, boolean first, boolean removable) {}

    /**
     * One entry of a roster in the list of them all.
     *
     * @param of which entry it is, as its items say too
     * @param first name of its first item on the page; empty where it has none
     * @param answers the first of its answers in words
     * @param error what is wrong with it first; may be empty
     */
    public record EntryInShort(String of, String number, String first, String title, String answers, String error) {}

    /**
     * One item.
     *
     * @param kind {@code question}, or what else it is
     * @param control what is drawn of a question; of a roster its entries
     * @param hint limits in words
     * @param entry of a roster that begins with this item; null elsewhere
     * @param of which entry of a roster it belongs to; empty outside of rosters
     * @param entries of the roster that it is
     */
    public record RosterEntry(String kind, String slot, String wording, String wordingHtml, String helpHtml, boolean required,
            boolean locked, Answer answer, DrawnControl control, String other, String hint, List<String> errors, String shownValue,
            EntryHead entry, String of, List<EntryInShort> entries) {

        public boolean isQuestion() {
            return kind.equals("question");
        }

        /** Whether all entries are listed, each leading to its first item. */
        public boolean isListed() {
            return entries.stream().anyMatch(e -> !e.first().isEmpty());
        }

        /** With entries that lead nowhere, as their items stand on pages of their own. */
        RosterEntry unlisted() {
            return new RosterEntry(kind, slot, wording, wordingHtml, helpHtml, required, locked, answer, control, other, hint, errors,
                    shownValue, entry, of, entries.stream().map(e -> new EntryInShort(e.of(), e.number(), "", e.title(), "", "")).toList());
        }

        boolean takesFiles() {
            return isQuestion() && answer.domain() instanceof Domain.Files;
        }

        /** A name for the page's own use, without signs that a selector would trip over. */
        public String id() {
            return (kind.equals("further") ? "more-" : "") + slot.replace('.', '-');
        }

        /** Changes when the item must be drawn anew, but not with what was answered. */
        public String look() {
            return Integer.toHexString(Objects.hash(kind, wordingHtml, helpHtml, required, locked, hint, entry, locked ? shownValue : "",
                    isQuestion() ? control.withoutAnswer() : "", kind.equals("further") ? entries.isEmpty() : entries));
        }
    }

    /**
     * @param withErrors whether problems are shown; a page met for the first time shows none
     * @param seed of the order of shuffled options; the same for one respondent always
     * @param records what lookups may take
     */
    public static PageModel of(Course.PageView page, RespondentTexts voice, Presentation presentation, LocalDate today, boolean withErrors,
            long seed, boolean endsHere, PageRecords records) {
        List<RosterEntry> entries = new ArrayList<>();
        List<PageMessage> messages = new ArrayList<>();
        Entries make = new Entries(voice, today, seed, records);
        boolean files = false;
        String lastEntry = "";
        RosterEntry further = null;
        for (Course.ShownItem shown : page.shown()) {
            List<String> errors = withErrors
                    ? page.problems().stream().filter(p -> p.slot().equals(shown.slot())).map(Problem::message)
                            .map(m -> voice.plain(m, shown))
                            .toList()
                    : List.of();
            EntryHead head = null;
            String here = shown.roster().isEmpty() ? "" : shown.roster() + shown.entry();
            if (!here.isEmpty() && !here.equals(lastEntry)) {
                head = head(page, shown, voice);
            }
            lastEntry = here;
            RosterEntry entry = make.of(shown, errors, head,
                    shown.item() instanceof Roster r ? inShort(r, page, voice, withErrors) : List.of());
            // The button for a further entry stands behind the last one.
            if (further != null && !further.slot().equals(shown.roster())) {
                entries.add(further);
                further = null;
            }
            entries.add(entry);
            if (shown.item() instanceof Roster) {
                further = Entries.further(entry);
            }
            files |= entry.takesFiles();
            String where = shown.roster().isEmpty() ? "" : head(page, shown, voice).title() + ": ";
            errors.forEach(e -> messages.add(new PageMessage(entry.id(), where + entry.wording(), e)));
        }
        if (further != null) {
            entries.add(further);
        }
        Presentation.Buttons buttons = presentation.buttons();
        String forward = !endsHere
                ? voice.plain(voice.ownWords().or(buttons.next(), "next"))
                : presentation.navigation().reviewLeftOut()
                        ? voice.plain(voice.ownWords().or(buttons.send(), "send"))
                        : voice.say("look_over");
        return new PageModel(page.page().code(), voice.plain(page.page().title()), voice.block(page.page().introduction()), entries,
                messages,
                files, forward, voice.plain(voice.ownWords().or(buttons.back(), "back")), voice.ownWords(), voice.language(),
                voice.direction());
    }

    /** Whether nothing stands above the first field that a respondent has to read first. */
    public boolean startsWithField() {
        return introductionHtml.isEmpty() && messages.isEmpty() && !entries.isEmpty() && entries.getFirst().isQuestion()
                && entries.getFirst().helpHtml().isEmpty() && !entries.getFirst().locked();
    }

    /** The page with one of its questions alone, where questions are shown one at a time; notes before it stay with it. */
    public PageModel only(String slot, boolean lastOne) {
        int at = 0;
        while (at < entries.size() && !(entries.get(at).isQuestion() && entries.get(at).slot().equals(slot))) {
            at++;
        }
        if (at == entries.size()) {
            return this;
        }
        int from = at;
        while (from > 0 && !entries.get(from - 1).isQuestion() && !(entries.get(from - 1).kind().equals("further") && from > 1
                && entries.get(from - 2).isQuestion())) {
            from--;
        }
        int to = at + 1;
        while (to < entries.size() && (lastOne || entries.get(to).kind().equals("further"))) {
            to++;
        }
        List<RosterEntry> shown = entries.subList(from, to).stream().map(RosterEntry::unlisted).toList();
        return new PageModel(code, title, from == 0 ? introductionHtml : "", shown,
                messages.stream().filter(m -> shown.stream().anyMatch(e -> e.id().equals(m.slot()))).toList(),
                shown.stream().anyMatch(RosterEntry::takesFiles), lastOne ? forward : words.say("next"), back, words, language,
                direction);
    }

    private static List<EntryInShort> inShort(Roster roster, Course.PageView page, RespondentTexts voice, boolean withErrors) {
        List<EntryInShort> all = new ArrayList<>();
        List<?> numbers = (List<?>) page.at(roster.code()).orElseThrow().value();
        for (int at = 1; at <= numbers.size(); at++) {
            int entry = at;
            List<Course.ShownItem> items = page.shown().stream().filter(s -> s.roster().equals(roster.code()) && s.entry() == entry)
                    .toList();
            String answers = items.stream()
                    .flatMap(s -> s.question().flatMap(q -> AnswersInWords.of(q, s.value(), voice.ownWords())).stream())
                    .limit(MOST_IN_SHORT).collect(Collectors.joining(" · "));
            all.add(new EntryInShort(of(roster.code(), entry), String.valueOf(numbers.get(at - 1)),
                    items.isEmpty() ? "" : items.getFirst().slot().replace('.', '-'),
                    items.isEmpty() ? numbered(voice.say("entry"), at) : title(roster, items.getFirst(), voice),
                    answers.isEmpty() ? voice.say("no_answer") : answers, withErrors ? error(page, items, voice) : ""));
        }
        return all;
    }

    /** The first thing that is wrong with one of these items, and with which; empty where nothing is. */
    private static String error(Course.PageView page, List<Course.ShownItem> items, RespondentTexts voice) {
        return items.stream().flatMap(s -> page.problems().stream().filter(p -> p.slot().equals(s.slot()))
                .map(p -> voice.plain(s.wording(), s) + ": " + voice.plain(p.message(), s))).findFirst().orElse("");
    }

    /** Tells one entry of a page from another. */
    static String of(String roster, int entry) {
        return roster + "-" + entry;
    }

    private static String numbered(String word, int number) {
        return word + " " + number;
    }

    private static EntryHead head(Course.PageView page, Course.ShownItem first, RespondentTexts voice) {
        Course.ShownItem whole = page.at(first.roster()).orElseThrow();
        Roster roster = (Roster) whole.item();
        List<?> numbers = (List<?>) whole.value();
        return new EntryHead(roster.code(), String.valueOf(numbers.get(first.entry() - 1)), title(roster, first, voice), first.entry() == 1,
                !whole.locked() && numbers.size() > roster.least());
    }

    /** What an entry is called: by its answers, where the title speaks of them, else by its number. */
    private static String title(Roster roster, Course.ShownItem first, RespondentTexts voice) {
        boolean named = !Piping.names(roster.entryTitle()).isEmpty();
        String title = voice.plain(voice.ownWords().or(roster.entryTitle(), "entry"), first).strip();
        return named && !title.isEmpty() ? title : numbered(named ? voice.say("entry") : title, first.entry());
    }

    /** What is asked on the page, in order, one after the other. */
    public static List<String> questions(Course.PageView page) {
        return page.shown().stream().filter(s -> s.question().isPresent() && !s.locked()).map(Course.ShownItem::slot).toList();
    }

    /** The first of the page's questions with a problem, or else the first without an answer. */
    public static Optional<String> firstOpen(Course.PageView page, Course course) {
        return page.problems().stream().map(Problem::slot).filter(s -> page.at(s).flatMap(Course.ShownItem::question).isPresent())
                .findFirst()
                .or(() -> page.shown().stream().filter(s -> s.question().isPresent() && !s.locked() && course.value(s) == null)
                        .map(Course.ShownItem::slot).findFirst());
    }
}
