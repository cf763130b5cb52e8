/** Ratings and likelihoods: one step of a few. */
package orthogon.core.answer.scale;
