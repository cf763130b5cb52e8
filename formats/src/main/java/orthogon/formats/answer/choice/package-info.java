/** One option or several in files: settings, values, columns and paper. */
package orthogon.formats.answer.choice;
