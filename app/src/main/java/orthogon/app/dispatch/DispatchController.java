package orthogon.app.dispatch;

import com.ibm.icu.util.ULocale;
import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jakarta.servlet.http.HttpServletResponse;
import orthogon.app.editing.Editing;
import orthogon.app.editing.Editing.EditConflict;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.questions.MessageTexts;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.core.answer.AnswerKind;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.edit.ChangeMessages;
import orthogon.core.edit.WholeDocument;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Translated;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchMessage.ToldAnswers;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Messages: the list, the chosen one as it arrives, its settings, and what the proof says of it. */
@Controller
@RequestMapping("/q/{code}/dispatch")
class DispatchController {

    /**
     * What is typed about a message.
     *
     * @param was its code so far
     * @param addresses with commas or line breaks between them
     */
    record TypedMessage(String was, String code, String title, String sendWhen, String addresses, List<String> answers, String subject,
            String body, String tells, List<String> told) {

        static TypedMessage of(DispatchMessage m) {
            return new TypedMessage(m.code(), m.code(), m.title(), m.sendWhen(), String.join(", ", m.addresses()), m.answers(), m.subject(),
                    m.body(), m.tells().word(), m.told());
        }

        DispatchMessage message() throws Refused {
            if (!Arrays.asList("everything", "these", "nothing").contains(tells)) {
                throw new Refused("Choose what the message tells.");
            }
            ToldAnswers telling = ToldAnswers.of(tells);
            return new DispatchMessage(text(code), text(title), text(sendWhen),
                    Arrays.stream(text(addresses).split("[,;\\s]+")).filter(a -> !a.isEmpty()).toList(),
                    answers == null ? List.of() : answers,
                    text(subject), text(body), telling, told == null || telling != ToldAnswers.THESE ? List.of() : told);
        }

        private static String text(String typed) {
            return typed == null ? "" : typed.strip();
        }
    }

    /**
     * A message in the list.
     *
     * @param says when and to whom, in words
     * @param sign of its worst claim; empty where nothing is proved yet
     */
    record MessageEntry(String code, String title, String says, String sign, boolean chosen) {}

    /**
     * The chosen message as it arrives.
     *
     * @param to addresses with the answers of the respondent shown
     * @param completed whether it is completed with somebody's answers
     */
    record ArrivingMessage(List<String> to, String subject, String body, String dir, String language, boolean completed) {}

    /** A claim about the chosen message. */
    record ClaimLine(String id, String verdict, String says) {}

    /**
     * The sheet.
     *
     * @param typed settings of the chosen message; null where there is none
     * @param wrong why what is typed was not kept; empty where it was
     * @param emails questions for an email address, code to wording
     */
    record DispatchSheet(List<MessageEntry> entries, TypedMessage typed, ArrivingMessage arriving, List<ClaimLine> claims, String wrong,
            Map<String, String> emails, List<Question> questions, Map<String, String> languages, String reading, int revision,
            String names) {}

    private final Frame frame;
    private final Proofs proofs;
    private final Editing editing;

    DispatchController(Frame frame, Proofs proofs, Editing editing) {
        this.frame = frame;
        this.proofs = proofs;
        this.editing = editing;
    }

    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "") String language,
            Model model) {
        Draft draft = frame.draft(code);
        List<DispatchMessage> messages = draft.document().messages();
        Optional<DispatchMessage> chosen = messages.stream().filter(m -> m.code().equals(at)).findFirst()
                .or(() -> messages.stream().findFirst());
        return show(draft, chosen, chosen.map(TypedMessage::of).orElse(null), "", language, model);
    }

    private String show(Draft draft, Optional<DispatchMessage> chosen, TypedMessage typed, String wrong, String language, Model model) {
        frame.fill(model, draft, "dispatch");
        Questionnaire document = draft.document();
        Optional<Proof> proof = proofs.ready(draft);
        String reading = document.languages().contains(language) ? language : document.sourceLanguage();
        Map<String, String> emails = new LinkedHashMap<>();
        document.questions().filter(q -> q.answer().kind() == AnswerKind.EMAIL && document.rosterOf(q.code()).isEmpty())
                .forEach(q -> emails.put(q.code(), q.wording()));
        Map<String, String> languages = new LinkedHashMap<>();
        document.languages().forEach(l -> languages.put(l, OwnWords.name(l)));
        Wiring wiring = Wiring.of(document);
        Views.show(model, new DispatchSheet(
                document.messages().stream().map(m -> entry(wiring, m, proof, chosen.filter(m::equals).isPresent())).toList(), typed,
                chosen.map(m -> arriving(document, m, proof, reading)).orElse(null),
                chosen.map(m -> claims(proof, m)).orElse(List.of()), wrong, emails,
                document.questions().filter(q -> !q.isHidden()).toList(), languages, reading, draft.revision(),
                String.join(" ", wiring.names(RuleFamily.SEND_WHEN, ""))));
        return "dispatch";
    }

    private static MessageEntry entry(Wiring wiring, DispatchMessage m, Optional<Proof> proof, boolean chosen) {
        String when = m.sendWhen().isBlank()
                ? "always"
                : "when " + wiring.at(m.code() + ".sendWhen").flatMap(Wiring.Wire::readable).map(Phrase::of).orElse(m.sendWhen());
        List<String> to = recipients(m);
        String says = when + " · tells " + (m.tells() == ToldAnswers.THESE ? m.told().size() + " answers" : m.tells().word()) + " · to "
                + (to.isEmpty() ? "nobody yet" : String.join(", ", to));
        String sign = proof.map(p -> about(p, m).map(Claim::verdict).max(Comparator.comparing(DispatchController::weight))
                .map(v -> v.name().toLowerCase(Locale.ROOT)).orElse("")).orElse("");
        return new MessageEntry(m.code(), m.shown(), says, sign, chosen);
    }

    private static List<String> recipients(DispatchMessage m) {
        return Stream.concat(m.addresses().stream(), m.answers().stream().map(a -> "the answer of " + a)).toList();
    }

    private static int weight(Verdict verdict) {
        return switch (verdict) {
            case PROVED -> 0;
            case UNDECIDED -> 1;
            case REFUTED -> 2;
        };
    }

    private static Stream<Claim> about(Proof proof, DispatchMessage m) {
        return proof.claims().stream().filter(c -> c.at().row().equals(m.code()));
    }

    /** The claims of its own, and of the others those that are not proved. */
    private static List<ClaimLine> claims(Optional<Proof> proof, DispatchMessage m) {
        return proof.map(p -> about(p, m).filter(c -> c.verdict() != Verdict.PROVED || c.kind().family() == Family.DISPATCH)
                .sorted(Comparator.comparing(c -> c.kind().family() != Family.DISPATCH))
                .map(c -> new ClaimLine(c.id(), c.verdict().name().toLowerCase(Locale.ROOT), p.words().statement(c))).toList())
                .orElse(List.of());
    }

    /** The message for the respondent whom the proof names; without one, as it is written. */
    private static ArrivingMessage arriving(Questionnaire document, DispatchMessage m, Optional<Proof> proof, String language) {
        Questionnaire translated = Translated.into(document, language);
        Optional<Interview> somebody = proof.flatMap(p -> p.claim(ClaimKind.MESSAGE_SENT, m.code()))
                .filter(c -> c.verdict() == Verdict.PROVED).flatMap(c -> c.finding().witness())
                .map(answers -> Replay.of(Wiring.of(document), LocalDate.now(), answers, "").with(Wiring.of(translated)));
        String dir = ULocale.forLanguageTag(language).isRightToLeft() ? "rtl" : "ltr";
        if (somebody.isEmpty()) {
            DispatchMessage written = translated.message(m.code()).orElse(m);
            return new ArrivingMessage(recipients(m), written.subject(), written.body(), dir, language, false);
        }
        MessageTexts texts = MessageTexts.of(somebody.get(), m.code());
        return new ArrivingMessage(DueMessage.of(somebody.get()).stream().filter(d -> d.message().code().equals(m.code()))
                .map(DueMessage::address).toList(), texts.subject(), texts.body(), dir, language, true);
    }

    /** What the proof says of a message, once it is there. */
    @GetMapping("/claims")
    String claims(@PathVariable String code, @RequestParam String at, Model model) {
        Draft draft = frame.draft(code);
        model.addAttribute("code", code);
        model.addAttribute("claims", draft.document().message(at).map(m -> claims(proofs.ready(draft), m)).orElse(List.of()));
        return "dispatch :: claims";
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, Principal who, Model model, HttpServletResponse response) {
        return attempt(code, "", null, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            List<DispatchMessage> messages = new ArrayList<>(document.messages());
            String fresh = Codes.fresh("message", WholeDocument.codes(document)::contains);
            messages.add(new DispatchMessage(fresh, "", "", List.of(), List.of(), document.title(), "", ToldAnswers.EVERYTHING,
                    List.of()));
            editing.make(code, revision, new ChangeMessages(messages), who);
            return "redirect:/q/" + code + "/dispatch?at=" + fresh;
        });
    }

    @PostMapping("/keep")
    String keep(@PathVariable String code, @RequestParam int revision, @ModelAttribute TypedMessage typed, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, typed.was(), typed, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            DispatchMessage written = typed.message();
            if (document.message(typed.was()).isEmpty()) {
                throw new Refused("There is no message " + typed.was() + " any more.");
            }
            editing.make(code, revision, new ChangeMessages(document.messages().stream()
                    .map(m -> m.code().equals(typed.was()) ? written : m).toList()), who);
            return "redirect:/q/" + code + "/dispatch?at=" + written.code();
        });
    }

    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam int revision, @RequestParam String message, Principal who, Model model,
            HttpServletResponse response) {
        return attempt(code, message, null, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            editing.make(code, revision,
                    new ChangeMessages(document.messages().stream().filter(m -> !m.code().equals(message)).toList()), who);
            return "redirect:/q/" + code + "/dispatch";
        });
    }

    /**
     * An edit, or the sheet with the reason why it was not made.
     *
     * @param at code of the message that it is about
     * @param typed what was typed and stays; null for nothing
     */
    private String attempt(String code, String at, TypedMessage typed, Model model, HttpServletResponse response, Editing.Attempt edit) {
        try {
            return edit.view();
        } catch (Refused | EditConflict e) {
            Draft draft = frame.draft(code);
            Optional<DispatchMessage> chosen = draft.document().message(at).or(() -> draft.document().messages().stream().findFirst());
            response.setStatus(e instanceof Refused ? 422 : 409);
            return show(draft, chosen, typed == null ? chosen.map(TypedMessage::of).orElse(null) : typed, e.getMessage(), "", model);
        }
    }
}
