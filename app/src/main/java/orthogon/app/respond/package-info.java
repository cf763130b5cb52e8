/**
 * The respondent's pages: one page of an interview at a time, checked by the server, usable without script. Rehearsal shows the very
 * same pages through {@code Sheets}.
 */
package orthogon.app.respond;
