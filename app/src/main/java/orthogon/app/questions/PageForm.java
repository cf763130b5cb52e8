package orthogon.app.questions;

import orthogon.app.answer.GivenFields;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.app.answer.lookup.LookupControl;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.interview.Course;
import orthogon.core.interview.Slots;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Roster;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.multipart.MultipartFile;

/** Reads a posted page into answers. What cannot be read, or is not on offer, is kept as typed and refused by the interview. */
public final class PageForm {

    // Fields of the form itself; no code begins like this.
    public static final String GO = "~go";
    public static final String PAGE = "~page";
    /** The one question that is shown, where they are shown one at a time. */
    public static final String AT = "~at";
    /** Where the respondent came from and goes back to. */
    public static final String FROM = "~from";
    /** How often the interview was kept before the page was drawn. */
    public static final String KEPT = "~kept";
    /** Answers that the respondent agreed to give up. */
    public static final String AGREED = "~agreed";
    /** The part of a lookup's fields that holds what is sought. */
    public static final String FIND = "find";
    /** The questions that the page showed. */
    static final String SHOWN = "~shown";

    /** Takes files that are sent with a page. */
    public interface Uploads {

        /** The file as an answer; its content need not be kept yet. */
        Attachment taken(MultipartFile file, FileAnswer answer);
    }

    private final Course.PageView page;
    private final MultiValueMap<String, String> form;
    private final MultiValueMap<String, MultipartFile> files;
    private final Optional<Uploads> keep;
    private final ULocale locale;
    private final PageRecords records;

    private PageForm(Course.PageView page, String language, MultiValueMap<String, String> form, MultiValueMap<String, MultipartFile> files,
            Optional<Uploads> keep, PageRecords records) {
        this.records = records;
        this.page = page;
        this.locale = OwnWords.locale(language);
        this.form = form;
        this.files = files;
        this.keep = keep;
    }

    /**
     * Answers by slot to the questions that the posted page showed; blank ones as null.
     *
     * @param language in which the page was read, and numbers are written
     * @param keep takes what was sent
     * @param records what lookups may take
     */
    public static Map<String, Object> answers(Course.PageView page, String language, MultiValueMap<String, String> form,
            MultiValueMap<String, MultipartFile> files, Uploads keep, PageRecords records) {
        return new PageForm(page, language, form, files, Optional.of(keep), records).answers();
    }

    /** The same while the page is still being filled in: files stay as they are until it is left. */
    public static Map<String, Object> soFar(Course.PageView page, String language, MultiValueMap<String, String> form,
            PageRecords records) {
        return new PageForm(page, language, form, new LinkedMultiValueMap<>(), Optional.empty(), records).answers();
    }

    private Map<String, Object> answers() {
        Map<String, Object> answers = new LinkedHashMap<>();
        for (Course.ShownItem shown : page.shown()) {
            String slot = shown.slot();
            if (shown.item() instanceof Roster && form.containsKey(slot)) {
                answers.put(slot,
                        form.get(slot).stream().filter(n -> n.matches("\\d{1,4}")).distinct().limit(2L * Roster.MOST_ENTRIES).toList());
            }
        }
        Set<String> displayed = new LinkedHashSet<>(form.getOrDefault(SHOWN, List.of()));
        page.page().questions().map(q -> q.code()).filter(form::containsKey).forEach(displayed::add);
        for (String slot : displayed) {
            Optional<Course.ShownItem> shown = page.at(slot);
            Optional<Answer> answer = shown.flatMap(Course.ShownItem::question)
                    .or(() -> page.page().questions().filter(q -> q.code().equals(slot.substring(slot.lastIndexOf('.') + 1))).findFirst())
                    .map(q -> q.answer());
            if (answer.isPresent() && !(answer.get().domain() instanceof Domain.Files && keep.isEmpty())) {
                answers.put(slot, value(slot, answer.get(), shown));
                if (form.containsKey(Slots.other(slot))) {
                    answers.put(Slots.other(slot), GivenFields.cut(form.getFirst(Slots.other(slot)), GivenFields.LONGEST));
                }
            }
        }
        // A button beside a roster adds or removes an entry in the same step, so that nothing typed is lost.
        String go = Optional.ofNullable(form.getFirst(GO)).orElse("");
        String[] words = go.split(":");
        if (words.length >= 2 && page.at(words[1]).map(s -> s.item() instanceof Roster).orElse(false)) {
            List<String> entries = new ArrayList<>(entries(words[1], answers));
            if (words[0].equals("add")) {
                entries.add(String.valueOf(entries.stream().mapToInt(Integer::parseInt).max().orElse(0) + 1));
            } else if (words[0].equals("remove") && words.length == 3) {
                entries.remove(words[2]);
            }
            answers.put(words[1], List.copyOf(entries));
        }
        return answers;
    }

    private List<String> entries(String roster, Map<String, Object> answers) {
        Object now = answers.containsKey(roster) ? answers.get(roster) : page.at(roster).orElseThrow().value();
        return now instanceof List<?> l ? l.stream().map(String::valueOf).toList() : List.of();
    }

    /** The slot of the lookup for which the posted button looks for records; empty for another button. */
    public static String sought(MultiValueMap<String, String> form) {
        return slotOf(LookupControl.SEEK, form);
    }

    /** The slot of the lookup for which the posted button adds a record; empty for another button. */
    public static String adding(MultiValueMap<String, String> form) {
        return slotOf(LookupControl.ADD, form);
    }

    private static String slotOf(String button, MultiValueMap<String, String> form) {
        String go = Optional.ofNullable(form.getFirst(GO)).orElse("");
        return go.startsWith(button) ? go.substring(button.length()) : "";
    }

    /** The words that are sought for the lookup at a slot. */
    public static String wordsSought(MultiValueMap<String, String> form, String slot) {
        return GivenFields.cut(form.getFirst(GivenFields.field(slot, FIND)), SoughtRecords.MOST_LETTERS).strip();
    }

    /** Whether the posted button only changes the entries of a roster, so that the page is shown again. */
    public static boolean changesEntries(MultiValueMap<String, String> form) {
        return Optional.ofNullable(form.getFirst(GO)).orElse("").matches("(add|remove):.*");
    }

    private Object value(String slot, Answer answer, Optional<Course.ShownItem> shown) {
        return AnswerControls.of(answer).given(answer,
                new GivenFields(slot, form, locale, shown.map(Course.ShownItem::value).orElse(null), f -> sent(slot, f),
                        records));
    }

    private List<Attachment> sent(String slot, FileAnswer answer) {
        return files.getOrDefault(slot, List.of()).stream().filter(f -> !f.isEmpty()).map(f -> keep.orElseThrow().taken(f, answer))
                .toList();
    }
}
