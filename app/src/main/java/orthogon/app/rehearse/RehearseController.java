package orthogon.app.rehearse;

import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Ahead;
import orthogon.app.proving.Proofs;
import orthogon.app.proving.Replayed;
import orthogon.app.answer.PageRecords;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PageModel;
import orthogon.app.questions.PageSubmission;
import orthogon.app.questions.PostedPage;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.DrillStore;
import orthogon.app.view.Views;
import orthogon.core.expression.Wiring;
import orthogon.core.dispatch.LeadOn;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Reasons;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.language.Translated;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.stored.AnswerFile;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Walks a draft as a respondent would, with the reasons beside it. What is rehearsed is kept in memory alone. */
@Controller
@RequestMapping("/q/{code}/rehearse")
class RehearseController {

    /** One page of the walk: passed, at hand, coming as the answers stand, or not visited. */
    record WalkStep(String page, String title, String state, String answers) {}

    /**
     * What stands around the walk.
     *
     * @param rehearsalTongues languages in which it can be read, tag to name
     * @param spoken tag of the one that is read now
     * @param phone whether it is shown as narrow as a phone
     */
    record RehearseView(List<Replayed> drills, Map<String, String> rehearsalTongues, String spoken, boolean phone) {}

    /**
     * The walk so far.
     *
     * @param open what a complete interview still has to mend before it can be sent
     * @param parameters what the link may bring, and {@code link} what it brings here
     * @param outcome that these answers lead to; null where they lead to none yet
     * @param endedBy what ends the interview; empty where nothing does yet
     * @param messages what would be sent; none before the interview is complete
     * @param takeLabel what stands above what to take along
     * @param takeAlong what the respondent is to take along, as far as is known
     * @param leadsOn address that the closing page leads on to; empty for none
     */
    record WalkView(String action, String notice, boolean complete, List<PageModel.PageMessage> open,
            List<Questionnaire.LinkParameter> parameters,
            Map<String, String> link, Questionnaire.Outcome outcome, String endedBy, String lang, String dir, String paperTitle,
            Presentation.Theme theme,
            String outcomeHtml, List<WalkStep> steps, List<RehearsedMessage> messages,
            List<RehearsedFollowUp> followUps, String takeLabel, List<String> takeAlong,
            String leadsOn) {}

    private record Rehearsal(int revision, Interview interview) {}

    private final People people;
    private final Frame frame;
    private final Proofs proofs;
    private final Ahead ahead;
    private final DrillStore drills;
    private final RehearsedCases cases;
    private final RehearsedPages pages;
    private final Map<String, Rehearsal> rehearsals = new ConcurrentHashMap<>();
    private final Set<String> onPhone = ConcurrentHashMap.newKeySet();
    /** What each person reads each draft in; the source language where nothing is said. */
    private final Map<String, String> spoken = new ConcurrentHashMap<>();

    RehearseController(Frame frame, Proofs proofs, Ahead ahead, DrillStore drills, People people, RehearsedCases cases,
            RehearsedPages pages) {
        this.pages = pages;
        this.cases = cases;
        this.people = people;
        this.ahead = ahead;
        this.frame = frame;
        this.proofs = proofs;
        this.drills = drills;
    }

    private static String key(String code, Principal who) {
        return who.getName() + "/" + code;
    }

    /** The rehearsal that is running; when the draft was edited since, the same answers walk through the new revision. */
    private Rehearsal current(Draft draft, Principal who) {
        return rehearsals.compute(key(draft.code(), who), (k, known) -> {
            if (known != null && known.revision() == draft.revision()
                    && known.interview().wiring().document().sourceLanguage().equals(language(draft, who))) {
                return known;
            }
            Wiring wiring = wiring(draft, who);
            Interview begun = Interview.start(wiring, LocalDate.now(), known == null ? Map.of() : known.interview().link())
                    .checkedAsWanted();
            if (known == null) {
                return new Rehearsal(draft.revision(), begun);
            }
            return new Rehearsal(draft.revision(), new Interview(wiring, begun.today(), begun.link(), known.interview().raw(),
                    known.interview().started(), known.interview().passed(), begun.openEnded()));
        });
    }

    private String language(Draft draft, Principal who) {
        String language = spoken.getOrDefault(key(draft.code(), who), "");
        return language.equals(Stretch.TAG) || draft.document().languages().contains(language)
                ? language
                : draft.document().sourceLanguage();
    }

    private Wiring wiring(Draft draft, Principal who) {
        return Wiring.of(Translated.into(draft.document(), language(draft, who)));
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "") String width,
            @RequestParam(defaultValue = "") String lang, Principal who, Model model) {
        Draft draft = frame.draft(code);
        if (!lang.isEmpty()) {
            spoken.put(key(code, who), lang);
        }
        if (width.equals("phone")) {
            onPhone.add(who.getName());
        } else if (width.equals("desktop")) {
            onPhone.remove(who.getName());
        }
        return show(draft, current(draft, who).interview(), at, false, "", who, model);
    }

    private String show(Draft draft, Interview interview, String at, boolean withErrors, String notice, Principal who, Model model) {
        return show(draft, interview, at, withErrors, notice, pages.records(draft.code()), who, model);
    }

    private String show(Draft draft, Interview interview, String at, boolean withErrors, String notice, PageRecords records, Principal who,
            Model model) {
        frame.fill(model, draft, "rehearse");
        Map<String, String> tongues = new LinkedHashMap<>();
        draft.document().languages().forEach(l -> tongues.put(l, OwnWords.name(l)));
        tongues.put(Stretch.TAG, OwnWords.name(Stretch.TAG));
        Wiring wiring = Wiring.of(draft.document());
        Views.show(model, new RehearseView(drills.of(draft.id(), draft.document()).stream().map(d -> Replayed.of(d, wiring)).toList(),
                tongues, language(draft, who), onPhone.contains(who.getName())));
        draw(draft, interview, at, withErrors, notice, records, model);
        return "rehearse";
    }

    /** Begins a case with the interview that is rehearsed now, if it is complete. */
    @PostMapping("/case")
    String goOn(@PathVariable String code, Principal who) {
        Draft draft = frame.draft(code);
        Interview first = current(draft, who).interview();
        if (!first.course().complete() || !first.course().acceptable()) {
            return "redirect:/q/" + code + "/rehearse";
        }
        cases.keep(who, draft, cases.begin(draft, first));
        return "redirect:/q/" + code + "/rehearse/case";
    }

    private void draw(Draft draft, Interview interview, String at, boolean withErrors, String notice, PageRecords records, Model model) {
        String action = "/q/" + draft.code() + "/rehearse";
        Course course = interview.course();
        Course onward = interview.throughout();
        RespondentTexts voice = RespondentTexts.of(interview);
        Optional<Questionnaire.Outcome> outcome = onward.outcome().flatMap(interview.wiring().document()::outcome);
        Views.show(model, new WalkView(action, notice, course.complete(),
                course.complete() ? QuestionsPage.problems(interview) : List.of(), draft.document().arriving(), interview.link(),
                outcome.orElse(null), onward.endedBy().map(Reasons::endedBy).orElse(""), voice.language(), voice.direction(),
                voice.plain(interview.wiring().document().title()), draft.document().presentation().theme(),
                outcome.map(o -> voice.block(o.closing())).orElse(""), steps(draft, interview, course, onward, voice),
                course.complete() ? RehearsedMessage.all(draft.document(), interview, this::named) : List.of(),
                course.complete() ? RehearsedFollowUp.all(draft.document(), interview, List.of()) : List.of(),
                voice.say("take_along"), outcome.map(voice::takeAlong).orElse(List.of()),
                outcome.flatMap(o -> LeadOn.address(interview, o)).orElse("")));
        if (course.current().isPresent()) {
            QuestionsPage.page(interview, action, at, withErrors, notice, 0, 0, ahead.of(interview), records, model);
            model.addAttribute("reasons", Reasons.of(interview, course.current().get().page()));
        } else if (!course.pages().isEmpty()) {
            model.addAttribute("reasons", Reasons.of(interview, course.pages().getLast().page()));
        }
    }

    private List<String> named(List<String> wanted) {
        return wanted.stream().map(people::named).toList();
    }

    private static List<WalkStep> steps(Draft draft, Interview interview, Course course, Course onward, RespondentTexts voice) {
        List<WalkStep> steps = new ArrayList<>();
        String at = course.current().map(v -> v.page().code()).orElse("");
        for (Page page : interview.wiring().document().pages()) {
            String code = page.code();
            boolean passed = interview.passed().contains(code);
            String answers = !passed
                    ? ""
                    : course.pages().stream().filter(v -> v.page().code().equals(code)).flatMap(v -> v.shown().stream())
                            .filter(s -> s.question().isPresent()).map(s -> s.slot() + " " + Reasons.said(course.value(s)))
                            .reduce((a, b) -> a + " · " + b).orElse("");
            boolean comes = onward.pages().stream().anyMatch(v -> v.page().code().equals(code));
            steps.add(
                    new WalkStep(code, voice.plain(page.title()),
                            code.equals(at) ? "now" : passed && comes ? "done" : comes ? "coming" : "not",
                            answers));
        }
        return steps;
    }

    @PostMapping
    String answer(@PathVariable String code, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Principal who,
            Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        Interview interview = current(draft, who).interview();
        String go = Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next");
        Optional<Course.PageView> current = interview.course().current();
        if (go.equals("again")) {
            rehearsals.remove(key(code, who));
            return "redirect:/q/" + code + "/rehearse";
        }
        if (go.startsWith("fill:")) {
            Interview from = current.isPresent() && current.get().page().code().equals(form.getFirst(PageForm.PAGE))
                    ? interview.keep(pages.given(code, interview, current.get(), form, request))
                    : interview;
            return fill(draft, from, go.substring(5), who, model);
        }
        if (current.isEmpty() || !current.get().page().code().equals(form.getFirst(PageForm.PAGE))) {
            return go.startsWith("to:")
                    ? keep(draft, who, interview.backTo(go.substring(3)), "")
                    : go.equals("back") ? keep(draft, who, interview.back(), "") : "redirect:/q/" + code + "/rehearse";
        }
        PageSubmission turn = PageSubmission.of(interview, pages.given(code, interview, current.get(), form, request), form);
        if (!(turn instanceof PageSubmission.Warned)) {
            rehearsals.put(key(code, who), new Rehearsal(draft.revision(), turn.interview()));
        }
        return switch (turn) {
            case PageSubmission.Moved m -> "redirect:/q/" + code + "/rehearse" + (m.at().isEmpty() ? "" : "?at=" + m.at());
            case PageSubmission.Again a -> {
                response.setStatus(a.refused() ? 422 : 200);
                yield show(draft, a.interview(), a.at(), a.refused(), pages.notice(a, form), pages.found(code, a, form), who,
                        model);
            }
            case PageSubmission.Warned w -> {
                response.setStatus(409);
                QuestionsPage.warned(w, interview, go, model);
                yield show(draft, w.interview(), w.at(), false, "", who, model);
            }
        };
    }

    /** Answers page after page by chance, up to a page, or to the end. */
    private String fill(Draft draft, Interview interview, String upTo, Principal who, Model model) {
        Random random = new Random();
        Interview filled = interview.checkedByPage();
        while (filled.course().current().isPresent() && !filled.course().current().get().page().code().equals(upTo)) {
            Optional<Interview> next = pages.filled(filled, random);
            if (next.isEmpty()) {
                rehearsals.put(key(draft.code(), who), new Rehearsal(draft.revision(), filled));
                return show(draft, filled, "", true, "Orthogon found no usual answers that this page accepts; answer it yourself.", who,
                        model);
            }
            filled = next.get();
        }
        filled = filled.checkedAsWanted();
        rehearsals.put(key(draft.code(), who), new Rehearsal(draft.revision(), filled));
        boolean elsewhere = !upTo.isEmpty() && filled.course().current().isEmpty();
        return elsewhere
                ? show(draft, filled, "", false, "The answers led past that page.", who, model)
                : "redirect:/q/" + draft.code() + "/rehearse";
    }

    /** The page and the reasons as they would be with what is on the page now; nothing is kept. */
    @PostMapping("/live")
    String live(@PathVariable String code, @RequestParam MultiValueMap<String, String> form, Principal who, Model model) {
        Draft draft = frame.draft(code);
        PostedPage posted = pages.posted(code, current(draft, who).interview(), form);
        draw(draft, posted.now(), Optional.ofNullable(form.getFirst(PageForm.AT)).orElse(""), false, "", pages.records(code), model);
        return "rehearse :: live";
    }

    /** Records for what is typed into a lookup on the page, as the page stands now. */
    @PostMapping("/records")
    String records(@PathVariable String code, @RequestParam MultiValueMap<String, String> form, Principal who, Model model) {
        model.addAttribute("found", pages.found(code, current(frame.draft(code), who).interview(), form));
        return "answer/lookup :: found";
    }

    private String keep(Draft draft, Principal who, Interview interview, String at) {
        rehearsals.put(key(draft.code(), who), new Rehearsal(draft.revision(), interview));
        return "redirect:/q/" + draft.code() + "/rehearse" + (at.isEmpty() ? "" : "?at=" + at);
    }

    /** Begins anew with other values in the link. */
    @PostMapping("/link")
    String link(@PathVariable String code, @RequestParam Map<String, String> link, Principal who) {
        Draft draft = frame.draft(code);
        return keep(draft, who, Interview.start(wiring(draft, who), LocalDate.now(), link).checkedAsWanted(), "");
    }

    /** Begins a rehearsal with the respondent that a claim shows. */
    @PostMapping("/witness")
    String witness(@PathVariable String code, @RequestParam String claim, Principal who) {
        Draft draft = frame.draft(code);
        Optional<Claim> found = proofs.of(draft).claims().stream().filter(c -> c.id().equals(claim)).findFirst();
        Optional<Map<String, Object>> answers = found.flatMap(c -> c.finding().witness());
        return answers.isEmpty()
                ? "redirect:/q/" + code + "/rehearse"
                : keep(draft, who,
                        Replay.of(wiring(draft, who), LocalDate.now(), answers.get(), stop(draft, found.get())), "");
    }

    /** Begins a rehearsal with somebody's answers, as far as they lead. */
    @PostMapping("/answers")
    String answers(@PathVariable String code, @RequestParam String answers, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        try {
            return keep(draft, who,
                    Replay.of(wiring(draft, who), LocalDate.now(), AnswerFile.read(draft.document(), answers), ""), "");
        } catch (UnusableFile e) {
            response.setStatus(422);
            return show(draft, current(draft, who).interview(), "", false,
                    "These answers do not fit the questionnaire as it is now: " + e.faults().getFirst().pointer() + ": "
                            + e.faults().getFirst().message() + ".",
                    who, model);
        }
    }

    @PostMapping("/drill")
    String save(@PathVariable String code, @RequestParam String name, Principal who, Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        Interview interview = current(draft, who).interview();
        if (name.isBlank() || name.length() > 200) {
            response.setStatus(422);
            return show(draft, interview, "", false, "Give the drill a name of at most 200 characters.", who, model);
        }
        drills.save(draft.id(), Replayed.saved(name.strip(), interview, who.getName()));
        return "redirect:/q/" + code + "/rehearse";
    }

    @PostMapping("/drill/{id}")
    String drill(@PathVariable String code, @PathVariable long id, @RequestParam(defaultValue = "load") String go, Principal who) {
        Draft draft = frame.draft(code);
        if (go.equals("discard")) {
            drills.discard(draft.id(), id);
            return "redirect:/q/" + code + "/rehearse";
        }
        return drills.get(draft.id(), id, draft.document())
                .map(d -> keep(draft, who, Replayed.of(d, wiring(draft, who)).interview(), ""))
                .orElse("redirect:/q/" + code + "/rehearse");
    }

    /** The page that the claim is about, where it is about one, so that the rehearsal stops there. */
    private static String stop(Draft draft, Claim claim) {
        String head = claim.at().row();
        boolean leaves = claim.kind().scope() == ClaimKind.ClaimScope.ENDING || claim.kind() == ClaimKind.REACH_SKIP
                || claim.kind() == ClaimKind.REACH_FINISH;
        return leaves ? "" : draft.document().page(head).or(() -> draft.document().pageOf(head)).map(p -> p.code()).orElse("");
    }
}
