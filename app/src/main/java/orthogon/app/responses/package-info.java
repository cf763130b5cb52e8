/** The Responses sheet: the table, one response, and the table as a file. */
package orthogon.app.responses;
