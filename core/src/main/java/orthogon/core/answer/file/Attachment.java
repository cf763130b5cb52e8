package orthogon.core.answer.file;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * One file that a respondent gave.
 *
 * @param key under which its content is kept
 * @param name as the respondent calls it
 * @param bytes its size
 * @param mediaType told by its content
 */
public record Attachment(String key, String name, long bytes, String mediaType) {

    /** Whether it is not too large for the answer, and of a kind that it takes. */
    public boolean fits(FileAnswer answer) {
        return bytes <= answer.largest() && isOfAKindFor(answer);
    }

    public boolean isOfAKindFor(FileAnswer answer) {
        return answer.mediaTypes().isEmpty() || answer.mediaTypes().stream().anyMatch(m -> m.equals(mediaType)
                || m.endsWith("/*") && mediaType.startsWith(m.substring(0, m.length() - 1)));
    }

    /** Every file in an answer, also in the entries of a roster. */
    public static Stream<Attachment> within(Object value) {
        return switch (value) {
            case Attachment file -> Stream.of(file);
            case List<?> list -> list.stream().flatMap(Attachment::within);
            case Map<?, ?> parts -> parts.values().stream().flatMap(Attachment::within);
            case null, default -> Stream.empty();
        };
    }
}
