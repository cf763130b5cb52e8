/** Responses as CSV, for spreadsheets and statistics. */
package orthogon.formats.responses;
