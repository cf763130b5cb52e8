package orthogon.core.interview;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.Optional;

/**
 * Where an answer is kept. The slot of a question is its code; inside a roster it is {@code animals.2.species}, with the number of the
 * entry, which stays with the entry when others are removed. The slot of a roster holds the numbers of its entries, as texts in order.
 * The text beside an "other" option is kept at {@code species.other}.
 */
public final class Slots {

    private static final String OTHER = ".other";

    private Slots() {}

    public static String of(String roster, String entry, String code) {
        return roster + "." + entry + "." + code;
    }

    public static String other(String slot) {
        return slot + OTHER;
    }

    /** The question whose answer the slot keeps; empty for rosters, and for what the document does not know. */
    public static Optional<Question> question(Questionnaire document, String slot) {
        return document.question(code(slot));
    }

    /** The code of the question or roster whose answer the slot keeps. */
    public static String code(String slot) {
        String plain = isOther(slot) ? slot.substring(0, slot.length() - OTHER.length()) : slot;
        return plain.substring(plain.lastIndexOf('.') + 1);
    }

    public static boolean isOther(String slot) {
        return slot.endsWith(OTHER);
    }

    /** Answers as they are sent, a roster as a list of entries, brought into slots. */
    public static Map<String, Object> flat(Questionnaire document, Map<String, Object> answers) {
        Map<String, Object> flat = new LinkedHashMap<>();
        answers.forEach((code, value) -> {
            boolean roster = document.item(code).orElse(null) instanceof Roster;
            if (!roster || !(value instanceof List<?> entries)) {
                flat.put(code, value);
                return;
            }
            List<String> numbers = new ArrayList<>();
            for (Object entry : entries) {
                String number = String.valueOf(numbers.size() + 1);
                numbers.add(number);
                ((Map<?, ?>) entry).forEach((inner, given) -> flat.put(of(code, number, (String) inner), given));
            }
            flat.put(code, numbers);
        });
        return flat;
    }

    /**
     * The entries of a roster as they are given now. Where their number is fixed, those that are too many at present stay behind them, in
     * case the number grows again.
     */
    static Object given(Roster roster, Object now, Object before) {
        if (!roster.count().isFixed() || !(now instanceof List<?> entries) || !(before instanceof List<?> earlier)) {
            return now;
        }
        return Stream.concat(entries.stream(), earlier.stream()).map(String::valueOf).distinct().toList();
    }

    /** The entries of a roster that were given, and further ones up to its least. */
    static List<String> entries(Roster roster, Map<String, Object> raw) {
        List<String> given = raw.get(roster.code()) instanceof List<?> l ? l.stream().map(String::valueOf).toList() : List.of();
        return given.size() >= roster.least() ? given : exactly(roster.least(), given);
    }

    /** The first of the entries that were given, and further ones where there are too few. */
    static List<String> exactly(int count, List<String> given) {
        List<String> entries = new ArrayList<>(given.subList(0, Math.min(count, given.size())));
        for (int next = 1; entries.size() < count; next++) {
            if (!entries.contains(String.valueOf(next))) {
                entries.add(String.valueOf(next));
            }
        }
        return entries;
    }

    /** The slots of all questions of a page with its rosters' entries as given, asked or not, in document order. */
    public static List<String> on(Page page, Map<String, Object> given) {
        return under(page.items(), given).stream().map(Slot::key).toList();
    }

    /** The slots of all questions under these items, asked or not, in document order. */
    static List<Slot> under(List<Item> items, Map<String, Object> raw) {
        List<Slot> slots = new ArrayList<>();
        items.forEach(item -> add(item, "", "", raw, slots));
        return slots;
    }

    /** One slot and the question, or the roster, that fills it. */
    record Slot(String key, Item item) {}

    private static void add(Item item, String roster, String entry, Map<String, Object> raw, List<Slot> into) {
        switch (item) {
            case Question q -> {
                String slot = entry.isEmpty() ? q.code() : of(roster, entry, q.code());
                into.add(new Slot(slot, q));
                if (hasOther(q.answer())) {
                    into.add(new Slot(other(slot), q));
                }
            }
            case Roster r -> {
                into.add(new Slot(r.code(), r));
                entries(r, raw).forEach(number -> r.items().forEach(i -> add(i, r.code(), number, raw, into)));
            }
            case Section s -> s.items().forEach(i -> add(i, roster, entry, raw, into));
            default -> {}
        }
    }

    static boolean hasOther(Answer answer) {
        return answer.hasOwnOptions() && answer.options().stream().anyMatch(Option::other);
    }
}
