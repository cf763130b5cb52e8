/** Email addresses, phone numbers and web addresses in the browser: settings and control. */
package orthogon.app.answer.contact;
