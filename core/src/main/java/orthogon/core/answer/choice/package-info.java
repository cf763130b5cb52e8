/** One option or several, and how options are typed and laid out. */
package orthogon.core.answer.choice;
