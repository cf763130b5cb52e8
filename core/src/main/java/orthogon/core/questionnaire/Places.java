package orthogon.core.questionnaire;

import orthogon.core.answer.Answer;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * Conditions and expressions by their place: {@code seen.askWhen}, {@code group.bat.offerWhen}, {@code count/accept/0},
 * {@code animal/skip/0}, {@code outcomeTable/0}.
 */
public final class Places {

    private static final String OUTCOMES = "outcomeTable";
    private static final String CLAIMS = "claims";

    private Places() {}

    /** Whether a condition stands or can stand at the place. */
    public static boolean exists(Questionnaire document, String place) {
        Map<String, String> probe = new HashMap<>();
        apply(document, (at, text) -> {
            probe.put(at, text);
            return text;
        });
        return probe.containsKey(place);
    }

    /** The document with other texts at some places. */
    public static Questionnaire with(Questionnaire document, Map<String, String> texts) {
        return apply(document, (place, text) -> texts.getOrDefault(place, text));
    }

    /** The document without the conditions at these places: a rule of a list is taken out, any other condition is left empty. */
    public static Questionnaire without(Questionnaire document, Collection<String> places) {
        if (places.isEmpty()) {
            return document;
        }
        Set<String> gone = Set.copyOf(places);
        Questionnaire emptied = apply(document,
                (place, text) -> gone.contains(place) && PlaceText.rule(place).filter(r -> r.family() == RuleFamily.DERIVE).isEmpty()
                        ? ""
                        : text);
        List<Page> pages = emptied.pages().stream()
                .map(p -> p.withRules(kept(p.finish(), p.code() + "/finish/", gone), kept(p.skip(), p.code() + "/skip/", gone))
                        .withItems(p.items().stream().map(i -> thinned(i, gone)).toList()))
                .toList();
        List<FollowUp> followUps = emptied.followUps().stream()
                .map(f -> f.withCarries(kept(f.carries(), f.code() + "/carry/", gone))).toList();
        return emptied.withFollowUps(followUps).withPages(pages)
                .withEnding(emptied.outcomes(), kept(emptied.outcomeTable(), OUTCOMES + "/", gone))
                .withClaims(kept(emptied.claims(), CLAIMS + "/", gone)).withPassages(emptied.passages().stream()
                        .map(p -> thinned(p, gone)).toList());
    }

    private static <T> List<T> kept(List<T> rules, String prefix, Set<String> gone) {
        List<T> kept = new ArrayList<>();
        for (int i = 0; i < rules.size(); i++) {
            if (!gone.contains(prefix + i)) {
                kept.add(rules.get(i));
            }
        }
        return kept;
    }

    /** A passage of which no wording is left says nothing to anybody. */
    private static DispatchPassage thinned(DispatchPassage passage, Set<String> gone) {
        List<DispatchPassage.PassageWording> left = kept(passage.wordings(), passage.code() + "/includeWhen/", gone);
        return new DispatchPassage(passage.code(), left.isEmpty() ? List.of(new DispatchPassage.PassageWording("", "")) : left);
    }

    private static Item thinned(Item item, Set<String> gone) {
        return switch (item) {
            case Question q -> q.withAccept(kept(q.accept(), q.code() + "/accept/", gone))
                    .withReword(kept(q.reword(), q.code() + "/reword/", gone));
            case Note n -> new Note(n.code(), n.wording(), n.askWhen(), kept(n.reword(), n.code() + "/reword/", gone));
            case Section s -> s.withItems(s.items().stream().map(i -> thinned(i, gone)).toList());
            case Roster r -> r.withItems(r.items().stream().map(i -> thinned(i, gone)).toList());
            case Derived d -> d;
        };
    }

    /** The document without skips that lead to one of these pages. */
    public static Questionnaire withoutSkipsToNowhere(Questionnaire document, List<String> gone) {
        return gone.isEmpty()
                ? document
                : document.withPages(document.pages().stream()
                        .map(p -> p.withRules(p.finish(), p.skip().stream().filter(s -> !gone.contains(s.to())).toList())).toList());
    }

    /** Calls {@code change} with every place where a condition stands or can stand, and puts what it gives there. */
    public static Questionnaire apply(Questionnaire document, BiFunction<String, String, String> change) {
        List<Page> pages = new ArrayList<>();
        for (Page p : document.pages()) {
            List<Page.Finish> finish = new ArrayList<>();
            for (Page.Finish f : p.finish()) {
                finish.add(new Page.Finish(change.apply(p.code() + "/finish/" + finish.size(), f.when()), f.outcome()));
            }
            List<Page.Skip> skip = new ArrayList<>();
            for (Page.Skip s : p.skip()) {
                skip.add(new Page.Skip(change.apply(p.code() + "/skip/" + skip.size(), s.when()), s.to()));
            }
            pages.add(p.withOpenWhen(change.apply(p.code() + ".openWhen", p.openWhen()))
                    .withItems(p.items().stream().map(i -> apply(i, change)).toList()).withRules(finish, skip));
        }
        List<Questionnaire.OutcomeRow> table = new ArrayList<>();
        for (Questionnaire.OutcomeRow r : document.outcomeTable()) {
            table.add(new Questionnaire.OutcomeRow(change.apply(OUTCOMES + "/" + table.size(), r.when()), r.outcome()));
        }
        List<Questionnaire.OwnClaim> claims = new ArrayList<>();
        for (Questionnaire.OwnClaim c : document.claims()) {
            claims.add(new Questionnaire.OwnClaim(c.code(), c.says(), change.apply(CLAIMS + "/" + claims.size(), c.that())));
        }
        List<DispatchMessage> messages = document.messages().stream()
                .map(m -> m.withSendWhen(change.apply(m.code() + ".sendWhen", m.sendWhen()))).toList();
        List<DispatchPassage> passages = document.passages().stream().map(p -> p.with((n, w) -> new DispatchPassage.PassageWording(
                change.apply(p.code() + "/includeWhen/" + n, w.when()), w.text()))).toList();
        return document.withPages(pages).withEnding(document.outcomes(), table).withClaims(claims)
                .withDispatch(new Dispatch(messages, passages,
                        document.followUps().stream().map(f -> f.withExpressions(change::apply)).toList()));
    }

    public static Item apply(Item item, BiFunction<String, String, String> change) {
        String code = item.code();
        return switch (item) {
            case Derived d -> new Derived(code, change.apply(code + ".derive", d.derive()));
            case Note n -> new Note(code, n.wording(), change.apply(code + ".askWhen", n.askWhen()), reword(code, n.reword(), change));
            case Section s -> new Section(code, s.title(), change.apply(code + ".askWhen", s.askWhen()),
                    s.items().stream().map(i -> apply(i, change)).toList());
            case Roster r -> new Roster(code, r.title(), r.entryTitle(), change.apply(code + ".askWhen", r.askWhen()), r.least(), r.most(),
                    r.count().with((family, text) -> change.apply(code + "." + family, text)),
                    r.items().stream().map(i -> apply(i, change)).toList());
            case Question q -> {
                List<Question.Accept> accept = new ArrayList<>();
                for (Question.Accept a : q.accept()) {
                    accept.add(new Question.Accept(change.apply(code + "/accept/" + accept.size(), a.when()), a.message()));
                }
                yield new Question(code, q.wording(), q.help(), apply(code, q.answer(), change),
                        change.apply(code + ".askWhen", q.askWhen()), change.apply(code + ".requireWhen", q.requireWhen()),
                        change.apply(code + ".lockWhen", q.lockWhen()), change.apply(code + ".startWith", q.startWith()), accept,
                        reword(code, q.reword(), change), q.keepWhenHidden(), q.personal());
            }
        };
    }

    private static Answer apply(String code, Answer answer, BiFunction<String, String, String> change) {
        Answer own = answer.withExpressions((family, text) -> change.apply(code + "." + family, text));
        if (!answer.hasOwnOptions()) {
            return own;
        }
        Answer changed = own.withOptions(answer.options().stream()
                .map(o -> o.withOfferWhen(change.apply(code + "." + o.code() + ".offerWhen", o.offerWhen()))).toList());
        return changed.withRows(changed.rows().stream()
                .map(r -> r.withAskWhen(change.apply(code + "." + r.code() + ".askWhen", r.askWhen()))).toList());
    }

    private static List<Reword> reword(String code, List<Reword> rewords, BiFunction<String, String, String> change) {
        List<Reword> changed = new ArrayList<>();
        for (Reword r : rewords) {
            changed.add(new Reword(change.apply(code + "/reword/" + changed.size(), r.when()), r.wording(), r.help(), r.labels()));
        }
        return changed;
    }

    /** Every place with its text, in document order, the empty ones left out. */
    public static Map<String, String> all(Questionnaire document) {
        Map<String, String> all = new LinkedHashMap<>();
        apply(document, (place, text) -> {
            if (!text.isEmpty()) {
                all.put(place, text);
            }
            return text;
        });
        return all;
    }
}
