/** Records among the responses of another questionnaire in files: settings, values, columns and paper. */
package orthogon.formats.answer.lookup;
