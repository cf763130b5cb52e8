package orthogon.app.map;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ObjIntConsumer;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import orthogon.app.map.MapLayout.Area;
import orthogon.app.map.MapLayout.DrawnWay;

/**
 * Lays out pages among each other: one below the other in the order of the document, the way from page to page straight down between
 * them. Ways past a page run at the right, one lane for each page they lead to; finishes run at the left, one lane for each outcome. The
 * outcomes stand in a row at the foot.
 */
final class Spine {

    private static final double MARGIN = 20;
    private static final double PLAIN_GAP = 18;
    private static final double LABEL_GAP = 38;
    private static final double SLOT = 17;
    private static final double LANE = 10;
    private static final double STUB = 8;
    private static final double BETWEEN_OUTCOMES = 22;

    private final Branches branches;
    private final Map<String, Area> sizes;
    private final List<String> stops = new ArrayList<>();
    private final List<String> outcomes = new ArrayList<>();
    private final Map<String, Area> places = new LinkedHashMap<>();
    private final DrawnWay[] routes;
    /** Page to how many ends of side ways stand above the next one, at its right and at its left. */
    private final Map<String, Integer> right = new HashMap<>();
    private final Map<String, Integer> left = new HashMap<>();

    /**
     * @param sizes width and height of what is inside each page
     */
    Spine(Branches branches, Map<String, Area> sizes) {
        this.branches = branches;
        this.sizes = sizes;
        this.routes = new DrawnWay[branches.ways().size()];
        branches.frames().forEach(f -> stops.add(f.code()));
        if (branches.ways().stream().anyMatch(w -> w.from().equals(Branches.TABLE) || w.to().equals(Branches.TABLE))) {
            stops.add(Branches.TABLE);
        }
        branches.outcomes().stream().filter(o -> isFinished(o.code())).forEach(o -> outcomes.add(o.code()));
        branches.outcomes().stream().filter(o -> !isFinished(o.code())).forEach(o -> outcomes.add(o.code()));
        Arrays.fill(routes, new DrawnWay("", "", 0, 0, 0));
        stand();
        aside();
        finishes();
        rows();
        branches.outcomes().forEach(o -> places.put(o.code(), places.remove(o.code())));
    }

    private boolean isFinished(String outcome) {
        return branches.ways().stream().anyMatch(w -> isFinish(w) && w.to().equals(outcome));
    }

    private static boolean isFinish(Branches.MapWay way) {
        return way.kind().equals("finish");
    }

    /** Whether the way leads past nothing: from a stop to the next one. */
    private boolean isMain(Branches.MapWay way) {
        return way.kind().equals("next") && stops.indexOf(way.to()) == stops.indexOf(way.from()) + 1;
    }

    private boolean isAside(Branches.MapWay way) {
        return (way.kind().equals("next") || way.kind().equals("skip")) && !isMain(way) && stops.contains(way.from())
                && stops.contains(way.to());
    }

    /** All stops one below the other around the middle, tall enough for the side ways, and the main way between them. */
    private void stand() {
        double y = 0;
        for (String code : stops) {
            Area inside = sizes.getOrDefault(code, new Area(0, 0, MapLayout.OUTCOME_WIDTH, MapLayout.TITLE));
            boolean entered = branches.ways().stream().anyMatch(w -> isAside(w) && w.to().equals(code));
            long leaving = branches.ways().stream().filter(w -> isAside(w) && w.from().equals(code)).count();
            long finishing = branches.ways().stream().filter(w -> isFinish(w) && w.from().equals(code)).count();
            double height = Math.max(inside.height(), SLOT * Math.max(leaving + (entered ? 1 : 0), finishing) + 6);
            places.put(code, new Area(-inside.width() / 2, y, inside.width(), height));
            right.put(code, entered ? 1 : 0);
            boolean told = branches.ways().stream().anyMatch(w -> isMain(w) && w.from().equals(code) && !w.words().isEmpty());
            y += height + (told ? LABEL_GAP : PLAIN_GAP);
        }
        each(this::isMain, (way, i) -> {
            Area from = places.get(way.from());
            double top = from.y() + from.height();
            double end = places.get(way.to()).y();
            String words = MapLayout.shown(way.words());
            double width = MapLayout.width(words);
            routes[i] = new DrawnWay("M0 " + MapLayout.at(top) + "L0 " + MapLayout.at(end), words, -width / 2,
                    (top + end - MapLayout.LABEL_HEIGHT) / 2 - 2,
                    width);
        });
    }

    private void each(Predicate<Branches.MapWay> which, ObjIntConsumer<Branches.MapWay> draw) {
        for (int i = 0; i < routes.length; i++) {
            if (which.test(branches.ways().get(i))) {
                draw.accept(branches.ways().get(i), i);
            }
        }
    }

    private static double slot(Area at, int number) {
        return at.y() + 3 + SLOT * (number + 0.5);
    }

    /** How far from the middle the lanes of one side begin: beside every page and behind every label. */
    private double lanes(Predicate<Branches.MapWay> which) {
        double[] widest = {0};
        stops.forEach(s -> widest[0] = Math.max(widest[0], places.get(s).width() / 2));
        each(which, (w, i) -> widest[0] = Math.max(widest[0],
                places.get(w.from()).width() / 2 + STUB + MapLayout.width(MapLayout.shown(w.words()))));
        return widest[0] + STUB;
    }

    private void aside() {
        double begin = lanes(this::isAside);
        Map<String, double[]> spans = new LinkedHashMap<>();
        each(this::isAside, (way, i) -> {
            int ends = stops.indexOf(way.to());
            int begins = stops.indexOf(way.from());
            spans.merge(way.to(), new double[]{Math.min(begins, ends), Math.max(begins, ends)},
                    (a, b) -> new double[]{Math.min(a[0], b[0]), Math.max(a[1], b[1])});
        });
        Map<String, Integer> lane = new HashMap<>();
        ToDoubleFunction<String> length = to -> spans.get(to)[1] - spans.get(to)[0];
        spans.keySet().stream().sorted(Comparator.comparingDouble(length)).forEach(to -> {
            int free = 0;
            while (isTaken(free, to, lane, spans)) {
                free++;
            }
            lane.put(to, free);
        });
        each(this::isAside, (way, i) -> {
            Area from = places.get(way.from());
            Area to = places.get(way.to());
            double y = slot(from, right.merge(way.from(), 1, Integer::sum) - 1);
            double x = begin + LANE * lane.get(way.to());
            double start = from.width() / 2;
            String words = MapLayout.shown(way.words());
            routes[i] = new DrawnWay(
                    "M" + MapLayout.at(start) + " " + MapLayout.at(y) + "L" + MapLayout.at(x) + " " + MapLayout.at(y) + "L"
                            + MapLayout.at(x) + " "
                            + MapLayout.at(slot(to, 0)) + "L" + MapLayout.at(to.width() / 2) + " " + MapLayout.at(slot(to, 0)),
                    words, start + STUB,
                    y - MapLayout.LABEL_HEIGHT / 2, MapLayout.width(words));
        });
    }

    private static boolean isTaken(int lane, String to, Map<String, Integer> taken, Map<String, double[]> spans) {
        return taken.entrySet().stream().anyMatch(e -> e.getValue() == lane && spans.get(e.getKey())[0] <= spans.get(to)[1]
                && spans.get(to)[0] <= spans.get(e.getKey())[1]);
    }

    private double foot() {
        return stops.stream().map(places::get).mapToDouble(p -> p.y() + p.height()).max().orElse(0);
    }

    /** Places the outcomes, and leads the finishes to them: the outermost lane to the leftmost outcome. */
    private void finishes() {
        List<String> finished = outcomes.stream().filter(this::isFinished).toList();
        long rows = outcomes.stream().mapToLong(o -> rowsTo(o).size()).max().orElse(0);
        double bus = foot() + 14 + rows * MapLayout.LABEL_HEIGHT + 6;
        double top = bus + STUB * (finished.size() + 1) + 4;
        double[] widths = outcomes.stream().mapToDouble(this::column).toArray();
        double x = -(Arrays.stream(widths).sum() + BETWEEN_OUTCOMES * Math.max(0, widths.length - 1)) / 2;
        for (int i = 0; i < widths.length; i++) {
            places.put(outcomes.get(i),
                    new Area(x + (widths[i] - MapLayout.OUTCOME_WIDTH) / 2, top, MapLayout.OUTCOME_WIDTH, MapLayout.TITLE));
            x += widths[i] + BETWEEN_OUTCOMES;
        }
        double begin = lanes(Spine::isFinish);
        each(Spine::isFinish, (way, i) -> {
            Area from = places.get(way.from());
            Area to = places.get(way.to());
            if (from == null || to == null) {
                return;
            }
            int lane = finished.size() - 1 - finished.indexOf(way.to());
            double y = slot(from, left.merge(way.from(), 1, Integer::sum) - 1);
            double out = -begin - LANE * lane;
            double down = bus + STUB * (lane + 1);
            double in = to.x() + to.width() / 3;
            String words = MapLayout.shown(way.words());
            double width = MapLayout.width(words);
            routes[i] = new DrawnWay(
                    "M" + MapLayout.at(-from.width() / 2) + " " + MapLayout.at(y) + "L" + MapLayout.at(out) + " " + MapLayout.at(y) + "L"
                            + MapLayout.at(out) + " " + MapLayout.at(down) + "L" + MapLayout.at(in) + " " + MapLayout.at(down) + "L"
                            + MapLayout.at(in) + " "
                            + MapLayout.at(top),
                    words, -from.width() / 2 - STUB - width, y - MapLayout.LABEL_HEIGHT / 2, width);
        });
    }

    private List<Branches.MapWay> rowsTo(String outcome) {
        return branches.ways().stream().filter(w -> w.kind().equals("row") && w.to().equals(outcome)).toList();
    }

    private double column(String outcome) {
        return Math.max(MapLayout.OUTCOME_WIDTH,
                rowsTo(outcome).stream().mapToDouble(w -> MapLayout.width(MapLayout.shown(w.words()))).max().orElse(0));
    }

    /** From the outcome table to the outcomes, the conditions of all rows for one outcome below each other. */
    private void rows() {
        Map<String, Integer> told = new HashMap<>();
        each(w -> w.kind().equals("row"), (way, i) -> {
            Area table = places.get(Branches.TABLE);
            Area to = places.get(way.to());
            if (table == null || to == null) {
                return;
            }
            double x = to.x() + to.width() / 2;
            double foot = table.y() + table.height();
            double bus = foot + 8;
            String words = MapLayout.shown(way.words());
            double width = MapLayout.width(words);
            double y = bus + 4 + MapLayout.LABEL_HEIGHT * (told.merge(way.to(), 1, Integer::sum) - 1);
            routes[i] = new DrawnWay(
                    "M0 " + MapLayout.at(foot) + "L0 " + MapLayout.at(bus) + "L" + MapLayout.at(x) + " " + MapLayout.at(bus)
                            + "L" + MapLayout.at(x)
                            + " " + MapLayout.at(to.y()),
                    words, x - width / 2, y, width);
        });
    }

    /** The whole drawing around its pages, moved to where no coordinate is negative. */
    MapLayout laid(Map<String, List<DrawnWay>> lines, Map<String, Map<String, Area>> boxes) {
        double least = 0;
        double most = 0;
        double foot = 0;
        for (Area p : places.values()) {
            least = Math.min(least, p.x());
            most = Math.max(most, p.x() + p.width());
            foot = Math.max(foot, p.y() + p.height());
        }
        for (DrawnWay route : routes) {
            for (String point : route.path().isEmpty() ? new String[0] : route.path().substring(1).split("L")) {
                double x = Double.parseDouble(point.split(" ")[0]);
                least = Math.min(least, x);
                most = Math.max(most, x);
            }
            least = route.words().isEmpty() ? least : Math.min(least, route.x());
            most = route.words().isEmpty() ? most : Math.max(most, route.x() + route.width());
        }
        double right = MARGIN - least;
        Map<String, Area> moved = new LinkedHashMap<>();
        places.forEach((code, p) -> moved.put(code, p.moved(right, MARGIN)));
        Map<String, Area> inside = new HashMap<>();
        List<DrawnWay> all = new ArrayList<>();
        for (Branches.PageFrame frame : branches.frames()) {
            Area at = moved.get(frame.code());
            boxes.get(frame.code()).forEach((id, b) -> inside.put(id, b.moved(at.x(), at.y())));
            lines.get(frame.code()).forEach(l -> all.add(l.moved(at.x(), at.y())));
        }
        List<DrawnWay> ways = Arrays.stream(routes).map(r -> r.moved(right, MARGIN)).toList();
        return new MapLayout(most - least + 2 * MARGIN, foot + 2 * MARGIN, moved, inside, all, ways, List.of());
    }
}
