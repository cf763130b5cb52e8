/** Answers as they are stored, and as requests carry them: JSON that is read by the document they are answers to. */
package orthogon.formats.stored;
