package orthogon.app.prove;

import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.app.frame.Frame;
import orthogon.app.opening.Openable;
import orthogon.app.prove.Explained.FollowedLine;
import orthogon.app.prove.Explained.GivenAnswer;
import orthogon.app.proving.CaseLaneSets;
import orthogon.app.proving.WorkedOut.Worked;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.drill.CaseDrill;
import orthogon.core.proof.drill.CaseDrill.CaseGoal;
import orthogon.core.proof.drill.CaseLane;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.report.CaseDrillReport;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Whole cases: every lane that a case can take, with the people in it, and drills that together do all that a case can do. */
@Controller
@RequestMapping("/q/{code}/prove/case")
class CaseLanesController {

    /**
     * One drill across a case.
     *
     * @param pick the lane that it takes, as the drawing names it; empty where it is not told
     * @param differs what the interviews do otherwise; empty where nothing
     */
    record CaseDrillRow(int number, String letter, int colour, String outcome, String goes, String sends, int covers, String covered,
            String differs, String pick) {}

    /** The lanes and drills of a case, as far as they are worked out. */
    record CaseLanesView(String code, boolean opensAny, boolean ready, boolean stopped, String why, CaseDrawing lanes, boolean more,
            List<CaseDrillRow> rows, int goals, long asExpected) {}

    /** One lane with the answers of everybody in it. */
    record CaseLaneView(String code, String pick, int number, int of, String letter, int colour, String outcome, String goes,
            List<GivenAnswer> answers, List<FollowedLine> followed) {}

    private final Frame frame;
    private final CaseLaneSets sets;
    private final Openable openable;
    private final Acts acts;

    CaseLanesController(Frame frame, CaseLaneSets sets, Openable openable, Acts acts) {
        this.frame = frame;
        this.sets = sets;
        this.openable = openable;
        this.acts = acts;
    }

    @GetMapping
    String lanes(@PathVariable String code, @RequestParam(defaultValue = "0") int from, Model model) {
        Draft draft = frame.draft(code);
        Questionnaire document = draft.document();
        boolean opensAny = !document.followUps().isEmpty();
        Optional<Worked<CaseLanes>> set = opensAny ? sets.ready(draft) : Optional.empty();
        Optional<CaseLanes> found = set.flatMap(Worked::found);
        List<CaseDrillRow> rows = found.map(f -> rows(draft, f)).orElse(List.of());
        Views.show(model,
                new CaseLanesView(code, opensAny, set.isPresent(), set.filter(Worked::isStopped).isPresent(),
                        set.map(Worked::why).orElse(""),
                        found.map(f -> CaseDrawing.of(f, document, from)).orElse(null), found.filter(CaseLanes::more).isPresent(), rows,
                        found.map(f -> f.goals().size()).orElse(0), rows.stream().filter(r -> r.differs().isEmpty()).count()));
        return "prove/case :: lanes";
    }

    @PostMapping("/stop")
    String stop(@PathVariable String code, Model model) {
        sets.stop(frame.draft(code));
        return lanes(code, 0, model);
    }

    @PostMapping("/again")
    String again(@PathVariable String code, Model model) {
        sets.again(frame.draft(code));
        return lanes(code, 0, model);
    }

    private List<CaseDrillRow> rows(Draft draft, CaseLanes found) {
        Questionnaire document = draft.document();
        Wiring wiring = Wiring.of(document);
        Openable.Opened others = openable.of(document);
        List<CaseLane> lanes = found.lanes().stream().map(CaseLanes.WalkedLane::lane).toList();
        List<CaseDrillRow> rows = new ArrayList<>();
        for (CaseDrill drill : found.drills()) {
            int outcome = RouteLanes.number(document, drill.lane().outcome());
            int lane = lanes.indexOf(drill.lane());
            rows.add(new CaseDrillRow(rows.size() + 1, RouteLanes.letter(outcome), outcome % RouteLanes.COLOURS,
                    RouteLanes.label(document, drill.lane().outcome()), CaseDrawing.said(drill.lane()), String.join(", ", drill.sends()),
                    drill.covers().size(), drill.covers().stream().map(CaseGoal::words).collect(Collectors.joining("; ")),
                    String.join("; ", CaseLanes.differences(wiring, others, LocalDate.now(), drill)), lane < 0 ? "" : "case." + lane));
        }
        return rows;
    }

    @GetMapping("/lane")
    String lane(@PathVariable String code, @RequestParam String pick, Model model) {
        Draft draft = frame.draft(code);
        CaseLanes found = sets.lanes(draft);
        int number = found.lanes().indexOf(CaseLaneSets.lane(found, pick));
        CaseLane lane = found.lanes().get(number).lane();
        CaseWitness witness = found.lanes().get(number).witness();
        Questionnaire document = draft.document();
        Openable.Opened others = openable.of(document);
        int outcome = RouteLanes.number(document, lane.outcome());
        Views.show(model,
                new CaseLaneView(code, pick, number + 1, found.lanes().size(), RouteLanes.letter(outcome), outcome % RouteLanes.COLOURS,
                        RouteLanes.label(document, lane.outcome()), CaseDrawing.said(lane), Explained.answers(document, witness.answers()),
                        Explained.followed(witness.followed(), f -> others.opened(document, f.path()))));
        return "prove/case :: lane";
    }

    /** Drills as a table for whoever tries cases by hand. */
    @GetMapping("/drills.csv")
    ResponseEntity<String> csv(@PathVariable String code, Principal who) {
        Draft draft = frame.draft(code);
        String csv = CaseDrillReport.csv(sets.lanes(draft).drills());
        acts.saved(who.getName(), code, "the drills across a case as CSV");
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + code + "-case-drills.csv\"").body(csv);
    }
}
