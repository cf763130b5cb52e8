package orthogon.core.edit;

import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Page.Finish;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Another code for an outcome, followed by the outcome table, by the finishes of pages, and by every condition and text that names it. */
public record RenameOutcome(String from, String to) implements Edit {

    /** The codes that were made up from labels which say something else after an edit. */
    public static List<RenameOption.Proposal> proposals(Questionnaire before, Questionnaire after) {
        return after.outcomes().stream()
                .flatMap(now -> before.outcome(now.code())
                        .flatMap(old -> RenameOption.proposal("outcome", old.code(), old.label(), now.label(),
                                c -> after.outcome(c).isPresent()))
                        .stream())
                .toList();
    }

    /** The outcome whose code alone differs in a list of as many outcomes, with its new code. */
    public static Optional<RenameOutcome> between(List<Outcome> before, List<Outcome> after) {
        if (before.size() != after.size()) {
            return Optional.empty();
        }
        for (int i = 0; i < before.size(); i++) {
            Outcome now = after.get(i);
            Outcome old = before.get(i);
            if (!now.code().equals(old.code())
                    && now.equals(old.withCode(now.code()))) {
                return Optional.of(new RenameOutcome(old.code(), now.code()));
            }
        }
        return Optional.empty();
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!Codes.isValid(to)) {
            throw WholeDocument.badCode(to);
        }
        if (document.outcome(from).isEmpty()) {
            throw WholeDocument.gone("outcome " + from);
        }
        if (document.outcome(to).isPresent()) {
            throw new Refused("There is an outcome " + to + " already; choose another code.");
        }
        Questionnaire followed = References.atUnits(References.choice(document, "outcome", from, to),
                unit -> unit.matches("\\Q" + from + "\\E\\.(label|closing|takeAlong)") ? to + unit.substring(from.length()) : unit);
        return followed.withPages(followed.pages().stream()
                .map(page -> page.withRules(
                        page.finish().stream().map(f -> new Finish(f.when(), renamed(f.outcome()))).toList(), page.skip()))
                .toList())
                .withEnding(
                        followed.outcomes().stream()
                                .map(o -> o.withCode(renamed(o.code()))).toList(),
                        followed.outcomeTable().stream().map(row -> new OutcomeRow(row.when(), renamed(row.outcome()))).toList());
    }

    private String renamed(String outcome) {
        return outcome.equals(from) ? to : outcome;
    }

    @Override
    public String says() {
        return "renamed outcome " + from + " to " + to;
    }

    @Override
    public Set<String> about() {
        return Set.of(ENDING);
    }
}
