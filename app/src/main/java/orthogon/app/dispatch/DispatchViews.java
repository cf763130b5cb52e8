package orthogon.app.dispatch;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.app.account.People;
import orthogon.app.dispatch.DispatchSheet.ArrivingMessage;
import orthogon.app.dispatch.DispatchSheet.ClaimLine;
import orthogon.app.dispatch.DispatchSheet.DispatchEntry;
import orthogon.app.dispatch.DispatchSheet.ReadPassage;
import orthogon.app.dispatch.DispatchSheet.ReadWording;
import orthogon.app.background.Computations;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.questions.MessageTexts;
import orthogon.app.questions.RespondentTexts;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Piping;
import orthogon.core.language.TextPlaces;
import orthogon.core.language.Texts;
import orthogon.core.language.Translated;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** What the sheet Dispatch shows of a draft. */
@Component
class DispatchViews {

    /** Families of claims that are about entries of this sheet alone. */
    private static final Set<Family> OWN = Set.of(Family.DISPATCH, Family.FOLLOW_UP);

    private final Proofs proofs;
    private final People people;
    private final FollowUpViews followUps;
    private final Computations computations;

    DispatchViews(Proofs proofs, People people, FollowUpViews followUps, Computations computations) {
        this.computations = computations;
        this.followUps = followUps;
        this.proofs = proofs;
        this.people = people;
    }

    /**
     * The sheet with an entry chosen.
     *
     * @param entry what stands in its settings
     * @param language to read it in
     */
    DispatchSheet sheet(Draft draft, TypedEntry entry, String wrong, String language) {
        TypedMessage typed = entry.message();
        TypedPassage passage = entry.passage();
        Questionnaire document = draft.document();
        Optional<Proof> proof = proofs.ready(draft);
        String reading = document.languages().contains(language) ? language : document.sourceLanguage();
        Wiring wiring = Wiring.of(document);
        Optional<DispatchMessage> message = typed == null ? Optional.empty() : document.message(typed.was());
        Optional<DispatchPassage> kept = passage == null ? Optional.empty() : document.passage(passage.was());
        String chosen = entry.was();
        Map<String, String> emails = new LinkedHashMap<>();
        document.questions().filter(q -> document.asksForAddress(q.code()))
                .forEach(q -> emails.put(q.code(), q.wording()));
        Map<String, String> languages = new LinkedHashMap<>();
        document.languages().forEach(l -> languages.put(l, OwnWords.name(l)));
        List<String> names = new ArrayList<>(wiring.names(RuleFamily.SEND_WHEN, ""));
        document.passages().forEach(p -> names.add(p.code()));
        return new DispatchSheet(
                document.messages().stream().map(m -> entry(wiring, m, proof, m.code().equals(chosen))).toList(),
                document.passages().stream().map(p -> new DispatchEntry(p.code(), p.code(), said(p), sign(proof, p.code()),
                        p.code().equals(chosen))).toList(),
                document.followUps().stream().map(f -> new DispatchEntry(f.code(), f.shown(), followUps.said(wiring, f),
                        sign(proof, f.code()), f.code().equals(chosen))).toList(),
                typed, passage, entry.followUp(),
                entry.followUp() == null ? null : followUps.view(document, entry.followUp(), proof), followUps.openable(document.code()),
                followUps.moments(document, typed), message.map(m -> arriving(document, m, proof, reading)).orElse(null),
                kept.map(p -> read(document, p, proof, reading)).orElse(null),
                chosen.isEmpty() ? List.of() : claims(proof, chosen), wrong, emails, people.readers(document.code()),
                document.questions().filter(q -> !q.isHidden()).toList(), languages, reading, draft.revision(), String.join(" ", names));
    }

    /** How many ways there are through a whole case, in words; counted now where nobody asked before. */
    String caseWays(Draft draft) {
        Proof proof = proofs.of(draft);
        Optional<Figures> figures = proof.caseFigures(computations.watch());
        return figures.flatMap(Figures::answerPaths).map(paths -> Frame.grouped(paths) + " ways through a whole case, with how each "
                + "follow-up ends and is decided")
                .orElseGet(() -> figures.flatMap(Figures::notCounted).map(why -> "Not counted: " + proof.words().said(why) + ".")
                        .orElse("No follow-up is opened."));
    }

    private static String said(DispatchPassage passage) {
        int wordings = passage.wordings().size();
        return wordings == 0
                ? "no wording left"
                : (wordings == 1 ? "1 wording: " : wordings + " wordings: ") + passage.wordings().getFirst().text();
    }

    private DispatchEntry entry(Wiring wiring, DispatchMessage m, Optional<Proof> proof, boolean chosen) {
        return new DispatchEntry(m.code(), m.shown(), m.isBeforeAnswers() ? beforeAnswers(m) : afterAnswers(wiring, m),
                sign(proof, m.code()), chosen);
    }

    private static String beforeAnswers(DispatchMessage m) {
        String moment = m.on() == MessageMoment.INVITED
                ? "to whoever is invited, with their link"
                : "to whoever was invited and has not sent";
        return m.afterDays() == 0 ? moment : moment + ", after " + m.afterDays() + (m.afterDays() == 1 ? " day" : " days");
    }

    private String afterAnswers(Wiring wiring, DispatchMessage m) {
        String always = m.isOfFollowUp() ? "" : "always";
        String when = m.sendWhen().isBlank()
                ? always
                : "when " + wiring.at(m.code() + ".sendWhen").flatMap(Wiring.Wire::readable).map(Phrase::of).orElse(m.sendWhen());
        List<String> to = recipients(m);
        String moment = m.isOfFollowUp() ? followUps.moment(wiring.document(), m.occasion()) : "";
        return Stream.of(moment, when).filter(w -> !w.isEmpty()).collect(Collectors.joining(", ")) + " · tells "
                + (m.with().tells() == ToldAnswers.THESE ? m.with().told().size() + " answers" : m.with().tells().word())
                + " · to " + (to.isEmpty() ? "nobody yet" : String.join(", ", to));
    }

    private List<String> recipients(DispatchMessage m) {
        return Stream.of(m.addresses().stream(), m.answers().stream().map(a -> "the answer of " + a),
                m.to().people().stream().map(people::named)).flatMap(s -> s).toList();
    }

    private static String sign(Optional<Proof> proof, String code) {
        return proof.map(p -> about(p, code).map(Claim::verdict).max(Comparator.comparing(DispatchViews::weight))
                .map(Verdict::word).orElse("")).orElse("");
    }

    private static int weight(Verdict verdict) {
        return switch (verdict) {
            case PROVED -> 0;
            case UNDECIDED -> 1;
            case REFUTED -> 2;
        };
    }

    private static Stream<Claim> about(Proof proof, String code) {
        return proof.claims().stream().filter(c -> c.at().row().equals(code));
    }

    /** The claims of its own, and of the others those that are not proved. */
    private static List<ClaimLine> claims(Optional<Proof> proof, String code) {
        return proof.map(p -> about(p, code).filter(c -> c.verdict() != Verdict.PROVED || OWN.contains(c.kind().family()))
                .sorted(Comparator.comparing(c -> !OWN.contains(c.kind().family())))
                .map(c -> new ClaimLine(c.id(), c.verdict().word(), p.words().statement(c))).toList())
                .orElse(List.of());
    }

    private static String direction(String language) {
        return ULocale.forLanguageTag(language).isRightToLeft() ? "rtl" : "ltr";
    }

    /** The interview of the respondent whom a proved claim names, in a language. */
    private static Optional<Interview> witness(Questionnaire document, Optional<Claim> claim, String language) {
        return claim.filter(c -> c.verdict() == Verdict.PROVED).flatMap(c -> c.finding().witness())
                .map(answers -> Replay.of(Wiring.of(document), LocalDate.now(), answers, "")
                        .with(Wiring.of(Translated.into(document, language))));
    }

    /** The message for the respondent whom the proof names; without one, as it is written. */
    private ArrivingMessage arriving(Questionnaire document, DispatchMessage m, Optional<Proof> proof, String language) {
        Optional<Interview> somebody = !m.isBeforeAnswers()
                ? witness(document, proof.flatMap(p -> p.claim(ClaimKind.MESSAGE_SENT, m.code())), language)
                : Optional.of(Interview.start(Wiring.of(Translated.into(document, language)), LocalDate.now(), Map.of()));
        List<String> files = new ArrayList<>();
        if (m.with().paper()) {
            files.add("the response, as PDF");
        }
        if (m.with().files()) {
            files.add("files that were given");
        }
        if (somebody.isEmpty()) {
            DispatchMessage written = Translated.into(document, language).message(m.code()).orElse(m);
            return new ArrivingMessage(recipients(m), m.to().replyTo(), written.subject(), RespondentTexts.asWritten(written.body()),
                    List.of(),
                    files,
                    direction(language), language, false);
        }
        MessageTexts texts = MessageTexts.of(somebody.get(), m.code());
        List<String> to = new ArrayList<>(DueMessage.of(somebody.get(), m).stream().map(DueMessage::address).toList());
        m.to().people().stream().map(people::named).forEach(to::add);
        if (m.isBeforeAnswers()) {
            to.add("whoever is invited");
        }
        String replyTo = !m.isBeforeAnswers() ? DueMessage.replyTo(somebody.get(), m) : m.to().replyTo();
        return new ArrivingMessage(to, replyTo, texts.subject(), texts.html(), texts.told(), files, direction(language), language, true);
    }

    private static ReadPassage read(Questionnaire document, DispatchPassage passage, Optional<Proof> proof, String language) {
        TextPlaces places = new TextPlaces(document);
        List<String> named = Texts.all(document).entrySet().stream().filter(e -> Piping.codes(e.getValue()).contains(passage.code()))
                .map(e -> places.of(e.getKey())).distinct().toList();
        Wiring wiring = Wiring.of(document);
        DispatchPassage translated = Translated.into(document, language).passage(passage.code()).orElse(passage);
        List<ReadWording> wordings = new ArrayList<>();
        for (int i = 0; i < passage.wordings().size(); i++) {
            String place = passage.code() + "/includeWhen/" + i;
            Optional<Claim> claim = proof.flatMap(p -> p.claim(ClaimKind.PASSAGE_APPEARS, place));
            String text = translated.wordings().get(i).text();
            String html = witness(document, claim, language).map(RespondentTexts::of).map(t -> t.block(text))
                    .orElseGet(() -> RespondentTexts.asWritten(text));
            String when = wiring.at(place).flatMap(Wiring.Wire::readable).map(Phrase::of).map(p -> "when " + p)
                    .orElse(passage.wordings().get(i).when().isBlank() ? "always" : passage.wordings().get(i).when());
            wordings.add(new ReadWording((i == 0 ? "" : "otherwise ") + when, html,
                    claim.map(c -> c.verdict().word()).orElse("")));
        }
        return new ReadPassage(named, wordings, direction(language), language);
    }
}
