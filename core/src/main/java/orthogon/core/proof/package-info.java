/**
 * The proof: what holds for all answer paths of a document, decided exactly or said to be undecided. {@code Proof} is the way in; the
 * packages below it are the steps in the order in which they are computed.
 */
package orthogon.core.proof;
