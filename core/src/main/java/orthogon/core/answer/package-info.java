/**
 * Answers: what every type of answer has in common, and the shapes of their values. Each type lives in a package of its own below this
 * one; {@code kinds} lists what makes them. Nothing here knows of questions, conditions or the proof.
 */
package orthogon.core.answer;
