package orthogon.app.respond;

import orthogon.app.http.RateLimit;
import orthogon.app.offering.Offering;
import orthogon.app.offering.Offering.AtAddress;
import orthogon.app.proving.Ahead;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.view.Views;
import orthogon.app.work.BeginInterview;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Presentation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** Where a link leads: to the welcome page of an open release, and from there to a new interview. */
@Controller
class WelcomeController {

    /** A box that people do not see; whoever fills it in is none. */
    private static final String TRAP = "~website";
    private static final String LANGUAGE = "lang";
    /** Names the interview that was begun in this browser. */
    private static final String GOING_ON = "going-on";
    /** Most characters of one value that comes with a link, and of all of them. */
    private static final int LONGEST_PARAMETER = 500;
    private static final int LONGEST_LINK = 1500;

    /** The first page. */
    record WelcomeView(String title, OwnWords words, List<ReadableLanguage> tongues, String heading, String text, String token,
            Map<String, String> link, String linkQuery, String message, Presentation presentation, String lang, String dir) {}

    private final Offering offering;
    private final InterviewStore interviews;
    private final InvitationStore invitations;
    private final Ahead ahead;
    private final RateLimit pace;
    private final BeginInterview beginning;

    WelcomeController(Offering offering, InterviewStore interviews, InvitationStore invitations, Ahead ahead, RateLimit pace,
            BeginInterview beginning) {
        this.beginning = beginning;
        this.offering = offering;
        this.interviews = interviews;
        this.invitations = invitations;
        this.ahead = ahead;
        this.pace = pace;
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
            case AtAddress.Open open when isTooLong(open.release(), link) -> tooLong(open.release(), link, request, model, response);
            case AtAddress.Open open -> {
                offering.frame(open.release(), response);
                model.addAttribute("goingOn", goingOn.filter(id -> interviews.find(id).filter(r -> r.receipt().isEmpty()
                        && r.release().token().equals(open.release().token())).isPresent()).orElse(""));
                yield welcome(open.release(), token, link, language(open.release(), link, request), "", model);
            }
            case AtAddress.Shut shut -> shut(shut, link, request, model, response);
            case AtAddress.Nothing n -> Notices.nothing(request, model, response);
        };
    }

    private String welcome(Release release, String token, Map<String, String> link, String language, String message, Model model) {
        ahead.prepare(release.wiring(), LocalDate.now());
        Map<String, String> known = new LinkedHashMap<>();
        release.document().arriving().stream().filter(p -> link.containsKey(p.code()))
                .forEach(p -> known.put(p.code(), link.get(p.code())));
        Wiring wiring = release.wiring(language);
        RespondentTexts voice = RespondentTexts.of(Interview.start(wiring, LocalDate.now(), known));
        var presentation = wiring.document().presentation();
        UriComponentsBuilder further = UriComponentsBuilder.newInstance();
        known.forEach(further::queryParam);
        Views.show(model,
                new WelcomeView(voice.plain(wiring.document().title()), voice.ownWords(), ReadableLanguage.of(release, language),
                        voice.inline(presentation.welcome().heading()), voice.block(presentation.welcome().text()), token, known,
                        known.isEmpty() ? "" : "&" + further.build().encode().getQuery(), message.isEmpty() ? "" : voice.say(message),
                        presentation, voice.language(), voice.direction()));
        return "respond/welcome";
    }

    @PostMapping("/to/{token}")
    String begin(@PathVariable String token, @RequestParam Map<String, String> link, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Invitation> invitation = invitations.withToken(token);
        if (invitation.flatMap(Invitation::interview).isPresent()) {
            return "redirect:/i/" + invitation.get().interview().get();
        }
        AtAddress found = offering.at(token, OffsetDateTime.now());
        if (found instanceof AtAddress.Shut shut) {
            return shut(shut, link, request, model, response);
        }
        if (!(found instanceof AtAddress.Open(Release release))) {
            return Notices.nothing(request, model, response);
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
        if (!pace.allows(RateLimit.Of.BEGINNING, request.getRemoteAddr())) {
            response.setStatus(429);
            response.setHeader("Retry-After", "60");
            return welcome(release, token, link, language, "many_began", model);
        }
        Interview interview = Interview.start(release.wiring(language), LocalDate.now(), link).checkedAsWanted();
        Optional<String> id = beginning.begin(release, interview, invitation.map(i -> token));
        if (id.isEmpty()) {
            return "redirect:/to/" + token;
        }
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(GOING_ON, id.get()).path("/to/" + token).httpOnly(true)
                .sameSite("Lax").secure(request.isSecure()).maxAge(Duration.ofDays(30)).build().toString());
        return "redirect:/i/" + id.get();
    }

    /** A page that says why nobody can begin. */
    private String shut(AtAddress.Shut shut, Map<String, String> link, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        response.setStatus(410);
        offering.frame(shut.release(), response);
        String language = language(shut.release(), link, request);
        RespondentTexts voice = RespondentTexts.of(Interview.start(shut.release().wiring(language), LocalDate.now(), Map.of()));
        model.addAttribute("tongues", ReadableLanguage.of(shut.release(), language));
        model.addAttribute("linkQuery", "");
        return Notices.shut(voice, shut.why().equals("closed_title")
                ? shut.message()
                : voice.say(shut.why(), shut.when().map(voice.ownWords()::moment).orElse("")), model);
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
        RespondentTexts voice = RespondentTexts.of(Interview.start(release.wiring(language), LocalDate.now(), Map.of()));
        model.addAttribute("tongues", ReadableLanguage.of(release, language));
        model.addAttribute("linkQuery", "");
        return Notices.told(voice, "nothing_title", voice.say("link_too_long"), model);
    }

    /** The language asked for in the address, or else the one that the browser wants most. */
    private static String language(Release release, Map<String, String> link, HttpServletRequest request) {
        String asked = link.getOrDefault(LANGUAGE, "");
        return release.languages().contains(asked) || asked.equals(Stretch.TAG) ? asked : release.best(Notices.wanted(request));
    }
}
