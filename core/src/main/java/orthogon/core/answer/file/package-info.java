/** Files. */
package orthogon.core.answer.file;
