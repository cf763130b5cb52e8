/** Countries and languages by their ISO codes in files: settings, values, columns and paper. */
package orthogon.formats.answer.iso;
