/** Options put in order. */
package orthogon.core.answer.ranking;
