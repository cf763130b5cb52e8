package orthogon.app.prove;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.prove.RouteLanes.DrawnLane;
import orthogon.app.prove.RouteLanes.LaneGroup;
import orthogon.app.prove.RouteLanes.QuestionRow;
import orthogon.core.proof.drill.CaseLane;
import orthogon.core.proof.drill.CaseLane.CaseEnd;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.proof.drill.CaseLanes.WalkedLane;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * The lanes of a case, ready to be drawn: what becomes of follow-ups down, lanes across, grouped by how the first interview ends.
 *
 * @param from number of the first lane, from 0
 * @param to number of the last one, from 1
 * @param all how many lanes there are
 */
record CaseDrawing(int from, int to, int all, List<LaneGroup> groups, List<QuestionRow> rows, int width, int height) {

    private static final int LABELS = 248;
    private static final String OUTCOME = " = ";

    /** Where the labels of rows end. */
    public int labelsEnd() {
        return LABELS - 8;
    }

    /** Letters that a label has room for. */
    public int labelLetters() {
        return 36;
    }

    /** @param from number of the first lane that is drawn, from 0 */
    static CaseDrawing of(CaseLanes found, Questionnaire document, int from) {
        List<WalkedLane> lanes = found.lanes();
        int first = Math.clamp(from, 0, Math.max(0, lanes.size() - 1));
        List<WalkedLane> drawn = lanes.subList(first, Math.min(lanes.size(), first + RouteLanes.MOST));
        List<QuestionRow> rows = rows(document, lanes);
        List<LaneGroup> groups = groups(document, lanes, drawn, rows);
        return new CaseDrawing(first, first + drawn.size(), lanes.size(), groups, rows, RouteLanes.width(groups, LABELS),
                RouteLanes.height(rows));
    }

    private static List<QuestionRow> rows(Questionnaire document, List<WalkedLane> lanes) {
        Map<String, Set<String>> byFollowUp = new LinkedHashMap<>();
        document.followUps().forEach(f -> byFollowUp.put(f.code(), new LinkedHashSet<>()));
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (WalkedLane lane : lanes) {
            for (CaseEnd end : lane.lane().ends()) {
                for (String mark : marks(end)) {
                    byFollowUp.computeIfAbsent(end.path(), n -> new LinkedHashSet<>()).add(mark);
                    counts.merge(mark, 1, Integer::sum);
                }
            }
        }
        // How a follow-up ends comes first, then the outcomes of its interview.
        byFollowUp.replaceAll((f, marks) -> marks.stream().sorted(Comparator.comparing(m -> m.contains(OUTCOME)))
                .collect(Collectors.toCollection(LinkedHashSet::new)));
        List<QuestionRow> rows = new ArrayList<>();
        byFollowUp.forEach((followUp, marks) -> marks.forEach(mark -> {
            String sheet = UriComponentsBuilder.fromPath("/q/{code}/dispatch").queryParam("at", followUp.split("\\.")[0]).encode()
                    .buildAndExpand(document.code()).toUriString();
            rows.add(new QuestionRow(mark, mark, RouteLanes.y(rows.size()),
                    RouteLanes.share(BigInteger.valueOf(counts.get(mark)), BigInteger.valueOf(lanes.size())), sheet));
        }));
        return rows;
    }

    /** What a lane shows of a follow-up: how it ends, and the outcome of its interview. */
    private static List<String> marks(CaseEnd end) {
        List<String> marks = new ArrayList<>();
        marks.add(end.path() + " " + (end.decision().isEmpty() ? end.state() : end.decision()));
        if (!end.outcome().isEmpty()) {
            marks.add(end.path() + OUTCOME + end.outcome());
        }
        return marks;
    }

    /** What becomes of the follow-ups of a lane, in words. */
    static String said(CaseLane lane) {
        return lane.ends().isEmpty()
                ? "opens nothing"
                : lane.ends().stream().map(e -> e.path() + " " + e.state() + (e.decision().isEmpty() ? "" : " (" + e.decision() + ")")
                        + (e.outcome().isEmpty() ? "" : ", ends as " + e.outcome())).collect(Collectors.joining("; "));
    }

    private static List<LaneGroup> groups(Questionnaire document, List<WalkedLane> all, List<WalkedLane> drawn, List<QuestionRow> rows) {
        Map<String, List<WalkedLane>> byOutcome = new LinkedHashMap<>();
        drawn.forEach(l -> byOutcome.computeIfAbsent(l.lane().outcome(), o -> new ArrayList<>()).add(l));
        List<LaneGroup> groups = new ArrayList<>();
        byOutcome.forEach((outcome, lanes) -> {
            int x = RouteLanes.next(groups, LABELS);
            List<DrawnLane> columns = new ArrayList<>();
            for (WalkedLane lane : lanes) {
                Set<String> marks = lane.lane().ends().stream().flatMap(e -> marks(e).stream()).collect(Collectors.toSet());
                int number = all.indexOf(lane);
                int at = x + columns.size() * RouteLanes.STEP;
                columns.add(new DrawnLane("case." + number, at, RouteLanes.squares(marks, rows, at), said(lane.lane()), 0, marks));
            }
            long count = all.stream().filter(l -> l.lane().outcome().equals(outcome)).count();
            groups.add(RouteLanes.group(document, outcome, BigInteger.valueOf(count), x, columns));
        });
        return groups;
    }
}
