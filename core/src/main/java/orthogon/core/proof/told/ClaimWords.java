package orthogon.core.proof.told;

import orthogon.core.expression.Phrase;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ConflictCore;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Mend;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.message.Message.Term;
import orthogon.core.proof.plain.PlainForm;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** Says the claims of one document and what was found about them. Safe to use from several threads. */
public final class ClaimWords {

    private final PlainForm plainForm;
    private final ConditionWords conditions;
    /** The words of another document in which claims are told. */
    private final Map<PlainForm, ClaimWords> elsewhere = new ConcurrentHashMap<>();

    public ClaimWords(PlainForm plainForm) {
        this.plainForm = plainForm;
        this.conditions = new ConditionWords(plainForm);
    }

    /** What is claimed, without a full stop. */
    public String statement(Claim claim) {
        return of(claim).words(claim.statement());
    }

    private ClaimWords of(Claim claim) {
        return claim.told().map(form -> elsewhere.computeIfAbsent(form, ClaimWords::new)).orElse(this);
    }

    /** A heading for a claim: what is proved, or what is the case instead. Takes time where the claim was not explained yet. */
    public String title(Claim claim) {
        if (claim.verdict() != Verdict.PROVED) {
            return headline(claim);
        }
        String said = statement(claim) + ".";
        return said.startsWith(claim.place()) ? said : conditions.begun(said);
    }

    /** What is the case, in one or two sentences. */
    public String headline(Claim claim) {
        return conditions.begun(of(claim).words(claim.finding().says()));
    }

    /** The core in words, or what to do; may be empty. */
    public String details(Claim claim) {
        return told(claim, ConflictCore::whole);
    }

    /** As {@link #details}, without the conditions of the core, where these are shown as a list below it. */
    public String intro(Claim claim) {
        return told(claim, ConflictCore::intro);
    }

    private String told(Claim claim, Function<ConflictCore, Message> part) {
        Finding finding = claim.finding();
        return finding.conflict().map(part).or(finding::advice).map(of(claim)::words).orElse("");
    }

    /** The whole explanation. */
    public String because(Claim claim) {
        String details = details(claim);
        return details.isEmpty() ? headline(claim) : headline(claim) + " " + details;
    }

    /** What a fix does, as an order. */
    public String order(Mend mend) {
        return words(mend.words());
    }

    /** The condition at a place as a sentence without a full stop. */
    public String condition(String place) {
        return conditions.at(place);
    }

    /** What is said where a respondent was found whom the interview does not confirm. */
    public static String disagreement() {
        return MessagePatterns.format(Finding.disagreement().says().key(), Map.of());
    }

    /** Any message of the proof of this document, as a reason why something is not known or not counted. */
    public String said(Message message) {
        return words(message);
    }

    /** An error of Orthogon itself, as a sentence without a full stop. */
    public static String failure(Throwable error) {
        Message message = Failure.message(error);
        Map<String, Object> said = new HashMap<>();
        message.terms().forEach((name, term) -> said.put(name, term instanceof Term.Given given ? given.words() : ""));
        return MessagePatterns.format(message.key(), said);
    }

    private String words(Message message) {
        Map<String, Object> said = new HashMap<>();
        message.terms().forEach((name, term) -> said.put(name, term instanceof Term.Count c ? c.number() : words(term)));
        return MessagePatterns.format(message.key(), said);
    }

    private String words(Term term) {
        return switch (term) {
            case Term.Code c -> plainForm.said(c.plain());
            case Term.Given t -> t.words();
            case Term.Words w -> plainForm.said(w.words());
            case Term.Count c -> String.valueOf(c.number());
            case Term.Spoken s -> plainForm.said(Phrase.of(s.expr()));
            case Term.Condition c -> conditions.at(c.plainPlace());
            case Term.Bare b -> conditions.bareAt(b.plainPlace());
            case Term.Inner i -> words(i.message());
            case Term.Several s -> joined(s.terms(), s.joint());
        };
    }

    private String joined(List<? extends Term> terms, String joint) {
        Optional<String> all = terms.stream().map(this::words)
                .reduce((first, next) -> MessagePatterns.format(joint, Map.of("first", first, "next", next)));
        return all.orElse("");
    }
}
