/** The Desk: all questionnaires, and the ways to a new one. */
package orthogon.app.desk;
