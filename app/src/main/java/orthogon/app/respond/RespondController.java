package orthogon.app.respond;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import orthogon.app.http.Pace;
import orthogon.app.offering.Offering;
import orthogon.app.offering.Offering.Found;
import orthogon.app.proving.Ahead;
import orthogon.app.questions.Drawn;
import orthogon.app.questions.PageForm;
import orthogon.app.questions.Turn;
import orthogon.app.questions.Voice;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.work.KeepAnswers;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.WebUtils;

/** From the link to the last page. */
@Controller
class RespondController {

    /** A box that people do not see; whoever fills it in is none. */
    private static final String TRAP = "~website";
    private static final String REVIEW = "review";
    private static final String LANGUAGE = "lang";
    private static final String SPEAK = "speak:";
    /** Names the interview that was begun in this browser. */
    private static final String GOING_ON = "going-on";
    /** Most characters of one value that comes with a link, and of all of them. */
    private static final int LONGEST_PARAMETER = 500;
    private static final int LONGEST_LINK = 1500;
    private static final int LONGEST_WISH = 400;

    private final Offering offering;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final AttachmentStore attachments;
    private final Ahead ahead;
    private final Pace pace;
    private final Begins begins;
    private final KeepAnswers keeping;

    RespondController(Offering offering, InterviewStore interviews, InvitationStore invitations, AttachmentStore attachments,
            Ahead ahead, Pace pace, Begins begins, KeepAnswers keeping) {
        this.keeping = keeping;
        this.begins = begins;
        this.offering = offering;
        this.interviews = interviews;
        this.invitations = invitations;
        this.attachments = attachments;
        this.ahead = ahead;
        this.pace = pace;
    }

    /** Whether more came with the link than any link has; the rest of the address is not looked at. */
    private static boolean isTooLong(Release release, Map<String, String> link) {
        int[] lengths = release.document().arriving().stream().mapToInt(p -> link.getOrDefault(p.code(), "").length()).toArray();
        return IntStream.of(lengths).anyMatch(n -> n > LONGEST_PARAMETER) || IntStream.of(lengths).sum() > LONGEST_LINK;
    }

    private String tooLong(Release release, Map<String, String> link, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        response.setStatus(400);
        String language = language(release, link, request);
        Voice voice = Voice.of(Interview.start(release.wiring(language), LocalDate.now(), Map.of()));
        model.addAttribute("tongues", Tongue.of(release, language));
        model.addAttribute("linkQuery", "");
        return shut(voice, voice.say("link_too_long"), model);
    }

    @GetMapping("/to/{token}")
    String welcome(@PathVariable String token, @RequestParam Map<String, String> link,
            @CookieValue(name = GOING_ON) Optional<String> goingOn, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Invitation> invitation = invitations.withToken(token);
        if (invitation.flatMap(Invitation::interview).isPresent()) {
            return "redirect:/i/" + invitation.get().interview().get();
        }
        return switch (offering.at(token, OffsetDateTime.now())) {
            case Found.Open open when isTooLong(open.release(), link) -> tooLong(open.release(), link, request, model, response);
            case Found.Open open -> {
                offering.frame(open.release(), response);
                model.addAttribute("goingOn", goingOn.filter(id -> interviews.find(id).filter(r -> r.receipt().isEmpty()
                        && r.release().token().equals(open.release().token())).isPresent()).orElse(""));
                yield welcome(open.release(), token, link, language(open.release(), link, request), "", model);
            }
            case Found.Shut shut -> shut(shut, link, request, model, response);
            case Found.Nothing n -> nothing(request, model, response);
        };
    }

    /** A page that says why nobody can begin. */
    private String shut(Found.Shut shut, Map<String, String> link, HttpServletRequest request, Model model, HttpServletResponse response) {
        response.setStatus(410);
        offering.frame(shut.release(), response);
        String language = language(shut.release(), link, request);
        Voice voice = Voice.of(Interview.start(shut.release().wiring(language), LocalDate.now(), Map.of()));
        model.addAttribute("tongues", Tongue.of(shut.release(), language));
        model.addAttribute("linkQuery", "");
        return shut(voice, shut.why().equals("closed_title")
                ? shut.message()
                : voice.say(shut.why(), shut.when().map(voice.ownWords()::moment).orElse("")), model);
    }

    static String shut(Voice voice, String message, Model model) {
        model.addAttribute("title", voice.plain(voice.document().title()));
        model.addAttribute("presentation", voice.document().presentation());
        model.addAttribute("words", voice.ownWords());
        model.addAttribute("lang", voice.language());
        model.addAttribute("dir", voice.direction());
        model.addAttribute("message", message);
        return "respond/shut";
    }

    /** The language asked for in the address, or else the one that the browser wants most. */
    private static String language(Release release, Map<String, String> link, HttpServletRequest request) {
        String asked = link.getOrDefault(LANGUAGE, "");
        return release.languages().contains(asked) || asked.equals(Stretch.TAG) ? asked : release.best(wanted(request));
    }

    static List<Locale.LanguageRange> wanted(HttpServletRequest request) {
        String header = request.getHeader("Accept-Language");
        try {
            return header == null || header.isBlank() || header.length() > LONGEST_WISH ? List.of() : Locale.LanguageRange.parse(header);
        } catch (IllegalArgumentException e) {
            return List.of();
        }
    }

    private String welcome(Release release, String token, Map<String, String> link, String language, String message, Model model) {
        ahead.prepare(release.wiring(), LocalDate.now());
        Map<String, String> known = new LinkedHashMap<>();
        release.document().arriving().stream().filter(p -> link.containsKey(p.code()))
                .forEach(p -> known.put(p.code(), link.get(p.code())));
        Wiring wiring = release.wiring(language);
        Voice voice = Voice.of(Interview.start(wiring, LocalDate.now(), known));
        var presentation = wiring.document().presentation();
        model.addAttribute("title", voice.plain(wiring.document().title()));
        model.addAttribute("words", voice.ownWords());
        model.addAttribute("tongues", Tongue.of(release, language));
        model.addAttribute("heading", voice.inline(presentation.welcome().heading()));
        model.addAttribute("text", voice.block(presentation.welcome().text()));
        model.addAttribute("token", token);
        model.addAttribute("link", known);
        UriComponentsBuilder further = UriComponentsBuilder.newInstance();
        known.forEach(further::queryParam);
        model.addAttribute("linkQuery", known.isEmpty() ? "" : "&" + further.build().encode().getQuery());
        model.addAttribute("message", message.isEmpty() ? "" : voice.say(message));
        model.addAttribute("presentation", presentation);
        model.addAttribute("lang", voice.language());
        model.addAttribute("dir", voice.direction());
        return "respond/welcome";
    }

    static String nothing(HttpServletRequest request, Model model, HttpServletResponse response) {
        response.setStatus(404);
        return nothing(shipped(request), model);
    }

    static String nothing(OwnWords words, Model model) {
        model.addAttribute("words", words);
        model.addAttribute("title", words.say("nothing_title"));
        model.addAttribute("lang", words.locale().getLanguage());
        model.addAttribute("dir", words.locale().isRightToLeft() ? "rtl" : "ltr");
        return "respond/nothing";
    }

    /** Words in the language that the browser wants most, among those that Orthogon speaks itself. */
    static OwnWords shipped(HttpServletRequest request) {
        String tag = Optional.ofNullable(Locale.lookupTag(wanted(request), OwnWords.SHIPPED)).orElse("en");
        return OwnWords.of(Questionnaire.blank("nothing", "").withSourceLanguage(tag));
    }

    @PostMapping("/to/{token}")
    String begin(@PathVariable String token, @RequestParam Map<String, String> link, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Invitation> invitation = invitations.withToken(token);
        if (invitation.flatMap(Invitation::interview).isPresent()) {
            return "redirect:/i/" + invitation.get().interview().get();
        }
        Found found = offering.at(token, OffsetDateTime.now());
        if (found instanceof Found.Shut shut) {
            return shut(shut, link, request, model, response);
        }
        if (!(found instanceof Found.Open(Release release))) {
            return nothing(request, model, response);
        }
        if (isTooLong(release, link)) {
            return tooLong(release, link, request, model, response);
        }
        offering.frame(release, response);
        String language = language(release, link, request);
        if (!link.getOrDefault(TRAP, "").isBlank()) {
            response.setStatus(422);
            return welcome(release, token, link, language, "trapped", model);
        }
        if (!pace.allows(Pace.Of.BEGINNING, request.getRemoteAddr())) {
            response.setStatus(429);
            response.setHeader("Retry-After", "60");
            return welcome(release, token, link, language, "many_began", model);
        }
        Interview interview = Interview.start(release.wiring(language), LocalDate.now(), link).checkedAsWanted();
        Optional<String> id = begins.begin(release, interview, invitation.map(i -> token));
        if (id.isEmpty()) {
            return "redirect:/to/" + token;
        }
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(GOING_ON, id.get()).path("/to/" + token).httpOnly(true)
                .sameSite("Lax").secure(request.isSecure()).maxAge(Duration.ofDays(30)).build().toString());
        return "redirect:/i/" + id.get();
    }

    @GetMapping("/i/{id}")
    String page(@PathVariable String id, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String look, @RequestParam(name = "new", defaultValue = "") String appeared,
            HttpServletRequest request, Model model, HttpServletResponse response) {
        model.addAttribute("from", from.equals(REVIEW) ? REVIEW : "");
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return nothing(request, model, response);
        }
        if (running.get().receipt().isPresent()) {
            return "redirect:/i/" + id + "/receipt";
        }
        offering.frame(running.get().release(), response);
        Optional<String> withdrawn = offering.withdrawn(running.get().release());
        if (withdrawn.isPresent()) {
            response.setStatus(410);
            return shut(Voice.of(running.get().interview()), withdrawn.get(), model);
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
                : Voice.of(interview).say("appeared", fresh.size()) + " "
                        + String.join(", ", fresh.stream().map(slot -> "“" + wording(interview, page, slot) + "”").toList());
        return draw(running.get().with(interview), at, look.equals("again"), notice, model);
    }

    private static String wording(Interview interview, Course.PageView page, String slot) {
        Course.Shown shown = page.at(slot).orElseThrow();
        return Voice.of(interview).plain(shown.wording(), shown);
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

    private String draw(Running running, String at, boolean withErrors, String notice, Model model) {
        interviews.reached(running, fill(running, at, withErrors, notice, model));
        return "respond/page";
    }

    private int fill(Running running, String at, boolean withErrors, String notice, Model model) {
        Interview interview = running.interview();
        model.addAttribute("title", Voice.of(interview).plain(interview.wiring().document().title()));
        model.addAttribute("id", running.id());
        model.addAttribute("presentation", interview.wiring().document().presentation());
        model.addAttribute("tongues", Tongue.of(running.release(), interview.wiring().document().sourceLanguage()));
        model.addAttribute("withLater", true);
        return Drawn.page(interview, "/i/" + running.id(), at, withErrors, notice, seed(running.id()), running.furthest(),
                ahead.of(interview), model);
    }

    private static long seed(String id) {
        return id.hashCode();
    }

    @PostMapping("/i/{id}")
    String answer(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Running> found = interviews.find(id);
        if (found.isEmpty()) {
            return nothing(request, model, response);
        }
        Running running = found.get();
        if (running.receipt().isPresent() || offering.withdrawn(running.release()).isPresent()) {
            return "redirect:/i/" + id;
        }
        offering.frame(running.release(), response);
        String posted = Optional.ofNullable(form.getFirst(PageForm.PAGE)).orElse("");
        // A page posted again after the browser's own way back is taken as going back to it.
        Interview interview = running.interview().backTo(posted);
        Optional<Course.PageView> current = interview.course().current();
        if (current.isEmpty() || !current.get().page().code().equals(posted)) {
            if (current.isEmpty()) {
                return "redirect:/i/" + id + "/review";
            }
            response.setStatus(409);
            return draw(running.with(interview), "", false, Voice.of(interview).say("not_that_page"), model);
        }
        Received received = new Received(attachments.held(id));
        Map<String, Object> given = PageForm.answers(current.get(), language(interview), form, files(request), received);
        Optional<String> refusal = refusal(received, Voice.of(interview), request, response);
        if (refusal.isPresent()) {
            Map<String, Object> typed = PageForm.answers(current.get(), language(interview), form, new LinkedMultiValueMap<>(), received);
            return draw(running.with(interview.keep(typed)), "", false, refusal.get(), model);
        }
        return kept(running, current.get(), given, received, form, model, response);
    }

    /** Why files are not taken; empty where they are. */
    private Optional<String> refusal(Received received, Voice voice, HttpServletRequest request, HttpServletResponse response) {
        if (received.isTooMuch()) {
            response.setStatus(413);
            return Optional.of(voice.say("files_too_much", Received.MOST_BYTES >> 20, Received.MOST_FILES));
        }
        long megabytes = received.megabytes();
        if (megabytes > 0 && !pace.allows(Pace.Of.UPLOAD_BY_CLIENT, request.getRemoteAddr(), megabytes)) {
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
        Turn turn = later || !speak.isEmpty() ? new Turn.Moved(interview.keep(given), Optional.empty(), "") : turn(interview, given, form);
        if (!(turn instanceof Turn.Warned)) {
            Optional<String> left = turn instanceof Turn.Moved m ? m.passed() : Optional.empty();
            if (!keeping.keep(running, turn.interview(), left, received.contents())) {
                return again(running, view, given, received, form, model, response);
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
        boolean sends = turn instanceof Turn.Moved m && m.passed().isPresent() && !fromReview
                && running.release().document().presentation().navigation().reviewLeftOut() && m.interview().course().acceptable();
        if (sends) {
            interviews.sendOnce(running.with(turn.interview()), OffsetDateTime.now());
            return EndController.sent(running);
        }
        return switch (turn) {
            case Turn.Moved m -> "redirect:/i/" + id + (m.at().isEmpty() ? "" : "?at=" + m.at());
            // Told on a page of its own address, so that neither reloading it nor the browser's way back sends anything again.
            case Turn.Again a -> "redirect:" + UriComponentsBuilder.fromPath("/i/" + id)
                    .queryParamIfPresent("at", Optional.of(a.at()).filter(s -> !s.isEmpty()))
                    .queryParamIfPresent("from", Optional.of(REVIEW).filter(f -> fromReview))
                    .queryParamIfPresent("look", Optional.of("again").filter(l -> a.refused()))
                    .queryParamIfPresent("new", Optional.of(String.join(" ", a.appeared())).filter(s -> !s.isEmpty()))
                    .encode().toUriString() + (a.appeared().isEmpty() ? "" : "#q-" + a.appeared().getFirst().replace('.', '-'));
            case Turn.Warned w -> {
                response.setStatus(409);
                Drawn.warned(w, interview, Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next"), model);
                fill(running.with(w.interview()), w.at(), false, "", model);
                yield "respond/page";
            }
        };
    }

    private static Turn turn(Interview interview, Map<String, Object> given, MultiValueMap<String, String> form) {
        Turn turn = Turn.of(interview, given, form);
        boolean back = REVIEW.equals(form.getFirst(PageForm.FROM)) && turn instanceof Turn.Moved m && m.passed().isPresent();
        return back && turn instanceof Turn.Moved m ? new Turn.Moved(m.interview().asFarAsMet(), m.passed(), "") : turn;
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
                Voice.of(interview).say(there ? "saved_at_once" : "not_that_page"), model);
    }

    /** The page as it would be with what is on it now, which is kept aside in case the page is closed. */
    @PostMapping("/i/{id}/live")
    String live(@PathVariable String id, @RequestParam MultiValueMap<String, String> form, Model model) {
        Optional<Running> running = interviews.find(id).filter(r -> r.receipt().isEmpty());
        String posted = Optional.ofNullable(form.getFirst(PageForm.PAGE)).orElse("");
        Optional<Interview> interview = running.map(r -> r.interview().backTo(posted));
        Optional<Course.PageView> current = interview.flatMap(i -> i.course().current()).filter(p -> p.page().code().equals(posted));
        if (current.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT, "The interview has moved on to another page in the meantime.");
        }
        model.addAttribute("from", Optional.ofNullable(form.getFirst(PageForm.FROM)).filter(REVIEW::equals).orElse(""));
        Map<String, Object> given = PageForm.soFar(current.get(), language(interview.get()), form);
        if (interview.get().passed().equals(running.get().interview().passed())) {
            interviews.keepDraft(id, posted, given);
        }
        fill(running.get().with(interview.get().keep(given)), Optional.ofNullable(form.getFirst(PageForm.AT)).orElse(""), false, "",
                model);
        return "questions :: page";
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
