/** Countries and languages in the browser: settings and control. */
package orthogon.app.answer.iso;
