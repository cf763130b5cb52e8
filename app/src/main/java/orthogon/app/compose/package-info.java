/** The Compose sheet: the ledger with its wiring, the inspector, and every edit. */
package orthogon.app.compose;
