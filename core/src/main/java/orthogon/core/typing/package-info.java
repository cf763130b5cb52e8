/**
 * What analysts type and what they read back: rows and outlines as lines of text, answers in words, conditions as sentences. Nothing here
 * changes a document; {@link orthogon.core.edit} does.
 */
package orthogon.core.typing;
