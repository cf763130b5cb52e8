package orthogon.app.map;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.app.map.Branches.CaseFrame;
import orthogon.app.map.MapLayout.Area;
import orthogon.app.map.MapLayout.DrawnWay;

/**
 * Lays out follow-ups below the outcomes that open them, each stage of a case in a row of its own. The lines to one row run along levels
 * of their own between the rows, so that none lies upon another.
 */
final class CaseRows {

    private static final double BETWEEN = 24;
    private static final double STEP = 7;
    private static final double ABOVE = 16;
    private static final double MARGIN = 20;
    static final double WIDTH = 216;
    static final double HEIGHT = 62;

    private final Map<String, Area> frames;
    private final List<CaseFrame> followUps;
    private final Map<String, Integer> stages = new HashMap<>();
    /** How many lines leave a frame so far, by its code. */
    private final Map<String, Integer> leaving = new HashMap<>();
    private final Map<String, DrawnWay> drawn = new HashMap<>();
    private double width;
    private double height;

    private CaseRows(MapLayout laid, List<CaseFrame> followUps) {
        this.frames = new LinkedHashMap<>(laid.frames());
        this.followUps = followUps;
        this.width = laid.width();
        this.height = laid.height();
    }

    /** The layout with the follow-ups below it. */
    static MapLayout below(MapLayout laid, Branches branches) {
        if (branches.followUps().isEmpty()) {
            return laid;
        }
        CaseRows rows = new CaseRows(laid, branches.followUps());
        double centre = branches.outcomes().stream().map(o -> laid.frames().get(o.code())).mapToDouble(a -> a.x() + a.width() / 2).average()
                .orElse(laid.width() / 2);
        double moved = rows.place(centre);
        MapLayout shifted = moved == 0 ? laid : laid.moved(moved);
        rows.lead();
        List<DrawnWay> opening = branches.openings().stream().map(o -> rows.drawn.get(o.from() + " " + o.to())).toList();
        return new MapLayout(rows.width, rows.height, rows.frames, shifted.boxes(), shifted.lines(), shifted.ways(), opening);
    }

    /** A follow-up stands one stage behind the last of those it comes of. */
    private int stage(CaseFrame followUp) {
        return stages.computeIfAbsent(followUp.code(), code -> followUps.stream().takeWhile(f -> !f.code().equals(code))
                .filter(f -> followUp.from().contains(f.code())).mapToInt(f -> stage(f) + 1).max().orElse(0));
    }

    private List<CaseFrame> row(int stage) {
        return followUps.stream().filter(f -> stages.get(f.code()) == stage).toList();
    }

    /**
     * Places the frames row by row.
     *
     * @return how far everything moves to the right, since a row is wider than what stands above
     */
    private double place(double centre) {
        for (CaseFrame followUp : followUps) {
            stages.put(followUp.code(), stage(followUp));
        }
        int last = stages.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        double widest = 0;
        for (int stage = 0; stage <= last; stage++) {
            widest = Math.max(widest, row(stage).size() * (WIDTH + BETWEEN) - BETWEEN);
        }
        double moved = Math.max(0, MARGIN + widest / 2 - centre);
        if (moved > 0) {
            frames.replaceAll((code, area) -> area.moved(moved, 0));
        }
        width = Math.max(width + moved, centre + moved + widest / 2 + MARGIN);
        for (int stage = 0; stage <= last; stage++) {
            List<CaseFrame> row = row(stage);
            double top = height - MARGIN + ABOVE + STEP * row.size() + MapLayout.LABEL_HEIGHT + STEP;
            double left = centre + moved - (row.size() * (WIDTH + BETWEEN) - BETWEEN) / 2;
            for (CaseFrame followUp : row) {
                frames.put(followUp.code(), new Area(left, top, WIDTH, HEIGHT));
                left += WIDTH + BETWEEN;
            }
            height = top + HEIGHT + 2 * MARGIN;
        }
        return moved;
    }

    private void lead() {
        for (CaseFrame followUp : followUps) {
            List<CaseFrame> row = row(stages.get(followUp.code()));
            Area to = frames.get(followUp.code());
            double x = to.x() + to.width() / 2;
            double level = to.y() - MapLayout.LABEL_HEIGHT - STEP - STEP * (row.size() - row.indexOf(followUp));
            // The last line lies on top, so it has the words.
            List<String> from = new ArrayList<>(followUp.from());
            for (String code : from) {
                Area source = frames.get(code);
                double start = source.x() + source.width() / 2 + STEP * leaving.merge(code, 1, Integer::sum) - STEP;
                boolean named = code.equals(from.getLast());
                String words = named ? MapLayout.shown(followUp.words()) : "";
                double wide = MapLayout.width(words);
                drawn.put(code + " " + followUp.code(),
                        new DrawnWay("M" + MapLayout.at(start) + " " + MapLayout.at(source.y() + source.height()) + "L"
                                + MapLayout.at(start) + " " + MapLayout.at(level) + "L" + MapLayout.at(x) + " " + MapLayout.at(level) + "L"
                                + MapLayout.at(x) + " " + MapLayout.at(to.y()), words, x - wide / 2,
                                to.y() - MapLayout.LABEL_HEIGHT - 5, wide));
            }
        }
    }
}
