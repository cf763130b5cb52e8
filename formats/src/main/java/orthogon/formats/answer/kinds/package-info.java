/** The list of how each kind of answer stands in files; a new type of answer is added here. */
package orthogon.formats.answer.kinds;
