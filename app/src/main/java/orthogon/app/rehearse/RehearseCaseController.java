package orthogon.app.rehearse;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.proving.Ahead;
import orthogon.app.proving.CaseLaneSets;
import orthogon.app.answer.PageRecords;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PostedPage;
import orthogon.app.questions.PageSubmission;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.dispatch.CaseRun;
import orthogon.core.dispatch.CaseRun.RunFollowUp;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Walks a whole case: one person takes every seat, of those who answer and of those who decide. Nothing of it is kept. */
@Controller
@RequestMapping("/q/{code}/rehearse/case")
class RehearseCaseController {

    private final Frame frame;
    private final RehearsedCases cases;
    private final CaseLaneSets lanes;
    private final Ahead ahead;
    private final People people;
    private final RehearsedPages pages;

    RehearseCaseController(Frame frame, RehearsedCases cases, CaseLaneSets lanes, Ahead ahead, People people,
            RehearsedPages pages) {
        this.pages = pages;
        this.frame = frame;
        this.cases = cases;
        this.lanes = lanes;
        this.ahead = ahead;
        this.people = people;
    }

    private Optional<CaseRun> run(Draft draft, Principal who) {
        return cases.find(who, draft);
    }

    private void keep(Draft draft, Principal who, CaseRun run) {
        cases.keep(who, draft, run);
    }

    /** Begins with a case that takes a lane, everybody in it having done what they do there. */
    @PostMapping("/lane")
    String lane(@PathVariable String code, @RequestParam String pick, Principal who) {
        Draft draft = frame.draft(code);
        CaseWitness witness = CaseLaneSets.lane(lanes.lanes(draft), pick).witness();
        Interview first = Replay.of(Wiring.of(draft.document()), LocalDate.now(), witness.answers(), "");
        keep(draft, who, along(cases.begin(draft, first), witness));
        return "redirect:/q/" + code + "/rehearse/case";
    }

    /** Lets every follow-up end as it does in the case of a witness, in the order in which they are opened. */
    private static CaseRun along(CaseRun begun, CaseWitness witness) {
        CaseRun run = begun;
        for (int seat = 0; seat < run.followUps().size(); seat++) {
            RunFollowUp opened = run.followUps().get(seat);
            Optional<FollowedUp> said = witness.of(opened.followUp().code());
            if (said.isPresent()) {
                run = switch (FollowUpProgress.of(said.get().state())) {
                    case EXPIRED -> run.late(seat);
                    case WITHDRAWN -> run.withdrawn(seat);
                    default -> answered(run, seat, said.get());
                };
            }
        }
        return run;
    }

    private static CaseRun answered(CaseRun run, int seat, FollowedUp said) {
        Interview begun = run.followUps().get(seat).interview();
        Map<String, Object> answers = new LinkedHashMap<>(said.answers());
        answers.putAll(begun.link());
        CaseRun sent = run.answering(seat, Replay.of(begun.wiring(), begun.today(), answers, "")).sent(seat);
        return said.decision().isEmpty() ? sent : sent.decided(seat, said.decision());
    }

    /** The seat that can be taken first. */
    @GetMapping
    String sheet(@PathVariable String code, Principal who, Model model) {
        Draft draft = frame.draft(code);
        Optional<CaseRun> run = run(draft, who);
        if (run.isEmpty()) {
            return "redirect:/q/" + code + "/rehearse";
        }
        int seat = IntStream.range(0, run.get().followUps().size())
                .filter(i -> run.get().followUps().get(i).progress().isOpen() || run.get().followUps().get(i).isToDecide()).findFirst()
                .orElse(-1);
        return show(draft, run.get(), seat, "", false, "", model);
    }

    @GetMapping("/{seat}")
    String seat(@PathVariable String code, @PathVariable int seat, @RequestParam(defaultValue = "") String at, Principal who, Model model) {
        Draft draft = frame.draft(code);
        Optional<CaseRun> run = run(draft, who).filter(r -> isThere(r, seat));
        return run.isEmpty() ? "redirect:/q/" + code + "/rehearse/case" : show(draft, run.get(), seat, at, false, "", model);
    }

    private static boolean isThere(CaseRun run, int seat) {
        return seat >= 0 && seat < run.followUps().size();
    }

    private static String action(Draft draft, int seat) {
        return "/q/" + draft.code() + "/rehearse/case/" + seat;
    }

    private String show(Draft draft, CaseRun run, int seat, String at, boolean withErrors, String notice, Model model) {
        return show(draft, run, seat, at, withErrors, notice, pages.records(draft.code()), model);
    }

    private String show(Draft draft, CaseRun run, int seat, String at, boolean withErrors, String notice, PageRecords records,
            Model model) {
        frame.fill(model, draft, "rehearse");
        draw(draft, run, seat, at, withErrors, notice, records, model);
        return "rehearse-case";
    }

    private void draw(Draft draft, CaseRun run, int seat, String at, boolean withErrors, String notice, PageRecords records, Model model) {
        model.addAttribute("run", RehearsedCase.of(run, seat, Wiring.of(draft.document()), people::named));
        model.addAttribute("action", action(draft, seat));
        if (seat < 0) {
            return;
        }
        RunFollowUp taken = run.followUps().get(seat);
        if (taken.progress().isOpen() && taken.interview().course().current().isPresent()) {
            QuestionsPage.page(taken.interview(), action(draft, seat), at, withErrors, notice, 0, 0, ahead.of(taken.interview()), records,
                    model);
        }
    }

    /** The run of which that seat can be answered; where there is none any more, nothing is answered. */
    private CaseRun answerable(Draft draft, int seat, Principal who) {
        return run(draft, who).filter(r -> isThere(r, seat) && r.followUps().get(seat).progress().isOpen())
                .orElseThrow(() -> new NotThere("This seat cannot be taken any more. Begin the case again from Rehearse."));
    }

    @PostMapping("/{seat}")
    String answer(@PathVariable String code, @PathVariable int seat, @RequestParam MultiValueMap<String, String> form,
            HttpServletRequest request, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        CaseRun run = answerable(draft, seat, who);
        Interview interview = run.followUps().get(seat).interview();
        String go = Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next");
        Optional<Course.PageView> current = interview.course().current();
        if (current.isEmpty() || !current.get().page().code().equals(form.getFirst(PageForm.PAGE))) {
            return go.equals("back")
                    ? kept(draft, who, run.answering(seat, interview.back()), seat, "")
                    : "redirect:" + action(draft, seat);
        }
        PageSubmission turn = PageSubmission.of(interview, pages.given(code, interview, current.get(), form, request), form);
        CaseRun answered = run.answering(seat, turn.interview());
        if (!(turn instanceof PageSubmission.Warned)) {
            keep(draft, who, answered);
        }
        return switch (turn) {
            case PageSubmission.Moved m -> kept(draft, who, answered, seat, m.at());
            case PageSubmission.Again a -> {
                response.setStatus(a.refused() ? 422 : 200);
                yield show(draft, answered, seat, a.at(), a.refused(), pages.notice(a, form), pages.found(code, a, form), model);
            }
            case PageSubmission.Warned w -> {
                response.setStatus(409);
                QuestionsPage.warned(w, interview, go, model);
                yield show(draft, answered, seat, w.at(), false, "", model);
            }
        };
    }

    private String kept(Draft draft, Principal who, CaseRun run, int seat, String at) {
        keep(draft, who, run);
        return "redirect:" + action(draft, seat) + (at.isEmpty() ? "" : "?at=" + at);
    }

    /** The page as it would be with what is on it now; nothing is kept. */
    @PostMapping("/{seat}/live")
    String live(@PathVariable String code, @PathVariable int seat, @RequestParam MultiValueMap<String, String> form, Principal who,
            Model model) {
        Draft draft = frame.draft(code);
        CaseRun run = answerable(draft, seat, who);
        PostedPage posted = pages.posted(code, run.followUps().get(seat).interview(), form);
        draw(draft, run.answering(seat, posted.now()), seat, Optional.ofNullable(form.getFirst(PageForm.AT)).orElse(""), false, "",
                pages.records(code), model);
        return "rehearse-case :: live";
    }

    /** Records for what is typed into a lookup on the page, as the page stands now. */
    @PostMapping("/{seat}/records")
    String records(@PathVariable String code, @PathVariable int seat, @RequestParam MultiValueMap<String, String> form, Principal who,
            Model model) {
        Interview interview = answerable(frame.draft(code), seat, who).followUps().get(seat).interview();
        model.addAttribute("found", pages.found(code, interview, form));
        return "answer/lookup :: found";
    }

    /** Fills the pages that are left by chance. */
    @PostMapping("/{seat}/fill")
    String fill(@PathVariable String code, @PathVariable int seat, Principal who, Model model) {
        Draft draft = frame.draft(code);
        CaseRun run = answerable(draft, seat, who);
        Random random = new Random();
        Interview filled = run.followUps().get(seat).interview();
        while (filled.course().current().isPresent()) {
            Optional<Interview> next = pages.filled(filled, random);
            if (next.isEmpty()) {
                CaseRun stuck = run.answering(seat, filled);
                keep(draft, who, stuck);
                return show(draft, stuck, seat, "", true, "Orthogon found no usual answers that this page accepts; answer it yourself.",
                        model);
            }
            filled = next.get();
        }
        return kept(draft, who, run.answering(seat, filled), seat, "");
    }

    /** @param act {@code send}, {@code late}, {@code withdraw}, or {@code decide:} with the code of a choice */
    @PostMapping("/{seat}/act")
    String act(@PathVariable String code, @PathVariable int seat, @RequestParam String act, Principal who) {
        Draft draft = frame.draft(code);
        CaseRun run = run(draft, who).filter(r -> isThere(r, seat))
                .orElseThrow(() -> new NotThere("This case is not rehearsed any more. Begin it again from Rehearse."));
        CaseRun done;
        try {
            done = act.startsWith("decide:") ? run.decided(seat, act.substring("decide:".length())) : switch (act) {
                case "send" -> run.sent(seat);
                case "late" -> run.late(seat);
                case "withdraw" -> run.withdrawn(seat);
                default -> run;
            };
            keep(draft, who, done);
        } catch (IllegalStateException e) {
            // Pressed twice, or on a page that is not up to date; the sheet shows what is the matter now.
            return "redirect:" + action(draft, seat);
        }
        RunFollowUp now = done.followUps().get(seat);
        boolean stays = now.progress().isOpen() || now.isToDecide();
        return "redirect:" + (stays ? action(draft, seat) : "/q/" + code + "/rehearse/case");
    }
}
