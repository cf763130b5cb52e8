package orthogon.app.cases;

import java.security.Principal;
import java.util.List;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.view.Views;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.app.cases.CaseViews.CasesView;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The cases of a questionnaire, one of them, and what people do about its follow-ups. */
@Controller
@RequestMapping("/q/{code}/responses/cases")
class CaseController {

    private static final int ON_PAGE = 50;

    /** Something to be done that may be refused. */
    private interface Deed {
        void run() throws Refused;
    }

    private final Frame frame;
    private final CaseViews views;
    private final FollowUpStore followUps;
    private final ResponseStore responses;
    private final InterviewStore interviews;
    private final WorkOnFollowUps work;

    CaseController(Frame frame, CaseViews views, FollowUpStore followUps, ResponseStore responses, InterviewStore interviews,
            WorkOnFollowUps work) {
        this.frame = frame;
        this.views = views;
        this.followUps = followUps;
        this.responses = responses;
        this.interviews = interviews;
        this.work = work;
    }

    /** @param only {@code open} for those that are not over */
    @GetMapping
    String cases(@PathVariable String code, @RequestParam(defaultValue = "0") int from, @RequestParam(defaultValue = "") String only,
            Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        boolean open = only.equals("open");
        List<Long> numbers = followUps.cases(draft.id(), open, Math.max(0, from), ON_PAGE + 1);
        List<Response> shown = responses.all(numbers.stream().limit(ON_PAGE).toList());
        Views.show(model, new CasesView(shown.stream().map(views::row).toList(), Math.max(0, from), numbers.size() > ON_PAGE,
                open ? "open" : ""));
        return "cases";
    }

    private Response find(Draft draft, String receipt) {
        return responses.find(draft.id(), receipt).orElseThrow(() -> new NotThere("There is no response " + receipt + "."));
    }

    @GetMapping("/{receipt}")
    String one(@PathVariable String code, @PathVariable String receipt, Principal who, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        Views.show(model, views.view(draft, find(draft, receipt), who.getName()));
        return "case";
    }

    private String done(String code, String receipt, RedirectAttributes flash, Deed deed) {
        try {
            deed.run();
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/q/" + code + "/responses/cases/" + receipt;
    }

    /** The follow-up, where it belongs to this response. */
    private KeptFollowUp kept(String code, String receipt, long id) {
        Response response = find(frame.draft(code), receipt);
        return followUps.find(id).filter(k -> k.interviewId().equals(response.interviewId()))
                .orElseThrow(() -> new NotThere("There is no such follow-up in case " + receipt + "."));
    }

    @PostMapping("/{receipt}/decide")
    String decide(@PathVariable String code, @PathVariable String receipt, @RequestParam long id,
            @RequestParam(defaultValue = "") String choice, @RequestParam(defaultValue = "") String note, Principal who,
            RedirectAttributes flash) {
        KeptFollowUp kept = kept(code, receipt, id);
        return done(code, receipt, flash, () -> {
            flash.addFlashAttribute("typed", note);
            work.decide(kept.id(), code, choice, note, who.getName());
            flash.addFlashAttribute("typed", "");
        });
    }

    @PostMapping("/{receipt}/withdraw")
    String withdraw(@PathVariable String code, @PathVariable String receipt, @RequestParam long id,
            @RequestParam(defaultValue = "") String note, Principal who, RedirectAttributes flash) {
        KeptFollowUp kept = kept(code, receipt, id);
        return done(code, receipt, flash, () -> work.withdraw(kept.id(), code, note, who.getName()));
    }

    @PostMapping("/{receipt}/open")
    String open(@PathVariable String code, @PathVariable String receipt, @RequestParam String followUp, Principal who,
            RedirectAttributes flash) {
        Response response = find(frame.draft(code), receipt);
        return done(code, receipt, flash, () -> work.openByHand(interviews.find(response.interviewId()).orElseThrow(), code, followUp,
                who.getName()));
    }

    /** Leads a person of the workspace to the questions that they are to answer. */
    @PostMapping("/{receipt}/answer")
    String answer(@PathVariable String code, @PathVariable String receipt, @RequestParam long id, Principal who, RedirectAttributes flash) {
        KeptFollowUp kept = kept(code, receipt, id);
        FollowUp meant = work.meant(kept).filter(f -> work.mayAnswer(who.getName(), code, f))
                .orElseThrow(() -> new NotThere("Others answer this follow-up."));
        return work.begin(kept).map(i -> "redirect:/i/" + i).orElseGet(() -> {
            flash.addFlashAttribute("message", meant.shown() + " cannot be answered any more.");
            return "redirect:/q/" + code + "/responses/cases/" + receipt;
        });
    }
}
