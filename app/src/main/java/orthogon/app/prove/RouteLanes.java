package orthogon.app.prove;

import java.math.BigInteger;
import java.math.MathContext;
import java.math.RoundingMode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.frame.Frame;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * Routes as lanes, ready to be drawn: questions down, routes across, a square where a route asks a question.
 *
 * @param wanted how many routes there are that the filter lets through
 * @param spread whether those drawn are spread over all, or follow one another
 * @param to number of the last one drawn, from 1, where they follow one another
 * @param onAll codes that every wanted route asks
 * @param onNone codes that none asks
 */
record RouteLanes(BigInteger wanted, boolean spread, BigInteger from, BigInteger to, List<LaneGroup> groups, List<QuestionRow> rows,
        List<String> onAll,
        List<String> onNone, int width, int height) {

    static final int MOST = 64;
    private static final int LABELS = 148;
    static final int STEP = 11;
    private static final int SQUARE = 9;
    private static final int ROW = 12;
    private static final int TOP = 26;
    private static final int GAP = 8;
    private static final double LETTER = 6.2;
    static final int COLOURS = 8;

    /**
     * A line of the drawing.
     *
     * @param share of the lanes that have a square there
     * @param sheet address of where it is written
     */
    record QuestionRow(String code, String wording, int y, String share, String sheet) {}

    /**
     * One route.
     *
     * @param id outcome and number, as in {@code now.17}
     * @param path its squares
     * @param said what it is, for those who do not see it
     */
    record DrawnLane(String id, int x, String path, String said, int questions, Set<String> asked) {}

    /**
     * The routes that end alike.
     *
     * @param letter stands for the outcome where its label has no room
     * @param heading the letter, and the label as far as there is room for it
     */
    record LaneGroup(String letter, String outcome, String label, String count, int colour, int x, int width, String heading,
            List<DrawnLane> lanes) {}

    /**
     * @param from number of the first route, from 0; negative to spread them
     * @param everyRow whether questions that all or none ask have a line too
     */
    static RouteLanes of(Routes routes, Questionnaire document, Routes.Filter filter, BigInteger from, boolean everyRow) {
        BigInteger wanted = routes.count(filter);
        boolean spread = from.signum() < 0 && wanted.compareTo(BigInteger.valueOf(MOST)) > 0;
        BigInteger first = from.max(BigInteger.ZERO);
        List<Routes.RouteGroup> found = spread ? routes.spread(filter, MOST) : routes.inOrder(filter, first, MOST);
        Map<String, BigInteger> asking = routes.asking(filter);
        List<String> onAll = asking.keySet().stream().filter(c -> wanted.signum() > 0 && asking.get(c).equals(wanted)).toList();
        List<String> onNone = asking.keySet().stream().filter(c -> asking.get(c).signum() == 0).toList();
        List<QuestionRow> rows = new ArrayList<>();
        for (String code : asking.keySet()) {
            if (everyRow || !onAll.contains(code) && !onNone.contains(code)) {
                String sheet = UriComponentsBuilder.fromPath("/q/{code}/compose").queryParam("at", code).encode()
                        .buildAndExpand(document.code()).toUriString();
                rows.add(new QuestionRow(code, document.item(code).map(Item::wording).orElse(code), y(rows.size()),
                        share(asking.get(code), wanted), sheet));
            }
        }
        List<LaneGroup> groups = groups(document, found, rows);
        int drawn = found.stream().mapToInt(g -> g.told().size()).sum();
        return new RouteLanes(wanted, spread, first, first.add(BigInteger.valueOf(drawn)), groups, rows, onAll, onNone,
                width(groups, LABELS),
                height(rows));
    }

    static int width(List<LaneGroup> groups, int labels) {
        return groups.isEmpty() ? labels : groups.getLast().x() + groups.getLast().width() + 54;
    }

    static int height(List<QuestionRow> rows) {
        return TOP + rows.size() * ROW + 4;
    }

    /** Where a row stands. */
    static int y(int row) {
        return TOP + row * ROW;
    }

    /**
     * Where the group after these begins.
     *
     * @param labels width of what stands before the first
     */
    static int next(List<LaneGroup> groups, int labels) {
        return groups.isEmpty()
                ? labels
                : groups.getLast().x() + groups.getLast().width() + (groups.getLast().lanes().isEmpty() ? 0 : GAP);
    }

    static LaneGroup group(Questionnaire document, String outcome, BigInteger count, int x, List<DrawnLane> lanes) {
        int number = number(document, outcome);
        String letter = letter(number);
        String label = label(document, outcome);
        int width = lanes.size() * STEP;
        return new LaneGroup(letter, outcome, label, Frame.grouped(count), number % COLOURS, x, width, heading(letter, label, width),
                lanes);
    }

    private static List<LaneGroup> groups(Questionnaire document, List<Routes.RouteGroup> found, List<QuestionRow> rows) {
        List<LaneGroup> groups = new ArrayList<>();
        for (Routes.RouteGroup group : found) {
            List<DrawnLane> lanes = new ArrayList<>();
            int begin = next(groups, LABELS);
            for (Routes.Route route : group.told()) {
                int x = begin + lanes.size() * STEP;
                lanes.add(new DrawnLane(group.outcome() + "." + route.number(), x, squares(route.asked(), rows, x),
                        route.asked().size() + " questions", route.asked().size(), route.asked()));
            }
            groups.add(group(document, group.outcome(), group.count(), begin, lanes));
        }
        return groups;
    }

    /** Where the labels of rows end. */
    public int labelsEnd() {
        return LABELS - 8;
    }

    /** Letters that a label has room for. */
    public int labelLetters() {
        return 21;
    }

    /** What a route asks and not all do. */
    public String asks(DrawnLane lane) {
        return lane.asked().stream().filter(c -> !onAll.contains(c)).collect(Collectors.joining(" "));
    }

    static int number(Questionnaire document, String outcome) {
        int number = document.outcomes().stream().map(Questionnaire.Outcome::code).toList().indexOf(outcome);
        return number < 0 ? document.outcomes().size() : number;
    }

    /** A to Z, then A2 and so on. */
    static String letter(int number) {
        return (char) ('A' + number % 26) + (number < 26 ? "" : String.valueOf(number / 26 + 1));
    }

    static String label(Questionnaire document, String outcome) {
        return document.outcome(outcome).map(Questionnaire.Outcome::label).orElse("no outcome");
    }

    private static String heading(String letter, String label, int width) {
        int room = (int) (width / LETTER) - letter.length() - 1;
        if (room < 4) {
            return letter.length() * LETTER > width ? "" : letter;
        }
        return letter + " " + (label.length() <= room ? label : label.substring(0, room - 1).strip() + "…");
    }

    static String squares(Set<String> asked, List<QuestionRow> rows, int x) {
        StringBuilder path = new StringBuilder();
        for (QuestionRow row : rows) {
            if (asked.contains(row.code())) {
                path.append('M').append(x).append(' ').append(row.y()).append('h').append(SQUARE).append('v').append(SQUARE).append("h-")
                        .append(SQUARE).append('z');
            }
        }
        return path.toString();
    }

    /** How many of the routes, in percent; never 0 or 100 where it is neither. */
    static String share(BigInteger part, BigInteger all) {
        if (part.signum() == 0 || part.equals(all)) {
            return part.signum() == 0 ? "none" : "all";
        }
        BigDecimal percent = new BigDecimal(part).multiply(BigDecimal.valueOf(100)).divide(new BigDecimal(all), MathContext.DECIMAL32);
        if (percent.compareTo(BigDecimal.ONE) < 0) {
            return "< 1 %";
        }
        return percent.compareTo(BigDecimal.valueOf(99)) > 0 ? "> 99 %" : percent.setScale(0, RoundingMode.HALF_UP) + " %";
    }
}
