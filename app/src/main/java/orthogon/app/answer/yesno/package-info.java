/** Yes or no in the browser: settings and control. */
package orthogon.app.answer.yesno;
