/** Short and long texts in files: settings, values, columns and paper. */
package orthogon.formats.answer.text;
