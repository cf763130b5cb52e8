/** One choice, or several, for each row. */
package orthogon.core.answer.grid;
