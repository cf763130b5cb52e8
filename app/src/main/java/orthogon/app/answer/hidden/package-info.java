/** Values of the link in the browser: settings and control. */
package orthogon.app.answer.hidden;
