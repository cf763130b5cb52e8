package orthogon.app.questions;

import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.interview.Course;
import orthogon.core.interview.Slots;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.language.WrittenNumber;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.contact.Contacts;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.multipart.MultipartFile;

/** Reads a posted page into answers. What cannot be read, or is not on offer, is kept as typed and refused by the interview. */
public final class PageForm {

    private static final int LONGEST = 20_000;
    private static final int LONGEST_PATH = 60_000;
    // Fields of the form itself; no code begins like this.
    public static final String GO = "~go";
    public static final String PAGE = "~page";
    /** The one question that is shown, where they are shown one at a time. */
    public static final String AT = "~at";
    /** Where the respondent came from and goes back to. */
    public static final String FROM = "~from";
    /** Answers that the respondent agreed to give up. */
    public static final String AGREED = "~agreed";
    /** The questions that the page showed. */
    static final String SHOWN = "~shown";
    /** Stands between a slot and the part, row or place of a field. */
    static final String PART = "~";

    /** Takes files that are sent with a page. */
    public interface Uploads {

        /** The file as an answer; its content need not be kept yet. */
        Attachment taken(MultipartFile file, Answer.FileAnswer answer);
    }

    private final Course.PageView page;
    private final MultiValueMap<String, String> form;
    private final MultiValueMap<String, MultipartFile> files;
    private final Optional<Uploads> keep;
    private final ULocale locale;

    private PageForm(Course.PageView page, String language, MultiValueMap<String, String> form, MultiValueMap<String, MultipartFile> files,
            Optional<Uploads> keep) {
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
     */
    public static Map<String, Object> answers(Course.PageView page, String language, MultiValueMap<String, String> form,
            MultiValueMap<String, MultipartFile> files, Uploads keep) {
        return new PageForm(page, language, form, files, Optional.of(keep)).answers();
    }

    /** The same while the page is still being filled in: files stay as they are until it is left. */
    public static Map<String, Object> soFar(Course.PageView page, String language, MultiValueMap<String, String> form) {
        return new PageForm(page, language, form, new LinkedMultiValueMap<>(), Optional.empty()).answers();
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
            if (answer.isPresent() && !(answer.get() instanceof Answer.FileAnswer && keep.isEmpty())) {
                answers.put(slot, value(slot, answer.get(), shown));
                if (form.containsKey(Slots.other(slot))) {
                    answers.put(Slots.other(slot), cut(form.getFirst(Slots.other(slot)), LONGEST));
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

    /** Whether the posted button only changes the entries of a roster, so that the page is shown again. */
    public static boolean changesEntries(MultiValueMap<String, String> form) {
        return Optional.ofNullable(form.getFirst(GO)).orElse("").matches("(add|remove):.*");
    }

    private static String cut(String text, int most) {
        return text == null ? "" : text.length() > most ? text.substring(0, most) : text;
    }

    private Object value(String slot, Answer answer, Optional<Course.ShownItem> shown) {
        return switch (answer) {
            case Answer.Parts p -> parts(slot, p.parts(), LONGEST);
            case Answer.Signature s -> parts(slot, List.of("name", "path"), LONGEST_PATH);
            case Answer.Grid g -> grid(slot, g);
            case Answer.Ranking r -> ranking(slot, r);
            case Answer.FileAnswer f -> files(slot, f, shown);
            // What is on offer may hang on an answer of the same page, so the interview decides it.
            default -> simple(answer, answer.options(), form.getOrDefault(slot, List.of()));
        };
    }

    private Object parts(String slot, List<String> parts, int most) {
        Map<String, Object> given = new LinkedHashMap<>();
        for (String part : parts) {
            String typed = form.getFirst(slot + PART + part);
            if (typed != null && !typed.isBlank()) {
                given.put(part, cut(typed.strip(), most));
            }
        }
        return given.isEmpty() ? null : given;
    }

    private Object grid(String slot, Answer.Grid grid) {
        Map<String, Object> given = new LinkedHashMap<>();
        for (Answer.Grid.GridRow row : grid.rows()) {
            Object value = simple(grid.row(), grid.options(), form.getOrDefault(slot + PART + row.code(), List.of()));
            if (value != null && !(value instanceof Unreadable)) {
                given.put(row.code(), value);
            }
        }
        return given.isEmpty() ? null : given;
    }

    private Object ranking(String slot, Answer.Ranking ranking) {
        List<String> ranked = new ArrayList<>();
        for (int place = 1; place <= ranking.ranked(); place++) {
            String code = form.getFirst(slot + PART + place);
            if (code != null && !code.isBlank()) {
                ranked.add(code);
            }
        }
        return ranked.isEmpty() ? null : ranked;
    }

    /**
     * Files that were there before, without those to be removed or that were refused, and the ones sent now. Where one file is asked for,
     * a new one takes the place of the earlier.
     */
    private Object files(String slot, Answer.FileAnswer answer, Optional<Course.ShownItem> shown) {
        List<Object> all = new ArrayList<>();
        Set<String> removed = new HashSet<>(form.getOrDefault(slot + PART + "remove", List.of()));
        if (shown.map(Course.ShownItem::value).orElse(null) instanceof List<?> before) {
            before.stream().filter(f -> f instanceof Attachment a && !removed.contains(a.key()) && a.fits(answer)).forEach(all::add);
        }
        List<MultipartFile> sent = files.getOrDefault(slot, List.of()).stream().filter(f -> !f.isEmpty()).toList();
        if (answer.most() == 1 && !sent.isEmpty()) {
            all.clear();
        }
        sent.forEach(file -> all.add(keep.orElseThrow().taken(file, answer)));
        return all.isEmpty() ? null : all;
    }

    private Object simple(Answer answer, List<Answer.Option> offered, List<String> given) {
        List<String> filled = given.stream().map(s -> s == null ? "" : s.strip().replace("\r\n", "\n")).filter(s -> !s.isEmpty()).toList();
        if (filled.isEmpty()) {
            return null;
        }
        String first = cut(filled.getFirst(), LONGEST);
        Set<String> codes = new HashSet<>();
        offered.forEach(o -> codes.add(o.code()));
        return switch (answer) {
            case Answer.TextAnswer t -> first;
            case Answer.Lookup l -> first;
            case Answer.Contact c -> Contacts.read(c, first).<Object>map(x -> x).orElseGet(() -> new Unreadable(first));
            case Answer.YesNo y -> first.equals("yes") ? Boolean.TRUE : first.equals("no") ? Boolean.FALSE : new Unreadable(first);
            case Answer.Agreement a -> first.equals("yes") ? Boolean.TRUE : new Unreadable(first);
            case Answer.OneChoice c -> codes.contains(first) ? first : byLabel(c, offered, first);
            case Answer.IsoCode c -> codes.contains(first) ? first : new Unreadable(first);
            case Answer.ManyChoices c -> codes.containsAll(filled)
                    ? List.copyOf(new LinkedHashSet<>(filled))
                    : new Unreadable(String.join(", ", filled));
            case Answer.Numeric n -> number(first, n.decimals());
            case Answer.Scale s -> number(first, 0);
            case Answer.DateAnswer d -> date(first);
            case Answer.TimeAnswer t -> time(first);
            default -> throw new IllegalStateException(answer.type() + " has parts");
        };
    }

    /** In a searchable list what is typed is the label. */
    private static Object byLabel(Answer.OneChoice choice, List<Answer.Option> offered, String typed) {
        return offered.stream().filter(o -> choice.layout().shown() == Answer.ShownAs.SEARCH && o.label().equalsIgnoreCase(typed))
                .<Object>map(Answer.Option::code).findFirst().orElse(new Unreadable(typed));
    }

    private Object number(String typed, Integer decimals) {
        BigDecimal number = WrittenNumber.of(typed, locale, decimals).value();
        return number == null ? new Unreadable(typed) : number;
    }

    private static Object date(String typed) {
        try {
            return LocalDate.parse(typed);
        } catch (DateTimeException e) {
            return new Unreadable(typed);
        }
    }

    private static Object time(String typed) {
        try {
            return LocalTime.parse(typed).withSecond(0).withNano(0);
        } catch (DateTimeException e) {
            return new Unreadable(typed);
        }
    }
}
