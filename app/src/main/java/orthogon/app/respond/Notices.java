package orthogon.app.respond;

import orthogon.app.questions.RespondentTexts;
import orthogon.app.view.Views;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.ui.Model;

/** Pages for respondents without questions, and the language of who has no interview yet. */
final class Notices {

    private static final int LONGEST_WISH = 400;

    private Notices() {}

    /** Says why there is nothing to answer here. */
                                                    /** A page that only says something. */
    record NoticeView(String heading, String title, Presentation presentation, OwnWords words, String lang, String dir, String message) {}

    static String shut(RespondentTexts voice, String message, Model model) {
        return told(voice, "closed_title", message, model);
    }

    /** @param heading key of own words */
    static String told(RespondentTexts voice, String heading, String message, Model model) {
        Views.show(model, new NoticeView(heading, voice.plain(voice.document().title()), voice.document().presentation(), voice.ownWords(),
                voice.language(), voice.direction(), message));
        return "respond/shut";
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

    /** The languages that the browser wants, the most wanted first; none where it asks for more than anybody speaks. */
    static List<Locale.LanguageRange> wanted(HttpServletRequest request) {
        String header = request.getHeader("Accept-Language");
        try {
            return header == null || header.isBlank() || header.length() > LONGEST_WISH ? List.of() : Locale.LanguageRange.parse(header);
        } catch (IllegalArgumentException e) {
            return List.of();
        }
    }
}
