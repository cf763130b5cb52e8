/** Edits made on a draft by analysts who may work on it at once: applied to the newest revision, or refused with the reason. */
package orthogon.app.editing;
