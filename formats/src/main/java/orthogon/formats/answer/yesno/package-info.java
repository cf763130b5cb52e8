/** Yes or no in files: settings, values, columns and paper. */
package orthogon.formats.answer.yesno;
