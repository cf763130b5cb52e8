/** Numbers, in a box or on a slider. */
package orthogon.core.answer.number;
