package orthogon.app.compose;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import orthogon.app.Templates;
import orthogon.app.compose.Ledger.LedgerRow;
import orthogon.core.edit.RandomEdits;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;

class LedgerTest {

    private static final Pattern PATH = Pattern.compile("M\\d+ ([\\d.]+)H([\\d.]+)V([\\d.]+)H\\d+");

    private static Ledger ledger(Questionnaire document, Set<String> folded) {
        return new Ledger(Wiring.of(document), folded);
    }

    private record Trunk(String from, double top, double bottom) {}

    @Test
    void noTrunkLiesUponAnotherInTheSameLane() {
        int several = 0;
        for (long seed = 1; seed <= 150; seed++) {
            Ledger ledger = ledger(RandomDocument.of(seed), Set.of());
            WiringLanes lanes = new WiringLanes(ledger.rows(), ledger.decisions(), Set.of());
            var byLane = lanes.bundles().stream().collect(Collectors.groupingBy(b -> {
                Matcher path = matched(b.branches().getFirst().path());
                return path.group(2);
            }));
            for (List<WiringLanes.Bundle> lane : byLane.values()) {
                List<Trunk> trunks = new ArrayList<>();
                for (WiringLanes.Bundle bundle : lane) {
                    List<Double> ys = new ArrayList<>();
                    bundle.branches().forEach(b -> {
                        Matcher path = matched(b.path());
                        ys.add(Double.valueOf(path.group(1)));
                        ys.add(Double.valueOf(path.group(3)));
                    });
                    trunks.add(new Trunk(bundle.from(), ys.stream().min(Double::compare).get(), ys.stream().max(Double::compare).get()));
                }
                for (Trunk a : trunks) {
                    for (Trunk b : trunks) {
                        assertTrue(a == b || a.bottom() < b.top() || b.bottom() < a.top(), seed + " " + a + b);
                    }
                }
                several += lane.size() > 1 ? 1 : 0;
            }
            // Wires of two deciders never end on one another at a row.
            List<String> ends = lanes.bundles().stream().flatMap(b -> b.branches().stream()).map(b -> b.to() + matched(b.path()).group(3))
                    .toList();
            assertEquals(ends.size(), new HashSet<>(ends).size(), "seed " + seed);
        }
        assertTrue(several > 20, several + " lanes with several trunks");
    }

    private static Matcher matched(String path) {
        Matcher matcher = PATH.matcher(path);
        assertTrue(matcher.matches(), path);
        return matcher;
    }

    @Test
    void foldedPagesBundleTheirWires() {
        Questionnaire document = EveryType.document();
        Ledger folded = ledger(document, Set.of("third"));
        assertEquals("third", folded.rows().get(folded.rows().size() - 2).code());
        assertEquals(8, folded.rows().get(folded.rows().size() - 2).folded());
        assertTrue(folded.decisions().stream().anyMatch(d -> d.from().equals("alive") && d.to().equals("third")));
        assertTrue(folded.decisions().stream().noneMatch(d -> d.to().equals("animals")));
        List<List<String>> pairs = folded.decisions().stream().map(d -> List.of(d.from(), d.to())).toList();
        assertEquals(pairs.size(), new HashSet<>(pairs).size());
    }

    @Test
    void changesBringAnOlderPageToTheNewestRows() {
        int single = 0;
        for (int run = 0; run < 20; run++) {
            Questionnaire document = EveryType.document();
            RandomEdits edits = new RandomEdits(run);
            for (int step = 0; step < 30; step++) {
                Questionnaire changed;
                try {
                    changed = edits.next(document).apply(document);
                } catch (Refused e) {
                    continue;
                }
                List<LedgerRow> before = ledger(document, Set.of()).rows();
                List<LedgerRow> after = ledger(changed, Set.of()).rows();
                SheetChanges changes = SheetChanges.between(before, after);
                assertEquals(after, changes.all().orElseGet(() -> applied(before, changes)));
                single += changes.all().isEmpty() ? 1 : 0;
                document = changed;
            }
        }
        assertTrue(single > 150, single + " without drawing everything anew");
    }

    /** What the browser does with the changes. */
    private static List<LedgerRow> applied(List<LedgerRow> before, SheetChanges changes) {
        List<LedgerRow> rows = new ArrayList<>(before);
        rows.removeIf(r -> changes.removed().stream().anyMatch(g -> g.id().equals(r.id())));
        for (SheetChanges.Added added : changes.added()) {
            int at = rows.stream().map(LedgerRow::id).toList().indexOf(added.after());
            assertTrue(at >= 0, added.toString());
            rows.add(at + 1, added.row());
        }
        rows.replaceAll(r -> changes.changed().stream().filter(c -> c.id().equals(r.id())).findFirst().orElse(r));
        return rows;
    }

    @Test
    void theDrawingHoldsNothingButItsOwnMarkup() {
        Questionnaire document = EveryType.document().withItem("last", i -> ((orthogon.core.questionnaire.Question) i)
                .withAskWhen("plain = \"<script>&\""));
        Ledger ledger = ledger(document, Set.of());
        String svg = Templates.fragment("compose/ledger", "wiring",
                Map.of("wiring", new WiringLanes(ledger.rows(), ledger.decisions(), Set.of("last"))));
        assertTrue(svg.contains("&lt;script&gt;&amp;") && !svg.contains("<script"), svg);
        assertTrue(svg.contains("class=\"branch never\" data-from=\"plain\" data-to=\"last\""));
        assertEquals(document.pages().stream().map(Page::code).toList(),
                ledger.rows().stream().filter(r -> r.kind().equals("page")).map(LedgerRow::code).toList());
    }
}
