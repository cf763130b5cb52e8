/** The list of what makes each kind of answer; a new type of answer is added here. */
package orthogon.core.answer.kinds;
