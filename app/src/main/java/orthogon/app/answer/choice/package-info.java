/** One option or several in the browser: settings and control. */
package orthogon.app.answer.choice;
