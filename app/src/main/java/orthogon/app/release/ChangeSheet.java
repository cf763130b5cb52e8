package orthogon.app.release;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Changes;
import orthogon.app.questions.AnswersInWords;
import orthogon.core.language.TextDifference;
import orthogon.core.language.TextDifference.Run;
import orthogon.core.language.Units;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.change.Difference;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.StoredAnswers;

/**
 * What a revision changes for respondents, against the last release, in words.
 *
 * @param headline in one sentence
 * @param rows one for each kind of difference
 * @param texts wordings that differ
 * @param translations how many translations differ, by language
 * @param limited questions whose limits changed in a way that is not compared
 * @param dispatched messages and passages that differ in more than is compared
 * @param drills which drills of the release end differently, and how
 * @param working whether they are still being walked
 * @param isStopped whether somebody stopped the comparison
 */
record ChangeSheet(String headline, List<ChangeRow> rows, List<ChangedText> texts, Map<String, Long> translations, List<String> limited,
        List<String> dispatched, String drills, List<Changes.Otherwise> otherwise, boolean working, boolean isStopped) {

    /**
     * One difference with somebody who meets it.
     *
     * @param paths how many answer paths, in words; empty where not counted
     * @param answers of the respondent, in words
     * @param now what of these answers is different now; empty where nothing is
     * @param walk the respondent's answers as JSON
     */
    record ChangeRow(String kind, String sentence, String paths, String answers, String now, String walk) {}

    /** A wording with what of it is new. */
    record ChangedText(String unit, List<Run> runs) {}

    static ChangeSheet of(Questionnaire before, Questionnaire after, Changes.FoundChange found) {
        if (found.change().isEmpty()) {
            return new ChangeSheet(found.failed(), List.of(), List.of(), Map.of(), List.of(), List.of(), "", List.of(), false,
                    found.isStopped());
        }
        Change change = found.change().get();
        List<ChangeRow> rows = change.differences().stream().map(d -> row(before, after, d)).toList();
        List<ChangedText> texts = new ArrayList<>();
        change.wordings().forEach((unit, w) -> texts.add(new ChangedText(unit, TextDifference.of(w.before(), w.after()))));
        return new ChangeSheet(headline(change), rows, texts, translations(before, after), change.limitedOtherwise(),
                change.dispatchedOtherwise(), drills(found),
                found.walked().map(Changes.Walked::otherwise).orElse(List.of()), found.walked().isEmpty(), false);
    }

    private static String headline(Change change) {
        if (change.undecided().isPresent()) {
            return "They cannot be compared exactly: " + change.undecided().get() + ".";
        }
        if (change.differences().isEmpty()) {
            return "Every respondent gets the same questions, refusals, outcome and messages as before.";
        }
        return change.differing().map(n -> grouped(n) + " of " + grouped(change.paths().orElseThrow())
                + " answer paths of the last release " + (n.equals(BigInteger.ONE) ? "is" : "are") + " affected.")
                .orElse("Some respondents are affected; how many was not counted: " + change.uncounted().orElse("too many paths") + ".");
    }

    private static String drills(Changes.FoundChange found) {
        return found.walked().filter(w -> w.drills() > 0).map(w -> w.otherwise().isEmpty()
                ? "All " + w.drills() + " drills of the last release end as they did."
                : w.otherwise().size() + " of " + w.drills() + " drills of the last release " + (w.otherwise().size() == 1 ? "ends" : "end")
                        + " differently.")
                .orElse("");
    }

    private static String grouped(BigInteger number) {
        return Frame.grouped(number);
    }

    private static ChangeRow row(Questionnaire before, Questionnaire after, Difference d) {
        Map<String, Object> otherwise = new LinkedHashMap<>(d.after());
        otherwise.entrySet().removeIf(e -> Objects.equals(e.getValue(), d.before().get(e.getKey())));
        return new ChangeRow(kind(d), sentence(before, after, d),
                d.paths().map(p -> grouped(p) + (p.equals(BigInteger.ONE) ? " path" : " paths")).orElse("not counted"),
                said(before, d.before()), said(after, otherwise), StoredAnswers.write(d.after()));
    }

    private static String kind(Difference d) {
        return switch (d.kind()) {
            case ASKED_NOW, ACCEPTED_NOW -> "more";
            case ASKED_NO_MORE -> "less";
            case REFUSED_NOW -> "refused";
            case ENDS_OTHERWISE -> "ends";
            case SENT_NOW, SENT_NO_MORE, OPENED_NOW, OPENED_NO_MORE -> "sent";
        };
    }

    private static String sentence(Questionnaire before, Questionnaire after, Difference d) {
        return switch (d.kind()) {
            case ASKED_NO_MORE -> "Not asked any more: “" + wording(before, d.place()) + "”";
            case ASKED_NOW -> "Asked now: “" + wording(after, d.place()) + "”";
            case ENDS_OTHERWISE -> "Ends as " + outcome(after, d.to()) + " instead of " + outcome(before, d.from());
            case SENT_NOW -> "Sent now: message “" + message(after, d.place()) + "”";
            case SENT_NO_MORE -> "Not sent any more: message “" + message(before, d.place()) + "”";
            case OPENED_NOW -> "Opened now: follow-up “" + followUp(after, d.place()) + "”";
            case OPENED_NO_MORE -> "Not opened any more: follow-up “" + followUp(before, d.place()) + "”";
            case REFUSED_NOW -> "Answers that were accepted are now refused on page “" + page(after, d.place()) + "”";
            case ACCEPTED_NOW -> "Answers that were refused are now accepted on page “" + page(after, d.place()) + "”";
        };
    }

    private static String wording(Questionnaire document, String code) {
        return document.item(code).map(i -> i.wording()).filter(w -> !w.isEmpty()).orElse(code);
    }

    private static String message(Questionnaire document, String code) {
        return document.message(code).map(DispatchMessage::shown).orElse(code);
    }

    private static String followUp(Questionnaire document, String code) {
        return document.followUp(code).map(FollowUp::shown).orElse(code);
    }

    private static String page(Questionnaire document, String code) {
        return document.page(code).map(p -> p.title()).filter(t -> !t.isEmpty()).orElse(code);
    }

    private static String outcome(Questionnaire document, String code) {
        return code.isEmpty() ? "nothing" : "“" + document.outcome(code).map(Questionnaire.Outcome::label).orElse(code) + "”";
    }

    private static String said(Questionnaire document, Map<String, Object> answers) {
        return answers.entrySet().stream().map(e -> e.getKey() + ": " + document.question(e.getKey())
                .flatMap(q -> AnswersInWords.of(q, e.getValue())).orElseGet(() -> value(e.getValue())))
                .collect(Collectors.joining(" · "));
    }

    private static String value(Object value) {
        return switch (value) {
            case null -> "blank";
            case List<?> entries -> entries.size() == 1 ? "1 entry" : entries.size() + " entries";
            default -> String.valueOf(value);
        };
    }

    private static Map<String, Long> translations(Questionnaire before, Questionnaire after) {
        Map<String, Long> changed = new LinkedHashMap<>();
        for (String language : after.languages()) {
            if (!language.equals(after.sourceLanguage())) {
                Map<String, String> was = new LinkedHashMap<>();
                if (before.languages().contains(language)) {
                    Units.in(before, language).forEach(u -> was.put(u.unit(), u.text()));
                }
                long count = Units.in(after, language).stream().filter(u -> !u.text().equals(was.getOrDefault(u.unit(), ""))).count();
                if (count > 0) {
                    changed.put(language, count);
                }
            }
        }
        return changed;
    }
}
