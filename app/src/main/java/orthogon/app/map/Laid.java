package orthogon.app.map;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.elk.alg.layered.options.CycleBreakingStrategy;
import org.eclipse.elk.alg.layered.options.LayerConstraint;
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
 * Where everything is drawn, in pixels from the upper left: each page is laid out by itself, then the pages among each other.
 *
 * @param frames by page, then the outcome table and the outcomes by their codes
 * @param boxes by id
 * @param lines in the order of all lines of all frames
 * @param ways in the order of the ways
 */
record Laid(double width, double height, Map<String, Place> frames, Map<String, Place> boxes, List<Route> lines, List<Route> ways) {

    /** A rectangle. */
    record Place(double x, double y, double width, double height) {}

    /**
     * A right-angled line with its label.
     *
     * @param path as SVG draws it
     * @param words the label, shortened to what has room; empty for none
     */
    record Route(String path, String words, double x, double y, double width) {}

    static final double BOX_WIDTH = 176;
    static final double BOX_HEIGHT = 36;
    static final double REFERENCE_HEIGHT = 20;
    static final double TITLE = 30;
    static final double LABEL_HEIGHT = 15;
    private static final double LETTER = 6.1;
    private static final int MOST_LETTERS = 38;
    private static final double FRAME_WIDTH = 216;
    private static final double OUTCOME_WIDTH = 150;

    static Laid of(Branches branches) {
        Map<String, ElkNode> inside = new LinkedHashMap<>();
        Map<String, Place> boxes = new HashMap<>();
        Map<String, List<ElkEdge>> edgesOf = new LinkedHashMap<>();
        Map<String, Map<String, ElkNode>> nodesOf = new HashMap<>();
        for (Branches.Frame frame : branches.frames()) {
            ElkNode graph = graph(18, 26);
            graph.setProperty(CoreOptions.SEPARATE_CONNECTED_COMPONENTS, true);
            graph.setProperty(CoreOptions.ASPECT_RATIO, 1.3);
            graph.setProperty(CoreOptions.PADDING, new ElkPadding(TITLE + 12, 14, 14, 14));
            Map<String, ElkNode> nodes = new LinkedHashMap<>();
            frame.boxes().forEach(b -> nodes.put(b.id(), node(graph, BOX_WIDTH, b.reference() ? REFERENCE_HEIGHT : BOX_HEIGHT)));
            List<ElkEdge> edges = new ArrayList<>();
            frame.lines().forEach(l -> edges.add(edge(nodes.get(l.from()), nodes.get(l.to()), l.words())));
            if (nodes.isEmpty()) {
                graph.setDimensions(FRAME_WIDTH, TITLE);
            } else {
                layout(graph);
            }
            inside.put(frame.code(), graph);
            edgesOf.put(frame.code(), edges);
            nodesOf.put(frame.code(), nodes);
        }
        ElkNode whole = graph(44, 52);
        whole.setProperty(CoreOptions.PADDING, new ElkPadding(20));
        Map<String, ElkNode> stops = new LinkedHashMap<>();
        branches.frames().forEach(f -> stops.put(f.code(), node(whole, Math.max(FRAME_WIDTH, inside.get(f.code()).getWidth()),
                inside.get(f.code()).getHeight())));
        stops.put(Branches.TABLE, node(whole, OUTCOME_WIDTH, TITLE));
        for (Branches.Outcome outcome : branches.outcomes()) {
            ElkNode node = node(whole, OUTCOME_WIDTH, TITLE);
            node.setProperty(LayeredOptions.LAYERING_LAYER_CONSTRAINT, LayerConstraint.LAST);
            stops.put(outcome.code(), node);
        }
        List<ElkEdge> ways = new ArrayList<>();
        branches.ways().forEach(w -> ways.add(stops.containsKey(w.from()) && stops.containsKey(w.to())
                ? edge(stops.get(w.from()), stops.get(w.to()), w.words())
                : null));
        layout(whole);
        Map<String, Place> frames = new LinkedHashMap<>();
        stops.forEach((code, n) -> frames.put(code, new Place(n.getX(), n.getY(), n.getWidth(), n.getHeight())));
        List<Route> lines = new ArrayList<>();
        for (Branches.Frame frame : branches.frames()) {
            Place at = frames.get(frame.code());
            double right = (at.width() - inside.get(frame.code()).getWidth()) / 2;
            nodesOf.get(frame.code()).forEach((id, n) -> boxes.put(id,
                    new Place(at.x() + right + n.getX(), at.y() + n.getY(), n.getWidth(), n.getHeight())));
            edgesOf.get(frame.code()).forEach(e -> lines.add(route(e, at.x() + right, at.y())));
        }
        return new Laid(whole.getWidth(), whole.getHeight(), frames, boxes, lines, ways.stream().map(e -> route(e, 0, 0)).toList());
    }

    private static ElkNode graph(double apart, double below) {
        ElkNode graph = ElkGraphUtil.createGraph();
        graph.setProperty(CoreOptions.ALGORITHM, "org.eclipse.elk.layered");
        graph.setProperty(CoreOptions.DIRECTION, Direction.DOWN);
        graph.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        graph.setProperty(CoreOptions.SPACING_NODE_NODE, apart);
        graph.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, below);
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
            String shown = words.length() <= MOST_LETTERS ? words : words.substring(0, MOST_LETTERS - 1).strip() + "…";
            ElkLabel label = ElkGraphUtil.createLabel(shown, edge);
            label.setDimensions(shown.length() * LETTER + 8, LABEL_HEIGHT);
            label.setProperty(CoreOptions.EDGE_LABELS_INLINE, true);
        }
        return edge;
    }

    private static void layout(ElkNode graph) {
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
    }

    private static Route route(ElkEdge edge, double x, double y) {
        if (edge == null) {
            return new Route("", "", 0, 0, 0);
        }
        StringBuilder path = new StringBuilder();
        for (ElkEdgeSection section : edge.getSections()) {
            path.append('M').append(at(x + section.getStartX())).append(' ').append(at(y + section.getStartY()));
            section.getBendPoints().forEach(b -> path.append('L').append(at(x + b.getX())).append(' ').append(at(y + b.getY())));
            path.append('L').append(at(x + section.getEndX())).append(' ').append(at(y + section.getEndY()));
        }
        return edge.getLabels().stream().findFirst()
                .map(l -> new Route(path.toString(), l.getText(), x + l.getX(), y + l.getY(), l.getWidth()))
                .orElseGet(() -> new Route(path.toString(), "", 0, 0, 0));
    }

    static String at(double coordinate) {
        return String.valueOf(Math.round(coordinate * 2) / 2.0).replaceAll("\\.0$", "");
    }
}
