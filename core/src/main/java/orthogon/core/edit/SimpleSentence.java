package orthogon.core.edit;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Printer;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;

/** A condition made of a question, a comparison that fits its type, and a value: for those who do not type expressions. */
public final class SimpleSentence {

    private SimpleSentence() {}

    /** Comparisons for a question, key to words. Those ending in {@code :} take a value. */
    public static Map<String, String> comparisons(Question question) {
        Map<String, String> words = new LinkedHashMap<>();
        switch (question.answer()) {
            case Answer.YesNo y -> {
                words.put("yes", "is yes");
                words.put("no", "is no");
            }
            case Answer.OneChoice c -> {
                words.put("is:", "is");
                words.put("isNot:", "is answered, and not with");
            }
            case Answer.ManyChoices c -> {
                words.put("includes:", "includes");
                words.put("lacks:", "does not include");
            }
            case Answer.Text t -> words.put("is:", "is exactly");
            case Answer.Numeric n -> {
                words.put("atLeast:", "is at least");
                words.put("atMost:", "is at most");
                words.put("is:", "is exactly");
            }
            case Answer.DateAnswer d -> {
                words.put("atLeast:", "is on or after");
                words.put("atMost:", "is on or before");
            }
        }
        words.put("answered", "is answered");
        words.put("blank", "is blank");
        return words;
    }

    /** Values to choose from, code to label; empty where any value can be written. */
    public static Map<String, String> values(Question question) {
        Map<String, String> values = new LinkedHashMap<>();
        question.answer().options().forEach(o -> values.put(o.code(), o.label()));
        return values;
    }

    /** @throws Refused where the value does not fit the question */
    public static String text(Question question, String comparison, String value) throws Refused {
        String x = question.code();
        return switch (comparison) {
            case "yes" -> x + " = true";
            case "no" -> x + " = false";
            case "answered" -> "answered(" + x + ")";
            case "blank" -> "not(answered(" + x + "))";
            case "is:" -> x + " = " + literal(question, value);
            case "isNot:" -> "answered(" + x + ") and " + x + " != " + literal(question, value);
            case "includes:" -> "list contains(" + x + ", " + literal(question, value) + ")";
            case "lacks:" -> "not(list contains(" + x + ", " + literal(question, value) + "))";
            case "atLeast:" -> x + " >= " + literal(question, value);
            case "atMost:" -> x + " <= " + literal(question, value);
            default -> throw new Refused("There is no comparison " + comparison + ".");
        };
    }

    /** The condition together with one that is there already. */
    public static String joined(String before, String sentence, boolean all) {
        if (before.isBlank()) {
            return sentence;
        }
        String left = all && before.matches("(?s).*\\bor\\b.*") ? "(" + before + ")" : before;
        return left + (all ? " and " : " or ") + sentence;
    }

    private static String literal(Question question, String value) throws Refused {
        String text = value == null ? "" : value.trim();
        try {
            return switch (question.answer()) {
                case Answer.Numeric n -> new BigDecimal(text).toPlainString();
                case Answer.DateAnswer d -> text.equals("today") ? "today()" : "date(\"" + LocalDate.parse(text) + "\")";
                default -> {
                    List<Answer.Option> options = question.answer().options();
                    if (text.isEmpty() || !options.isEmpty() && question.answer().option(text).isEmpty()) {
                        throw new Refused("Choose a value for " + question.code() + ".");
                    }
                    yield Printer.literal(text);
                }
            };
        } catch (NumberFormatException | DateTimeException e) {
            throw new Refused("“" + text + "” does not fit " + question.code() + ".");
        }
    }
}
