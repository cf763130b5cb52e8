/** Values that come with the respondent's link. */
package orthogon.core.answer.hidden;
