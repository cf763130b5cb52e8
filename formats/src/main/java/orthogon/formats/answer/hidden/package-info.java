/** Values that come with the respondent's link in files: settings, values, columns and paper. */
package orthogon.formats.answer.hidden;
