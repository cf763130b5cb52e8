package orthogon.core.questionnaire;

import orthogon.core.answer.Option;
import java.util.stream.Stream;

/**
 * The most that the analyst wants any route to ask of a respondent.
 *
 * @param questions most questions, a roster or a grid counting as one; null for no limit
 * @param words most words to read, of usual wordings, helps, labels and page texts, in the source language; null for no limit
 * @param minutes longest time to read them, at {@link #WORDS_A_MINUTE}; null for no limit
 */
public record Burden(Integer questions, Integer words, Integer minutes) {

    public static final int WORDS_A_MINUTE = 200;

    public static final Burden ANY = new Burden(null, null, null);

    /** The words of a page's own texts. */
    public static int words(Page page) {
        return count(Stream.of(page.title(), page.introduction()));
    }

    /** The words of an item's own texts, options among them; not of what it holds. */
    public static int words(Item item) {
        return switch (item) {
            case Question q -> count(Stream.concat(Stream.of(q.wording(), q.help()),
                    q.answer().hasOwnOptions() ? q.answer().options().stream().map(Option::label) : Stream.of()));
            case Derived d -> 0;
            default -> count(Stream.of(item.wording()));
        };
    }

    private static int count(Stream<String> texts) {
        return texts.mapToInt(t -> t.isBlank() ? 0 : t.strip().split("\\s+").length).sum();
    }
}
