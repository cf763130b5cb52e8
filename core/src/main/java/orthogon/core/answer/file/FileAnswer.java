package orthogon.core.answer.file;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/**
 * Files.
 *
 * @param most most files, 1 to 100
 * @param largest most bytes of each, up to one gigabyte
 * @param mediaTypes accepted, {@code image/jpeg} or {@code image/*}, by content; empty for any
 */
public record FileAnswer(int most, long largest, List<String> mediaTypes) implements Answer {

    public static final int MOST_FILES = 100;
    public static final long LARGEST_BYTES = 1_000_000_000;
    /** What one file may hold where nothing else is said. */
    public static final long USUAL_BYTES = 5_000_000;

    public FileAnswer {
        mediaTypes = List.copyOf(mediaTypes);
        AnswerFault.unlessBetween(most, 1, MOST_FILES, "most", "files go");
        if (largest < 1 || largest > LARGEST_BYTES) {
            throw new AnswerFault("largest", "a file holds from one byte to 1000 megabytes");
        }
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.FILE;
    }

    @Override
    public Domain domain() {
        return new Domain.Files(most, largest, mediaTypes);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof List<?> files && files.stream().allMatch(Attachment.class::isInstance) ? raw : null;
    }

    /** The size of the largest file, in megabytes. */
    public BigDecimal megabytes() {
        return new BigDecimal(largest).movePointLeft(6).stripTrailingZeros();
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof List<?> files)) {
            return AnswerRefusal.of("file");
        }
        if (files.size() > most) {
            return AnswerRefusal.of("files", most);
        }
        for (Object each : files) {
            Attachment file = (Attachment) each;
            if (file.bytes() > largest) {
                return AnswerRefusal.of("large", file.name(), megabytes());
            }
            if (!file.isOfAKindFor(this)) {
                return AnswerRefusal.of("kind", file.name());
            }
        }
        return Optional.empty();
    }
}
