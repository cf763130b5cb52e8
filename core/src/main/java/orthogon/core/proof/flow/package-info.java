/**
 * Step 4 of the proof: page by page, who arrives, who is stuck, who leaves where, and how many. Only what a later rule mentions is
 * remembered from one page to the next.
 */
package orthogon.core.proof.flow;
