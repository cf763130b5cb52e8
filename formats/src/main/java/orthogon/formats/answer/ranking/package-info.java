/** Options put in order in files: settings, values, columns and paper. */
package orthogon.formats.answer.ranking;
