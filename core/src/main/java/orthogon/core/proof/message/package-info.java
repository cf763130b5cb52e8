/**
 * What the proof has to say, as data: the key of a message pattern and what stands in it. Every step of the proof makes messages;
 * {@link orthogon.core.proof.told} alone turns them into sentences.
 */
package orthogon.core.proof.message;
