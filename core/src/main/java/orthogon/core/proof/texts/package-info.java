/**
 * Sets of texts: automata over characters, made of patterns and comparisons, and told apart. They know nothing of questionnaires. What
 * could grow beyond all bounds counts its states, and lets whoever waits for it call it off at every step.
 */
package orthogon.core.proof.texts;
