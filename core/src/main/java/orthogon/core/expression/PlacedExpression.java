package orthogon.core.expression;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.answer.Option;
import orthogon.core.place.Place;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;

/**
 * An expression as it was written.
 *
 * @param at where it stands
 * @param owner code of the item, page or claim it belongs to; for an outcome row the outcome
 */
record PlacedExpression(Rule at, String owner, String text) {

    /** Every expression of a document that is not empty, in document order. What another one may hang on comes before it. */
    static List<PlacedExpression> all(Questionnaire document) {
        Collecting all = new Collecting();
        document.pages().forEach(page -> {
            all.add(page.code(), RuleFamily.OPEN_WHEN, page.openWhen());
            page.allItems().forEach(all::item);
            for (int i = 0; i < page.finish().size(); i++) {
                all.add(Rule.at(page.code(), RuleFamily.FINISH, i), page.code(), page.finish().get(i).when());
            }
            for (int i = 0; i < page.skip().size(); i++) {
                all.add(Rule.at(page.code(), RuleFamily.SKIP, i), page.code(), page.skip().get(i).when());
            }
        });
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            all.add(Rule.outcomeRow(i), document.outcomeTable().get(i).outcome(), document.outcomeTable().get(i).when());
        }
        document.messages().stream().filter(m -> !m.isOfFollowUp()).forEach(m -> all.add(m.code(), RuleFamily.SEND_WHEN, m.sendWhen()));
        document.passages().forEach(p -> {
            for (int i = 0; i < p.wordings().size(); i++) {
                all.add(Rule.at(p.code(), RuleFamily.INCLUDE_WHEN, i), p.code(), p.wordings().get(i).when());
            }
        });
        document.followUps().forEach(f -> {
            all.add(f.code(), RuleFamily.OPEN_FOLLOW_UP, f.openWhen());
            for (int i = 0; i < f.carries().size(); i++) {
                all.add(Rule.at(f.code(), RuleFamily.CARRY, i), f.code(), f.carries().get(i).value());
            }
        });
        // What these may speak of hangs on what the follow-up speaks of.
        document.messages().stream().filter(DispatchMessage::isOfFollowUp)
                .forEach(m -> all.add(m.code(), RuleFamily.SEND_WHEN, m.sendWhen()));
        for (int i = 0; i < document.claims().size(); i++) {
            all.add(Rule.ownClaim(i), document.claims().get(i).code(), document.claims().get(i).that());
        }
        return all.found;
    }

    /** Collects the expressions of one document. */
    private static final class Collecting {

        private final List<PlacedExpression> found = new ArrayList<>();

        private void item(Item item) {
            switch (item) {
                case Question q -> question(q);
                case Note n -> {
                    add(n.code(), RuleFamily.ASK_WHEN, n.askWhen());
                    reword(n.code(), n.reword());
                }
                case Section s -> add(s.code(), RuleFamily.ASK_WHEN, s.askWhen());
                case Roster r -> {
                    add(r.code(), RuleFamily.ASK_WHEN, r.askWhen());
                    r.count().each((family, text) -> add(r.code(), RuleFamily.of(family).orElseThrow(), text));
                }
                case Derived d -> add(d.code(), RuleFamily.DERIVE, d.derive());
            }
        }

        private void question(Question q) {
            add(q.code(), RuleFamily.ASK_WHEN, q.askWhen());
            q.answer().rows().forEach(r -> add(Rule.at(new Place.Part(q.code(), r.code()), RuleFamily.ASK_WHEN), q.code(), r.askWhen()));
            for (Option option : q.answer().hasOwnOptions() ? q.answer().options() : List.<Option>of()) {
                add(Rule.at(new Place.Part(q.code(), option.code()), RuleFamily.OFFER_WHEN), q.code(), option.offerWhen());
            }
            q.answer().withExpressions((family, text) -> {
                add(q.code(), RuleFamily.of(family).orElseThrow(), text);
                return text;
            });
            add(q.code(), RuleFamily.REQUIRE_WHEN, q.requireWhen());
            add(q.code(), RuleFamily.LOCK_WHEN, q.lockWhen());
            add(q.code(), RuleFamily.START_WITH, q.startWith());
            for (int i = 0; i < q.accept().size(); i++) {
                add(Rule.at(q.code(), RuleFamily.ACCEPT, i), q.code(), q.accept().get(i).when());
            }
            reword(q.code(), q.reword());
        }

        private void reword(String code, List<Reword> reword) {
            for (int i = 0; i < reword.size(); i++) {
                add(Rule.at(code, RuleFamily.REWORD, i), code, reword.get(i).when());
            }
        }

        /** Adds the rule of a page or an item that stands alone. */
        private void add(String row, RuleFamily family, String text) {
            add(Rule.at(new Place.Row(row), family), row, text);
        }

        private void add(Rule at, String owner, String text) {
            if (!text.isBlank()) {
                found.add(new PlacedExpression(at, owner, text));
            }
        }
    }
}
