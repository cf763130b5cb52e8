/**
 * Decision diagrams: sets of states as functions of bits, and weighted diagrams for counting. Nothing here knows what a bit stands
 * for.
 */
package orthogon.core.proof.diagram;
