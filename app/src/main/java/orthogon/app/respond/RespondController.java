package orthogon.app.respond;

import orthogon.app.answer.PageRecords;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.http.RateLimit;
import orthogon.app.offering.Offering;
import orthogon.app.proving.Ahead;
import orthogon.app.questions.FoundRecords;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.PageSubmission;
import orthogon.app.questions.PostedPage;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.records.Registers;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.view.Views;
import orthogon.app.work.AddRecord;
import orthogon.app.work.CountRefusals;
import orthogon.app.work.KeepAnswers;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Presentation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.WebUtils;

/** The pages of questions of one interview. */
@Controller
class RespondController {

    private static final String REVIEW = "review";
    private static final String SPEAK = "speak:";

    /** What stands around the questions of a page. */
    record AroundPage(String title, String id, Presentation presentation, List<ReadableLanguage> tongues, boolean withLater) {}

    /**
     * For what a record is added.
     *
     * @param id of the interview that goes on afterwards
     */
    record AddingFor(String title, String id) {

        private static AddingFor of(Running host) {
            return new AddingFor(RespondentTexts.of(host.interview()).plain(host.interview().wiring().document().title()), host.id());
        }
    }

    private final Offering offering;
    private final InterviewStore interviews;
    private final SendAndGoOn sending;
    private final AttachmentStore attachments;
    private final Ahead ahead;
    private final RateLimit pace;
    private final KeepAnswers keeping;
    private final CountRefusals refusals;
    private final Registers registers;
    private final AddRecord adds;

    RespondController(Offering offering, InterviewStore interviews, AttachmentStore attachments, Ahead ahead, RateLimit pace,
            KeepAnswers keeping, SendAndGoOn sending, CountRefusals refusals, Registers registers, AddRecord adds) {
        this.adds = adds;
        this.registers = registers;
        this.refusals = refusals;
        this.sending = sending;
        this.keeping = keeping;
        this.offering = offering;
        this.interviews = interviews;
        this.attachments = attachments;
        this.ahead = ahead;
        this.pace = pace;
    }

    @GetMapping("/i/{id}")
    String page(@PathVariable String id, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String look, @RequestParam(name = "new", defaultValue = "") String appeared,
            @RequestParam(defaultValue = "") String find, @RequestParam(defaultValue = "") String words, HttpServletRequest request,
            Model model, HttpServletResponse response) {
        model.addAttribute("from", from.equals(REVIEW) ? REVIEW : "");
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        if (running.get().receipt().isPresent()) {
            return "redirect:/i/" + id + "/receipt";
        }
        if (running.get().isOver()) {
            return over(running.get());
        }
        offering.frame(running.get().release(), response);
        Optional<String> withdrawn = offering.withdrawn(running.get().release());
        if (withdrawn.isPresent()) {
            response.setStatus(410);
            return Notices.shut(RespondentTexts.of(running.get().interview()), withdrawn.get(), model);
        }
        if (running.get().interview().course().complete()) {
            return "redirect:/i/" + id + "/review";
        }
        if (look.equals("saved")) {
            // Asked for anew, so that loading the page again drops nothing that is typed from now on.
            interviews.dropDraft(id);
            return "redirect:/i/" + id;
        }
        Interview interview = withDraft(running.get());
        Course.PageView page = interview.course().current().orElseThrow();
        List<String> fresh = List.of(appeared.split(" ")).stream().filter(slot -> page.at(slot).isPresent()).toList();
        String notice = fresh.isEmpty()
                ? ""
                : RespondentTexts.of(interview).say("appeared", fresh.size()) + " "
                        + String.join(", ", fresh.stream().map(slot -> "“" + wording(interview, page, slot) + "”").toList());
        Running now = running.get().with(interview);
        PageRecords records = find.isEmpty() ? registers.of(id) : registers.of(id).having(find, sought(now, find, words, request));
        interviews.reached(now, fill(now, at, look.equals("again"), notice, records, model));
        return "respond/page";
    }

    /** To where it is said what is the matter with a follow-up that cannot be answered any more. */
    static String over(Running running) {
        return "redirect:" + FollowUpLinks.path(running.answered().orElseThrow().token());
    }

    private static String wording(Interview interview, Course.PageView page, String slot) {
        Course.ShownItem shown = page.at(slot).orElseThrow();
        return RespondentTexts.of(interview).plain(shown.wording(), shown);
    }

    private static String language(Interview interview) {
        return interview.wiring().document().sourceLanguage();
    }

    /** The interview with what was typed on the page at hand before it was left without a word. */
    private Interview withDraft(Running running) {
        Interview interview = running.interview();
        String page = interview.course().current().map(p -> p.page().code()).orElse("");
        return interviews.draft(running.id(), page, running.release().document()).map(interview::keep).orElse(interview);
    }

    private SoughtRecords sought(Running running, String slot, String words, HttpServletRequest request) {
        return pace.allows(RateLimit.Of.LOOKUP_BY_CLIENT, request.getRemoteAddr())
                ? registers.seek(running.interview(), slot, words)
                : SoughtRecords.nothing(words, SoughtRecords.SearchEnd.BUSY);
    }

    private String draw(Running running, String at, boolean withErrors, String notice, Model model) {
        interviews.reached(running, fill(running, at, withErrors, notice, registers.of(running.id()), model));
        return "respond/page";
    }

    private int fill(Running running, String at, boolean withErrors, String notice, PageRecords records, Model model) {
        Interview interview = running.interview();
        model.addAttribute("kept", running.version());
        model.addAttribute("adding", adds.wantedBy(running.id()).map(w -> AddingFor.of(w.host())).orElse(null));
        Views.show(model,
                new AroundPage(RespondentTexts.of(interview).plain(interview.wiring().document().title()), running.id(),
                        interview.wiring().document().presentation(),
                        ReadableLanguage.of(running.release(), interview.wiring().document().sourceLanguage()), true));
        return QuestionsPage.page(interview, "/i/" + running.id(), at, withErrors, notice, seed(running.id()), running.furthest(),
                ahead.of(interview), records, model);
    }

    private static long seed(String id) {
        return id.hashCode();
    }

    @PostMapping("/i/{id}")
    String answer(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Running> found = interviews.find(id);
        if (found.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        Running running = found.get();
        if (running.receipt().isPresent() || running.isOver() || offering.withdrawn(running.release()).isPresent()) {
            return "redirect:/i/" + id;
        }
        offering.frame(running.release(), response);
        String posted = page(form);
        // A page posted again after the browser's own way back is taken as going back to it.
        Interview interview = running.interview().backTo(posted);
        Optional<Course.PageView> current = interview.course().current();
        if (current.isEmpty() || !current.get().page().code().equals(posted)) {
            if (current.isEmpty()) {
                return "redirect:/i/" + id + "/review";
            }
            response.setStatus(409);
            return draw(running.with(interview), "", false, RespondentTexts.of(interview).say("not_that_page"), model);
        }
        Received received = new Received(attachments.held(id));
        Map<String, Object> given = PageForm.answers(current.get(), language(interview), form, files(request), received,
                registers.of(id));
        Optional<String> refusal = refusal(received, RespondentTexts.of(interview), request, response);
        if (refusal.isPresent()) {
            Map<String, Object> typed = PageForm.answers(current.get(), language(interview), form, new LinkedMultiValueMap<>(), received,
                    registers.of(id));
            return draw(running.with(interview.keep(typed)), "", false, refusal.get(), model);
        }
        return kept(running, current.get(), given, received, form, model, response);
    }

    /** Why files are not taken; empty where they are. */
    private Optional<String> refusal(Received received, RespondentTexts voice, HttpServletRequest request, HttpServletResponse response) {
        if (received.isTooMuch()) {
            response.setStatus(413);
            return Optional.of(voice.say("files_too_much", Received.MOST_BYTES >> 20, Received.MOST_FILES));
        }
        long megabytes = received.megabytes();
        if (megabytes > 0 && !pace.allows(RateLimit.Of.UPLOAD_BY_CLIENT, request.getRemoteAddr(), megabytes)) {
            response.setStatus(429);
            return Optional.of(voice.say("files_many"));
        }
        return Optional.empty();
    }

    private String kept(Running running, Course.PageView view, Map<String, Object> given, Received received,
            MultiValueMap<String, String> form, Model model, HttpServletResponse response) {
        String id = running.id();
        String posted = view.page().code();
        Interview interview = running.interview().backTo(posted);
        String speak = Optional.ofNullable(form.getFirst(PageForm.GO)).filter(g -> g.startsWith(SPEAK)).orElse("");
        boolean later = "later".equals(form.getFirst(PageForm.GO));
        boolean fromReview = REVIEW.equals(form.getFirst(PageForm.FROM));
        model.addAttribute("from", fromReview ? REVIEW : "");
        // Who reads on in another language, or later, keeps what is typed, whether it is accepted or not.
        PageSubmission turn = later || !speak.isEmpty()
                ? new PageSubmission.Moved(interview.keep(given), Optional.empty(), "")
                : turn(interview, given, form);
        if (!(turn instanceof PageSubmission.Warned)) {
            Optional<String> left = turn instanceof PageSubmission.Moved m ? m.passed() : Optional.empty();
            if (!keeping.keep(running, turn.interview(), left, received.contents())) {
                return again(running, view, given, received, form, model, response);
            }
            if (turn instanceof PageSubmission.Again a && a.refused()) {
                refusals.refused(running.release(), a.interview().course().current().map(Course.PageView::problems).orElse(List.of()));
            }
        }
        if (!speak.isEmpty()) {
            speak(running, speak.substring(SPEAK.length()));
            String at = Optional.ofNullable(form.getFirst(PageForm.AT)).orElse("");
            return "redirect:/i/" + id + (at.isEmpty() ? "" : "?at=" + at);
        }
        if (later) {
            return "redirect:/i/" + id + "/later";
        }
        Optional<String> added = adding(running.with(turn.interview()), form);
        if (added.isPresent()) {
            return added.get();
        }
        boolean sends = turn instanceof PageSubmission.Moved m && m.passed().isPresent() && !fromReview
                && running.release().document().presentation().navigation().reviewLeftOut() && m.interview().course().acceptable();
        if (sends) {
            return sending.send(running.with(turn.interview()), running);
        }
        String sought = PageForm.sought(form);
        return switch (turn) {
            case PageSubmission.Moved m -> "redirect:/i/" + id + (m.at().isEmpty() ? "" : "?at=" + m.at());
            // Told on a page of its own address, so that neither reloading it nor the browser's way back sends anything again.
            case PageSubmission.Again a -> "redirect:" + UriComponentsBuilder.fromPath("/i/" + id)
                    .queryParamIfPresent("at", Optional.of(a.at()).filter(s -> !s.isEmpty()))
                    .queryParamIfPresent("from", Optional.of(REVIEW).filter(f -> fromReview))
                    .queryParamIfPresent("find", Optional.of(sought).filter(f -> !f.isEmpty()))
                    .queryParamIfPresent("words", Optional.of(sought).filter(f -> !f.isEmpty()).map(f -> PageForm.wordsSought(form, f)))
                    .queryParamIfPresent("look", Optional.of("again").filter(l -> a.refused()))
                    .queryParamIfPresent("new", Optional.of(String.join(" ", a.appeared())).filter(s -> !s.isEmpty()))
                    .encode().toUriString() + anchor(a, sought);
            case PageSubmission.Warned w -> {
                response.setStatus(409);
                QuestionsPage.warned(w, interview, Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next"), model);
                fill(running.with(w.interview()), w.at(), false, "", registers.of(id), model);
                yield "respond/page";
            }
        };
    }

    /** Begins to add a record for a lookup on the page; empty where that is not asked for, or where nobody can add one. */
    private Optional<String> adding(Running running, MultiValueMap<String, String> form) {
        String slot = PageForm.adding(form);
        Optional<LookupAnswer> lookup = running.interview().course().current().flatMap(p -> p.answer(slot, LookupAnswer.class));
        Optional<Release> release = lookup.filter(LookupAnswer::mayAdd).flatMap(registers::taking);
        return release.map(to -> "redirect:/i/" + adds.begin(running, slot, lookup.get().begunWith(PageForm.wordsSought(form, slot)), to,
                OffsetDateTime.now()));
    }

    /** Where a page is read on. */
    static String anchor(String slot) {
        return "#q-" + slot.replace('.', '-');
    }

    /** Where the page is read on: at what appeared on it, or at what was found. */
    private static String anchor(PageSubmission.Again again, String sought) {
        String slot = again.appeared().isEmpty() ? sought : again.appeared().getFirst();
        return slot.isEmpty() ? "" : anchor(slot);
    }

    private static PageSubmission turn(Interview interview, Map<String, Object> given, MultiValueMap<String, String> form) {
        PageSubmission turn = PageSubmission.of(interview, given, form);
        boolean back = REVIEW.equals(form.getFirst(PageForm.FROM)) && turn instanceof PageSubmission.Moved m && m.passed().isPresent();
        return back && turn instanceof PageSubmission.Moved m ? new PageSubmission.Moved(m.interview().asFarAsMet(), m.passed(), "") : turn;
    }

    /**
     * Somebody kept the same interview since it was read: in another window, at the same moment. Answers to other pages go together with
     * these; where the page is the same, the respondent is told and nothing is kept yet.
     */
    private String again(Running before, Course.PageView view, Map<String, Object> given, Received received,
            MultiValueMap<String, String> form, Model model, HttpServletResponse response) {
        Running now = interviews.find(before.id()).orElseThrow();
        if (now.receipt().isPresent()) {
            return "redirect:/i/" + before.id() + "/receipt";
        }
        boolean same = given.keySet().stream()
                .allMatch(slot -> Objects.equals(before.interview().raw().get(slot), now.interview().raw().get(slot)));
        Interview interview = now.interview().backTo(view.page().code());
        boolean there = interview.course().current().filter(p -> p.page().code().equals(view.page().code())).isPresent();
        if (same && there) {
            return kept(now, interview.course().current().orElseThrow(), given, received, form, model, response);
        }
        response.setStatus(409);
        return draw(now.with(there ? interview.keep(given) : now.interview()), "", false,
                RespondentTexts.of(interview).say(there ? "saved_at_once" : "not_that_page"), model);
    }

    /** What was typed on the posted page before, also where it is not asked any more. */
    private Map<String, Object> draft(Optional<Running> running, MultiValueMap<String, String> form) {
        return running.flatMap(r -> interviews.draft(r.id(), page(form), r.release().document())).orElse(Map.of());
    }

    private static String page(MultiValueMap<String, String> form) {
        return Optional.ofNullable(form.getFirst(PageForm.PAGE)).orElse("");
    }

    /** What is on a page now, to which a respondent may have gone back. */
    private PostedPage posted(Optional<Running> running, String id, Map<String, Object> draft, MultiValueMap<String, String> form) {
        return PostedPage.of(running.map(r -> r.interview().backTo(page(form)).keep(draft)), form, registers.of(id));
    }

    /** The page as it would be with what is on it now, which is kept aside in case the page is closed. */
    @PostMapping("/i/{id}/live")
    String live(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, Model model) {
        Optional<Running> running = interviews.find(id).filter(r -> r.receipt().isEmpty());
        Map<String, Object> draft = draft(running, form);
        PostedPage posted = posted(running, id, draft, form);
        model.addAttribute("from", Optional.ofNullable(form.getFirst(PageForm.FROM)).filter(REVIEW::equals).orElse(""));
        // What was on a page that was sent since would undo what was kept then, as an entry that was added.
        boolean isNow = Optional.ofNullable(form.getFirst(PageForm.KEPT)).map(String.valueOf(running.get().version())::equals).orElse(true);
        if (isNow && posted.interview().passed().equals(running.get().interview().passed())) {
            interviews.keepDraft(running.get(), page(form), posted.draft(draft));
        }
        fill(running.get().with(posted.now()), Optional.ofNullable(form.getFirst(PageForm.AT)).orElse(""), false, "", registers.of(id),
                model);
        return "questions :: page";
    }

    /** Records for what is typed into a lookup on the page, as the page stands now. */
    @PostMapping("/i/{id}/records")
    String records(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Model model) {
        Optional<Running> running = interviews.find(id)
                .filter(r -> r.receipt().isEmpty() && !r.isOver() && offering.withdrawn(r.release()).isEmpty());
        Interview now = posted(running, id, draft(running, form), form).now();
        String slot = PageForm.sought(form);
        SoughtRecords sought = sought(running.get().with(now), slot, PageForm.wordsSought(form, slot), request);
        model.addAttribute("found", FoundRecords.of(now, slot, sought, registers.of(id)));
        return "answer/lookup :: found";
    }

    private void speak(Running running, String language) {
        if (running.release().languages().contains(language) || language.equals(Stretch.TAG)) {
            interviews.speak(running.id(), language);
        }
    }

    /** Another language where there are no questions on the page. */
    @PostMapping("/i/{id}/language")
    String speak(@PathVariable String id, @RequestParam String to, @RequestParam(defaultValue = "") String back) {
        interviews.find(id).ifPresent(r -> speak(r, to));
        return "redirect:/i/" + id + (List.of("later", REVIEW, "receipt").contains(back) ? "/" + back : "");
    }

    private static MultiValueMap<String, MultipartFile> files(HttpServletRequest request) {
        MultipartHttpServletRequest parts = WebUtils.getNativeRequest(request, MultipartHttpServletRequest.class);
        return parts == null ? new LinkedMultiValueMap<>() : parts.getMultiFileMap();
    }
}
