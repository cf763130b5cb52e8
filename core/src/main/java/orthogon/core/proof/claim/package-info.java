/**
 * Step 5 of the proof: one file for each family of claims, how it is stated, decided and explained. {@code Claim} is what all of them
 * give; {@code ClaimDecider} is how they decide.
 */
package orthogon.core.proof.claim;
