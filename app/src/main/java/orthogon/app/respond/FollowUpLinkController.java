package orthogon.app.respond;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.view.Views;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The link of a follow-up: it leads to its questions while it can be answered, and says what is the matter where it cannot. */
@Controller
class FollowUpLinkController {

    /**
     * What is the matter with a link.
     *
     * @param note of whoever returned it; may be empty
     * @param onward address of the answers to correct; empty where there is nothing to do
     */
    record FollowUpNotice(String title, String heading, String message, String note, String onward, Presentation presentation,
            OwnWords words,
            String lang, String dir) {}

    private final FollowUpStore followUps;
    private final InterviewStore interviews;
    private final WorkOnFollowUps work;
    private final FollowUpLinks links;

    FollowUpLinkController(FollowUpStore followUps, InterviewStore interviews, WorkOnFollowUps work, FollowUpLinks links) {
        this.links = links;
        this.followUps = followUps;
        this.interviews = interviews;
        this.work = work;
    }

    @GetMapping("/to/follow/{token}")
    String follow(@PathVariable String token, HttpServletRequest request, Model model, HttpServletResponse response) {
        Optional<KeptFollowUp> found = followUps.withToken(token).filter(k -> work.meant(k).filter(f -> f.seat().who() != Who.PEOPLE)
                .isPresent());
        if (found.isEmpty()) {
            return Notices.nothing(request, model, response);
        }
        KeptFollowUp kept = found.get();
        if (kept.progress() == FollowUpProgress.OPEN) {
            Optional<String> interview = work.begin(kept);
            return interview.map(id -> "redirect:/i/" + id).orElseGet(() -> told(kept, model, response));
        }
        return told(kept, model, response);
    }

    /** In the language of whoever answers it, or else of the response that opened it. */
    private String told(KeptFollowUp kept, Model model, HttpServletResponse response) {
        Optional<Running> child = kept.child().flatMap(interviews::find);
        Running running = child.or(() -> interviews.find(kept.interviewId())).orElseThrow();
        RespondentTexts voice = RespondentTexts.of(running.interview());
        Questionnaire document = running.interview().wiring().document();
        // Whoever never began knows it by the words of the link alone.
        String title = child.isPresent()
                ? voice.plain(document.title())
                : links.words(document.followUp(kept.code()).orElseThrow(), kept.releaseId(), voice);
        boolean returned = kept.progress() == FollowUpProgress.RETURNED;
        String message = switch (kept.progress()) {
            case SENT, DECIDED -> voice.say("follow_sent", when(kept.sentAt(), voice));
            case EXPIRED -> voice.say("follow_expired", when(kept.endedAt(), voice));
            case WITHDRAWN -> voice.say("follow_withdrawn");
            case OPEN, RETURNED -> "";
        };
        if (!returned) {
            response.setStatus(410);
        }
        Views.show(model,
                new FollowUpNotice(title, voice.say(returned ? "follow_returned" : "follow_over"), message,
                        returned ? kept.note() : "", returned ? "/i/" + running.id() : "", document.presentation(), voice.ownWords(),
                        voice.language(), voice.direction()));
        return "respond/follow";
    }

    private static String when(Optional<OffsetDateTime> at, RespondentTexts voice) {
        return at.map(voice.ownWords()::moment).orElse("");
    }
}
