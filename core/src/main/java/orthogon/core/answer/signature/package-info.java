/** Signatures, drawn or typed. */
package orthogon.core.answer.signature;
