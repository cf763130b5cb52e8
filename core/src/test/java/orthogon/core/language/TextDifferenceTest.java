package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import orthogon.core.language.TextDifference.PieceKind;
import orthogon.core.language.TextDifference.Run;
import org.junit.jupiter.api.Test;

class TextDifferenceTest {

    @Test
    void wordsThatCameAndWentAreTold() {
        assertEquals(
                List.of(new Run(PieceKind.SAME, "Which "), new Run(PieceKind.GONE, "kind"), new Run(PieceKind.NEW, "sort"),
                        new Run(PieceKind.SAME, " is it?")),
                TextDifference.of("Which kind is it?", "Which sort is it?"));
        assertEquals(List.of(new Run(PieceKind.SAME, "same")), TextDifference.of("same", "same"));
        assertEquals(List.of(new Run(PieceKind.NEW, "new")), TextDifference.of("", "new"));
    }

    @Test
    void whatIsThereIsTheOneTextAndWhatWasIsTheOther() {
        Random random = new Random(4);
        for (int i = 0; i < 300; i++) {
            String before = words(random);
            String after = words(random);
            List<Run> runs = TextDifference.of(before, after);
            assertEquals(after, runs.stream().filter(r -> r.kind() != PieceKind.GONE).map(Run::text).collect(Collectors.joining()));
            assertEquals(before, runs.stream().filter(r -> r.kind() != PieceKind.NEW).map(Run::text).collect(Collectors.joining()));
        }
    }

    private static String words(Random random) {
        return IntStream.range(0, random.nextInt(9)).mapToObj(i -> "abc".substring(random.nextInt(3)).substring(0, 1))
                .collect(Collectors.joining(" "));
    }
}
