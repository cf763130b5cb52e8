/** Percentages in the browser: settings and control. */
package orthogon.app.answer.percentage;
