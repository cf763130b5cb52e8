package orthogon.core.edit;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** Another code for an option, followed by every condition that names it and every text that chooses its words by it. */
public record RenameOption(String question, String from, String to) implements Edit {

    /**
     * A code that could follow a new label.
     *
     * @param label the new one
     */
    public record Proposal(String from, String to, String label) {}

    /** The codes that were made up from labels which say something else after an edit. */
    public static List<Proposal> proposals(Item before, Item after) {
        if (!(before instanceof Question a && after instanceof Question b && a.answer().hasOwnOptions() && b.answer().hasOwnOptions())) {
            return List.of();
        }
        List<Proposal> proposals = new ArrayList<>();
        for (Option option : b.answer().options()) {
            Optional<Option> old = a.answer().option(option.code()).filter(o -> !o.label().equals(option.label()));
            old.flatMap(o -> proposal("option", o.code(), o.label(), option.label(), c -> b.answer().option(c).isPresent()))
                    .ifPresent(proposals::add);
        }
        return proposals;
    }

    /** A code that follows a new label, where the code was made up from the old one. */
    static Optional<Proposal> proposal(String fallback, String code, String before, String after, Predicate<String> taken) {
        String to = Codes.from(after, fallback, taken);
        boolean madeUp = !before.equals(after) && Codes.from(before, fallback, c -> false).equals(code);
        return madeUp && !to.equals(code) ? Optional.of(new Proposal(code, to, after)) : Optional.empty();
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Question now = document.question(question).orElseThrow(() -> WholeDocument.gone(question));
        if (!Codes.isValid(to)) {
            throw WholeDocument.badCode(to);
        }
        if (!now.answer().hasOwnOptions() || now.answer().option(from).isEmpty()) {
            throw WholeDocument.gone("option " + from + " of " + question);
        }
        if (now.answer().option(to).isPresent()) {
            throw new Refused(question + " has an option " + to + " already; choose another code.");
        }
        Pattern unitOfLabel = Pattern.compile("(" + question + "(?:/reword/\\d+)?\\.)" + from + "(\\.label)");
        Questionnaire followed = References.atUnits(
                References.choice(document, question, from, to),
                unit -> unitOfLabel.matcher(unit).matches() ? unitOfLabel.matcher(unit).replaceFirst("$1" + to + "$2") : unit);
        return followed.withItem(question, i -> {
            Answer answer = ((Question) i).answer();
            Question renamed = ((Question) i).withAnswer(answer.withOptions(answer.options().stream()
                    .map(o -> o.code().equals(from)
                            ? new Option(to, o.label(), o.score(), o.exclusive(), o.offerWhen(), o.other(), o.picture())
                            : o)
                    .toList()));
            return renamed.withReword(renamed.reword().stream().map(r -> {
                Map<String, String> labels = new LinkedHashMap<>();
                r.labels().forEach((option, label) -> labels.put(option.equals(from) ? to : option, label));
                return new orthogon.core.questionnaire.Reword(r.when(), r.wording(), r.help(), labels);
            }).toList());
        });
    }

    @Override
    public String says() {
        return "renamed option " + from + " of " + question + " to " + to;
    }

    @Override
    public Set<String> about() {
        return Set.of(question);
    }
}
