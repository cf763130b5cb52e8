/**
 * Step 3 of the proof: every answer domain divided into answer classes, coded in bits, and every condition as a set over those bits.
 * What cannot be divided exactly becomes an open bit, with the reason.
 */
package orthogon.core.proof.space;
