package orthogon.app.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.app.compose.Ledger.Decision;
import orthogon.app.compose.Ledger.LedgerRow;

/**
 * The wiring beside the ledger: from each deciding row one right-angled line in a lane of its own, with a branch to every row that it
 * decides. Short lines lie next to the rows and long ones outside, so that no line lies upon another and few cross.
 */
final class WiringLanes {

    static final int ROW = 28;
    static final int BAND = 31;
    private static final int NARROWEST = 112;
    private static final int WIDEST = 240;

    /** The line to one decided row. */
    record Branch(String to, String path, String arrow, String says, boolean never) {}

    /** All lines of one deciding row. */
    record Bundle(String from, String dotX, String dotY, List<Branch> branches) {}

    private final List<Bundle> bundles = new ArrayList<>();
    private final int width;
    private final int height;

    private record RowExtent(int y, int height) {}

    private record LaneSpan(String from, int top, int bottom) {}

    /** @param never rows that nobody ever reaches */
    WiringLanes(List<LedgerRow> rows, List<Decision> decisions, Set<String> never) {
        Map<String, RowExtent> places = new HashMap<>();
        int y = 0;
        for (LedgerRow row : rows) {
            int height = isBand(row.kind()) ? BAND : ROW;
            places.put(row.code(), new RowExtent(y, height));
            y += height;
        }
        this.height = y;
        Map<String, List<Decision>> byFrom = new LinkedHashMap<>();
        Map<String, List<String>> arriving = new HashMap<>();
        for (Decision d : decisions) {
            if (places.containsKey(d.from()) && places.containsKey(d.to())) {
                byFrom.computeIfAbsent(d.from(), f -> new ArrayList<>()).add(d);
                arriving.computeIfAbsent(d.to(), t -> new ArrayList<>()).add(d.from());
            }
        }
        Map<String, Integer> laneOf = lanes(byFrom, places);
        int lanes = laneOf.values().stream().mapToInt(l -> l + 1).max().orElse(0);
        this.width = Math.clamp(26 + lanes * 7L, NARROWEST, WIDEST);
        double gap = Math.min(11, (width - 26.0) / Math.max(1, lanes));
        byFrom.forEach((from, all) -> {
            double x = width - 16 - laneOf.get(from) * gap;
            RowExtent source = places.get(from);
            double sourceY = source.y() + source.height() - 6;
            List<Branch> branches = new ArrayList<>();
            for (Decision d : all) {
                RowExtent target = places.get(d.to());
                List<String> others = arriving.get(d.to());
                double entry = target.y() + 3 + (target.height() - 13.0) * (others.indexOf(from) + 0.5) / others.size();
                branches.add(new Branch(d.to(),
                        "M" + (width - 3) + " " + round(sourceY) + "H" + round(x) + "V" + round(entry) + "H" + (width - 3),
                        "M" + (width - 7) + " " + round(entry - 3) + "L" + (width - 2) + " " + round(entry) + "L" + (width - 7) + " "
                                + round(entry + 3),
                        d.says(), never.contains(d.to())));
            }
            bundles.add(new Bundle(from, String.valueOf(width - 6), round(sourceY - 2.5), branches));
        });
    }

    static boolean isBand(String kind) {
        return kind.equals("page") || kind.equals("ending") || kind.equals("presentation");
    }

    private static Map<String, Integer> lanes(Map<String, List<Decision>> byFrom, Map<String, RowExtent> places) {
        List<LaneSpan> spans = new ArrayList<>();
        byFrom.forEach((from, all) -> {
            int top = places.get(from).y();
            int bottom = top;
            for (Decision d : all) {
                top = Math.min(top, places.get(d.to()).y());
                bottom = Math.max(bottom, places.get(d.to()).y());
            }
            spans.add(new LaneSpan(from, top, bottom));
        });
        spans.sort(Comparator.comparingInt((LaneSpan s) -> s.bottom() - s.top()).thenComparingInt(LaneSpan::top));
        List<List<LaneSpan>> lanes = new ArrayList<>();
        Map<String, Integer> laneOf = new HashMap<>();
        for (LaneSpan span : spans) {
            int lane = 0;
            while (lane < lanes.size() && lanes.get(lane).stream().anyMatch(s -> s.top() <= span.bottom() && span.top() <= s.bottom())) {
                lane++;
            }
            if (lane == lanes.size()) {
                lanes.add(new ArrayList<>());
            }
            lanes.get(lane).add(span);
            laneOf.put(span.from(), lane);
        }
        return laneOf;
    }

    public List<Bundle> bundles() {
        return bundles;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    private static String round(double value) {
        long halves = Math.round(value * 2);
        return halves % 2 == 0 ? String.valueOf(halves / 2) : String.valueOf(halves / 2.0);
    }
}
