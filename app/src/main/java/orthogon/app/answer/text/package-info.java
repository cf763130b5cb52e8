/** Short and long texts in the browser: settings and control. */
package orthogon.app.answer.text;
