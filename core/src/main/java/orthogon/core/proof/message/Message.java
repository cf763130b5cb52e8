package orthogon.core.proof.message;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Expr;

/**
 * What is to be said, as data: a pattern of {@code told/claims.properties}, and what stands in it. Codes and places are those of the plain
 * form; {@link orthogon.core.proof.told.ClaimWords} says them as the analyst wrote them.
 *
 * @param key of the pattern
 * @param terms argument of the pattern to what stands there
 */
public record Message(String key, Map<String, Term> terms) {

    /** What stands in a pattern. */
    public sealed interface Term {

        /** A code or a place of the plain form. */
        record Code(String plain) implements Term {}

        /** Words of the analyst, or a value. */
        record Given(String words) implements Term {}

        /** Words that came from another part of the proof; they may hold codes of the plain form. */
        record Words(String words) implements Term {}

        /** A number on which the pattern's words depend. */
        record Count(int number) implements Term {}

        /** An expression, as an analyst would say it. */
        record Spoken(Expr expr) implements Term {}

        /** The condition at a place of the plain form, as a sentence. */
        record Condition(String plainPlace) implements Term {}

        /** The expression at a place of the plain form alone, without what it decides. */
        record Bare(String plainPlace) implements Term {}

        /** A message inside another. */
        record Inner(Message message) implements Term {}

        /** Several terms, one after the other; {@code joint} is the key of the pattern that joins two. */
        record Several(List<? extends Term> terms, String joint) implements Term {}
    }

    public Message {
        terms = Map.copyOf(terms);
    }

    /** A message in which nothing stands, or nothing yet. */
    public static Message of(String key) {
        return new Message(key, Map.of());
    }

    public Message with(String name, Term term) {
        if (terms.isEmpty()) {
            // Most messages have one term or two, and there is one for each claim.
            return new Message(key, Map.of(name, term));
        }
        Map<String, Term> more = new LinkedHashMap<>(terms);
        more.put(name, term);
        return new Message(key, more);
    }

    public Message code(String name, String plain) {
        return with(name, new Term.Code(plain));
    }

    public Message text(String name, String words) {
        return with(name, new Term.Given(words));
    }

    /** The text, or else the code where it is empty. */
    public Message text(String name, String words, String code) {
        return with(name, words.isEmpty() ? new Term.Code(code) : new Term.Given(words));
    }

    public Message words(String name, String words) {
        return with(name, new Term.Words(words));
    }

    public Message count(String name, int number) {
        return with(name, new Term.Count(number));
    }

    public Message spoken(String name, Expr expr) {
        return with(name, new Term.Spoken(expr));
    }

    public Message condition(String name, String plainPlace) {
        return with(name, new Term.Condition(plainPlace));
    }

    public Message bare(String name, String plainPlace) {
        return with(name, new Term.Bare(plainPlace));
    }

    public Message inner(String name, Message message) {
        return with(name, new Term.Inner(message));
    }

    /** Conditions one after the other, joined by the pattern of that key. */
    public Message conditions(String name, List<String> plainPlaces, String joint) {
        return with(name, new Term.Several(plainPlaces.stream().map(Term.Condition::new).toList(), joint));
    }
}
