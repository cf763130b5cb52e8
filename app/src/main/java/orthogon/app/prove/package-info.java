/** The Prove sheet: every claim, the selected one explained, and the figures. */
package orthogon.app.prove;
