package orthogon.core.proof.composed;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Printer;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.plain.CaseNames;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/** What is said at the end of a case: the claims on it, and the messages at moments of its follow-ups. */
final class CaseRules {

    private final CasePart first;
    /** The expressions of the composed document by their places. */
    private final Map<String, Expr> trees;
    private final List<OwnClaim> claims = new ArrayList<>();

    CaseRules(CasePart first, Map<String, Expr> trees) {
        this.first = first;
        this.trees = trees;
        ownClaims();
    }

    List<OwnClaim> claims() {
        return claims;
    }

    /** Adds a claim for each outcome of a questionnaire. */
    void outcomes(CasePart part) {
        Expr outcome = CasePart.named(CaseNames.known(part.name(), "outcome"));
        part.plain().outcomes().forEach(o -> {
            String that = rule(trees, "claims/" + claims.size(), CasePart.equal(outcome, o.code()));
            claims.add(new OwnClaim(CaseNames.ends(part.name(), o.code()), Says.NEVER, that));
        });
    }

    /** Keeps the tree of an expression, and gives the text that stands for it. */
    static String rule(Map<String, Expr> trees, String place, Expr tree) {
        trees.put(place, tree);
        return Printer.print(tree);
    }

    /** Messages at moments of follow-ups, as if they were sent at the end of the case. */
    List<DispatchMessage> messages() {
        List<DispatchMessage> messages = new ArrayList<>();
        for (DispatchMessage message : first.document().messages()) {
            Optional<FollowUp> of = first.document().followUp(message.occasion().followUp());
            if (of.isPresent()) {
                Expr.Name state = first.state(of.get().code());
                Expr moment = !message.occasion().comesIn(of.get())
                        ? new Literal(false, Span.NONE)
                        : message.occasion().isAfterFollowUp()
                                ? CasePart.equal(state, of.get().answeredState())
                                : CasePart.filled(state);
                String place = message.code() + "." + RuleFamily.SEND_WHEN.key();
                String when = message.sendWhen().isEmpty()
                        ? rule(trees, place, moment)
                        : first.at(place).map(c -> rule(trees, place, CasePart.both(Optional.of(c), Optional.of(moment)))).orElse("faultX");
                messages.add(message.withOccasion(MessageOccasion.WITH_ANSWERS).withSendWhen(when).withTexts("about", "")
                        .withContents(new MessageContents(MessageContents.ToldAnswers.NOTHING, List.of(), false, false, false)));
            }
        }
        return messages;
    }

    private void ownClaims() {
        List<OwnClaim> own = first.plain().claims();
        for (int i = 0; i < own.size(); i++) {
            String from = "claims/" + i;
            if (first.form().asWritten().at(from).filter(first.form().asWritten()::isOfCase).isPresent()) {
                String place = "claims/" + claims.size();
                String that = first.at(from).map(tree -> rule(trees, place, tree)).orElse("faultX");
                claims.add(new OwnClaim(own.get(i).code(), own.get(i).says(), that));
            }
        }
        for (FollowUp followUp : first.document().followUps()) {
            String name = first.opened(followUp.code());
            if (followUp.seat().who() == FollowUpSeat.Who.ADDRESS) {
                never(CaseNames.address(name), CasePart.filled(first.state(followUp.code())), CasePart.named(followUp.seat().address()));
            }
            for (Brought brought : followUp.brings()) {
                never(CaseNames.brought(name, brought.name()), CasePart.equal(first.state(followUp.code()), followUp.answeredState()),
                        CasePart.named(CaseNames.known(name, brought.name())));
            }
        }
    }

    /** The claim that a value is never blank where a condition holds. */
    private void never(String code, Expr where, Expr value) {
        Expr blank = new Expr.Compare("=", value, new Literal(null, Span.NONE), Span.NONE);
        String that = rule(trees, "claims/" + claims.size(), new Expr.And(List.of(where, blank), Span.NONE));
        claims.add(new OwnClaim(code, Says.NEVER, that));
    }
}
