/** A questionnaire and the follow-ups that it opens as one document in plain form, and the way back to what each of them is. */
package orthogon.core.proof.composed;
