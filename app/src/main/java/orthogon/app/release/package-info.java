/** The Release sheet: the gate, and the releases made so far. */
package orthogon.app.release;
