/** Percentages in files: settings, values, columns and paper. */
package orthogon.formats.answer.percentage;
