/** Proofs of drafts: kept for each revision, made again after each edit, and announced to every page that shows the draft. */
package orthogon.app.proving;
