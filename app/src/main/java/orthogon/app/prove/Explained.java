package orthogon.app.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import orthogon.app.questions.AnswersInWords;
import orthogon.core.edit.Edit;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem;
import orthogon.core.interview.Reasons;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Mend;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.release.Gate;

/**
 * Everything about the claim that is selected.
 *
 * @param statement what is claimed
 * @param title what is proved, or what is wrong
 * @param deciding answers of the witness that decide
 * @param rest its other answers
 * @param onPage the page that it is about, as the witness finds it
 * @param endsAs the outcome of the witness's interview, where it comes to an end and the claim is about none of its pages
 * @param goTo the row of the ledger that it is about
 * @param now what stands where the fix would change something
 * @param translated where it is about a translation
 * @param followed what becomes of the follow-ups of the witness; none where it takes no case to show it
 */
record Explained(Claim claim, String statement, String title, String headline, String details, List<Member> core,
        List<GivenAnswer> deciding,
        List<GivenAnswer> rest,
        boolean hasWitness, boolean ofTwo, Optional<OnPage> onPage, Optional<String> endsAs, Optional<Mend> mend, String now,
        List<Claim> consequences,
        Optional<Claim> cause, String goTo, boolean waivable, Optional<Gate.Waiver> waiver, Optional<TextToTranslate> translated,
        List<FollowedLine> followed) {

    /**
     * What becomes of a follow-up in the case of a witness.
     *
     * @param state how it ends, and what is decided, in words
     */
    record FollowedLine(String name, String state, List<GivenAnswer> answers) {}

    /**
     * One answer of a witness.
     *
     * @param other the second respondent's answer; empty where there is none
     */
    record GivenAnswer(String code, String wording, String answer, String other) {}

    /** One member of a conflict core. */
    record Member(String place, String sentence, String goTo) {}

    /**
     * A text and what it is in another language; that may be empty.
     *
     * @param hasFrame whether its words go by an answer, so that a translation needs the same arms
     */
    record TextToTranslate(String language, String source, String text, boolean hasFrame) {

        static Optional<TextToTranslate> of(Claim claim, Questionnaire document) {
            if (!(claim.at() instanceof Place.InLanguage at)) {
                return Optional.empty();
            }
            String language = at.language();
            String unit = at.of().text();
            return Optional.ofNullable(Texts.all(document).get(unit)).map(source -> new TextToTranslate(language, source,
                    Optional.ofNullable(document.translations().getOrDefault(language, Map.of()).get(unit))
                            .map(Questionnaire.Translation::text).orElse(""),
                    !Piping.choices(source).isEmpty()));
        }
    }

    /** A page as a respondent finds it. */
    record OnPage(String code, String title, List<ItemLine> lines) {}

    /**
     * One item of a page.
     *
     * @param said why it is asked or not, or what is told of the answer
     */
    record ItemLine(String code, String wording, boolean asked, String said, boolean refused) {}

    static Explained of(Proof proof, Claim claim, Gate gate) {
        Finding finding = claim.finding();
        ClaimWords words = proof.words();
        Questionnaire document = proof.document();
        List<GivenAnswer> deciding = new ArrayList<>();
        List<GivenAnswer> rest = new ArrayList<>();
        given(proof, claim, finding, deciding, rest);
        List<Claim> consequences = proof.claims().stream().filter(c -> c.follows().filter(claim.identity()::equals).isPresent()).toList();
        Optional<Claim> cause = claim.follows().flatMap(f -> proof.claim(f.kind(), f.place()));
        List<Member> core = finding.core().stream()
                .map(place -> new Member(place, words.condition(place), owner(document, PlaceText.read(place).orElseThrow()))).toList();
        String now = finding.mend().flatMap(m -> proof.wiring().at(m.place())).map(w -> w.text()).orElse("");
        Optional<OnPage> onPage = onPage(proof, claim, finding);
        Optional<String> endsAs = onPage.isEmpty() && finding.other().isEmpty()
                ? finding.witness().flatMap(w -> endsAs(proof, w))
                : Optional.empty();
        return new Explained(claim, words.statement(claim), words.title(claim), words.headline(claim),
                core.isEmpty() ? words.details(claim) : words.intro(claim), core,
                deciding, rest, finding.witness().isPresent(), finding.other().isPresent(), onPage, endsAs,
                finding.mend(), now, consequences, cause, owner(document, claim.at()), Gate.canBeWaived(claim),
                gate.waiver(claim), TextToTranslate.of(claim, document),
                followed(finding.followed(), f -> proof.caseDocument().map(c -> c.parts().get(f.name()).document())));
    }

    /**
     * What becomes of follow-ups, with the answers there.
     *
     * @param opened the questionnaire of each
     */
    static List<FollowedLine> followed(List<FollowedUp> followed, Function<FollowedUp, Optional<Questionnaire>> opened) {
        return followed.stream().map(f -> new FollowedLine(f.path(), f.state() + (f.decision().isEmpty() ? "" : ", " + f.decision()),
                opened.apply(f).map(d -> answers(d, f.answers())).orElse(List.of()))).toList();
    }

    /** What is answered, in document order. */
    static List<GivenAnswer> answers(Questionnaire document, Map<String, Object> answers) {
        Set<String> codes = new LinkedHashSet<>();
        document.arriving().forEach(p -> codes.add(p.code()));
        document.items().forEach(i -> codes.add(i.code()));
        codes.retainAll(answers.keySet());
        return codes.stream().map(code -> new GivenAnswer(code, document.item(code).map(Item::wording).orElse("link parameter"),
                shown(document, code, answers.get(code)), "")).toList();
    }

    private static void given(Proof proof, Claim claim, Finding finding, List<GivenAnswer> deciding, List<GivenAnswer> rest) {
        Questionnaire document = proof.document();
        Map<String, Object> answers = finding.witness().orElse(Map.of());
        Map<String, Object> others = finding.other().orElse(Map.of());
        Set<String> decisive = decisive(proof, claim, finding);
        Set<String> codes = new LinkedHashSet<>();
        document.arriving().forEach(p -> codes.add(p.code()));
        document.items().forEach(i -> codes.add(i.code()));
        codes.removeIf(c -> !answers.containsKey(c) && !others.containsKey(c));
        for (String code : codes) {
            // The second respondent is told only as far as the page at which the two part.
            boolean told = claim.kind() != ClaimKind.ANSWERS_KEPT || pageOf(document, code) < pageOf(document, claim.place());
            boolean decides = finding.other().isEmpty()
                    ? decisive.contains(code)
                    : told && !Objects.equals(answers.get(code), others.get(code));
            (decides ? deciding : rest).add(new GivenAnswer(code, document.item(code).map(Item::wording).orElse("link parameter"),
                    shown(document, code, answers.get(code)), told ? shown(document, code, others.get(code)) : ""));
        }
    }

    /** What the conditions that the claim rests on speak of. */
    private static Set<String> decisive(Proof proof, Claim claim, Finding finding) {
        Set<String> codes = new LinkedHashSet<>();
        String place = claim.at() instanceof Place.Comparison c ? c.rule().text() : claim.place();
        boolean ofOutcome = claim.kind() == ClaimKind.ONE_OUTCOME || claim.kind() == ClaimKind.OWN && proof.wiring().wires().stream()
                .anyMatch(w -> w.owner().equals(place) && w.readable().filter(e -> e.references().contains("outcome")).isPresent());
        proof.wiring().wires().stream()
                .filter(w -> finding.core().contains(w.place()) || w.place().equals(place)
                        || claim.kind() == ClaimKind.OWN && w.owner().equals(place)
                        || ofOutcome && (w.family() == RuleFamily.OUTCOME_ROW || w.family() == RuleFamily.FINISH)
                        || w.place().equals(place + ".askWhen") || w.place().equals(place + ".openWhen"))
                .forEach(w -> w.readable().flatMap(proof.wiring()::unfolded).ifPresent(e -> codes.addAll(e.references())));
        return codes;
    }

    private static Optional<String> endsAs(Proof proof, Map<String, Object> answers) {
        Course course = Replay.of(proof.wiring(), proof.asOf(), answers, "").course();
        return course.complete()
                ? Optional.of(course.outcome().flatMap(proof.document()::outcome).map(Questionnaire.Outcome::label).orElse("none"))
                : Optional.empty();
    }

    private static Optional<OnPage> onPage(Proof proof, Claim claim, Finding finding) {
        String owner = owner(proof.document(), claim.at());
        Optional<Page> page = proof.document().page(owner).or(() -> proof.document().pageOf(owner));
        if (finding.witness().isEmpty() || page.isEmpty()) {
            return Optional.empty();
        }
        Interview there = Replay.of(proof.wiring(), proof.asOf(), finding.witness().get(), page.get().code());
        Optional<Course.PageView> view = there.course().current().filter(v -> v.page().equals(page.get()));
        if (view.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Reasons.Reason> reasons = new LinkedHashMap<>();
        Reasons.of(there, page.get()).items().forEach(r -> reasons.put(r.code(), r));
        List<ItemLine> lines = new ArrayList<>();
        page.get().allItems().filter(i -> reasons.containsKey(i.code())).forEach(item -> {
            Reasons.Reason reason = reasons.get(item.code());
            Optional<Problem> problem = view.get().problems().stream().filter(p -> p.slot().equals(item.code())).findFirst();
            lines.add(new ItemLine(item.code(), item.wording(), reason.asked(), problem.map(Problem::message).orElse(reason.because()),
                    problem.isPresent()));
        });
        return Optional.of(new OnPage(page.get().code(), page.get().title(), lines));
    }

    private static int pageOf(Questionnaire document, String code) {
        return document.pageOf(code).map(document.pages()::indexOf).orElse(-1);
    }

    /** The row of the ledger, or the message, that a place belongs to. */
    static String owner(Questionnaire document, Place place) {
        String row = place.row();
        boolean isThere = document.item(row).isPresent() || document.page(row).isPresent() || document.dispatch().has(row);
        return isThere ? row : Edit.ENDING;
    }

    /** @param rows codes of all pages, items and entries of Dispatch */
    static String owner(Set<String> rows, Place place) {
        return rows.contains(place.row()) ? place.row() : Edit.ENDING;
    }

    static String shown(Questionnaire document, String code, Object value) {
        if (value == null) {
            return "blank";
        }
        return document.question(code).flatMap(q -> AnswersInWords.of(q, value)).orElseGet(() -> value instanceof List<?> entries
                ? entries.size() + (entries.size() == 1 ? " entry: " : " entries: ")
                        + String.join("; ", entries.stream().map(Reasons::said).toList())
                : Reasons.said(value));
    }
}
