package orthogon.app.respond;

import orthogon.app.http.ErrorPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.view.Views;
import orthogon.core.language.OwnWords;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.util.unit.DataSize;

/** Errors that respondents meet, in the language of their interview and without a word of the analyst's pages. */
@Component
class RespondentErrors implements ErrorPage {

    private static final String INTERVIEW = "/i/";
    private static final String INVITED = "/to/";

    /** What went wrong, in the respondent's language, with the way back to the interview; empty where there is none. */
    record RespondentError(OwnWords words, String lang, String dir, String back, String title, String message) {}

    private final InterviewStore interviews;
    private final DataSize largest;

    RespondentErrors(InterviewStore interviews, @Value("${spring.servlet.multipart.max-file-size}") DataSize largest) {
        this.interviews = interviews;
        this.largest = largest;
    }

    @Override
    public Optional<String> of(HttpServletRequest request, HttpStatus status, Model model) {
        Object forwarded = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        String address = forwarded instanceof String from ? from : request.getRequestURI();
        if (!address.startsWith(INTERVIEW) && !address.startsWith(INVITED)) {
            return Optional.empty();
        }
        Optional<String> id = address.startsWith(INTERVIEW)
                ? Optional.of(address.substring(INTERVIEW.length()).split("/", 2)[0])
                : Optional.empty();
        // What failed may be the interview itself, so it is not read again then.
        Optional<Running> running = status.is5xxServerError() ? Optional.empty() : id.flatMap(interviews::find);
        OwnWords words = running.map(r -> RespondentTexts.of(r.interview()).ownWords()).orElseGet(() -> Notices.shipped(request));
        if (status == HttpStatus.NOT_FOUND) {
            return Optional.of(Notices.nothing(words, model));
        }
        Views.show(model, new RespondentError(words, words.locale().getLanguage(), words.locale().isRightToLeft() ? "rtl" : "ltr",
                id.map(i -> INTERVIEW + i).orElse(""), words.say("not_kept"), status == HttpStatus.CONTENT_TOO_LARGE
                        ? words.say("too_large", largest.toMegabytes())
                        : words.say("try_again")));
        return Optional.of("respond/not_kept");
    }
}
