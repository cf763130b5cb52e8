/** Tables that respondents choose rows of: what their columns hold, as a questionnaire that nobody is asked. */
package orthogon.core.lists;
