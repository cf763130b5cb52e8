/**
 * Step 2 of the proof: a document in plain form, in which a roster is a number of entries with a section for each, and a
 * grid a section with a question for each row. Everything after this works on the plain form; what is said about it is put back here.
 */
package orthogon.core.proof.plain;
