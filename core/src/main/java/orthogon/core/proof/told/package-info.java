/**
 * The words of a proof: makes sentences of what {@link orthogon.core.proof.claim} decides, once, at the end. The sentences stand in
 * {@code claims.properties} as ICU message patterns. Nothing here decides anything, and nothing reads a sentence again.
 */
package orthogon.core.proof.told;
