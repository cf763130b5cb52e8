/** Times of day. */
package orthogon.core.answer.time;
