package orthogon.app.languages;

import orthogon.app.answer.PageRecords;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.view.Views;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Stretch;
import orthogon.core.language.Translated;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.springframework.ui.Model;

/** The page on which a text stands, as a respondent who comes to it reads it in a language. */
final class Preview {

    private Preview() {}

    /**
     * What the preview shows.
     *
     * @param previewKind {@code page}, {@code text} with a heading, or {@code none} where nobody comes to the text
     * @param mark element to show, as the text stands in it; empty for the whole page
     */
    record PreviewView(String previewKind, OwnWords words, String lang, String dir, Presentation.Theme theme, String previewTitle,
            String mark,
            String heading, String text) {

        PreviewView page() {
            return new PreviewView("page", words, lang, dir, theme, previewTitle, mark, heading, text);
        }

        PreviewView text(String shownHeading, String shownText) {
            return new PreviewView("text", words, lang, dir, theme, previewTitle, mark, shownHeading, shownText);
        }
    }

    /** Fills the model for {@code languages :: preview}. */
    static void fill(Questionnaire document, Proof proof, String language, String unit, Model model) {
        Views.show(model, of(document, proof, language, unit, model));
    }

    private static PreviewView of(Questionnaire document, Proof proof, String language, String unit, Model model) {
        Questionnaire translated = Translated.into(document, language);
        Place.Text text = PlaceText.unit(unit);
        String owner = text.row().isEmpty() ? text.name() : text.row();
        Optional<Page> page = document.page(owner).or(() -> document.pageOf(owner));
        Interview start = Interview.start(Wiring.of(translated), LocalDate.now(), Map.of());
        RespondentTexts voice = RespondentTexts.of(start);
        String mark = page.isPresent() && document.page(owner).isEmpty() ? "q-" + owner : "";
        String lang = language.equals(Stretch.TAG) ? document.sourceLanguage() : voice.language();
        PreviewView view = new PreviewView("none", voice.ownWords(), lang, voice.direction(), translated.presentation().theme(),
                voice.plain(translated.title()), mark, "", "");
        if (owner.equals("welcome") || owner.equals("title")) {
            Presentation.Welcome welcome = translated.presentation().welcome();
            return view.text(voice.inline(welcome.heading().isEmpty() ? translated.title() : welcome.heading()),
                    voice.block(welcome.text()));
        }
        Optional<Interview> at = page.isPresent()
                ? witness(proof, owner, page.get()).map(w -> Replay.of(Wiring.of(translated), LocalDate.now(), w, page.get().code()))
                : explained(proof, ClaimKind.REACH_OUTCOME, owner).map(w -> Replay.of(Wiring.of(translated), LocalDate.now(), w, ""));
        Optional<Course.PageView> current = at.flatMap(i -> i.course().current());
        if (at.isPresent() && page.isPresent() && current.filter(v -> v.page().code().equals(page.get().code())).isPresent()) {
            QuestionsPage.page(at.get(), "/", "", text.isOf(RuleFamily.ACCEPT), "", 0, 0, Optional.empty(), PageRecords.NONE, model);
            return view.page();
        }
        Optional<Questionnaire.Outcome> outcome = translated.outcome(owner);
        if (at.isEmpty() || page.isPresent()) {
            return view;
        }
        RespondentTexts ending = RespondentTexts.of(at.get());
        return view.text(outcome.map(o -> ending.inline(o.label())).orElse(""), outcome.map(o -> ending.block(o.closing())).orElse(""));
    }

    private static Optional<Map<String, Object>> witness(Proof proof, String owner, Page page) {
        return explained(proof, ClaimKind.REACH_QUESTION, owner).or(() -> explained(proof, ClaimKind.REACH_NOTE, owner))
                .or(() -> explained(proof, ClaimKind.REACH_SECTION, owner)).or(() -> explained(proof, ClaimKind.REACH_PAGE, page.code()));
    }

    private static Optional<Map<String, Object>> explained(Proof proof, ClaimKind kind, String place) {
        return proof.claim(kind, place).map(Claim::finding).flatMap(Finding::witness);
    }
}
