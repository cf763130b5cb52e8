package orthogon.formats.answer;

import java.util.List;
import orthogon.core.answer.Option;

/**
 * A part of a value that has a column of its own.
 *
 * @param part its key in the value
 * @param label behind the wording of the question; empty for none
 * @param type as in the dictionary
 * @param options that it is one of, or some of; empty where there are none
 * @param always whether it is there whenever the question is answered
 * @param askWhen its own condition; empty for always
 */
public record AnswerColumn(String part, String label, String type, List<Option> options, boolean always, String askWhen) {}
