/** Times of day in the browser: settings and control. */
package orthogon.app.answer.time;
