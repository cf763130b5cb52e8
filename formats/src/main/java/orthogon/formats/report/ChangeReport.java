package orthogon.formats.report;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.change.Difference;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.JsonAnswers;
import tools.jackson.databind.json.JsonMapper;

/** What changed between two revisions, as JSON and for people. */
public final class ChangeReport {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private ChangeReport() {}

    /** One line of JSON, without a line feed; counts are decimal strings, null where they were not counted. */
    public static String json(Questionnaire before, Questionnaire after, LocalDate asOf, Change change) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", 1);
        json.put("before", before.code());
        json.put("after", after.code());
        json.put("asOf", asOf.toString());
        json.put("undecided", change.undecided().orElse(null));
        json.put("answerPaths", number(change.paths()));
        json.put("otherwise", number(change.differing()));
        json.put("notCounted", change.uncounted().orElse(null));
        json.put("differences", change.differences().stream().map(ChangeReport::difference).toList());
        json.put("limitedOtherwise", change.limitedOtherwise());
        json.put("dispatchedOtherwise", change.dispatchedOtherwise());
        json.put("wordings", change.wordings().entrySet().stream().map(e -> {
            Map<String, Object> wording = new LinkedHashMap<>();
            wording.put("text", e.getKey());
            wording.put("before", e.getValue().before());
            wording.put("after", e.getValue().after());
            return wording;
        }).toList());
        return MAPPER.writeValueAsString(json);
    }

    private static String number(Optional<BigInteger> count) {
        return count.map(BigInteger::toString).orElse(null);
    }

    private static Map<String, Object> difference(Difference difference) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("kind", difference.kind().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
        json.put("place", difference.place());
        if (difference.kind() == Difference.DifferenceKind.ENDS_OTHERWISE) {
            json.put("from", difference.from().isEmpty() ? null : difference.from());
            json.put("to", difference.to().isEmpty() ? null : difference.to());
        }
        json.put("answerPaths", number(difference.paths()));
        json.put("answersBefore", JsonAnswers.of(difference.before()));
        json.put("answersAfter", JsonAnswers.of(difference.after()));
        return json;
    }

    /** The same for people. */
    public static String text(Questionnaire before, Questionnaire after, LocalDate asOf, Change change) {
        StringBuilder text = new StringBuilder(after.title()).append(", compared with ")
                .append(before.title().equals(after.title()) ? "what it was" : before.title()).append(", as of ").append(asOf).append('\n');
        if (change.undecided().isPresent()) {
            text.append("undecided: ").append(change.undecided().get()).append('\n');
        } else if (change.differences().isEmpty()) {
            text.append("every respondent gets the same questions, refusals, outcome and messages as before\n");
        }
        change.paths().filter(p -> !change.differences().isEmpty()).ifPresent(paths -> text.append("answer paths: ")
                .append(change.differing().orElseThrow()).append(" of ").append(paths).append(" are affected\n"));
        change.uncounted().ifPresent(why -> text.append("not counted: ").append(why).append('\n'));
        for (Difference difference : change.differences()) {
            text.append('\n').append(sentence(difference));
            difference.paths().ifPresent(paths -> text.append(" (answer paths: ").append(paths).append(')'));
            text.append('\n').append("  respondent: ").append(answers(difference.before())).append('\n');
            Map<String, Object> otherwise = new LinkedHashMap<>(difference.after());
            otherwise.entrySet().removeIf(e -> Objects.equals(e.getValue(), difference.before().get(e.getKey())));
            if (!otherwise.isEmpty()) {
                text.append("  and, as it is now: ").append(answers(otherwise)).append('\n');
            }
        }
        if (!change.limitedOtherwise().isEmpty()) {
            text.append("\nlimits have changed; compared only for answers that both accept: ")
                    .append(String.join(", ", change.limitedOtherwise())).append('\n');
        }
        if (!change.dispatchedOtherwise().isEmpty()) {
            text.append("\ngoes to others, brings other things, reads otherwise by condition, or is opened otherwise: ")
                    .append(String.join(", ", change.dispatchedOtherwise())).append('\n');
        }
        change.wordings().forEach((unit, wording) -> text.append("\nwording ").append(unit).append("\n  was: ").append(wording.before())
                .append("\n  is:  ").append(wording.after()).append('\n'));
        return text.toString();
    }

    /** The difference in a sentence, with codes. */
    static String sentence(Difference difference) {
        String place = difference.place();
        return switch (difference.kind()) {
            case ASKED_NO_MORE -> "not asked any more: " + place;
            case ASKED_NOW -> "asked now: " + place;
            case ENDS_OTHERWISE -> "outcome " + outcome(difference.to()) + " instead of " + outcome(difference.from());
            case SENT_NOW -> "sent now: message " + place;
            case SENT_NO_MORE -> "not sent any more: message " + place;
            case OPENED_NOW -> "opened now: follow-up " + place;
            case OPENED_NO_MORE -> "not opened any more: follow-up " + place;
            case REFUSED_NOW -> "answers that were accepted are now refused on page " + place;
            case ACCEPTED_NOW -> "answers that were refused are now accepted on page " + place;
        };
    }

    private static String outcome(String code) {
        return code.isEmpty() ? "none" : code;
    }

    private static String answers(Map<String, Object> answers) {
        return answers.isEmpty()
                ? "leaves everything blank"
                : answers.entrySet().stream().map(e -> e.getKey() + ": " + JsonAnswers.value(e.getValue()))
                        .collect(Collectors.joining("; "));
    }
}
