package orthogon.app.map;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.eclipse.elk.alg.layered.options.CycleBreakingStrategy;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.alg.layered.options.NodePlacementStrategy;
import org.eclipse.elk.alg.layered.options.OrderingStrategy;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.options.SizeConstraint;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkLabel;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;

/**
 * Where everything is drawn, in pixels from the upper left: each page is laid out by itself, then the pages along a {@link Spine}.
 *
 * @param frames by page, then the outcome table and the outcomes by their codes
 * @param boxes by id
 * @param lines in the order of all lines of all frames
 * @param ways in the order of the ways
 * @param openings in the order of what leads to follow-ups
 */
record MapLayout(double width, double height, Map<String, Area> frames, Map<String, Area> boxes, List<DrawnWay> lines,
        List<DrawnWay> ways, List<DrawnWay> openings) {

    /** The same, further to the right. */
    MapLayout moved(double right) {
        Map<String, Area> movedFrames = new LinkedHashMap<>(frames);
        movedFrames.replaceAll((code, area) -> area.moved(right, 0));
        Map<String, Area> movedBoxes = new LinkedHashMap<>(boxes);
        movedBoxes.replaceAll((id, area) -> area.moved(right, 0));
        return new MapLayout(width + right, height, movedFrames, movedBoxes, lines.stream().map(l -> l.moved(right, 0)).toList(),
                ways.stream().map(w -> w.path().isEmpty() ? w : w.moved(right, 0)).toList(), openings);
    }

    /** A rectangle. */
    record Area(double x, double y, double width, double height) {

        Area moved(double right, double down) {
            return new Area(x + right, y + down, width, height);
        }
    }

    /**
     * A right-angled line with its label.
     *
     * @param path as SVG draws it
     * @param words the label, shortened to what has room; empty for none
     */
    record DrawnWay(String path, String words, double x, double y, double width) {

        DrawnWay moved(double right, double down) {
            String elsewhere = POINT.matcher(path).replaceAll(
                    m -> at(Double.parseDouble(m.group(1)) + right) + " " + at(Double.parseDouble(m.group(2)) + down));
            return new DrawnWay(elsewhere, words, x + right, y + down, width);
        }
    }

    private static final Pattern POINT = Pattern.compile("(-?[\\d.]+) (-?[\\d.]+)");

    static final double BOX_WIDTH = 176;
    static final double BOX_HEIGHT = 36;
    static final double REFERENCE_HEIGHT = 20;
    static final double TITLE = 30;
    static final double LABEL_HEIGHT = 15;
    private static final double LETTER = 5.6;
    private static final int MOST_LETTERS = 38;
    private static final double FRAME_WIDTH = 216;
    static final double OUTCOME_WIDTH = 170;

    /** The paper in sight in a window of 1280 by 800, and how much smaller letters may be drawn there than they are. */
    private static final double SHEET_WIDTH = 1000;
    private static final double SHEET_HEIGHT = 660;
    private static final double SMALLEST = 0.75;

    /** Whether the whole drawing can be read in a usual window. */
    boolean isLegibleWhole() {
        return width * SMALLEST <= SHEET_WIDTH && height * SMALLEST <= SHEET_HEIGHT;
    }

    static MapLayout of(Branches branches) {
        Map<String, Area> sizes = new LinkedHashMap<>();
        Map<String, Map<String, Area>> boxes = new HashMap<>();
        Map<String, List<DrawnWay>> lines = new HashMap<>();
        for (Branches.PageFrame frame : branches.frames()) {
            ElkNode graph = graph();
            Map<String, ElkNode> nodes = new LinkedHashMap<>();
            frame.boxes().forEach(b -> nodes.put(b.id(), node(graph, BOX_WIDTH, b.reference() ? REFERENCE_HEIGHT : BOX_HEIGHT)));
            List<ElkEdge> edges = new ArrayList<>();
            frame.lines().forEach(l -> edges.add(edge(nodes.get(l.from()), nodes.get(l.to()), l.words())));
            if (nodes.isEmpty()) {
                graph.setDimensions(FRAME_WIDTH, TITLE);
            } else {
                new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
            }
            double width = Math.max(FRAME_WIDTH, graph.getWidth());
            double right = (width - graph.getWidth()) / 2;
            sizes.put(frame.code(), new Area(0, 0, width, graph.getHeight()));
            Map<String, Area> inside = new LinkedHashMap<>();
            nodes.forEach((id, n) -> inside.put(id, new Area(right + n.getX(), n.getY(), n.getWidth(), n.getHeight())));
            boxes.put(frame.code(), inside);
            lines.put(frame.code(), edges.stream().map(e -> route(e).moved(right, 0)).toList());
        }
        return CaseRows.below(new Spine(branches, sizes).laid(lines, boxes), branches);
    }

    private static ElkNode graph() {
        ElkNode graph = ElkGraphUtil.createGraph();
        graph.setProperty(CoreOptions.SEPARATE_CONNECTED_COMPONENTS, true);
        graph.setProperty(CoreOptions.ASPECT_RATIO, 1.3);
        graph.setProperty(CoreOptions.PADDING, new ElkPadding(TITLE + 12, 14, 14, 14));
        graph.setProperty(CoreOptions.ALGORITHM, "org.eclipse.elk.layered");
        graph.setProperty(CoreOptions.DIRECTION, Direction.DOWN);
        graph.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        graph.setProperty(CoreOptions.SPACING_NODE_NODE, 18.0);
        graph.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, 26.0);
        graph.setProperty(CoreOptions.SPACING_EDGE_NODE, 12.0);
        graph.setProperty(CoreOptions.SPACING_EDGE_EDGE, 8.0);
        graph.setProperty(LayeredOptions.SPACING_EDGE_NODE_BETWEEN_LAYERS, 10.0);
        graph.setProperty(CoreOptions.SPACING_EDGE_LABEL, 2.0);
        // The order of the document is the order of the drawing, and nothing in it runs backwards.
        graph.setProperty(LayeredOptions.CYCLE_BREAKING_STRATEGY, CycleBreakingStrategy.MODEL_ORDER);
        graph.setProperty(LayeredOptions.CONSIDER_MODEL_ORDER_STRATEGY, OrderingStrategy.NODES_AND_EDGES);
        graph.setProperty(LayeredOptions.NODE_PLACEMENT_STRATEGY, NodePlacementStrategy.NETWORK_SIMPLEX);
        graph.setProperty(CoreOptions.NODE_SIZE_CONSTRAINTS, EnumSet.noneOf(SizeConstraint.class));
        return graph;
    }

    private static ElkNode node(ElkNode graph, double width, double height) {
        ElkNode node = ElkGraphUtil.createNode(graph);
        node.setDimensions(width, height);
        return node;
    }

    private static ElkEdge edge(ElkNode from, ElkNode to, String words) {
        ElkEdge edge = ElkGraphUtil.createSimpleEdge(from, to);
        if (!words.isEmpty()) {
            ElkLabel label = ElkGraphUtil.createLabel(shown(words), edge);
            label.setDimensions(width(shown(words)), LABEL_HEIGHT);
            label.setProperty(CoreOptions.EDGE_LABELS_INLINE, true);
        }
        return edge;
    }

    private static DrawnWay route(ElkEdge edge) {
        StringBuilder path = new StringBuilder();
        for (ElkEdgeSection section : edge.getSections()) {
            path.append('M').append(at(section.getStartX())).append(' ').append(at(section.getStartY()));
            section.getBendPoints().forEach(b -> path.append('L').append(at(b.getX())).append(' ').append(at(b.getY())));
            path.append('L').append(at(section.getEndX())).append(' ').append(at(section.getEndY()));
        }
        return edge.getLabels().stream().findFirst()
                .map(l -> new DrawnWay(path.toString(), l.getText(), l.getX(), l.getY(), l.getWidth()))
                .orElseGet(() -> new DrawnWay(path.toString(), "", 0, 0, 0));
    }

    /** The label, shortened to what has room. */
    static String shown(String words) {
        return words.length() <= MOST_LETTERS ? words : words.substring(0, MOST_LETTERS - 1).strip() + "…";
    }

    /** The room that a label takes. */
    static double width(String shown) {
        return shown.isEmpty() ? 0 : shown.length() * LETTER + 8;
    }

    static String at(double coordinate) {
        return String.valueOf(Math.round(coordinate * 2) / 2.0).replaceAll("\\.0$", "");
    }
}
