/** Step 1 of the proof: whether the document is sound. Codes, references, types, looking ahead, depending on itself. */
package orthogon.core.proof.fault;
