/** Records among the responses of another questionnaire. */
package orthogon.core.answer.lookup;
