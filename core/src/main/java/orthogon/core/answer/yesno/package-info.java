/** Yes or no. */
package orthogon.core.answer.yesno;
