/** Parts of a hundred. */
package orthogon.core.answer.percentage;
