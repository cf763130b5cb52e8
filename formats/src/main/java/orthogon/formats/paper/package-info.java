/**
 * A questionnaire on paper: A4, in any of its languages, with directions in words of where to go on. What respondents read on screens is
 * made elsewhere.
 */
package orthogon.formats.paper;
