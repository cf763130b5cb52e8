package orthogon.app.respond;

import java.util.List;
import orthogon.app.http.NotThere;
import orthogon.app.http.RateLimit;
import orthogon.app.offering.Offering;
import orthogon.app.work.MailWayBack;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.questions.ResponsePaper;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.sending.FollowUpLinks.FollowUpLink;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.InvitationStore;
import orthogon.app.view.Views;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.dispatch.LeadOn;
import orthogon.core.interview.Course;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.contact.Contacts;
import org.springframework.http.ResponseEntity;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Leaving and coming back, reading over, sending, the receipt. */
@Controller
class EndController {

    /** What every page behind the last one of a questionnaire shows. */
    record EndView(String title, String id, OwnWords words, Presentation presentation, List<ReadableLanguage> tongues, String back,
            String lang, String dir) {}

    /** What is told of a response that was sent. */
    record ReceiptView(String receipt, String heading, String headingPlain, String closing, List<String> takeAlong, String when,
            List<QuestionsPage.ReviewLine> lines, String redirect, boolean onward, List<FollowUpLink> followUps) {}

    private final InterviewStore interviews;
    private final SendAndGoOn sending;
    private final InvitationStore ways;
    private final MailWayBack mailing;
    private final Offering offering;
    private final RateLimit pace;
    private final FollowUpLinks links;

    EndController(InterviewStore interviews, InvitationStore ways, MailWayBack mailing, Offering offering, RateLimit pace,
            SendAndGoOn sending, FollowUpLinks links) {
        this.links = links;
        this.sending = sending;
        this.pace = pace;
        this.offering = offering;
        this.interviews = interviews;
        this.ways = ways;
        this.mailing = mailing;
    }

    private String themed(Running running, RespondentTexts voice, Model model, HttpServletResponse response, String view) {
        offering.frame(running.release(), response);
        Questionnaire document = running.interview().wiring().document();
        Views.show(model,
                new EndView(voice.plain(document.title()), running.id(), voice.ownWords(), document.presentation(),
                        ReadableLanguage.of(running.release(), document.sourceLanguage()), view.substring(view.lastIndexOf('/') + 1),
                        voice.language(), voice.direction()));
        return view;
    }

    private Optional<Running> open(Optional<Running> running) {
        return running.filter(r -> r.receipt().isEmpty() && !r.isOver() && offering.withdrawn(r.release()).isEmpty());
    }

    @GetMapping("/i/{id}/later")
    String later(@PathVariable String id, HttpServletRequest request, Model model, HttpServletResponse response) {
        Optional<Running> running = open(interviews.find(id));
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        model.addAttribute("sentTo", "");
        model.addAttribute("wrong", "");
        return themed(running.get(), RespondentTexts.of(running.get().interview()), model, response, "respond/later");
    }

    /** Sends the way back to an address that the respondent gives. The address is used for this and not kept with the answers. */
    @PostMapping("/i/{id}/later")
    String sendWayBack(@PathVariable String id, @RequestParam String email, Model model, HttpServletRequest request,
            HttpServletResponse response) {
        Optional<Running> running = open(interviews.find(id));
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        RespondentTexts voice = RespondentTexts.of(running.get().interview());
        Optional<String> address = Contacts.read(new ContactAnswer(ContactAnswer.Standard.EMAIL, ""), email);
        model.addAttribute("sentTo", address.orElse(""));
        model.addAttribute("wrong",
                address.isPresent() ? "" : voice.say("mail_wrong", email.strip()));
        model.addAttribute("typed", email);
        if (address.isPresent() && !mayMail(id, address.get(), request)) {
            response.setStatus(429);
            response.setHeader("Retry-After", "3600");
            model.addAttribute("sentTo", "");
            model.addAttribute("wrong", voice.say("mail_many"));
        } else if (address.isPresent()) {
            mailing.mail(id, address.get(), voice.say("mail_subject", voice.plain(running.get().interview().wiring().document().title())),
                    link -> voice.say("mail_text") + "\n\n" + link + "\n\n" + voice.say("mail_close"), voice.language());
        } else {
            response.setStatus(422);
        }
        return themed(running.get(), voice, model, response, "respond/later");
    }

    /** A stranger's address is as good as any other here, so no interview, address or client has many messages sent. */
    private boolean mayMail(String id, String address, HttpServletRequest request) {
        return pace.allows(RateLimit.Of.MAIL_OF_INTERVIEW, id)
                && pace.allows(RateLimit.Of.MAIL_TO_ADDRESS, address.toLowerCase(Locale.ROOT))
                && pace.allows(RateLimit.Of.MAIL_BY_CLIENT, request.getRemoteAddr());
    }

    @GetMapping("/to/resume/{token}")
    String resume(@PathVariable String token, HttpServletRequest request, Model model, HttpServletResponse response) {
        return ways.interviewAt(token).map(id -> "redirect:/i/" + id).orElseGet(() -> Notices.nothing(request, model, response));
    }

    @GetMapping("/i/{id}/review")
    String review(@PathVariable String id, HttpServletRequest request, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        if (open(running).isEmpty() || !running.get().interview().course().complete()) {
            return "redirect:/i/" + id;
        }
        model.addAttribute("lines", QuestionsPage.lines(running.get().interview()));
        model.addAttribute("open", QuestionsPage.problems(running.get().interview()));
        return themed(running.get(), RespondentTexts.of(running.get().interview()), model, response, "respond/review");
    }

    /** From the review back to a page, and there to a question. */
    @PostMapping("/i/{id}/back")
    String back(@PathVariable String id, @RequestParam String page, HttpServletRequest request, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        String[] to = page.split(" ", 2);
        if (running.get().receipt().isEmpty()) {
            // Where another window is quicker, what it did stays.
            interviews.keep(running.get(), running.get().interview().backTo(to[0]), Optional.empty());
        }
        String slot = to.length > 1 && to[1].matches("[a-z][A-Za-z0-9_.]*") ? to[1] : "";
        boolean open = running.get().interview().openEnded();
        return "redirect:/i/" + id + "?from=review" + (open ? "&look=again" : "")
                + (slot.isEmpty() ? "" : "&at=" + slot + RespondController.anchor(slot));
    }

    @PostMapping("/i/{id}/send")
    String send(@PathVariable String id, HttpServletRequest request, Model model, HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        if (running.get().receipt().isEmpty() && (open(running).isEmpty() || !running.get().interview().course().acceptable())) {
            return "redirect:/i/" + id;
        }
        return sending.send(running.get(), running.get());
    }

    @GetMapping("/i/{id}/receipt")
    String receipt(@PathVariable String id, @RequestParam(defaultValue = "false") boolean onward, HttpServletRequest request, Model model,
            HttpServletResponse response) {
        Optional<Running> running = interviews.find(id);
        if (running.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        if (running.get().receipt().isEmpty()) {
            return "redirect:/i/" + id;
        }
        RespondentTexts voice = RespondentTexts.of(running.get().interview());
        Course course = voice.course();
        Questionnaire document = running.get().interview().wiring().document();
        Optional<Questionnaire.Outcome> outcome = course.outcome().flatMap(document::outcome);
        Views.show(model,
                new ReceiptView(running.get().receipt().get(),
                        outcome.map(Questionnaire.Outcome::label).map(voice::inline).orElse(voice.say("sent")),
                        outcome.map(Questionnaire.Outcome::label).map(voice::plain).orElse(voice.say("sent")),
                        outcome.map(Questionnaire.Outcome::closing).filter(c -> !c.isEmpty()).map(voice::block).orElse(""),
                        outcome.map(voice::takeAlong).orElse(List.of()), voice.ownWords().moment(running.get().updatedAt()),
                        QuestionsPage.lines(running.get().interview()),
                        outcome.flatMap(o -> LeadOn.address(running.get().interview(), o)).orElse(""),
                        onward && document.presentation().navigation().redirectAtOnce(),
                        links.ofRespondent(id, running.get().interview())));
        return themed(running.get(), voice, model, response, "respond/receipt");
    }

    /** The receipt with all answers as a file to keep. */
    @GetMapping("/i/{id}/receipt.pdf")
    ResponseEntity<byte[]> paper(@PathVariable String id) {
        Running running = interviews.find(id).filter(r -> r.receipt().isPresent())
                .orElseThrow(() -> new NotThere("There is no receipt at this address."));
        String receipt = running.receipt().get();
        return ResponsePaper.sent(receipt, ResponsePaper.pdf(running.interview(), receipt, running.updatedAt(), Set.of()));
    }
}
