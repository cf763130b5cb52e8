package orthogon.core.responses;

import java.math.BigDecimal;
import java.util.List;

/**
 * What was answered to one question, in one group of responses or in two beside each other. Every list of counts has one for each group.
 *
 * @param page title of its page
 * @param asked how many were asked; in each group
 * @param answered how many answered
 * @param bars one for each option or value; empty where there are too many values
 * @param spread of numbers, days or times; null for others
 */
public record AnswerFigure(String code, String wording, String page, List<Integer> asked, List<Integer> answered, List<FigureBar> bars,
        FigureSpread spread) {

    /** How many chose an option, or gave a value in a range. */
    public record FigureBar(String code, String label, List<Integer> counts) {

        public int most() {
            return counts.stream().mapToInt(Integer::intValue).max().orElse(0);
        }
    }

    /** What a spread is of. */
    public enum SpreadOf {
        NUMBERS, DAYS, TIMES
    }

    /**
     * How numbers are spread, over all groups together.
     *
     * @param ranges from the least to the most, without gaps; the code of each is where it begins
     * @param middle half of the values are at most this
     */
    public record FigureSpread(SpreadOf of, List<FigureBar> ranges, BigDecimal least, BigDecimal middle, BigDecimal mean,
            BigDecimal most) {}

    /** How many were asked and gave no answer. */
    public List<Integer> leftOut() {
        return java.util.stream.IntStream.range(0, asked.size()).mapToObj(i -> Math.max(0, asked.get(i) - answered.get(i))).toList();
    }

    /** The greatest count of all bars and ranges; at least 1. */
    public int greatest() {
        List<FigureBar> drawn = spread == null ? bars : spread.ranges();
        return Math.max(1, drawn.stream().mapToInt(FigureBar::most).max().orElse(1));
    }
}
