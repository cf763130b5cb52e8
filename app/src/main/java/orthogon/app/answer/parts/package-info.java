/** Names and addresses in the browser: settings and control. */
package orthogon.app.answer.parts;
