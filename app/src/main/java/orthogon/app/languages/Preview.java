package orthogon.app.languages;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import orthogon.core.place.RuleFamily;
import orthogon.core.place.PlaceText;
import orthogon.core.place.Place;
import orthogon.app.questions.QuestionsPage;
import orthogon.app.questions.RespondentTexts;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.Stretch;
import orthogon.core.language.Translated;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.ui.Model;

/** The page on which a text stands, as a respondent who comes to it reads it in a language. */
final class Preview {

    private Preview() {}

    /** Fills the model for {@code languages :: preview}; {@code previewKind} says what there is to see, {@code none} where nothing is. */
    static void fill(Questionnaire document, Proof proof, String language, String unit, Model model) {
        Questionnaire translated = Translated.into(document, language);
        Place.Text text = PlaceText.unit(unit);
        String owner = text.row().isEmpty() ? text.name() : text.row();
        Optional<Page> page = document.page(owner).or(() -> document.pageOf(owner));
        Interview start = Interview.start(Wiring.of(translated), LocalDate.now(), Map.of());
        RespondentTexts voice = RespondentTexts.of(start);
        model.addAttribute("words", voice.ownWords());
        model.addAttribute("lang", language.equals(Stretch.TAG) ? document.sourceLanguage() : voice.language());
        model.addAttribute("dir", voice.direction());
        model.addAttribute("theme", translated.presentation().theme());
        model.addAttribute("previewTitle", voice.plain(translated.title()));
        model.addAttribute("mark", page.isPresent() && document.page(owner).isEmpty() ? "q-" + owner : "");
        if (owner.equals("welcome") || owner.equals("title")) {
            model.addAttribute("previewKind", "text");
            var welcome = translated.presentation().welcome();
            model.addAttribute("heading",
                    welcome.heading().isEmpty() ? voice.inline(translated.title()) : voice.inline(welcome.heading()));
            model.addAttribute("text", voice.block(welcome.text()));
            return;
        }
        Optional<Interview> at = page.isPresent()
                ? witness(proof, owner, page.get()).map(w -> Replay.of(Wiring.of(translated), LocalDate.now(), w, page.get().code()))
                : explained(proof, ClaimKind.REACH_OUTCOME, owner).map(w -> Replay.of(Wiring.of(translated), LocalDate.now(), w, ""));
        Optional<Course.PageView> current = at.flatMap(i -> i.course().current());
        if (at.isPresent() && page.isPresent() && current.filter(v -> v.page().code().equals(page.get().code())).isPresent()) {
            model.addAttribute("previewKind", "page");
            Object read = model.getAttribute("lang");
            QuestionsPage.page(at.get(), "/", "", text.isOf(RuleFamily.ACCEPT), "", 0, 0, Optional.empty(), model);
            model.addAttribute("lang", read);
            return;
        }
        if (at.isPresent() && page.isEmpty()) {
            RespondentTexts ending = RespondentTexts.of(at.get());
            translated.outcome(owner).ifPresent(o -> {
                model.addAttribute("heading", ending.inline(o.label()));
                model.addAttribute("text", ending.block(o.closing()));
            });
            model.addAttribute("previewKind", "text");
            return;
        }
        model.addAttribute("previewKind", "none");
    }

    private static Optional<Map<String, Object>> witness(Proof proof, String owner, Page page) {
        return explained(proof, ClaimKind.REACH_QUESTION, owner).or(() -> explained(proof, ClaimKind.REACH_NOTE, owner))
                .or(() -> explained(proof, ClaimKind.REACH_SECTION, owner)).or(() -> explained(proof, ClaimKind.REACH_PAGE, page.code()));
    }

    private static Optional<Map<String, Object>> explained(Proof proof, ClaimKind kind, String place) {
        return proof.claim(kind, place).map(Claim::finding).flatMap(Finding::witness);
    }
}
