/**
 * Edits: commands that make a new document of an old one and keep it whole. Nothing here stores a revision or knows who made it.
 */
package orthogon.core.edit;
