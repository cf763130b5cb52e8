/** A text to agree to. */
package orthogon.core.answer.agreement;
