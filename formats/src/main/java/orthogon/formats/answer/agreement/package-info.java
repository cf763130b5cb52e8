/** A text to agree to in files: settings, values, columns and paper. */
package orthogon.formats.answer.agreement;
