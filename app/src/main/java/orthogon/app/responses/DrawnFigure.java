package orthogon.app.responses;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.responses.AnswerFigure;
import orthogon.core.responses.AnswerFigure.FigureBar;
import orthogon.core.responses.AnswerFigure.FigureSpread;
import orthogon.core.responses.AnswerFigure.SpreadOf;

/**
 * A figure as it is drawn. Lengths are in units of the drawing, which are pixels at its natural size.
 *
 * @param heading title of the page, where the figure is the first of it; empty otherwise
 * @param asked of each group, as {@code answered} and {@code leftOut}
 * @param bars one beside each option
 * @param columns one above each range of a spread
 * @param facts least, middle, mean and most, in words; empty where there are none
 */
record DrawnFigure(String heading, String code, String wording, List<Integer> asked, List<Integer> answered, List<Integer> leftOut,
        List<DrawnBar> bars, List<DrawnBar> columns, String facts) {

    /** Longest bar. */
    static final int WIDTH = 240;
    /** Highest column. */
    static final int HEIGHT = 64;

    /**
     * An option or a range.
     *
     * @param counts of each group
     * @param shares of each group in percent of those who answered, with a sign
     * @param lengths of each group
     */
    record DrawnBar(String code, String label, List<Integer> counts, List<String> shares, List<Integer> lengths) {}

    static List<DrawnFigure> of(List<AnswerFigure> figures) {
        List<DrawnFigure> drawn = new ArrayList<>();
        String page = "";
        for (AnswerFigure figure : figures) {
            drawn.add(of(figure, figure.page().equals(page) ? "" : figure.page()));
            page = figure.page();
        }
        return drawn;
    }

    private static DrawnFigure of(AnswerFigure figure, String heading) {
        FigureSpread spread = figure.spread();
        return new DrawnFigure(heading, figure.code(), figure.wording(), figure.asked(), figure.answered(), figure.leftOut(),
                drawn(figure, figure.bars(), WIDTH), spread == null ? List.of() : drawn(figure, spread.ranges(), HEIGHT),
                spread == null
                        ? ""
                        : "least " + said(spread.of(), spread.least()) + ", middle " + said(spread.of(), spread.middle()) + ", mean "
                                + said(spread.of(), spread.mean()) + ", most " + said(spread.of(), spread.most()));
    }

    private static List<DrawnBar> drawn(AnswerFigure figure, List<FigureBar> bars, int longest) {
        // Groups of different sizes are compared by their shares.
        double[] greatest = {1e-9};
        bars.forEach(bar -> {
            for (int g = 0; g < bar.counts().size(); g++) {
                greatest[0] = Math.max(greatest[0], share(bar.counts().get(g), figure.answered().get(g)));
            }
        });
        List<DrawnBar> drawn = new ArrayList<>();
        for (FigureBar bar : bars) {
            List<String> shares = new ArrayList<>();
            List<Integer> lengths = new ArrayList<>();
            for (int g = 0; g < bar.counts().size(); g++) {
                double share = share(bar.counts().get(g), figure.answered().get(g));
                shares.add(Math.round(100 * share) + " %");
                lengths.add((int) Math.round(longest * share / greatest[0]));
            }
            drawn.add(new DrawnBar(bar.code(), bar.label(), bar.counts(), shares, lengths));
        }
        return drawn;
    }

    private static double share(int count, int of) {
        return of == 0 ? 0 : (double) count / of;
    }

    private static String said(SpreadOf of, BigDecimal value) {
        return switch (of) {
            case DAYS -> LocalDate.ofEpochDay(value.longValue()).toString();
            case TIMES -> LocalTime.ofSecondOfDay(value.longValue() / 60 * 60).toString();
            case NUMBERS -> value.setScale(Math.min(2, Math.max(0, value.stripTrailingZeros().scale())), RoundingMode.HALF_UP)
                    .stripTrailingZeros().toPlainString();
        };
    }

    /** How many groups stand beside each other. */
    public int groups() {
        return answered.size();
    }
}
