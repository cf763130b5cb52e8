/** Calendar dates. */
package orthogon.core.answer.date;
