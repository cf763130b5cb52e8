/**
 * A small set of respondents who together do everything that a questionnaire can have done to it: what they must cover, how they are
 * found, and what the interview makes of them.
 */
package orthogon.core.proof.drill;
