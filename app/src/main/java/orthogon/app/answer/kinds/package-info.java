/** The list of controls; a new type of answer is added here. */
package orthogon.app.answer.kinds;
