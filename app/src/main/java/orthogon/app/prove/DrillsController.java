package orthogon.app.prove;

import orthogon.app.account.People;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.proving.DrillSets;
import orthogon.app.proving.WorkedOut.Worked;
import orthogon.app.proving.Replayed;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.DrillStore;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Goal;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.report.DrillReport;
import orthogon.formats.stored.StoredAnswers;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
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

/** Drills: the set that covers everything, and those that were pinned, walked again through the draft as it is. */
@Controller
@RequestMapping("/q/{code}/prove/drills")
class DrillsController {

    /**
     * One drill of the set.
     *
     * @param covers how many things, and the first of them in words
     * @param differs what the interview does otherwise; empty where nothing
     * @param answers as JSON
     */
    record DrillRow(int number, String outcome, String letter, int colour, String pages, int questions, int tries, int covers,
            String covered,
            String differs, String answers, boolean pinned) {}

    /** One pinned drill. */
    record Pinned(long id, String name, String author, String differs, String answers) {}

    /** The drills, as they last ran. */
    record DrillsView(String code, boolean ready, boolean stopped, String why, Drills drills, List<DrillRow> rows, long asExpected,
            String replayed, List<Pinned> pinned, long failed) {}

    private final People people;
    private final Frame frame;
    private final DrillSets sets;
    private final DrillStore pinned;
    private final Acts acts;

    DrillsController(Frame frame, DrillSets sets, DrillStore pinned, People people, Acts acts) {
        this.acts = acts;
        this.people = people;
        this.frame = frame;
        this.sets = sets;
        this.pinned = pinned;
    }

    @GetMapping
    String list(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Optional<Worked<Drills>> set = sets.ready(draft);
        List<Drill> drills = set.flatMap(Worked::found).map(Drills::drills).orElse(List.of());
        Wiring wiring = Wiring.of(draft.document());
        List<DrillStore.SavedDrill> kept = pinned.of(draft.id(), draft.document());
        List<List<String>> differences = drills.stream().map(d -> Rerun.differences(wiring, LocalDate.now(), d)).toList();
        List<Pinned> walked = kept.stream().map(d -> Replayed.of(d, wiring)).map(r -> new Pinned(r.drill().id(), r.drill().name(),
                people.shown(r.drill().author()), r.differs(), answers(r.drill()))).toList();
        Views.show(model,
                new DrillsView(code, set.isPresent(), set.filter(Worked::isStopped).isPresent(), set.map(Worked::why).orElse(""),
                        set.flatMap(Worked::found).orElse(null), rows(draft, drills, differences, kept),
                        differences.stream().filter(List::isEmpty).count(),
                        LocalTime.now().truncatedTo(ChronoUnit.SECONDS).format(DateTimeFormatter.ISO_LOCAL_TIME), walked,
                        walked.stream().filter(p -> !p.differs().isEmpty()).count()));
        return "prove/lower :: drills";
    }

    @PostMapping("/stop")
    String stop(@PathVariable String code, Model model) {
        sets.stop(frame.draft(code));
        return list(code, model);
    }

    @PostMapping("/again")
    String again(@PathVariable String code, Model model) {
        sets.again(frame.draft(code));
        return list(code, model);
    }

    private static String answers(DrillStore.SavedDrill drill) {
        Map<String, Object> all = new LinkedHashMap<>(drill.answers());
        all.putAll(drill.link());
        return StoredAnswers.write(all);
    }

    private static List<DrillRow> rows(Draft draft, List<Drill> drills, List<List<String>> differences,
            List<DrillStore.SavedDrill> kept) {
        List<DrillRow> rows = new ArrayList<>();
        List<String> known = kept.stream().map(DrillsController::answers).toList();
        for (int i = 0; i < drills.size(); i++) {
            Drill drill = drills.get(i);
            int outcome = RouteLanes.number(draft.document(), drill.outcome());
            int tries = drill.steps().stream().mapToInt(s -> s.attempts().size()).sum();
            String answers = StoredAnswers.write(drill.answers());
            rows.add(new DrillRow(i + 1, RouteLanes.label(draft.document(), drill.outcome()), RouteLanes.letter(outcome),
                    outcome % RouteLanes.COLOURS,
                    drill.steps().stream().map(Drill.DrillStep::page).collect(Collectors.joining(" › ")),
                    drill.steps().stream().mapToInt(s -> s.asked().size()).sum(), tries, drill.covers().size() + tries,
                    drill.covers().stream().map(Goal::words).collect(Collectors.joining("; ")),
                    String.join("; ", differences.get(i)), answers, known.contains(answers)));
        }
        return rows;
    }

    private Drills drills(Draft draft) {
        Worked<Drills> set = sets.of(draft);
        return set.found().orElseThrow(() -> new NotThere("There are no drills: " + set.why() + "."));
    }

    @GetMapping("/file.csv")
    ResponseEntity<String> csv(@PathVariable String code, Principal who) {
        Drills drills = drills(frame.draft(code));
        acts.saved(who.getName(), code, "the drills as CSV");
        return file(DrillReport.csv(drills), "text/csv;charset=UTF-8", code + "-drills.csv");
    }

    /** A page to print and sign. */
    @GetMapping(path = "/script", produces = MediaType.TEXT_HTML_VALUE)
    ResponseEntity<String> script(@PathVariable String code, Principal who) {
        Draft draft = frame.draft(code);
        Drills drills = drills(draft);
        acts.saved(who.getName(), code, "the drills as a script");
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/html;charset=UTF-8"))
                .body(DrillReport.script(draft.document(), LocalDate.now(), drills));
    }

    private static ResponseEntity<String> file(String text, String type, String name) {
        return ResponseEntity.ok().contentType(MediaType.valueOf(type))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"").body(text);
    }

    /** Keeps a drill with what it leads to now, to be walked again after every edit. */
    @PostMapping("/pin")
    String pin(@PathVariable String code, @RequestParam int number, @RequestParam String answers, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            Drill drill = drills(draft).drills().stream().filter(d -> StoredAnswers.write(d.answers()).equals(answers)).findFirst()
                    .orElseThrow(() -> new Refused("The drills have changed; look at them first."));
            Interview walked = Replay.of(Wiring.of(draft.document()), LocalDate.now(), drill.answers(), "");
            pinned.save(draft.id(), Replayed.saved("Drill " + number + " of revision " + draft.revision() + ", "
                    + RouteLanes.label(draft.document(), drill.outcome()), walked, who.getName()));
            return list(code, model);
        });
    }

    @PostMapping("/unpin")
    String unpin(@PathVariable String code, @RequestParam long id, Model model) {
        Draft draft = frame.draft(code);
        pinned.discard(draft.id(), id);
        return list(code, model);
    }
}
