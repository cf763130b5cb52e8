package orthogon.core.questionnaire;

import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Domain;
import java.net.URI;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * A whole questionnaire. Order is document order; every list and map is immutable and keeps its order.
 *
 * @param code the questionnaire's own code
 * @param languages BCP 47 tags, the source language among them
 * @param translations language tag, then text unit, to the translation made of it
 * @param burden the most that a route may ask
 * @param notes text unit to what its translators should know
 * @param dispatch what goes out once an interview is sent
 */
public record Questionnaire(String code, String title, String sourceLanguage, List<String> languages, List<LinkParameter> linkParameters,
        List<Page> pages, List<Outcome> outcomes, List<OutcomeRow> outcomeTable, List<OwnClaim> claims,
        Map<String, Map<String, Translation>> translations, Presentation presentation, Burden burden, Map<String, String> notes,
        Dispatch dispatch) {

    public Questionnaire {
        languages = List.copyOf(languages);
        linkParameters = List.copyOf(linkParameters);
        pages = List.copyOf(pages);
        outcomes = List.copyOf(outcomes);
        outcomeTable = List.copyOf(outcomeTable);
        claims = List.copyOf(claims);
        notes = Collections.unmodifiableMap(new LinkedHashMap<>(notes));
    }

    /** A questionnaire without notes for translators and without anything that goes out. */
    public Questionnaire(String code, String title, String sourceLanguage, List<String> languages, List<LinkParameter> linkParameters,
            List<Page> pages, List<Outcome> outcomes, List<OutcomeRow> outcomeTable, List<OwnClaim> claims,
            Map<String, Map<String, Translation>> translations, Presentation presentation, Burden burden) {
        this(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims, translations, presentation,
                burden, Map.of(), Dispatch.NOTHING);
    }

    /** A questionnaire in the usual presentation. */
    public Questionnaire(String code, String title, String sourceLanguage, List<String> languages, List<LinkParameter> linkParameters,
            List<Page> pages, List<Outcome> outcomes, List<OutcomeRow> outcomeTable, List<OwnClaim> claims,
            Map<String, Map<String, Translation>> translations) {
        this(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims, translations,
                Presentation.PLAIN, Burden.ANY);
    }

    /** A value that arrives with the respondent's link. An empty {@code allowed} list means any text. */
    public record LinkParameter(String code, List<String> allowed) {
        public LinkParameter {
            allowed = List.copyOf(allowed);
        }
    }

    /**
     * How a completed questionnaire ends.
     *
     * @param closing the text that the respondent reads then; may be empty
     * @param redirect address that the respondent is led on to; empty for none
     * @param carries name of a parameter of that address to the code of the answer, derived value or link parameter that it takes
     * @param takeAlong what the respondent is to take along, one on each line; may be empty
     */
    public record Outcome(String code, String label, String closing, String redirect, Map<String, String> carries, String takeAlong) {

        /** Most parameters that an address takes. */
        public static final int MOST_CARRIED = 10;

        public Outcome {
            carries = Collections.unmodifiableMap(new LinkedHashMap<>(carries));
        }

        public Outcome(String code, String label, String closing) {
            this(code, label, closing, "");
        }

        /** An outcome with nothing to take along, and an address that takes no answers. */
        public Outcome(String code, String label, String closing, String redirect) {
            this(code, label, closing, redirect, Map.of(), "");
        }

        public Outcome withTexts(String changedLabel, String changedClosing, String changedTakeAlong) {
            return new Outcome(code, changedLabel, changedClosing, redirect, carries, changedTakeAlong);
        }

        public Outcome withCode(String changed) {
            return new Outcome(changed, label, closing, redirect, carries, takeAlong);
        }

        /** The outcome without parameters that take what is gone. */
        public Outcome without(Set<String> gone) {
            Map<String, String> left = new LinkedHashMap<>(carries);
            left.values().removeIf(gone::contains);
            return withCarries(left);
        }

        public Outcome withCarries(Map<String, String> changed) {
            return new Outcome(code, label, closing, redirect, changed, takeAlong);
        }

        /** Whether a respondent can be led on to the address: one of the web, and nothing that a browser would run. */
        public boolean leadsOn() {
            try {
                URI address = URI.create(redirect);
                return Set.of("http", "https").contains(String.valueOf(address.getScheme())) && address.getHost() != null;
            } catch (IllegalArgumentException e) {
                return false;
            }
        }
    }

    /** One row of the outcome table, tried in order; an empty {@code when} always holds. */
    public record OutcomeRow(String when, String outcome) {}

    /** A statement of the analyst's own about every complete interview. */
    public record OwnClaim(String code, Says says, String that) {}

    /** Whether an own claim holds on all complete interviews or on none. */
    public enum Says {
        ALWAYS, NEVER;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** A translated text with its state ({@code draft} or {@code reviewed}) and the source text it was made of. */
    public record Translation(String text, String state, String of) {}

    /** A questionnaire with one empty page and one outcome that everybody reaches. */
    public static Questionnaire blank(String code, String title) {
        return new Questionnaire(code, title, "en", List.of("en"), List.of(), List.of(Page.empty("page_1", "Page 1")),
                List.of(new Outcome("sent", "Sent", "Thank you. Your answers have been sent.")), List.of(new OutcomeRow("", "sent")),
                List.of(), Map.of());
    }

    /** Every value that arrives with the link: the link parameters, and the hidden questions, which keep theirs with the answers. */
    public List<LinkParameter> arriving() {
        return Stream.concat(linkParameters.stream(),
                questions().filter(Question::isHidden)
                        .map(q -> new LinkParameter(q.code(), ((Domain.Arriving) q.answer().domain()).allowed())))
                .toList();
    }

    /** Every item in document order, sections before what they hold. */
    public Stream<Item> items() {
        return pages.stream().flatMap(Page::allItems);
    }

    /** Every question in document order. */
    public Stream<Question> questions() {
        return items().filter(Question.class::isInstance).map(Question.class::cast);
    }

    public Optional<Question> question(String code) {
        return questions().filter(q -> q.code().equals(code)).findFirst();
    }

    /** Whether the code is that of a question outside of rosters whose answer is an email address. */
    public boolean asksForAddress(String code) {
        return question(code).filter(q -> q.answer().kind() == AnswerKind.EMAIL).isPresent() && rosterOf(code).isEmpty();
    }

    public Optional<Item> item(String code) {
        return items().filter(i -> i.code().equals(code)).findFirst();
    }

    public Optional<Page> page(String code) {
        return pages.stream().filter(p -> p.code().equals(code)).findFirst();
    }

    /** The page that holds the item with this code, at any depth. */
    public Optional<Page> pageOf(String itemCode) {
        return pages.stream().filter(p -> p.allItems().anyMatch(i -> i.code().equals(itemCode))).findFirst();
    }

    /** The roster that holds the item with this code, at any depth. */
    public Optional<Roster> rosterOf(String itemCode) {
        return items().filter(Roster.class::isInstance).map(Roster.class::cast)
                .filter(r -> !r.code().equals(itemCode) && r.withInner().anyMatch(i -> i.code().equals(itemCode))).findFirst();
    }

    /** The section or roster that directly holds the item, or else its page; empty where there is no such item. */
    public Optional<String> containerOf(String itemCode) {
        return items().filter(Group.class::isInstance).map(Group.class::cast)
                .filter(g -> g.items().stream().anyMatch(i -> i.code().equals(itemCode))).map(Group::code).findFirst()
                .or(() -> pageOf(itemCode).map(Page::code));
    }

    public Optional<Outcome> outcome(String code) {
        return outcomes.stream().filter(o -> o.code().equals(code)).findFirst();
    }

    /** How many conditions, skips, finishes and outcome rows govern something. */
    public int ruleCount() {
        long rules = outcomeTable.size();
        for (Page page : pages) {
            rules += page.skip().size() + page.finish().size() + (page.openWhen().isEmpty() ? 0 : 1);
        }
        rules += items().mapToLong(Item::ruleCount).sum();
        return (int) rules;
    }

    public Questionnaire withPages(List<Page> changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, changed, outcomes, outcomeTable, claims,
                translations, presentation, burden, notes, dispatch);
    }

    public Questionnaire withTitle(String changed) {
        return new Questionnaire(code, changed, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, presentation, burden, notes, dispatch);
    }

    public Questionnaire withCode(String changed) {
        return new Questionnaire(changed, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, presentation, burden, notes, dispatch);
    }

    public Questionnaire withEnding(List<Outcome> changedOutcomes, List<OutcomeRow> changedTable) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, changedOutcomes, changedTable, claims,
                translations, presentation, burden, notes, dispatch);
    }

    public Questionnaire withClaims(List<OwnClaim> changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, changed,
                translations, presentation, burden, notes, dispatch);
    }

    public Questionnaire withLinkParameters(List<LinkParameter> changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, changed, pages, outcomes, outcomeTable, claims, translations,
                presentation, burden, notes, dispatch);
    }

    public Questionnaire withTranslations(Map<String, Map<String, Translation>> changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims, changed,
                presentation, burden, notes, dispatch);
    }

    public Questionnaire withLanguages(List<String> changed) {
        return new Questionnaire(code, title, sourceLanguage, changed, linkParameters, pages, outcomes, outcomeTable, claims, translations,
                presentation, burden, notes, dispatch);
    }

    public Questionnaire withSourceLanguage(String changed) {
        return new Questionnaire(code, title, changed, languages, linkParameters, pages, outcomes, outcomeTable, claims, translations,
                presentation, burden, notes, dispatch);
    }

    public Questionnaire withPresentation(Presentation changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, changed, burden, notes, dispatch);
    }

    /** This document with the page of that code replaced. */
    public Questionnaire withPage(String pageCode, UnaryOperator<Page> change) {
        List<Page> changed = new ArrayList<>();
        for (Page page : pages) {
            changed.add(page.code().equals(pageCode) ? change.apply(page) : page);
        }
        return withPages(changed);
    }

    /** This document with the item of that code replaced, at any depth. */
    public Questionnaire withItem(String itemCode, UnaryOperator<Item> change) {
        return withPages(pages.stream().map(p -> p.withItems(Item.replaced(p.items(), itemCode, change))).toList());
    }

    public Questionnaire withNotes(Map<String, String> changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, presentation, burden, changed, dispatch);
    }

    public Questionnaire withBurden(Burden changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, presentation, changed, notes, dispatch);
    }

    public Questionnaire withDispatch(Dispatch changed) {
        return new Questionnaire(code, title, sourceLanguage, languages, linkParameters, pages, outcomes, outcomeTable, claims,
                translations, presentation, burden, notes, changed);
    }

    public Questionnaire withMessages(List<DispatchMessage> changed) {
        return withDispatch(dispatch.withMessages(changed));
    }

    public Questionnaire withPassages(List<DispatchPassage> changed) {
        return withDispatch(dispatch.withPassages(changed));
    }

    public Questionnaire withFollowUps(List<FollowUp> changed) {
        return withDispatch(dispatch.withFollowUps(changed));
    }

    /** Follow-ups in order; each may speak of those before it. */
    public List<FollowUp> followUps() {
        return dispatch.followUps();
    }

    public Optional<FollowUp> followUp(String followUpCode) {
        return followUps().stream().filter(f -> f.code().equals(followUpCode)).findFirst();
    }

    /** Messages in order. */
    public List<DispatchMessage> messages() {
        return dispatch.messages();
    }

    /** Passages in order; each may name those before it. */
    public List<DispatchPassage> passages() {
        return dispatch.passages();
    }

    public Optional<DispatchMessage> message(String messageCode) {
        return messages().stream().filter(m -> m.code().equals(messageCode)).findFirst();
    }

    public Optional<DispatchPassage> passage(String passageCode) {
        return passages().stream().filter(p -> p.code().equals(passageCode)).findFirst();
    }
}
