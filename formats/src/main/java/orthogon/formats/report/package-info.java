/** The proof report and the account of one interview, as JSON and as text for people. */
package orthogon.formats.report;
