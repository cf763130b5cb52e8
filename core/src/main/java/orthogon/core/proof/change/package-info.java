/** Two revisions of a document compared by what they mean to respondents. */
package orthogon.core.proof.change;
